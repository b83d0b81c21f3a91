import { type Building, levelUnder, nearestWall } from '../house/index.ts';
import { distance3, type Point2, type Point3 } from '../math/index.ts';
import type { Medium } from '../model/index.ts';

/** A place at which a cable has to turn within a depth that is limited. */
export interface TightBend {
  readonly where: 'box' | 'corner' | 'plate';
  readonly at: Point3;
  /** Room for the inside radius of the turn, m. */
  readonly roomM: number;
  readonly wallId: string | null;
}

/** A corner is one from this angle on, rad. */
const CORNER_RAD = 0.5;

/**
 * Where a route turns in little room: out of a wall into its box (the depth of the cavity with the board before it), from one wall into the
 * next (the lesser of the two cavities), and between a wall and the hollow over the ceiling (the depth of that hollow). Turns within
 * the plane of a wall or ceiling have a bay's width and are not told. Measures in metres; hollows of unknown depth are left out.
 */
export function tightBends(building: Building, points: readonly Point3[], media: readonly Medium[]): TightBend[] {
  const found: TightBend[] = [];
  const wallBeside = (p: Point3) => {
    const level = levelUnder(building, p[2]);
    return level && nearestWall(building, level.id, [p[0], p[1]] as Point2, 0.35, (wall) => wall.cableMayRun);
  };
  for (const end of [0, points.length - 1]) {
    const medium = end === 0 ? media[0] : media[media.length - 1];
    if (medium !== 'wall') continue;
    const place = wallBeside(points[end]);
    if (place && place.wall.cavityDepthM > 0)
      found.push({
        where: 'box',
        at: points[end],
        roomM: place.wall.cavityDepthM + Math.min(place.wall.finishLeftM, place.wall.finishRightM),
        wallId: place.wall.id,
      });
  }
  for (let k = 1; k + 1 < points.length; k++) {
    const pair = [media[k - 1], media[k]];
    if (!pair.includes('wall') || turn(points[k - 1], points[k], points[k + 1]) < CORNER_RAD) continue;
    if (pair.includes('cavity')) {
      const level = levelUnder(building, points[k][2]);
      if (level && level.cavityDepthM > 0) found.push({ where: 'plate', at: points[k], roomM: level.cavityDepthM, wallId: null });
    } else if (
      pair[0] === 'wall' &&
      pair[1] === 'wall' &&
      isLevel(points[k - 1], points[k]) &&
      isLevel(points[k], points[k + 1])
    ) {
      const [one, other] = [wallBeside(between(points[k - 1], points[k])), wallBeside(between(points[k], points[k + 1]))];
      if (!one || !other || one.wall === other.wall) continue;
      const roomM = Math.min(one.wall.cavityDepthM, other.wall.cavityDepthM);
      if (roomM > 0) found.push({ where: 'corner', at: points[k], roomM, wallId: one.wall.id });
    }
  }
  return found;
}

const isLevel = (a: Point3, b: Point3) => Math.abs(a[2] - b[2]) < 1e-6;
const between = (a: Point3, b: Point3): Point3 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];

function turn(a: Point3, b: Point3, c: Point3): number {
  const [m, n] = [distance3(a, b), distance3(b, c)];
  if (m < 1e-9 || n < 1e-9) return 0;
  const dot = (b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1]) + (b[2] - a[2]) * (c[2] - b[2]);
  return Math.acos(Math.max(-1, Math.min(1, dot / (m * n))));
}
