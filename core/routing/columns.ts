import { type Building, openingsOf, wallLength, wallPoint, wallTopM } from '../house/index.ts';
import { type Point2, type Point3, pointInPolygon, rotate2 } from '../math/index.ts';
import type { Medium, Wall } from '../model/index.ts';
import type { Between } from './arcs.ts';
import { nearestNode } from './attach.ts';
import type { Layer } from './layer.ts';
import { across, bayNumber, joistsBored } from './spaces.ts';
import { isSolid, type Weights } from './weights.ts';

/** Room for the trimmer studs beside an opening, m. */
export const BESIDE_OPENING_M = 0.1;
/** A bay narrower than this takes no cable: there is nowhere to put the drill, m. */
const NARROWEST_M = 0.04;
/** Distance between the places at which a hollow wall without studs is looked at, m. */
const WITHOUT_STUDS_M = 0.6;

/** A bay of a wall through which a cable can pass from the space under the floor to the space above the ceiling. */
export interface Column {
  /** Nodes in the layers above and below. */
  readonly above: number;
  readonly below: number;
  readonly work: number;
  readonly holes: number;
  readonly between: Between;
}

/** Middles of the bays of a wall from its end a, m. */
export function baysOf(building: Building, wall: Wall): number[] {
  const lengthM = wallLength(wall);
  const studs = building.framing.studs(wall);
  if (studs.length < 2) {
    const count = Math.max(1, Math.floor(lengthM / WITHOUT_STUDS_M));
    return Array.from({ length: count }, (_, n) => ((n + 0.5) * lengthM) / count);
  }
  const middles: number[] = [];
  for (let k = 0; k + 1 < studs.length; k++) {
    const from = studs[k].offsetM + studs[k].widthM / 2;
    const to = studs[k + 1].offsetM - studs[k + 1].widthM / 2;
    if (to - from >= NARROWEST_M) middles.push((from + to) / 2);
  }
  return middles;
}

/** The bays of the walls of a level that join the layer above their ceilings to the one under their floor. */
export function columnsOf(building: Building, weights: Weights, above: Layer, below: Layer): Column[] {
  const level = building.levels[above.levelIndex];
  const found: Column[] = [];
  // What stands under water keeps its walls free of cable.
  const wet = (building.featuresByLevel[level.id] ?? []).filter(({ kind, points }) => kind === 'wet-zone' && points.length >= 3);
  for (const wall of building.wallsByLevel[level.id] ?? []) {
    if (!wall.cableMayRun || isSolid(wall)) continue;
    const openings = openingsOf(building, wall);
    for (const offsetM of baysOf(building, wall)) {
      if (openings.some((o) => Math.abs(offsetM - o.offsetM) < o.widthM / 2 + BESIDE_OPENING_M)) continue;
      const p = wallPoint(wall, offsetM);
      if (wet.some(({ points }) => pointInPolygon(p, points as Point2[], wall.thicknessM / 2))) continue;
      const column = columnAt(building, weights, above, below, wall, p);
      if (column) found.push(column);
    }
  }
  return found;
}

function columnAt(building: Building, weights: Weights, above: Layer, below: Layer, wall: Wall, p: Point2): Column | null {
  const [top, bottom] = [nearestNode(above, p), nearestNode(below, p)];
  if (top < 0 || bottom < 0) return null;
  const [high, low] = [above.spaces[above.space[top]].z, below.spaces[below.space[bottom]].z];
  const wallTop = building.levels[above.levelIndex].elevationM + wallTopM(building, wall);
  if (high < wallTop - 1e-6 || low >= high) return null;
  const [upper, lower] = [legTo(building, weights, above, p, top), legTo(building, weights, below, p, bottom)];
  return {
    above: top,
    below: bottom,
    work: upper.work + lower.work + (high - low) + weights.levelChangedM + 2 * weights.turnM,
    holes: upper.holes + lower.holes + weights.plateBoredM + weights.floorBoredM,
    between: new BayRoute(above, below, top, bottom, p),
  };
}

/** Where a route square to the grid turns between a bay of a wall and a node beside it. */
function turnOf(layer: Layer, p: Point2, node: number): Point2 {
  const [u] = rotate2(p, -layer.angleRad);
  const [, ev] = rotate2([layer.x[node], layer.y[node]], -layer.angleRad);
  return rotate2([u, ev], layer.angleRad);
}

/** What it costs to get from a bay of a wall to a node beside it. */
function legTo(
  building: Building,
  weights: Weights,
  layer: Layer,
  p: Point2,
  node: number,
): { readonly work: number; readonly holes: number } {
  const space = layer.spaces[layer.space[node]];
  const places = [p, turnOf(layer, p, node), [layer.x[node], layer.y[node]] as const];
  let work = 0;
  let holes = 0;
  for (let k = 0; k + 1 < places.length; k++) {
    const [from, to] = [places[k], places[k + 1]];
    work += Math.hypot(to[0] - from[0], to[1] - from[1]);
    const bays = Math.abs(bayNumber(space, across(space, from)) - bayNumber(space, across(space, to)));
    holes += joistsBored(building, weights, space, bays, from);
  }
  return { work, holes };
}

/** The corner of a leg between its ends, if it has one. */
function cornerOf(layer: Layer, p: Point2, node: number): Point3[] {
  const [x, y] = turnOf(layer, p, node);
  const bends = Math.hypot(x - p[0], y - p[1]) > 1e-6 && Math.hypot(layer.x[node] - x, layer.y[node] - y) > 1e-6;
  return bends ? [[x, y, layer.spaces[layer.space[node]].z]] : [];
}

/** What lies between the nodes of a column; drawn only for the few that a route takes. */
class BayRoute implements Between {
  constructor(
    private readonly above: Layer,
    private readonly below: Layer,
    private readonly top: number,
    private readonly bottom: number,
    private readonly p: Point2,
  ) {}

  get points(): readonly Point3[] {
    const { above, below, top, bottom, p } = this;
    const at = (layer: Layer, node: number): Point3 => [p[0], p[1], layer.spaces[layer.space[node]].z];
    return [...cornerOf(above, p, top), at(above, top), at(below, bottom), ...cornerOf(below, p, bottom)];
  }

  get media(): readonly Medium[] {
    const { above, below, top, bottom, p } = this;
    const upper = above.spaces[above.space[top]].medium;
    const lower = below.spaces[below.space[bottom]].medium;
    return [...cornerOf(above, p, top).map(() => upper), upper, 'wall', lower, ...cornerOf(below, p, bottom).map(() => lower)];
  }
}
