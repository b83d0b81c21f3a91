import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

const EARTH_KM = 6371;
const RAD = Math.PI / 180;

const latitude = z.number().min(-90).max(90);
const longitude = z.number().min(-180).max(180);

export const transmitterBearing = calculator({
  name: 'transmitter-bearing',
  title: 'Bearing and distance of a transmitter',
  topic: 'coax',
  source: 'Geometry: a sphere of 6 371 km',
  formulaIds: ['F22.3'],
  valid: 'the shortest way over the sphere; the declination of the place is typed',
  formulas: ['θ = atan2(sin Δλ·cos φ2, cos φ1·sin φ2 − sin φ1·cos φ2·cos Δλ)', 'compass = θ − declination'],
  cautions: ['C5'],
  input: z.strictObject({
    latitudeDeg: latitude.describe('of the antenna, north positive'),
    longitudeDeg: longitude.describe('of the antenna, east positive'),
    toLatitudeDeg: latitude.describe('of the transmitter'),
    toLongitudeDeg: longitude.describe('of the transmitter'),
    declinationDeg: z.number().min(-180).max(180).default(0).describe('magnetic declination at the antenna, east positive'),
  }),
  example: { latitudeDeg: 52, longitudeDeg: 1, toLatitudeDeg: 52.5, toLongitudeDeg: 1.5 },
  run: ({ latitudeDeg, longitudeDeg, toLatitudeDeg, toLongitudeDeg, declinationDeg }) => {
    const [f1, f2, dl] = [latitudeDeg * RAD, toLatitudeDeg * RAD, (toLongitudeDeg - longitudeDeg) * RAD];
    const half = Math.sin((f2 - f1) / 2) ** 2 + Math.cos(f1) * Math.cos(f2) * Math.sin(dl / 2) ** 2;
    const distanceKm = 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(half)));
    if (distanceKm < 0.001) return err('same-place', { kind: 'invalid', field: 'toLatitudeDeg' });
    const theta = Math.atan2(
      Math.sin(dl) * Math.cos(f2),
      Math.cos(f1) * Math.sin(f2) - Math.sin(f1) * Math.cos(f2) * Math.cos(dl),
    );
    const trueDeg = (theta / RAD + 360) % 360;
    return ok({ trueDeg, compassDeg: (trueDeg - declinationDeg + 720) % 360, distanceKm });
  },
  steps: (_, v) => [`${fig(v.trueDeg)}° true, ${fig(v.compassDeg)}° by the compass`, `${fig(v.distanceKm)} km`],
});
