import { z } from 'zod';
import { ok } from '../../math/index.ts';
import { atMost, calculator, countUp, fig } from '../calculator.ts';

/** Highest step, shortest run, and the drop from which an edge needs a guard, m. */
const RULES = {
  na: { stepM: 0.196, runM: 0.254, guardM: 0.762 },
  uk: { stepM: 0.22, runM: 0.22, guardM: 0.6 },
} as const;
const HANDRAIL_RISERS = 4;

export const riserSteps = calculator({
  name: 'riser-steps',
  title: 'Steps up to a riser',
  topic: 'theatre',
  source: 'IRC R311.7, R312; UK Approved Document K',
  valid: 'straight steps; guards, handrails and their details by local code',
  formulas: ['steps = rise/highest step, rounded up', 'all of one height'],
  cautions: ['C18'],
  input: z.strictObject({
    riseM: z.number().min(0).max(3).describe('m, floor of the row above the floor beside it'),
    region: z.enum(['na', 'uk']).default('na'),
  }),
  example: { riseM: 0.43 },
  run: ({ riseM, region }) => {
    const { stepM, runM, guardM } = RULES[region];
    const steps = countUp(riseM / stepM);
    return ok({
      steps,
      stepM: steps === 0 ? 0 : riseM / steps,
      runM,
      lengthM: Math.max(0, steps - 1) * runM,
      needsGuard: !atMost(riseM, guardM),
      needsHandrail: steps >= HANDRAIL_RISERS,
    });
  },
  steps: (_, v) => [`${v.steps} × ${fig(v.stepM)} m over ${fig(v.lengthM)} m`],
});
