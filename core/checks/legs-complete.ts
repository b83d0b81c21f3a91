import { runsFor, usualLegs } from '../devices/index.ts';
import { create, pickedFrom, type Device, type PartOf, type ProjectDocument, type Run } from '../project/index.ts';
import { runsByDevice } from '../runs/index.ts';
import { defineCheck, say, type Cure, type FindingDraft } from './check.ts';

/** The devices that lack a cable, looked for again only among those that changed while the runs are the same. */
const partOf = new WeakMap<ProjectDocument['runs'], { readonly types: object; readonly part: PartOf<'devices'> }>();
let lastPart = 0;

function lacking(document: ProjectDocument): readonly Device[] {
  let known = partOf.get(document.runs);
  if (known?.types !== document.deviceTypes) {
    const byDevice = runsByDevice(document);
    const fits = (device: Device) => missingLegs(document, device, byDevice.get(device.id) ?? []).length > 0;
    known = { types: document.deviceTypes, part: { name: `legs ${++lastPart}`, in: 'devices', fits } };
    partOf.set(document.runs, known);
  }
  return pickedFrom(document, known.part);
}

/** Every device has the cables that its type asks for: nothing in the walls is forgotten (practice A33, B04). */
export const legsComplete = defineCheck({
  id: 'legs-complete',
  title: 'Every device has all the cables of its type',
  source: 'practice',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  run: ({ document }) => {
    if (Object.keys(document.racks).length === 0) return [];
    const byDevice = runsByDevice(document);
    return lacking(document).map((device) => {
      const runs = byDevice.get(device.id) ?? NO_RUNS;
      let said = saidOf.get(device);
      if (!said || said.runs !== runs || said.types !== document.deviceTypes)
        saidOf.set(device, (said = { runs, types: document.deviceTypes, found: findingOf(document, device, runs) }));
      return said.found;
    });
  },
});

const NO_RUNS: readonly Run[] = [];
const saidOf = new WeakMap<Device, { readonly runs: readonly Run[]; readonly types: object; readonly found: FindingDraft }>();

/** The usual legs of its type that a device has no run for. Of a spare place only what is there counts. */
function missingLegs(document: ProjectDocument, device: Device, runs: readonly Run[]): ReturnType<typeof usualLegs> {
  const type = document.deviceTypes[device.typeId];
  if (type.cables.length === 0 || device.fitting === 'spare') return [];
  return usualLegs(type).filter(({ number }) => !runs.some(({ leg }) => leg === number));
}

function findingOf(document: ProjectDocument, device: Device, runs: readonly Run[]): FindingDraft {
  const type = document.deviceTypes[device.typeId];
  const missing = missingLegs(document, device, runs);
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
