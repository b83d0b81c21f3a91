import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { GRAVITY, ok } from '../../math/index.ts';

export const seismicForce = calculator({
  name: 'seismic-force',
  title: 'Seismic force, for screening',
  topic: 'structure',
  source: 'ASCE/SEI 7-10 and 7-16; the design is the engineer’s',
  valid: 'screening only',
  formulas: ['Fp = 0.4·ap·SDS·Wp·(1 + 2·z/h)/(Rp/Ip)', '0.3·SDS·Ip·Wp ≤ Fp ≤ 1.6·SDS·Ip·Wp'],
  cautions: ['C7'],
  input: z.strictObject({
    massKg: z.number().min(0),
    sds: z.number().min(0).max(5).describe('design acceleration, g'),
    ap: z.number().min(1).max(2.5).default(2.5),
    rp: z.number().min(1).max(12).default(2.5),
    ip: z.number().min(1).max(1.5).default(1),
    heightShare: z.number().min(0).max(1).default(1).describe('z/h'),
  }),
  example: { massKg: 30, sds: 1 },
  run: ({ massKg, sds, ap, rp, ip, heightShare }) => {
    const weightN = massKg * GRAVITY;
    const plainN = (0.4 * ap * sds * weightN * (1 + 2 * heightShare)) / (rp / ip);
    const [minN, maxN] = [0.3 * sds * ip * weightN, 1.6 * sds * ip * weightN];
    return ok({ plainN, leastN: minN, mostN: maxN, forceN: Math.min(maxN, Math.max(minN, plainN)) });
  },
  steps: (_, v) => [`Fp = ${fig(v.forceN)} N (${fig(v.leastN)} to ${fig(v.mostN)} N)`],
});
