import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

/** Jobs that what was assumed before counts for. */
const PRIOR_JOBS = 5;

/** A factor learned from n measurements with their mean, against what was assumed before. */
export const learnedFactor = ({
  n,
  mean,
  prior,
}: {
  readonly n: number;
  readonly mean: number;
  readonly prior: number;
}): number => (n * mean + PRIOR_JOBS * prior) / (n + PRIOR_JOBS);

export const learnedFactorCalculator = calculator({
  name: 'learned-factor',
  title: 'Factor learned from jobs',
  topic: 'order',
  source: 'Trade practice',
  formulaIds: ['F22.6'],
  valid: 'measurements of one kind of work; shown with their spread',
  formulas: [`factor = (n·mean + ${PRIOR_JOBS}·prior)/(n + ${PRIOR_JOBS})`],
  cautions: ['C21'],
  input: z.strictObject({
    n: z.int().min(0).max(100_000).default(10).describe('measurements'),
    mean: z.number().gt(0).max(100).default(1.2).describe('mean of measured by planned'),
    prior: z.number().gt(0).max(100).default(1).describe('what was assumed before'),
  }),
  example: { n: 10, mean: 1.2, prior: 1 },
  run: (i) => ok({ factor: learnedFactor(i) }),
  steps: (i, v) => [
    `(${fig(i.n)}·${fig(i.mean)} + ${PRIOR_JOBS}·${fig(i.prior)})/(${fig(i.n)} + ${PRIOR_JOBS}) = ${fig(v.factor)}`,
  ],
});
