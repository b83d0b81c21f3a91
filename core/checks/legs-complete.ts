import { runsFor, usualLegs } from '../devices/index.ts';
import { create, listOf, type Device, type ProjectDocument, type Run } from '../project/index.ts';
import { defineCheck, say, type Cure, type FindingDraft } from './check.ts';

const kept = new WeakMap<ProjectDocument['runs'], ReadonlyMap<string, readonly Run[]>>();

/** Runs by the device that they begin at. */
function runsByDevice(document: ProjectDocument): ReadonlyMap<string, readonly Run[]> {
  let byDevice = kept.get(document.runs);
  if (byDevice) return byDevice;
  const found = new Map<string, Run[]>();
  for (const run of listOf(document, 'runs')) {
    const own = found.get(run.deviceId);
    if (own) own.push(run);
    else found.set(run.deviceId, [run]);
  }
  kept.set(document.runs, (byDevice = found));
  return byDevice;
}

const saidOf = new WeakMap<
  Device,
  { readonly runs: readonly Run[] | undefined; readonly types: object; readonly found: readonly FindingDraft[] }
>();
const NOTHING: readonly FindingDraft[] = [];

/** Every device has the cables that its type asks for: nothing in the walls is forgotten (practice A33, B04). */
export const legsComplete = defineCheck({
  id: 'legs-complete',
  title: 'Every device has all the cables of its type',
  source: 'practice A33, A56, B04, B10',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  run: ({ document }) => {
    if (Object.keys(document.racks).length === 0) return [];
    const byDevice = runsByDevice(document);
    const found: FindingDraft[] = [];
    for (const device of listOf(document, 'devices')) {
      const runs = byDevice.get(device.id);
      let said = saidOf.get(device);
      if (!said || said.runs !== runs || said.types !== document.deviceTypes)
        saidOf.set(device, (said = { runs, types: document.deviceTypes, found: missingOf(document, device, runs ?? []) }));
      if (said.found.length > 0) found.push(...said.found);
    }
    return found;
  },
});

function missingOf(document: ProjectDocument, device: Device, runs: readonly Run[]): readonly FindingDraft[] {
  const type = document.deviceTypes[device.typeId];
  // Of a spare place, and of what the firm wires its own way, only what is there counts.
  if (type.cables.length === 0 || device.fitting === 'spare') return NOTHING;
  const missing = usualLegs(type).filter(({ number }) => !runs.some(({ leg }) => leg === number));
  if (missing.length === 0) return NOTHING;
  const purposes = missing.map(({ leg }) => `${document.cableTypes[leg.cableTypeId]?.name ?? leg.cableTypeId} (${leg.purpose})`);
  return [
    say(
      'legs-complete',
      'look',
      runs.length === 0 ? 'legs-none' : 'legs-missing',
      [{ in: 'devices', id: device.id }],
      {
        number: device.roomId === null ? document.levels[device.levelId].code : document.rooms[device.roomId].code,
        device: type.name,
        missing: purposes,
      },
      {
        measured: usualLegs(type).length - missing.length,
        allowed: usualLegs(type).length,
        cures: (house) => addLegs(house, device.id),
      },
    ),
  ];
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
