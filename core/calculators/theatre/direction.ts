import { z } from 'zod';
import { DEGREE_RAD } from '../../math/index.ts';

/** A place in the room: x to the right, y up the plan, z up from the floor. */
export const place = z.tuple([z.number(), z.number(), z.number()]).describe('m, [x, y, height]');
type Place = readonly [number, number, number];

/** How a point lies for a listener: to the right positive, up positive, degrees. */
export interface Direction {
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
  /** From the front horizon over the zenith to the horizon behind, 0 to 180; null below the ear. */
  readonly overheadDeg: number | null;
  readonly distanceM: number;
}

/** Closer points have no direction, m. */
const TOGETHER_M = 1e-6;

/** Vector from one place to another, and its length. */
export function between(from: Place, to: Place): { readonly v: Place; readonly lengthM: number } {
  const v: Place = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  return { v, lengthM: Math.hypot(...v) };
}

/** The unit vector of a bearing on the plan (clockwise from up the page) and an elevation, degrees. */
export function pointing(bearingDeg: number, elevationDeg: number): Place {
  const [b, e] = [bearingDeg * DEGREE_RAD, elevationDeg * DEGREE_RAD];
  return [Math.sin(b) * Math.cos(e), Math.cos(b) * Math.cos(e), Math.sin(e)];
}

/** The direction of a point from an ear that faces a bearing; null where both are one place. */
export function directionOf(ear: Place, facingDeg: number, point: Place): Direction | null {
  const { v, lengthM } = between(ear, point);
  if (!(lengthM > TOGETHER_M) || !Number.isFinite(lengthM)) return null;
  const [sin, cos] = [Math.sin(facingDeg * DEGREE_RAD), Math.cos(facingDeg * DEGREE_RAD)];
  const ahead = v[0] * sin + v[1] * cos;
  const aside = v[0] * cos - v[1] * sin;
  return {
    azimuthDeg: Math.atan2(aside, ahead) / DEGREE_RAD,
    elevationDeg: Math.atan2(v[2], Math.hypot(ahead, aside)) / DEGREE_RAD,
    overheadDeg: v[2] < 0 ? null : Math.atan2(v[2], ahead) / DEGREE_RAD,
    distanceM: lengthM,
  };
}
