import { runsFor, usualLegs } from '../devices/index.ts';
import { Stamps, type Stamp, create, listOf, originOf, type Device, type ProjectDocument, type Run } from '../project/index.ts';
import { runsByDevice } from '../runs/index.ts';
import { defineCheck, say, type Cure, type FindingDraft } from './check.ts';
import { patchedByDevice, type ByDevice } from './by-device.ts';

/** Every device has the cables that its type asks for: nothing in the walls is forgotten (practice A33, B04). */
export const legsComplete = defineCheck({
  id: 'legs-complete',
  title: 'Every device has all the cables of its type',
  source: 'Trade practice',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  run: ({ document }) => {
    if (Object.keys(document.racks).length === 0) return [];
    return lackingIn(document).findings;
  },
});

interface Lacking {
  readonly stamp: Stamp;
  readonly runs: ReadonlyMap<string, readonly Run[]>;
  readonly byDevice: ByDevice<FindingDraft>;
  readonly findings: readonly FindingDraft[];
}
const stamps = new Stamps();
const kept = new WeakMap<ProjectDocument['devices'], Lacking>();

/** What each device lacks; after an edit only devices that it touched, or whose runs it touched, are looked at again. */
function lackingIn(document: ProjectDocument): Lacking {
  const stamp = stamps.of([document.deviceTypes, document.cableTypes, document.rooms, document.levels]);
  const runs = runsByDevice(document);
  const own = kept.get(document.devices);
  if (own?.stamp === stamp && own.runs === runs) return own;
  const origin = own ? null : originOf(document.devices);
  const before = own ?? (origin && kept.get(origin.before as ProjectDocument['devices']));
  const now = (id: string) => {
    const device = document.devices[id];
    return device ? findingOf(document, device, runs.get(id) ?? NO_RUNS) : null;
  };
  const touched =
    before?.stamp === stamp ? [...(origin?.ids ?? []), ...(before.runs === runs ? [] : differing(before.runs, runs))] : null;
  const byDevice =
    before && touched
      ? patchedByDevice(before.byDevice, touched, now)
      : listOf(document, 'devices').flatMap(({ id }) => {
          const found = now(id);
          return found ? [{ id, found }] : [];
        });
  const lacking = { stamp, runs, byDevice, findings: byDevice.map(({ found }) => found) };
  kept.set(document.devices, lacking);
  return lacking;
}

/** Devices that have other runs in one of two states than in the other. */
function differing(before: Lacking['runs'], after: Lacking['runs']): string[] {
  const ids = [...before.keys()].filter((id) => before.get(id) !== after.get(id));
  for (const id of after.keys()) if (!before.has(id)) ids.push(id);
  return ids;
}

const NO_RUNS: readonly Run[] = [];

/** The usual legs of its type that a device has no run for. Of a spare place only what is there counts. */
function missingLegs(document: ProjectDocument, device: Device, runs: readonly Run[]): ReturnType<typeof usualLegs> {
  const type = document.deviceTypes[device.typeId];
  if (type.cables.length === 0 || device.fitting === 'spare') return [];
  return usualLegs(type).filter(({ number }) => !runs.some(({ leg }) => leg === number));
}

function findingOf(document: ProjectDocument, device: Device, runs: readonly Run[]): FindingDraft | null {
  const type = document.deviceTypes[device.typeId];
  const missing = missingLegs(document, device, runs);
  if (missing.length === 0) return null;
  const purposes = missing.map(({ leg }) => `${document.cableTypes[leg.cableTypeId]?.name ?? leg.cableTypeId} (${leg.purpose})`);
  const usual = usualLegs(type).length;
  return say(
    'legs-complete',
    'look',
    runs.length === 0 ? 'legs-none' : 'legs-missing',
    [{ in: 'devices', id: device.id }],
    {
      number: device.roomId === null ? document.levels[device.levelId].code : document.rooms[device.roomId].code,
      device: type.name,
      missing: purposes,
    },
    { measured: usual - missing.length, allowed: usual, cures: (house) => addLegs(house, device.id) },
  );
}

function addLegs(document: ProjectDocument, deviceId: string): Cure[] {
  const device = document.devices[deviceId];
  if (!device) return [];
  const there = new Set((runsByDevice(document).get(deviceId) ?? []).map(({ leg }) => leg));
  const missing = usualLegs(document.deviceTypes[device.typeId]).filter(({ number }) => !there.has(number));
  const id = (leg: number) => {
    const base = `${deviceId}_l${leg}`.slice(-38);
    return Object.hasOwn(document.runs, base) ? `${base}b` : base;
  };
  const operations = runsFor(document, device, missing, id).map((run) => create('runs', run));
  return operations.length > 0 ? [{ code: 'add-legs', figures: { count: operations.length }, operations }] : [];
}
