import { positive } from '../fields.ts';
import { z } from 'zod';

export const level = {
  sensitivityDb: z.number().min(0).max(150).describe('dB at 2.83 V and 1 m'),
  impedanceOhm: positive.default(8),
  gainDb: z.number().default(0).describe('dB, boundaries and room'),
};

/** DB at 1 W and 1 m. */
export const oneWatt = (sensitivityDb: number, impedanceOhm: number) => sensitivityDb - 10 * Math.log10(8 / impedanceOhm);

/** Excess beyond a window, degrees. */
const excess = (value: number, [min, max]: readonly [number, number]) =>
  value < min ? value - min : value > max ? value - max : 0;

/** What a channel loses at a seat, 0 to 1. */
export function channelFit(
  azimuth: number,
  elevation: number,
  windowAz: readonly [number, number],
  windowEl: readonly [number, number],
  { reference, blocked, partly }: { readonly reference: boolean; readonly blocked: boolean; readonly partly: boolean },
): number {
  if (blocked) return 1;
  const allowed = reference ? 0 : 15;
  const beyond = (x: number) => Math.max(0, Math.abs(x) - allowed);
  const e = Math.hypot(beyond(excess(azimuth, windowAz)), beyond(excess(elevation, windowEl)));
  const q = Math.min(1, (e / 20) ** 2);
  return partly ? Math.max(0.5, q) : q;
}
