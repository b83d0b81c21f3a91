import { closestOnSegment, type Point2, polygonArea } from '../../math/index.ts';
import type { ProjectDocument, Room } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';

/** A wall whose center line passes so near to the middle of a side stands on it, m. */
const ON_SIDE_M = 0.02;
/** Sides that turn by less than this go straight on, sine. */
const STRAIGHT = 1e-6;

/** The outline of a room from face to face of its walls, corner by corner as its polygon; a side without a wall stays where it is. */
export function clearOutline(project: ProjectDocument, { levelId, polygon }: Room): Point2[] {
  const walls = onLevel(project, 'walls', levelId);
  const corners = polygon as readonly Point2[];
  const inward = Math.sign(polygonArea(corners)) || 1;
  const sides = corners.map((a, i) => {
    const b = corners[(i + 1) % corners.length];
    const lengthM = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const along: Point2 = [(b[0] - a[0]) / lengthM, (b[1] - a[1]) / lengthM];
    const middle: Point2 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    const halves = walls
      .filter((wall) => closestOnSegment(middle, wall.a, wall.b).distanceM < ON_SIDE_M)
      .map(({ thicknessM }) => thicknessM / 2);
    const half = Math.max(0, ...halves);
    const from: Point2 = [a[0] - along[1] * half * inward, a[1] + along[0] * half * inward];
    return { from, along };
  });
  return sides.map((side, i) => {
    const before = sides[(i + sides.length - 1) % sides.length];
    const turn = before.along[0] * side.along[1] - before.along[1] * side.along[0];
    if (Math.abs(turn) < STRAIGHT) return side.from;
    const [dx, dy] = [side.from[0] - before.from[0], side.from[1] - before.from[1]];
    const share = (dx * side.along[1] - dy * side.along[0]) / turn;
    return [before.from[0] + before.along[0] * share, before.from[1] + before.along[1] * share];
  });
}
