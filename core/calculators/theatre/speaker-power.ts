import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { level, oneWatt } from './levels.ts';
import { positive } from '../fields.ts';

export const speakerPower = calculator({
  name: 'speaker-power',
  title: 'Power for a level at a seat',
  topic: 'theatre',
  source: 'Acoustics',
  formulaIds: ['F10.6'],
  valid: 'direct field; 2 dB for warm voice coils by practice',
  formulas: ['P = 10^((SPL + 20·log10(r) − S1W − G + comp)/10)'],
  cautions: ['C14'],
  input: z.strictObject({
    ...level,
    targetDb: z.number().min(0).max(140),
    distanceM: positive.describe('m'),
    compressionDb: z.number().min(0).default(2),
    mostW: positive.nullable().default(null).describe('W, of the speaker or amplifier, the lesser'),
  }),
  example: { sensitivityDb: 88, targetDb: 95, distanceM: 4 },
  run: ({ sensitivityDb, impedanceOhm, gainDb, targetDb, distanceM, compressionDb, mostW: maxW }) => {
    const neededW =
      10 ** ((targetDb + 20 * Math.log10(distanceM) - oneWatt(sensitivityDb, impedanceOhm) - gainDb + compressionDb) / 10);
    if (maxW !== null && !atMost(neededW, maxW))
      return err('power-short', {
        kind: 'infeasible',
        field: 'targetDb',
        neededW,
        mostW: maxW,
        shortDb: 10 * Math.log10(neededW / maxW),
      });
    return ok({ neededW });
  },
  steps: (_, v) => [`${fig(v.neededW)} W`],
});
