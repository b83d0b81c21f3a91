import { z } from 'zod';
import { atLeast, calculator, fig, outOfDomain } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';

const RAD = Math.PI / 180;
const positive = z.number().gt(0);
/** IEC 62676-4:2014, px/m. */
const BANDS = [
  ['inspect', 1000],
  ['identify', 250],
  ['recognise', 125],
  ['observe', 62.5],
  ['detect', 25],
  ['monitor', 12.5],
] as const;

export const cameraDensity = calculator({
  name: 'camera-density',
  title: 'Field and pixel density of a camera',
  topic: 'coverage',
  source: 'IEC 62676-4:2014',
  formulaIds: ['F12.1', 'F12.2', 'F12.3'],
  valid: 'angles below 180 degrees; above 110 only in the middle',
  formulas: ['HFOV = 2·atan(w/(2f))', 'px/m = N/(2·d·tan(HFOV/2))', 'dead zone = h/tan(t + VFOV/2)'],
  cautions: ['C15'],
  input: z.strictObject({
    sensorWidthMm: positive.nullable().default(null),
    focalMm: positive.nullable().default(null),
    fieldDeg: z.number().nullable().default(null).describe('degrees, by the maker; counts before sensor and lens'),
    pixelsAcross: z.int().min(1),
    distanceM: positive.describe('m, in three dimensions'),
    wantedPxPerM: positive.nullable().default(null),
    mountM: positive.nullable().default(null).describe('m above the floor'),
    tiltDeg: z.number().min(0).max(90).default(0).describe('degrees below level'),
    verticalDeg: z.number().gt(0).lt(180).nullable().default(null),
    targetM: z.number().min(0).default(0).describe('m, height of what is looked at'),
  }),
  run: (i) => {
    if (i.fieldDeg === null)
      for (const field of ['sensorWidthMm', 'focalMm'] as const)
        if (i[field] === null) return refuse('input-missing', { kind: 'incomplete', field });
    const fieldDeg = i.fieldDeg ?? (2 * Math.atan(i.sensorWidthMm! / (2 * i.focalMm!))) / RAD;
    if (fieldDeg <= 0 || fieldDeg >= 180) return outOfDomain('fieldDeg', fieldDeg, 0, 180);
    const half = Math.tan((fieldDeg / 2) * RAD);
    const pxPerM = i.pixelsAcross / (2 * i.distanceM * half);
    const heightM = i.mountM === null ? null : i.mountM - i.targetM;
    const edge = (by: number) => (i.verticalDeg === null ? null : i.tiltDeg + by * (i.verticalDeg / 2));
    const [lower, upper] = [edge(1), edge(-1)];
    return fine({
      fieldDeg,
      pxPerM,
      band: BANDS.find(([, least]) => atLeast(pxPerM, least))?.[0] ?? 'none',
      longestM: i.wantedPxPerM === null ? null : i.pixelsAcross / (2 * i.wantedPxPerM * half),
      deadZoneM: heightM === null || lower === null ? null : lower >= 90 ? 0 : heightM / Math.tan(lower * RAD),
      farthestM: heightM === null || upper === null ? null : upper <= 0 ? Infinity : heightM / Math.tan(upper * RAD),
      ok: i.wantedPxPerM === null ? null : atLeast(pxPerM, i.wantedPxPerM),
    });
  },
  steps: (_, v) => [`HFOV ${fig(v.fieldDeg)}°`, `${fig(v.pxPerM)} px/m: ${v.band}`],
});

export const pathLoss = calculator({
  name: 'path-loss',
  title: 'Loss of radio indoors',
  topic: 'coverage',
  source: 'ITU-R P.1238; physics: free-space loss',
  formulaIds: ['F13.1', 'F13.2', 'F13.3', 'F13.6'],
  valid: '1 m and more; ± 8 dB; survey needed',
  formulas: [
    'FSPL = 20·log10(d) + 20·log10(f) − 27.55',
    'P.1238: 20·log10(f) + N·log10(d) + Lf − 28',
    'walls: FSPL + Σ L + floors',
  ],
  cautions: ['C16'],
  input: z.strictObject({
    distanceM: positive.describe('m'),
    frequencyMhz: positive,
    coefficient: positive.default(28).describe('N of P.1238'),
    floors: z.int().min(0).max(20).default(0),
    floorDb: z.number().min(0).default(7).describe('dB a floor'),
    wallsDb: z.array(z.number().min(0)).max(100).default([]).describe('dB of each wall crossed'),
    bandwidthMhz: positive.default(20),
    noiseFigureDb: z.number().min(0).default(7),
  }),
  run: ({ distanceM, frequencyMhz, coefficient, floors, floorDb, wallsDb, bandwidthMhz, noiseFigureDb }) => {
    if (distanceM < 1) return outOfDomain('distanceM', distanceM, 1, 10_000);
    const freeDb = 20 * Math.log10(distanceM) + 20 * Math.log10(frequencyMhz) - 27.55;
    const floorsDb = floors === 0 ? 0 : floorDb * floors ** ((floors + 2) / (floors + 1) - 0.46);
    return fine({
      freeDb,
      p1238Db: 20 * Math.log10(frequencyMhz) + coefficient * Math.log10(distanceM) + floors * floorDb - 28,
      floorsDb,
      wallsDb: freeDb + wallsDb.reduce((sum, one) => sum + one, 0) + floorsDb,
      noiseDbm: -174 + 10 * Math.log10(bandwidthMhz * 1e6) + noiseFigureDb,
    });
  },
  steps: (_, v) => [`free space ${fig(v.freeDb)} dB`, `with walls and floors ${fig(v.wallsDb)} dB`],
});
