import { Remembered } from '../derive/index.ts';
import { nearestWall, openingsOf, wallPoint } from '../house/index.ts';
import { err, ok, type Outcome, type Point3 } from '../math/index.ts';
import type { Medium, Rack, RouteRule } from '../model/index.ts';
import type { Entry } from './attach.ts';
import { type EndPlace, entriesFrom } from './ends.ts';
import { type Hole, holesOf, outerSkin } from './holes.ts';
import type { Network } from './network.ts';
import { straighten, tidy } from './straighten.ts';
import { tightened } from './tighten.ts';
import { entryCost, keptPrice, type SharedLoads } from './share.ts';
import { BARRED_M } from './weights.ts';
import { nodesOfRule, passesBy, rulePrice } from './rules.ts';
import { whatBlocks } from './what-blocks.ts';
import { AXES, growThrough, growTree, walkTree, type RouteTree } from './tree.ts';

export type { EndPlace } from './ends.ts';

/** The route of one cable from the device to the rack's entry, metres from the datum. */
export interface RoutedPath {
  readonly points: readonly Point3[];
  readonly media: readonly Medium[];
  /** Upward, level and downward parts of the route from device to rack, m. */
  readonly riseM: number;
  readonly runM: number;
  readonly dropM: number;
  /** Holes in their order from the device. */
  readonly holes: readonly Hole[];
  /** What the route costs this cable beside others, m of cable. */
  readonly costM: number;
  /** Rules that a person made and that cannot be kept, by id. */
  readonly broken: readonly string[];
}

/**
 * The cheapest route from an end to a rack through walls, cavities and risers.
 * The same network gives the same route; `shared` are the routes that others go along. Problems: those of `entriesFrom`, `rack-not-at-wall`, `no-route`.
 */
export function routeDevice(
  network: Network,
  end: EndPlace,
  rack: Rack,
  shared: SharedLoads = NOT_SHARED,
  rules: readonly RouteRule[] = NO_RULES,
): Outcome<RoutedPath> {
  return routeBetween(network, end, rackPlace(rack), rackName(rack), shared, rules);
}

/** What a rack is called where a route to it is spoken of. */
export const rackName = ({ code }: Pick<Rack, 'code'>): string => `rack ${code}`;

/** Where cables enter a rack. */
export const rackPlace = ({ levelId, x, y, entry, entryHeightM, depthM }: Rack): EndPlace => ({
  levelId,
  x,
  y,
  heightM: entryHeightM,
  mount: 'rack',
  entry: { from: entry, depthM },
});

/** No route is shared with others. */
export const NOT_SHARED: SharedLoads = { counts: new Map(), setUp: 0 };
const NO_RULES: readonly RouteRule[] = [];

/**
 * The cheapest route from one end to another. Two boxes in one wall with no opening between are joined inside that wall.
 * `name` says where it goes in a problem. Problems: as for `routeDevice`.
 */
export function routeBetween(
  network: Network,
  end: EndPlace,
  target: EndPlace,
  name: string,
  shared: SharedLoads = NOT_SHARED,
  rules: readonly RouteRule[] = NO_RULES,
): Outcome<RoutedPath> {
  const inside = rules.length > 0 ? null : insideWall(network, end, target);
  const withSkins = (path: RoutedPath): RoutedPath => {
    const { points, media, holes } = path;
    const first = outerSkin(network.building, end, points[0], media[0]);
    const last = outerSkin(network.building, target, points[points.length - 1], media[media.length - 1]);
    return first.length + last.length > 0 ? { ...path, holes: [...first, ...holes, ...last] } : path;
  };
  if (inside) return ok(withSkins(inside));
  const starts = entriesFrom(network, end);
  if (!starts.ok) return starts;
  const toTarget = targetTree(network, target, shared);
  if (!toTarget.ok) return { ok: false, problem: { ...toTarget.problem, field: name } };
  // A rule that cannot be kept is told, and the route is found without it.
  for (let held = rules, broken: string[] = []; ;) {
    // What a route passes anyway needs no rule: it stays as it is.
    const away = held.filter(({ kind }) => kind === 'avoid');
    const routed = (by: readonly RouteRule[]): RoutedPath | null => {
      const tree = by.length > 0 ? treeByRules(network, target, shared, by) : toTarget;
      const best = tree.ok ? bestStart(network, tree.value, starts.value) : null;
      return tree.ok && best ? assemble(network, best.entry, best.state, tree.value, best.costM, away.length > 0) : null;
    };
    const free = away.length < held.length ? routed(away) : null;
    const through = held.filter(({ kind }) => kind === 'through');
    const path = free && through.every((rule) => passesBy(network, free, rule)) ? free : routed(held);
    if (path) return ok({ ...withSkins(path), broken });
    if (held.length === 0)
      return err('no-route', { kind: 'infeasible', field: 'position', rack: name, ...between(network, starts.value, target) });
    const last = held[held.length - 1];
    broken = [...broken, last.id];
    held = held.slice(0, -1);
  }
}

