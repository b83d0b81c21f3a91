import { countUp } from '../calculator.ts';

/** How far the discs of coverage overlap: edge to edge (4 to 6 dB), minimum (about 3 dB), full (less than 2 dB). */
export const OVERLAPS = ['edge', 'minimum', 'full'] as const;

export type Overlap = (typeof OVERLAPS)[number];

/** The disc that a speaker of an included angle (rad, below pi) covers at ear height, and the pitch for an overlap; m. */
export function discAndPitch(
  ceilingM: number,
  earM: number,
  angleRad: number,
  overlap: Overlap,
): { readonly discM: number; readonly pitchM: number } {
  const discM = 2 * (ceilingM - earM) * Math.tan(angleRad / 2);
  return { discM, pitchM: overlap === 'edge' ? discM : overlap === 'minimum' ? discM / Math.SQRT2 : discM / 2 };
}

/** How many speakers at most `pitchM` apart cover a length, both m. */
export const speakersAlong = (lengthM: number, pitchM: number): number => countUp(lengthM / pitchM);
