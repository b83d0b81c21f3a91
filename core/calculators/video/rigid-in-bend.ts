import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const rigidInBend = calculator({
  name: 'rigid-in-bend',
  title: 'A rigid plug round a bend',
  topic: 'ways',
  source: 'Geometry',
  formulaIds: ['F4.4'],
  valid: 'rigid body in the plane of the bend',
  formulas: ['l ≤ 2·√((R + D/2)² − (R − D/2 + w)²)'],
  input: z.strictObject({
    lengthM: z.number().min(0).describe('m, of the rigid body'),
    widthM: positive.describe('m'),
    bendRadiusM: positive.describe('m, centre line of the bend'),
    insideM: positive.describe('m, bore of the conduit'),
  }),
  example: { lengthM: 0.05, widthM: 0.021, bendRadiusM: 0.3, insideM: 0.04 },
  run: ({ lengthM, widthM, bendRadiusM, insideM }) => {
    if (!atMost(widthM, insideM)) return err('plug-too-wide', { kind: 'infeasible', field: 'widthM', widthM, insideM });
    const outer = bendRadiusM + insideM / 2;
    const inner = bendRadiusM - insideM / 2 + widthM;
    const longestM = 2 * Math.sqrt(Math.max(0, outer ** 2 - inner ** 2));
    return ok({ longestM, ok: atMost(lengthM, longestM) });
  },
  steps: (i, v) => [`${fig(i.lengthM * 1000)} mm of ${fig(v.longestM * 1000)} mm`],
});
