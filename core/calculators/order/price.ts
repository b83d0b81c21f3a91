import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

/** Price with a margin on the price, a share of it below 1. */
export const priceWithMargin = (cost: number, marginFraction: number): number => cost / (1 - marginFraction);

export const priceOf = calculator({
  name: 'price',
  title: 'Price by margin or markup',
  topic: 'order',
  source: 'Arithmetic',
  formulaIds: ['F18.2'],
  valid: 'margin below 1',
  formulas: ['margin: cost/(1 − m)', 'markup: cost·(1 + k)', 'k = m/(1 − m)'],
  cautions: ['C21'],
  input: z.strictObject({
    lines: z.array(z.strictObject({ quantity: z.number().min(0), unitCost: z.number().min(0) })).max(5000),
    marginFraction: z.number().min(0).nullable().default(null),
    markupFraction: z.number().min(0).nullable().default(null),
  }),
  example: { lines: [{ quantity: 2, unitCost: 50 }], marginFraction: 0.2 },
  run: ({ lines, marginFraction, markupFraction }) => {
    if (marginFraction === null && markupFraction === null)
      return err('input-missing', { kind: 'incomplete', field: 'marginFraction' });
    if (marginFraction !== null && marginFraction >= 1)
      return err('margin-too-high', { kind: 'invalid', field: 'marginFraction', value: marginFraction });
    const cost = lines.reduce((sum, { quantity, unitCost }) => sum + quantity * unitCost, 0);
    const markup = markupFraction ?? priceWithMargin(1, marginFraction!) - 1;
    return ok({ cost, price: cost * (1 + markup), markupFraction: markup, marginFraction: markup / (1 + markup) });
  },
  steps: (_, v) => [`${fig(v.cost)} · (1 + ${fig(v.markupFraction)}) = ${fig(v.price)}`],
});
