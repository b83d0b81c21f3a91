import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';
import { soundSpeed } from './speed-of-sound.ts';

export const speakerDelay = calculator({
  name: 'speaker-delays',
  title: 'Delays and levels of speakers',
  topic: 'theatre',
  source: 'Acoustics',
  formulaIds: ['F10.2', 'F10.3'],
  valid: '20 °C unless said',
  formulas: ['delay = 1000·(d max − d)/c ms', 'trim = −20·log10(d max/d) dB'],
  input: z.strictObject({
    distancesM: z.array(positive).min(1).max(64).describe('m, of each speaker to the seat'),
    temperatureC: z.number().min(-20).max(60).default(20),
  }),
  example: { distancesM: [3, 2.5] },
  from: { temperatureC: null },
  run: ({ distancesM, temperatureC }) => {
    const speed = soundSpeed(temperatureC);
    const far = Math.max(...distancesM);
    return ok({
      speedMPerS: speed,
      delaysMs: distancesM.map((d) => (1000 * (far - d)) / speed),
      trimsDb: distancesM.map((d) => -20 * Math.log10(far / d)),
    });
  },
  steps: (_, v) => [`${v.delaysMs.map(fig).join(', ')} ms`, `${v.trimsDb.map(fig).join(', ')} dB`],
});
