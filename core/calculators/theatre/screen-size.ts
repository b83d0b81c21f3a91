import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const screenSize = calculator({
  name: 'screen-size',
  title: 'Width and height of a screen',
  topic: 'theatre',
  source: 'Geometry',
  formulaIds: ['F9.1'],
  valid: 'flat screens; 1.78 stands for 16:9',
  formulas: ['W = d·a/√(1 + a²)', 'H = d/√(1 + a²)'],
  input: z.strictObject({ diagonalM: positive.describe('m'), aspect: positive.default(16 / 9) }),
  example: { diagonalM: 2.79 },
  run: ({ diagonalM, aspect }) => {
    const a = Math.abs(aspect - 1.78) < 1e-9 ? 16 / 9 : aspect;
    const root = Math.sqrt(1 + a * a);
    return ok({ widthM: (diagonalM * a) / root, heightM: diagonalM / root, areaM2: (diagonalM ** 2 * a) / root ** 2 });
  },
  steps: (_, v) => [`W ${fig(v.widthM)} m, H ${fig(v.heightM)} m`],
});
