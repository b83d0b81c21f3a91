import { z } from 'zod';
import { atMost, calculator, countUp, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const circuitLoad = calculator({
  name: 'circuit-load',
  title: 'Load of a circuit',
  topic: 'head-end',
  source: 'NEC 210.20; 0.8 elsewhere by trade practice',
  formulaIds: ['F15.6'],
  valid: 'continuous loads of 3 h and more',
  formulas: ['load ≤ 0.8·V·I', 'VA = W/PF'],
  cautions: ['C1'],
  input: z.strictObject({
    volts: positive.describe('V'),
    breakerA: positive.describe('A'),
    watts: z.number().min(0).describe('W'),
    powerFactor: z.number().gt(0).max(1).default(1),
  }),
  example: { volts: 230, breakerA: 16, watts: 800 },
  run: ({ volts, breakerA, watts, powerFactor }) => {
    const va = watts / powerFactor;
    const maxVa = 0.8 * volts * breakerA;
    return ok({ va, mostVa: maxVa, circuits: countUp(va / maxVa), ok: atMost(va, maxVa) });
  },
  steps: (_, v) => [`${fig(v.va)} VA of ${fig(v.mostVa)} VA`],
});
