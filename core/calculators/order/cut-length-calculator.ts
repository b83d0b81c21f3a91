import { z } from 'zod';
import { fine, type Outcome } from '../../math/index.ts';
import { cutLength, type CutLength } from './cut-length.ts';

export const cutLengthInput = z.strictObject({
  riseM: z.number().min(0).describe('m, upward part of the route from device to rack'),
  runM: z.number().min(0).describe('m, level part of the route'),
  dropM: z.number().min(0).describe('m, downward part of the route'),
  deviceSlackM: z.number().min(0).default(0.45).describe('m, service loop at the device'),
  rackSlackM: z.number().min(0).default(3).describe('m, service loop at the rack'),
  wasteFactor: z
    .number()
    .min(1)
    .default(1.1)
    .describe('factor on way and slack: 1.03 where the way is traced, 1.10 where it is estimated'),
  reserveM: z.number().min(0).default(0).describe('m, added at the end'),
  units: z.enum(['metric', 'imperial']).default('metric').describe('rounds up to 0.5 m or to 1 ft'),
});

/**
 * Answers: how much cable is cut for a run?
 * Units: m. Formula and source: F16.1, factor on the routed length. Valid: any length. Problems: none beyond invalid input.
 */
export function cutLengthCalculator(given: z.input<typeof cutLengthInput>): Outcome<CutLength> {
  const { deviceSlackM, rackSlackM, wasteFactor, reserveM, units, ...way } = cutLengthInput.parse(given);
  return fine(cutLength(way, { deviceSlackM, rackSlackM }, { factor: wasteFactor, reserveM, traced: false }, units));
}
