import type { Point2 } from '@dusky-spool/core/math';

/** Drawing a chain of walls: the corners set so far, and what has been typed for the next one. */
export interface DrawWalls {
  readonly chain: readonly Point2[];
  readonly typed: string;
  readonly angleLock: boolean;
}

export const startWalls: DrawWalls = { chain: [], typed: '', angleLock: false };

/** What drawing asks for: the next state, and the chain to build where it is finished. */
export interface DrawStep {
  readonly state: DrawWalls;
  readonly build: readonly Point2[] | null;
}

const go = (state: DrawWalls, build: readonly Point2[] | null = null): DrawStep => ({ state, build });
const CLOSE_M = 0.005;

/** Sets a corner. A corner on the first one closes the chain and builds it. */
export function setCorner(state: DrawWalls, p: Point2): DrawStep {
  const [first] = state.chain;
  const last = state.chain.at(-1);
  if (last && Math.hypot(last[0] - p[0], last[1] - p[1]) < CLOSE_M) return go(state);
  const chain = [...state.chain, p];
  const closes = state.chain.length >= 3 && Math.hypot(first[0] - p[0], first[1] - p[1]) < CLOSE_M;
  if (closes) return go({ ...startWalls, angleLock: state.angleLock }, [...state.chain, first]);
  return go({ ...state, chain, typed: '' });
}

/** Ends the chain where it is and builds it. */
export const endChain = (state: DrawWalls): DrawStep =>
  go({ ...startWalls, angleLock: state.angleLock }, state.chain.length >= 2 ? state.chain : null);

/** Takes the last corner back; with none left nothing remains. */
export const backCorner = (state: DrawWalls): DrawStep => go({ ...state, chain: state.chain.slice(0, -1), typed: '' });

/** Leaves without a trace. */
export const leaveWalls = (state: DrawWalls): DrawStep => go({ ...startWalls, angleLock: state.angleLock });

/** A character typed for the next length and angle, e.g. `3.20 < 45`. */
export const typeWalls = (state: DrawWalls, typed: string): DrawStep => go({ ...state, typed });

/**
 * The corner that a typed length (and angle after `<`, degrees from the grid) asks for.
 * Without an angle the way goes towards the pointer. Null where the text is no length or nothing is begun.
 */
export function typedCorner(
  state: DrawWalls,
  towards: Point2,
  gridAngleRad: number,
  readLength: (text: string) => number | null,
): Point2 | null {
  const from = state.chain.at(-1);
  if (!from) return null;
  const [lengthText, angleText] = state.typed.split('<').map((part) => part.trim());
  const lengthM = readLength(lengthText);
  if (lengthM === null || !(lengthM > 0)) return null;
  const angle =
    angleText === undefined || angleText === ''
      ? Math.atan2(towards[1] - from[1], towards[0] - from[0])
      : gridAngleRad + (Number(angleText) * Math.PI) / 180;
  if (!Number.isFinite(angle)) return null;
  return [from[0] + Math.cos(angle) * lengthM, from[1] + Math.sin(angle) * lengthM];
}
