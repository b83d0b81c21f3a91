import { listOf } from '../derive/index.ts';
import type { Device, Plate, ProjectDocument } from '../model/index.ts';

/** Plates that bring a box. */
export const platesWithBox = (project: ProjectDocument): Plate[] =>
  listOf(project, 'plates').filter(({ boxKind }) => boxKind !== 'none');

/** New devices with a box to themselves: on none of these plates. */
export function devicesInOwnBox(project: ProjectDocument, plates: readonly Plate[]): Device[] {
  const onPlate = new Set(plates.flatMap(({ inserts }) => inserts.flatMap(({ deviceId }) => deviceId ?? [])));
  return listOf(project, 'devices').filter(
    ({ id, typeId, foundId }) => foundId === null && !onPlate.has(id) && project.deviceTypes[typeId].boxKind !== 'none',
  );
}
