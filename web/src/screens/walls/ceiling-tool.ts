import { type Guide, type Guided, guideTo, moveDevices } from '@dusky-spool/core/devices';
import type { Point2 } from '@dusky-spool/core/math';
import type { DeviceType, ProjectDocument, Room } from '@dusky-spool/core/model';
import { toHandGrid } from '../../canvas/tools/nudge.ts';
import type { Dragged, Grip } from './useSurfaceDrag.ts';

/** The ceiling of a room. */
export interface CeilingFace {
  readonly project: ProjectDocument;
  readonly room: Room;
  /** Guides attract a device from this far, m. */
  readonly guideM: number;
}

/** Where a device would be placed, with the guides that it follows. */
export const guidedOnCeiling = (
  { project, room, guideM }: CeilingFace,
  type: DeviceType,
  at: Point2,
  { without = [], isFree }: { readonly without?: readonly string[]; readonly isFree: boolean },
): Guided => (isFree ? { at, guides: [] } : guideTo(project, room.levelId, type, at, guideM, new Set(without)));

/** The point of a guide, or the nearest one of the grid. */
export const placeOf = ({ project }: CeilingFace, guided: Guided): Point2 =>
  guided.guides.length > 0 ? guided.at : toHandGrid(guided.at, project.project.units);

/** What a drag on a ceiling does: devices move as one, the first of them along the guides. */
export function dragOnCeiling(face: CeilingFace, grip: Grip<Point2>, to: Point2, isFree: boolean): Dragged<Guide> {
  const { project } = face;
  const first = project.devices[grip.ids[0]];
  const wanted: Point2 = [first.x + to[0] - grip.from[0], first.y + to[1] - grip.from[1]];
  const guided = guidedOnCeiling(face, project.deviceTypes[first.typeId], wanted, { without: grip.ids, isFree });
  const aim = placeOf(face, guided);
  const [dx, dy] = [aim[0] - first.x, aim[1] - first.y];
  const moves = grip.ids.map((deviceId) => {
    const { x, y } = project.devices[deviceId];
    return { deviceId, to: [x + dx, y + dy] as const };
  });
  return { guides: guided.guides, operations: moveDevices(project, moves) };
}
