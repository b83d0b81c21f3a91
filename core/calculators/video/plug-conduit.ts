import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { bundleDiameterM } from '../structure/index.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

/** Room that a plug wants round it [practice], times its diagonal. */
const PLUG_MARGIN = 1.25;

export const plugConduit = calculator({
  name: 'plug-conduit',
  title: 'Conduit for a lead with its plug on',
  topic: 'ways',
  source: 'Trade practice',
  valid: 'straight conduit; two sweeps of 90 degrees at most for a pre-made plug',
  formulas: ['ID ≥ 1.25·√(w² + h²)', 'beside cables: ID − bundle ≥ √(w² + h²)'],
  input: z.strictObject({
    plugWidthM: positive.default(0.021).describe('m, overmould of the plug'),
    plugHeightM: positive.default(0.012).describe('m'),
    insideM: positive.nullable().default(null).describe('m, clear inside of the conduit; null asks for the least'),
    margin: z
      .number()
      .min(1)
      .max(3)
      .default(PLUG_MARGIN)
      .describe('times the diagonal of the plug that the inside has at the least'),
    besideM: z.array(positive.max(0.2)).max(200).default([]).describe('m, diameters of cables that lie in it'),
  }),
  example: {},
  run: ({ plugWidthM, plugHeightM, insideM, margin, besideM }) => {
    const diagonalM = Math.hypot(plugWidthM, plugHeightM);
    const bundleM = bundleDiameterM(besideM);
    const minM = Math.max(margin * diagonalM, besideM.length > 0 ? bundleM + diagonalM : 0);
    return ok({ diagonalM, bundleM, leastM: minM, ok: insideM === null ? null : atLeast(insideM, minM) });
  },
  steps: (_, v) => [`diagonal ${fig(v.diagonalM * 1000)} mm`, `inside at least ${fig(v.leastM * 1000)} mm`],
});
