import type { Entry } from './attach.ts';
import type { Network } from './network.ts';
import type { Weights } from './weights.ts';

/** Cables that one hole takes: a 25 mm bore filled to 40 % holds six of 6.1 mm; four or five pull easily (ENGINEERING 7.2). */
export const CABLES_A_HOLE = 5;
/** Cables that two people pull at once. */
export const CABLES_A_PULL = 6;
/** What a place costs once before it is bored (ladder, marking, bit), as a share of a hole: 0.05 h beside 0.03 h (ENGINEERING 18.1). */
export const SET_UP = 5 / 3;
/**
 * The same while routes are searched: a place that nobody else bores yet counts for more than its own set-up, since what the first cable
 * bores the next ones use.
 */
export const SEARCHED_SET_UP = 5;
/** Set-up is counted for members of the frame; a wall of stone or a fire wall costs more to pass, but is set up no more often, m. */
const SET_UP_UP_TO_M = 6;

/** What a piece of route costs for so many cables, m: pulled together, through shared holes, each place set up once. */
export const priceFor = (weights: Weights, work: number, holes: number, count: number): number =>
  priced(weights, work, holes, count, SET_UP);

function priced(weights: Weights, work: number, holes: number, count: number, setUp: number): number {
  if (count === 0) return 0;
  const pulls = Math.ceil(count / CABLES_A_PULL);
  const bored = holes * Math.ceil(count / CABLES_A_HOLE) + setUp * Math.min(holes, SET_UP_UP_TO_M);
  return work * (pulls + (count - pulls) * weights.furtherCable) + bored;
}

/** What a piece of route costs at least for n cables, 1 or more: `fixedM + n * eachM`, m. */
export interface LinearPrice {
  readonly fixedM: number;
  readonly eachM: number;
}

/**
 * A straight line that is never above the price of a piece of route, and meets it for few cables, or runs beside it for many: pulls are at
 * least one and at least a sixth of the cables, holes at least one and at least a fifth of them.
 */
export function priceBelow(weights: Weights, work: number, holes: number, usual: number): LinearPrice {
  const [manyPulls, manyHoles] = [usual > CABLES_A_PULL, usual > CABLES_A_HOLE];
  const pullM = work * (1 - weights.furtherCable);
  return {
    fixedM: (manyPulls ? 0 : pullM) + (manyHoles ? 0 : holes) + SET_UP * Math.min(holes, SET_UP_UP_TO_M),
    eachM: work * weights.furtherCable + (manyPulls ? pullM / CABLES_A_PULL : 0) + (manyHoles ? holes / CABLES_A_HOLE : 0),
  };
}

/** What an arc costs one more cable, by its number, m; and what setting up a place counts, as a share of its hole. */
export interface ArcPrice {
  readonly of: (arc: number) => number;
  readonly setUp: number;
}

/** What a way into the network costs that no other run shares, m. */
export const entryCost = ({ work, holes }: Pick<Entry, 'work' | 'holes'>, setUp: number): number =>
  work + holes + setUp * Math.min(holes, SET_UP_UP_TO_M);

/** How many cables pass each arc, counted in both directions at the lower of the two numbers. */
export type Loads = ReadonlyMap<number, number>;

/** Routes that are kept for many runs: how many pass them, and what a new place counts beside them, as a share of its hole. */
export interface SharedLoads {
  readonly counts: Loads;
  readonly setUp: number;
}

/** An arc and the one back are one route. */
export const linkNumber = ({ back }: Network, arc: number): number => Math.min(arc, back[arc]);

/** What a cable pays for its route where routes of others are kept: its share with those that are there, and more for a new place. */
export const keptPrice = (network: Network, { counts, setUp }: SharedLoads): ArcPrice => sharePrice(network, counts, 1, setUp);

/** The share of a route for each of the cables that passed it last: what slope scaling goes on with. */
export const averagePrice = (network: Network, loads: Loads, setUp: number): ArcPrice => sharePrice(network, loads, 0, setUp);

function sharePrice({ work, holes, weights, back }: Network, loads: Loads, more: 0 | 1, setUp: number): ArcPrice {
  if (loads.size === 0) return { of: (arc) => work[arc] + holes[arc], setUp: 0 };
  const prices = new Float64Array(work.length);
  for (let arc = 0; arc < work.length; arc++) prices[arc] = priced(weights, work[arc], holes[arc], 1, setUp);
  for (const [link, there] of loads) {
    const count = there + more;
    const alone = weights.furtherCable * work[link];
    const share = alone + (priced(weights, work[link], holes[link], count, setUp) - alone * count) / count;
    prices[link] = prices[back[link]] = share;
  }
  return { of: (arc) => prices[arc], setUp };
}

/** What so many more cables cost on each arc beside those that are there, a cable. */
export function addedPrice({ work, holes, weights, back }: Network, there: Uint16Array, count: number, setUp = SET_UP): ArcPrice {
  return {
    of: (arc) => {
      const before = there[Math.min(arc, back[arc])];
      const [w, h] = [work[arc], holes[arc]];
      return (priced(weights, w, h, before + count, setUp) - priced(weights, w, h, before, setUp)) / count;
    },
    setUp,
  };
}
