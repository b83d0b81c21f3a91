import { z } from 'zod';
import { err, ok, type Outcome } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';

const measured = z.strictObject({
  dxPx: z.number().describe('px across the picture between the two points'),
  dyPx: z.number().describe('px up the picture'),
  lengthM: z.number().gt(0).describe('m, as measured in the house'),
});
export const planScaleInput = z.strictObject({ first: measured, second: measured });

export interface PlanScale {
  /** From the first measurement alone. */
  readonly metresPerPixel: number;
  /** By how much the second disagrees with it: (measured - scaled) / scaled. */
  readonly disagreement: number;
  /** True where it is more than 1 %. */
  readonly warn: boolean;
  /** The one scale that fits both best. */
  readonly bestMetresPerPixel: number;
  /** Where the two run in different directions: a scale for each axis that fits both; else null. */
  readonly perAxis: { readonly metresPerPixelX: number; readonly metresPerPixelY: number; readonly ratio: number } | null;
}

/**
 * Answers: what does a second measurement say about the scale of a plan picture?
 * Units: px on the picture, m in the house. Formula: L² = (kx dx)² + (ky dy)², solved for both measurements [derived].
 * Valid: lengths above 0. Problems: `points-together` where two points are the same.
 */
export function planScale(given: z.input<typeof planScaleInput>): Outcome<PlanScale> {
  const { first, second } = planScaleInput.parse(given);
  const [p, q] = [Math.hypot(first.dxPx, first.dyPx), Math.hypot(second.dxPx, second.dyPx)];
  if (p < 1e-9 || q < 1e-9) return err('points-together', { kind: 'invalid', field: p < 1e-9 ? 'first' : 'second' });
  const metresPerPixel = first.lengthM / p;
  const disagreement = (second.lengthM - q * metresPerPixel) / (q * metresPerPixel);
  const bestMetresPerPixel = (first.lengthM * p + second.lengthM * q) / (p * p + q * q);
  const [a, b, c, d] = [first.dxPx ** 2, first.dyPx ** 2, second.dxPx ** 2, second.dyPx ** 2];
  const determinant = a * d - b * c;
  let perAxis: PlanScale['perAxis'] = null;
  // Two measurements in nearly the same direction say nothing of the other axis.
  if (Math.abs(determinant) > 0.05 * (a + b) * (c + d)) {
    const kx2 = (first.lengthM ** 2 * d - second.lengthM ** 2 * b) / determinant;
    const ky2 = (a * second.lengthM ** 2 - c * first.lengthM ** 2) / determinant;
    if (kx2 > 0 && ky2 > 0) {
      const [x, y] = [Math.sqrt(kx2), Math.sqrt(ky2)];
      perAxis = { metresPerPixelX: x, metresPerPixelY: y, ratio: y / x };
    }
  }
  return ok({ metresPerPixel, disagreement, warn: Math.abs(disagreement) > 0.01 * (1 + 1e-9), bestMetresPerPixel, perAxis });
}

export const planScaleCalculator = calculator({
  name: 'plan-scale',
  title: 'Scale of a plan picture by two measurements',
  topic: 'survey',
  source: 'Geometry',
  valid: 'two lengths that lie apart',
  formulas: ['least squares over both axes'],
  input: planScaleInput,
  example: { first: { dxPx: 400, dyPx: 0, lengthM: 8 }, second: { dxPx: 0, dyPx: 300, lengthM: 6.03 } },
  run: planScale,
  steps: ({ first, second }, v) => [
    `${fig(first.lengthM)} m / ${fig(Math.hypot(first.dxPx, first.dyPx))} px = ${fig(v.metresPerPixel)} m a pixel`,
    `by that the second is ${fig(Math.hypot(second.dxPx, second.dyPx) * v.metresPerPixel)} m, measured ${fig(second.lengthM)} m: ${fig(100 * v.disagreement)} % apart`,
    `both together: ${fig(v.bestMetresPerPixel)} m a pixel`,
  ],
});
