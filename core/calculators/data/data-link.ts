import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { CATEGORIES, type Category, linkLengthM, RATES, reachM } from './link-reach.ts';

const BANDWIDTH_MHZ: Readonly<Partial<Record<Category, number>>> = {
  '5e': 100,
  '6': 250,
  '6a': 500,
  '7': 600,
  '7a': 1000,
  '8': 2000,
};

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
  example: { category: '6', lengthM: 60 },
  from: { lengthM: 'cutLengthM' },
  run: ({ category, rateGbps, lengthM, cordsM, temperatureC, screened }) => {
    const isFibre = category.startsWith('o');
    const warm = isFibre ? ok(Infinity) : linkLengthM(temperatureC, screened);
    if (!warm.ok) return warm;
    const channelM = reachM(category, rateGbps);
    if (channelM === null) return err('category-too-low', { kind: 'infeasible', field: 'category', category, rateGbps });
    const cords = isFibre ? 0 : Math.min(cordsM, 10);
    // A channel shorter than 100 m leaves its link what the cords do not take; heat takes its share of that.
    const share = isFibre ? 1 : warm.value / 90;
    const longestM = isFibre
      ? channelM
      : channelM >= 100
        ? warm.value
        : Math.max(0, channelM - (category === '8' ? 6 : cords)) * share;
    const figures = { channelM, longestM, bandwidthMhz: BANDWIDTH_MHZ[category] ?? null, latencyNs: lengthM * 5 };
    if (!atMost(lengthM, longestM)) return err('link-too-long', { kind: 'prohibited', field: 'lengthM', lengthM, ...figures });
    return ok({ ...figures, ok: isFibre || atMost(lengthM, Math.min(85, longestM)) });
  },
  steps: (i, v) => [
    `channel ${v.channelM} m at ${i.rateGbps} Gb/s`,
    `link to ${fig(v.longestM)} m at ${fig(i.temperatureC)} °C; ${fig(i.lengthM)} m drawn`,
  ],
});
