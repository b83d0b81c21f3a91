import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { err, GRAVITY, ok } from '../../math/index.ts';
import { BOARD_SCREW_KG, OVERHEAD_FACTOR, WALL_FACTOR } from './fasteners.ts';

/** Overhead no factor below this is accepted (F11.1). */
const MIN_OVERHEAD_FACTOR = 5;

export const fixingLoad = calculator({
  name: 'fixing-load',
  title: 'What a fixing must bear',
  topic: 'structure',
  source: 'Trade practice',
  formulaIds: ['F11.1'],
  valid: 'overhead: ultimate against the factor; never from drywall alone',
  formulas: ['F = m·g·factor', 'overhead factor 10, least 5; wall 5'],
  cautions: ['C7', 'C8'],
  input: z.strictObject({
    massKg: z.number().min(0).describe('kg, with its mount'),
    overhead: z.boolean(),
    factor: z.number().gt(0).nullable().default(null).describe('null takes 10 overhead, 5 on a wall'),
    ratedN: z.number().gt(0).nullable().default(null).describe('N, ultimate rating of all fixings'),
    into: z.enum(['structure', 'board', 'masonry']).default('structure'),
  }),
  example: { massKg: 10, overhead: true },
  run: ({ massKg, overhead, factor, ratedN, into }) => {
    const by = factor ?? (overhead ? OVERHEAD_FACTOR : WALL_FACTOR);
    if (overhead && !atLeast(by, MIN_OVERHEAD_FACTOR))
      return err('factor-too-low', { kind: 'prohibited', field: 'factor', factor: by, least: MIN_OVERHEAD_FACTOR });
    if (overhead && into === 'board') return err('overhead-in-board', { kind: 'prohibited', field: 'into' });
    if (!overhead && into === 'board' && !atMost(massKg, BOARD_SCREW_KG))
      return err('board-overloaded', { kind: 'prohibited', field: 'massKg', massKg, mostKg: BOARD_SCREW_KG });
    const weightN = massKg * GRAVITY;
    const requiredN = weightN * by;
    return ok({ factor: by, weightN, requiredN, ok: ratedN === null ? null : atLeast(ratedN, requiredN) });
  },
  steps: (i, v) => [`${fig(i.massKg)} · ${GRAVITY} · ${fig(v.factor)} = ${fig(v.requiredN)} N`],
});
