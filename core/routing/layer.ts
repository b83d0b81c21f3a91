import {
  closestOnSegment,
  crossingParameters,
  levelCrossings,
  type Point2,
  type Point3,
  pointInPolygon,
  rotate2,
} from '../math/index.ts';
import { type Building, wallTopM } from '../house/index.ts';
import type { Feature, Wall } from '../model/index.ts';
import { keepFromMains, SERVICE_KEEP_M } from '../calculators/index.ts';
import { ArcList } from './arcs.ts';
import { Growing } from './growing.ts';
import { across, bayNumber, joistsBored, reachedFromAbove, type Space } from './spaces.ts';
import { mayBeBored, isSolid, solidHalfM, wallCrossing, type Weights } from './weights.ts';

/** Distance between the lines along which cable is led: the usual joist bay, m. */
export const STEP_M = 0.4;
/** A node so near to an outline would belong to two rooms: it is left out and bridged by its neighbours, m. */
const ON_OUTLINE_M = 0.01;
/** Rooms whose outlines are so far apart still meet, m. */
const GAP_M = 0.02;

/** The lattice of the spaces of one level at about one height, turned with its grid; nodes are numbered from 0. */
export interface Layer {
  readonly levelIndex: number;
  readonly below: boolean;
  readonly angleRad: number;
  readonly spaces: readonly Space[];
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Number of the space of each node. */
  readonly space: Int32Array;
  readonly arcs: ArcList;
  readonly i0: number;
  readonly j0: number;
  readonly columns: number;
  readonly rows: number;
  /** Node at each place of the lattice, -1 where there is none. */
  readonly nodeAt: Int32Array;
  /** Outlines on the plan within which no cable lies, m. */
  readonly areas: readonly (readonly Point2[])[];
}

/** Something that stands across the lattice: a wall, or the edge of an obstacle, which bars. */
interface Across {
  /** Place along the line, lattice coordinates, m. */
  readonly at: number;
  readonly wall: Wall | null;
}

/** A route along one lattice line: its nodes in order with their places, and what stands across it. */
interface Line {
  readonly nodes: number[];
  readonly places: number[];
  readonly steps: number[];
  readonly across: Across[];
}

/** A lattice point in the middle of a bay of the usual spacing: half a step from the origin. */
export const placeOf = (n: number): number => (n + 0.5) * STEP_M;

export function buildLayer(
  building: Building,
  weights: Weights,
  levelIndex: number,
  below: boolean,
  spaces: readonly Space[],
): Layer {
  const level = building.levels[levelIndex];
  const angleRad = level.gridAngleRad;
  const turned = spaces.map(({ polygon }) => polygon.map((p) => rotate2(p, -angleRad)));
  const [i0, j0, columns, rows] = latticeOver(turned);
  const nodeAt = new Int32Array(columns * rows).fill(-1);
  const inStone = stoneAt(building.wallsByLevel[level.id] ?? [], angleRad, i0, j0, columns, rows);
  const [us, vs, space] = [Growing.floats(), Growing.floats(), Growing.ints()];
  const obstacles = obstaclesOf(building, weights, levelIndex, spaces, angleRad);

  turned.forEach((polygon, number) => {
    const edges = polygon.map((a, k) => [a, polygon[(k + 1) % polygon.length]] as const);
    const floor = Math.min(...polygon.map(([, v]) => v));
    const top = Math.max(...polygon.map(([, v]) => v));
    for (let j = Math.ceil(floor / STEP_M - 0.5); placeOf(j) < top; j++) {
      const v = placeOf(j);
      const flat = edges.filter(([a, b]) => Math.min(a[1], b[1]) <= v + ON_OUTLINE_M && Math.max(a[1], b[1]) >= v - ON_OUTLINE_M);
      const crossings = levelCrossings(polygon, v);
      for (let k = 0; k + 1 < crossings.length; k += 2) {
        for (let i = Math.ceil(crossings[k] / STEP_M - 0.5); placeOf(i) < crossings[k + 1]; i++) {
          const at = (j - j0) * columns + i - i0;
          const p: Point2 = [placeOf(i), v];
          if (nodeAt[at] >= 0) continue;
          if (flat.some(([a, b]) => closestOnSegment(p, a, b).distanceM < ON_OUTLINE_M)) continue;
          if (obstacles.areas.some((area) => pointInPolygon(p, area))) continue;
          if (inStone[at]) continue;
          nodeAt[at] = us.length;
          us.push(p[0]);
          vs.push(v);
          space.push(number);
        }
      }
    }
  });

  const areas = obstacles.areas.map((area) => area.map((p) => rotate2(p, angleRad)));
  const arcs = new ArcList();
  const count = us.length;
  const x = new Float64Array(count);
  const y = new Float64Array(count);
  for (let n = 0; n < count; n++) [x[n], y[n]] = rotate2([us.get(n), vs.get(n)], angleRad);
  const own: Own = {
    building,
    weights,
    spaces,
    turned,
    arcs,
    x,
    y,
    space: space.done(),
    bay: new Int32Array(count),
    reached: new Uint8Array(count),
    beside: new Uint8Array(count),
  };
  const mains = obstacles.mains;
  for (let n = 0; n < count; n++) {
    const its = spaces[own.space[n]];
    own.bay[n] = bayNumber(its, across(its, [x[n], y[n]]));
    if (its.attics.length > 0 && reachedFromAbove(its, [x[n], y[n]])) own.reached[n] = 1;
    if (mains.some(({ points, keepM }) => besideLine([us.get(n), vs.get(n)], points, keepM))) own.beside[n] = 1;
  }
  const walls = building.wallsByLevel[level.id] ?? [];
  for (const axis of [0, 1] as const) {
    const lines = linesOf(axis, nodeAt, columns, rows, i0, j0, axis === 0 ? us : vs);
    rasterise(walls, obstacles.bars, angleRad, axis, axis === 0 ? j0 : i0, lines);
    for (const line of lines) joinLine(own, line, axis);
  }
  return { levelIndex, below, angleRad, spaces, x, y, space: own.space, arcs, i0, j0, columns, rows, nodeAt, areas };
}

