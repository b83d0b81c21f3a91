import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

export const cascadeNoise = calculator({
  name: 'cascade-noise',
  title: 'Noise figure of stages one after the other',
  topic: 'coax',
  source: 'Physics: thermal noise',
  formulaIds: ['F5.6'],
  valid: 'stages matched; a loss has its own value as noise figure and a negative gain',
  formulas: ['F = F1 + (F2 − 1)/G1 + (F3 − 1)/(G1·G2) + …'],
  input: z.strictObject({
    stages: z
      .array(z.strictObject({ gainDb: z.number().describe('dB'), noiseFigureDb: z.number().min(0).describe('dB') }))
      .min(1)
      .max(20),
  }),
  example: { stages: [{ gainDb: 20, noiseFigureDb: 3 }] },
  run: ({ stages }) => {
    let factor = 0;
    let gain = 1;
    stages.forEach(({ gainDb, noiseFigureDb }, k) => {
      const own = 10 ** (noiseFigureDb / 10);
      factor += k === 0 ? own : (own - 1) / gain;
      gain *= 10 ** (gainDb / 10);
    });
    return ok({ noiseFactor: factor, noiseFigureDb: 10 * Math.log10(factor), gainDb: 10 * Math.log10(gain) });
  },
  steps: (_, v) => [`F = ${fig(v.noiseFactor)}, ${fig(v.noiseFigureDb)} dB`],
});
