import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

export const mastSpacing = calculator({
  name: 'aerial-spacing',
  title: 'Distance between antennas, and from power lines',
  topic: 'coax',
  source: 'Trade practice',
  valid: 'antennas on the same band; a mast that may fall',
  formulas: ['λ = 300/f m; one wavelength of the lowest frequency, half at the least', 'power lines: mast + antenna + 3 m'],
  cautions: ['C5', 'C6', 'C18'],
  input: z.strictObject({
    lowestMhz: z.number().gt(0).describe('MHz'),
    apartM: z.number().min(0).nullable().default(null).describe('m, between the antennas'),
    mastM: z.number().min(0).default(0).describe('m, mast with its antenna'),
    lineDistanceM: z.number().min(0).nullable().default(null).describe('m, to the nearest power line'),
  }),
  example: { lowestMhz: 470 },
  run: ({ lowestMhz, apartM, mastM, lineDistanceM }) => {
    const wavelengthM = 300 / lowestMhz;
    const fallM = mastM + 3;
    if (lineDistanceM !== null && !atLeast(lineDistanceM, fallM))
      return err('mast-near-line', { kind: 'prohibited', field: 'lineDistanceM', lineDistanceM, fallM });
    return ok({ wavelengthM, leastM: wavelengthM / 2, fallM, ok: apartM === null ? null : atLeast(apartM, wavelengthM) });
  },
  steps: ({ lowestMhz }, v) => [`λ = 300/${fig(lowestMhz)} = ${fig(v.wavelengthM)} m`, `clear of lines by ${fig(v.fallM)} m`],
});
