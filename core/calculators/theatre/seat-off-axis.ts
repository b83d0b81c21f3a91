import { z } from 'zod';
import { DEGREE_RAD, ok } from '../../math/index.ts';
import { atMost, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

export const seatOffAxis = calculator({
  name: 'seat-off-axis',
  title: 'A screen from a seat beside its middle',
  topic: 'theatre',
  source: 'Geometry; 30° best and 60° most by trade practice',
  valid: 'flat screens; level',
  formulas: ['seen angle = between its two edges', 'beside = atan(aside/D)'],
  input: z.strictObject({
    widthM: positive.max(40).describe('m'),
    distanceM: positive.max(100).describe('m, square to the screen'),
    asideM: z.number().min(-100).max(100).describe('m, from the middle line'),
    halfGainDeg: z.number().gt(0).max(90).default(60).describe('degrees, at which the screen has half of its gain'),
  }),
  example: { widthM: 2.8, distanceM: 3.6, asideM: 1.2 },
  run: ({ widthM, distanceM, asideM, halfGainDeg }) => {
    const [a, b] = [Math.atan2(widthM / 2 - asideM, distanceM), Math.atan2(-widthM / 2 - asideM, distanceM)];
    const besideDeg = Math.abs(Math.atan2(asideM, distanceM)) / DEGREE_RAD;
    return ok({
      seenDeg: (a - b) / DEGREE_RAD,
      besideDeg,
      isBest: atMost(besideDeg, 30),
      inHalfGain: atMost(besideDeg, halfGainDeg),
      ok: atMost(besideDeg, 60),
    });
  },
  steps: (_, v) => [`it fills ${fig(v.seenDeg)}°, ${fig(v.besideDeg)}° beside its axis`],
});
