import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const roomLight = calculator({
  name: 'room-light',
  title: 'Mean light of a room',
  topic: 'shades',
  source: 'Trade practice',
  formulaIds: ['F14.14'],
  valid: 'lumen method; planning, ± 30 %',
  formulas: ['E = n·Φ·UF·MF/A'],
  input: z.strictObject({
    lamps: z.int().min(0).max(1000),
    lumens: positive.describe('lm each'),
    areaM2: positive,
    utilisation: z.number().gt(0).max(1).default(0.5).describe('0.5 direct, 0.25 cove'),
    maintenance: z.number().gt(0).max(1).default(0.8),
  }),
  example: { lamps: 6, lumens: 800, areaM2: 20 },
  from: { areaM2: 'roomAreaM2' },
  run: ({ lamps, lumens, areaM2, utilisation, maintenance }) =>
    ok({ lux: (lamps * lumens * utilisation * maintenance) / areaM2 }),
  steps: (_, v) => [`${fig(v.lux)} lx`],
});
