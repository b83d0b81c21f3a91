import TinyQueue from 'tinyqueue';

/** A way out of a node. `cost` is not negative. */
export interface Arc {
  readonly to: number;
  readonly cost: number;
}

/** Cheapest cost from the sources to every node (Infinity: not reached) and the node before it (-1: a source). */
export interface PathTree {
  readonly cost: Float64Array;
  readonly before: Int32Array;
}

interface Waiting {
  readonly node: number;
  readonly cost: number;
}

/**
 * Dijkstra's tree from the sources outward over `nodeCount` nodes.
 * The same graph gives the same tree: equal costs are settled by the lower node number.
 */
export function shortestPathTree(
  nodeCount: number,
  sources: readonly Arc[],
  eachArc: (node: number, visit: (to: number, cost: number) => void) => void,
): PathTree {
  const cost = new Float64Array(nodeCount).fill(Infinity);
  const before = new Int32Array(nodeCount).fill(-1);
  const settled = new Uint8Array(nodeCount);
  const queue = new TinyQueue<Waiting>([], (a, b) => a.cost - b.cost || a.node - b.node);
  for (const source of sources) {
    if (source.cost < cost[source.to]) {
      cost[source.to] = source.cost;
      queue.push({ node: source.to, cost: source.cost });
    }
  }
  for (let next = queue.pop(); next; next = queue.pop()) {
    const from = next.node;
    if (settled[from]) continue;
    settled[from] = 1;
    eachArc(from, (to, arcCost) => {
      const total = cost[from] + arcCost;
      if (total < cost[to] || (total === cost[to] && !settled[to] && from < before[to])) {
        const cheaper = total < cost[to];
        cost[to] = total;
        before[to] = from;
        if (cheaper) queue.push({ node: to, cost: total });
      }
    });
  }
  return { cost, before };
}

/** The nodes from `node` back to its source, both included. */
export function walkToSource(tree: PathTree, node: number): number[] {
  const path: number[] = [];
  for (let n = node; n >= 0; n = tree.before[n]) path.push(n);
  return path;
}
