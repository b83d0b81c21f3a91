import { buildingOf, nearestWall, wallLength, wallPoint } from '../house/index.ts';
import { placeDevice } from '../devices/index.ts';
import type { Point2 } from '../math/index.ts';
import type { Device, Operation, ProjectDocument, Run } from '../model/index.ts';
import { listOf, partOf, pickedFrom } from '../derive/index.ts';
import type { Cure } from './check.ts';

export const part = (name: string, fits: (device: Device) => boolean) => partOf(name, 'devices', fits);

export const OF_TYPE = {
  'surge-arrester': part('surge-arrester', ({ typeId }) => typeId === 'surge-arrester'),
  'bonding-bar': part('bonding-bar', ({ typeId }) => typeId === 'bonding-bar'),
  'building-electrode': part('building-electrode', ({ typeId }) => typeId === 'building-electrode'),
};

export const isBond = ({ cableTypes }: Pick<ProjectDocument, 'cableTypes'>, { cableTypeId }: Pick<Run, 'cableTypeId'>) =>
  cableTypes[cableTypeId].family === 'bond';

export const hasType = (project: ProjectDocument, typeId: keyof typeof OF_TYPE) =>
  pickedFrom(project, OF_TYPE[typeId]).length > 0;

/** A bonding bar beside the rack, where the project knows the type. */
export function bondingBar(project: ProjectDocument, house: ProjectDocument): Cure[] {
  if (!project.deviceTypes['bonding-bar']) return [];
  const operations = besideRack(house, 'bonding-bar', 0.3);
  return operations.length > 0 ? [{ code: 'add-bonding-bar', figures: {}, operations }] : [];
}

/** On the wall behind the first rack, a hand beside it. */
export function besideRack(project: ProjectDocument, typeId: string, asideM: number): Operation[] {
  const [rack] = listOf(project, 'racks');
  const id = `en_${typeId}`.slice(0, 36);
  if (!rack || Object.hasOwn(project.devices, id)) return [];
  const place = nearestWall(buildingOf(project), rack.levelId, [rack.x, rack.y], 1.5, (wall) => wall.cableMayRun);
  if (!place) return [];
  const lengthM = wallLength(place.wall);
  const offsets = [place.offsetM + rack.widthM / 2 + asideM, place.offsetM - rack.widthM / 2 - asideM];
  for (const offsetM of offsets) {
    if (offsetM < 0.2 || offsetM > lengthM - 0.2) continue;
    const [x, y] = wallPoint(place.wall, offsetM);
    // Towards the rack, so that it hangs in the same room.
    const farM = Math.hypot(rack.x - place.point[0], rack.y - place.point[1]) || 1;
    const at: Point2 = [x + ((rack.x - place.point[0]) / farM) * 0.08, y + ((rack.y - place.point[1]) / farM) * 0.08];
    const placed = placeDevice(project, { typeId, levelId: rack.levelId, at }, { device: id, run: (leg) => `${id}_${leg}` });
    if (placed.ok) return [...placed.value.operations];
  }
  return [];
}
