import type { Network } from './network.ts';
import type { Weights } from './weights.ts';

/** Cables that one hole takes: a 25 mm bore filled to 40 % holds six of 6.1 mm; four or five pull easily (ENGINEERING 7.2). */
export const CABLES_A_HOLE = 5;
/** Cables that two people pull at once. */
export const CABLES_A_PULL = 6;

/** What a piece of route costs for so many cables, m: pulled together, and through shared holes. */
export function priceFor(weights: Weights, work: number, holes: number, count: number): number {
  const pulls = Math.ceil(count / CABLES_A_PULL);
  return work * (pulls + (count - pulls) * weights.furtherCable) + holes * Math.ceil(count / CABLES_A_HOLE);
}

/** How many cables pass each arc, counted in both directions at the lower of the two numbers. */
export type Loads = ReadonlyMap<number, number>;

/** An arc and the one back are one route. */
export const linkNumber = ({ back }: Network, arc: number): number => Math.min(arc, back[arc]);

/** The share of a route for each of the cables that pass it. */
export const averagePrice =
  ({ work, holes, weights, back }: Network, loads: Loads) =>
  (arc: number): number => {
    const count = loads.get(Math.min(arc, back[arc])) ?? 0;
    if (count <= 1) return work[arc] + holes[arc];
    const alone = weights.furtherCable * work[arc];
    return alone + (priceFor(weights, work[arc], holes[arc], count) - alone * count) / count;
  };
