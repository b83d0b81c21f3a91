import { runsFor, usualLegs } from '../devices/index.ts';
import { create, type Device, type ProjectDocument, type Run } from '../model/index.ts';
import { RUNS_OF_DEVICE, runsByDevice } from '../runs/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

/** Every device has the cables that its type asks for: nothing in the walls is forgotten (practice A33, B04). */
export const legsComplete = defineCheck({
  id: 'legs-complete',
  title: 'Every device has all the cables of its type',
  source: 'Trade practice',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['cableTypes', 'deviceTypes', 'levels', 'racks', 'rooms'],
  beside: [RUNS_OF_DEVICE],
  ofDevice: (device, { project, read }) => {
    if (Object.keys(project.racks).length === 0) return [];
    const found = findingOf(project, device, read.one(RUNS_OF_DEVICE, device.id)!);
    return found ? [found] : [];
  },
});

/** The usual legs of its type that a device has no run for. Of a spare place only what is there counts. */
function missingLegs(project: ProjectDocument, device: Device, runs: readonly Run[]): ReturnType<typeof usualLegs> {
  const type = project.deviceTypes[device.typeId];
  if (type.cables.length === 0 || device.fitting === 'spare') return [];
  return usualLegs(type).filter(
    ({ number }) => !device.leftOut.includes(number) && !runs.some(({ recipeLeg }) => recipeLeg === number),
  );
}

function findingOf(project: ProjectDocument, device: Device, runs: readonly Run[]): RuleFinding | null {
  const type = project.deviceTypes[device.typeId];
  const missing = missingLegs(project, device, runs);
  if (missing.length === 0) return null;
  const purposes = missing.map(({ leg }) => `${project.cableTypes[leg.cableTypeId]?.name ?? leg.cableTypeId} (${leg.purpose})`);
  const usual = usualLegs(type).length;
  return say(
    'look',
    runs.length === 0 ? 'legs-none' : 'legs-missing',
    [{ in: 'devices', id: device.id }],
    {
      number: device.roomId === null ? project.levels[device.levelId].code : project.rooms[device.roomId].code,
      device: type.name,
      missing: purposes,
    },
    { measured: usual - missing.length, allowed: usual, cures: (house) => addLegs(house, device.id) },
  );
}

function addLegs(project: ProjectDocument, deviceId: string): Cure[] {
  const device = project.devices[deviceId];
  if (!device) return [];
  const missing = missingLegs(project, device, runsByDevice(project).get(deviceId) ?? []);
  const id = (leg: number) => {
    const base = `${deviceId}_l${leg}`.slice(-38);
    return Object.hasOwn(project.runs, base) ? `${base}b` : base;
  };
  const operations = runsFor(project, device, missing, id).map((run) => create('runs', run));
  return operations.length > 0 ? [{ code: 'add-legs', figures: { count: operations.length }, operations }] : [];
}
