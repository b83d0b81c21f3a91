import { z } from 'zod';
import { err, ok, type Outcome } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';

export const speakerLoadInput = z.strictObject({
  loadsOhm: z.array(z.number().gt(0)).max(200).describe('ohm, nominal impedance of each speaker'),
  wiring: z.enum(['parallel', 'series']),
  amplifierLeastOhm: z.number().gt(0).describe('ohm, least load that the amplifier allows'),
});
export type SpeakerLoadInput = z.input<typeof speakerLoadInput>;

export interface SpeakerLoadResult {
  /** Seen by the amplifier, ohm; null is an open circuit (no speakers). */
  readonly loadOhm: number | null;
  readonly marginFraction: number | null;
}

/**
 * Answers: what load do several speakers make together, and does the amplifier allow it?
 * Units: ohm.
 * Formula and source: F2.7 parallel 1/Z = sum 1/Zi, series Z = sum Zi; Z >= the amplifier's least load.
 * Valid: nominal, resistive loads. No speakers is an open circuit, not an error.
 * Problems: `prohibited` where the amplifier would be overloaded.
 */
export function speakerLoad(given: SpeakerLoadInput): Outcome<SpeakerLoadResult> {
  const { loadsOhm, wiring, amplifierLeastOhm: amplifierMinOhm } = speakerLoadInput.parse(given);
  if (loadsOhm.length === 0) return ok({ loadOhm: null, marginFraction: null });
  const loadOhm = wiring === 'series' ? loadsOhm.reduce((sum, z) => sum + z, 0) : 1 / loadsOhm.reduce((sum, z) => sum + 1 / z, 0);
  if (loadOhm < amplifierMinOhm * (1 - 1e-9)) {
    return err('amplifier-overloaded', { kind: 'prohibited', field: 'loadsOhm', loadOhm, amplifierLeastOhm: amplifierMinOhm });
  }
  return ok({ loadOhm, marginFraction: loadOhm / amplifierMinOhm - 1 });
}

export const speakerLoadCalculator = calculator({
  name: 'speaker-load',
  title: 'Load of several speakers on one amplifier',
  topic: 'speakers',
  source: 'Circuit theory',
  formulaIds: ['F2.7'],
  valid: 'nominal, resistive loads',
  formulas: ['parallel: 1/Z = Σ1/Zi', 'series: Z = ΣZi'],
  cautions: ['C2'],
  input: speakerLoadInput,
  example: { loadsOhm: [8, 8], wiring: 'parallel', amplifierLeastOhm: 4 },
  run: speakerLoad,
  steps: (i, v) => [v.loadOhm === null ? 'open circuit' : `Z = ${fig(v.loadOhm)} Ω, at least ${fig(i.amplifierLeastOhm)} Ω`],
});
