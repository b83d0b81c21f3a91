import { z } from 'zod';
import { DEGREE_RAD, ok } from '../../math/index.ts';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

export const overheadPair = calculator({
  name: 'overhead-pair',
  title: 'Spacing of a pair of overhead speakers',
  topic: 'theatre',
  source: 'Trade practice',
  valid: 'two speakers at one height, alike on both sides of the seat',
  formulas: ['share = half spacing/half spacing of the fronts, 0.5 to 1', 'angle = 2·atan(half/rise), 40 to 110°'],
  cautions: ['C7'],
  input: z.strictObject({
    halfSpacingM: positive.max(50).describe('m, from the middle line to a speaker'),
    frontHalfSpacingM: positive.max(50).describe('m, from the middle line to a front speaker'),
    riseM: positive.max(50).describe('m, from the ear to the speakers'),
  }),
  example: { halfSpacingM: 1.2, frontHalfSpacingM: 1.6, riseM: 1.4 },
  run: ({ halfSpacingM, frontHalfSpacingM, riseM }) => {
    const share = halfSpacingM / frontHalfSpacingM;
    const apartM = 2 * halfSpacingM;
    const angleDeg = (2 * Math.atan(halfSpacingM / riseM)) / DEGREE_RAD;
    const fits = { share: atLeast(share, 0.5) && atMost(share, 1), apart: atLeast(apartM, 1.2) };
    const angleFits = atLeast(angleDeg, 40) && atMost(angleDeg, 110);
    return ok({ share, apartM, angleDeg, ok: fits.share && fits.apart && angleFits });
  },
  steps: (_, v) => [`${fig(v.share)} of the fronts, ${fig(v.apartM)} m apart, ${fig(v.angleDeg)}° across the head`],
});
