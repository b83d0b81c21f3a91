import type { Point2 } from './vector.ts';

/** The point of segment a-b nearest to p, its share t of the way (0..1) and its distance (m). */
export function closestOnSegment(p: Point2, a: Point2, b: Point2): { point: Point2; t: number; distanceM: number } {
  const dx = b[0] - a[0];
  const dy = b[1] - a[1];
  const lengthSquared = dx * dx + dy * dy;
  const raw = lengthSquared === 0 ? 0 : ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / lengthSquared;
  const t = Math.min(1, Math.max(0, raw));
  const point: Point2 = [a[0] + t * dx, a[1] + t * dy];
  return { point, t, distanceM: Math.hypot(p[0] - point[0], p[1] - point[1]) };
}

/** Where line a-b meets line c-d, as shares of the way along each; null where they run parallel. */
export function crossingParameters(a: Point2, b: Point2, c: Point2, d: Point2): { t: number; u: number } | null {
  const rx = b[0] - a[0];
  const ry = b[1] - a[1];
  const sx = d[0] - c[0];
  const sy = d[1] - c[1];
  const cross = rx * sy - ry * sx;
  if (Math.abs(cross) < 1e-12) return null;
  const qx = c[0] - a[0];
  const qy = c[1] - a[1];
  return { t: (qx * sy - qy * sx) / cross, u: (qx * ry - qy * rx) / cross };
}

/** Whether two segments meet, ends included within a share of 1e-9. */
export function segmentsCross(a: Point2, b: Point2, c: Point2, d: Point2): boolean {
  const hit = crossingParameters(a, b, c, d);
  const e = 1e-9;
  return hit !== null && hit.t >= -e && hit.t <= 1 + e && hit.u >= -e && hit.u <= 1 + e;
}
