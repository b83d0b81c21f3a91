import { buildingOf, nearestWall, wallLength, wallPoint } from '../house/index.ts';
import { placeDevice } from '../devices/index.ts';
import type { Point2 } from '../math/index.ts';
import type { Device, Operation, ProjectDocument, Run } from '../model/index.ts';
import { edited, listOf, partOf, pickedFrom } from '../derive/index.ts';
import { RUNS_BY_DEVICE, runsByDevice } from '../runs/index.ts';
import { type Cure, defineCheck, type Said, say } from './check.ts';

const isCopper = (document: ProjectDocument, { cableTypeId }: Run) => document.cableTypes[cableTypeId].material !== 'fibre';
const isBond = (document: ProjectDocument, { cableTypeId }: Run) => document.cableTypes[cableTypeId].family === 'bond';
const part = (name: string, fits: (device: Device) => boolean) => partOf(name, 'devices', fits);
const OF_TYPE = {
  'surge-arrester': part('surge-arrester', ({ typeId }) => typeId === 'surge-arrester'),
  'bonding-bar': part('bonding-bar', ({ typeId }) => typeId === 'bonding-bar'),
};
const OUTDOORS = part('outdoors', ({ roomId }) => roomId === null);
const MASTS = part('masts', ({ typeId }) => typeId === 'aerial' || typeId === 'dish');
const hasType = (document: ProjectDocument, typeId: keyof typeof OF_TYPE) => pickedFrom(document, OF_TYPE[typeId]).length > 0;

/** Copper that comes from outdoors passes a surge arrester where it enters (ENGINEERING 3.3). */
export const surgeProtected = defineCheck({
  id: 'surge-protected',
  title: 'Copper from outdoors has surge protection at its entry',
  source: 'NEC 800, 820 style; EN 62305 direction',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['cableTypes'],
  nodes: [OF_TYPE['surge-arrester'], OUTDOORS, RUNS_BY_DEVICE],
  safety: true,
  run: ({ document }) => {
    if (hasType(document, 'surge-arrester')) return [];
    const byDevice = runsByDevice(document);
    const runs = pickedFrom(document, OUTDOORS)
      .flatMap(({ id }) => byDevice.get(id) ?? [])
      .filter((run) => run.toDeviceId === null && isCopper(document, run) && !isBond(document, run));
    if (runs.length === 0) return [];
    return [
      say(
        'look',
        'surge-missing',
        runs.map(({ id }) => ({ in: 'runs', id })),
        { number: '', count: runs.length, first: runs[0].number },
        { measured: 0, allowed: 1, cures: (house) => arresters(house) },
      ),
    ];
  },
});

/** Masts and dishes are bonded (ENGINEERING 5.5). */
export const aerialBonded = defineCheck({
  id: 'aerial-bonded',
  title: 'Aerials and dishes are bonded',
  source: 'NEC 810, 820 style; EN 60728-11',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes'],
  nodes: [MASTS, OF_TYPE['bonding-bar']],
  safety: true,
  run: ({ document }) => {
    if (hasType(document, 'bonding-bar')) return [];
    return pickedFrom(document, MASTS).map((device): Said =>
      say(
        'stop',
        'aerial-not-bonded',
        [{ in: 'devices', id: device.id }],
        { number: '', device: document.deviceTypes[device.typeId].name },
        { measured: 0, allowed: 1, cures: (house) => bar(house, house) },
      ),
    );
  },
});

function arresters(document: ProjectDocument): Cure[] {
  if (!document.deviceTypes['surge-arrester']) return [];
  const bonded = hasType(document, 'bonding-bar') ? [] : (bar(document, document)[0]?.operations ?? []);
  const between = edited(document, bonded);
  if (!between.ok) return [];
  const placed = besideRack(between.value, 'surge-arrester', 0.6);
  return placed.length > 0 ? [{ code: 'add-arresters', figures: {}, operations: [...bonded, ...placed] }] : [];
}

function bar(document: ProjectDocument, house: ProjectDocument): Cure[] {
  if (!document.deviceTypes['bonding-bar']) return [];
  const operations = besideRack(house, 'bonding-bar', 0.3);
  return operations.length > 0 ? [{ code: 'add-bonding-bar', figures: {}, operations }] : [];
}

/** On the wall behind the first rack, a hand beside it. */
function besideRack(document: ProjectDocument, typeId: string, asideM: number): Operation[] {
  const [rack] = listOf(document, 'racks');
  const id = `en_${typeId}`.slice(0, 36);
  if (!rack || Object.hasOwn(document.devices, id)) return [];
  const place = nearestWall(buildingOf(document), rack.levelId, [rack.x, rack.y], 1.5, (wall) => wall.cableMayRun);
  if (!place) return [];
  const lengthM = wallLength(place.wall);
  const offsets = [place.offsetM + rack.widthM / 2 + asideM, place.offsetM - rack.widthM / 2 - asideM];
  for (const offsetM of offsets) {
    if (offsetM < 0.2 || offsetM > lengthM - 0.2) continue;
    const [x, y] = wallPoint(place.wall, offsetM);
    // Towards the rack, so that it hangs in the same room.
    const farM = Math.hypot(rack.x - place.point[0], rack.y - place.point[1]) || 1;
    const at: Point2 = [x + ((rack.x - place.point[0]) / farM) * 0.08, y + ((rack.y - place.point[1]) / farM) * 0.08];
    const placed = placeDevice(document, { typeId, levelId: rack.levelId, at }, { device: id, run: (leg) => `${id}_${leg}` });
    if (placed.ok) return [...placed.value.operations];
  }
  return [];
}
