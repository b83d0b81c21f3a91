import type { Entry } from './attach.ts';
import type { Network } from './network.ts';
import { bestStart, NOT_SHARED } from './route-device.ts';
import { lengthsOf, polylineM, recreated } from './ruin-and-recreate.ts';
import {
  type ArcPrice,
  averagePrice,
  keptPrice,
  linkNumber,
  type Loads,
  priceFor,
  SEARCHED_SET_UP,
  SET_UP,
  type SharedLoads,
} from './share.ts';
import { AXES, growTree, type RouteTree } from './tree.ts';

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
  /** Cable in the routes, m. */
  readonly cableM: number;
}

export interface SharedRoutes {
  /** What the routes are priced by: kept with the project, it gives these routes again. Empty where no run shares its route. */
  readonly prices: SharedLoads;
  readonly work: Work;
  /** The same with each run on its own cheapest route, priced by the same rule. */
  readonly apart: Work;
}

/** No more rounds than this, fewer in a large network, and no more after so many that bring nothing. */
const MAX_ROUNDS = 12;
const MIN_ROUNDS = 4;
const ROUND_NODES = 150_000;
const PATIENCE = 3;
/** Searches for one place among all others: no more than this, as many as settle so many nodes, and none where that is too few. */
const MAX_SEARCHES = 3000;
const SEARCHED_NODES = 1_200_000;
const FEWEST_SEARCHES = 100;
/** Shared routes may take this much more cable than each run on its own cheapest route. */
const MOST_CABLE = 1.1;
/** How much a new place counts while routes are searched, as a share of its hole. */
const SET_UPS = [SET_UP, SEARCHED_SET_UP];
/** What is kept free for the last straightening of routes. */
const SEARCHED_CABLE = 1.09;

/**
 * Routes along which many runs share holes, by growing the tree of routes again and again with each hole priced at its share for the
 * cables that passed it last (slope scaling), and keeping the round that comes to least; then by ruin and recreate, as far as the size
 * of the house allows. The first round is every run on its own cheapest route, so the result is never worse, and it takes no more than a
 * tenth more cable. The same runs in the same house give the same result. Costs in metres of cable.
 */
export function findSharedRoutes(network: Network, demands: readonly Demand[]): SharedRoutes {
  const first = laid(network, demands);
  const apart = first.work;
  const isAllowed = ({ cableM }: Work) => cableM <= MOST_CABLE * apart.cableM;
  let best = first;
  const rounds = Math.max(MIN_ROUNDS, Math.min(MAX_ROUNDS, Math.round(ROUND_NODES / network.x.length)));
  for (const setUp of SET_UPS) {
    let { loads } = first;
    let idle = 0;
    for (let round = 1; round < rounds && idle < PATIENCE; round++) {
      const next = laid(network, demands, averagePrice(network, loads, setUp));
      if (isAllowed(next.work) && next.work.totalM < best.work.totalM - 1e-6) {
        best = next;
        idle = 0;
      } else idle++;
      loads = next.loads;
    }
  }
  // Where there are not too many places, runs are also laid anew a few at a time beside all others.
  const searches = Math.min(MAX_SEARCHES, Math.round(SEARCHED_NODES / network.x.length));
  const found = [best.loads];
  if (searches >= FEWEST_SEARCHES) found.push(recreated(network, demands, best.loads, searches, SEARCHED_CABLE * apart.cableM));
  // What counts is where runs go by what is kept.
  let kept: SharedRoutes = { prices: NOT_SHARED, work: apart, apart };
  for (const counts of found) {
    for (const setUp of SET_UPS) {
      const prices = { counts, setUp };
      const work = workWith(network, demands, prices);
      if (isAllowed(work) && work.totalM < kept.work.totalM - 1e-6) kept = { prices, work, apart };
    }
  }
  return kept;
}

/** How many cables pass each route after so many rounds of slope scaling. */
export function passes(network: Network, demands: readonly Demand[], rounds: number): Loads {
  let { loads } = laid(network, demands);
  for (let round = 1; round < rounds; round++)
    loads = laid(network, demands, averagePrice(network, loads, SEARCHED_SET_UP)).loads;
  return loads;
}

/** Work of runs on the routes that shared ones give them. */
export const workWith = (network: Network, demands: readonly Demand[], shared: SharedLoads): Work =>
  laid(network, demands, keptPrice(network, shared)).work;

/** All runs in the trees that a price gives. */
function laid(network: Network, demands: readonly Demand[], price?: ArcPrice): { loads: Loads; work: Work } {
  const loads = new Map<number, number>();
  const own = { work: 0, holes: 0, cableM: 0 };
  for (const demand of demands) loadTree(network, growTree(network, demand.ends, price), demand, loads, own);
  return { loads, work: workOf(network, loads, own) };
}

interface OwnWork {
  work: number;
  cableM: number;
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
    own.cableM += polylineM(entry.points);
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
    own.cableM += polylineM(end.points);
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

function workOf(network: Network, loads: Loads, own: OwnWork): Work {
  const { work, holes, weights } = network;
  const lengthM = lengthsOf(network);
  let [pullsM, holesM, cableM] = [own.work, own.holes, own.cableM];
  for (const [arc, count] of loads) {
    pullsM += priceFor(weights, work[arc], 0, count);
    holesM += priceFor(weights, 0, holes[arc], count);
    cableM += count * lengthM(arc);
  }
  return { pullsM, holesM, totalM: pullsM + holesM, cableM };
}
