import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

export const speakerNetwork = calculator({
  name: 'speaker-network',
  title: 'Speakers in series and parallel on one amplifier',
  topic: 'speakers',
  source: 'Circuit theory',
  valid: 'nominal, resistive loads; each string in series, strings in parallel',
  formulas: ['string: Z = ΣZi', 'strings: 1/Z = Σ1/Zs'],
  cautions: ['C2'],
  input: z.strictObject({
    stringsOhm: z
      .array(z.array(z.number().gt(0)).max(50))
      .max(50)
      .describe('ohm: strings in parallel, each a list of speakers in series'),
    amplifierLeastOhm: z.number().gt(0).describe('ohm, least load that the amplifier allows'),
  }),
  example: { stringsOhm: [[8, 8], [8]], amplifierLeastOhm: 4 },
  run: ({ stringsOhm, amplifierLeastOhm: amplifierMinOhm }) => {
    const strings = stringsOhm.filter((one) => one.length > 0).map((one) => one.reduce((sum, z) => sum + z, 0));
    // No load is an open circuit, not an error.
    if (strings.length === 0) return ok({ loadOhm: null as number | null, strings, marginFraction: null as number | null });
    const loadOhm = 1 / strings.reduce((sum, z) => sum + 1 / z, 0);
    if (!atLeast(loadOhm, amplifierMinOhm))
      return err('amplifier-overloaded', {
        kind: 'prohibited',
        field: 'stringsOhm',
        loadOhm,
        amplifierLeastOhm: amplifierMinOhm,
      });
    return ok({ loadOhm, strings, marginFraction: loadOhm / amplifierMinOhm - 1 });
  },
  steps: (_, { strings, loadOhm }) => [
    strings.map((z) => `${fig(z)} Ω`).join(' ∥ '),
    loadOhm === null ? 'open circuit' : `Z = ${fig(loadOhm)} Ω`,
  ],
});
