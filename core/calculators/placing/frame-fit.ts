import { z } from 'zod';
import { atLeast, atMost, calculator, fig, outOfDomain } from '../calculator.ts';
import { ok } from '../../math/index.ts';

/** Members stand no farther apart, m. */
const WIDEST_BAY_M = 3;

export const frameFit = calculator({
  name: 'frame-fit',
  title: 'A flush device in a bay',
  topic: 'placing',
  source: 'Trade practice',
  formulaIds: ['F8.1'],
  valid: 'studs or joists side by side',
  formulas: ['frame + 2·clear ≤ bay', 'depth ≤ stud + drywall − gap', 'centre to member ≥ cut-out/2 + 13 mm'],
  cautions: ['C3'],
  input: z.strictObject({
    spacingM: z.number().gt(0).describe('m, members centre to centre'),
    memberM: z.number().gt(0).describe('m, width of a member'),
    studM: z.number().gt(0).describe('m, depth of the members'),
    boardM: z.number().min(0).default(0.0127).describe('m'),
    gapM: z.number().min(0).default(0).describe('m, kept free of insulation'),
    frameM: z.number().gt(0).describe('m, width of the frame'),
    cutOutM: z.number().gt(0).nullable().default(null).describe('m, width of the cut-out'),
    depthM: z.number().gt(0).describe('m, needed behind the face'),
    clearM: z.number().min(0).default(0.003).describe('m, on each side'),
    offsetM: z
      .number()
      .min(0)
      .nullable()
      .default(null)
      .describe('m, centre of the device from the centre of the member on its left'),
  }),
  example: { spacingM: 0.4, memberM: 0.045, studM: 0.089, frameM: 0.25, depthM: 0.09 },
  run: ({ spacingM, memberM, studM, boardM, gapM, frameM, cutOutM, depthM, clearM, offsetM }) => {
    if (spacingM <= memberM) return outOfDomain('spacingM', spacingM, memberM, WIDEST_BAY_M);
    if (offsetM !== null && offsetM > spacingM) return outOfDomain('offsetM', offsetM, 0, spacingM);
    const bayM = spacingM - memberM;
    const availableM = Math.max(0, studM + boardM - gapM);
    const toMemberM = Math.max(0, offsetM === null ? bayM / 2 : Math.min(offsetM, spacingM - offsetM) - memberM / 2);
    const neededM = (cutOutM ?? frameM) / 2 + 0.013;
    const widthFits = atMost(frameM + 2 * clearM, bayM);
    const depthFits = atMost(depthM, availableM);
    const clampFits = atLeast(toMemberM, neededM);
    return ok({
      bayM,
      availableM,
      toMemberM,
      neededM,
      widthFits,
      depthFits,
      clampFits,
      shiftM: offsetM === null ? 0 : Math.abs(spacingM / 2 - offsetM),
      ok: widthFits && depthFits && clampFits,
    });
  },
  steps: (i, v) => [
    `bay ${fig(v.bayM * 1000)} mm, frame ${fig((i.frameM + 2 * i.clearM) * 1000)} mm`,
    `depth ${fig(i.depthM * 1000)} of ${fig(v.availableM * 1000)} mm`,
    `to the member ${fig(v.toMemberM * 1000)} mm, ${fig(v.neededM * 1000)} mm wanted`,
  ],
});
