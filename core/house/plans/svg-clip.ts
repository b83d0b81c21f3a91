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

/** The outline of a clip shape, px, and how its inside is told. */
export interface ClipShape {
  readonly edges: readonly (readonly [Point2, Point2])[];
  readonly isEvenOdd: boolean;
}

/** What is left of a picture: a box, and areas that are no boxes; each leaves what is in any of its shapes. */
export interface Clip {
  readonly box: ClipBox;
  readonly areas: readonly (readonly ClipShape[])[];
}

/** Whether a shape is a rectangle that lies straight: then its box says all of it. */
export function isBox({ edges }: ClipShape): boolean {
  return edges.length === 4 && edges.every(([a, b]) => a[0] === b[0] || a[1] === b[1]);
}

/** The parts of a line that a clip leaves. */
export function clippedParts(a: Point2, b: Point2, { box, areas }: Clip): [Point2, Point2][] {
  const whole = clipped(a, b, box);
  let parts = whole ? [whole] : [];
  for (const area of areas) parts = parts.flatMap(([p, q]) => partsInside(p, q, area));
  return parts;
}

function partsInside(a: Point2, b: Point2, area: readonly ClipShape[]): [Point2, Point2][] {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const at = (share: number): Point2 => [a[0] + dx * share, a[1] + dy * share];
  const stops = [0, 1];
  for (const { edges } of area)
    for (const [c, d] of edges) {
      const [ex, ey] = [d[0] - c[0], d[1] - c[1]];
      const cross = dx * ey - dy * ex;
      if (cross === 0) continue;
      const [t, u] = [((c[0] - a[0]) * ey - (c[1] - a[1]) * ex) / cross, ((c[0] - a[0]) * dy - (c[1] - a[1]) * dx) / cross];
      if (t > 0 && t < 1 && u >= 0 && u <= 1) stops.push(t);
    }
  stops.sort((p, q) => p - q);
  const parts: [Point2, Point2][] = [];
  let from: number | null = null;
  for (let k = 0; k + 1 < stops.length; k++) {
    const isIn = stops[k + 1] > stops[k] && area.some((shape) => isInside(at((stops[k] + stops[k + 1]) / 2), shape));
    if (isIn && from === null) from = stops[k];
    const isEnd = k + 2 === stops.length;
    if (from === null || (isIn && !isEnd)) continue;
    const to = isIn ? stops[k + 1] : stops[k];
    if (to > from) parts.push([from === 0 ? a : at(from), to === 1 ? b : at(to)]);
    from = null;
  }
  return parts;
}

function isInside([x, y]: Point2, { edges, isEvenOdd }: ClipShape): boolean {
  let [turns, crossings] = [0, 0];
  for (const [c, d] of edges) {
    if (c[1] <= y === d[1] <= y) continue;
    if (c[0] + ((y - c[1]) * (d[0] - c[0])) / (d[1] - c[1]) <= x) continue;
    crossings++;
    turns += d[1] > c[1] ? 1 : -1;
  }
  return isEvenOdd ? crossings % 2 === 1 : turns !== 0;
}
