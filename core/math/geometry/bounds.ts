import type { Point2 } from './vector.ts';

/** An upright rectangle, metres. */
export interface Bounds {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** The smallest upright rectangle around the points; null where there are none. */
export function boundsOf(points: Iterable<Point2>): Bounds | null {
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  for (const [x, y] of points) {
    minX = Math.min(minX, x);
    minY = Math.min(minY, y);
    maxX = Math.max(maxX, x);
    maxY = Math.max(maxY, y);
  }
  return minX === Infinity ? null : { minX, minY, maxX, maxY };
}

/** The middle of the smallest upright rectangle around the points. */
export function middleOf(points: Iterable<Point2>): Point2 {
  const box = boundsOf(points)!;
  return [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
}

/** Whether a point lies in a rectangle or on its edge. */
export const inBounds = ({ minX, minY, maxX, maxY }: Bounds, [x, y]: Point2): boolean =>
  x >= minX && x <= maxX && y >= minY && y <= maxY;

/** Whether two rectangles share any ground, if only an edge. */
export const boundsMeet = (a: Bounds, b: Bounds): boolean =>
  a.minX <= b.maxX && a.maxX >= b.minX && a.minY <= b.maxY && a.maxY >= b.minY;

/** A rectangle larger by so much on every side, m. */
export const grownBounds = ({ minX, minY, maxX, maxY }: Bounds, byM: number): Bounds => ({
  minX: minX - byM,
  minY: minY - byM,
  maxX: maxX + byM,
  maxY: maxY + byM,
});
