import { crossingParameters, distance2, type Point2 } from '../../math/index.ts';
import type { FeatureKind, ProjectDocument } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import { wallFaces } from './wall-faces.ts';

export interface Corner {
  readonly name: string;
  readonly at: Point2;
}

/** Things outdoors that a stranger must find with two tapes. */
export const TAPED_KINDS: ReadonlySet<FeatureKind> = new Set(['stub-out', 'draw-pit', 'service-entry']);

/** A place outdoors as a stranger finds it with a tape: its distances from two corners of the building, m. */
export interface CornerDimensions {
  readonly corners: readonly [Corner, Corner];
  readonly distancesM: readonly [number, number];
  /** Angle between the two tapes at the place, rad: near a right angle the place is sharpest. */
  readonly angleRad: number;
}

/** Tapes that meet more flatly than this fix nothing well, rad. */
const FLATTEST_RAD = Math.PI / 6;

/**
 * Corners of the building on a level: those that were entered as such, else the corners of the outline of its walls,
 * numbered around from the lower left.
 */
export function cornersOf(project: ProjectDocument, levelId: string): Corner[] {
  const entered = onLevel(project, 'features', levelId).filter(({ kind }) => kind === 'building-corner');
  if (entered.length >= 2) return entered.map(({ name, points }, i) => ({ name: name || String(i + 1), at: points[0] }));
  return outlinesOf(project, levelId).flatMap((ring, r, all) =>
    ring.map((at, i) => ({ name: all.length > 1 ? `${r + 1}.${i + 1}` : String(i + 1), at })),
  );
}

function outlinesOf(project: ProjectDocument, levelId: string): (readonly Point2[])[] {
  return wallFaces(project, levelId).outlines.map((ring) => {
    let first = 0;
    ring.forEach(([x, y], i) => {
      if (x + y < ring[first][0] + ring[first][1] - 1e-9) first = i;
    });
    return [...ring.slice(first), ...ring.slice(0, first)];
  });
}

/**
 * The two corners from which a place is best measured: in sight of it, at a good angle, and near.
 * Null where fewer than two corners will do.
 */
export function fromTwoCorners(project: ProjectDocument, levelId: string, at: Point2): CornerDimensions | null {
  const rings = wallFaces(project, levelId).outlines;
  const seen = cornersOf(project, levelId).filter((corner) => distance2(corner.at, at) > 0.01 && inSight(rings, corner.at, at));
  let best: (CornerDimensions & { readonly costM: number }) | null = null;
  for (let i = 0; i < seen.length; i++) {
    for (let j = i + 1; j < seen.length; j++) {
      const [p, q] = [seen[i], seen[j]];
      const angleRad = angleAt(at, p.at, q.at);
      if (angleRad < FLATTEST_RAD || angleRad > Math.PI - FLATTEST_RAD) continue;
      const distancesM = [distance2(p.at, at), distance2(q.at, at)] as const;
      // A millimetre lost on the tape moves the place by 1 / sin of the angle.
      const costM = (distancesM[0] + distancesM[1]) / Math.sin(angleRad);
      if (!best || costM < best.costM) best = { corners: [p, q], distancesM, angleRad, costM };
    }
  }
  return best && { corners: best.corners, distancesM: best.distancesM, angleRad: best.angleRad };
}

function angleAt(at: Point2, p: Point2, q: Point2): number {
  const turn = Math.abs(Math.atan2(p[1] - at[1], p[0] - at[0]) - Math.atan2(q[1] - at[1], q[0] - at[0]));
  return turn > Math.PI ? 2 * Math.PI - turn : turn;
}

/** Whether a tape from a corner reaches the place without going through the building. */
const inSight = (rings: readonly (readonly Point2[])[], corner: Point2, at: Point2): boolean =>
  rings.every((ring) =>
    ring.every((p, i) => {
      const hit = crossingParameters(corner, at, p, ring[(i + 1) % ring.length]);
      return !hit || hit.t <= 1e-6 || hit.t >= 1 - 1e-6 || hit.u <= 1e-6 || hit.u >= 1 - 1e-6;
    }),
  );
