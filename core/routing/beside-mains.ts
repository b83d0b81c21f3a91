import type { Building } from '../house/index.ts';
import { closestOnSegment, type Point2, type Point3 } from '../math/index.ts';
import type { Feature, Medium, ProjectHeader } from '../model/index.ts';
import { type CableClass, keepFromMains, OPEN_CONDUCTORS_M } from '../calculators/index.ts';

/** Where one run comes near one mains route. Lengths in m, angles in rad. */
export interface BesideMains {
  readonly featureId: string;
  /** The distance to keep. */
  readonly keepM: number;
  /** Metres of the run within the distance to keep, crossings apart. */
  readonly parallelM: number;
  /** Of these the metres on which it lies against it. */
  readonly touchingM: number;
  /** Least distance on the way, edge of the mains to cable. */
  readonly leastM: number;
  /** The flattest crossing, from 0 along it to a right angle; null where it is not crossed. */
  readonly crossingRad: number | null;
  /** Where it comes nearest. */
  readonly at: Point3;
}

/** Between the places at which a route is looked at, m. */
const LOOK_M = 0.05;
/** ENGINEERING 7.1: a crossing flatter than this is no crossing, rad. */
export const RIGHT_ANGLE_FROM_RAD = (75 * Math.PI) / 180;

/**
 * Answers: how long does a run lie beside mains, and does it cross them squarely? Units: m, rad. Source: ENGINEERING 7.1, plan checks.
 * Conduits and chases of their own keep their cables apart and are left out. Valid for the routes that the survey knows. The
 * distance follows from the region and the class of the cable.
 */
export const besideMains = (
  building: Building,
  points: readonly Point3[],
  media: readonly Medium[],
  jurisdiction: ProjectHeader['jurisdiction'],
  cableClass: CableClass,
): BesideMains[] =>
  besideThings(building, points, media, (feature) =>
    feature.kind === 'mains-route' && feature.points.length >= 2 ? keepFromMains(feature, jurisdiction, cableClass) : null,
  );

/** The same beside other things of the survey; `keepOf` says what distance each keeps, m, null where it is none of them. */
export function besideThings(
  building: Building,
  points: readonly Point3[],
  media: readonly Medium[],
  keepOf: (feature: Feature) => number | null,
): BesideMains[] {
  if (points.length < 2) return [];
  return building.levels.flatMap((level) =>
    (building.featuresByLevel[level.id] ?? []).flatMap((feature) => {
      const keepM = keepOf(feature);
      const found = keepM === null ? null : besideOne(feature, keepM, level.elevationM, points, media);
      return found ? [found] : [];
    }),
  );
}

function besideOne(
  feature: Feature,
  keepM: number,
  elevationM: number,
  points: readonly Point3[],
  media: readonly Medium[],
): BesideMains | null {
  const [low, high] = [elevationM + feature.bottomM, elevationM + feature.topM];
  let [parallelM, touchingM] = [0, 0];
  let minM = Infinity;
  let at = points[0];
  let crossingRad: number | null = null;
  for (let k = 0; k + 1 < points.length; k++) {
    if (media[k] === 'conduit' || media[k] === 'chase') continue;
    const [a, b] = [points[k], points[k + 1]];
    const lengthM = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    const steps = Math.max(1, Math.round(lengthM / LOOK_M));
    for (let n = 0; n < steps; n++) {
      const t = (n + 0.5) / steps;
      const p: Point3 = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];
      const near = nearestOf(feature, low, high, p);
      if (near.distanceM < minM) {
        minM = near.distanceM;
        at = p;
      }
      if (near.distanceM >= keepM - 1e-9) continue;
      const angle = angleBetween([b[0] - a[0], b[1] - a[1]], near.direction);
      // A piece that passes squarely is near only for as long as it takes to pass.
      if (angle !== null && angle >= RIGHT_ANGLE_FROM_RAD) crossingRad = Math.min(crossingRad ?? angle, angle);
      else {
        parallelM += lengthM / steps;
        if (near.distanceM < OPEN_CONDUCTORS_M) touchingM += lengthM / steps;
        if (angle !== null && near.crossed) crossingRad = Math.min(crossingRad ?? angle, angle);
      }
    }
  }
  return minM < keepM ? { featureId: feature.id, keepM, parallelM, touchingM, leastM: minM, crossingRad, at } : null;
}

function nearestOf({ points, widthM }: Feature, low: number, high: number, p: Point3) {
  const upM = Math.max(0, low - p[2], p[2] - high);
  let best = { distanceM: Infinity, direction: [1, 0] as Point2, crossed: false };
  if (points.length === 1) {
    const asideM = Math.max(0, Math.hypot(p[0] - points[0][0], p[1] - points[0][1]) - widthM / 2);
    return { ...best, distanceM: Math.hypot(asideM, upM) };
  }
  for (let k = 0; k + 1 < points.length; k++) {
    const [a, b] = [points[k], points[k + 1]];
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    if (Math.hypot(dx, dy) < 1e-6) continue;
    const asideM = Math.max(0, closestOnSegment([p[0], p[1]], a as Point2, b as Point2).distanceM - widthM / 2);
    const distanceM = Math.hypot(asideM, upM);
    if (distanceM < best.distanceM) best = { distanceM, direction: [dx, dy], crossed: asideM < LOOK_M };
  }
  return best;
}

/** Angle between two directions on the plan, 0 to a right angle; null where one of them is upright. */
function angleBetween(a: Point2, b: Point2): number | null {
  const [la, lb] = [Math.hypot(...a), Math.hypot(...b)];
  if (la < 1e-9 || lb < 1e-9) return null;
  return Math.acos(Math.min(1, Math.abs(a[0] * b[0] + a[1] * b[1]) / (la * lb)));
}
