import type { ProjectHeader } from '../../model/index.ts';
import { INCH_M } from '../../math/index.ts';

export type BoredMember = 'joist' | 'stud' | 'plate';

/** What may be bored of a member, m. */
export interface BoreLimit {
  /** Largest hole, m; 0 where nothing may be bored without the engineer. */
  readonly mostM: number;
  /** Least wood that stays between the hole and the edge of the member, m. */
  readonly edgeM: number;
  /** Part of the span from the nearer support in which a hole may lie; null for all of it. */
  readonly spanShares: readonly [number, number] | null;
}

/** A hole nearer to the face than this gets a steel plate, m. */
export const NAIL_PLATE_M = 1.25 * INCH_M;

/**
 * Answers: how large may a hole in a sawn member be, and where? Units: m; `depthM` is the actual depth of the member.
 * Limits: studs (40 % of the depth bearing, 60 % not, 16 mm of wood at the edge), joists (a third of the depth, 51 mm
 * from the edges), joists in the UK and EU (a quarter of the depth, between 0.25 and 0.40 of the span), plates (half their width
 * without a tie). Valid for sawn timber; engineered members and steel are the engineer's.
 */
export function boreLimit(
  member: BoredMember,
  depthM: number,
  jurisdiction: ProjectHeader['jurisdiction'],
  bearing = true,
): BoreLimit {
  if (member === 'stud') {
    const edgeM = 0.625 * INCH_M;
    return { mostM: Math.min((bearing ? 0.4 : 0.6) * depthM, Math.max(0, depthM - 2 * edgeM)), edgeM, spanShares: null };
  }
  if (member === 'plate') return { mostM: 0.5 * depthM, edgeM: 0.625 * INCH_M, spanShares: null };
  if (jurisdiction === 'EU' || jurisdiction === 'UK')
    return { mostM: 0.25 * depthM, edgeM: 0.375 * depthM, spanShares: [0.25, 0.4] };
  const edgeM = 2 * INCH_M;
  return { mostM: Math.max(0, Math.min(depthM / 3, depthM - 2 * edgeM)), edgeM, spanShares: null };
}

/** Whether a place at this share of the span lies outside the part in which a hole may be. */
export const isOutsideSpan = (spanShares: readonly [number, number], share: number): boolean =>
  share < spanShares[0] - 1e-9 || share > spanShares[1] + 1e-9;

/** Whether a hole in the middle of a member leaves so little at its faces that steel plates are needed. */
export const needsNailPlates = (depthM: number, holeM: number): boolean => (depthM - holeM) / 2 < NAIL_PLATE_M - 1e-9;
