import { z } from 'zod';
import { err, ok, type Outcome } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { pullTension, type PullTension } from './pull.ts';

export const conduitPullInput = z.strictObject({
  corners: z
    .array(z.tuple([z.number(), z.number(), z.number()]))
    .min(2)
    .max(100)
    .describe('m, [x, y, z] of each corner from the start of the conduit to its end'),
  weightKgPerM: z.number().gt(0).max(10).describe('kg/m of all cables together'),
  friction: z.number().min(0.05).max(1).default(0.5).describe('0.5 dry, 0.35 polyethylene or lubricated'),
});

/**
 * Answers: how hard is the pull, and from which end is it easier?
 * Units: m, kg/m, N, rad. Formula and source: F6.4. Valid for one pull between open ends. Problems: `bends-over`.
 */
export function pullThroughConduit(given: z.input<typeof conduitPullInput>): Outcome<PullTension> {
  const { corners, weightKgPerM, friction } = conduitPullInput.parse(given);
  const pull = pullTension(corners, weightKgPerM, friction);
  // No more than 360 degrees between pull points (ENGINEERING 6).
  if (pull.bendsRad > 2 * Math.PI * (1 + 1e-9))
    return err('bends-over', { kind: 'prohibited', field: 'corners', degrees: Math.round((pull.bendsRad * 180) / Math.PI) });
  return ok(pull);
}

export const conduitPullCalculator = calculator({
  name: 'conduit-pull',
  title: 'Pull tension through a conduit',
  topic: 'ways',
  source: 'Trade practice',
  formulaIds: ['F6.4'],
  valid: 'one pull between open ends; a fall counts nothing',
  formulas: ['straight: T + μ·w·g·L', 'bend: T·e^(μθ)', 'rise: w·g·z'],
  input: conduitPullInput,
  example: {
    corners: [
      [0, 0, 0],
      [10, 0, 0],
      [10, 5, 0],
    ],
    weightKgPerM: 0.1,
  },
  run: pullThroughConduit,
  steps: (_, v) => [`${fig(v.tensionN)} N over ${fig(v.lengthM)} m and ${fig((v.bendsRad * 180) / Math.PI)}° of bends`],
});
