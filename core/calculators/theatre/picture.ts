import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';

const RAD = Math.PI / 180;
const positive = z.number().gt(0);

export const screenSize = calculator({
  name: 'screen-size',
  title: 'Width and height of a screen',
  topic: 'theatre',
  source: 'Geometry',
  formulaIds: ['F9.1'],
  valid: 'flat screens; 1.78 stands for 16:9',
  formulas: ['W = d·a/√(1 + a²)', 'H = d/√(1 + a²)'],
  input: z.strictObject({ diagonalM: positive.describe('m'), aspect: positive.default(16 / 9) }),
  run: ({ diagonalM, aspect }) => {
    const a = Math.abs(aspect - 1.78) < 1e-9 ? 16 / 9 : aspect;
    const root = Math.sqrt(1 + a * a);
    return fine({ widthM: (diagonalM * a) / root, heightM: diagonalM / root, areaM2: (diagonalM ** 2 * a) / root ** 2 });
  },
  steps: (_, v) => [`W ${fig(v.widthM)} m, H ${fig(v.heightM)} m`],
});

export const viewingAngle = calculator({
  name: 'viewing-angle',
  title: 'Angle of a screen from a seat, and acuity',
  topic: 'theatre',
  source: 'SMPTE EG 18, ITU-R BT.2022',
  formulaIds: ['F9.2', 'F9.3'],
  valid: 'on the axis of the screen',
  formulas: ['θ = 2·atan(W/(2·D))', 'D = W/(2·tan(θ/2))', 'D acuity = W/px/tan(1′)'],
  input: z.strictObject({
    widthM: positive.describe('m'),
    distanceM: positive.describe('m, eye to the middle of the screen'),
    wantedDeg: z.number().gt(0).lt(180).nullable().default(null).describe('degrees'),
    pixelsAcross: z.int().min(1).default(3840),
  }),
  run: ({ widthM, distanceM, wantedDeg, pixelsAcross }) => {
    const angleDeg = (2 * Math.atan(widthM / (2 * distanceM))) / RAD;
    return fine({
      angleDeg,
      distanceForM: wantedDeg === null ? null : widthM / (2 * Math.tan((wantedDeg / 2) * RAD)),
      acuityM: widthM / pixelsAcross / Math.tan(RAD / 60),
      ok: atLeast(angleDeg, 30) && atMost(angleDeg, 60),
    });
  },
  steps: (i, v) => [`2·atan(${fig(i.widthM)}/(2 · ${fig(i.distanceM)})) = ${fig(v.angleDeg)}°`],
});

export const eyeRows = calculator({
  name: 'row-risers',
  title: 'Risers of rows of seats',
  topic: 'theatre',
  source: 'Geometry of sight lines',
  formulaIds: ['F9.5'],
  valid: 'straight rows; rises are rounded up to 10 mm for building',
  formulas: ['E = max(e, B + (E before + C − B)·D/D before)', 'r = E − e'],
  input: z.strictObject({
    bottomM: z.number().min(0).describe('m, lowest visible point of the picture'),
    eyeM: positive.default(1.07).describe('m, seated eye'),
    distancesM: z.array(positive).min(1).max(20).describe('m, of each row from the screen'),
    clearanceM: z.number().min(0).default(0.125).describe('m, of the eye ray over the head before it'),
  }),
  run: ({ bottomM, eyeM, distancesM, clearanceM }) => {
    if (distancesM.some((d, k) => k > 0 && d <= distancesM[k - 1]))
      return refuse('rows-not-in-order', { kind: 'invalid', field: 'distancesM' });
    const eyesM: number[] = [eyeM];
    for (let k = 1; k < distancesM.length; k++)
      eyesM.push(Math.max(eyeM, bottomM + ((eyesM[k - 1] + clearanceM - bottomM) * distancesM[k]) / distancesM[k - 1]));
    const risersM = eyesM.map((one) => one - eyeM);
    return fine({ eyesM, risersM, builtM: risersM.map((one) => Math.ceil(one * 100 - 1e-9) / 100) });
  },
  steps: (_, v) => [`eyes ${v.eyesM.map(fig).join(', ')} m`, `risers ${v.risersM.map(fig).join(', ')} m`],
});

