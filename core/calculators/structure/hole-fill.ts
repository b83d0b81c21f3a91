import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { holeForM, holesFor } from './hole-size.ts';

export const holeFill = calculator({
  name: 'hole-fill',
  title: 'The hole that cables need',
  topic: 'ways',
  source: 'Trade practice: bundle and 3 mm, 40 % of the area',
  valid: 'round cables',
  formulas: ['hole ≥ bundle + 3 mm', 'Σd² ≤ 0.40·hole²'],
  cautions: ['C3'],
  input: z.strictObject({
    diametersM: z.array(z.number().gt(0).max(0.2)).min(1).max(200).describe('m, outside diameter of each cable'),
    mostM: z.number().gt(0).max(1).nullable().default(null).describe('m, largest hole of the member'),
    holeM: z.number().gt(0).max(1).nullable().default(null).describe('m, hole that is there'),
  }),
  example: { diametersM: [0.0061] },
  run: ({ diametersM, mostM: maxM, holeM }) => {
    const minM = holeForM(diametersM);
    const holes = maxM === null ? null : holesFor(diametersM, maxM);
    if (maxM !== null && holes === null)
      return err('hole-none', { kind: 'infeasible', field: 'mostM', leastM: holeForM([Math.max(...diametersM)]), mostM: maxM });
    const fill = holeM === null ? null : diametersM.reduce((sum, d) => sum + d * d, 0) / holeM ** 2;
    return ok({ leastM: minM, holes, fill, ok: holeM === null ? null : atMost(minM, holeM) });
  },
  steps: (_, v) => [
    `hole of ${fig(v.leastM * 1000)} mm`,
    ...(v.holes ? [v.holes.map((one) => `${fig(one.bitM * 1000)} mm for ${one.cables}`).join(', ')] : []),
  ],
});
