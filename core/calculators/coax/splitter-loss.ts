import { SATELLITE_MHZ } from './coax-loss.ts';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { PASSIVES } from './passives.ts';
import { z } from 'zod';

export const splitterLoss = calculator({
  name: 'splitter-loss',
  title: 'Loss of a splitter',
  topic: 'coax',
  source: 'Trade practice',
  formulaIds: ['F5.3'],
  valid: 'ideal split, and 0.5 to 1 dB more for each binary stage',
  formulas: ['ideal = 10·log10(N)', 'real = ideal + 0.5 to 1 dB · ⌈log2 N⌉'],
  input: z.strictObject({
    outputs: z.int().min(1).max(64),
    frequencyMhz: z.number().gt(0).max(SATELLITE_MHZ).default(1000),
  }),
  example: { outputs: 4 },
  run: ({ outputs, frequencyMhz }) => {
    const idealDb = 10 * Math.log10(outputs);
    const stages = Math.ceil(Math.log2(outputs) - 1e-9);
    const table = PASSIVES[`splitter-${outputs}`];
    const plannedDb = outputs === 1 ? 0 : table ? table[frequencyMhz > 1002 ? 1 : 0] : idealDb + stages;
    return ok({ idealDb, leastDb: idealDb + 0.5 * stages, mostDb: idealDb + stages, plannedDb });
  },
  steps: ({ outputs }, v) => [`10·log10(${outputs}) = ${fig(v.idealDb)} dB; planned ${fig(v.plannedDb)} dB`],
});
