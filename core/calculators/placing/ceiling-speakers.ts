import { z } from 'zod';
import { atLeast, atMost, calculator, countUp, fig, outOfDomain } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';

const RAD = Math.PI / 180;

/** How far the discs of coverage overlap: edge to edge (4 to 6 dB), minimum (about 3 dB), full (less than 2 dB). */
export const OVERLAPS = ['edge', 'minimum', 'full'] as const;
export type Overlap = (typeof OVERLAPS)[number];

/** F8.2: the disc that a speaker of an included angle (rad, below pi) covers at ear height, and F8.3: the pitch for an overlap; m. */
export function discAndPitch(
  ceilingM: number,
  earM: number,
  angleRad: number,
  overlap: Overlap,
): { readonly discM: number; readonly pitchM: number } {
  const discM = 2 * (ceilingM - earM) * Math.tan(angleRad / 2);
  return { discM, pitchM: overlap === 'edge' ? discM : overlap === 'minimum' ? discM / Math.SQRT2 : discM / 2 };
}

/** F8.3: how many speakers at most `pitchM` apart cover a length, both m. */
export const speakersAlong = (lengthM: number, pitchM: number): number => countUp(lengthM / pitchM);

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
  run: ({ ceilingM, earM, angleDeg, overlap, lengthM, widthM }) => {
    if (ceilingM <= earM) return refuse('ceiling-not-above-ear', { kind: 'invalid', field: 'ceilingM', ceilingM, earM });
    if (angleDeg <= 0 || angleDeg >= 180) return outOfDomain('angleDeg', angleDeg, 0, 180);
    const { discM, pitchM } = discAndPitch(ceilingM, earM, angleDeg * RAD, overlap);
    const along = lengthM === null ? null : speakersAlong(lengthM, pitchM);
    const across = widthM === null ? null : speakersAlong(widthM, pitchM);
    return fine({
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

export const stereoPair = calculator({
  name: 'stereo-pair',
  title: 'Spacing of a stereo pair',
  topic: 'placing',
  source: 'Geometry; trade practice',
  formulaIds: ['F8.4'],
  valid: 'accept 45 to 65 degrees',
  formulas: ['S = 2·d·tan 30°', 'angle = 2·atan(S/(2·d))'],
  input: z.strictObject({
    distanceM: z.number().gt(0).describe('m, from the line of the speakers to the seat'),
    spacingM: z.number().gt(0).nullable().default(null).describe('m, as planned'),
  }),
  run: ({ distanceM, spacingM }) => {
    const idealM = 2 * distanceM * Math.tan(30 * RAD);
    const angleDeg = (2 * Math.atan((spacingM ?? idealM) / (2 * distanceM))) / RAD;
    return fine({ idealM, angleDeg, ok: atLeast(angleDeg, 45) && atMost(angleDeg, 65) });
  },
  steps: (_, v) => [`${fig(v.idealM)} m; ${fig(v.angleDeg)}°`],
});

export const frameFit = calculator({
  name: 'frame-fit',
  title: 'A flush device in a bay',
  topic: 'placing',
  source: 'Trade practice',
  formulaIds: ['F8.1'],
  valid: 'studs or joists side by side',
  formulas: ['frame + 2·clear ≤ bay', 'depth ≤ stud + board − gap', 'centre to member ≥ cut-out/2 + 13 mm'],
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
  run: ({ spacingM, memberM, studM, boardM, gapM, frameM, cutOutM, depthM, clearM, offsetM }) => {
    const bayM = spacingM - memberM;
    const availableM = studM + boardM - gapM;
    const toMemberM = offsetM === null ? bayM / 2 : Math.min(offsetM, spacingM - offsetM) - memberM / 2;
    const neededM = (cutOutM ?? frameM) / 2 + 0.013;
    const widthFits = atMost(frameM + 2 * clearM, bayM);
    const depthFits = atMost(depthM, availableM);
    const clampFits = atLeast(toMemberM, neededM);
    return fine({
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
