import { closestOnSegment, crossingParameters, type Point2, type Point3, pointInPolygon } from '../../math/index.ts';
import type { Feature, FeatureKind, ProjectDocument } from '../../model/index.ts';
import { byLevel, derivationsOf, Remembered, whole } from '../../derive/index.ts';
import { featureBox } from '../../house/index.ts';

/** A thing in the house as upright prisms over its footprints; heights above finished floor of its level, m. */
export interface Solid {
  readonly feature: Feature;
  readonly footprints: readonly (readonly Point2[])[];
}

/** Things that a hole must not meet. */
const IN_THE_WAY: ReadonlySet<FeatureKind> = new Set(['beam', 'duct', 'flue', 'steel', 'pipe', 'fireplace']);
/** Things that sight and sound do not go through. */
const OPAQUE: ReadonlySet<FeatureKind> = new Set(['beam', 'soffit', 'duct', 'flue', 'steel', 'cabinet', 'other-furniture']);
const SEATS: ReadonlySet<FeatureKind> = new Set(['sofa', 'chair', 'seat-row', 'bed']);
/** Things on a ceiling or wall that want distance. */
const KEEP_AWAY: ReadonlySet<FeatureKind> = new Set(['recessed-light', 'sprinkler', 'supply-vent']);

export interface Solids {
  readonly obstacles: readonly Solid[];
  readonly opaque: readonly Solid[];
  readonly seats: readonly Feature[];
  readonly keepAway: readonly Solid[];
  /** Recesses in ceilings: a device lies inside or outside, not across the edge. */
  readonly coffers: readonly Feature[];
  /** What walls were found to be made of. */
  readonly substrates: readonly Feature[];
}

const FEATURES_BY_LEVEL = byLevel('features');
const SOLIDS = whole<{ readonly on: (levelId: string) => Solids }>({
  name: 'solids by level',
  nodes: [FEATURES_BY_LEVEL],
  make: (read) => {
    const { byKey } = read.get(FEATURES_BY_LEVEL);
    const solids = new Remembered<string, Solids>();
    return { on: (levelId) => solids.of(levelId, () => solidsAmong(byKey.get(levelId) ?? [])) };
  },
});

/** What stands on a level, sorted by what it means for devices; alternatives that do not hold are left out. */
export const solidsOn = (project: Pick<ProjectDocument, 'features'>, levelId: string): Solids =>
  derivationsOf(project).get(SOLIDS).on(levelId);

function solidsAmong(all: readonly Feature[]): Solids {
  const features = all.filter(({ chosen }) => chosen);
  const of = (kinds: ReadonlySet<FeatureKind>) =>
    features.filter(({ kind }) => kinds.has(kind)).map((feature) => ({ feature, footprints: footprintsOf(feature) }));
  return {
    obstacles: of(IN_THE_WAY),
    opaque: of(OPAQUE),
    keepAway: of(KEEP_AWAY),
    coffers: features.filter(({ kind, area }) => kind === 'coffer' && area),
    seats: features.filter(({ kind }) => SEATS.has(kind)),
    substrates: features.filter(({ kind, substrate }) => kind === 'substrate' && substrate !== null),
  };
}

/** The ground that a thing covers: an area, a box, or a box along each part of a line. */
function footprintsOf(feature: Feature): Point2[][] {
  const points = feature.points as Point2[];
  if (feature.area) return [points];
  if (points.length === 1) return [featureBox(feature)];
  return points.slice(1).map((b, i) => {
    const a = points[i];
    const lengthM = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const [nx, ny] = [((a[1] - b[1]) / lengthM) * (feature.widthM / 2), ((b[0] - a[0]) / lengthM) * (feature.widthM / 2)];
    return [
      [a[0] + nx, a[1] + ny],
      [b[0] + nx, b[1] + ny],
      [b[0] - nx, b[1] - ny],
      [a[0] - nx, a[1] - ny],
    ];
  });
}

/** How far a point is from a footprint's edge, m; 0 inside. */
export function awayFrom(p: Point2, footprint: readonly Point2[]): number {
  if (pointInPolygon(p, footprint)) return 0;
  let best = Infinity;
  footprint.forEach((a, i) => {
    best = Math.min(best, closestOnSegment(p, a, footprint[(i + 1) % footprint.length]).distanceM);
  });
  return best;
}

export const awayFromSolid = (p: Point2, { footprints }: Solid): number =>
  Math.min(...footprints.map((footprint) => awayFrom(p, footprint)));

/**
 * Whether a straight line is cut by a prism: blocked where the part of it inside is longer than nothing.
 * Points in m, the prism's heights in the same system as z.
 */
export function isBlocked(from: Point3, to: Point3, footprint: readonly Point2[], bottomM: number, topM: number): boolean {
  const a: Point2 = [from[0], from[1]];
  const b: Point2 = [to[0], to[1]];
  const cuts = [0, 1];
  footprint.forEach((c, i) => {
    const crossing = crossingParameters(a, b, c, footprint[(i + 1) % footprint.length]);
    if (crossing && crossing.t > 0 && crossing.t < 1 && crossing.u >= -1e-9 && crossing.u <= 1 + 1e-9) cuts.push(crossing.t);
  });
  cuts.sort((s, t) => s - t);
  for (let k = 0; k + 1 < cuts.length; k++) {
    const [t0, t1] = [cuts[k], cuts[k + 1]];
    if (t1 - t0 < 1e-9) continue;
    const middle: Point2 = [a[0] + ((b[0] - a[0]) * (t0 + t1)) / 2, a[1] + ((b[1] - a[1]) * (t0 + t1)) / 2];
    if (!pointInPolygon(middle, footprint, 0)) continue;
    const z0 = from[2] + (to[2] - from[2]) * t0;
    const z1 = from[2] + (to[2] - from[2]) * t1;
    if (Math.min(Math.max(z0, z1), topM) - Math.max(Math.min(z0, z1), bottomM) > 1e-9) return true;
    if (Math.abs(z1 - z0) < 1e-9 && z0 > bottomM && z0 < topM) return true;
  }
  return false;
}
