import { closestOnSegment, crossingParameters, distance2, type Point2, polygonArea } from '../math/index.ts';
import { CORNER_TOLERANCE_M } from '../house/index.ts';

/** What the lengths of walls are taken between: their faces, as a tape measures, or their centre lines. */
export type LengthsBetween = 'faces' | 'centres';

/** A corner of walls being drawn: at a point, or a length away from the corner before it. */
export type ChainCorner =
  | { readonly at: Point2 }
  /** Direction in rad from the right, length in m between what lengths are taken between. */
  | { readonly directionRad: number; readonly lengthM: number };

/** The first corner is a point; every other one may be a length. */
export type WallChain = readonly ChainCorner[];

/** Where a wall stands and how thick it is, m. */
export interface WallLine {
  readonly a: Point2;
  readonly b: Point2;
  readonly thicknessM: number;
}

export interface ChainSetting {
  /** The walls of the level that are there already. */
  readonly walls: readonly WallLine[];
  /** Thickness of the walls being drawn, m. */
  readonly thicknessM: number;
  readonly between: LengthsBetween;
}

/** Walls that meet at a flatter angle than this count as parallel, sine. */
const PARALLEL_SIN = 0.05;
/** A sharper turn than this is measured as if it were this sharp, rad. */
const SHARPEST_TURN_RAD = 2.6;
/** A typed length that ends this near the face of a wall ends there, m. */
const FACE_REACH_M = 0.02;

/** Each pass is some ten times nearer than the one before. */
const PASSES = 6;

const along = ([x, y]: Point2, directionRad: number, lengthM: number): Point2 => [
  x + Math.cos(directionRad) * lengthM,
  y + Math.sin(directionRad) * lengthM,
];
const directionOf = (a: Point2, b: Point2) => Math.atan2(b[1] - a[1], b[0] - a[0]);
const turnBetween = (before: number, after: number) => {
  const turn = after - before;
  return Math.atan2(Math.sin(turn), Math.cos(turn));
};

/** The corners of a chain as points on centre lines, m. With `closed` the last one is joined to the first. */
export function chainPoints(chain: WallChain, setting: ChainSetting, closed = false): Point2[] {
  // What a corner takes of a length follows from its turn, and the turns of the closing side from where the corners are.
  let points = pointsWith(chain, setting, (_, end) => (end ? setting.thicknessM / 2 : 0));
  for (let pass = 0; pass < PASSES; pass++) {
    const [last, turns] = [points, turnsOf(chain, points, closed)];
    points = pointsWith(chain, setting, (side, end) => allowanceM(chain, last, turns, { side, end, closed }, setting));
  }
  return points;
}

/** Length of a side (0 is the first) between faces or centres, m; `points` as `chainPoints` gives them. */
export function sideLengthM(chain: WallChain, points: readonly Point2[], side: number, setting: ChainSetting, closed = false) {
  const turns = turnsOf(chain, points, closed);
  const taken = [false, true].map((end) => allowanceM(chain, points, turns, { side, end, closed }, setting));
  return distance2(points[side], points[(side + 1) % points.length]) - taken[0] - taken[1];
}

/**
 * The corner at a length from the last one of a chain. A length that ends at the face of a wall that is there already ends in that
 * wall; `directionRad` from the right, `lengthM` in m between what lengths are taken between.
 */
export function cornerAtLength(chain: WallChain, directionRad: number, lengthM: number, setting: ChainSetting): ChainCorner {
  const corner: ChainCorner = { directionRad, lengthM };
  const points = chainPoints([...chain, corner], setting);
  const [from, to] = points.slice(-2);
  const beyond = along(to, directionRad, setting.thicknessM / 2 + FACE_REACH_M);
  for (const { a, b } of setting.walls) {
    const hit = crossingParameters(from, beyond, a, b);
    if (!hit || hit.t <= 1e-6 || hit.u < -1e-6 || hit.u > 1 + 1e-6) continue;
    const at = along(from, directionRad, distance2(from, beyond) * hit.t);
    const fixed = [...chain, { at }];
    const isLengthM = sideLengthM(fixed, chainPoints(fixed, setting), chain.length - 1, setting);
    if (Math.abs(isLengthM - lengthM) <= FACE_REACH_M) return { at };
  }
  return corner;
}

