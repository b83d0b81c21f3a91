import type { Entry } from './attach.ts';
import type { Network } from './network.ts';
import { BARRED_M } from './weights.ts';
import { bestStart } from './route-device.ts';
import { startPlaces } from './ruin-and-recreate.ts';
import { keptPrice, type Loads, linkNumber, priceBelow, priceFor, SEARCHED_SET_UP } from './share.ts';
import type { Demand } from './shared-routes.ts';
import { AXES, growTree, walkTree } from './tree.ts';

/** Runs that begin at one place and end at one head end, and what each pays of the fixed price of a piece of route, m. */
interface Payers {
  readonly entries: readonly Entry[];
  readonly ends: readonly Entry[];
  readonly count: number;
  readonly share: Map<number, number>;
}

/** Step of the first round, as a share of a fixed price. */
const FIRST_STEP = 1;
/** Rounds after which the step is half as long. */
const HALVED_AFTER = 20;

/**
 * A lower bound on the work of shared routes, m: every piece of route costs at least a fixed price and so much a cable; whoever uses it
 * pays a share of the fixed price, all shares together no more than it (Lagrangian relaxation, dual ascent by subgradient). Then each
 * place alone takes its cheapest route, and no routes together can come to less. `loads` are those of known routes, from which the first
 * shares come. The same input gives the same bound.
 */
export function sharedRouteBound(network: Network, demands: readonly Demand[], loads: Loads, rounds: number): number {
  const { work, holes, weights } = network;
  const fixedM = new Float64Array(work.length);
  const eachM = new Float64Array(work.length);
  for (let arc = 0; arc < work.length; arc++) {
    const below = priceBelow(weights, work[arc], holes[arc], loads.get(linkNumber(network, arc)) ?? 1);
    [fixedM[arc], eachM[arc]] = [below.fixedM, below.eachM];
  }
  const payers = payersOf(network, demands);
  firstShares(network, payers, loads, fixedM);
  const intoEndsM = demands.reduce((sum, demand) => sum + leastIntoEnd(network, demand), 0);
  let best = 0;
  for (let round = 0; round < rounds; round++) {
    const used = new Map<number, Payers[]>();
    let bound = 0;
    for (const payer of payers) {
      const found = cheapest(network, payer, eachM);
      if (!found) continue;
      bound += found.costM;
      for (const link of found.links) used.set(link, [...(used.get(link) ?? []), payer]);
    }
    best = Math.max(best, bound + intoEndsM);
    raiseShares(used, payers, fixedM, FIRST_STEP / (1 + round / HALVED_AFTER));
  }
  return best;
}

/** What the way into a head end costs at least before its cables are counted, m. */
const leastIntoEnd = ({ weights }: Network, { ends, starts }: Demand): number =>
  starts.length === 0 ? 0 : Math.min(...ends.map(({ work, holes }) => priceBelow(weights, work, holes, 1).fixedM));

function payersOf(network: Network, demands: readonly Demand[]): Payers[] {
  const { furtherCable } = network.weights;
  return demands.flatMap(({ ends, starts }) => {
    // A way into the head end is shared too: here at least what a further cable costs.
    const least = ends.map((end) => ({ ...end, work: end.work * furtherCable, holes: 0 }));
    return startPlaces(starts).map(({ entries, count }) => ({ entries, ends: least, count, share: new Map<number, number>() }));
  });
}

/** Each pays at first by its cables for the pieces that it uses on the known routes. */
function firstShares(network: Network, payers: readonly Payers[], loads: Loads, fixedM: Float64Array): void {
  const used = new Map<number, Payers[]>();
  const kept = keptPrice(network, { counts: loads, setUp: SEARCHED_SET_UP });
  for (const payer of payers) {
    const tree = growTree(network, payer.ends, kept);
    const start = bestStart(network, tree, payer.entries);
    if (!start) continue;
    for (const arc of walkTree(tree, start.state).arcs) {
      const link = linkNumber(network, arc);
      used.set(link, [...(used.get(link) ?? []), payer]);
    }
  }
  for (const [link, users] of used) {
    const cables = users.reduce((sum, { count }) => sum + count, 0);
    for (const payer of users) payer.share.set(link, (fixedM[link] * payer.count) / cables);
  }
}

/** The cheapest route of one place with its shares, for all of its cables, m; null where none leads to the end. */
function cheapest(
  network: Network,
  { entries, ends, count, share }: Payers,
  eachM: Float64Array,
): { costM: number; links: number[] } | null {
  const { back, weights } = network;
  const price = eachM.slice();
  for (const [link, shareM] of share) {
    price[link] = eachM[link] + shareM / count;
    price[back[link]] = eachM[back[link]] + shareM / count;
  }
  const tree = growTree(network, ends, { of: (arc) => price[arc], setUp: 0 });
  let best: { costM: number; state: number } | null = null;
  for (const entry of entries) {
    const ownM = priceFor(weights, entry.work, entry.holes, count);
    for (let axis = 0; axis < AXES; axis++) {
      const state = entry.node * AXES + axis;
      const cableM = tree.cost[state] + (axis === entry.axis ? 0 : weights.turnM);
      const costM = ownM + count * cableM;
      if (ownM + cableM < BARRED_M && (!best || costM < best.costM)) best = { costM, state };
    }
  }
  if (!best) return null;
  return { costM: best.costM, links: [...new Set(walkTree(tree, best.state).arcs.map((arc) => linkNumber(network, arc)))] };
}

/** Who uses a piece of route pays more of it; where all shares would be more than its fixed price, all are cut alike. */
function raiseShares(used: ReadonlyMap<number, Payers[]>, payers: readonly Payers[], fixedM: Float64Array, step: number): void {
  const sums = new Map<number, number>();
  for (const [link, users] of used)
    for (const { share } of users) share.set(link, (share.get(link) ?? 0) + (step * fixedM[link]) / users.length);
  for (const { share } of payers) for (const [link, shareM] of share) sums.set(link, (sums.get(link) ?? 0) + shareM);
  for (const { share } of payers)
    for (const [link, shareM] of share) {
      const sum = sums.get(link)!;
      if (sum > fixedM[link]) share.set(link, (shareM * fixedM[link]) / sum);
    }
}
