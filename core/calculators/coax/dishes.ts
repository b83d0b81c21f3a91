import { z } from 'zod';
import { atLeast, calculator, fig, outOfDomain } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';

const RAD = Math.PI / 180;
const EARTH_KM = 6378.137;
const ORBIT_KM = 42164.17;

export const lnbDrop = calculator({
  name: 'lnb-drop',
  title: 'Supply of a converter over coax',
  topic: 'coax',
  source: 'Trade practice; treat with care',
  valid: 'RG6; copper centre 21 ohm/km, clad steel 100 ohm/km, shield 20 to 30 ohm/km',
  formulas: ['ΔV = I·L·(r centre + r shield)', 'at the converter 12.5 V of 13 V, 17 V of 18 V'],
  input: z.strictObject({
    lengthM: z.number().min(0).describe('m'),
    currentA: z.number().min(0).max(2).default(0.25).describe('A, 0.1 to 0.25 a converter'),
    centre: z.enum(['copper', 'clad-steel']).default('copper'),
    shieldOhmPerKm: z.number().min(0).default(29.5).describe('ohm/km'),
    supplyV: z.union([z.literal(13), z.literal(18)]).default(18),
  }),
  run: ({ lengthM, currentA, centre, shieldOhmPerKm, supplyV }) => {
    const ohmPerKm = (centre === 'copper' ? 21 : 100) + shieldOhmPerKm;
    const dropV = (currentA * lengthM * ohmPerKm) / 1000;
    const leastV = supplyV === 13 ? 12.5 : 17;
    return fine({ ohmPerKm, dropV, loadV: supplyV - dropV, leastV, ok: atLeast(supplyV - dropV, leastV) });
  },
  steps: (_, v) => [`ΔV = ${fig(v.dropV)} V; ${fig(v.loadV)} V of ${v.leastV} V wanted`],
});

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
  run: ({ latitudeDeg, longitudeDeg, slotDeg }) => {
    if (Math.abs(latitudeDeg) > 90) return outOfDomain('latitudeDeg', latitudeDeg, -90, 90);
    for (const [field, value] of [
      ['longitudeDeg', longitudeDeg],
      ['slotDeg', slotDeg],
    ] as const)
      if (Math.abs(value) > 360) return outOfDomain(field, value, -180, 180);
    const phi = latitudeDeg * RAD;
    const delta = ((((slotDeg - longitudeDeg + 180) % 360) + 360) % 360) * RAD - Math.PI;
    const cosB = Math.cos(phi) * Math.cos(delta);
    const sinB = Math.sqrt(Math.max(0, 1 - cosB ** 2));
    const elevationDeg = Math.atan2(cosB - EARTH_KM / ORBIT_KM, sinB) / RAD;
    if (elevationDeg <= 0) return refuse('below-horizon', { kind: 'infeasible', field: 'slotDeg', elevationDeg });
    const under = Math.abs(phi) < 1e-12 && Math.abs(delta) < 1e-12;
    const azimuthDeg = under ? null : (Math.atan2(Math.sin(delta), -Math.sin(phi) * Math.cos(delta)) / RAD + 360) % 360;
    let skew = Math.atan2(-Math.sin(delta), Math.tan(phi)) / RAD;
    if (skew > 90) skew -= 180;
    if (skew < -90) skew += 180;
    return fine({
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

export const magneticBearing = calculator({
  name: 'magnetic-bearing',
  title: 'Compass bearing, and an obstacle in the line',
  topic: 'coax',
  source: 'Geometry; trade practice',
  formulaIds: ['F5.11'],
  valid: 'declination east positive',
  formulas: ['bearing = (true − declination) mod 360', 'el ≥ atan((h obstacle − h dish)/d) + 5°'],
  input: z.strictObject({
    trueDeg: z.number().describe('degrees'),
    declinationDeg: z.number().min(-180).max(180).describe('degrees, east positive'),
    elevationDeg: z.number().nullable().default(null).describe('degrees, of the line'),
    obstacleM: z.number().default(0).describe('m, height of the obstacle'),
    dishM: z.number().default(0).describe('m, height of the dish'),
    distanceM: z.number().gt(0).default(10).describe('m, to the obstacle'),
  }),
  run: ({ trueDeg, declinationDeg, elevationDeg, obstacleM, dishM, distanceM }) => {
    const obstacleDeg = Math.atan((obstacleM - dishM) / distanceM) / RAD;
    return fine({
      bearingDeg: (((trueDeg - declinationDeg) % 360) + 360) % 360,
      obstacleDeg,
      ok: elevationDeg === null ? null : atLeast(elevationDeg, obstacleDeg + 5),
    });
  },
  steps: (_, v) => [`${fig(v.bearingDeg)}°`],
});

export const dishGap = calculator({
  name: 'dish-gap',
  title: 'One dish behind another',
  topic: 'coax',
  source: 'Trade practice: 5 degrees over what stands before it',
  valid: 'both look the same way',
  formulas: ['d ≥ (z top of the front one − z bottom of the rear one)/tan el'],
  input: z.strictObject({
    frontTopM: z.number().describe('m'),
    rearBottomM: z.number().describe('m'),
    elevationDeg: z.number().describe('degrees'),
  }),
  run: ({ frontTopM, rearBottomM, elevationDeg }) => {
    if (elevationDeg <= 0 || elevationDeg > 90) return outOfDomain('elevationDeg', elevationDeg, 0, 90);
    return fine({ gapM: Math.max(0, (frontTopM - rearBottomM) / Math.tan(elevationDeg * RAD)) });
  },
  steps: (_, v) => [`${fig(v.gapM)} m`],
});
