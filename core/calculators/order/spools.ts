import { atMost, countUp } from '../calculator.ts';
import { err, ok, type Outcome } from '../../math/index.ts';

/** A remainder under this is worth a word, m. */
const SHORT_M = 3;

/** Length to order for a length that is cut: 3 % go at the ends of reels. */
export const ORDER_FACTOR = 1.03;

/** A spool as it is usually sold: 1000 ft, m. */
export const USUAL_SPOOL_M = 305;

export interface SpoolPlan {
  readonly totalM: number;
  /** No plan can do with fewer. */
  readonly lowerBound: number;
  readonly firstFit: number;
  readonly buy: number;
  readonly remaindersM: readonly number[];
  readonly shortRemainders: number;
}

/**
 * Spools of one length for runs of one cable type, without splices: first fit, longest first; as many at least as are
 * pulled at once in any one pull. Lengths m. Problem: `run-longer-than-spool` (infeasible).
 */
export function planSpools(lengthsM: readonly number[], spoolM: number, parallel: number): Outcome<SpoolPlan> {
  const longest = Math.max(0, ...lengthsM);
  if (!atMost(longest, spoolM))
    return err('run-longer-than-spool', { kind: 'infeasible', field: 'lengthsM', lengthM: longest, spoolM });
  const totalM = lengthsM.reduce((sum, l) => sum + l, 0);
  const lowerBound = Math.max(countUp(totalM / spoolM), lengthsM.filter((l) => l > spoolM / 2 + 1e-9).length);
  const left: number[] = [];
  for (const l of [...lengthsM].sort((a, b) => b - a)) {
    const at = left.findIndex((one) => atMost(l, one));
    if (at >= 0) left[at] -= l;
    else left.push(spoolM - l);
  }
  return ok({
    totalM,
    lowerBound,
    firstFit: left.length,
    buy: Math.max(left.length, lowerBound, lengthsM.length > 0 ? parallel : 0),
    remaindersM: left,
    shortRemainders: left.filter((one) => one > 1e-9 && one < SHORT_M).length,
  });
}

/** Staples for a length in walls, with two at each end; hooks for a length that hangs; ties for a length that is bundled. */
export const staplesFor = (lengthM: number): number => countUp(lengthM / 1.4) + 4;

export const hooksFor = (lengthM: number): number => countUp(lengthM / 1.5);

export const tiesFor = (lengthM: number): number => countUp(lengthM / 1.2);
