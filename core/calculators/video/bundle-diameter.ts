import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { bundleDiameterM } from '../structure/index.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const bundleDiameter = calculator({
  name: 'bundle-diameter',
  title: 'Diameter of a round bundle',
  topic: 'ways',
  source: 'Geometry: 1, 2, 2.155, 2.414, 2.701, 3, 3 times one cable to seven; 1.21·√n from eight (upper bound)',
  formulaIds: ['F4.3'],
  valid: 'round cables; unequal ones as if all were as thick as the thickest',
  formulas: ['D = k·OD'],
  input: z.strictObject({ diametersM: z.array(positive.max(0.2)).max(500).describe('m, outside diameter of each') }),
  example: { diametersM: [0.0061, 0.0061] },
  run: ({ diametersM }) => ok({ count: diametersM.length, diameterM: bundleDiameterM(diametersM) }),
  steps: (_, v) => [`${v.count} cables: ${fig(v.diameterM * 1000)} mm`],
});
