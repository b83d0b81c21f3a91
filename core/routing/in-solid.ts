import type { WallGrid } from '../house/index.ts';
import { closestOnSegment, type Point2 } from '../math/index.ts';
import { solidHalfM } from './weights.ts';

/** A piece this short passes into a wall and out of it, whatever its direction, m. */
const SHORT_M = 0.05;

/** Whether a piece runs along inside a wall that stands up through the cavity, where there is nothing to lie in. */
export function runsInSolid(grid: WallGrid, p: Point2, q: Point2): boolean {
  const lengthM = Math.hypot(q[0] - p[0], q[1] - p[1]);
  if (lengthM < SHORT_M) return false;
  const middle: Point2 = [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  return grid.near(middle, 0.01).some((wall) => {
    if (closestOnSegment(middle, wall.a, wall.b).distanceM >= solidHalfM(wall) - 1e-6) return false;
    const wallM = Math.hypot(wall.b[0] - wall.a[0], wall.b[1] - wall.a[1]);
    const along = ((q[0] - p[0]) * (wall.b[0] - wall.a[0]) + (q[1] - p[1]) * (wall.b[1] - wall.a[1])) / (lengthM * wallM);
    return Math.abs(along) > 0.5;
  });
}
