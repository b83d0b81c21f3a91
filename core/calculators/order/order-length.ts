import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { ORDER_FACTOR } from './spools.ts';

export const orderLength = calculator({
  name: 'order-length',
  title: 'Length to order',
  topic: 'order',
  source: 'Trade practice',
  formulaIds: ['F16.2'],
  valid: 'cut lengths with their waste already inside',
  formulas: [`order = Σ cut · ${ORDER_FACTOR}`],
  input: z.strictObject({ cutM: z.array(z.number().min(0)).max(5000).describe('m, cut length of each run') }),
  example: { cutM: [20, 30] },
  run: ({ cutM }) => {
    const sumM = cutM.reduce((sum, l) => sum + l, 0);
    return ok({ sumM, orderM: sumM * ORDER_FACTOR });
  },
  steps: (_, v) => [`${fig(v.sumM)} · ${ORDER_FACTOR} = ${fig(v.orderM)} m`],
});
