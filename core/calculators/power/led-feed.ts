import { z } from 'zod';
import { calculator, countUp, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

/** Greatest load of a class 2 output by practice, W: under 100 VA and under the currents of its tables. */
const CAP_W = (volts: number) => (volts <= 12 ? 60 : 96);

export const ledFeed = calculator({
  name: 'led-feed',
  title: 'Supply of strip light',
  topic: 'power',
  source: 'Circuit theory; 1.2 by trade practice; class 2 of NEC chapter 9',
  formulaIds: ['F3.10'],
  valid: 'strip of 12 or 24 V, constant voltage',
  formulas: ['I = W/m · L/V · 1.02', 'supply ≥ 1.2 · load', 'outputs = ⌈load/cap⌉'],
  cautions: ['C19'],
  input: z.strictObject({
    wattsPerM: z.number().gt(0).max(100).describe('W/m'),
    lengthM: z.number().min(0).describe('m, of strip'),
    supplyV: z.number().gt(0).max(60).default(24).describe('V'),
    controller: z.boolean().default(true).describe('adds 2 % for the controller'),
    capW: z.number().gt(0).nullable().default(null).describe('W of each output; null takes 96 W at 24 V, 60 W at 12 V'),
  }),
  example: { wattsPerM: 14.4, lengthM: 5 },
  run: ({ wattsPerM, lengthM, supplyV, controller, capW }) => {
    const loadW = wattsPerM * lengthM;
    const cap = capW ?? CAP_W(supplyV);
    return ok({
      loadW,
      currentA: (loadW / supplyV) * (controller ? 1.02 : 1),
      supplyW: 1.2 * loadW,
      capW: cap,
      outputs: countUp(loadW / cap),
    });
  },
  steps: (i, v) => [
    `${fig(i.wattsPerM)} · ${fig(i.lengthM)} = ${fig(v.loadW)} W`,
    `I = ${fig(v.currentA)} A; supply ${fig(v.supplyW)} W`,
    `⌈${fig(v.loadW)}/${fig(v.capW)}⌉ = ${v.outputs} outputs`,
  ],
});
