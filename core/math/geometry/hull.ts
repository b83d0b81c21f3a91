import { closestOnSegment, segmentsCross } from './segment.ts';
import { pointInPolygon } from './polygon.ts';
import type { Point2 } from './vector.ts';

/** The convex outline around points, counter-clockwise; m. */
export function convexHull(points: readonly Point2[]): Point2[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (order: readonly Point2[]) => {
    const chain: Point2[] = [];
    for (const p of order) {
      while (chain.length >= 2 && turn(chain[chain.length - 2], chain[chain.length - 1], p) <= 1e-12) chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return sorted.length < 3 ? sorted : [...half(sorted), ...half([...sorted].reverse())];
}

const turn = (o: Point2, a: Point2, b: Point2) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);

/** How far two outlines are apart, m; 0 where they meet or one lies in the other. */
export function outlineGap(a: readonly Point2[], b: readonly Point2[]): number {
  if (pointInPolygon(a[0], b) || pointInPolygon(b[0], a)) return 0;
  let best = Infinity;
  a.forEach((p, i) => {
    const q = a[(i + 1) % a.length];
    b.forEach((r, j) => {
      const s = b[(j + 1) % b.length];
      if (segmentsCross(p, q, r, s)) best = 0;
      else best = Math.min(best, closestOnSegment(p, r, s).distanceM, closestOnSegment(r, p, q).distanceM);
    });
  });
  return best;
}
