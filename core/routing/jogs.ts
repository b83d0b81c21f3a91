import { closestOnSegment, pointInPolygon, rotate2, type Point2, type Point3 } from '../geometry/index.ts';
import type { Medium, Wall } from '../project/index.ts';
import { cavityCost, TURN_M, wallCrossingCost } from './costs.ts';
import { LATTICE_STEP_M, latticeKey, type Lattice, type Network, type NetworkNode } from './network.ts';

/** A short way from a place above a ceiling, in a wall or in a riser to a node of the lattice around it. */
export interface Jog {
  readonly node: number;
  readonly points: readonly Point3[];
  readonly media: readonly Medium[];
  readonly axis: 0 | 1 | 2;
  readonly cost: number;
  readonly walls: readonly { readonly wall: Wall; readonly at: Point3 }[];
}

/**
 * The ways from p to the lattice nodes around it: first upright inside `medium` to the height of the node, then square
 * to the grid. With `sameHeightOnly`, p is above a ceiling and only nodes at its own height count.
 */
export function jogs(network: Network, levelIndex: number, p: Point2, z: number, medium: Medium, sameHeightOnly = false): Jog[] {
  const lattice = network.lattices[levelIndex];
  for (const reach of [1, 2]) {
    const found = nodesAround(lattice, p, reach).flatMap((node) => {
      const target = network.nodes[node];
      if (sameHeightOnly && Math.abs(target.at[2] - z) > 1e-6) return [];
      return bestCorner(lattice, p, z, target, node, medium);
    });
    if (found.length > 0) return found;
  }
  return [];
}

function nodesAround(lattice: Lattice, p: Point2, reach: number): number[] {
  const [u, v] = rotate2(p, -lattice.angleRad);
  const i = Math.floor(u / LATTICE_STEP_M);
  const j = Math.floor(v / LATTICE_STEP_M);
  const nodes: number[] = [];
  for (let di = 1 - reach; di <= reach; di++) {
    for (let dj = 1 - reach; dj <= reach; dj++) {
      const node = lattice.nodeAt.get(latticeKey(i + di, j + dj));
      if (node !== undefined) nodes.push(node);
    }
  }
  return nodes;
}

/** The cheaper of the two square ways to a node, where at least one stays above its room's ceiling or in a wall head. */
function bestCorner(lattice: Lattice, p: Point2, z: number, target: NetworkNode, node: number, medium: Medium): Jog[] {
  const [u, v] = rotate2(p, -lattice.angleRad);
  const end: Point2 = [target.at[0], target.at[1]];
  const [eu, ev] = rotate2(end, -lattice.angleRad);
  const corners: { corner: Point2; axis: 0 | 1 }[] = [
    { corner: rotate2([u, ev], lattice.angleRad), axis: 0 },
    { corner: rotate2([eu, v], lattice.angleRad), axis: 1 },
  ];
  const room = target.room!;
  let best: Jog | null = null;
  for (const { corner, axis } of corners) {
    const legs = [
      [p, corner],
      [corner, end],
    ] as const;
    if (!legs.every(([from, to]) => staysInside(lattice, from, to, room.polygon as Point2[]))) continue;
    let cost = Math.abs(target.at[2] - z);
    for (const [from, to] of legs) {
      const lengthM = Math.hypot(to[0] - from[0], to[1] - from[1]);
      if (lengthM > 1e-9) cost += cavityCost(room, Math.atan2(to[1] - from[1], to[0] - from[0]), lengthM);
    }
    const bends = legs.every(([from, to]) => Math.hypot(to[0] - from[0], to[1] - from[1]) > 1e-6);
    if (bends) cost += TURN_M;
    const walls = legs.flatMap(([from, to]) =>
      lattice.walls.crossing(from, to).map(({ wall, t }) => ({
        wall,
        at: [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t, target.at[2]] as Point3,
      })),
    );
    for (const { wall } of walls) cost += wallCrossingCost(wall);
    if (best && cost >= best.cost) continue;
    const lift: Point3[] = Math.abs(target.at[2] - z) > 1e-6 ? [[p[0], p[1], target.at[2]]] : [];
    const lastLegM = Math.hypot(end[0] - corner[0], end[1] - corner[1]);
    best = {
      node,
      points: [[p[0], p[1], z], ...lift, [corner[0], corner[1], target.at[2]], target.at],
      media: [...lift.map(() => medium), 'cavity', 'cavity'],
      axis: lastLegM > 1e-6 ? axis : axis === 0 ? 1 : 0,
      cost,
      walls,
    };
  }
  return best ? [best] : [];
}

/** Whether every tenth of a metre of the way lies under the room's own structure or within a wall head. */
function staysInside(lattice: Lattice, from: Point2, to: Point2, polygon: readonly Point2[]): boolean {
  const lengthM = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const steps = Math.max(1, Math.ceil(lengthM / 0.1));
  for (let k = 0; k <= steps; k++) {
    const s: Point2 = [from[0] + ((to[0] - from[0]) * k) / steps, from[1] + ((to[1] - from[1]) * k) / steps];
    if (pointInPolygon(s, polygon, 0.005)) continue;
    const inWall = lattice.walls
      .near(s, 0.01)
      .some((wall) => closestOnSegment(s, wall.a, wall.b).distanceM <= wall.thicknessM / 2);
    if (!inWall) return false;
  }
  return true;
}
