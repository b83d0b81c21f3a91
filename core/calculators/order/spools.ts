import { z } from 'zod';
import { atMost, calculator, countUp, fig } from '../calculator.ts';
import { fine, type Outcome, refuse } from '../../math/index.ts';

/** A remainder under this is worth a word, m. */
const SHORT_M = 3;
/** Length to order for a length that is cut: 3 % go at the ends of reels (F16.2). */
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
 * F16.3 to F16.5: spools of one length for runs of one cable type, without splices: first fit, longest first; as many at least as are
 * pulled at once in any one pull. Lengths m. Problem: `run-longer-than-spool` (infeasible).
 */
export function planSpools(lengthsM: readonly number[], spoolM: number, parallel: number): Outcome<SpoolPlan> {
  const longest = Math.max(0, ...lengthsM);
  if (!atMost(longest, spoolM))
    return refuse('run-longer-than-spool', { kind: 'infeasible', field: 'lengthsM', lengthM: longest, spoolM });
  const totalM = lengthsM.reduce((sum, l) => sum + l, 0);
  const lowerBound = Math.max(countUp(totalM / spoolM), lengthsM.filter((l) => l > spoolM / 2 + 1e-9).length);
  const left: number[] = [];
  for (const l of [...lengthsM].sort((a, b) => b - a)) {
    const at = left.findIndex((one) => atMost(l, one));
    if (at >= 0) left[at] -= l;
    else left.push(spoolM - l);
  }
  return fine({
    totalM,
    lowerBound,
    firstFit: left.length,
    buy: Math.max(left.length, lowerBound, lengthsM.length > 0 ? parallel : 0),
    remaindersM: left,
    shortRemainders: left.filter((one) => one > 1e-9 && one < SHORT_M).length,
  });
}

/** F16.6: staples for a length in walls, with two at each end; hooks for a length that hangs; ties for a length that is bundled. */
export const staplesFor = (lengthM: number): number => countUp(lengthM / 1.4) + 4;
export const hooksFor = (lengthM: number): number => countUp(lengthM / 1.5);
export const tiesFor = (lengthM: number): number => countUp(lengthM / 1.2);

export const spoolPlan = calculator({
  name: 'spool-plan',
  title: 'Spools for runs of one type',
  topic: 'order',
  source: 'Trade practice',
  formulaIds: ['F16.3', 'F16.4', 'F16.5'],
  valid: 'no splices in concealed runs; length of a spool as entered',
  formulas: ['B = ⌈ΣL/S⌉, and the number of runs over S/2', 'first fit, longest first', 'buy max(first fit, parallel pulls)'],
  input: z.strictObject({
    lengthsM: z.array(z.number().min(0)).max(5000).describe('m, cut length of each run'),
    spoolM: z.number().gt(0).describe('m, on one spool'),
    parallel: z.int().min(0).max(1000).default(1).describe('runs pulled at once in any one pull'),
  }),
  run: ({ lengthsM, spoolM, parallel }) => planSpools(lengthsM, spoolM, parallel),
  steps: (_, v) => [`Σ = ${fig(v.totalM)} m: at least ${v.lowerBound}`, `first fit ${v.firstFit}; buy ${v.buy}`],
});

export const orderLength = calculator({
  name: 'order-length',
  title: 'Length to order',
  topic: 'order',
  source: 'Trade practice',
  formulaIds: ['F16.2'],
  valid: 'cut lengths with their waste already inside',
  formulas: [`order = Σ cut · ${ORDER_FACTOR}`],
  input: z.strictObject({ cutM: z.array(z.number().min(0)).max(5000).describe('m, cut length of each run') }),
  run: ({ cutM }) => {
    const sumM = cutM.reduce((sum, l) => sum + l, 0);
    return fine({ sumM, orderM: sumM * ORDER_FACTOR });
  },
  steps: (_, v) => [`${fig(v.sumM)} · ${ORDER_FACTOR} = ${fig(v.orderM)} m`],
});

export const cableSupports = calculator({
  name: 'cable-supports',
  title: 'Staples, hooks and ties',
  topic: 'order',
  source: 'TIA-569 type; trade practice',
  formulaIds: ['F16.6'],
  valid: 'one run',
  formulas: ['staples = ⌈L/1.4⌉ + 2 per end', 'hooks = ⌈L/1.5⌉', 'ties = ⌈L/1.2⌉'],
  input: z.strictObject({ lengthM: z.number().min(0).describe('m') }),
  run: ({ lengthM }) => fine({ staples: staplesFor(lengthM), hooks: hooksFor(lengthM), ties: tiesFor(lengthM) }),
  steps: (_, v) => [`${v.staples} staples, ${v.hooks} hooks, ${v.ties} ties`],
});
