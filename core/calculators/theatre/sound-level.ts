import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { level, oneWatt } from './levels.ts';
import { positive } from '../fields.ts';

export const soundLevel = calculator({
  name: 'sound-level',
  title: 'Level of a speaker at a seat',
  topic: 'theatre',
  source: 'Acoustics',
  formulaIds: ['F10.5'],
  valid: 'direct field',
  formulas: ['S1W = S2.83V − 10·log10(8/Z)', 'SPL = S1W + 10·log10(P) − 20·log10(r) + G'],
  cautions: ['C14'],
  input: z.strictObject({ ...level, powerW: positive.describe('W'), distanceM: positive.describe('m') }),
  example: { sensitivityDb: 88, powerW: 100, distanceM: 4 },
  run: ({ sensitivityDb, impedanceOhm, gainDb, powerW, distanceM }) => {
    const oneWattDb = oneWatt(sensitivityDb, impedanceOhm);
    return ok({ oneWattDb, levelDb: oneWattDb + 10 * Math.log10(powerW) - 20 * Math.log10(distanceM) + gainDb });
  },
  steps: (_, v) => [`S1W = ${fig(v.oneWattDb)} dB`, `SPL = ${fig(v.levelDb)} dB`],
});
