import { type Building, type WallGrid, wallsOf, wallTopM } from '../house/index.ts';
import { closestOnSegment, type Point2, type Point3, pointInPolygon, rotate2 } from '../math/index.ts';
import type { Medium } from '../model/index.ts';
import type { Axis } from './arcs.ts';
import { runsInSolid } from './in-solid.ts';
import { type Layer, STEP_M } from './layer.ts';
import { across, isOffSpan, joistsBetween, joistsBored, type Space } from './spaces.ts';
import { wallCrossing, type Weights } from './weights.ts';

/** A short route from a place to a node of the lattice around it. Costs in metres of cable. */
export interface Entry {
  /** Number of the node in its layer; in the network once it is put together. */
  readonly node: number;
  readonly points: readonly Point3[];
  readonly media: readonly Medium[];
  readonly axis: Axis;
  readonly work: number;
  readonly holes: number;
}

/**
 * The entries from a place to the lattice nodes around it: first upright inside `medium` to their height, then square to the grid.
 * With `sameHeightOnly` the place is in the space itself and only nodes at its own height count.
 */
export function entriesAt(
  building: Building,
  weights: Weights,
  layer: Layer,
  p: Point2,
  z: number,
  medium: Medium,
  sameHeightOnly = false,
): Entry[] {
  for (const reach of [1, 2]) {
    const found: Entry[] = [];
    for (const node of nodesAround(layer, p, reach)) {
      const space = layer.spaces[layer.space[node]];
      if (sameHeightOnly && Math.abs(space.z - z) > 1e-6) continue;
      const best = bestCorner(building, weights, layer, p, z, node, space, medium);
      if (best) found.push(best);
    }
    if (found.length === 0) continue;
    if (!weights.joistSpan || found.some(({ holes }) => holes < weights.offSpanM)) return found;
    // Beside a wall the first joist may only be bored farther along: the cable follows the last bay to there.
    let more = 0;
    for (const node of nodesInSpan(building, weights, layer, p)) {
      if (more >= MAX_BEYOND) break;
      const space = layer.spaces[layer.space[node]];
      if (sameHeightOnly && Math.abs(space.z - z) > 1e-6) continue;
      const best = bestCorner(building, weights, layer, p, z, node, space, medium);
      if (!best || best.holes >= weights.offSpanM) continue;
      found.push(best);
      more++;
    }
    return found;
  }
  return [];
}

/** How far along its bay a cable looks for a place to leave it, lattice steps. */
const ALONG_BAY = 10;
/** And how many such places are looked at: one on either side. */
const MAX_BEYOND = 2;

/** The first node on either side along the lines beside a place at which joists may be bored. */
function nodesInSpan({ framing }: Building, weights: Weights, layer: Layer, p: Point2): number[] {
  const [u, v] = rotate2(p, -layer.angleRad);
  const [i, j] = [Math.floor(u / STEP_M - 0.5) - layer.i0, Math.floor(v / STEP_M - 0.5) - layer.j0];
  const nodes: { node: number; steps: number }[] = [];
  for (const axis of [0, 1] as const)
    for (const beside of [0, 1])
      for (const route of [-1, 1])
        for (let k = 1; k <= ALONG_BAY; k++) {
          const [column, row] = axis === 0 ? [i + route * k, j + beside] : [i + beside, j + route * k];
          if (column < 0 || row < 0 || column >= layer.columns || row >= layer.rows) break;
          const node = layer.nodeAt[row * layer.columns + column];
          if (node < 0) continue;
          const { room } = layer.spaces[layer.space[node]];
          const corner = rotate2(
            axis === 0 ? [(column + layer.i0 + 0.5) * STEP_M, v] : [u, (row + layer.j0 + 0.5) * STEP_M],
            layer.angleRad,
          );
          if (room && isOffSpan(framing, weights, room, corner)) continue;
          nodes.push({ node, steps: k });
          break;
        }
  return nodes.sort((a, b) => a.steps - b.steps || a.node - b.node).map(({ node }) => node);
}