/** First column and row, and how many of them, of the lattice over some outlines: it is as large as they are, wherever they lie. */
function latticeOver(outlines: readonly (readonly Point2[])[]): readonly [number, number, number, number] {
  let [minU, maxU, minV, maxV] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const outline of outlines)
    for (const [u, v] of outline) {
      [minU, maxU] = [Math.min(minU, u), Math.max(maxU, u)];
      [minV, maxV] = [Math.min(minV, v), Math.max(maxV, v)];
    }
  if (minU > maxU) return [0, 0, 1, 1];
  const [i0, j0] = [Math.floor(minU / STEP_M) - 1, Math.floor(minV / STEP_M) - 1];
  return [i0, j0, Math.ceil(maxU / STEP_M) + 2 - i0, Math.ceil(maxV / STEP_M) + 2 - j0];
}

/** Places of the lattice that lie inside walls which stand up through the cavity. */
function stoneAt(walls: readonly Wall[], angleRad: number, i0: number, j0: number, columns: number, rows: number): Uint8Array {
  const inStone = new Uint8Array(columns * rows);
  for (const wall of walls) {
    const half = solidHalfM(wall) - 1e-6;
    if (half <= 0) continue;
    const [a, b] = [rotate2(wall.a as Point2, -angleRad), rotate2(wall.b as Point2, -angleRad)];
    const from = (axis: 0 | 1) => Math.ceil((Math.min(a[axis], b[axis]) - half) / STEP_M - 0.5);
    const to = (axis: 0 | 1) => Math.floor((Math.max(a[axis], b[axis]) + half) / STEP_M - 0.5);
    for (let i = Math.max(from(0), i0); i <= Math.min(to(0), i0 + columns - 1); i++) {
      for (let j = Math.max(from(1), j0); j <= Math.min(to(1), j0 + rows - 1); j++) {
        if (closestOnSegment([placeOf(i), placeOf(j)], a, b).distanceM < half) inStone[(j - j0) * columns + i - i0] = 1;
      }
    }
  }
  return inStone;
}

interface Own {
  readonly building: Building;
  readonly weights: Weights;
  readonly spaces: readonly Space[];
  readonly turned: readonly (readonly Point2[])[];
  readonly arcs: ArcList;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly space: Int32Array;
  readonly bay: Int32Array;
  readonly reached: Uint8Array;
  readonly beside: Uint8Array;
}

