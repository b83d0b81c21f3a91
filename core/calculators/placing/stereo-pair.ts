import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { DEGREE_RAD, ok } from '../../math/index.ts';

export const stereoPair = calculator({
  name: 'stereo-pair',
  title: 'Spacing of a stereo pair',
  topic: 'placing',
  source: 'Geometry; trade practice',
  formulaIds: ['F8.4'],
  valid: 'accept 45 to 65 degrees',
  formulas: ['S = 2·d·tan 30°', 'angle = 2·atan(S/(2·d))'],
  input: z.strictObject({
    distanceM: z.number().gt(0).describe('m, from the line of the speakers to the seat'),
    spacingM: z.number().gt(0).nullable().default(null).describe('m, as planned'),
  }),
  example: { distanceM: 3 },
  run: ({ distanceM, spacingM }) => {
    const idealM = 2 * distanceM * Math.tan(30 * DEGREE_RAD);
    const angleDeg = (2 * Math.atan((spacingM ?? idealM) / (2 * distanceM))) / DEGREE_RAD;
    return ok({ idealM, angleDeg, ok: atLeast(angleDeg, 45) && atMost(angleDeg, 65) });
  },
  steps: (_, v) => [`${fig(v.idealM)} m; ${fig(v.angleDeg)}°`],
});
