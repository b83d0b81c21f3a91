import { expect } from 'chai';
import fc from 'fast-check';
import { shortestPathTree, walkToSource } from './index.ts';

type Edge = [from: number, to: number, cost: number];

/** The slow reference: relax every edge until nothing changes. */
function relaxed(count: number, edges: readonly Edge[]): number[] {
  const cost = Array.from({ length: count }, (_, n) => (n === 0 ? 0 : Infinity));
  for (let changed = true; changed;) {
    changed = false;
    for (const [from, to, w] of edges) {
      if (cost[from] + w < cost[to]) {
        cost[to] = cost[from] + w;
        changed = true;
      }
    }
  }
  return cost;
}

describe('the shortest path tree', () => {
  const edge = fc.tuple(fc.nat(11), fc.nat(11), fc.nat(20));

  it('costs what plain relaxation costs, and its walks add up', () => {
    fc.assert(
      fc.property(fc.array(edge, { maxLength: 60 }), (edges) => {
        const tree = shortestPathTree(12, [{ to: 0, cost: 0 }], (node, visit) =>
          edges.forEach(([f, t, w]) => f === node && visit(t, w)),
        );
        expect([...tree.cost]).to.deep.equal(relaxed(12, edges));
        tree.cost.forEach((cost, node) => {
          if (cost < Infinity) expect(walkToSource(tree, node).at(-1)).to.equal(0);
        });
      }),
    );
  });

  it('does not depend on the order in which arcs are told', () => {
    fc.assert(
      fc.property(fc.array(edge, { maxLength: 40 }), (edges) => {
        const grow = (list: readonly Edge[]) =>
          shortestPathTree(12, [{ to: 0, cost: 0 }], (node, visit) => list.forEach(([f, t, w]) => f === node && visit(t, w + 1)));
        expect([...grow(edges).before]).to.deep.equal([...grow([...edges].reverse()).before]);
      }),
    );
  });
});
