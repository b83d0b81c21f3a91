import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { wireResistance, wireResistanceInput } from './wire-resistance.ts';

export const parallelConductors = calculator({
  name: 'parallel-conductors',
  title: 'Conductors joined in parallel',
  topic: 'wire',
  source: 'Circuit theory',
  formulaIds: ['F1.7'],
  valid: 'equal conductors, AWG -3 to 40',
  formulas: ['r = r1/n', 'gauge falls by 39·log10(n)/(2·log10(92))'],
  input: wireResistanceInput.extend({ count: z.int().min(1).max(100).describe('conductors joined') }),
  example: { gaugeAwg: 16, count: 2 },
  run: ({ count, ...wire }) => {
    const one = wireResistance(wire);
    if (!one.ok) return one;
    const fallsBy = (39 * Math.log10(count)) / (2 * Math.log10(92));
    return ok({ ohmPerKm: one.value.ohmPerKm / count, fallsBy, equivalentAwg: wire.gaugeAwg - fallsBy });
  },
  steps: ({ gaugeAwg, count }, { fallsBy, equivalentAwg, ohmPerKm }) => [
    `39·log10(${count})/(2·log10 92) = ${fig(fallsBy)}`,
    `${gaugeAwg} − ${fig(fallsBy)} = ${fig(equivalentAwg)} AWG, ${fig(ohmPerKm)} Ω/km`,
  ],
});
