import { z } from 'zod';
import { atMost, calculator, fig, outOfDomain } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { areaMm2Of } from './conductors.ts';

export const pullLimit = calculator({
  name: 'pull-limit',
  title: 'Greatest pull on cables',
  topic: 'wire',
  source: 'Trade practice; four-pair cable 110 N (ANSI/TIA-568)',
  formulaIds: ['F1.9'],
  valid: 'copper cable without a maker’s sheet',
  formulas: ['T = 50 N/mm² · copper area pulled', 'four-pair: 110 N each'],
  input: z.strictObject({
    fourPair: z.boolean().default(false).describe('category cable of four pairs'),
    gaugeAwg: z.int().default(16).describe('AWG of each conductor; not needed for four pairs'),
    conductors: z.int().min(1).max(200).default(2).describe('conductors pulled in all'),
    pullN: z.number().min(0).nullable().default(null).describe('N, pull that is expected'),
  }),
  example: {},
  run: ({ fourPair, gaugeAwg, conductors, pullN }) => {
    if (!fourPair && (gaugeAwg < -3 || gaugeAwg > 40)) return outOfDomain('gaugeAwg', gaugeAwg, -3, 40);
    const copperMm2 = fourPair ? null : conductors * areaMm2Of(gaugeAwg);
    const maxN = copperMm2 === null ? 110 : 50 * copperMm2;
    return ok({ copperMm2, mostN: maxN, ok: pullN === null ? null : atMost(pullN, maxN) });
  },
  steps: (_, { copperMm2, mostN: maxN }) => [copperMm2 === null ? '110 N' : `50 · ${fig(copperMm2)} mm² = ${fig(maxN)} N`],
});
