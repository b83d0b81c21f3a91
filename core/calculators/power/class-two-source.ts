import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

export const classTwo = calculator({
  name: 'class-two-source',
  title: 'Limits of a class 2 output',
  topic: 'power',
  source: 'NEC chapter 9, tables 11',
  valid: 'direct current to 60 V',
  formulas: ['to 20 V: 5 A', '20 to 60 V: 100 VA/V'],
  input: z.strictObject({ volts: z.number().gt(0).describe('V'), loadA: z.number().min(0).default(0).describe('A') }),
  example: { volts: 24 },
  run: ({ volts, loadA }) => {
    if (volts > 60) return err('out-of-domain', { kind: 'out_of_domain', field: 'volts', value: volts, least: 0, most: 60 });
    const maxA = volts <= 20 ? 5 : 100 / volts;
    if (!atMost(loadA, maxA)) return err('class-two-over', { kind: 'prohibited', field: 'loadA', loadA, mostA: maxA });
    return ok({ mostA: maxA, mostVa: Math.min(100, maxA * volts), ok: true });
  },
  steps: (_, v) => [`${fig(v.mostA)} A at most`],
});
