import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { GRAVITY, ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const floorLoad = calculator({
  name: 'floor-load',
  title: 'Load of a rack on its floor',
  topic: 'head-end',
  source: 'Physics: weight over area',
  valid: 'a screening figure; what a floor bears is the engineer’s',
  formulas: ['q = m·g / (w·d)'],
  cautions: ['C13', 'C3'],
  input: z.strictObject({
    equipmentKg: z.number().min(0).max(5000),
    rackKg: z.number().min(0).max(500).default(45).describe('kg of the rack itself: 30 to 60'),
    widthM: positive.max(5),
    depthM: positive.max(5),
    allowedKnM2: positive.max(50).default(1.9).describe('kN/m2 that the floor is laid out for: 1.9 (40 lb/ft2) in homes'),
  }),
  example: { equipmentKg: 120, widthM: 0.6, depthM: 0.6 },
  run: ({ equipmentKg, rackKg, widthM, depthM, allowedKnM2 }) => {
    const weightN = (equipmentKg + rackKg) * GRAVITY;
    const knM2 = weightN / (widthM * depthM) / 1000;
    return ok({ weightN, knM2, ok: atMost(knM2, allowedKnM2) });
  },
  steps: (_, v) => [`${fig(v.weightN)} N, ${fig(v.knM2)} kN/m²`],
});
