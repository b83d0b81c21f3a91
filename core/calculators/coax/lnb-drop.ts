import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

export const lnbDrop = calculator({
  name: 'lnb-drop',
  title: 'Supply of a converter over coax',
  topic: 'coax',
  source: 'Trade practice; treat with care',
  valid: 'RG6; copper centre 21 ohm/km, clad steel 100 ohm/km, shield 20 to 30 ohm/km',
  formulas: ['ΔV = I·L·(r centre + r shield)', 'at the converter 12.5 V of 13 V, 17 V of 18 V'],
  input: z.strictObject({
    lengthM: z.number().min(0).describe('m'),
    currentA: z.number().min(0).max(2).default(0.25).describe('A, 0.1 to 0.25 a converter'),
    centre: z.enum(['copper', 'clad-steel']).default('copper'),
    shieldOhmPerKm: z.number().min(0).default(29.5).describe('ohm/km'),
    supplyV: z.union([z.literal(13), z.literal(18)]).default(18),
  }),
  example: { lengthM: 20 },
  from: { lengthM: 'cutLengthM' },
  run: ({ lengthM, currentA, centre, shieldOhmPerKm, supplyV }) => {
    const ohmPerKm = (centre === 'copper' ? 21 : 100) + shieldOhmPerKm;
    const dropV = (currentA * lengthM * ohmPerKm) / 1000;
    const minV = supplyV === 13 ? 12.5 : 17;
    if (dropV >= supplyV) return err('feed-not-delivered', { kind: 'infeasible', field: 'lengthM', dropV, supplyV });
    return ok({ ohmPerKm, dropV, loadV: supplyV - dropV, leastV: minV, ok: atLeast(supplyV - dropV, minV) });
  },
  steps: (_, v) => [`ΔV = ${fig(v.dropV)} V; ${fig(v.loadV)} V of ${v.leastV} V wanted`],
});
