import type { Snap } from '@dusky-spool/core/house';
import { closestOnSegment, distance2, type Point2, rotate2 } from '@dusky-spool/core/math';
import {
  type ChainCorner,
  chainPoints,
  type ChainSetting,
  cornerAtLength,
  cornerTowards,
  placeOnWall,
  rectangleFrom,
  sideLengthM,
  type WallChain,
} from '@dusky-spool/core/survey';

/** Drawing a chain of walls: the corners set so far, and what has been typed for the next one. */
export interface DrawWalls {
  readonly chain: WallChain;
  readonly typed: string;
  /** Directions in steps from the grid; the usual, as most walls are square. */
  readonly angleLock: boolean;
}

export const startWalls: DrawWalls = { chain: [], typed: '', angleLock: true };

/** Where the pointer is, m, and what it is drawn to. */
export interface Pointer {
  readonly at: Point2;
  readonly snap: Snap;
}

export interface DrawSetting extends ChainSetting {
  readonly gridAngleRad: number;
  /** Lengths are rounded to this, m; 0 leaves them. */
  readonly gridM: number;
  /** A chain closes where the pointer is this near to its first corner, m. */
  readonly closeReachM: number;
  /** A typed length, m; null where it is none. */
  readonly readLength: (text: string) => number | null;
}

/** What a click or Enter does next: the preview shows it, and it is done as it is shown. */
export interface WallTarget {
  readonly chain: WallChain;
  readonly closes: boolean;
  /** The corners of `chain` as they would be built, m. */
  readonly points: readonly Point2[];
  readonly point: Point2;
  /** The length that the target stands for, and what it is measured from; null where it is none. */
  readonly length: { readonly from: Point2; readonly lengthM: number } | null;
}

/** What drawing asks for: the next state, and the points to build through where it is finished. */
export interface DrawStep {
  readonly state: DrawWalls;
  readonly build: readonly Point2[] | null;
}

const SAME_POINT_M = 0.005;
/** A typed length that ends this near to the first corner closes the chain, m. */
const TYPED_CLOSE_M = 0.02;
const DEGREE = Math.PI / 180;
/** Locked angles are in steps of this from the grid, rad. */
export const ANGLE_STEP_RAD = 15 * DEGREE;

const emptied = (state: DrawWalls): DrawWalls => ({ ...startWalls, angleLock: state.angleLock });
const go = (state: DrawWalls, build: readonly Point2[] | null = null): DrawStep => ({ state, build });

/** Does what the target shows: sets a corner, or closes the chain and builds it. */
export function setCorner(state: DrawWalls, target: WallTarget): DrawStep {
  if (target.closes) return go(emptied(state), [...target.points, target.points[0]]);
  const [last, next] = target.points.slice(-2);
  // The second click of a double click is where the first one was.
  if (next && target.chain.length > state.chain.length && distance2(last, next) < SAME_POINT_M) return go(state);
  return go({ ...state, chain: target.chain, typed: '' });
}

/** Ends the chain where it is and builds it. */
export const endChain = (state: DrawWalls, setting: ChainSetting): DrawStep =>
  go(emptied(state), state.chain.length >= 2 ? chainPoints(state.chain, setting) : null);

/** Whether a chain comes from a wall that is there and has reached another one. */
export function joinsWalls({ chain }: DrawWalls, setting: DrawSetting): boolean {
  if (chain.length < 2) return false;
  const points = chainPoints(chain, setting);
  const isOnWall = (p: Point2) => setting.walls.some(({ a, b }) => closestOnSegment(p, a, b).distanceM < SAME_POINT_M);
  return isOnWall(points[0]) && isOnWall(points.at(-1)!);
}

/** Closes the chain from its last corner straight to the first; null with fewer than three corners. */
export const closeTarget = ({ chain }: DrawWalls, setting: ChainSetting): WallTarget | null =>
  chain.length >= 3 ? targetOf(chain, setting, true) : null;

/** Takes the last corner back; with none left nothing remains. */
export const backCorner = (state: DrawWalls): DrawStep => go({ ...state, chain: state.chain.slice(0, -1), typed: '' });

/** Leaves without a trace. */
export const leaveWalls = (state: DrawWalls): DrawStep => go(emptied(state));

/** Text for the next length: `3.20`, `3.20<45` with its angle from the grid, or `10x8` for a rectangle. */
export const typeWalls = (state: DrawWalls, typed: string): DrawStep => go({ ...state, typed });

/** What a click, or Enter after a typed length, does; null where a typed text is no length or has no direction yet. */
export function wallTarget(state: DrawWalls, pointer: Pointer | null, setting: DrawSetting): WallTarget | null {
  const typed = state.typed.trim();
  if (state.chain.length === 0) return firstCorner(typed, pointer, setting);
  if (typed !== '') return typedTarget(state, typed, pointer, setting);
  if (!pointer) return null;
  const points = chainPoints(state.chain, setting);
  if (points.length >= 3 && distance2(pointer.at, points[0]) <= setting.closeReachM) return targetOf(state.chain, setting, true);
  const { point, kind } = pointer.snap;
  const corner = kind === 'angle' ? cornerTowards(state.chain, point, setting.gridM, setting) : { at: point };
  return targetOf([...state.chain, corner], setting);
}

