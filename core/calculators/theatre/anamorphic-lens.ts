import { z } from 'zod';
import { ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

const CHIPS = { '16:9': 16 / 9, '4096:2160': 4096 / 2160 } as const;

export const anamorphicLens = calculator({
  name: 'anamorphic-lens',
  title: 'Wide pictures by an anamorphic lens',
  topic: 'theatre',
  source: 'Projector optics',
  formulaIds: ['F9.8'],
  valid: 'a lens that widens; it takes 3 to 5 % of the light by trade practice',
  formulas: ['aspect = chip·k', 'base width = W/k', 'D = TR·W/k'],
  cautions: ['C7', 'C12'],
  input: z.strictObject({
    widthM: positive.max(40).describe('m, of the wide picture'),
    expansion: z
      .number()
      .min(1)
      .max(2)
      .default(4 / 3)
      .describe('k of the lens'),
    chip: z.enum(['16:9', '4096:2160']).default('16:9'),
    leastRatio: positive.max(20).describe('throw by width, shortest'),
    mostRatio: positive.max(20).describe('throw by width, longest'),
    lensLoss: z.number().min(0).max(0.2).default(0.05).describe('share of the light that the lens takes'),
  }),
  example: { widthM: 2.6, leastRatio: 1.3, mostRatio: 2 },
  run: ({ widthM, expansion, chip, leastRatio, mostRatio, lensLoss }) => {
    const baseM = widthM / expansion;
    const aspect = CHIPS[chip] * expansion;
    return ok({
      aspect,
      baseM,
      heightM: widthM / aspect,
      fromM: leastRatio * baseM,
      toM: Math.max(leastRatio, mostRatio) * baseM,
      lightUsed: 1 - lensLoss,
    });
  },
  steps: (_, v) => [`${fig(v.aspect)} : 1 from ${fig(v.baseM)} m; lens from ${fig(v.fromM)} to ${fig(v.toM)} m`],
});
