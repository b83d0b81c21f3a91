import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { instant, instantOf, judge, site, sunAt } from './sun.ts';

export const sunPosition = calculator({
  name: 'sun-position',
  title: 'Where the sun stands',
  topic: 'shades',
  source: 'Low-precision series for the position of the sun',
  formulaIds: ['F14.7'],
  valid: '1950 to 2050; good to 0.02 degrees below 60 degrees of latitude',
  formulas: ['declination, equation of time, hour angle, altitude, azimuth of F14.7'],
  input: z.strictObject({ ...site, at: instant }),
  example: { latitudeDeg: 40, longitudeDeg: -105, at: '2026-06-21T18:00:00Z' },
  run: ({ at, ...where }) => {
    const when = instantOf(at);
    if (!when) return err('instant-invalid', { kind: 'invalid', field: 'at' });
    const judged = judge(where, when.year);
    return judged.ok ? ok(sunAt(where.latitudeDeg, where.longitudeDeg, when)) : judged;
  },
  steps: (_, v) => [`altitude ${fig(v.altitudeDeg)}°, azimuth ${fig(v.azimuthDeg)}°`],
});
