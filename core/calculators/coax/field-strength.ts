import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

export const fieldStrength = calculator({
  name: 'field-strength',
  title: 'Field strength to level at the antenna',
  topic: 'coax',
  source: 'Physics: antenna terminal voltage',
  formulaIds: ['F5.7'],
  valid: 'matched load',
  formulas: ['V = E + G − 20·log10(f) + 31.54 (75 Ω; 50 Ω: 29.78)', 'G dBi = G dBd + 2.15'],
  cautions: ['C5'],
  input: z.strictObject({
    fieldDbuvPerM: z.number().describe('dBuV/m'),
    gainDbi: z.number().describe('dBi'),
    frequencyMhz: z.number().gt(0),
    ohm: z.union([z.literal(75), z.literal(50)]).default(75),
  }),
  example: { fieldDbuvPerM: 60, gainDbi: 8, frequencyMhz: 600 },
  run: ({ fieldDbuvPerM, gainDbi, frequencyMhz, ohm }) =>
    ok({ levelDbuv: fieldDbuvPerM + gainDbi - 20 * Math.log10(frequencyMhz) + (ohm === 75 ? 31.54 : 29.78) }),
  steps: (_, v) => [`${fig(v.levelDbuv)} dBµV`],
});
