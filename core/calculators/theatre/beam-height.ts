import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { atLeast, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

export const beamHeight = calculator({
  name: 'beam-height',
  title: 'How high a beam must be to stand clear of a speaker',
  topic: 'theatre',
  source: 'Geometry of sight lines',
  valid: 'a beam across the line from the speaker to the ear; the face nearer the higher end governs',
  formulas: ['needed = z speaker + (z ear − z speaker)·t at both faces'],
  cautions: ['C3'],
  input: z.strictObject({
    speakerM: z.number().min(0).max(20).describe('m, height of the speaker'),
    earM: z.number().min(0).max(20).default(1).describe('m, height of the ear'),
    distanceM: positive.max(100).describe('m on the plan, from speaker to ear'),
    nearFaceM: z.number().min(0).max(100).describe('m on the plan, from the speaker to the first face'),
    farFaceM: z.number().min(0).max(100).describe('m on the plan, from the speaker to the second face'),
    undersideM: z.number().min(0).max(20).describe('m, height of the underside of the beam'),
  }),
  example: { speakerM: 2.2, earM: 1, distanceM: 4, nearFaceM: 1.8, farFaceM: 2, undersideM: 2.1 },
  run: ({ speakerM, earM, distanceM, nearFaceM, farFaceM, undersideM }) => {
    if (nearFaceM > farFaceM)
      return err('out-of-domain', { kind: 'invalid', field: 'farFaceM', value: farFaceM, least: nearFaceM, most: distanceM });
    if (farFaceM > distanceM)
      return err('out-of-domain', { kind: 'invalid', field: 'farFaceM', value: farFaceM, least: nearFaceM, most: distanceM });
    const at = (faceM: number) => speakerM + (earM - speakerM) * (faceM / distanceM);
    const neededM = Math.max(at(nearFaceM), at(farFaceM));
    return ok({ neededM, clearanceM: undersideM - neededM, ok: atLeast(undersideM, neededM) });
  },
  steps: (_, v) => [`the line is at most ${fig(v.neededM)} m high there: ${fig(v.clearanceM)} m to spare`],
});
