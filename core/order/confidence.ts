/** Coefficients of a rational approximation of the normal quantile; relative error below 1.2e-9. */
const CENTER_TOP = [
  -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239,
];
const CENTER_BOTTOM = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1];
const TAIL_TOP = [
  -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783,
];
const TAIL_BOTTOM = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1];
const TAIL = 0.02425;

const polynomial = (coefficients: readonly number[], x: number): number => coefficients.reduce((sum, c) => sum * x + c, 0);

/** The z at which a standard normal value is below with a probability between 0 and 1. */
export function normalQuantile(probability: number): number {
  if (probability > 1 - TAIL) return -normalQuantile(1 - probability);
  if (probability < TAIL) {
    const q = Math.sqrt(-2 * Math.log(probability));
    return polynomial(TAIL_TOP, q) / polynomial(TAIL_BOTTOM, q);
  }
  const q = probability - 0.5;
  return (polynomial(CENTER_TOP, q * q) * q) / polynomial(CENTER_BOTTOM, q * q);
}
