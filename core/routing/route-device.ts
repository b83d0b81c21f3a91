import { shortestPathTree, walkToSource, type PathTree } from '../graph/index.ts';
import type { Point2, Point3 } from '../geometry/index.ts';
import { fine, refuse, type Outcome } from '../outcome/index.ts';
import { nearestWall, openingsOf, wallPoint } from '../building/index.ts';
import type { Medium, Rack, Room } from '../project/index.ts';
import { TURN_M } from './costs.ts';
import { waysIn, type EndPlace } from './ends.ts';
import type { Jog } from './jogs.ts';
import type { Network } from './network.ts';
import { straighten } from './straighten.ts';

export type { EndPlace } from './ends.ts';

/** A hole that the run needs: through the head of a wall, or through a floor in a riser. */
export interface Penetration {
  readonly at: Point3;
  readonly wallId: string | null;
  readonly through: 'plate' | 'masonry' | 'fire' | 'floor';
}

/** The way of one cable from the device to the rack's entry, metres from the datum. */
export interface RoutedPath {
  readonly points: readonly Point3[];
  readonly media: readonly Medium[];
  /** Upward, level and downward parts of the way from device to rack, m. */
  readonly riseM: number;
  readonly runM: number;
  readonly dropM: number;
  readonly joistsDrilled: number;
  readonly penetrations: readonly Penetration[];
}

/** All cheapest ways to one end, found once for a network. */
interface RackTree {
  readonly tree: PathTree;
  readonly entries: ReadonlyMap<number, Jog>;
}

const AXES = 3;
const treesOf = new WeakMap<Network, Map<string, Outcome<RackTree>>>();

/**
 * The cheapest way from an end to a rack through walls, cavities and risers.
 * The same network gives the same way. Problems: those of `waysIn`, `rack-not-at-wall`, `no-route`.
 */
export function routeDevice(network: Network, end: EndPlace, rack: Rack): Outcome<RoutedPath> {
  const { levelId, x, y, entryHeightM } = rack;
  return routeBetween(network, end, { levelId, x, y, heightM: entryHeightM, mount: 'rack' }, `rack ${rack.code}`);
}

/**
 * The cheapest way from one end to another. Two boxes in one wall with no opening between are joined inside that wall.
 * `name` says where it goes in a problem. Problems: as for `routeDevice`.
 */
export function routeBetween(network: Network, end: EndPlace, target: EndPlace, name: string): Outcome<RoutedPath> {
  const inside = insideWall(network, end, target);
  if (inside) return fine(inside);
  const starts = waysIn(network, end);
  if (!starts.ok) return starts;
  const toTarget = targetTree(network, target);
  if (!toTarget.ok) return { ok: false, problem: { ...toTarget.problem, field: name } };
  const { tree, entries } = toTarget.value;
  let best: { jog: Jog; state: number; cost: number } | null = null;
  for (const jog of starts.value) {
    for (let axis = 0; axis < AXES; axis++) {
      const state = jog.node * AXES + axis;
      const cost = jog.cost + tree.cost[state] + (axis === jog.axis ? 0 : TURN_M);
      if (cost < Infinity && (!best || cost < best.cost - 1e-9)) best = { jog, state, cost };
    }
  }
  if (!best) return refuse('no-route', { kind: 'infeasible', field: 'position', rack: name });
  return fine(assemble(network, best.jog, walkToSource(tree, best.state), entries));
}

/** Ways to racks and to the far ends of jumpers are remembered; a device that is dragged leaves many behind. */
const MOST_TREES = 40;

function targetTree(network: Network, target: EndPlace): Outcome<RackTree> {
  let trees = treesOf.get(network);
  if (!trees) treesOf.set(network, (trees = new Map()));
  const key = `${target.mount}:${target.levelId}:${target.x}:${target.y}:${target.heightM}`;
  let found = trees.get(key);
  if (!found) {
    if (trees.size >= MOST_TREES) trees.delete([...trees.keys()].find((old) => !old.startsWith('rack')) ?? '');
    trees.set(key, (found = growTree(network, target)));
  }
  return found;
}

