import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { bundleDiameterM } from '../structure/index.ts';
import { fine, refuse } from '../../math/index.ts';

const positive = z.number().gt(0);

export const bundleDiameter = calculator({
  name: 'bundle-diameter',
  title: 'Diameter of a round bundle',
  topic: 'ways',
  source: 'Geometry: 1, 2, 2.155, 2.414, 2.701, 3, 3 times one cable to seven; 1.21·√n from eight (upper bound)',
  formulaIds: ['F4.3'],
  valid: 'round cables; unequal ones as if all were as thick as the thickest',
  formulas: ['D = k·OD'],
  input: z.strictObject({ diametersM: z.array(positive.max(0.2)).max(500).describe('m, outside diameter of each') }),
  run: ({ diametersM }) => fine({ count: diametersM.length, diameterM: bundleDiameterM(diametersM) }),
  steps: (_, v) => [`${v.count} cables: ${fig(v.diameterM * 1000)} mm`],
});

export const plugConduit = calculator({
  name: 'plug-conduit',
  title: 'Conduit for a lead with its plug on',
  topic: 'ways',
  source: 'Trade practice',
  formulaIds: ['F4.3'],
  valid: 'straight conduit; two sweeps of 90 degrees at most for a pre-made plug',
  formulas: ['ID ≥ 1.25·√(w² + h²)', 'beside cables: ID − bundle ≥ √(w² + h²)'],
  input: z.strictObject({
    plugWidthM: positive.default(0.021).describe('m, overmould of the plug'),
    plugHeightM: positive.default(0.012).describe('m'),
    insideM: positive.nullable().default(null).describe('m, clear inside of the conduit; null asks for the least'),
    besideM: z.array(positive.max(0.2)).max(200).default([]).describe('m, diameters of cables that lie in it'),
  }),
  run: ({ plugWidthM, plugHeightM, insideM, besideM }) => {
    const diagonalM = Math.hypot(plugWidthM, plugHeightM);
    const bundleM = bundleDiameterM(besideM);
    const leastM = Math.max(1.25 * diagonalM, besideM.length > 0 ? bundleM + diagonalM : 0);
    return fine({ diagonalM, bundleM, leastM, ok: insideM === null ? null : atLeast(insideM, leastM) });
  },
  steps: (_, v) => [`diagonal ${fig(v.diagonalM * 1000)} mm`, `inside at least ${fig(v.leastM * 1000)} mm`],
});

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
  run: ({ lengthM, widthM, bendRadiusM, insideM }) => {
    if (!atMost(widthM, insideM)) return refuse('plug-too-wide', { kind: 'infeasible', field: 'widthM', widthM, insideM });
    const outer = bendRadiusM + insideM / 2;
    const inner = bendRadiusM - insideM / 2 + widthM;
    const longestM = 2 * Math.sqrt(Math.max(0, outer ** 2 - inner ** 2));
    return fine({ longestM, ok: atMost(lengthM, longestM) });
  },
  steps: (i, v) => [`${fig(i.lengthM * 1000)} mm of ${fig(v.longestM * 1000)} mm`],
});
