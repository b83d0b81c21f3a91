// Kinds of fields that records are made of, with their limits.
import { z } from 'zod';
import { CLEAN_TEXT } from './text-rules.ts';

/** Farthest a coordinate may lie from the project's origin, m: a site of 2 km. */
export const FARTHEST_M = 1000;
/** Farthest a height may lie from the datum, m. */
export const HIGHEST_M = 100;

export const id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/)
  .refine((text) => !(text in Object.prototype), 'is a name of the language itself')
  .describe('1 to 40 letters, digits, _ or -; unique in its list');
export const words = (max: number, min = 0) =>
  z.string().min(min).max(max).regex(CLEAN_TEXT, 'holds control or invisible characters');
const bounded = (maxM: number, what: string) =>
  z.number().min(-maxM, `must lie within ${maxM} m of ${what}`).max(maxM, `must lie within ${maxM} m of ${what}`);
export const coordinateM = bounded(FARTHEST_M, 'the origin of the plan');
export const heightM = bounded(HIGHEST_M, 'the datum of heights');
export const positiveM = (max: number) => z.number().gt(0).max(max);
export const lengthM = (max: number) => z.number().min(0).max(max);
export const angleRad = z.number().min(-7).max(7).describe('rad, counter-clockwise from +x');
/** A place in the coordinates of a drawing file, which may count from a survey datum far away, m. */
export const drawingPoint = z.tuple([z.number().min(-1e8).max(1e8), z.number().min(-1e8).max(1e8)]);
export const point2 = z.tuple([coordinateM, coordinateM]).describe('[x, y] in m');
export const point3 = z
  .tuple([coordinateM, coordinateM, bounded(2 * HIGHEST_M, 'the datum of heights')])
  .describe('[x, y, z] in m; z from the datum of level elevations');
export const day = z.string().regex(/^(\d{4}-\d{2}-\d{2})?$/, 'is not a day, YYYY-MM-DD');
export const code = z
  .string()
  .regex(/^[A-Z0-9]{1,6}$/)
  .describe('1 to 6 capitals or digits');
