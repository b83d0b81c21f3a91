import { z } from 'zod';
import { calculator, fig, outOfDomain } from '../calculator.ts';
import { DEGREE_RAD, err, ok } from '../../math/index.ts';

const EARTH_KM = 6378.137;

const ORBIT_KM = 42164.17;

export const dishAim = calculator({
  name: 'dish-aim',
  title: 'Where a dish looks',
  topic: 'coax',
  source: 'Geometry of the geostationary orbit',
  formulaIds: ['F5.9', 'F5.10'],
  valid: 'geostationary orbit; latitude north and longitude east positive; warn below 10 degrees of elevation',
  formulas: [
    'cos B = cos φ·cos δ',
    'el = atan2(cos B − 0.151269, sin B)',
    'az = atan2(sin δ, −sin φ·cos δ)',
    'skew = atan2(−sin δ, tan φ)',
  ],
  cautions: ['C5', 'C18'],
  input: z.strictObject({
    latitudeDeg: z.number().describe('degrees, north positive'),
    longitudeDeg: z.number().describe('degrees, east positive'),
    slotDeg: z.number().describe('degrees, longitude of the orbit slot, east positive'),
  }),
  example: { latitudeDeg: 45, longitudeDeg: 0, slotDeg: 13 },
  run: ({ latitudeDeg, longitudeDeg, slotDeg }) => {
    if (Math.abs(latitudeDeg) > 90) return outOfDomain('latitudeDeg', latitudeDeg, -90, 90);
    for (const [field, value] of [
      ['longitudeDeg', longitudeDeg],
      ['slotDeg', slotDeg],
    ] as const)
      if (Math.abs(value) > 360) return outOfDomain(field, value, -180, 180);
    const phi = latitudeDeg * DEGREE_RAD;
    const delta = ((((slotDeg - longitudeDeg + 180) % 360) + 360) % 360) * DEGREE_RAD - Math.PI;
    const cosB = Math.cos(phi) * Math.cos(delta);
    const sinB = Math.sqrt(Math.max(0, 1 - cosB ** 2));
    const elevationDeg = Math.atan2(cosB - EARTH_KM / ORBIT_KM, sinB) / DEGREE_RAD;
    if (elevationDeg <= 0) return err('below-horizon', { kind: 'infeasible', field: 'slotDeg', elevationDeg });
    const under = Math.abs(phi) < 1e-12 && Math.abs(delta) < 1e-12;
    const azimuthDeg = under ? null : (Math.atan2(Math.sin(delta), -Math.sin(phi) * Math.cos(delta)) / DEGREE_RAD + 360) % 360;
    let skew = Math.atan2(-Math.sin(delta), Math.tan(phi)) / DEGREE_RAD;
    if (skew > 90) skew -= 180;
    if (skew < -90) skew += 180;
    return ok({
      azimuthDeg,
      elevationDeg,
      skewDeg: under ? 0 : skew,
      rangeKm: Math.sqrt(EARTH_KM ** 2 + ORBIT_KM ** 2 - 2 * EARTH_KM * ORBIT_KM * cosB),
      ok: elevationDeg >= 10,
    });
  },
  steps: (_, v) => [
    `az ${v.azimuthDeg === null ? 'any' : `${fig(v.azimuthDeg)}°`}, el ${fig(v.elevationDeg)}°, skew ${fig(v.skewDeg)}°`,
  ],
});
