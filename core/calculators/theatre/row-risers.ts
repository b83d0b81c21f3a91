import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const eyeRows = calculator({
  name: 'row-risers',
  title: 'Risers of rows of seats',
  topic: 'theatre',
  source: 'Geometry of sight lines',
  formulaIds: ['F9.5'],
  valid: 'straight rows; rises are rounded up to 10 mm for building',
  formulas: ['E = max(e, B + (E before + C − B)·D/D before)', 'r = E − e'],
  input: z.strictObject({
    bottomM: z.number().min(0).describe('m, lowest visible point of the picture'),
    eyeM: positive.default(1.07).describe('m, seated eye'),
    distancesM: z.array(positive).min(1).max(20).describe('m, of each row from the screen'),
    clearanceM: z.number().min(0).default(0.125).describe('m, of the eye ray over the head before it'),
  }),
  example: { bottomM: 0.7, distancesM: [3, 4.8] },
  run: ({ bottomM, eyeM, distancesM, clearanceM }) => {
    if (distancesM.some((d, k) => k > 0 && d <= distancesM[k - 1]))
      return err('rows-not-in-order', { kind: 'invalid', field: 'distancesM' });
    const eyesM: number[] = [eyeM];
    for (let k = 1; k < distancesM.length; k++)
      eyesM.push(Math.max(eyeM, bottomM + ((eyesM[k - 1] + clearanceM - bottomM) * distancesM[k]) / distancesM[k - 1]));
    const risersM = eyesM.map((one) => one - eyeM);
    return ok({ eyesM, risersM, builtM: risersM.map((one) => Math.ceil(one * 100 - 1e-9) / 100) });
  },
  steps: (_, v) => [`eyes ${v.eyesM.map(fig).join(', ')} m`, `risers ${v.risersM.map(fig).join(', ')} m`],
});