function linesOf(
  axis: 0 | 1,
  nodeAt: Int32Array,
  columns: number,
  rows: number,
  i0: number,
  j0: number,
  places: Growing<Float64Array>,
): Line[] {
  const [lines, length, stepsAt] = axis === 0 ? [rows, columns, i0] : [columns, rows, j0];
  return Array.from({ length: lines }, (_, n) => {
    const line: Line = { nodes: [], places: [], steps: [], across: [] };
    for (let k = 0; k < length; k++) {
      const node = axis === 0 ? nodeAt[n * columns + k] : nodeAt[k * columns + n];
      if (node < 0) continue;
      line.nodes.push(node);
      line.places.push(places.get(node));
      line.steps.push(stepsAt + k);
    }
    return line;
  });
}

/** Where walls and obstacles stand across the lines of one direction. */
function rasterise(
  walls: readonly Wall[],
  bars: readonly (readonly [Point2, Point2])[],
  angleRad: number,
  axis: 0 | 1,
  first: number,
  lines: readonly Line[],
): void {
  const other = axis === 0 ? 1 : 0;
  const mark = (a: Point2, b: Point2, wall: Wall | null) => {
    const [from, to] = a[other] < b[other] ? [a, b] : [b, a];
    for (let n = Math.ceil(from[other] / STEP_M - 0.5); placeOf(n) <= to[other]; n++) {
      const line = lines[n - first];
      if (!line || to[other] === from[other]) continue;
      const t = (placeOf(n) - from[other]) / (to[other] - from[other]);
      line.across.push({ at: from[axis] + (to[axis] - from[axis]) * t, wall });
    }
  };
  for (const wall of walls) mark(rotate2(wall.a as Point2, -angleRad), rotate2(wall.b as Point2, -angleRad), wall);
  for (const [a, b] of bars) mark(a, b, null);
  for (const line of lines) line.across.sort((p, q) => p.at - q.at || ((p.wall?.id ?? '') < (q.wall?.id ?? '') ? -1 : 1));
}

/** Joins the nodes of one lattice line to their neighbours. */
function joinLine(own: Own, line: Line, axis: 0 | 1): void {
  let next = 0;
  for (let k = 0; k + 1 < line.nodes.length; k++) {
    // A node may be missing inside a thick wall between two room outlines: then the next but one is reached.
    if (line.steps[k + 1] - line.steps[k] > 2) continue;
    const [from, to] = [line.places[k], line.places[k + 1]];
    while (next < line.across.length && line.across[next].at <= from) next++;
    let end = next;
    while (end < line.across.length && line.across[end].at < to) end++;
    joinNodes(own, line.nodes[k], line.nodes[k + 1], axis, from, to, next === end ? NOTHING : line.across.slice(next, end));
  }
}

const NOTHING: readonly Across[] = [];

function joinNodes(own: Own, a: number, b: number, axis: 0 | 1, from: number, to: number, crossed: readonly Across[]): void {
  const { building, weights, spaces, arcs, space, bay, reached, beside } = own;
  if (crossed.some(({ wall }) => wall === null)) return;
  const [inA, inB] = [spaces[space[a]], spaces[space[b]]];
  const lengthM = to - from;
  const same = inA === inB;
  if (same && lengthM > 1.5 * STEP_M) return;
  if (crossed.length > 0 || !same) {
    const leaves = outlineCrossings(own, space[a], a, b);
    const enters = same ? [] : outlineCrossings(own, space[b], a, b);
    if (same && leaves.length > 0) return;
    if (!same) {
      // Where one room lies inside the other, only one outline is passed and there is no gap between them.
      const nested = leaves.length === 0 || enters.length === 0;
      const gapM = nested ? 0 : Math.abs(leaves[0] - enters.at(-1)!) * lengthM;
      if (leaves.length > 1 || enters.length > 1) return;
      if (gapM > GAP_M && !crossed.some(({ wall }) => gapM <= wall!.thicknessM + GAP_M)) return;
    }
    return joinAcross(own, a, b, axis, from, to, crossed, leaves[0]);
  }
  let work = lengthM;
  let holes = 0;
  const bays = Math.abs(bay[a] - bay[b]);
  if (bays > 0) {
    if (reached[a] && reached[b]) work += bays * weights.openFrameM;
    else holes += joistsBored(building, weights, inA, bays, [own.x[a], own.y[a]]);
  }
  work += inA.openPerM * acrossShare(inA, own, a, b) * weights.openFrameM + spent(own, inA, a, b, lengthM);
  if (beside[a] && beside[b]) work += lengthM * weights.besideMains;
  arcs.add(a, b, axis, work, holes);
}

