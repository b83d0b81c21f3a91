import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { HOURS, hoursBand } from './hours.ts';

/** Hours of pulling and boring that a firm may set: pull, further cable of it, place, member, h; difficulty is a factor on pulls. */
export interface PullingFactors {
  readonly pull: number;
  readonly furtherCable: number;
  readonly place: number;
  readonly member: number;
  readonly difficulty: number;
}

/** The usual ones (ENGINEERING 18.1; trade practice). */
export const pullingFactors = (construction: 'new' | 'retrofit'): PullingFactors => ({
  pull: HOURS.pull[construction],
  furtherCable: HOURS.additionalCable[construction],
  place: HOURS.placeSetUp[construction],
  member: HOURS.hole[construction],
  difficulty: 1,
});

/**
 * Person-hours to bore and pull: each bundle is one pull, `h = Σ (pull + further·(n − 1))·difficulty`, and each bored place is set up
 * once, `Σ (place + member·members)`. `bundles` has the cables of each with what makes its pull harder than the others, `members` the
 * members bored at each place.
 */
export function pullingHours(
  factors: PullingFactors,
  bundles: readonly { readonly cables: number; readonly difficulty: number }[],
  members: readonly number[],
): { readonly pullHours: number; readonly boreHours: number } {
  const pullHours = bundles.reduce(
    (sum, { cables, difficulty }) => sum + (factors.pull + factors.furtherCable * (cables - 1)) * factors.difficulty * difficulty,
    0,
  );
  const boreHours = members.reduce((sum, count) => sum + factors.place + factors.member * count, 0);
  return { pullHours, boreHours };
}

export const pullingHoursCalculator = calculator({
  name: 'pulling-hours',
  title: 'Hours of boring and pulling in bundles',
  topic: 'order',
  source: 'Trade practice, ±40 %',
  formulaIds: ['F18.1b'],
  valid: 'a band, not a quotation; terminations, labels and cleanup are lines of their own',
  formulas: ['hours = Σ bundles (pull + further·(n − 1))·difficulty + Σ places (set-up + member·members)'],
  cautions: ['C21', 'C18'],
  input: z.strictObject({
    construction: z.enum(['new', 'retrofit']).default('new'),
    bundles: z.number().min(0).default(2).describe('pulls, each of one bundle'),
    cables: z.number().min(0).default(6).describe('cables in all of them'),
    places: z.number().min(0).default(10).describe('bored places'),
    members: z.number().min(0).default(12).describe('members bored at all of them'),
    difficulty: z.number().min(1).max(5).default(1).describe('1 open frame, 1.15 high, 1.3 vault, 2 to 3 finished wall'),
  }),
  example: {},
  run: ({ construction, bundles, cables, places, members, difficulty }) => {
    const factors = pullingFactors(construction);
    const further = Math.max(0, cables - bundles);
    const pullHours = (bundles * factors.pull + further * factors.furtherCable) * difficulty;
    const boreHours = places * factors.place + members * factors.member;
    const hours = pullHours + boreHours;
    return ok({ pullHours, boreHours, hours, ...hoursBand(hours) });
  },
  steps: (_, v) => [
    `${fig(v.pullHours)} h of pulling + ${fig(v.boreHours)} h of boring`,
    `${fig(v.hours)} h, ${fig(v.leastHours)} to ${fig(v.mostHours)} h`,
  ],
});
