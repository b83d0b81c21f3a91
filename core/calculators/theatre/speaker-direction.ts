import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { directionOf, place } from './direction.ts';

export const speakerDirection = calculator({
  name: 'speaker-direction',
  title: 'Direction of a speaker from a seat',
  topic: 'theatre',
  source: 'Geometry; to the right positive, which ITU-R BS.2051 counts the other way',
  formulaIds: ['F0.1', 'F0.2'],
  valid: 'any speaker that is not at the ear itself',
  formulas: ['azimuth = atan2(v·right, v·ahead)', 'elevation = atan2(v up, hypot)', 'overhead = atan2(v up, v·ahead)'],
  input: z.strictObject({
    ear: place,
    facingDeg: z.number().min(-360).max(360).default(0).describe('degrees clockwise from up the plan'),
    speaker: place,
  }),
  example: { ear: [3, 2, 1], speaker: [1, 5.464, 1] },
  run: ({ ear, facingDeg, speaker }) => {
    const direction = directionOf(ear, facingDeg, speaker);
    return direction ? ok(direction) : err('points-together', { kind: 'invalid', field: 'speaker' });
  },
  steps: (_, v) => [`azimuth ${fig(v.azimuthDeg)}°, elevation ${fig(v.elevationDeg)}°, ${fig(v.distanceM)} m`],
});
