import { closestOnSegment } from './segment.ts';
import { distance2, type Point2 } from './vector.ts';

/** Length of a closed outline, m. */
export const ringLength = (ring: readonly Point2[]): number =>
  ring.reduce((sum, p, k) => sum + distance2(p, ring[(k + 1) % ring.length]), 0);

/** How far along an outline, from its first corner on, the place nearest to a point lies, m. */
export function placeOnRing(ring: readonly Point2[], p: Point2): number {
  let best = { distanceM: Infinity, place: 0 };
  let passedM = 0;
  ring.forEach((a, k) => {
    const b = ring[(k + 1) % ring.length];
    const { t, distanceM } = closestOnSegment(p, a, b);
    const lengthM = distance2(a, b);
    if (distanceM < best.distanceM) best = { distanceM, place: passedM + t * lengthM };
    passedM += lengthM;
  });
  return best.place;
}

/** The point so far along an outline; beyond its length it goes round again. */
export function pointOnRing(ring: readonly Point2[], place: number): Point2 {
  const totalM = ringLength(ring);
  let leftM = ((place % totalM) + totalM) % totalM;
  for (let k = 0; k < ring.length; k++) {
    const [a, b] = [ring[k], ring[(k + 1) % ring.length]];
    const lengthM = distance2(a, b);
    if (leftM <= lengthM) return [a[0] + ((b[0] - a[0]) * leftM) / lengthM, a[1] + ((b[1] - a[1]) * leftM) / lengthM];
    leftM -= lengthM;
  }
  return ring[0];
}

/** The outline from a place on by so many metres, back where they are negative, with its corners. */
export function alongRing(ring: readonly Point2[], start: number, byM: number): Point2[] {
  const totalM = ringLength(ring);
  const corners: { p: Point2; awayM: number }[] = [];
  let passedM = 0;
  ring.forEach((p, k) => {
    const awayM = byM >= 0 ? passedM - start : start - passedM;
    corners.push({ p, awayM: ((awayM % totalM) + totalM) % totalM });
    passedM += distance2(p, ring[(k + 1) % ring.length]);
  });
  const between = corners
    .filter(({ awayM }) => awayM > 1e-6 && awayM < Math.abs(byM) - 1e-6)
    .sort((a, b) => a.awayM - b.awayM)
    .map(({ p }) => p);
  return [pointOnRing(ring, start), ...between, pointOnRing(ring, start + byM)];
}
