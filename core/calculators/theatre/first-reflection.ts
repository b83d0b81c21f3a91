import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { between, place } from './direction.ts';
import { SOUND_M_PER_S } from './speed-of-sound.ts';

/** Reflections as early and as strong as this are treated. */
const EARLY_MS = 15;
const STRONG_DB = -10;

export const firstReflection = calculator({
  name: 'first-reflection',
  title: 'Where a surface throws a speaker’s sound at a seat',
  topic: 'theatre',
  source: 'Mirror image; ITU-R BS.1116 for what is treated',
  formulaIds: ['F10.14'],
  valid: 'flat surfaces that are large against the wave',
  formulas: ['mirror the speaker, join it to the ear', 'later = (way − direct)/c', 'level = −20·log10(way/direct)'],
  input: z.strictObject({
    speaker: place,
    ear: place,
    axis: z.enum(['x', 'y', 'height']).describe('square to which axis the surface stands'),
    atM: z.number().min(-1000).max(1000).describe('m on that axis'),
  }),
  example: { speaker: [1, 5, 1], ear: [3, 2, 1], axis: 'x', atM: 0 },
  run: ({ speaker, ear, axis, atM }) => {
    const n = { x: 0, y: 1, height: 2 }[axis];
    const [a, b] = [speaker[n] - atM, ear[n] - atM];
    if (!(a * b > 0)) return err('not-on-one-side', { kind: 'invalid', field: 'atM' });
    const mirror: [number, number, number] = [...speaker];
    mirror[n] = 2 * atM - speaker[n];
    const { lengthM: directM } = between(speaker, ear);
    const { v, lengthM: wayM } = between(mirror, ear);
    if (!(directM > 1e-6) || !Number.isFinite(wayM)) return err('points-together', { kind: 'invalid', field: 'ear' });
    const share = a / (a + b);
    const laterMs = (1000 * (wayM - directM)) / SOUND_M_PER_S;
    const levelDb = -20 * Math.log10(wayM / directM);
    return ok({
      point: mirror.map((value, k) => value + v[k] * share),
      laterMs,
      levelDb,
      treat: laterMs <= EARLY_MS && levelDb >= STRONG_DB,
    });
  },
  steps: (_, v) => [`at ${v.point.map(fig).join(', ')} m: ${fig(v.laterMs)} ms later, ${fig(v.levelDb)} dB`],
});
