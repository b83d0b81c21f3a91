import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

export const ledStrip = calculator({
  name: 'led-strip',
  title: 'Drop along a strip',
  topic: 'power',
  source: 'Circuit theory',
  formulaIds: ['F3.11'],
  valid: 'uniform load; the maker’s longest run overrides',
  formulas: ["one end: ΔV = 0.5·i'·r'·L²", 'both ends or the middle: a quarter of it'],
  cautions: ['C19'],
  input: z.strictObject({
    ampsPerM: z.number().min(0).describe('A/m'),
    stripOhmPerM: z.number().min(0).describe('ohm/m, both ways in the copper of the strip'),
    lengthM: z.number().min(0).describe('m'),
    fed: z.enum(['one-end', 'both-ends', 'middle']).default('one-end'),
    supplyV: z.number().gt(0).max(60).default(24).describe('V'),
  }),
  example: { ampsPerM: 0.6, stripOhmPerM: 0.05, lengthM: 5 },
  run: ({ ampsPerM, stripOhmPerM, lengthM, fed, supplyV }) => {
    const oneEndV = 0.5 * ampsPerM * stripOhmPerM * lengthM ** 2;
    const dropV = fed === 'one-end' ? oneEndV : oneEndV / 4;
    return ok({ oneEndV, dropV, dropFraction: dropV / supplyV, ok: atMost(dropV / supplyV, 0.05) });
  },
  steps: (i, v) => [
    `0.5 · ${fig(i.ampsPerM)} · ${fig(i.stripOhmPerM)} · ${fig(i.lengthM)}² = ${fig(v.oneEndV)} V`,
    `${fig(v.dropV)} V, ${fig(v.dropFraction * 100)} %`,
  ],
});