function targetOf(chain: WallChain, setting: ChainSetting, closes = false): WallTarget {
  const points = chainPoints(chain, setting, closes);
  const side = closes ? points.length - 1 : points.length - 2;
  const length =
    side < 0 ? null : { from: points[side], lengthM: Math.max(0, sideLengthM(chain, points, side, setting, closes)) };
  return { chain, closes, points, point: closes ? points[0] : points.at(-1)!, length };
}

/** The first corner: where the pointer is drawn to; on a wall at a distance from its corner. */
function firstCorner(typed: string, pointer: Pointer | null, setting: DrawSetting): WallTarget | null {
  if (!pointer) return null;
  const { point, kind } = pointer.snap;
  const lengthM = typed === '' ? undefined : (setting.readLength(typed) ?? null);
  if (lengthM === null) return null;
  const host =
    lengthM === undefined && kind !== 'wall'
      ? undefined
      : setting.walls.find(({ a, b }) => closestOnSegment(point, a, b).distanceM < SAME_POINT_M);
  if (!host) return lengthM === undefined ? targetOf([{ at: point }], setting) : null;
  const halfM = setting.between === 'faces' ? setting.thicknessM / 2 : 0;
  const place = placeOnWall(pointer.at, host, setting, { halfM, gridM: setting.gridM, lengthM });
  return { ...targetOf([{ at: place.at }], setting), length: { from: place.corner, lengthM: place.lengthM } };
}

function typedTarget(
  { chain, angleLock }: DrawWalls,
  typed: string,
  pointer: Pointer | null,
  setting: DrawSetting,
): WallTarget | null {
  const points = chainPoints(chain, setting);
  const from = points.at(-1)!;
  const sides = /^(.+)[x×*](.+)$/i.exec(typed);
  if (sides) {
    const [across, up] = [setting.readLength(sides[1]), setting.readLength(sides[2])];
    if (chain.length !== 1 || !(across && across > 0) || !(up && up > 0)) return null;
    const [u, v] = pointer ? rotate2([pointer.at[0] - from[0], pointer.at[1] - from[1]], -setting.gridAngleRad) : [1, 1];
    // A pointer that is still at the first corner says nothing: to the right and up.
    const sideOf = (towards: number, lengthM: number) => (towards < -setting.closeReachM ? -lengthM : lengthM);
    return targetOf(rectangleFrom(from, [sideOf(u, across), sideOf(v, up)], setting.gridAngleRad), setting, true);
  }
  const side = typedSide(typed, from, pointer, { ...setting, isLocked: angleLock });
  if (!side) return null;
  const corner: ChainCorner = cornerAtLength(chain, side.directionRad, side.lengthM, setting);
  const target = targetOf([...chain, corner], setting);
  const closes = points.length >= 3 && distance2(target.point, points[0]) <= TYPED_CLOSE_M;
  return closes ? targetOf(chain, setting, true) : target;
}

/**
 * Length, m, and direction, rad, of a typed side: `3.20` towards the pointer, `3.20<45` at an angle from the grid.
 * Null where it is no length or has no direction yet.
 */
export function typedSide(
  typed: string,
  from: Point2,
  pointer: Pointer | null,
  { isLocked, gridAngleRad, readLength }: Pick<DrawSetting, 'gridAngleRad' | 'readLength'> & { readonly isLocked: boolean },
): { readonly lengthM: number; readonly directionRad: number } | null {
  const [lengthText, angleText] = typed.split('<').map((part) => part.trim());
  const lengthM = readLength(lengthText);
  if (lengthM === null || !(lengthM > 0)) return null;
  const directionRad = angleText
    ? gridAngleRad + Number(angleText) * DEGREE
    : pointer && directionTo(from, pointer, isLocked ? { gridAngleRad } : null);
  return directionRad === null || !Number.isFinite(directionRad) ? null : { lengthM, directionRad };
}

/** From a corner to the pointer, in steps from the grid where angles are locked, rad. */
function directionTo(
  from: Point2,
  { snap: { point } }: Pointer,
  locked: Pick<DrawSetting, 'gridAngleRad'> | null,
): number | null {
  if (distance2(from, point) < SAME_POINT_M) return null;
  const directionRad = Math.atan2(point[1] - from[1], point[0] - from[0]);
  if (!locked) return directionRad;
  return Math.round((directionRad - locked.gridAngleRad) / ANGLE_STEP_RAD) * ANGLE_STEP_RAD + locked.gridAngleRad;
}
