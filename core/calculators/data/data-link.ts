import { z } from 'zod';
import { atMost, calculator, fig, outOfDomain } from '../calculator.ts';
import { fine, type Outcome, refuse } from '../../math/index.ts';

export const CATEGORIES = ['5e', '6', '6a', '7', '7a', '8', 'om3', 'om4', 'os2'] as const;
export type Category = (typeof CATEGORIES)[number];
/** Gb/s. */
export const RATES = ['1', '2.5', '5', '10', '25', '40'] as const;
type Rate = (typeof RATES)[number];

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
const BANDWIDTH_MHZ: Readonly<Partial<Record<Category, number>>> = {
  '5e': 100,
  '6': 250,
  '6a': 500,
  '7': 600,
  '7a': 1000,
  '8': 2000,
};

/** Channel that a category carries at a rate, m; null where it does not. */
export const reachM = (category: Category, rate: Rate): number | null => CHANNEL_M[category][rate];

/** Nobody has measured a link below this; at 20 C and less it is as long as it may be. */
const COLDEST_C = -60;

/** Installed length that a permanent link may have at a temperature, m (F3.2). `out_of_domain` above 60 C. */
export function linkLengthM(temperatureC: number, screened: boolean): Outcome<number> {
  if (temperatureC > 60 || temperatureC < COLDEST_C) return outOfDomain('temperatureC', temperatureC, COLDEST_C, 60);
  const warm = Math.max(0, Math.min(temperatureC, 40) - 20);
  const hot = Math.max(0, temperatureC - 40);
  const more = screened ? 0.002 * (warm + hot) : 0.004 * warm + 0.006 * hot;
  return fine(90 / (1 + more));
}

export const dataLink = calculator({
  name: 'data-link',
  title: 'Length of a network link by rate and temperature',
  topic: 'data',
  source: 'ANSI/TIA-568, ISO/IEC 11801, TSB-155',
  formulaIds: ['F3.2'],
  valid: 'to 60 C; class 5e at 5 Gb/s planned for 50 m',
  formulas: [
    'link ≤ 90 m, channel ≤ 100 m with ≤ 10 m of cords',
    'L = 90/(1 + 0.4 %/C from 20 to 40 + 0.6 %/C beyond); screened 0.2 %/C',
  ],
  input: z.strictObject({
    category: z.enum(CATEGORIES),
    rateGbps: z.enum(RATES).default('1').describe('Gb/s'),
    lengthM: z.number().min(0).describe('m, permanent link as drawn'),
    cordsM: z.number().min(0).default(10).describe('m, cords at both ends together'),
    temperatureC: z.number().default(20).describe('degrees C, warmest along the link'),
    screened: z.boolean().default(false),
  }),
  run: ({ category, rateGbps, lengthM, cordsM, temperatureC, screened }) => {
    const isFibre = category.startsWith('o');
    const warm = isFibre ? fine(Infinity) : linkLengthM(temperatureC, screened);
    if (!warm.ok) return warm;
    const channelM = reachM(category, rateGbps);
    if (channelM === null) return refuse('category-too-low', { kind: 'infeasible', field: 'category', category, rateGbps });
    const cords = isFibre ? 0 : Math.min(cordsM, 10);
    // A channel shorter than 100 m leaves its link what the cords do not take; heat takes its share of that.
    const share = isFibre ? 1 : warm.value / 90;
    const longestM = isFibre
      ? channelM
      : channelM >= 100
        ? warm.value
        : Math.max(0, channelM - (category === '8' ? 6 : cords)) * share;
    const figures = { channelM, longestM, bandwidthMhz: BANDWIDTH_MHZ[category] ?? null, latencyNs: lengthM * 5 };
    if (!atMost(lengthM, longestM)) return refuse('link-too-long', { kind: 'prohibited', field: 'lengthM', lengthM, ...figures });
    return fine({ ...figures, ok: isFibre || atMost(lengthM, Math.min(85, longestM)) });
  },
  steps: (i, v) => [
    `channel ${v.channelM} m at ${i.rateGbps} Gb/s`,
    `link to ${fig(v.longestM)} m at ${fig(i.temperatureC)} °C; ${fig(i.lengthM)} m drawn`,
  ],
});

export const patchCords = calculator({
  name: 'patch-cords',
  title: 'Longer cords on a shorter link',
  topic: 'data',
  source: 'ANSI/TIA-568 open office',
  formulaIds: ['F3.1'],
  valid: 'horizontal length to 90 m, stranded cords of 24 or 26 AWG',
  formulas: ['C = (102 − H)/(1 + D)', 'W = C − T', 'D = 0.2, T = 5 m (24 AWG); D = 0.5, T = 4 m (26 AWG)'],
  input: z.strictObject({
    horizontalM: z.number().min(0).describe('m, permanent link'),
    cordAwg: z
      .union([z.literal(24), z.literal(26)])
      .default(24)
      .describe('AWG of the cords'),
  }),
  run: ({ horizontalM, cordAwg }) => {
    if (!atMost(horizontalM, 90))
      return refuse('link-too-long', { kind: 'prohibited', field: 'horizontalM', lengthM: horizontalM, longestM: 90 });
    const [more, rackM, mostM] = cordAwg === 24 ? [0.2, 5, 22] : [0.5, 4, 17];
    const cordsM = (102 - horizontalM) / (1 + more);
    const workAreaM = Math.min(mostM, cordsM - rackM);
    return fine({ cordsM, workAreaM, mostWorkAreaM: mostM, rackCordsM: rackM });
  },
  steps: ({ horizontalM, cordAwg }, v) => [
    `C = (102 − ${fig(horizontalM)})/${cordAwg === 24 ? 1.2 : 1.5} = ${fig(v.cordsM)} m`,
    `W = ${fig(v.cordsM)} − ${v.rackCordsM} → ${fig(v.workAreaM)} m (to ${v.mostWorkAreaM} m)`,
  ],
});