/** Metres across the members between two nodes. */
const acrossShare = (its: Space, { x, y }: Own, a: number, b: number): number =>
  its.openPerM === 0 ? 0 : Math.abs(across(its, [x[b] - x[a], y[b] - y[a]]));

/** What a metre costs more in a crawl space, and under a roof too low to move. */
function spent({ weights, reached }: Own, its: Space, a: number, b: number, lengthM: number): number {
  if (its.medium === 'crawl') return its.feature?.kind === 'crawl-space' ? weights.tight * lengthM : 0;
  return its.attics.length > 0 && !(reached[a] && reached[b]) ? weights.tight * lengthM : 0;
}

/** From one room into another, or past a wall within one. */
function joinAcross(
  own: Own,
  a: number,
  b: number,
  axis: 0 | 1,
  from: number,
  to: number,
  crossed: readonly Across[],
  leavesAt: number | undefined,
): void {
  const { building, weights, spaces, arcs, x, y, space, bay } = own;
  const [inA, inB] = [spaces[space[a]], spaces[space[b]]];
  const lengthM = to - from;
  const shareOf = (place: number) => (place - from) / lengthM;
  const t = crossed.length > 0 ? shareOf(crossed[0].at) : (leavesAt ?? 0.5);
  const at = (share: number): Point2 => [x[a] + (x[b] - x[a]) * share, y[a] + (y[b] - y[a]) * share];
  const middle = at(t);
  let work = lengthM + (spent(own, inA, a, b, lengthM) + spent(own, inB, a, b, lengthM)) / 2;
  let holes =
    joistsBored(building, weights, inA, Math.abs(bay[a] - bayNumber(inA, across(inA, middle))), [x[a], y[a]]) +
    joistsBored(building, weights, inB, Math.abs(bay[b] - bayNumber(inB, across(inB, middle))), [x[b], y[b]]);
  const highest = Math.max(inA.z, inB.z);
  for (const { wall } of crossed) {
    const level = building.levelById[wall!.levelId];
    holes += wallCrossing(weights, wall!, level.elevationM + wallTopM(building, wall!), highest);
  }
  const dz = inB.z - inA.z;
  if (Math.abs(dz) < 1e-6) return arcs.add(a, b, axis, work, holes);

  // The ceilings differ: the cable climbs inside the wall between them, or inside the framed step where there is no wall.
  const wall =
    crossed.find((one) => one.wall!.cableMayRun && !isSolid(one.wall!))?.wall ??
    crossed.find((one) => one.wall!.cableMayRun)?.wall;
  if (crossed.length > 0 && !wall) return;
  const climbAt = wall ? shareOf(crossed.find((one) => one.wall === wall)!.at) : t;
  const [cx, cy] = at(climbAt);
  work += Math.abs(dz) + weights.levelChangedM;
  if (wall) holes += weights.plateBoredM;
  const corner = (z: number): Point3 => [cx, cy, z];
  arcs.add(a, b, axis, work, holes, {
    points: [corner(inA.z), corner(inB.z)],
    media: [inA.medium, wall ? 'wall' : 'bulkhead', inB.medium],
  });
}

/** Shares of the route from node a to node b at which it passes the outline of a space, in order. */
function outlineCrossings({ turned, x, y, building, spaces }: Own, number: number, a: number, b: number): number[] {
  const angleRad = building.levels[spaces[number].levelIndex].gridAngleRad;
  const p = rotate2([x[a], y[a]], -angleRad);
  const q = rotate2([x[b], y[b]], -angleRad);
  const found: number[] = [];
  const polygon = turned[number];
  for (let i = 0; i < polygon.length; i++) {
    const hit = crossingParameters(p, q, polygon[i], polygon[(i + 1) % polygon.length]);
    if (hit && hit.t > 1e-9 && hit.t < 1 - 1e-9 && hit.u >= 0 && hit.u < 1) found.push(hit.t);
  }
  return found.sort((s, r) => s - r);
}

interface Obstacles {
  /** Outlines within which no cable lies, lattice coordinates. */
  readonly areas: readonly (readonly Point2[])[];
  readonly bars: readonly (readonly [Point2, Point2])[];
  readonly mains: readonly { readonly points: readonly Point2[]; readonly keepM: number }[];
}

