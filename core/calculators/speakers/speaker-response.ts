import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

export const speakerResponse = calculator({
  name: 'speaker-response',
  title: 'What a cable does to the response of a speaker',
  topic: 'speakers',
  source: 'IEC 60268-5: least impedance 0.8 of nominal',
  formulaIds: ['F2.6'],
  valid: 'worst case between the least and the greatest impedance',
  formulas: ['error = 20·log10((Zmin + R)/Zmin) − 20·log10((Zmax + R)/Zmax)'],
  input: z
    .strictObject({
      loopOhm: z.number().min(0).describe('ohm, both conductors of the cable'),
      leastOhm: z.number().gt(0).describe('ohm, least impedance of the speaker'),
      greatestOhm: z.number().gt(0).describe('ohm, greatest impedance of the speaker'),
    })
    .refine((i) => i.greatestOhm >= i.leastOhm, { path: ['greatestOhm'], message: 'is below the least' }),
  example: { loopOhm: 0.2, leastOhm: 6.4, greatestOhm: 30 },
  run: ({ loopOhm, leastOhm: minOhm, greatestOhm }) => {
    const loss = (z: number) => 20 * Math.log10((z + loopOhm) / z);
    const errorDb = loss(minOhm) - loss(greatestOhm);
    return ok({
      lossAtLeastDb: loss(minOhm),
      lossAtGreatestDb: loss(greatestOhm),
      errorDb,
      limitDb: 0.5,
      ok: atMost(errorDb, 0.5),
    });
  },
  steps: (_, v) => [`${fig(v.lossAtLeastDb)} dB − ${fig(v.lossAtGreatestDb)} dB = ${fig(v.errorDb)} dB (to 0.5 dB)`],
});
