import { featureBox } from '../house/index.ts';
import { type Point2, rotate2 } from '../math/index.ts';
import type { Feature } from '../model/index.ts';

/** What a thing covers on the plan: its area, its box, or a strip for each straight part of its line. */
export function footprintsOf({ points, widthM, depthM, facingRad, area }: Feature): Point2[][] {
  const corners = points as readonly Point2[];
  if (area) return [[...corners]];
  if (corners.length === 1) return [[...featureBox({ points, widthM, depthM: depthM || widthM, facingRad })]];
  return corners.slice(1).map((b, n) => {
    const a = corners[n];
    const [ox, oy] = rotate2([0, widthM / 2], Math.atan2(b[1] - a[1], b[0] - a[0]));
    return [
      [a[0] + ox, a[1] + oy],
      [b[0] + ox, b[1] + oy],
      [b[0] - ox, b[1] - oy],
      [a[0] - ox, a[1] - oy],
    ];
  });
}

/** A box that lies straight on the plan, m. */
export interface StraightBox {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
}

/** Slanting sides are followed in bands of this height, m. */
const BAND_M = 0.05;
const EDGE = 1e-9;

/** A polygon as boxes that lie straight, which together cover all of it: exactly where its sides do, else within a band. */
export function boxesOf(polygon: readonly Point2[]): StraightBox[] {
  const isStraight = polygon.every(([x, y], n) => {
    const [nx, ny] = polygon[(n + 1) % polygon.length];
    return Math.abs(x - nx) < 1e-6 || Math.abs(y - ny) < 1e-6;
  });
  const ys = [...new Set(polygon.map(([, y]) => y))].sort((a, b) => a - b);
  const bands = ys.slice(1).flatMap((to, n): [number, number][] => {
    const from = ys[n];
    if (to - from < 1e-6) return [];
    const count = isStraight ? 1 : Math.ceil((to - from) / BAND_M);
    return Array.from({ length: count }, (_, k) => [from + ((to - from) * k) / count, from + ((to - from) * (k + 1)) / count]);
  });
  return bands.flatMap(([low, high]) => {
    const [a, b] = [crossings(polygon, low + EDGE), crossings(polygon, high - EDGE)];
    return Array.from({ length: Math.floor(Math.min(a.length, b.length) / 2) }, (_, k): StraightBox => {
      const [left, right] = [Math.min(a[2 * k], b[2 * k]), Math.max(a[2 * k + 1], b[2 * k + 1])];
      return { from: [left, low], to: [right, high] };
    });
  });
}

/** Where a level line enters and leaves a polygon, from left to right. */
function crossings(polygon: readonly Point2[], y: number): number[] {
  return polygon
    .flatMap((a, n) => {
      const b = polygon[(n + 1) % polygon.length];
      if (a[1] > y === b[1] > y) return [];
      return [a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])];
    })
    .sort((p, q) => p - q);
}
