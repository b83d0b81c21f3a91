// Kinds of fields that records are made of, with their limits.
import { z } from 'zod';

/** Farthest a coordinate may lie from the project's origin, m. */
export const FARTHEST_M = 10_000;

export const id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/)
  .describe('1 to 40 letters, digits, _ or -; unique in its list');
export const words = (max: number, min = 0) =>
  z
    .string()
    .min(min)
    .max(max)
    // eslint-disable-next-line no-control-regex
    .regex(/^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u202a-\u202e\u2066-\u2069]*$/, 'holds control characters');
export const coordinateM = z.number().min(-FARTHEST_M).max(FARTHEST_M);
export const positiveM = (most: number) => z.number().gt(0).max(most);
export const lengthM = (most: number) => z.number().min(0).max(most);
export const angleRad = z.number().min(-7).max(7).describe('rad, counter-clockwise from +x');
export const point2 = z.tuple([coordinateM, coordinateM]).describe('[x, y] in m');
export const point3 = z
  .tuple([coordinateM, coordinateM, coordinateM])
  .describe('[x, y, z] in m; z from the datum of level elevations');
export const day = z.string().regex(/^(\d{4}-\d{2}-\d{2})?$/, 'is not a day, YYYY-MM-DD');
export const code = z
  .string()
  .regex(/^[A-Z0-9]{1,6}$/)
  .describe('1 to 6 capitals or digits');
