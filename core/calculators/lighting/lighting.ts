import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { fine } from '../../math/index.ts';

const positive = z.number().gt(0);

export const lightAtPoint = calculator({
  name: 'light-at-point',
  title: 'Light of a lamp at a point',
  topic: 'shades',
  source: 'Photometry',
  formulaIds: ['F14.13'],
  valid: 'Lambertian sources; planning, ± 30 %',
  formulas: ['I = Φ/π·cos θ', 'E = I·cos φ/r²'],
  input: z.strictObject({
    lumens: positive.describe('lm'),
    distanceM: positive.describe('m'),
    offAxisDeg: z.number().min(0).max(90).default(0).describe('degrees from the axis of the lamp'),
    incidenceDeg: z.number().min(0).max(90).default(0).describe('degrees on the surface'),
    transmission: z.number().gt(0).max(1).default(1).describe('of a cover; 0.8 over strip'),
  }),
  run: ({ lumens, distanceM, offAxisDeg, incidenceDeg, transmission }) => {
    const candela = ((lumens * transmission) / Math.PI) * Math.cos((offAxisDeg * Math.PI) / 180);
    return fine({ candela, lux: (candela * Math.cos((incidenceDeg * Math.PI) / 180)) / distanceM ** 2 });
  },
  steps: (_, v) => [`${fig(v.candela)} cd, ${fig(v.lux)} lx`],
});

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
  run: ({ lamps, lumens, areaM2, utilisation, maintenance }) =>
    fine({ lux: (lamps * lumens * utilisation * maintenance) / areaM2 }),
  steps: (_, v) => [`${fig(v.lux)} lx`],
});
