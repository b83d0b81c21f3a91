import { DEGREE_RAD, err, ok } from '../../math/index.ts';
import { atLeast, calculator, fig, outOfDomain } from '../calculator.ts';
import { positive } from '../fields.ts';
import { z } from 'zod';

/** IEC 62676-4:2014, px/m. */
const BANDS = [
  ['inspect', 1000],
  ['identify', 250],
  ['recognise', 125],
  ['observe', 62.5],
  ['detect', 25],
  ['monitor', 12.5],
] as const;

/** How far away a ray that leans down by an angle (degrees) meets the ground, m; at the camera where it is not above it. */
const onGround = (heightM: number, deg: number): number => (deg <= 0 ? 0 : Math.max(0, heightM / Math.tan(deg * DEGREE_RAD)));

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
  example: { sensorWidthMm: 4.8, focalMm: 3.6, pixelsAcross: 2560, distanceM: 10 },
  run: (i) => {
    if (i.fieldDeg === null)
      for (const field of ['sensorWidthMm', 'focalMm'] as const)
        if (i[field] === null) return err('input-missing', { kind: 'incomplete', field });
    const fieldDeg = i.fieldDeg ?? (2 * Math.atan(i.sensorWidthMm! / (2 * i.focalMm!))) / DEGREE_RAD;
    if (fieldDeg <= 0 || fieldDeg >= 180) return outOfDomain('fieldDeg', fieldDeg, 0, 180);
    const half = Math.tan((fieldDeg / 2) * DEGREE_RAD);
    const pxPerM = i.pixelsAcross / (2 * i.distanceM * half);
    const heightM = i.mountM === null ? null : i.mountM - i.targetM;
    const edge = (by: number) => (i.verticalDeg === null ? null : i.tiltDeg + by * (i.verticalDeg / 2));
    const [lower, upper] = [edge(1), edge(-1)];
    return ok({
      fieldDeg,
      pxPerM,
      band: BANDS.find(([, min]) => atLeast(pxPerM, min))?.[0] ?? 'none',
      longestM: i.wantedPxPerM === null ? null : i.pixelsAcross / (2 * i.wantedPxPerM * half),
      deadZoneM: heightM === null || lower === null ? null : lower >= 90 ? 0 : onGround(heightM, lower),
      farthestM: heightM === null || upper === null || upper <= 0 ? null : onGround(heightM, upper),
      toHorizon: heightM === null || upper === null ? null : upper <= 0,
      ok: i.wantedPxPerM === null ? null : atLeast(pxPerM, i.wantedPxPerM),
    });
  },
  steps: (_, v) => [`HFOV ${fig(v.fieldDeg)}°`, `${fig(v.pxPerM)} px/m: ${v.band}`],
});
