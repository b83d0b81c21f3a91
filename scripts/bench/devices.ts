import { edited } from '../../core/derive/index.ts';
import { allClashes, applyTemplate, clashesOf, legalPlaces, moveDevices, ROOM_TEMPLATES } from '../../core/devices/index.ts';
import type { Change, ProjectDocument } from '../../core/model/index.ts';
import { bigHouse } from '../../core/testing/big-house.ts';
import { ProjectSync } from '../../web/src/state/sync.ts';
import { figure, type Figure, percentile } from './figure.ts';

const must = (house: ProjectDocument, operations: Parameters<typeof edited>[1]): ProjectDocument => {
  const applied = edited(house, operations);
  if (!applied.ok) throw new Error(applied.problem.code);
  return applied.value;
};

/** A tab with the house open, whose edits are kept and sent as in the app, to a server that answers at once. */
function tabOf(project: ProjectDocument): { sync: ProjectSync; saved: Promise<void> } {
  let done = () => {};
  const saved = new Promise<void>((resolve) => (done = resolve));
  let revision = 1;
  const sync: ProjectSync = new ProjectSync(
    {
      send: (changes) => {
        // The body as it goes out, and as it is read again by the other side.
        const sent = JSON.parse(JSON.stringify({ changes })) as { changes: Change[] };
        return Promise.resolve({
          revision: (revision += sent.changes.length),
          results: sent.changes.map(({ id }) => ({ id, status: 'applied' as const, revision })),
        });
      },
      since: () => Promise.resolve([]),
      keep: (pending) => {
        structuredClone(pending);
        return Promise.resolve();
      },
      keepAside: () => Promise.resolve(),
      forbids: () => null,
      now: () => new Date(),
      newId: () => crypto.randomUUID(),
      resettle: () => Promise.resolve(null),
      later: (task) => void setImmediate(task),
      changed: ({ pending }) => {
        if (pending.length === 0) done();
      },
    },
    { project, revision },
  );
  return { sync, saved };
}

/** What follows a device that is moved in the house of 3 000 devices, and what a room template costs there. */
export async function benchDevices(): Promise<Figure[]> {
  const house = bigHouse();
  allClashes(house);
  const ids = Object.keys(house.devices);
  const tested: number[] = [];
  const searched: number[] = [];
  for (let n = 0; n < 240; n++) {
    const device = house.devices[ids[(n * 37) % ids.length]];
    const moved = moveDevices(house, [{ deviceId: device.id, to: [device.x + 0.01 * (n % 20), device.y + 0.007 * (n % 11)] }]);
    if (!moved.ok) throw new Error(moved.problem.code);
    if (moved.value.length === 0) continue;
    const next = must(house, moved.value);
    const start = performance.now();
    allClashes(next);
    if (n >= 40) tested.push(performance.now() - start);
    const before = performance.now();
    legalPlaces(next, next.devices[device.id]);
    if (n >= 40) searched.push(performance.now() - before);
  }
  const all = performance.now();
  for (const device of Object.values(house.devices)) clashesOf(house, device);
  const plain = performance.now() - all;

  const template = ROOM_TEMPLATES.find(({ id }) => id === 'living-room')!;
  if (template.devices.length !== 12) throw new Error('the template is meant to have 12 devices');
  const rooms = Object.keys(house.rooms);
  const laid: number[] = [];
  let count = 0;
  for (let n = 0; n < 60; n++) {
    const { sync, saved } = tabOf(house);
    const start = performance.now();
    const applied = applyTemplate(sync.current.view, rooms[(n * 7) % rooms.length], template, {
      device: () => `new${count++}`,
      run: () => `run${count++}`,
    });
    if (!applied.ok) throw new Error(applied.problem.code);
    const problem = sync.edit('template', applied.value.operations);
    if (problem) throw new Error(problem.code);
    await saved;
    if (n >= 10) laid.push(performance.now() - start);
    sync.stop();
  }
  return [
    figure(
      'devices',
      'a device moved among 3 000: what keeps it from being built, 95th percentile',
      percentile(tested, 0.95),
      'ms',
      8,
    ),
    figure('devices', 'plain reference: every device of the house tested by itself', plain, 'ms'),
    figure('devices', 'nearest legal places of a device in that house, 95th percentile', percentile(searched, 0.95), 'ms', 30),
    figure(
      'devices',
      'a room template of 12 devices laid there, kept and sent in the background, 95th percentile',
      percentile(laid, 0.95),
      'ms',
      50,
    ),
  ];
}