/** Kinds that nothing passes through at their height: structure that is not bored, hot things, ducts. */
const BARRING: ReadonlySet<string> = new Set(['beam', 'steel', 'flue', 'duct', 'fireplace']);
/** Services that cable keeps clear of where a way around costs little, with the distance that they keep, m. */
const KEPT_CLEAR: Readonly<Partial<Record<Feature['kind'], number>>> = {
  pipe: SERVICE_KEEP_M.gas,
  'recessed-light': SERVICE_KEEP_M['lamp-driver'],
  'service-panel': SERVICE_KEEP_M.panelboard,
};

/** Mains within this height of a cable count as beside it, m. */
const MAINS_REACH_M = 0.35;

function obstaclesOf(
  building: Building,
  { jurisdiction }: Weights,
  levelIndex: number,
  spaces: readonly Space[],
  angleRad: number,
): Obstacles {
  const level = building.levels[levelIndex];
  const areas: Point2[][] = [];
  const mains: { points: Point2[]; keepM: number }[] = [];
  const [lowest, highest] = [Math.min(...spaces.map(({ z }) => z)), Math.max(...spaces.map(({ z }) => z))];
  for (const feature of building.featuresByLevel[level.id] ?? []) {
    const bottom = level.elevationM + feature.bottomM;
    const top = level.elevationM + feature.topM;
    if (feature.kind === 'mains-route' && feature.points.length >= 2) {
      if (bottom - MAINS_REACH_M <= highest && top + MAINS_REACH_M >= lowest)
        mains.push({
          points: feature.points.map((p) => rotate2(p as Point2, -angleRad)),
          keepM: keepFromMains(feature, jurisdiction, 'a') + feature.widthM / 2,
        });
      continue;
    }
    const keepM = KEPT_CLEAR[feature.kind];
    if (keepM !== undefined && bottom - keepM <= highest && top + keepM >= lowest)
      mains.push({
        points: feature.points.map((p) => rotate2(p as Point2, -angleRad)),
        keepM: Math.max(keepM, feature.clearanceM) + feature.widthM / 2,
      });
    if (!BARRING.has(feature.kind) || mayBeBored(feature)) continue;
    const clearM = clearOf(feature);
    if (bottom - clearM > highest || top + clearM < lowest) continue;
    areas.push(...outlinesOf({ ...feature, clearanceM: clearM }).map((outline) => outline.map((p) => rotate2(p, -angleRad))));
  }
  const bars = areas.flatMap((area) => area.map((a, k) => [a, area[(k + 1) % area.length]] as const));
  return { areas, bars, mains };
}

/** What a thing covers with the distance that it keeps, as outlines on the plan. */
function outlinesOf({ points, area, widthM, depthM, facingRad, clearanceM }: Feature): Point2[][] {
  if (area) return [points as Point2[]];
  if (points.length === 1) {
    const [hx, hy] = [widthM / 2 + clearanceM, (depthM || widthM) / 2 + clearanceM];
    const corners: Point2[] = [
      [-hx, -hy],
      [hx, -hy],
      [hx, hy],
      [-hx, hy],
    ];
    return [
      corners.map((corner) => {
        const [dx, dy] = rotate2(corner, facingRad);
        return [points[0][0] + dx, points[0][1] + dy];
      }),
    ];
  }
  const half = widthM / 2 + clearanceM;
  return points.slice(1).flatMap((b, k) => {
    const a = points[k];
    const lengthM = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (lengthM < 1e-6) return [];
    const [tx, ty] = [((b[0] - a[0]) / lengthM) * clearanceM, ((b[1] - a[1]) / lengthM) * clearanceM];
    const [nx, ny] = [(-(b[1] - a[1]) / lengthM) * half, ((b[0] - a[0]) / lengthM) * half];
    const outline: Point2[] = [
      [a[0] - tx + nx, a[1] - ty + ny],
      [b[0] + tx + nx, b[1] + ty + ny],
      [b[0] + tx - nx, b[1] + ty - ny],
      [a[0] - tx - nx, a[1] - ty - ny],
    ];
    return [outline];
  });
}

/** What is kept from a thing that bars the way, m: from a hot flue never less than the least. */
const clearOf = ({ kind, clearanceM }: Feature): number =>
  kind === 'flue' ? Math.max(clearanceM, SERVICE_KEEP_M.flue) : clearanceM;

const besideLine = (p: Point2, points: readonly Point2[], keepM: number): boolean =>
  points.length === 1
    ? Math.hypot(p[0] - points[0][0], p[1] - points[0][1]) < keepM
    : points.slice(1).some((b, k) => closestOnSegment(p, points[k], b).distanceM < keepM);
