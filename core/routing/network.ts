import { ceilingHeightOf, roomAt, type Building } from '../building/index.ts';
import { closestOnSegment, crossingParameters, pointInPolygon, rotate2, type Point2, type Point3 } from '../geometry/index.ts';
import type { Medium, Room, Wall } from '../project/index.ts';
import { jogs } from './jogs.ts';
import { cavityCost, LEVEL_CHANGED_M, wallCrossingCost } from './costs.ts';
import { wallGrid, type WallGrid } from './wall-grid.ts';

/** Distance between the lines along which cable is led above a ceiling: the usual joist bay, m. */
export const LATTICE_STEP_M = 0.4;
/** How far above the finished ceiling a cable lies where the structure is deep enough, m. */
const ABOVE_CEILING_M = 0.1;

/** A place where a cable may turn: above a ceiling, or in a riser. */
export interface NetworkNode {
  readonly at: Point3;
  readonly levelIndex: number;
  /** The room whose ceiling it is above; null in a riser. */
  readonly room: Room | null;
}

/** A way from one node to another; `axis` 0 and 1 follow the level's grid, 2 is upright. */
export interface NetworkArc {
  readonly to: number;
  readonly cost: number;
  readonly axis: 0 | 1 | 2;
  /** What lies between the two nodes: corners, and the medium of each segment. */
  readonly between: readonly Point3[];
  readonly media: readonly Medium[];
  readonly walls: readonly { readonly wall: Wall; readonly at: Point3 }[];
}

/** All ways above the ceilings and through the risers. Walls join it where a device or rack needs them. */
export interface Network {
  readonly building: Building;
  readonly nodes: readonly NetworkNode[];
  readonly arcs: readonly (readonly NetworkArc[])[];
  readonly lattices: readonly Lattice[];
}

/** The lattice of one level, turned with its grid. */
export interface Lattice {
  readonly levelIndex: number;
  readonly angleRad: number;
  readonly walls: WallGrid;
  readonly nodeAt: ReadonlyMap<number, number>;
}

const HALF = 32_768;

/** One number for a lattice place; the lattice reaches 13 km each way. */
export const latticeKey = (i: number, j: number): number => (i + HALF) * 2 * HALF + (j + HALF);
const latticePlace = (key: number): [i: number, j: number] => [Math.floor(key / (2 * HALF)) - HALF, (key % (2 * HALF)) - HALF];

/** Height of a cable above a room's ceiling, m from the datum; null where the room has no cavity. */
export function cavityZ(building: Building, room: Room): number | null {
  const level = building.levelById[room.levelId];
  if (room.framing === 'none' || level.cavityDepthM <= 0) return null;
  return level.elevationM + ceilingHeightOf(room, level) + Math.min(ABOVE_CEILING_M, level.cavityDepthM / 2);
}

const kept = new WeakMap<Building, Network>();

/** The network of a building; made once for each building value. */
export function networkOf(building: Building): Network {
  let network = kept.get(building);
  if (!network) kept.set(building, (network = buildNetwork(building)));
  return network;
}

function buildNetwork(building: Building): Network {
  const nodes: NetworkNode[] = [];
  const arcs: NetworkArc[][] = [];
  const addNode = (node: NetworkNode): number => {
    arcs.push([]);
    return nodes.push(node) - 1;
  };
  const lattices = building.levels.map((level, levelIndex) => {
    const nodeAt = new Map<number, number>();
    for (const room of building.roomsByLevel[level.id] ?? []) {
      const z = cavityZ(building, room);
      if (z === null) continue;
      for (const [i, j] of latticePlacesIn(room, level.gridAngleRad)) {
        if (nodeAt.has(latticeKey(i, j))) continue;
        const [x, y] = rotate2([i * LATTICE_STEP_M, j * LATTICE_STEP_M], level.gridAngleRad);
        nodeAt.set(latticeKey(i, j), addNode({ at: [x, y, z], levelIndex, room }));
      }
    }
    return { levelIndex, angleRad: level.gridAngleRad, walls: wallGrid(building.wallsByLevel[level.id] ?? []), nodeAt };
  });
  for (const lattice of lattices) joinLattice(lattice, nodes, arcs);
  const network: Network = { building, nodes, arcs, lattices };
  for (const riser of building.risers) joinRiser(network, riser, addNode, arcs);
  return network;
}

function latticePlacesIn(room: Room, angleRad: number): [number, number][] {
  const local = room.polygon.map((p) => rotate2(p as Point2, -angleRad));
  const places: [number, number][] = [];
  const low = (axis: 0 | 1) => Math.ceil(Math.min(...local.map((p) => p[axis])) / LATTICE_STEP_M);
  const high = (axis: 0 | 1) => Math.floor(Math.max(...local.map((p) => p[axis])) / LATTICE_STEP_M);
  for (let i = low(0); i <= high(0); i++) {
    for (let j = low(1); j <= high(1); j++) {
      const p: Point2 = [i * LATTICE_STEP_M, j * LATTICE_STEP_M];
      if (pointInPolygon(p, local, 0) && !nearOutline(p, local)) places.push([i, j]);
    }
  }
  return places;
}

/** A node on a wall's centre line would belong to two rooms: it is left out and bridged by its neighbours. */
const nearOutline = (p: Point2, polygon: readonly Point2[]): boolean =>
  polygon.some((a, k) => closestOnSegment(p, a, polygon[(k + 1) % polygon.length]).distanceM < 0.01);

