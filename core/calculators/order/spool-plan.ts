import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { planSpools } from './spools.ts';

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
  example: { lengthsM: [20, 30], spoolM: 152 },
  run: ({ lengthsM, spoolM, parallel }) => planSpools(lengthsM, spoolM, parallel),
  steps: (_, v) => [`Σ = ${fig(v.totalM)} m: at least ${v.lowerBound}`, `first fit ${v.firstFit}; buy ${v.buy}`],
});