function growTree(network: Network, target: EndPlace): Outcome<RackTree> {
  const ways = waysIn(network, target);
  if (!ways.ok) return ways;
  const entries = new Map<number, Jog>();
  for (const jog of ways.value) {
    const state = jog.node * AXES + jog.axis;
    const other = entries.get(state);
    if (!other || jog.cost < other.cost) entries.set(state, jog);
  }
  const sources = [...entries].map(([to, jog]) => ({ to, cost: jog.cost }));
  const tree = shortestPathTree(network.nodes.length * AXES, sources, (state, visit) => {
    const axis = state % AXES;
    for (const arc of network.arcs[(state - axis) / AXES]) {
      visit(arc.to * AXES + arc.axis, arc.cost + (arc.axis === axis ? 0 : TURN_M));
    }
  });
  return fine({ tree, entries });
}

/** Two wall boxes in one wall: along it at the lower height, then up; null where that is not one wall, or an opening is between. */
function insideWall({ building }: Network, a: EndPlace, b: EndPlace): RoutedPath | null {
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
  return { points, media, ...partsOf(points), joistsDrilled: 0, penetrations: [] };
}

function assemble(network: Network, start: Jog, states: readonly number[], entries: ReadonlyMap<number, Jog>): RoutedPath {
  const points: Point3[] = [...start.points];
  const media: Medium[] = [...start.media];
  const penetrations: Penetration[] = start.walls.map(holeInWall);
  let joistsDrilled = joistsCrossed(network, start);
  for (let k = 0; k + 1 < states.length; k++) {
    const from = Math.floor(states[k] / AXES);
    const to = Math.floor(states[k + 1] / AXES);
    // The tree was grown from the rack: the arc was walked from `to` to `from` along the axis kept in the state.
    const arc =
      network.arcs[from].find((a) => a.to === to && a.axis === states[k] % AXES) ?? network.arcs[from].find((a) => a.to === to)!;
    const target = network.nodes[to];
    points.push(...arc.between, target.at);
    media.push(...arc.media);
    penetrations.push(...arc.walls.map(holeInWall));
    if (arc.media[0] === 'riser') penetrations.push({ at: target.at, wallId: null, through: 'floor' });
    const room = network.nodes[from].room ?? target.room;
    if (room && arc.media[0] === 'cavity') joistsDrilled += joistsBetween(room, network.nodes[from].at, target.at);
  }
  const end = entries.get(states[states.length - 1])!;
  points.push(...[...end.points].reverse().slice(1));
  media.push(...[...end.media].reverse());
  penetrations.push(...[...end.walls].reverse().map(holeInWall));
  joistsDrilled += joistsCrossed(network, end);
  const way = straighten(points.map(tidy), media);
  return { ...way, ...partsOf(way.points), joistsDrilled, penetrations };
}

/** A micrometre is finer than any building and keeps float noise out of files. */
const tidy = ([x, y, z]: Point3): Point3 => [Math.round(x * 1e6) / 1e6, Math.round(y * 1e6) / 1e6, Math.round(z * 1e6) / 1e6];

function holeInWall({ wall, at }: Jog['walls'][number]): Penetration {
  const through = wall.kind === 'fire' ? 'fire' : wall.kind === 'masonry' || wall.kind === 'concrete' ? 'masonry' : 'plate';
  return { at, wallId: wall.id, through };
}

/** Upward, level and downward metres of a way. */
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

function joistsCrossed(network: Network, jog: Jog): number {
  const room = network.nodes[jog.node].room;
  if (!room) return 0;
  let count = 0;
  for (let k = 0; k + 1 < jog.points.length; k++) {
    if (jog.media[k] === 'cavity') count += joistsBetween(room, jog.points[k], jog.points[k + 1]);
  }
  return count;
}

/** Joists of a room between two points, the first joist line taken through the origin until the survey places it. */
function joistsBetween(room: Room, a: Point3 | Point2, b: Point3 | Point2): number {
  if (room.framing !== 'solid' && room.framing !== 'i-joist') return 0;
  const across = (p: Point3 | Point2) => -p[0] * Math.sin(room.joistAngleRad) + p[1] * Math.cos(room.joistAngleRad);
  const bay = (p: Point3 | Point2) => Math.floor(across(p) / room.joistSpacingM + 1e-9);
  return Math.abs(bay(a) - bay(b));
}