function joinLattice(lattice: Lattice, nodes: readonly NetworkNode[], arcs: NetworkArc[][]): void {
  for (const [key, a] of lattice.nodeAt) {
    const [i, j] = latticePlace(key);
    for (const axis of [0, 1] as const) {
      const step = (n: number) => lattice.nodeAt.get(latticeKey(i + (axis === 0 ? n : 0), j + (axis === 1 ? n : 0)));
      // A node may be missing inside a thick wall between two room outlines: then the next but one is tried.
      const b = step(1) ?? step(2);
      if (b === undefined) continue;
      const there = arcBetween(lattice, nodes[a], nodes[b], axis);
      if (!there) continue;
      arcs[a].push({ to: b, ...there });
      arcs[b].push({ to: a, ...reversed(there) });
    }
  }
}

const reversed = <T extends Omit<NetworkArc, 'to'>>(arc: T): T => ({
  ...arc,
  between: [...arc.between].reverse(),
  media: [...arc.media].reverse(),
  walls: [...arc.walls].reverse(),
});

/** The way from one lattice node to its neighbour; null where there is none inside the structure. */
function arcBetween(lattice: Lattice, a: NetworkNode, b: NetworkNode, axis: 0 | 1): Omit<NetworkArc, 'to'> | null {
  const p: Point2 = [a.at[0], a.at[1]];
  const q: Point2 = [b.at[0], b.at[1]];
  const lengthM = Math.hypot(q[0] - p[0], q[1] - p[1]);
  const crossed = lattice.walls.crossing(p, q);
  const leaves = outlineCrossings(p, q, a.room!);
  const enters = a.room === b.room ? [] : outlineCrossings(p, q, b.room!);
  if (a.room === b.room && leaves.length > 0) return null;
  if (a.room !== b.room) {
    // Where one room lies inside the other, only one outline is passed and there is no gap between them.
    const nested = leaves.length === 0 || enters.length === 0;
    const gapM = nested ? 0 : Math.abs(leaves[0] - enters.at(-1)!) * lengthM;
    if (leaves.length > 1 || enters.length > 1) return null;
    if (gapM > 0.02 && !crossed.some(({ wall }) => gapM <= wall.thicknessM + 0.02)) return null;
  } else if (lengthM > LATTICE_STEP_M * 1.5) return null;

  const angle = Math.atan2(q[1] - p[1], q[0] - p[0]);
  let cost = (cavityCost(a.room!, angle, lengthM) + cavityCost(b.room!, angle, lengthM)) / 2;
  for (const { wall } of crossed) cost += wallCrossingCost(wall);
  const dz = b.at[2] - a.at[2];
  const at = (t: number, z: number): Point3 => [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t, z];
  const walls = crossed.map(({ wall, t }) => ({ wall, at: at(t, a.at[2]) }));
  if (Math.abs(dz) < 1e-6) return { cost, axis, between: [], media: ['cavity'], walls };

  // The ceilings differ: the cable climbs inside the wall between them, or inside the framed step where there is no wall.
  const wall = crossed.find((c) => c.wall.cableMayRun);
  if (crossed.length > 0 && !wall) return null;
  const t = wall?.t ?? leaves[0] ?? 0.5;
  cost += Math.abs(dz) + LEVEL_CHANGED_M;
  return {
    cost,
    axis,
    between: [at(t, a.at[2]), at(t, b.at[2])],
    media: ['cavity', wall ? 'wall' : 'bulkhead', 'cavity'],
    walls,
  };
}

/** Shares of the way p-q at which it passes a room's outline, in order. */
function outlineCrossings(p: Point2, q: Point2, room: Room): number[] {
  const found: number[] = [];
  const polygon = room.polygon as Point2[];
  for (let i = 0; i < polygon.length; i++) {
    const hit = crossingParameters(p, q, polygon[i], polygon[(i + 1) % polygon.length]);
    if (hit && hit.t > 1e-9 && hit.t < 1 - 1e-9 && hit.u >= 0 && hit.u < 1) found.push(hit.t);
  }
  return found.sort((s, t) => s - t);
}

function joinRiser(
  network: Network,
  riser: Building['risers'][number],
  addNode: (node: NetworkNode) => number,
  arcs: NetworkArc[][],
): void {
  const { building } = network;
  const bottom = building.levels.findIndex((level) => level.id === riser.bottomLevelId);
  const top = building.levels.findIndex((level) => level.id === riser.topLevelId);
  let below = -1;
  for (let levelIndex = Math.min(bottom, top); levelIndex <= Math.max(bottom, top); levelIndex++) {
    const room = roomAt(building, building.levels[levelIndex].id, [riser.x, riser.y]);
    const z = room ? cavityZ(building, room) : null;
    if (z === null) continue;
    const node = addNode({ at: [riser.x, riser.y, z], levelIndex, room: null });
    for (const jog of jogs(network, levelIndex, [riser.x, riser.y], z, 'riser')) {
      const between = jog.points.slice(1, -1);
      const arc = { cost: jog.cost, axis: jog.axis, between, media: jog.media, walls: jog.walls };
      arcs[node].push({ to: jog.node, ...arc });
      arcs[jog.node].push({ to: node, ...reversed(arc) });
    }
    if (below >= 0) {
      const cost = Math.abs(z - network.nodes[below].at[2]);
      const arc = { cost, axis: 2 as const, between: [], media: ['riser' as const], walls: [] };
      arcs[node].push({ to: below, ...arc });
      arcs[below].push({ to: node, ...arc });
    }
    below = node;
  }
}