export const throwWindow = calculator({
  name: 'throw-window',
  title: 'Throw and shift of a projector',
  topic: 'theatre',
  source: 'Projector optics',
  formulaIds: ['F9.6', 'F9.9'],
  valid: 'zoom lenses; ultra-short and mirror lenses by their maker’s table',
  formulas: ['TRmin·W ≤ D ≤ TRmax·W', '|v|/V + |h|/Hs ≤ 1'],
  cautions: ['C7', 'C12'],
  input: z
    .strictObject({
      widthM: positive.describe('m, of a 16:9 picture'),
      throwM: positive.describe('m, lens to screen'),
      leastRatio: positive,
      mostRatio: positive,
      ultraShort: z.boolean().default(false),
      shiftUp: z.number().default(0).describe('lens above the middle, share of the height'),
      shiftAside: z.number().default(0).describe('lens beside the middle, share of the width'),
      mostShiftUp: positive.nullable().default(null),
      mostShiftAside: positive.nullable().default(null),
      shape: z.enum(['diamond', 'ellipse']).default('diamond'),
    })
    .refine((i) => i.mostRatio >= i.leastRatio, { path: ['mostRatio'], message: 'is below the least' }),
  run: (i) => {
    if (i.ultraShort) return refuse('throw-by-maker', { kind: 'defer', field: 'ultraShort' });
    if (i.shiftUp !== 0 && i.mostShiftUp === null) return refuse('input-missing', { kind: 'incomplete', field: 'mostShiftUp' });
    if (i.shiftAside !== 0 && i.mostShiftAside === null)
      return refuse('input-missing', { kind: 'incomplete', field: 'mostShiftAside' });
    const [leastM, mostM] = [i.leastRatio * i.widthM, i.mostRatio * i.widthM];
    if (!atLeast(i.throwM, leastM) || !atMost(i.throwM, mostM))
      return refuse('throw-outside', { kind: 'infeasible', field: 'throwM', throwM: i.throwM, leastM, mostM });
    const u = i.mostShiftUp === null ? 0 : Math.abs(i.shiftUp) / i.mostShiftUp;
    const a = i.mostShiftAside === null ? 0 : Math.abs(i.shiftAside) / i.mostShiftAside;
    const used = i.shape === 'diamond' ? u + a : Math.hypot(u, a);
    return fine({
      leastM,
      mostM,
      shiftUsed: used,
      nearEnd: i.throwM < leastM + 0.05 * (mostM - leastM) || i.throwM > mostM - 0.05 * (mostM - leastM),
      ok: atMost(used, 1),
    });
  },
  steps: (_, v) => [`${fig(v.leastM)} to ${fig(v.mostM)} m; shift ${fig(v.shiftUsed)} of 1`],
});

export const screenBrightness = calculator({
  name: 'screen-brightness',
  title: 'Brightness of a projected picture',
  topic: 'theatre',
  source: 'SMPTE ST 431-1',
  formulaIds: ['F9.10', 'F9.11'],
  valid: 'lumens that land on the used picture; matte screens',
  formulas: ['L = Φ·g/(π·A)', 'Φ = π·A·L/(g·k)', 'contrast = (Lw + La)/(Lk + La), La = E·g/π'],
  input: z.strictObject({
    lumens: positive.nullable().default(null).describe('lm that land'),
    areaM2: positive,
    gain: positive.default(1),
    wantedCdM2: positive.default(48).describe('cd/m2'),
    shareLeft: z.number().gt(0).max(1).default(1).describe('k: age, calibration, zoom, screen'),
    ambientLx: z.number().min(0).default(0).describe('lx on the screen'),
    nativeContrast: positive.default(2000),
  }),
  run: ({ lumens, areaM2, gain, wantedCdM2, shareLeft, ambientLx, nativeContrast }) => {
    const neededLm = (Math.PI * areaM2 * wantedCdM2) / (gain * shareLeft);
    const cdM2 = lumens === null ? wantedCdM2 : (lumens * gain) / (Math.PI * areaM2);
    const ambientCdM2 = (ambientLx * gain) / Math.PI;
    return fine({
      cdM2,
      footLamberts: cdM2 / 3.42626,
      neededLm,
      ambientCdM2,
      contrast: (cdM2 + ambientCdM2) / (cdM2 / nativeContrast + ambientCdM2),
      ok: lumens === null ? null : atLeast(cdM2, wantedCdM2),
    });
  },
  steps: (_, v) => [`${fig(v.cdM2)} cd/m² (${fig(v.footLamberts)} fL); ${fig(v.neededLm)} lm wanted`],
});
