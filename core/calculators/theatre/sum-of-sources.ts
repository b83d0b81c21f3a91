import { z } from 'zod';
import { ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';

export const sumOfSources = calculator({
  name: 'sum-of-sources',
  title: 'Level of several sources together',
  topic: 'theatre',
  source: 'Acoustics',
  valid: 'different sounds add by power; the same sound in step adds by pressure',
  formulas: ['different: 10·log10(Σ 10^(L/10))', 'the same, in step: 20·log10(Σ 10^(L/20))'],
  cautions: ['C14'],
  input: z.strictObject({ levelsDb: z.array(z.number().min(-100).max(200)).min(1).max(64).describe('dB at the seat') }),
  example: { levelsDb: [85, 85] },
  run: ({ levelsDb }) => {
    const sum = (per: number) => per * Math.log10(levelsDb.reduce((total, level) => total + 10 ** (level / per), 0));
    return ok({ differentDb: sum(10), inStepDb: sum(20) });
  },
  steps: (_, v) => [`different ${fig(v.differentDb)} dB, in step ${fig(v.inStepDb)} dB`],
});
