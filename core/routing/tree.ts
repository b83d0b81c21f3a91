import type { Entry } from './attach.ts';
import type { Network } from './network.ts';
import { type ArcPrice, entryCost } from './share.ts';

/** Directions of a state: the route on from a node costs a turn where it leaves in another one. */
export const AXES = 3;

/** All cheapest routes to one end. A state is a node with the direction of the route that leaves it towards the end. */
export interface RouteTree {
  /** Cost from each state to the end, m; Infinity where there is no route. */
  readonly cost: Float64Array;
  /** The arc out of the node of each state, -1 at the end. */
  readonly arc: Int32Array;
  /** The state that the arc leads to. */
  readonly next: Int32Array;
  readonly entries: ReadonlyMap<number, Entry>;
  /** Where the route has to pass a place first: the tree that leads on from there. */
  readonly then: RouteTree | null;
  /** What setting up a place counts, as a share of its hole; 0 where routes are not shared. */
  readonly setUp: number;
}

/**
 * The cheapest routes from every node to the end that the entries lead to, by settling nodes from the end outward. Equal costs are
 * settled by the lower number, so the same network gives the same tree. Costs in metres of cable.
 */
export function growTree(network: Network, ends: readonly Entry[], price?: ArcPrice): RouteTree {
  const entries = new Map<number, Entry>();
  const sources = new Map<number, number>();
  for (const entry of ends) {
    const state = entry.node * AXES + entry.axis;
    const total = entryCost(entry, price?.setUp ?? 0);
    if (total >= (sources.get(state) ?? Infinity)) continue;
    sources.set(state, total);
    entries.set(state, entry);
  }
  return grown(network, sources, entries, null, price);
}

/** The cheapest routes that first pass one of these nodes and then go on in a tree. */
export function growThrough(network: Network, nodes: readonly number[], then: RouteTree, price?: ArcPrice): RouteTree {
  const sources = new Map<number, number>();
  for (const node of nodes) {
    for (let axis = 0; axis < AXES; axis++) {
      const state = node * AXES + axis;
      if (then.cost[state] < Infinity) sources.set(state, then.cost[state]);
    }
  }
  return grown(network, sources, new Map(), then, price);
}

function grown(
  network: Network,
  sources: ReadonlyMap<number, number>,
  entries: ReadonlyMap<number, Entry>,
  then: RouteTree | null,
  price?: ArcPrice,
): RouteTree {
  const { first, to, axis, work, holes, weights } = network;
  const count = (first.length - 1) * AXES;
  const cost = new Float64Array(count).fill(Infinity);
  const arc = new Int32Array(count).fill(-1);
  const next = new Int32Array(count).fill(-1);
  const settled = new Uint8Array(count);
  const queue = new StateQueue(cost);
  for (const [state, total] of sources) {
    cost[state] = total;
    queue.push(state);
  }
  const back = network.back;
  const priceOf = price?.of;
  for (let state = queue.pop(); state >= 0; state = queue.pop()) {
    if (settled[state]) continue;
    settled[state] = 1;
    const node = Math.floor(state / AXES);
    const leaves = state - node * AXES;
    const here = cost[state];
    // Walked from the end outward: the cable comes the other way, along the arc from `to` back to this node.
    for (let out = first[node]; out < first[node + 1]; out++) {
      // A place that has to be passed is not left by the route that led to it.
      if (then && next[state] < 0 && out === then.arc[state]) continue;
      const into = back[out];
      const from = to[out] * AXES + axis[out];
      if (settled[from]) continue;
      const total = here + (priceOf ? priceOf(into) : work[into] + holes[into]) + (axis[out] === leaves ? 0 : weights.turnM);
      if (total < cost[from] || (total === cost[from] && state < next[from])) {
        const cheaper = total < cost[from];
        cost[from] = total;
        arc[from] = into;
        next[from] = state;
        if (cheaper) queue.push(from);
      }
    }
  }
  return { cost, arc, next, entries, then, setUp: price?.setUp ?? 0 };
}

/** Every arc from a state to the end, and the state at the end, through all trees that lead on. */
export function walkTree(tree: RouteTree, from: number): { readonly arcs: readonly number[]; readonly end: Entry } {
  const arcs: number[] = [];
  let at: RouteTree = tree;
  for (let state = from; ;) {
    for (; at.next[state] >= 0; state = at.next[state]) arcs.push(at.arc[state]);
    if (!at.then) return { arcs, end: at.entries.get(state)! };
    at = at.then;
  }
}

/** A binary heap of states by their cost, the lower number first among equals. A state may wait more than once. */
class StateQueue {
  private keys = new Float64Array(4096);
  private states = new Int32Array(4096);
  private length = 0;

  constructor(private readonly cost: Float64Array) {}

  push(state: number): void {
    if (this.length === this.states.length) {
      const [keys, states] = [new Float64Array(2 * this.length), new Int32Array(2 * this.length)];
      keys.set(this.keys);
      states.set(this.states);
      this.keys = keys;
      this.states = states;
    }
    const { keys, states } = this;
    const key = this.cost[state];
    let at = this.length++;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (keys[up] < key || (keys[up] === key && states[up] < state)) break;
      keys[at] = keys[up];
      states[at] = states[up];
      at = up;
    }
    keys[at] = key;
    states[at] = state;
  }

  /** The next state, -1 where none waits. */
  pop(): number {
    if (this.length === 0) return -1;
    const { keys, states } = this;
    const top = states[0];
    const last = --this.length;
    const [key, state] = [keys[last], states[last]];
    let at = 0;
    for (;;) {
      let down = 2 * at + 1;
      if (down >= last) break;
      if (down + 1 < last && (keys[down + 1] < keys[down] || (keys[down + 1] === keys[down] && states[down + 1] < states[down])))
        down++;
      if (key < keys[down] || (key === keys[down] && state < states[down])) break;
      keys[at] = keys[down];
      states[at] = states[down];
      at = down;
    }
    keys[at] = key;
    states[at] = state;
    return top;
  }
}
