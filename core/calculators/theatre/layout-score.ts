import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { channelFit } from './levels.ts';

const seat = z.strictObject({
  azimuthDeg: z.number().describe('degrees, right positive'),
  elevationDeg: z.number().default(0),
  weight: z.number().min(0).describe('u: 1 reference, 0.6 same row, 0.4 other rows, 0.1 overflow'),
  reference: z.boolean().default(false),
  blocked: z.boolean().default(false).describe('the sight line is blocked'),
  partly: z.boolean().default(false).describe('only its Fresnel zone is cut'),
});

export const layoutChannels = calculator({
  name: 'layout-score',
  title: 'How well channels sit for the seats',
  topic: 'theatre',
  source: 'Trade practice: editable weights; a score ranks designs, it certifies nothing',
  formulaIds: ['F10.15'],
  valid: 'angles from each seat; windows of the chosen school',
  formulas: ['e = hypot(x1, x2), less 15° away from the reference seat', 'q = min(1, (e/20)²)', 'S = 100·(1 − Σ u·w·q/Σ u·w)'],
  input: z.strictObject({
    channels: z
      .array(
        z.strictObject({
          weight: z.number().min(0).describe('w: 3 front, 2 surround, 1.5 rear and top, 1 wide'),
          azimuthDeg: z.tuple([z.number(), z.number()]).describe('window, absolute, degrees'),
          elevationDeg: z.tuple([z.number(), z.number()]).default([-90, 90]).describe('window, degrees'),
          seats: z.array(seat).min(1).max(100),
        }),
      )
      .min(1)
      .max(64),
  }),
  example: {
    channels: [{ weight: 2, azimuthDeg: [85, 110], seats: [{ azimuthDeg: -95, weight: 1, reference: true }] }],
  },
  run: ({ channels }) => {
    let sum = 0;
    let all = 0;
    const each = channels.map(({ weight, azimuthDeg, elevationDeg, seats }) => {
      let [own, ownAll] = [0, 0];
      const q = seats.map((one) => {
        const value = channelFit(Math.abs(one.azimuthDeg), one.elevationDeg, azimuthDeg, elevationDeg, one);
        own += one.weight * value;
        ownAll += one.weight;
        return value;
      });
      sum += weight * own;
      all += weight * ownAll;
      return { q, score: ownAll === 0 ? null : 100 * (1 - own / ownAll) };
    });
    if (all === 0) return err('weights-zero', { kind: 'invalid', field: 'channels' });
    return ok({ score: 100 * (1 - sum / all), channels: each });
  },
  steps: (_, v) => [`S = ${fig(v.score)}`],
});
