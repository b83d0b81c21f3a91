import type { Entry } from './attach.ts';
import { distance3, groupedBy, type Point3 } from '../math/index.ts';
import type { Network } from './network.ts';
import { bestStart } from './route-device.ts';
import { growTree, type RouteTree, walkTree } from './tree.ts';
import { addedPrice, keptPrice, type Loads, linkNumber, priceFor, SEARCHED_SET_UP, SET_UP } from './share.ts';
import type { Demand } from './shared-routes.ts';

/** Runs that begin at one place, with the route that they take now. */
interface Group {
  readonly entries: readonly Entry[];
  readonly ends: readonly Entry[];
  readonly count: number;
  links: readonly number[];
  /** What no other run shares of it, m of work and of cable: its entries and turns. */
  ownM: number;
  ownCableM: number;
}

/** Places laid anew in one step: no more than this. */
const MAX_RUINED = 6;
/** A step that makes it dearer by this share is kept at the beginning of the search; at its end none is. */
const WARMTH = 0.004;
/** What a metre of cable over the limit counts, m: it is never worth it. */
const OVER_LIMIT = 20;

/**
 * Ruin and recreate: takes the runs of a few neighbouring places out, lays them again one place after the other beside all others, each
 * at what it adds, and keeps that where it is better, or at the beginning nearly as good. Returns how many cables then pass every route.
 * The same input gives the same result. `searches` is how many routes are searched, `limitM` the most cable in all, m.
 */
export function recreated(network: Network, demands: readonly Demand[], loads: Loads, searches: number, limitM: number): Loads {
  const { weights, work, holes } = network;
  const groups = groupsOf(network, demands, loads);
  if (groups.length < 2) return loads;
  const there = new Uint16Array(work.length);
  const lengthM = lengthsOf(network);
  let [score, cableM] = [0, 0];
  const lay = (group: Group, sign: 1 | -1) => {
    score += sign * group.ownM;
    cableM += sign * group.ownCableM;
    for (const link of group.links) {
      const [w, h] = [work[link], holes[link]];
      score -= priceFor(weights, w, h, there[link]);
      there[link] += sign * group.count;
      score += priceFor(weights, w, h, there[link]);
      cableM += sign * group.count * lengthM(link);
    }
  };
  for (const group of groups) lay(group, 1);
  const scored = () => score + OVER_LIMIT * Math.max(0, cableM - limitM);
  const neighbours = neighboursOf(groups);
  const random = drawn(groups.length);
  let [best, bestLoads] = [scored(), there.slice()];
  for (let spent = 0; spent < searches;) {
    const before = scored();
    const around = neighbours[Math.floor(random() * groups.length)];
    const ruined = around.slice(0, 1 + Math.floor(random() * Math.min(MAX_RUINED, around.length))).map((n) => groups[n]);
    const old = ruined.map((group) => ({ ...group }));
    for (const group of ruined) lay(group, -1);
    const setUp = random() < 0.5 ? SET_UP : SEARCHED_SET_UP;
    for (const group of shuffled(ruined, random)) {
      const tree = growTree(network, group.ends, addedPrice(network, there, group.count, setUp));
      Object.assign(group, routeIn(network, tree, bestStart(network, tree, group.entries)!, group.count));
      lay(group, 1);
      spent++;
    }
    const after = scored();
    if (after > before + WARMTH * best * random() * Math.max(0, 1 - (1.25 * spent) / searches)) {
      for (const group of ruined) lay(group, -1);
      ruined.forEach((group, n) => {
        Object.assign(group, old[n]);
        lay(group, 1);
      });
    } else if (after < best - 1e-9) [best, bestLoads] = [after, there.slice()];
  }
  const found = new Map<number, number>();
  bestLoads.forEach((count, link) => {
    if (count > 0) found.set(link, count);
  });
  return found;
}

/** Runs that begin at one place, counted. */
export function startPlaces(
  starts: readonly (readonly Entry[])[],
): { readonly entries: readonly Entry[]; readonly count: number }[] {
  const byStart = groupedBy(starts, ([first]) => first.points[0].join());
  return [...byStart.values()].map((own) => ({ entries: own[0], count: own.length }));
}

/** Where each goes now, beside those that pass so many cables. */
const groupsOf = (network: Network, demands: readonly Demand[], loads: Loads): Group[] =>
  demands.flatMap((demand) => {
    const tree = growTree(network, demand.ends, keptPrice(network, { counts: loads, setUp: SEARCHED_SET_UP }));
    return startPlaces(demand.starts).flatMap(({ entries, count }): Group[] => {
      const start = bestStart(network, tree, entries);
      if (!start) return [];
      return [{ entries, ends: demand.ends, count, ...routeIn(network, tree, start, count) }];
    });
  });

/** The route from a start through a tree, with what is its own. */
function routeIn(
  network: Network,
  tree: RouteTree,
  { entry, state }: { readonly entry: Entry; readonly state: number },
  count: number,
): Pick<Group, 'links' | 'ownM' | 'ownCableM'> {
  const { weights, axis } = network;
  const { arcs, end } = walkTree(tree, state);
  const axes = [entry.axis, ...arcs.map((arc) => axis[arc])];
  const turns = axes.slice(1).filter((one, n) => one !== axes[n]).length;
  const ownM =
    priceFor(weights, entry.work, entry.holes, count) +
    priceFor(weights, end.work, end.holes, count) +
    count * turns * weights.turnM;
  const ownCableM = count * (polylineM(entry.points) + polylineM(end.points));
  return { links: arcs.map((arc) => linkNumber(network, arc)), ownM, ownCableM };
}

/** Of each place the nearest ones, itself first. */
function neighboursOf(groups: readonly Group[]): number[][] {
  const at = groups.map(({ entries }) => entries[0].points[0]);
  return at.map((p) => {
    const far = at.map((q) => Math.abs(p[0] - q[0]) + Math.abs(p[1] - q[1]) + Math.abs(p[2] - q[2]));
    return far
      .map((_, n) => n)
      .sort((a, b) => far[a] - far[b] || a - b)
      .slice(0, 2 * MAX_RUINED);
  });
}

/** Length of a piece of route by its arc, m. */
export const lengthsOf =
  ({ x, y, z, to, back, detail, turned, details }: Network) =>
  (arc: number): number => {
    const [from, end] = [to[back[arc]], to[arc]];
    if (detail[arc] < 0) return Math.hypot(x[from] - x[end], y[from] - y[end], z[from] - z[end]);
    const { points } = details[detail[arc]];
    const corners = turned[arc] ? [...points].reverse() : points;
    return polylineM([[x[from], y[from], z[from]], ...corners, [x[end], y[end], z[end]]]);
  };

/** Length of a line through points, m. */
export const polylineM = (points: readonly Point3[]): number =>
  points.slice(1).reduce((sum, point, n) => sum + distance3(points[n], point), 0);

/** Numbers from 0 to 1 that are the same each time (a linear congruential generator). */
function drawn(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const all = [...list];
  for (let n = all.length - 1; n > 0; n--) {
    const other = Math.floor(random() * (n + 1));
    [all[n], all[other]] = [all[other], all[n]];
  }
  return all;
}
