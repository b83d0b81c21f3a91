import { z } from 'zod';
import { DEGREE_RAD, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';
import { SOUND_M_PER_S } from './speed-of-sound.ts';

/** Bessel function of the first kind and order, by its integral. */
function bessel1(x: number): number {
  const steps = 2 * Math.ceil(64 + Math.abs(x));
  let sum = 0;
  for (let n = 0; n <= steps; n++) {
    const t = (Math.PI * n) / steps;
    const weight = n === 0 || n === steps ? 1 : n % 2 === 1 ? 4 : 2;
    sum += weight * Math.cos(t - x * Math.sin(t));
  }
  return sum / (3 * steps);
}

/** Less than this is a null of the pattern. */
const NULL_SHARE = 1e-4;

export const pistonBeaming = calculator({
  name: 'piston-beaming',
  title: 'How a driver narrows its sound',
  topic: 'theatre',
  source: 'Acoustics: round piston in a wall',
  valid: 'one round driver flush in a large wall',
  formulas: ['x = 2π·f/c·a·sin θ', 'share = 2·J1(x)/x'],
  input: z.strictObject({
    diameterM: positive.max(1).describe('m, of what moves'),
    frequencyHz: z.number().min(20).max(20_000).describe('Hz'),
    angleDeg: z.number().min(0).max(90).describe('degrees beside its axis'),
  }),
  example: { diameterM: 0.13, frequencyHz: 4000, angleDeg: 30 },
  run: ({ diameterM, frequencyHz, angleDeg }) => {
    const x = ((2 * Math.PI * frequencyHz) / SOUND_M_PER_S) * (diameterM / 2) * Math.sin(angleDeg * DEGREE_RAD);
    const share = x < 1e-6 ? 1 : Math.abs((2 * bessel1(x)) / x);
    return ok({ x, share, lossDb: share < NULL_SHARE ? null : -20 * Math.log10(share) });
  },
  steps: (_, v) => [`x = ${fig(v.x)}: ${v.lossDb === null ? 'a null of the pattern' : `${fig(v.lossDb)} dB`}`],
});
