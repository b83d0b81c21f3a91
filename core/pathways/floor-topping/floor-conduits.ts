import { signatureOf } from '../../house/index.ts';
import { closestOnSegment, crossingParameters, distance2, err, ok, type Outcome, type Point2 } from '../../math/index.ts';
import { create, type Feature, type Operation, type ProjectDocument, update, type FloorConduitSign } from '../../model/index.ts';
import { listOf, onLevel } from '../../derive/index.ts';

/** Where a conduit crosses a pipe or duct on the plan. */
export interface ScreedCrossing {
  readonly featureId: string;
  readonly at: Point2;
  readonly angleRad: number;
  /** Gap between the two in height, m; negative where they are in each other's way. */
  readonly gapM: number;
}

/** Where a conduit comes up, measured square from the nearest two walls, to 20 mm. */
export interface StubUp {
  readonly at: Point2;
  readonly fromWalls: readonly { readonly wallId: string; readonly distanceM: number }[];
}

/** One conduit in the floor topping, as it has to be photographed and signed before the pour (practice A81). */
export interface FloorConduit {
  readonly feature: Feature;
  readonly lengthM: number;
  /** Screed and finish over the conduit, m. */
  readonly coverM: number;
  readonly crossings: readonly ScreedCrossing[];
  readonly stubUps: readonly StubUp[];
  readonly sign: FloorConduitSign | null;
}

/** A signed conduit that lies farther from where it was signed has been moved, m. */
export const SIGNED_WITHIN_M = 0.02;
/** Stub-ups are dimensioned to this, m. */
const DIMENSION_STEP_M = 0.02;
const IN_THE_WAY = new Set(['pipe', 'duct']);

/** Every conduit in the floor topping, level by level. */
export function floorConduits(project: ProjectDocument): FloorConduit[] {
  return listOf(project, 'features')
    .filter(({ kind }) => kind === 'screed-way')
    .map((feature) => {
      const points = feature.points as Point2[];
      return {
        feature,
        lengthM: points.slice(1).reduce((sum, p, k) => sum + distance2(points[k], p), 0),
        coverM: -feature.topM,
        crossings: crossingsOf(project, feature),
        stubUps: [points[0], points[points.length - 1]].map((at) => ({
          at,
          fromWalls: fromWalls(project, feature.levelId, at),
        })),
        sign: signatureOf(project, feature.id) ?? null,
      };
    });
}

function crossingsOf(project: ProjectDocument, feature: Feature): ScreedCrossing[] {
  const points = feature.points as Point2[];
  return onLevel(project, 'features', feature.levelId)
    .filter(({ kind, points: line }) => IN_THE_WAY.has(kind) && line.length >= 2)
    .flatMap((other) =>
      points.slice(1).flatMap((b, k) =>
        (other.points as Point2[]).slice(1).flatMap((d, n): ScreedCrossing[] => {
          const [a, c] = [points[k], other.points[n] as Point2];
          const hit = crossingParameters(a, b, c, d);
          if (!hit || hit.t < 0 || hit.t > 1 || hit.u < 0 || hit.u > 1) return [];
          const turn = Math.abs(Math.atan2(b[1] - a[1], b[0] - a[0]) - Math.atan2(d[1] - c[1], d[0] - c[0])) % Math.PI;
          return [
            {
              featureId: other.id,
              at: [a[0] + (b[0] - a[0]) * hit.t, a[1] + (b[1] - a[1]) * hit.t],
              angleRad: Math.min(turn, Math.PI - turn),
              gapM: Math.max(other.bottomM - feature.topM, feature.bottomM - other.topM),
            },
          ];
        }),
      ),
    );
}

/** Square distances from the finished faces of the nearest two walls that are not parallel, rounded to 20 mm. */
function fromWalls(project: ProjectDocument, levelId: string, at: Point2): StubUp['fromWalls'] {
  const near = onLevel(project, 'walls', levelId)
    .map((wall) => {
      const lengthM = distance2(wall.a, wall.b);
      const along = ((at[0] - wall.a[0]) * (wall.b[0] - wall.a[0]) + (at[1] - wall.a[1]) * (wall.b[1] - wall.a[1])) / lengthM;
      const { distanceM } = closestOnSegment(at, wall.a, wall.b);
      return { wall, isBeside: along >= 0 && along <= lengthM, distanceM };
    })
    .filter(({ isBeside, wall, distanceM }) => isBeside && distanceM > wall.thicknessM / 2 + 1e-6)
    .sort((a, b) => a.distanceM - b.distanceM);
  const first = near[0];
  if (!first) return [];
  const directionOf = ({ a, b }: (typeof first)['wall']) => Math.atan2(b[1] - a[1], b[0] - a[0]);
  const second = near.find(({ wall }) => Math.abs(Math.sin(directionOf(wall) - directionOf(first.wall))) > 0.7);
  return [first, ...(second ? [second] : [])].map(({ wall, distanceM }) => ({
    wallId: wall.id,
    distanceM: Math.round((distanceM - wall.thicknessM / 2) / DIMENSION_STEP_M) * DIMENSION_STEP_M,
  }));
}

/** How far a conduit lies from where it was signed, m: the farthest of its corners. */
export function movedFromSigned(feature: Feature, sign: FloorConduitSign): number {
  if (feature.points.length !== sign.points.length) return Infinity;
  return Math.max(...feature.points.map((p, k) => distance2(p as Point2, sign.points[k] as Point2)));
}

/**
 * Signs a conduit as it lies before the pour; from then on it is locked. Problems: `record-gone`, `sign-no-name`, `sign-no-photo`,
 * `screed-no-cover`.
 */
export function signFloorConduit(
  project: ProjectDocument,
  featureId: string,
  given: { readonly by: string; readonly on: string; readonly photo: string; readonly note: string },
  id: string,
): Outcome<Operation[]> {
  const feature = project.features[featureId];
  if (!feature) return err('record-gone', { in: 'features', id: featureId });
  if (given.by.trim() === '') return err('sign-no-name', { kind: 'incomplete', field: 'by' });
  if (given.photo.trim() === '') return err('sign-no-photo', { kind: 'incomplete', field: 'photo' });
  if (-feature.topM <= 0) return err('screed-no-cover', { kind: 'infeasible', field: 'topM' });
  const sign = {
    points: feature.points.map(([x, y]): [number, number] => [x, y]),
    coverM: Math.min(1, -feature.topM),
    ...given,
    by: given.by.trim(),
    photo: given.photo.trim(),
  };
  const there = signatureOf(project, featureId);
  if (!there) return ok([create('waySigns', { id, featureId, ...sign })]);
  const again = update('waySigns', there, sign);
  return ok(again ? [again] : []);
}
