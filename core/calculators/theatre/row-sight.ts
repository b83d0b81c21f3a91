import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { atLeast, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

export const rowSight = calculator({
  name: 'row-sight',
  title: 'Whether each row sees over the one before it',
  topic: 'theatre',
  source: 'Geometry of sight lines',
  valid: 'straight rows, one behind the other',
  formulas: ['clearance = B + (E − B)·D before/D − E before'],
  input: z.strictObject({
    bottomM: z.number().min(0).max(10).describe('m, lowest visible point of the picture'),
    rows: z
      .array(
        z.strictObject({
          distanceM: positive.max(100).describe('m from the screen'),
          eyeM: positive.max(10).describe('m, above the floor of the room'),
        }),
      )
      .min(1)
      .max(20),
    clearanceM: z.number().min(0).max(1).default(0.125).describe('m, wanted over the eye before it'),
  }),
  example: {
    bottomM: 0.7,
    rows: [
      { distanceM: 3, eyeM: 1.07 },
      { distanceM: 4.8, eyeM: 1.492 },
    ],
  },
  run: ({ bottomM, rows, clearanceM }) => {
    if (rows.some(({ distanceM }, n) => n > 0 && distanceM <= rows[n - 1].distanceM))
      return err('rows-not-in-order', { kind: 'invalid', field: 'rows' });
    const clearancesM = rows.slice(1).map(({ distanceM, eyeM }, n) => {
      const before = rows[n];
      return bottomM + ((eyeM - bottomM) * before.distanceM) / distanceM - before.eyeM;
    });
    // Half a millimeter is what a rounded eye height takes away.
    return ok({ clearancesM, ok: clearancesM.every((one) => atLeast(one + 5e-4, clearanceM)) });
  },
  steps: (_, v) => [`clearances ${v.clearancesM.map(fig).join(', ')} m`],
});
