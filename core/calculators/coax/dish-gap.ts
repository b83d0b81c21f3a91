import { z } from 'zod';
import { calculator, fig, outOfDomain } from '../calculator.ts';
import { DEGREE_RAD, ok } from '../../math/index.ts';

export const dishGap = calculator({
  name: 'dish-gap',
  title: 'One dish behind another',
  topic: 'coax',
  source: 'Trade practice: 5 degrees over what stands before it',
  valid: 'both look the same way',
  formulas: ['d ≥ (z top of the front one − z bottom of the rear one)/tan el'],
  input: z.strictObject({
    frontTopM: z.number().describe('m'),
    rearBottomM: z.number().describe('m'),
    elevationDeg: z.number().describe('degrees'),
  }),
  example: { frontTopM: 1, rearBottomM: 0.5, elevationDeg: 35 },
  run: ({ frontTopM, rearBottomM, elevationDeg }) => {
    if (elevationDeg <= 0 || elevationDeg > 90) return outOfDomain('elevationDeg', elevationDeg, 0, 90);
    return ok({ gapM: Math.max(0, (frontTopM - rearBottomM) / Math.tan(elevationDeg * DEGREE_RAD)) });
  },
  steps: (_, v) => [`${fig(v.gapM)} m`],
});
