import { DEGREE_RAD, ok } from '../../math/index.ts';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';
import { z } from 'zod';

export const viewingAngle = calculator({
  name: 'viewing-angle',
  title: 'Angle of a screen from a seat, and acuity',
  topic: 'theatre',
  source: 'SMPTE EG 18, ITU-R BT.2022',
  formulaIds: ['F9.2', 'F9.3'],
  valid: 'on the axis of the screen',
  formulas: ['θ = 2·atan(W/(2·D))', 'D = W/(2·tan(θ/2))', 'D acuity = W/px/tan(1′)'],
  input: z.strictObject({
    widthM: positive.describe('m'),
    distanceM: positive.describe('m, eye to the middle of the screen'),
    wantedDeg: z.number().gt(0).lt(180).nullable().default(null).describe('degrees'),
    pixelsAcross: z.int().min(1).default(3840),
  }),
  example: { widthM: 2.8, distanceM: 3.6 },
  run: ({ widthM, distanceM, wantedDeg, pixelsAcross }) => {
    const angleDeg = (2 * Math.atan(widthM / (2 * distanceM))) / DEGREE_RAD;
    return ok({
      angleDeg,
      distanceForM: wantedDeg === null ? null : widthM / (2 * Math.tan((wantedDeg / 2) * DEGREE_RAD)),
      acuityM: widthM / pixelsAcross / Math.tan(DEGREE_RAD / 60),
      ok: atLeast(angleDeg, 30) && atMost(angleDeg, 60),
    });
  },
  steps: (i, v) => [`2·atan(${fig(i.widthM)}/(2 · ${fig(i.distanceM)})) = ${fig(v.angleDeg)}°`],
});
