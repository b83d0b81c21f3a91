import { z } from 'zod';
import { DEGREE_RAD, ok } from '../../math/index.ts';
import { atLeast, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

/** Nearest seats by trade practice, m. */
const PRACTICE_M = { perforated: 4.5, 'micro-perforated': 3.7, 'fine-weave': 3 } as const;

export const screenWeave = calculator({
  name: 'screen-weave',
  title: 'Nearest seat to a screen that sound goes through',
  topic: 'theatre',
  source: 'Visual acuity of one arc minute; kinds of screen by trade practice',
  formulaIds: ['F9.4'],
  valid: 'holes or threads of one pitch',
  formulas: ['D = pitch/tan(1′)'],
  input: z.strictObject({
    pitchMm: positive.max(20).describe('mm, of holes or threads'),
    kind: z.enum(['perforated', 'micro-perforated', 'fine-weave']).nullable().default(null),
    seatM: positive.max(50).nullable().default(null).describe('m, nearest seat'),
  }),
  example: { pitchMm: 0.6, kind: 'fine-weave', seatM: 3.2 },
  run: ({ pitchMm, kind, seatM }) => {
    const leastM = pitchMm / 1000 / Math.tan(DEGREE_RAD / 60);
    const practiceM = kind === null ? null : PRACTICE_M[kind];
    const neededM = Math.max(leastM, practiceM ?? 0);
    return ok({ leastM, practiceM, neededM, ok: seatM === null ? null : atLeast(seatM, neededM) });
  },
  steps: (_, v) => [`holes are not seen from ${fig(v.leastM)} m on; ${fig(v.neededM)} m with practice`],
});
