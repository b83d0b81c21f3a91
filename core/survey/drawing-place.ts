import { type Point2, tidyM } from '../math/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/** Drawings farther apart than this do not share their coordinates, m. */
const FARTHEST_APART_M = 500;

/**
 * Where the lower left corner of a drawing goes on the plan, m: drawings of one house share their file coordinates, so one
 * that comes later (a revision, the electrician's sheet) is laid by those over the one that is there. The first goes to 0, 0.
 * `cornerM` is the corner in the coordinates of its own file.
 */
export function drawingPlace(project: ProjectDocument, levelId: string, cornerM: Point2): Point2 {
  const known = listOf(project, 'underlays').filter(({ drawingCorner, rotationRad }) => drawingCorner && rotationRad === 0);
  // The newest of the same level counts first.
  const there = known.findLast((one) => one.levelId === levelId && !one.retired) ?? known.at(-1);
  if (!there?.drawingCorner) return [0, 0];
  const shift: Point2 = [cornerM[0] - there.drawingCorner[0], cornerM[1] - there.drawingCorner[1]];
  if (Math.hypot(...shift) > FARTHEST_APART_M) return [0, 0];
  return [tidyM(there.originX + shift[0]), tidyM(there.originY + shift[1])];
}
