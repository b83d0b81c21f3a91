import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

export const amplifierOutput = calculator({
  name: 'amplifier-output',
  title: 'Output of an amplifier for several channels',
  topic: 'coax',
  source: 'EN 60728-3 type, trade practice',
  formulaIds: ['F5.5'],
  valid: 'two channels and more; put it before losses, never to revive a poor signal',
  formulas: ['Umax(n) = Umax − 7.5·log10(n − 1)'],
  input: z.strictObject({
    ratedDbuv: z.number().describe('dBuV, rated output for two channels'),
    channels: z.int().min(1).max(300),
    wantedDbuv: z.number().nullable().default(null).describe('dBuV, output that is wanted'),
  }),
  example: { ratedDbuv: 110, channels: 20 },
  run: ({ ratedDbuv, channels, wantedDbuv }) => {
    const maxDbuv = channels < 2 ? ratedDbuv : ratedDbuv - 7.5 * Math.log10(channels - 1);
    return ok({ mostDbuv: maxDbuv, ok: wantedDbuv === null ? null : wantedDbuv <= maxDbuv + 1e-9 });
  },
  steps: (i, v) => [`${fig(i.ratedDbuv)} − 7.5·log10(${i.channels - 1}) = ${fig(v.mostDbuv)} dBµV`],
});
