import { priceWithMargin } from '../calculators/index.ts';

/** Splits whole cents by weights so that the parts add up to them: what is left over goes to the largest remainders, earlier ones first. */
export function splitCents(cents: number, weights: readonly number[]): number[] {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  if (weights.length === 0) return [];
  const exact = weights.map((weight) => (total > 0 ? (cents * weight) / total : cents / weights.length));
  const parts = exact.map(Math.floor);
  const left = cents - parts.reduce((sum, part) => sum + part, 0);
  const order = exact.map((value, n) => ({ n, rest: value - parts[n] })).sort((a, b) => b.rest - a.rest || a.n - b.n);
  for (const { n } of order.slice(0, left)) parts[n]++;
  return parts;
}

/** Price with a margin on the price, whole cents. */
export const withMargin = (costCents: number, marginPercent: number): number =>
  Math.round(priceWithMargin(costCents, marginPercent / 100));

/** Tax on a price, whole cents. */
export const taxOn = (priceCents: number, taxPercent: number): number => Math.round((priceCents * taxPercent) / 100);
