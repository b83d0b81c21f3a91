import { z } from 'zod';
import { ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { SOUND_M_PER_S } from './speed-of-sound.ts';

/** Nearer or farther than this the notch does little harm, m. */
const NEAR_M = 0.3;
const FAR_M = 1.5;

export const boundaryNotch = calculator({
  name: 'boundary-notch',
  title: 'Notch by the wall behind a speaker',
  topic: 'theatre',
  source: 'Acoustics; distances by trade practice',
  formulaIds: ['F10.10'],
  valid: 'one hard wall square to the way of the sound; flush speakers have none',
  formulas: ['notch = c/(4·d)', 'peak = c/(2·d)'],
  input: z.strictObject({ distanceM: z.number().min(0).max(50).describe('m, driver to wall') }),
  example: { distanceM: 0.6 },
  run: ({ distanceM }) => {
    const isFlush = distanceM < 1e-3;
    return ok({
      notchHz: isFlush ? null : SOUND_M_PER_S / (4 * distanceM),
      peakHz: isFlush ? null : SOUND_M_PER_S / (2 * distanceM),
      ok: isFlush || distanceM < NEAR_M || distanceM > FAR_M,
    });
  },
  steps: (_, v) => [v.notchHz === null ? 'flush: no notch' : `notch at ${fig(v.notchHz)} Hz, peak at ${fig(v.peakHz!)} Hz`],
});
