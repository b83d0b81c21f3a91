import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { DEGREE_RAD, ok } from '../../math/index.ts';

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
  example: { trueDeg: 162, declinationDeg: 2 },
  run: ({ trueDeg, declinationDeg, elevationDeg, obstacleM, dishM, distanceM }) => {
    const obstacleDeg = Math.atan((obstacleM - dishM) / distanceM) / DEGREE_RAD;
    return ok({
      bearingDeg: (((trueDeg - declinationDeg) % 360) + 360) % 360,
      obstacleDeg,
      ok: elevationDeg === null ? null : atLeast(elevationDeg, obstacleDeg + 5),
    });
  },
  steps: (_, v) => [`${fig(v.bearingDeg)}°`],
});
