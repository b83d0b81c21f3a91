import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

export const volumeControl = calculator({
  name: 'volume-control',
  title: 'Impedance setting of in-line volume controls',
  topic: 'speakers',
  source: 'Trade practice: the setting that keeps the load over the least of the amplifier',
  valid: 'impedance-multiplying controls with the same setting on each',
  formulas: ["Z' = m·Z", 'Z = 1/Σ(1/(m·Zi))', 'loss at full ≈ 10·log10(m) + 0.5 dB'],
  cautions: ['C2'],
  input: z.strictObject({
    loadsOhm: z.array(z.number().gt(0)).max(60).describe('ohm, speakers behind each control, as the control sees them'),
    amplifierLeastOhm: z.number().gt(0).describe('ohm, least load that the amplifier allows'),
  }),
  example: { loadsOhm: [8, 8, 8], amplifierLeastOhm: 8 },
  run: ({ loadsOhm, amplifierLeastOhm: amplifierMinOhm }) => {
    if (loadsOhm.length === 0) return ok({ setting: 1, loadOhm: null as number | null, lossDb: 0.5 });
    const at = (m: number) => 1 / loadsOhm.reduce((sum, z) => sum + 1 / (m * z), 0);
    const setting = [1, 2, 4, 8, 16].find((m) => atLeast(at(m), amplifierMinOhm));
    if (setting === undefined)
      return err('volume-control-none', {
        kind: 'infeasible',
        field: 'loadsOhm',
        loadOhm: at(16),
        amplifierLeastOhm: amplifierMinOhm,
      });
    return ok({ setting, loadOhm: at(setting), lossDb: 10 * Math.log10(setting) + 0.5 });
  },
  steps: (_, { setting, loadOhm, lossDb }) => [
    `m = ${setting}: Z = ${loadOhm === null ? 'open' : `${fig(loadOhm)} Ω`}`,
    `10·log10(${setting}) + 0.5 = ${fig(lossDb)} dB`,
  ],
});
