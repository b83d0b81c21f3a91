import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

export const horizon = calculator({
  name: 'radio-horizon',
  title: 'Radio horizon and loss of free space',
  topic: 'coax',
  source: 'Physics: radio horizon over 4/3 of the radius of the earth',
  formulaIds: ['F5.8'],
  valid: 'smooth ground',
  formulas: ['d = 4.12·(√h1 + √h2) km', 'L = 20·log10(d km) + 20·log10(f MHz) + 32.45'],
  input: z.strictObject({
    height1M: z.number().min(0).describe('m'),
    height2M: z.number().min(0).describe('m'),
    distanceKm: z.number().gt(0).nullable().default(null),
    frequencyMhz: z.number().gt(0).nullable().default(null),
  }),
  example: { height1M: 100, height2M: 9 },
  run: ({ height1M, height2M, distanceKm, frequencyMhz }) => {
    const horizonKm = 4.12 * (Math.sqrt(height1M) + Math.sqrt(height2M));
    return ok({
      horizonKm,
      lossDb:
        distanceKm === null || frequencyMhz === null ? null : 20 * Math.log10(distanceKm) + 20 * Math.log10(frequencyMhz) + 32.45,
      ok: distanceKm === null ? null : atMost(distanceKm, horizonKm),
    });
  },
  steps: (_, v) => [`${fig(v.horizonKm)} km`],
});