function nodesAround(layer: Layer, p: Point2, reach: number): number[] {
  const [u, v] = rotate2(p, -layer.angleRad);
  const i = Math.floor(u / STEP_M - 0.5) - layer.i0;
  const j = Math.floor(v / STEP_M - 0.5) - layer.j0;
  const nodes: number[] = [];
  for (let di = 1 - reach; di <= reach; di++) {
    for (let dj = 1 - reach; dj <= reach; dj++) {
      const [column, row] = [i + di, j + dj];
      if (column < 0 || row < 0 || column >= layer.columns || row >= layer.rows) continue;
      const node = layer.nodeAt[row * layer.columns + column];
      if (node >= 0) nodes.push(node);
    }
  }
  return nodes;
}

/** The cheaper of the two square routes to a node, where at least one stays in the space or in a wall head. */
function bestCorner(
  building: Building,
  weights: Weights,
  layer: Layer,
  p: Point2,
  z: number,
  node: number,
  space: Space,
  medium: Medium,
): Entry | null {
  const angleRad = layer.angleRad;
  const end: Point2 = [layer.x[node], layer.y[node]];
  const [u, v] = rotate2(p, -angleRad);
  const [eu, ev] = rotate2(end, -angleRad);
  const grid = wallsOf(building, building.levels[layer.levelIndex].id);
  let best: Entry | null = null;
  for (const axis of [0, 1] as const) {
    const corner = rotate2(axis === 0 ? [u, ev] : [eu, v], angleRad);
    const legs = [
      [p, corner],
      [corner, end],
    ] as const;
    if (!legs.every(([from, to]) => staysInside(grid, from, to, space.polygon) && !runsInSolid(grid, from, to))) continue;
    let work = Math.abs(space.z - z);
    let holes = 0;
    for (const [from, to] of legs) {
      const lengthM = Math.hypot(to[0] - from[0], to[1] - from[1]);
      if (lengthM < 1e-9) continue;
      const [x, y] = [across(space, from), across(space, to)];
      work += lengthM + space.openPerM * Math.abs(x - y) * weights.openFrameM;
      holes += joistsBored(building, weights, space, joistsBetween(space, x, y), from);
      for (const { wall } of grid.crossing(from, to)) {
        const level = building.levelById[wall.levelId];
        holes += wallCrossing(weights, wall, level.elevationM + wallTopM(building, wall), space.z);
      }
    }
    if (legs.every(([from, to]) => Math.hypot(to[0] - from[0], to[1] - from[1]) > 1e-6)) work += weights.turnM;
    if (best && work + holes >= best.work + best.holes) continue;
    const lift: Point3[] = Math.abs(space.z - z) > 1e-6 ? [[p[0], p[1], space.z]] : [];
    const lastLegM = Math.hypot(end[0] - corner[0], end[1] - corner[1]);
    best = {
      node,
      points: [[p[0], p[1], z], ...lift, [corner[0], corner[1], space.z], [end[0], end[1], space.z]],
      media: [...lift.map(() => medium), space.medium, space.medium],
      axis: lastLegM > 1e-6 ? axis : axis === 0 ? 1 : 0,
      work,
      holes,
    };
  }
  return best;
}

/** Whether every tenth of a metre of the route lies in the space itself or within a wall head. */
function staysInside(grid: WallGrid, from: Point2, to: Point2, polygon: readonly Point2[]): boolean {
  const lengthM = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const steps = Math.max(1, Math.ceil(lengthM / 0.1));
  for (let k = 0; k <= steps; k++) {
    const s: Point2 = [from[0] + ((to[0] - from[0]) * k) / steps, from[1] + ((to[1] - from[1]) * k) / steps];
    if (pointInPolygon(s, polygon, 0.005)) continue;
    if (!grid.near(s, 0.01).some((wall) => closestOnSegment(s, wall.a, wall.b).distanceM <= wall.thicknessM / 2)) return false;
  }
  return true;
}

/** The nearest node on the lattice around a place that a straight short route reaches; -1 where there is none. */
export function nearestNode(layer: Layer, p: Point2): number {
  let best = -1;
  let bestM = Infinity;
  const around = nodesAround(layer, p, 1);
  for (const node of around.length > 0 ? around : nodesAround(layer, p, 2)) {
    const farM = Math.abs(layer.x[node] - p[0]) + Math.abs(layer.y[node] - p[1]);
    if (farM < bestM - 1e-9) {
      best = node;
      bestM = farM;
    }
  }
  return best;
}
