import TinyQueue from 'tinyqueue';
import type { Entry } from './attach.ts';
import type { Network } from './network.ts';

/**
 * The slow reference: the cheapest route between two ends by A* on the network, sharing nothing with any other search. Its cost, m;
 * Infinity where there is no route. Tests and the benchmark hold `growTree` to it.
 */
export function plainRouteCost(network: Network, starts: readonly Entry[], ends: readonly Entry[]): number {
  const { first, to, axis, work, holes, weights, x, y, z } = network;
  const goal = new Map<number, Entry[]>();
  for (const entry of ends) goal.set(entry.node, [...(goal.get(entry.node) ?? []), entry]);
  const madeRoute = Math.min(1, weights.madeWay);
  const minM = (node: number) => {
    let min = Infinity;
    for (const end of goal.keys())
      min = Math.min(min, Math.hypot(x[node] - x[end], y[node] - y[end], z[node] - z[end]) * madeRoute);
    return min;
  };
  const best = new Map<string, number>();
  const queue = new TinyQueue<{ node: number; came: number; cost: number; least: number }>([], (a, b) => a.least - b.least);
  const push = (node: number, came: number, cost: number) => {
    const key = `${node}/${came}`;
    if (cost >= (best.get(key) ?? Infinity)) return;
    best.set(key, cost);
    queue.push({ node, came, cost, least: cost + minM(node) });
  };
  for (const { node, axis: came, work: w, holes: h } of starts) push(node, came, w + h);
  let found = Infinity;
  for (let next = queue.pop(); next && next.least < found; next = queue.pop()) {
    const { node, came, cost } = next;
    if (cost > best.get(`${node}/${came}`)!) continue;
    for (const { axis: leaves, work: w, holes: h } of goal.get(node) ?? [])
      found = Math.min(found, cost + w + h + (leaves === came ? 0 : weights.turnM));
    for (let arc = first[node]; arc < first[node + 1]; arc++) {
      const on = cost + work[arc] + holes[arc] + (axis[arc] === came ? 0 : weights.turnM);
      push(to[arc], axis[arc], on);
    }
  }
  return found;
}