/** What the routes from a place reach, in words of the house, where they do not lead to the other end. */
function between(
  network: Network,
  starts: readonly Entry[],
  target: EndPlace,
): { readonly reached: readonly string[]; readonly blocked: string } {
  const { building } = network;
  const ends = entriesFrom(network, target);
  const { levels, rooms, onOneLevel } = whatBlocks(network, starts, ends.ok ? ends.value : []);
  const names = rooms.map((id) => network.spaces.find(({ room }) => room?.id === id)!.room!.name);
  const blocked = levels.length === 0 ? 'nowhere' : onOneLevel ? 'walls' : 'levels';
  return { reached: names.length > 0 ? names.slice(0, 4) : levels.map((n) => building.levels[n].name), blocked };
}

/** The cheapest of the entries, with the state of the tree that it joins; null where none of them leads to the end. */
export function bestStart(
  { weights }: Network,
  tree: RouteTree,
  starts: readonly Entry[],
): { readonly entry: Entry; readonly state: number; readonly costM: number } | null {
  let best: { entry: Entry; state: number; costM: number } | null = null;
  for (const entry of starts) {
    for (let axis = 0; axis < AXES; axis++) {
      const state = entry.node * AXES + axis;
      const costM = entryCost(entry, tree.setUp) + tree.cost[state] + (axis === entry.axis ? 0 : weights.turnM);
      if (costM < BARRED_M && (!best || costM < best.costM - 1e-9)) best = { entry, state, costM };
    }
  }
  return best;
}

/** Routes to racks and to the far ends of jumpers are remembered; a device that is dragged leaves many behind. */
const MAX_TREES = 40;

/** A tree that was grown before, or a new one. */
const remembered = ({ trees }: Network, shared: SharedLoads, key: string, grow: () => Outcome<RouteTree>): Outcome<RouteTree> =>
  trees.of(shared, () => new Remembered(MAX_TREES)).of(key, grow);

const keyOf = ({ mount, levelId, x, y, heightM, entry }: EndPlace) =>
  `${mount}:${levelId}:${x}:${y}:${heightM}:${entry?.from ?? ''}:${entry?.depthM ?? ''}`;

const targetTree = (network: Network, target: EndPlace, shared: SharedLoads): Outcome<RouteTree> =>
  remembered(network, shared, keyOf(target), () => {
    const routes = entriesFrom(network, target);
    return routes.ok
      ? ok(growTree(network, routes.value, shared.counts.size > 0 ? keptPrice(network, shared) : undefined))
      : routes;
  });

/** The tree to a target that keeps rules; a refusal where a thing that has to be passed is not there any more. */
const treeByRules = (network: Network, target: EndPlace, shared: SharedLoads, rules: readonly RouteRule[]): Outcome<RouteTree> =>
  remembered(network, shared, `rules:${JSON.stringify(rules)}:${keyOf(target)}`, () => {
    const routes = entriesFrom(network, target);
    if (!routes.ok) return routes;
    const price = rulePrice(
      network,
      shared,
      rules.filter(({ kind }) => kind === 'avoid'),
    );
    let tree = growTree(network, routes.value, price);
    for (const rule of rules.filter(({ kind }) => kind === 'through').reverse()) {
      const nodes = nodesOfRule(network, rule);
      if (nodes.length === 0) return err('no-route');
      tree = growThrough(network, nodes, tree, price);
    }
    return ok(tree);
  });

