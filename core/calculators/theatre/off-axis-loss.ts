import { z } from 'zod';
import { DEGREE_RAD, err, ok } from '../../math/index.ts';
import { atMost, calculator, fig } from '../calculator.ts';
import { between, place, pointing } from './direction.ts';

/** Beyond so many half angles the figure says nothing. */
const FARTHEST_HALVES = 1.5;

export const offAxisLoss = calculator({
  name: 'off-axis-loss',
  title: 'Loss of a speaker beside its axis',
  topic: 'theatre',
  source: 'Geometry; loss for planning by trade practice',
  formulaIds: ['F10.1'],
  valid: 'up to 1.5 half angles; 4 to 8 kHz',
  formulas: ['angle = atan2(|axis × v|, axis·v)', 'loss = 6·(angle/half angle)² dB'],
  input: z.strictObject({
    speaker: place,
    ear: place,
    bearingDeg: z.number().min(-360).max(360).describe('degrees clockwise from up the plan: where its axis points'),
    tiltDeg: z.number().min(-90).max(90).default(0).describe('degrees, up positive'),
    halfAngleDeg: z.number().gt(0).max(90).default(45).describe('degrees, half of the included angle of −6 dB'),
  }),
  example: { speaker: [0, 5, 1], ear: [1.5, 2, 1], bearingDeg: 180 },
  run: ({ speaker, ear, bearingDeg, tiltDeg, halfAngleDeg }) => {
    const { v, lengthM } = between(speaker, ear);
    if (!(lengthM > 1e-6) || !Number.isFinite(lengthM)) return err('points-together', { kind: 'invalid', field: 'ear' });
    const axis = pointing(bearingDeg, tiltDeg);
    const along = v.reduce((sum, one, n) => sum + one * axis[n], 0);
    const aside = Math.hypot(v[1] * axis[2] - v[2] * axis[1], v[2] * axis[0] - v[0] * axis[2], v[0] * axis[1] - v[1] * axis[0]);
    const angleDeg = Math.atan2(aside, along) / DEGREE_RAD;
    const isKnown = atMost(angleDeg, FARTHEST_HALVES * halfAngleDeg);
    const lossDb = isKnown ? 6 * (angleDeg / halfAngleDeg) ** 2 : null;
    return ok({
      angleDeg,
      lossDb,
      okMains: lossDb !== null && atMost(lossDb, 3),
      okSurrounds: lossDb !== null && atMost(lossDb, 6),
    });
  },
  steps: (_, v) => [`${fig(v.angleDeg)}° beside its axis: ${v.lossDb === null ? 'more than 13.5 dB' : `${fig(v.lossDb)} dB`}`],
});
