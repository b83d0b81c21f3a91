import { closestOnSegment, crossingParameters } from './segment.ts';
import { type Point2, rotate2 } from './vector.ts';

/** Signed area (m²): positive when the corners run counter-clockwise. */
export function polygonArea(polygon: readonly Point2[]): number {
  let twice = 0;
  for (let i = 0; i < polygon.length; i++) {
    const [x1, y1] = polygon[i];
    const [x2, y2] = polygon[(i + 1) % polygon.length];
    twice += x1 * y2 - x2 * y1;
  }
  return twice / 2;
}

/** Centre of area; the mean of the corners where the area is nil. */
export function centroidOf(polygon: readonly Point2[]): Point2 {
  const area = polygonArea(polygon);
  if (Math.abs(area) < 1e-12) {
    const n = Math.max(1, polygon.length);
    return [polygon.reduce((s, p) => s + p[0], 0) / n, polygon.reduce((s, p) => s + p[1], 0) / n];
  }
  let cx = 0;
  let cy = 0;
  for (let i = 0; i < polygon.length; i++) {
    const [x1, y1] = polygon[i];
    const [x2, y2] = polygon[(i + 1) % polygon.length];
    const w = x1 * y2 - x2 * y1;
    cx += (x1 + x2) * w;
    cy += (y1 + y2) * w;
  }
  return [cx / (6 * area), cy / (6 * area)];
}

/** Whether p is inside, or within `edgeToleranceM` of the outline. */
export function pointInPolygon(p: Point2, polygon: readonly Point2[], edgeToleranceM = 1e-9): boolean {
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const a = polygon[i];
    const b = polygon[j];
    if (a[1] > p[1] !== b[1] > p[1] && p[0] < ((b[0] - a[0]) * (p[1] - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside;
  }
  if (inside) return true;
  const [x, y] = p;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const a = polygon[i];
    const b = polygon[j];
    // Most sides are nowhere near.
    if ((x < a[0] - edgeToleranceM && x < b[0] - edgeToleranceM) || (x > a[0] + edgeToleranceM && x > b[0] + edgeToleranceM))
      continue;
    if ((y < a[1] - edgeToleranceM && y < b[1] - edgeToleranceM) || (y > a[1] + edgeToleranceM && y > b[1] + edgeToleranceM))
      continue;
    if (closestOnSegment(p, a, b).distanceM <= edgeToleranceM) return true;
  }
  return false;
}

/** Whether no two sides that are not neighbours meet, and no side has zero length. */
export function isSimplePolygon(polygon: readonly Point2[]): boolean {
  const n = polygon.length;
  if (n < 3) return false;
  for (let i = 0; i < n; i++) {
    const a = polygon[i];
    const b = polygon[(i + 1) % n];
    if (Math.hypot(a[0] - b[0], a[1] - b[1]) < 1e-9) return false;
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const hit = crossingParameters(a, b, polygon[j], polygon[(j + 1) % n]);
      if (hit && hit.t >= 0 && hit.t <= 1 && hit.u >= 0 && hit.u <= 1) return false;
    }
  }
  return true;
}

/** Where the level line at y enters and leaves a polygon, from the left. A corner on the line counts as just below it. */
export function levelCrossings(polygon: readonly Point2[], y: number): number[] {
  const xs: number[] = [];
  for (let i = 0; i < polygon.length; i++) {
    const [a, b] = [polygon[i], polygon[(i + 1) % polygon.length]];
    if (a[1] > y !== b[1] > y) xs.push(a[0] + ((y - a[1]) / (b[1] - a[1])) * (b[0] - a[0]));
  }
  return xs.sort((m, n) => m - n);
}

/**
 * The pieces inside a polygon of a line that runs at `angleRad`, `v` to its left from the one through the origin.
 * `turned` is the polygon turned back by that angle.
 */
export function chordsOf(turned: readonly Point2[], v: number, angleRad: number): [Point2, Point2][] {
  const us = levelCrossings(turned, v);
  const chords: [Point2, Point2][] = [];
  for (let i = 0; i + 1 < us.length; i += 2) chords.push([rotate2([us[i], v], angleRad), rotate2([us[i + 1], v], angleRad)]);
  return chords;
}
