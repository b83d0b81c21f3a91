import { planSpools } from '../../core/calculators/index.ts';
import { type Cut, solveSpools, type SpoolProblem } from '../../core/order/index.ts';
import { figure, type Figure, percentile } from './figure.ts';

const [CUTS, BUNDLES, TYPES, REPEATS] = [500, 60, 5, 12];
const SPOOL_M = 305;
const OFFERS = [
  { id: 'short', lengthM: 76, priceCents: 6_400 },
  { id: 'half', lengthM: 152, priceCents: 11_200 },
  { id: 'long', lengthM: SPOOL_M, priceCents: 20_500 },
];

/** The same numbers on every machine. */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

/** A house of five hundred cuts in sixty bundles; with one type of cable, or with five in turn. */
function houseOf(seed: number, types: number): SpoolProblem[] {
  const random = randomFrom(seed);
  const cuts = Array.from({ length: CUTS }, (_, n): Cut & { type: number } => {
    const meanM = 8 + 50 * random() * random() + 6 * random();
    const range = 0.06 * meanM;
    return {
      ...{ id: `c${n}`, meanM, sdM: range / 4, mostM: meanM + range / 2, bundle: `B${Math.floor(random() * BUNDLES)}` },
      type: Math.floor(random() * types),
    };
  });
  return Array.from({ length: types }, (_, type) => ({
    cuts: cuts.filter((one) => one.type === type),
    stock: [
      { id: 'opened', leftM: Math.round(40 + 150 * random()) },
      { id: 'rest', leftM: Math.round(15 + 30 * random()) },
    ],
    ...{ offers: OFFERS, confidence: 0.95, aim: 'cost' as const },
  }));
}

/** What first fit, longest first, buys of the longest size without the stock: the plain reference. */
function plainCents({ cuts }: SpoolProblem): number {
  const inBundle = new Map<string, number>();
  for (const { bundle } of cuts) inBundle.set(bundle, (inBundle.get(bundle) ?? 0) + 1);
  const found = planSpools(
    cuts.map(({ mostM }) => mostM),
    SPOOL_M,
    Math.max(1, ...inBundle.values()),
  );
  return found.ok ? found.value.buy * OFFERS[2].priceCents : NaN;
}

/** Spools for houses of five hundred cuts: time, price over the lower bound, and what first fit would buy. */
export function spoolFigures(): Figure[] {
  const of = (name: string, value: number, unit: string, limit: number | null = null) =>
    figure('spools', name, value, unit, limit);
  return [
    [1, 'one cable'],
    [TYPES, `${TYPES} cables`],
  ].flatMap(([types, words]) => {
    const times: number[] = [];
    let [cost, bound, plain, worst] = [0, 0, 0, 0];
    for (let n = 1; n <= REPEATS; n++) {
      const problems = houseOf(n * 7919, types as number);
      const start = performance.now();
      const answers = problems.map(solveSpools);
      times.push(performance.now() - start);
      const [own, least] = [sum(answers.map(({ costCents }) => costCents)), sum(answers.map(({ boundCents }) => boundCents))];
      [cost, bound, plain] = [cost + own, bound + least, plain + sum(problems.map(plainCents))];
      worst = Math.max(worst, own / least - 1);
    }
    const house = `${CUTS} cuts in ${BUNDLES} bundles, ${words}`;
    return [
      of(`${house}, 95th p.`, percentile(times, 0.95), 'ms', 1000),
      of('  price over the lower bound, worst of twelve houses', worst * 100, '%', 2),
      of('  price over the lower bound, all', (cost / bound - 1) * 100, '%', 2),
      of('  first fit of one size without stock, over the bound', (plain / bound - 1) * 100, '%'),
    ];
  });
}

const sum = (values: readonly number[]): number => values.reduce((total, one) => total + one, 0);
