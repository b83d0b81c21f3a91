import { ok, type Outcome } from '../../math/index.ts';
import { outOfDomain } from '../calculator.ts';

export const CATEGORIES = ['5e', '6', '6a', '7', '7a', '8', 'om3', 'om4', 'os2'] as const;
export type Category = (typeof CATEGORIES)[number];
/** Gb/s. */
export const RATES = ['1', '2.5', '5', '10', '25', '40'] as const;
export type Rate = (typeof RATES)[number];

/** Channel of each category by rate, m; null carries it not (ENGINEERING 3.1). */
const CHANNEL_M: Readonly<Record<Category, Readonly<Record<Rate, number | null>>>> = {
  '5e': { '1': 100, '2.5': 100, '5': 50, '10': null, '25': null, '40': null },
  '6': { '1': 100, '2.5': 100, '5': 100, '10': 37, '25': null, '40': null },
  '6a': { '1': 100, '2.5': 100, '5': 100, '10': 100, '25': null, '40': null },
  '7': { '1': 100, '2.5': 100, '5': 100, '10': 100, '25': null, '40': null },
  '7a': { '1': 100, '2.5': 100, '5': 100, '10': 100, '25': null, '40': null },
  '8': { '1': 100, '2.5': 100, '5': 100, '10': 100, '25': 30, '40': 30 },
  om3: { '1': 550, '2.5': 300, '5': 300, '10': 300, '25': 70, '40': 70 },
  om4: { '1': 550, '2.5': 400, '5': 400, '10': 400, '25': 100, '40': 100 },
  os2: { '1': 5000, '2.5': 10_000, '5': 10_000, '10': 10_000, '25': 10_000, '40': 10_000 },
};
/** Channel that a category carries at a rate, m; null where it does not. */
export const reachM = (category: Category, rate: Rate): number | null => CHANNEL_M[category][rate];

/** Nobody has measured a link below this; at 20 C and less it is as long as it may be. */
const COLDEST_C = -60;

/** Installed length that a permanent link may have at a temperature, m. `out_of_domain` above 60 C. */
export function linkLengthM(temperatureC: number, screened: boolean): Outcome<number> {
  if (temperatureC > 60 || temperatureC < COLDEST_C) return outOfDomain('temperatureC', temperatureC, COLDEST_C, 60);
  const warm = Math.max(0, Math.min(temperatureC, 40) - 20);
  const hot = Math.max(0, temperatureC - 40);
  const more = screened ? 0.002 * (warm + hot) : 0.004 * warm + 0.006 * hot;
  return ok(90 / (1 + more));
}
