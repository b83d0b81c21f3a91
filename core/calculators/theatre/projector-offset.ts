import { z } from 'zod';
import { DEGREE_RAD, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

/** From this angle on the picture is no rectangle that anyone takes for one, degrees. */
const LEVEL_DEG = 0.5;

export const projectorOffset = calculator({
  name: 'projector-offset',
  title: 'Height of a lens by its offset',
  topic: 'theatre',
  source: 'Projector optics; how makers count differs, so it is asked',
  valid: 'a level projector; a lens above the middle positive',
  formulas: ['from the middle: v', 'in half heights: v = s/2', 'over the top edge: v = 0.5 + s'],
  cautions: ['C7', 'C12'],
  input: z.strictObject({
    heightM: positive.max(20).describe('m, of the picture'),
    offset: z.number().min(-3).max(3).describe('share, as the maker states it'),
    counted: z.enum(['from-middle', 'half-heights', 'over-top']).describe('what the maker counts it in'),
    lensAboveMiddleM: z.number().min(-20).max(20).nullable().default(null).describe('m, where the lens really is'),
    throwM: positive.max(100).nullable().default(null).describe('m, lens to screen'),
  }),
  example: { heightM: 1.4, offset: 0.1, counted: 'over-top' },
  run: ({ heightM, offset, counted, lensAboveMiddleM, throwM }) => {
    const shares = { 'from-middle': offset, 'half-heights': offset / 2, 'over-top': 0.5 + offset };
    const aboveMiddleM = shares[counted] * heightM;
    const offM = lensAboveMiddleM === null ? 0 : lensAboveMiddleM - aboveMiddleM;
    const tiltDeg = throwM === null ? null : Math.atan(offM / throwM) / DEGREE_RAD;
    return ok({
      share: shares[counted],
      aboveMiddleM,
      aboveTopM: aboveMiddleM - heightM / 2,
      offM,
      tiltDeg,
      needsKeystone: tiltDeg !== null && Math.abs(tiltDeg) > LEVEL_DEG,
    });
  },
  steps: (_, v) => [`the lens ${fig(v.aboveMiddleM)} m above the middle, ${fig(v.aboveTopM)} m above the top edge`],
});
