import { z } from 'zod';
import { ok } from '../../math/index.ts';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

/** Shape of the chip of most projectors. */
const CHIP = 16 / 9;

export const scopeByZoom = calculator({
  name: 'scope-by-zoom',
  title: 'Wide pictures of one height by zooming',
  topic: 'theatre',
  source: 'Projector optics',
  formulaIds: ['F9.7'],
  valid: 'a 16:9 chip; the wide picture fills the width, 16:9 the height',
  formulas: ['zoom = a/1.7778', 'light used = 1.7778/a', 'TRmin·W wide ≤ D ≤ TRmax·1.7778·H'],
  cautions: ['C7', 'C12'],
  input: z
    .strictObject({
      heightM: positive.max(20).describe('m, of every picture'),
      aspect: z.number().min(CHIP).max(4).default(2.35).describe('width by height of the wide picture'),
      leastRatio: positive.max(20).describe('throw by width, shortest'),
      mostRatio: positive.max(20).describe('throw by width, longest'),
      throwM: positive.max(100).nullable().default(null).describe('m, lens to screen'),
    })
    .refine((i) => i.mostRatio >= i.leastRatio, { path: ['mostRatio'], message: 'is below the least' }),
  example: { heightM: 1.1, leastRatio: 1.3, mostRatio: 2 },
  run: ({ heightM, aspect, leastRatio, mostRatio, throwM }) => {
    const [wideM, usualM] = [aspect * heightM, CHIP * heightM];
    const [leastM, mostM] = [leastRatio * wideM, mostRatio * usualM];
    const zoomNeeded = aspect / CHIP;
    const hasZoom = atMost(zoomNeeded, mostRatio / leastRatio);
    return ok({
      wideM,
      usualM,
      zoomNeeded,
      zoomRange: mostRatio / leastRatio,
      lightUsed: CHIP / aspect,
      fromM: hasZoom ? leastM : null,
      toM: hasZoom ? mostM : null,
      ok: hasZoom && (throwM === null || (atLeast(throwM, leastM) && atMost(throwM, mostM))),
    });
  },
  steps: (_, v) => [
    `zoom ${fig(v.zoomNeeded)} of ${fig(v.zoomRange)}; light ${fig(v.lightUsed)}`,
    v.fromM === null ? 'no place serves both pictures' : `lens from ${fig(v.fromM)} to ${fig(v.toM!)} m`,
  ],
});
