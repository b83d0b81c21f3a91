import { ok, type Outcome, type Point3 } from '../math/index.ts';
import type { RouteRule } from '../model/index.ts';
import { type EndPlace, entriesFrom } from './ends.ts';
import type { Network } from './network.ts';
import { bestStart, routeBetween, type RoutedPath, routeThrough } from './route-device.ts';
import { rulePrice } from './rules.ts';
import { entryCost, type SharedLoads } from './share.ts';
import { growTree, walkTree } from './tree.ts';

/** A route that a run could take, and the points, in their order, that tell it from the route that it takes. */
export interface RouteOption {
  readonly way: RoutedPath;
  readonly via: readonly Point3[];
}

/** A route counts as another one where it comes so far away, m. */
const ELSEWHERE_M = 1;
/** Routes so near to one that was found are no other choice, m. */
const BESIDE_M = 0.9;
/** What lies beside routes that were found gets dearer by this factor each time. */
const DEARER = 1.5;
const MAX_SEARCHES = 10;
/** A run is led along another route by no more points than this. */
const MAX_POINTS = 3;

/**
 * The next cheapest routes beside the one that a run takes, in the order of their cost: each comes a metre or
 * more away from the others somewhere. What a person wants it to pass is left out of account, so that
 * another choice can be made. Costs in metres of cable.
 */
export function routeOptions(
  network: Network,
  end: EndPlace,
  target: EndPlace,
  shared: SharedLoads,
  rules: readonly RouteRule[],
  max = 2,
): Outcome<{ readonly taken: RoutedPath; readonly others: readonly RouteOption[] }> {
  const taken = routeBetween(network, end, target, '', shared, rules);
  if (!taken.ok) return taken;
  const [starts, ends] = [entriesFrom(network, end), entriesFrom(network, target)];
  if (!starts.ok) return starts;
  if (!ends.ok) return ends;
  const price = rulePrice(
    network,
    shared,
    rules.filter(({ kind }) => kind === 'avoid'),
  );
  const dearer = new Float64Array(network.x.length).fill(1);
  makeDearer(network, taken.value, dearer);
  const found: RoutedPath[] = [];
  for (let search = 0; search < MAX_SEARCHES && found.length < max; search++) {
    const tree = growTree(network, ends.value, {
      ...price,
      of: (arc) => price.of(arc) * Math.max(dearer[network.to[arc]], dearer[network.to[network.back[arc]]]),
    });
    const best = bestStart(network, tree, starts.value);
    if (!best) break;
    const { arcs, end: last } = walkTree(tree, best.state);
    // What it truly costs, at the prices that hold.
    let costM = entryCost(best.entry, price.setUp) + entryCost(last, price.setUp);
    let axis: number = best.entry.axis;
    for (const arc of arcs) {
      costM += price.of(arc) + (network.axis[arc] === axis ? 0 : network.weights.turnM);
      axis = network.axis[arc];
    }
    if (axis !== last.axis) costM += network.weights.turnM;
    const route = routeThrough(network, best.entry, arcs, last, costM);
    makeDearer(network, route, dearer);
    if ([taken.value, ...found].every((known) => farthest(route, known) >= ELSEWHERE_M)) found.push(route);
  }
  const others = found.sort((a, b) => a.costM - b.costM).map((route) => ({ way: route, via: tellingPoints(route, taken.value) }));
  return ok({ taken: taken.value, others });
}

function makeDearer({ x, y, z }: Network, { points }: RoutedPath, dearer: Float64Array): void {
  for (let node = 0; node < x.length; node++) {
    for (let k = 0; k + 1 < points.length; k++) {
      if (fromSegment(points[k], points[k + 1], x[node], y[node], z[node]) > BESIDE_M) continue;
      dearer[node] *= DEARER;
      break;
    }
  }
}

function fromSegment(a: Point3, b: Point3, px: number, py: number, pz: number): number {
  const [dx, dy, dz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const squared = dx * dx + dy * dy + dz * dz;
  const t = squared < 1e-12 ? 0 : Math.min(1, Math.max(0, ((px - a[0]) * dx + (py - a[1]) * dy + (pz - a[2]) * dz) / squared));
  return Math.hypot(a[0] + t * dx - px, a[1] + t * dy - py, a[2] + t * dz - pz);
}

/** Middles of the pieces of a route above ceilings with how far each lies from another route, m. */
function middlesOf(route: RoutedPath, from: RoutedPath): { readonly at: Point3; readonly farM: number }[] {
  return route.points.slice(1).flatMap((b, k) => {
    if (route.media[k] === 'ceiling' || route.media[k] === 'floor') return [];
    const a = route.points[k];
    const at: Point3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
    const farM = Math.min(...from.points.slice(1).map((q, n) => fromSegment(from.points[n], q, at[0], at[1], at[2])));
    return [{ at, farM }];
  });
}

const farthest = (route: RoutedPath, from: RoutedPath): number => Math.max(0, ...middlesOf(route, from).map(({ farM }) => farM));

/** Points enough to lead a run along a route: the pieces that lie elsewhere, the farthest ones where there are many. */
function tellingPoints(route: RoutedPath, from: RoutedPath): Point3[] {
  const middles = middlesOf(route, from).filter(({ at, farM }) => farM >= ELSEWHERE_M / 2 && isOnLattice(route, at));
  const farM = [...middles].sort((a, b) => b.farM - a.farM)[MAX_POINTS - 1]?.farM ?? 0;
  return middles
    .filter((one) => one.farM >= farM)
    .slice(0, MAX_POINTS)
    .map(({ at }) => at);
}

/** Inside a wall there is no place of the network to be led through. */
const isOnLattice = ({ points, media }: RoutedPath, at: Point3): boolean =>
  media.some((medium, k) => medium !== 'wall' && fromSegment(points[k], points[k + 1], at[0], at[1], at[2]) < 1e-6);
