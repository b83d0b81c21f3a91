import { z } from 'zod';
import { DEGREE_RAD, err, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { between, place } from './direction.ts';

export const speakerAim = calculator({
  name: 'speaker-aim',
  title: 'How far a speaker is turned and tilted to a seat',
  topic: 'theatre',
  source: 'Geometry',
  valid: 'any speaker; turned from square to its wall, to the right as seen from behind it positive',
  formulas: ['bearing = atan2(v x, v y)', 'turn = bearing − bearing of the wall', 'tilt = atan2(v up, hypot)'],
  input: z.strictObject({
    speaker: place,
    target: place,
    wallBearingDeg: z.number().min(-360).max(360).describe('degrees: where it points square to its wall'),
  }),
  example: { speaker: [0.5, 5, 1.2], target: [3, 2, 1], wallBearingDeg: 180 },
  run: ({ speaker, target, wallBearingDeg }) => {
    const { v, lengthM } = between(speaker, target);
    if (!(lengthM > 1e-6) || !Number.isFinite(lengthM)) return err('points-together', { kind: 'invalid', field: 'target' });
    const bearingDeg = Math.atan2(v[0], v[1]) / DEGREE_RAD;
    const turn = (((bearingDeg - wallBearingDeg) % 360) + 360) % 360;
    return ok({
      bearingDeg: (bearingDeg + 360) % 360,
      turnDeg: turn > 180 ? turn - 360 : turn,
      tiltDeg: Math.atan2(v[2], Math.hypot(v[0], v[1])) / DEGREE_RAD,
      distanceM: lengthM,
    });
  },
  steps: (_, v) => [`turned ${fig(v.turnDeg)}°, tilted ${fig(v.tiltDeg)}°`],
});
