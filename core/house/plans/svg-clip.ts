import type { Bounds, Point2 } from '../../math/index.ts';
import type { Matrix } from './matrix.ts';

/** What is seen of a picture, px. */
export type ClipBox = Bounds;

/** The part of a clip that a box leaves, the box in units of its own. */
export function boxOfShape(m: Matrix, box: Bounds, before: ClipBox): ClipBox {
  const corners = [box.minX, box.maxX].flatMap((x) =>
    [box.minY, box.maxY].map((y) => [m[0] * x + m[2] * y + m[4], m[1] * x + m[3] * y + m[5]]),
  );
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  return {
    minX: Math.max(before.minX, Math.min(...xs)),
    minY: Math.max(before.minY, Math.min(...ys)),
    maxX: Math.min(before.maxX, Math.max(...xs)),
    maxY: Math.min(before.maxY, Math.max(...ys)),
  };
}

/** The part of a line within a box; null where there is none, or it has no proper numbers. */
export function clipped(a: Point2, b: Point2, { minX, minY, maxX, maxY }: ClipBox): [Point2, Point2] | null {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  let [from, to] = [0, 1];
  for (const [step, low, high] of [
    [dx, minX - a[0], maxX - a[0]],
    [dy, minY - a[1], maxY - a[1]],
  ]) {
    if (!Number.isFinite(step)) return null;
    if (step === 0) {
      if (low > 0 || high < 0) return null;
      continue;
    }
    const [near, far] = step > 0 ? [low / step, high / step] : [high / step, low / step];
    from = Math.max(from, near);
    to = Math.min(to, far);
  }
  if (!(from <= to)) return null;
  const at = (share: number): Point2 => [a[0] + dx * share, a[1] + dy * share];
  return [from === 0 ? a : at(from), to === 1 ? b : at(to)];
}