/**
 * The corner towards a point: where `gridM` is more than 0 and the point is not held by anything, its length is rounded to it.
 */
export function cornerTowards(chain: WallChain, to: Point2, gridM: number, setting: ChainSetting): ChainCorner {
  const points = chainPoints([...chain, { at: to }], setting);
  const from = points.at(-2)!;
  const directionRad = directionOf(from, to);
  // A free end is measured as the corner of a room that it is going to be.
  const lengthM = sideLengthM([...chain, { at: to }], points, chain.length - 1, setting);
  const rounded = gridM > 0 ? Math.round(lengthM / gridM) * gridM : lengthM;
  return rounded > 0 ? { directionRad, lengthM: rounded } : { at: to };
}

/** A rectangle from a first corner: its sides along the grid and across it, m; signs say which way. */
export function rectangleFrom(first: Point2, sides: readonly [number, number], gridAngleRad: number): WallChain {
  const [across, up] = sides;
  const first0 = across >= 0 ? gridAngleRad : gridAngleRad + Math.PI;
  const second = up >= 0 ? gridAngleRad + Math.PI / 2 : gridAngleRad - Math.PI / 2;
  return [
    { at: first },
    { directionRad: first0, lengthM: Math.abs(across) },
    { directionRad: second, lengthM: Math.abs(up) },
    { directionRad: first0 + Math.PI, lengthM: Math.abs(across) },
  ];
}

type Allowance = (side: number, end: boolean) => number;

function pointsWith(chain: WallChain, setting: ChainSetting, allowance: Allowance): Point2[] {
  const points: Point2[] = [];
  chain.forEach((corner, i) => {
    if ('at' in corner) return points.push(corner.at);
    const taken = setting.between === 'faces' ? allowance(i - 1, false) + allowance(i - 1, true) : 0;
    return points.push(along(points[i - 1], corner.directionRad, corner.lengthM + taken));
  });
  return points;
}

interface Turns {
  readonly directions: readonly number[];
  /** At each corner from the side before it to the one after it, rad; 0 at the ends of an open chain. */
  readonly at: readonly number[];
  /** 1 where the measured side is on the left, -1 where it is on the right, 0 where nothing turns yet. */
  readonly inside: number;
}

function turnsOf(chain: WallChain, points: readonly Point2[], closed: boolean): Turns {
  const count = closed ? points.length : points.length - 1;
  const directions = Array.from({ length: count }, (_, i) => {
    const corner = chain[i + 1];
    return corner && 'directionRad' in corner ? corner.directionRad : directionOf(points[i], points[(i + 1) % points.length]);
  });
  const at = points.map((_, i) => {
    const [before, after] = [i === 0 ? (closed ? count - 1 : -1) : i - 1, i];
    return before < 0 || after >= count ? 0 : turnBetween(directions[before], directions[after]);
  });
  const turning = closed ? polygonArea(points) : at.reduce((sum, turn) => sum + turn, 0);
  const first = at.find((turn) => Math.abs(turn) > 1e-6) ?? 0;
  return { directions, at, inside: Math.sign(Math.abs(turning) > 1e-6 ? turning : first) };
}

interface SideEnd {
  readonly side: number;
  readonly end: boolean;
  readonly closed: boolean;
}

