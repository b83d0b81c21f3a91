import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { INCH_M, ok } from '../../math/index.ts';
import { lagWithdrawal, type Wood, WOODS } from './fasteners.ts';

const WOOD_NAMES = Object.keys(WOODS) as [Wood, ...Wood[]];

export const lagScrew = calculator({
  name: 'lag-screw',
  title: 'Withdrawal of a lag screw',
  topic: 'structure',
  source: 'ANSI/AWC NDS; allowable, about 5 to 1',
  formulaIds: ['F11.3'],
  valid: 'side grain of sawn timber, normal duration; thread at least 51 mm into the middle of the stud',
  formulas: ['W = 1800·G^1.5·D^0.75 lbf/in of thread'],
  cautions: ['C8'],
  input: z.strictObject({
    diameterM: z.number().gt(0).max(0.03).describe('m: 0.00635, 0.0079375 or 0.009525'),
    threadM: z.number().gt(0).max(0.5).describe('m of thread in the member, without its tip'),
    wood: z.enum(WOOD_NAMES).default('spruce-pine-fir'),
  }),
  example: { diameterM: 0.00635, threadM: 0.0508 },
  run: ({ diameterM, threadM, wood }) => {
    const { lbfPerIn, nPerM } = lagWithdrawal(diameterM, wood);
    return ok({ lbfPerIn, nPerM, allowableN: nPerM * threadM, ok: atLeast(threadM, 2 * INCH_M) });
  },
  steps: (_, v) => [`${fig(v.lbfPerIn)} lbf/in`, `${fig(v.allowableN)} N allowable`],
});
