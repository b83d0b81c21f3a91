import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { side } from './room-sides.ts';

/** Absorption of usual surfaces at 500 Hz. */
export const ABSORPTION = { board: 0.05, glass: 0.18, wood: 0.1, carpet: 0.57, drape: 0.5, panel: 0.95 } as const;
const SABINE = 0.161;
/** Volume of the room that the target is stated for, and from which more is right, m3. */
const TARGET_VOLUME_M3 = 100;
const LARGE_M3 = 150;

export const reverberation = calculator({
  name: 'reverberation',
  title: 'Reverberation of a room',
  topic: 'theatre',
  source: 'Sabine; ITU-R BS.1116; absorption by trade practice',
  formulaIds: ['F10.13'],
  valid: 'diffuse sound at 500 Hz; a planning figure, measure it',
  formulas: ['RT60 = 0.161·V/A', 'A = Σ α·S', 'target = 0.25·(V/100)^(1/3)'],
  input: z.strictObject({
    lengthM: side,
    widthM: side,
    heightM: side,
    surfaces: z
      .array(
        z.strictObject({
          areaM2: z.number().min(0).max(10_000).describe('m2'),
          absorption: z.number().min(0).max(1).describe('share, at 500 Hz'),
        }),
      )
      .max(100)
      .default([])
      .describe('what is not board'),
    peopleM2: z.number().min(0).max(100).default(0).describe('m2 of absorption of people and seats'),
  }),
  example: {
    lengthM: 6,
    widthM: 4.4,
    heightM: 2.5,
    surfaces: [
      { areaM2: 26.4, absorption: 0.57 },
      { areaM2: 12, absorption: 0.95 },
    ],
  },
  from: { lengthM: 'roomLengthM', widthM: 'roomWidthM', heightM: 'ceilingM' },
  run: ({ lengthM, widthM, heightM, surfaces, peopleM2 }) => {
    const volumeM3 = lengthM * widthM * heightM;
    const allM2 = 2 * (lengthM * widthM + lengthM * heightM + widthM * heightM);
    const givenM2 = surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    if (!atMost(givenM2, allM2))
      return err('out-of-domain', { kind: 'invalid', field: 'surfaces', value: givenM2, least: 0, most: allM2 });
    const restM2 = Math.max(0, allM2 - givenM2);
    const absorptionM2 =
      restM2 * ABSORPTION.board + surfaces.reduce((sum, { areaM2, absorption }) => sum + areaM2 * absorption, 0) + peopleM2;
    if (!(absorptionM2 > 0)) return err('input-missing', { kind: 'incomplete', field: 'surfaces' });
    const rt60S = (SABINE * volumeM3) / absorptionM2;
    const [leastS, mostS] = volumeM3 > LARGE_M3 ? [0.25, 0.5] : [0.2, 0.4];
    return ok({
      volumeM3,
      restM2,
      absorptionM2,
      rt60S,
      targetS: 0.25 * Math.cbrt(volumeM3 / TARGET_VOLUME_M3),
      ok: atLeast(rt60S, leastS) && atMost(rt60S, mostS),
    });
  },
  steps: (_, v) => [`A = ${fig(v.absorptionM2)} m², RT60 = ${fig(v.rt60S)} s; target ${fig(v.targetS)} s`],
});
