import { z } from 'zod';
import { DEGREE_RAD, ok } from '../../math/index.ts';
import { atMost, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

/** Space beside a display, and beside each speaker next to it, m. */
const BESIDE_M = 0.1;
const BESIDE_SPEAKER_M = 0.15;
/** Between the top of a mantel and a display, m. */
const OVER_MANTEL_M = 0.15;

export const displayPlace = calculator({
  name: 'display-place',
  title: 'Size, wall and height of a display',
  topic: 'theatre',
  source: 'Geometry; comfort by trade practice',
  formulaIds: ['F9.12'],
  valid: 'flat displays looked at from one seat; over a fire by the display’s and the fireplace’s makers',
  formulas: [
    'outer = picture + 2·bezel',
    'wall = outer + 0.2 m, with speakers + their widths + 0.3 m',
    'angle = atan((z − z eye)/D)',
  ],
  cautions: ['C8'],
  input: z.strictObject({
    diagonalM: positive.max(10).describe('m, of the picture'),
    aspect: z
      .number()
      .min(0.3)
      .max(4)
      .default(16 / 9),
    bezelM: z.number().min(0).max(0.3).default(0.01).describe('m, on each side'),
    speakerWidthsM: z.array(z.number().min(0).max(2)).max(4).default([]).describe('m, of cabinets beside it'),
    centerM: z.number().min(0).max(20).nullable().default(null).describe('m, height of its middle; empty where a mantel sets it'),
    mantelTopM: z.number().min(0).max(10).nullable().default(null).describe('m, height of the top of a mantel below it'),
    eyeM: positive.max(5).default(1.07).describe('m, seated eye'),
    distanceM: positive.max(50).describe('m, eye to display on the plan'),
  }),
  example: { diagonalM: 1.65, centerM: 1.1, distanceM: 3 },
  run: ({ diagonalM, aspect, bezelM, speakerWidthsM, centerM, mantelTopM, eyeM, distanceM }) => {
    const heightM = diagonalM / Math.hypot(1, aspect);
    const [outerWidthM, outerHeightM] = [aspect * heightM + 2 * bezelM, heightM + 2 * bezelM];
    const speakersM = speakerWidthsM.reduce((sum, one) => sum + one, 0) + (speakerWidthsM.length > 0 ? 2 * BESIDE_SPEAKER_M : 0);
    const middleM = mantelTopM === null ? (centerM ?? eyeM) : mantelTopM + OVER_MANTEL_M + outerHeightM / 2;
    const angle = (z: number) => Math.atan((z - eyeM) / distanceM) / DEGREE_RAD;
    const [angleDeg, topDeg] = [angle(middleM), angle(middleM + heightM / 2)];
    const isOverMantel = mantelTopM !== null;
    return ok({
      outerWidthM,
      outerHeightM,
      wallM: outerWidthM + 2 * BESIDE_M + speakersM,
      middleM,
      angleDeg,
      topDeg,
      needsTilt: angleDeg > 10,
      warn: angleDeg > 25 || (isOverMantel && angleDeg > 20),
      ok: atMost(Math.abs(angleDeg), 15),
    });
  },
  steps: (_, v) => [
    `${fig(v.outerWidthM)} × ${fig(v.outerHeightM)} m on a wall of ${fig(v.wallM)} m`,
    `its middle at ${fig(v.middleM)} m is seen ${fig(v.angleDeg)}° up`,
  ],
});