/** How much of a side's centre line lies inside the wall at one of its ends, m; less than 0 at a corner that stands into the room. */
function allowanceM(
  chain: WallChain,
  points: readonly Point2[],
  turns: Turns,
  { side, end, closed }: SideEnd,
  setting: ChainSetting,
) {
  if (setting.between === 'centres') return 0;
  const corner = end ? (side + 1) % points.length : side;
  const p = points[corner];
  const host = chain[corner] && 'at' in chain[corner] ? insideWallM(p, turns.directions[side], setting.walls) : null;
  if (host !== null) return host;
  const isOpenEnd = !closed && (corner === 0 || corner === points.length - 1);
  if (isOpenEnd) return setting.thicknessM / 2;
  const turn = turns.at[corner];
  const size = (setting.thicknessM / 2) * Math.tan(Math.min(Math.abs(turn), SHARPEST_TURN_RAD) / 2);
  return Math.sign(turn) === turns.inside ? size : -size;
}

/** How far a line in a direction runs inside the walls that meet at a point, m; null where none does. */
function insideWallM(p: Point2, directionRad: number, walls: ChainSetting['walls']): number | null {
  let most: number | null = null;
  for (const { a, b, thicknessM } of walls) {
    if (closestOnSegment(p, a, b).distanceM > CORNER_TOLERANCE_M) continue;
    const sin = Math.abs(Math.sin(directionOf(a, b) - directionRad));
    if (sin >= PARALLEL_SIN) most = Math.max(most ?? 0, thicknessM / 2 / sin);
  }
  return most;
}

/** A place on a wall, by its distance from the nearest corner along the wall. */
export interface PlaceOnWall {
  readonly at: Point2;
  readonly corner: Point2;
  /** From the corner's face to the near edge of what stands at the place, m. */
  readonly lengthM: number;
}

/**
 * The place on a wall nearest to a point for something that reaches `halfM` to either side of it: at `lengthM` from the nearest
 * corner where that is given, else rounded to `gridM` (0 leaves it). All in m.
 */
export function placeOnWall(
  p: Point2,
  wall: WallLine,
  { walls, between }: Pick<ChainSetting, 'walls' | 'between'>,
  { halfM, gridM = 0, lengthM }: { readonly halfM: number; readonly gridM?: number; readonly lengthM?: number },
): PlaceOnWall {
  const { a, b } = wall;
  const wallLengthM = distance2(a, b);
  const directionRad = directionOf(a, b);
  const others = walls.filter((other) => other !== wall);
  const placeM = closestOnSegment(p, a, b).t * wallLengthM;
  const corners = [0, wallLengthM, ...others.flatMap((other) => meets(other, a, b))];
  const gapTo = (cornerM: number) => {
    const insideM = between === 'faces' ? (insideWallM(along(a, directionRad, cornerM), directionRad, others) ?? 0) : 0;
    return { cornerM, takenM: insideM + halfM };
  };
  const nearest = corners
    .map(gapTo)
    .reduce((best, one) => (Math.abs(placeM - one.cornerM) < Math.abs(placeM - best.cornerM) - 1e-9 ? one : best));
  const sign = placeM >= nearest.cornerM && nearest.cornerM < wallLengthM - 1e-9 ? 1 : -1;
  const freeM = Math.max(0, Math.abs(placeM - nearest.cornerM) - nearest.takenM);
  const wantedM = lengthM ?? (gridM > 0 ? Math.round(freeM / gridM) * gridM : freeM);
  return {
    at: along(a, directionRad, nearest.cornerM + sign * (wantedM + nearest.takenM)),
    corner: along(a, directionRad, nearest.cornerM),
    lengthM: wantedM,
  };
}

/** Where another wall ends on a wall or crosses it, m from its first end. */
function meets(other: Omit<WallLine, 'thicknessM'>, a: Point2, b: Point2): number[] {
  const lengthM = distance2(a, b);
  const touching = [other.a, other.b].flatMap((end) => {
    const { t, distanceM } = closestOnSegment(end, a, b);
    return distanceM <= CORNER_TOLERANCE_M ? [t * lengthM] : [];
  });
  if (touching.length > 0) return touching;
  const hit = crossingParameters(a, b, other.a, other.b);
  return hit && hit.t > 0 && hit.t < 1 && hit.u > 0 && hit.u < 1 ? [hit.t * lengthM] : [];
}
