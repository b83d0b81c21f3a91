import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

export const patchCords = calculator({
  name: 'patch-cords',
  title: 'Longer cords on a shorter link',
  topic: 'data',
  source: 'ANSI/TIA-568 open office',
  formulaIds: ['F3.1'],
  valid: 'horizontal length to 90 m, stranded cords of 24 or 26 AWG',
  formulas: ['C = (102 − H)/(1 + D)', 'W = C − T', 'D = 0.2, T = 5 m (24 AWG); D = 0.5, T = 4 m (26 AWG)'],
  input: z.strictObject({
    horizontalM: z.number().min(0).describe('m, permanent link'),
    cordAwg: z
      .union([z.literal(24), z.literal(26)])
      .default(24)
      .describe('AWG of the cords'),
  }),
  example: { horizontalM: 80 },
  run: ({ horizontalM, cordAwg }) => {
    if (!atMost(horizontalM, 90))
      return err('link-too-long', { kind: 'prohibited', field: 'horizontalM', lengthM: horizontalM, longestM: 90 });
    const [more, rackM, maxM] = cordAwg === 24 ? [0.2, 5, 22] : [0.5, 4, 17];
    const cordsM = (102 - horizontalM) / (1 + more);
    const workAreaM = Math.min(maxM, cordsM - rackM);
    return ok({ cordsM, workAreaM, mostWorkAreaM: maxM, rackCordsM: rackM });
  },
  steps: ({ horizontalM, cordAwg }, v) => [
    `C = (102 − ${fig(horizontalM)})/${cordAwg === 24 ? 1.2 : 1.5} = ${fig(v.cordsM)} m`,
    `W = ${fig(v.cordsM)} − ${v.rackCordsM} → ${fig(v.workAreaM)} m (to ${v.mostWorkAreaM} m)`,
  ],
});
