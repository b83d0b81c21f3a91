// Here: spools and boxes for runs, supports, order lengths.
// Not here: cut lengths of runs (runs).
// Start with `spoolPlan`.
import { z } from 'zod';
import { atMost, calculator, countUp, fig } from '../calculation/index.ts';
import { fine, refuse } from '../outcome/index.ts';

/** Parallel pulls want as many spools at once; a remainder under this is worth a word, m. */
const SHORT_M = 3;

export const spoolPlan = calculator({
  name: 'spool-plan',
  title: 'Spools for runs of one type',
  topic: 'order',
  source: 'F16.3 to F16.5',
  valid: 'no splices in concealed runs; length of a spool as entered',
  formulas: ['B = ⌈ΣL/S⌉, and the number of runs over S/2', 'first fit, longest first', 'buy max(first fit, parallel pulls)'],
  input: z.strictObject({
    lengthsM: z.array(z.number().min(0)).max(5000).describe('m, cut length of each run'),
    spoolM: z.number().gt(0).describe('m, on one spool'),
    parallel: z.int().min(0).max(1000).default(1).describe('runs pulled at once in any one pull'),
  }),
  run: ({ lengthsM, spoolM, parallel }) => {
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
    const buy = Math.max(left.length, lowerBound, lengthsM.length > 0 ? parallel : 0);
    return fine({
      totalM,
      lowerBound,
      firstFit: left.length,
      buy,
      remaindersM: left,
      shortRemainders: left.filter((one) => one > 1e-9 && one < SHORT_M).length,
    });
  },
  steps: (_, v) => [`Σ = ${fig(v.totalM)} m: at least ${v.lowerBound}`, `first fit ${v.firstFit}; buy ${v.buy}`],
});

export const orderLength = calculator({
  name: 'order-length',
  title: 'Length to order',
  topic: 'order',
  source: 'F16.2',
  valid: 'cut lengths with their waste already inside',
  formulas: ['order = Σ cut · 1.03'],
  input: z.strictObject({ cutM: z.array(z.number().min(0)).max(5000).describe('m, cut length of each run') }),
  run: ({ cutM }) => {
    const sumM = cutM.reduce((sum, l) => sum + l, 0);
    return fine({ sumM, orderM: sumM * 1.03 });
  },
  steps: (_, v) => [`${fig(v.sumM)} · 1.03 = ${fig(v.orderM)} m`],
});

export const cableSupports = calculator({
  name: 'cable-supports',
  title: 'Staples, hooks and ties',
  topic: 'order',
  source: 'F16.6 (TIA-569 type; practice)',
  valid: 'one run',
  formulas: ['staples = ⌈L/1.4⌉ + 2 per end', 'hooks = ⌈L/1.5⌉', 'ties = ⌈L/1.2⌉'],
  input: z.strictObject({ lengthM: z.number().min(0).describe('m') }),
  run: ({ lengthM }) =>
    fine({
      staples: countUp(lengthM / 1.4) + 4,
      hooks: countUp(lengthM / 1.5),
      ties: countUp(lengthM / 1.2),
    }),
  steps: (_, v) => [`${v.staples} staples, ${v.hooks} hooks, ${v.ties} ties`],
});