/** Two wall boxes in one wall: along it at the lower height, then up; null where that is not one wall, or an opening is between. */
function insideWall({ building, weights }: Network, a: EndPlace, b: EndPlace): RoutedPath | null {
  if (a.levelId !== b.levelId || a.mount !== 'wall' || b.mount !== 'wall' || a.heightM === null || b.heightM === null)
    return null;
  const placeOf = ({ levelId, x, y }: EndPlace) => nearestWall(building, levelId, [x, y], 0.35, (wall) => wall.cableMayRun);
  const [from, to] = [placeOf(a), placeOf(b)];
  if (!from || !to || from.wall.id !== to.wall.id) return null;
  const lowM = Math.min(a.heightM, b.heightM);
  const [left, right] = [Math.min(from.offsetM, to.offsetM), Math.max(from.offsetM, to.offsetM)];
  const high = Math.max(a.heightM, b.heightM);
  const barred = openingsOf(building, from.wall).some(
    (o) => o.offsetM + o.widthM / 2 > left && o.offsetM - o.widthM / 2 < right && o.sillM < high && o.headM > lowM,
  );
  if (barred) return null;
  const floorM = building.levelById[a.levelId].elevationM;
  const at = (offsetM: number, heightM: number): Point3 => [...wallPoint(from.wall, offsetM), floorM + heightM];
  const corners = [at(from.offsetM, a.heightM), at(from.offsetM, lowM), at(to.offsetM, lowM), at(to.offsetM, b.heightM)];
  const points = corners.map(tidy).filter((p, i, all) => i === 0 || all[i - 1].some((value, axis) => value !== p[axis]));
  if (points.length < 2) points.push(points[0]);
  const media = points.slice(1).map((): Medium => 'wall');
  const parts = partsOf(points);
  const holes = holesOf(building, points, media);
  return {
    points,
    media,
    ...parts,
    holes,
    costM: parts.riseM + parts.runM + parts.dropM + holes.length * weights.studBoredM,
    broken: [],
  };
}

function assemble(network: Network, start: Entry, from: number, tree: RouteTree, costM: number, keepsAway: boolean): RoutedPath {
  const { arcs, end } = walkTree(tree, from);
  // What was led away from a thing is not moved back beside it.
  const mayMove = tree.then === null && !keepsAway;
  return routeThrough(network, start, arcs, end, costM, !mayMove ? 'stays' : tree.setUp > 0 ? 'shared' : 'alone');
}

/** An entry, the arcs after it and the rest to the end as one route. */
export function routeThrough(
  network: Network,
  start: Entry,
  arcs: readonly number[],
  end: Entry,
  costM: number,
  how: 'alone' | 'shared' | 'stays' = 'alone',
): RoutedPath {
  const { x, y, z, space, spaces, to, detail, turned, details } = network;
  const points: Point3[] = [...start.points];
  const media: Medium[] = [...start.media];
  for (const arc of arcs) {
    const node = to[arc];
    const between = detail[arc] < 0 ? null : details[detail[arc]];
    if (between) {
      points.push(...(turned[arc] ? [...between.points].reverse() : between.points));
      media.push(...(turned[arc] ? [...between.media].reverse() : between.media));
    } else {
      media.push(spaces[space[node]].medium);
    }
    points.push([x[node], y[node], z[node]]);
  }
  points.push(...[...end.points].reverse().slice(1));
  media.push(...[...end.media].reverse());
  const straight = straighten(points.map(tidy), media);
  // What a person leads through a point stays there.
  const tight = how === 'stays' ? straight : tightened(network, straight, how === 'shared');
  const route = straighten(tight.points.map(tidy), tight.media);
  return { ...route, ...partsOf(route.points), holes: holesOf(network.building, route.points, route.media), costM, broken: [] };
}

/** Upward, level and downward metres of a route. */
export function partsOf(points: readonly Point3[]): { riseM: number; runM: number; dropM: number } {
  let riseM = 0;
  let runM = 0;
  let dropM = 0;
  for (let k = 1; k < points.length; k++) {
    const dz = points[k][2] - points[k - 1][2];
    if (dz > 0) riseM += dz;
    else dropM -= dz;
    runM += Math.hypot(points[k][0] - points[k - 1][0], points[k][1] - points[k - 1][1]);
  }
  return { riseM, runM, dropM };
}
