import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const lightAtPoint = calculator({
  name: 'light-at-point',
  title: 'Light of a lamp at a point',
  topic: 'shades',
  source: 'Photometry',
  formulaIds: ['F14.13'],
  valid: 'Lambertian sources; planning, ± 30 %',
  formulas: ['I = Φ/π·cos θ', 'E = I·cos φ/r²'],
  input: z.strictObject({
    lumens: positive.describe('lm'),
    distanceM: positive.describe('m'),
    offAxisDeg: z.number().min(0).max(90).default(0).describe('degrees from the axis of the lamp'),
    incidenceDeg: z.number().min(0).max(90).default(0).describe('degrees on the surface'),
    transmission: z.number().gt(0).max(1).default(1).describe('of a cover; 0.8 over strip'),
  }),
  example: { lumens: 800, distanceM: 2.4 },
  run: ({ lumens, distanceM, offAxisDeg, incidenceDeg, transmission }) => {
    const candela = ((lumens * transmission) / Math.PI) * Math.cos((offAxisDeg * Math.PI) / 180);
    return ok({ candela, lux: (candela * Math.cos((incidenceDeg * Math.PI) / 180)) / distanceM ** 2 });
  },
  steps: (_, v) => [`${fig(v.candela)} cd, ${fig(v.lux)} lx`],
});
