import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const throwWindow = calculator({
  name: 'throw-window',
  title: 'Throw and shift of a projector',
  topic: 'theatre',
  source: 'Projector optics',
  formulaIds: ['F9.6', 'F9.9'],
  valid: 'zoom lenses; ultra-short and mirror lenses by their maker’s table',
  formulas: ['TRmin·W ≤ D ≤ TRmax·W', '|v|/V + |h|/Hs ≤ 1'],
  cautions: ['C7', 'C12'],
  input: z
    .strictObject({
      widthM: positive.describe('m, of a 16:9 picture'),
      throwM: positive.describe('m, lens to screen'),
      leastRatio: positive,
      mostRatio: positive,
      ultraShort: z.boolean().default(false),
      shiftUp: z.number().default(0).describe('lens above the middle, share of the height'),
      shiftAside: z.number().default(0).describe('lens beside the middle, share of the width'),
      mostShiftUp: positive.nullable().default(null),
      mostShiftAside: positive.nullable().default(null),
      shape: z.enum(['diamond', 'ellipse']).default('diamond'),
    })
    .refine((i) => i.mostRatio >= i.leastRatio, { path: ['mostRatio'], message: 'is below the least' }),
  example: { widthM: 2.5, throwM: 4, leastRatio: 1.3, mostRatio: 2 },
  run: (i) => {
    if (i.ultraShort) return err('throw-by-maker', { kind: 'defer', field: 'ultraShort' });
    if (i.shiftUp !== 0 && i.mostShiftUp === null) return err('input-missing', { kind: 'incomplete', field: 'mostShiftUp' });
    if (i.shiftAside !== 0 && i.mostShiftAside === null)
      return err('input-missing', { kind: 'incomplete', field: 'mostShiftAside' });
    const [minM, maxM] = [i.leastRatio * i.widthM, i.mostRatio * i.widthM];
    if (!atLeast(i.throwM, minM) || !atMost(i.throwM, maxM))
      return err('throw-outside', { kind: 'infeasible', field: 'throwM', throwM: i.throwM, leastM: minM, mostM: maxM });
    const u = i.mostShiftUp === null ? 0 : Math.abs(i.shiftUp) / i.mostShiftUp;
    const a = i.mostShiftAside === null ? 0 : Math.abs(i.shiftAside) / i.mostShiftAside;
    const used = i.shape === 'diamond' ? u + a : Math.hypot(u, a);
    return ok({
      leastM: minM,
      mostM: maxM,
      shiftUsed: used,
      nearEnd: i.throwM < minM + 0.05 * (maxM - minM) || i.throwM > maxM - 0.05 * (maxM - minM),
      ok: atMost(used, 1),
    });
  },
  steps: (_, v) => [`${fig(v.leastM)} to ${fig(v.mostM)} m; shift ${fig(v.shiftUsed)} of 1`],
});
