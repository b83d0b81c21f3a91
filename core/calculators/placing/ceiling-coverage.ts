import { z } from 'zod';
import { calculator, fig, outOfDomain } from '../calculator.ts';
import { DEGREE_RAD, err, ok } from '../../math/index.ts';
import { discAndPitch, OVERLAPS, speakersAlong } from './ceiling-speakers.ts';

export const ceilingCoverage = calculator({
  name: 'ceiling-coverage',
  title: 'Ceiling speakers over a room',
  topic: 'placing',
  source: 'Geometry; trade practice',
  formulaIds: ['F8.2', 'F8.3'],
  valid: 'level ceiling; included angle to −6 dB at 2 to 8 kHz',
  formulas: ['D = 2·(H − h)·tan(θ/2)', 'pitch = D, D/√2 or D/2', 'nx = ⌈L/pitch⌉, ny = ⌈W/pitch⌉'],
  input: z.strictObject({
    ceilingM: z.number().gt(0).describe('m'),
    earM: z.number().gt(0).default(1).describe('m: 1.0 seated, 1.6 standing'),
    angleDeg: z.number().default(90).describe('degrees, included'),
    overlap: z.enum(OVERLAPS).default('minimum'),
    lengthM: z.number().gt(0).nullable().default(null).describe('m, of the room'),
    widthM: z.number().gt(0).nullable().default(null).describe('m, of the room'),
  }),
  example: { ceilingM: 2.74 },
  from: { lengthM: 'roomLengthM', widthM: 'roomWidthM' },
  run: ({ ceilingM, earM, angleDeg, overlap, lengthM, widthM }) => {
    if (ceilingM <= earM) return err('ceiling-not-above-ear', { kind: 'invalid', field: 'ceilingM', ceilingM, earM });
    if (angleDeg <= 0 || angleDeg >= 180) return outOfDomain('angleDeg', angleDeg, 0, 180);
    const { discM, pitchM } = discAndPitch(ceilingM, earM, angleDeg * DEGREE_RAD, overlap);
    const along = lengthM === null ? null : speakersAlong(lengthM, pitchM);
    const across = widthM === null ? null : speakersAlong(widthM, pitchM);
    return ok({
      discM,
      pitchM,
      along,
      across,
      speakers: along === null || across === null ? null : along * across,
      pitchAlongM: along === null ? null : lengthM! / along,
      pitchAcrossM: across === null ? null : widthM! / across,
    });
  },
  steps: (i, v) => [
    `D = 2 · (${fig(i.ceilingM)} − ${fig(i.earM)}) · tan(${fig(i.angleDeg / 2)}°) = ${fig(v.discM)} m`,
    `pitch ${fig(v.pitchM)} m`,
    ...(v.speakers === null ? [] : [`${v.along} × ${v.across} = ${v.speakers}`]),
  ],
});
