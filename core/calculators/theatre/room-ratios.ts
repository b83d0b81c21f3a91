import { z } from 'zod';
import { ok } from '../../math/index.ts';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { side } from './room-sides.ts';

/** Sides are too near to a whole multiple within this share. */
const NEAR_WHOLE = 0.05;

export const roomRatios = calculator({
  name: 'room-ratios',
  title: 'Proportions of a listening room',
  topic: 'theatre',
  source: 'ITU-R BS.1116, EBU Tech 3276',
  formulaIds: ['F10.12'],
  valid: 'rectangular rooms; length not below width',
  formulas: ['1.1·w/h ≤ l/h ≤ 4.5·w/h − 4', 'l/h < 3, w/h < 3', 'no side within 5 % of a whole multiple of another'],
  input: z.strictObject({ lengthM: side, widthM: side, heightM: side }),
  example: { lengthM: 6, widthM: 4.4, heightM: 2.5 },
  from: { lengthM: 'roomLengthM', widthM: 'roomWidthM', heightM: 'ceilingM' },
  run: ({ lengthM, widthM, heightM }) => {
    const [l, w] = [Math.max(lengthM, widthM) / heightM, Math.min(lengthM, widthM) / heightM];
    const isBetween = atLeast(l, 1.1 * w) && atMost(l, 4.5 * w - 4) && l < 3 && w < 3;
    const nearWhole = [l, w, l / w].filter((ratio) => {
      const whole = Math.round(ratio);
      return whole >= 1 && Math.abs(ratio / whole - 1) < NEAR_WHOLE;
    });
    return ok({
      lengthByHeight: l,
      widthByHeight: w,
      leastLength: 1.1 * w,
      mostLength: 4.5 * w - 4,
      isBetween,
      nearWhole,
      ok: isBetween && nearWhole.length === 0,
    });
  },
  steps: (_, v) => [`${fig(v.leastLength)} ≤ ${fig(v.lengthByHeight)} ≤ ${fig(v.mostLength)}`],
});
