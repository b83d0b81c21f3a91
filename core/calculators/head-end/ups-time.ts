import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const upsTime = calculator({
  name: 'ups-time',
  title: 'How long a supply holds',
  topic: 'head-end',
  source: 'Trade practice',
  formulaIds: ['F15.8'],
  valid: 'inverter 0.85 to 0.9, usable share 0.7',
  formulas: ['t = Wh·η·k/W', '1.25·W ≤ rating, 1.25·VA ≤ rating'],
  cautions: ['C13'],
  input: z.strictObject({
    batteryWh: positive,
    loadW: positive,
    loadVa: positive.nullable().default(null),
    ratedW: positive.nullable().default(null),
    ratedVa: positive.nullable().default(null),
    efficiency: z.number().gt(0).max(1).default(0.85),
    usable: z.number().gt(0).max(1).default(0.7),
  }),
  example: { batteryWh: 200, loadW: 100 },
  run: ({ batteryWh, loadW, loadVa, ratedW, ratedVa, efficiency, usable }) =>
    ok({
      hours: (batteryWh * efficiency * usable) / loadW,
      minutes: (60 * batteryWh * efficiency * usable) / loadW,
      ok:
        (ratedW === null || atMost(1.25 * loadW, ratedW)) &&
        (ratedVa === null || loadVa === null || atMost(1.25 * loadVa, ratedVa)),
    }),
  steps: (_, v) => [`${fig(v.minutes)} min`],
});
