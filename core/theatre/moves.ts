import { moveDevices } from '../devices/index.ts';
import { ceilingHeightAt, clearOutline } from '../house/index.ts';
import { err, ok, type Outcome, type Point2, pointInPolygon, rotate2, tidyM } from '../math/index.ts';
import { type Feature, type ProjectDocument, type Operation, type Room, update } from '../model/index.ts';
import { onPlan, type Way } from './middle-line.ts';
import { pictureOf } from './picture.ts';
import { LENS_BELOW_CEILING_M } from './projection.ts';

/** A way within a theatre, and up, m. */
export interface TheatreShift extends Way {
  readonly upM: number;
}

/** What is moved: a device, or furniture that one sits on. */
export interface TheatreThing {
  readonly kind: 'device' | 'feature';
  readonly id: string;
}

/** Nothing is hung higher than this over the floor, m. */
const HIGHEST_M = 30;

/**
 * Moves a device or a row of seats. What hangs on a wall stays on one; a row goes up and down with its riser. Problems: `record-gone`,
 * `seat-in-wall` for furniture that would not stand between the walls, `riser-too-high`.
 */
export function shiftInTheatre(
  project: ProjectDocument,
  room: Room,
  { kind, id }: TheatreThing,
  shift: TheatreShift,
): Outcome<readonly Operation[]> {
  const [dx, dy] = onPlan(pictureOf(project, room)?.facingDeg ?? 0, shift);
  return kind === 'device'
    ? shiftDevice(project, room, id, [dx, dy], shift.upM)
    : shiftRow(project, room, id, [dx, dy], shift.upM);
}

function shiftDevice(
  project: ProjectDocument,
  room: Room,
  id: string,
  [dx, dy]: Point2,
  upM: number,
): Outcome<readonly Operation[]> {
  const device = project.devices[id];
  if (!device) return err('record-gone', { in: 'devices', id });
  const to: Point2 = [tidyM(device.x + dx), tidyM(device.y + dy)];
  const hangsM = ceilingHeightAt(room, project.levels[room.levelId], to) - LENS_BELOW_CEILING_M;
  const atM = device.heightM ?? hangsM;
  const isFixedUp = device.heightM === null && !project.deviceTypes[device.typeId].lens;
  const height = upM === 0 || isFixedUp ? {} : { heightM: tidyM(Math.min(HIGHEST_M, Math.max(0, atM + upM))) };
  return moveDevices(project, [{ deviceId: id, to, ...height }]);
}

function shiftRow(
  project: ProjectDocument,
  room: Room,
  id: string,
  [dx, dy]: Point2,
  upM: number,
): Outcome<readonly Operation[]> {
  const feature = project.features[id];
  if (!feature) return err('record-gone', { in: 'features', id });
  const points = feature.points.map(([x, y]): [number, number] => [tidyM(x + dx), tidyM(y + dy)]);
  const bottomM = tidyM(Math.max(room.floorM, feature.bottomM + upM));
  const topM = tidyM(bottomM + feature.topM - feature.bottomM);
  const ceilingM = ceilingHeightAt(room, project.levels[room.levelId], points[0]);
  if (topM > ceilingM) return err('riser-too-high', { kind: 'invalid', field: 'bottomM', topM, ceilingM });
  const outline = clearOutline(project, room);
  if (!cornersOf({ ...feature, points }).every((p) => pointInPolygon(p, outline, EDGE_M)))
    return err('seat-in-wall', { kind: 'invalid', field: 'points' });
  const operation = update('features', feature, { points, bottomM, topM });
  return ok(operation ? [operation] : []);
}
const EDGE_M = 0.005;

const cornersOf = ({
  points: [[x, y]],
  widthM,
  depthM,
  facingRad,
}: Pick<Feature, 'points' | 'widthM' | 'depthM' | 'facingRad'>): Point2[] =>
  (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([u, v]): Point2 => {
    const [dx, dy] = rotate2([(u * widthM) / 2, (v * depthM) / 2], facingRad);
    return [x + dx, y + dy];
  });
