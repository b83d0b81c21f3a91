import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { sin } from './sun.ts';

export const skySeen = calculator({
  name: 'sky-seen',
  title: 'Sky that a pane sees',
  topic: 'shades',
  source: 'Geometry',
  formulaIds: ['F14.10'],
  valid: 'upright pane under a long overhang',
  formulas: ['F = 0.5·(y/√(y² + P²) − sin a), not below 0'],
  input: z.strictObject({
    belowM: z.number().min(0).describe('m, point below the overhang'),
    overhangM: z.number().min(0).describe('m'),
    skylineDeg: z.number().min(0).max(90).default(0).describe('degrees'),
  }),
  example: { belowM: 1.2, overhangM: 0.6 },
  run: ({ belowM, overhangM, skylineDeg }) => {
    const open = overhangM === 0 ? 1 : belowM / Math.hypot(belowM, overhangM);
    return ok({ skyShare: Math.max(0, 0.5 * (open - sin(skylineDeg))) });
  },
  steps: (_, v) => [`F = ${fig(v.skyShare)}`],
});
