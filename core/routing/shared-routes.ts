import type { Entry } from './attach.ts';
import type { Network } from './network.ts';
import { bestStart } from './route-device.ts';
import { improved } from './improve.ts';
import { averagePrice, type Loads, priceFor, linkNumber } from './share.ts';
import { type ArcPrice, AXES, growTree, type RouteTree } from './tree.ts';

/** Runs that lead to one end. */
export interface Demand {
  readonly ends: readonly Entry[];
  /** The entries of each run into the network; a run without any is left out. */
  readonly starts: readonly (readonly Entry[])[];
}

/** What pulling comes to, in metres of cable: the route with what goes on in it, and the holes. */
export interface Work {
  readonly pullsM: number;
  readonly holesM: number;
  readonly totalM: number;
}

export interface SharedRoutes {
  /** What the routes are priced by: kept with the project, it gives these routes again. Empty where no run shares its route. */
  readonly prices: Loads;
  readonly work: Work;
  /** The same with each run on its own cheapest route, priced by the same rule. */
  readonly apart: Work;
}

/** No more rounds than this, and no more after so many that bring nothing. */
const MAX_ROUNDS = 12;
const PATIENCE = 3;
/** Searches for one place among all others: no more than this, as many as settle so many nodes, and none where that is too few. */
const MAX_SEARCHES = 400;
const SEARCHED_NODES = 250_000;
const FEWEST_SEARCHES = 40;

/**
 * Routes along which many runs share holes, by growing the tree of routes again and again with each hole priced at its share for the
 * cables that passed it last, and keeping the round that comes to least. The first round is every run on its own cheapest route, so the
 * result is never worse. The same runs in the same house give the same result. Costs in metres of cable.
 */
export function findSharedRoutes(network: Network, demands: readonly Demand[]): SharedRoutes {
  let loads: Loads = new Map();
  let best: { prices: Loads; work: Work } | null = null;
  let apart: Work | null = null;
  let idle = 0;
  for (let round = 0; round < MAX_ROUNDS && idle < PATIENCE; round++) {
    const { loads: next, work } = laid(network, demands, round === 0 ? undefined : averagePrice(network, loads));
    apart ??= work;
    if (!best || work.totalM < best.work.totalM - 1e-6) {
      best = { prices: loads, work };
      idle = 0;
    } else idle++;
    loads = next;
  }
  // Where there are not too many places, runs are also laid anew one after the other beside all others.
  const searches = Math.min(MAX_SEARCHES, Math.round(SEARCHED_NODES / network.x.length));
  for (let pass = 0; pass < PATIENCE && searches >= FEWEST_SEARCHES; pass++) {
    const prices = improved(network, demands, best!.prices, searches);
    const work = workWith(network, demands, prices);
    if (work.totalM >= best!.work.totalM - 1e-6) break;
    best = { prices, work };
  }
  return { ...best!, apart: apart! };
}

/** Work of runs on the ways that shared ones give them. */
export const workWith = (network: Network, demands: readonly Demand[], shared: Loads): Work =>
  laid(network, demands, averagePrice(network, shared)).work;

/** All runs in the trees that a price gives. */
function laid(network: Network, demands: readonly Demand[], price?: ArcPrice): { loads: Loads; work: Work } {
  const loads = new Map<number, number>();
  const own = { work: 0, holes: 0 };
  for (const demand of demands) loadTree(network, growTree(network, demand.ends, price), demand, loads, own);
  return { loads, work: workOf(network, loads, own) };
}

interface OwnWork {
  work: number;
  holes: number;
}

/** Lays the runs into a tree and counts them on every route; what no other run can share is added to `own`. */
function loadTree(network: Network, tree: RouteTree, { starts }: Demand, into: Map<number, number>, own: OwnWork): void {
  const { weights } = network;
  const atStart = new Map<string, { readonly entry: Entry; count: number }>();
  const atEntry = new Map<Entry, number>();
  for (const entries of starts) {
    const best = bestStart(network, tree, entries);
    if (!best) continue;
    if (best.state % AXES !== best.entry.axis) own.work += weights.turnM;
    const { entry } = best;
    const [first] = entry.points;
    const key = `${entry.node}/${first.join()}`;
    const from = atStart.get(key);
    if (from) from.count++;
    else atStart.set(key, { entry, count: 1 });
    let state = best.state;
    for (; tree.next[state] >= 0; state = tree.next[state]) {
      if (state % AXES !== tree.next[state] % AXES) own.work += weights.turnM;
      const route = linkNumber(network, tree.arc[state]);
      into.set(route, (into.get(route) ?? 0) + 1);
    }
    const end = tree.entries.get(state)!;
    atEntry.set(end, (atEntry.get(end) ?? 0) + 1);
  }
  // Cables of one box leave it by one hole.
  for (const { entry, count } of atStart.values()) {
    own.work += priceFor(weights, entry.work, 0, count);
    own.holes += priceFor(weights, 0, entry.holes, count);
  }
  for (const [entry, count] of atEntry) {
    own.work += priceFor(weights, entry.work, 0, count);
    own.holes += priceFor(weights, 0, entry.holes, count);
  }
}

function workOf({ work, holes, weights }: Network, loads: Loads, own: OwnWork): Work {
  let [pullsM, holesM] = [own.work, own.holes];
  for (const [arc, count] of loads) {
    pullsM += priceFor(weights, work[arc], 0, count);
    holesM += priceFor(weights, 0, holes[arc], count);
  }
  return { pullsM, holesM, totalM: pullsM + holesM };
}
