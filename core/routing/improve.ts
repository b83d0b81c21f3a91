import type { Entry } from './attach.ts';
import type { Network } from './network.ts';
import { bestStart } from './route-device.ts';
import { growTree, walkTree, type RouteTree } from './tree.ts';
import { averagePrice, type Loads, priceFor, linkNumber } from './share.ts';
import type { Demand } from './shared-routes.ts';

/** Runs that begin at one place, with the routes that they take now. */
interface Group {
  readonly entries: readonly Entry[];
  readonly ends: readonly Entry[];
  readonly count: number;
  ways: readonly number[];
  costM: number;
}

/**
 * Takes the runs of one place after the other out and lays them anew beside all others, each at what it adds, until nothing gets
 * better or so many searches are spent. Returns how many cables then pass every route. Costs in metres of cable.
 */
export function improved(network: Network, demands: readonly Demand[], loads: Loads, searches: number): Loads {
  const { weights, work, holes } = network;
  const own = new Map<number, number>();
  const price = (count: number) => (arc: number) => {
    const there = own.get(linkNumber(network, arc)) ?? 0;
    return (priceFor(weights, work[arc], holes[arc], there + count) - priceFor(weights, work[arc], holes[arc], there)) / count;
  };
  // Where each goes now: by the tree that the loads came of.
  const groups: Group[] = demands.flatMap((demand) => {
    const tree = growTree(network, demand.ends, averagePrice(network, loads));
    const byStart = new Map<string, { entries: readonly Entry[]; count: number }>();
    for (const entries of demand.starts) {
      const key = entries[0].points[0].join();
      const known = byStart.get(key);
      if (known) known.count++;
      else byStart.set(key, { entries, count: 1 });
    }
    return [...byStart.values()].flatMap(({ entries, count }): Group[] => {
      const best = bestStart(network, tree, entries);
      return best ? [{ entries, ends: demand.ends, count, ways: routesFrom(network, tree, best.state), costM: best.costM }] : [];
    });
  });
  for (const { ways: routes, count } of groups) for (const route of routes) own.set(route, (own.get(route) ?? 0) + count);
  groups.sort((a, b) => b.count * b.costM - a.count * a.costM);
  let spent = 0;
  for (let changed = true; changed && spent < searches;) {
    changed = false;
    for (const group of groups) {
      if (spent++ >= searches) break;
      for (const route of group.ways) own.set(route, own.get(route)! - group.count);
      const tree = growTree(network, group.ends, price(group.count));
      const best = bestStart(network, tree, group.entries)!;
      const routes = routesFrom(network, tree, best.state);
      if (routes.join() !== group.ways.join()) changed = true;
      group.ways = routes;
      for (const route of routes) own.set(route, (own.get(route) ?? 0) + group.count);
    }
  }
  return own;
}

const routesFrom = (network: Network, tree: RouteTree, from: number): number[] =>
  walkTree(tree, from).arcs.map((arc) => linkNumber(network, arc));
