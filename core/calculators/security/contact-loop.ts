import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { wireResistance, wireResistanceInput } from '../wire/index.ts';

export const loopLimit = calculator({
  name: 'contact-loop',
  title: 'Longest loop of contacts',
  topic: 'security',
  source: 'Circuit theory; 100 ohm by trade practice, the panel’s data sheet where known',
  formulaIds: ['F17.2'],
  valid: 'both ways of the loop, without the end-of-line resistor',
  formulas: ['L = R limit/(2·r)', 'R = 2·r·L'],
  cautions: ['C9'],
  input: wireResistanceInput.extend({
    gaugeAwg: z.int().default(22),
    stranded: z.boolean().default(false),
    limitOhm: z.number().gt(0).default(100).describe('ohm, most that the panel allows'),
    lengthM: z.number().min(0).nullable().default(null).describe('m, one way'),
  }),
  example: {},
  from: { lengthM: 'cutLengthM' },
  run: ({ limitOhm, lengthM, ...wire }) => {
    if (wire.material === 'cca') return err('clad-aluminium-refused', { kind: 'prohibited', field: 'material', use: 'security' });
    const one = wireResistance(wire);
    if (!one.ok) return one;
    const ohmPerM = one.value.ohmPerKm / 1000;
    const longestM = limitOhm / (2 * ohmPerM);
    return ok({
      ohmPerM,
      longestM,
      loopOhm: lengthM === null ? null : 2 * ohmPerM * lengthM,
      ok: lengthM === null ? null : atMost(lengthM, longestM),
    });
  },
  steps: (i, v) => [`${fig(i.limitOhm)}/(2 · ${fig(v.ohmPerM)} Ω/m) = ${fig(v.longestM)} m`],
});
