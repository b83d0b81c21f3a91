import { tidyM } from '../../math/index.ts';
import { type Device, type Operation, type Plate, type ProjectDocument, update } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';

/** The devices that a plate holds, each once; one that is gone may still be among them. */
export const plateDeviceIds = ({ inserts }: Pick<Plate, 'inserts'>): string[] => [
  ...new Set(inserts.flatMap(({ deviceId }) => deviceId ?? [])),
];

/** Devices with all that share a plate with one of them, the given ones first. */
export function withPlateMates(project: Pick<ProjectDocument, 'plates' | 'devices'>, deviceIds: readonly string[]): string[] {
  const wanted = new Set(deviceIds);
  for (const plate of listOf(project, 'plates')) {
    const own = plateDeviceIds(plate).filter((id) => project.devices[id]);
    if (own.some((id) => wanted.has(id))) for (const id of own) wanted.add(id);
  }
  return [...wanted];
}

/** So much may the shifts of a plate's devices differ, m: places fall on whole tenths of a millimetre. */
const SAME_SHIFT_M = 0.001;

/** Plates whose devices have all moved alike go with them: along, up, and into the room that they face now. */
export function platesFollowing(
  project: Pick<ProjectDocument, 'plates' | 'devices'>,
  moved: ReadonlyMap<string, Device>,
): Operation[] {
  return listOf(project, 'plates').flatMap((plate): Operation[] => {
    const own = plateDeviceIds(plate).filter((id) => project.devices[id]);
    if (own.length === 0 || !own.every((id) => moved.has(id))) return [];
    const shifts = own.map((id) => {
      const [was, is] = [project.devices[id], moved.get(id)!];
      return [is.x - was.x, is.y - was.y, (is.heightM ?? 0) - (was.heightM ?? 0)];
    });
    const alike = shifts.every((shift) => shift.every((valueM, i) => Math.abs(valueM - shifts[0][i]) <= SAME_SHIFT_M));
    if (!alike) return [];
    const first = moved.get(own[0])!;
    const operation = update('plates', plate, {
      x: tidyM(plate.x + shifts[0][0]),
      y: tidyM(plate.y + shifts[0][1]),
      heightM: tidyM(plate.heightM + shifts[0][2]),
      facingRad: first.facingRad,
      roomId: first.roomId,
      levelId: first.levelId,
    });
    return operation ? [operation] : [];
  });
}
