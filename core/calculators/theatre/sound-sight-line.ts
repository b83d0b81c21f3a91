import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { between, place } from './direction.ts';
import { SOUND_M_PER_S } from './speed-of-sound.ts';

type Place = readonly [number, number, number];
export interface Block {
  readonly from: Place;
  readonly to: Place;
}
/** Places along the line at which the room about it is looked at. */
const PLACES = 128;

/** The share of a line that lies in a box, and where it enters it; nothing where it only touches it. */
export function crossedShare(from: Place, to: Place, box: Block): { readonly share: number; readonly at: number } {
  let [enter, leave] = [0, 1];
  for (let axis = 0; axis < 3; axis++) {
    const step = to[axis] - from[axis];
    const [low, high] = [Math.min(box.from[axis], box.to[axis]), Math.max(box.from[axis], box.to[axis])];
    if (step === 0) {
      if (from[axis] <= low || from[axis] >= high) return { share: 0, at: 0 };
      continue;
    }
    const [a, b] = [(low - from[axis]) / step, (high - from[axis]) / step];
    enter = Math.max(enter, Math.min(a, b));
    leave = Math.min(leave, Math.max(a, b));
  }
  return leave > enter ? { share: leave - enter, at: enter } : { share: 0, at: 0 };
}

/** How far a point is from a box, m; nothing inside. */
function awayFrom(p: Place, box: Block): number {
  let sum = 0;
  for (let axis = 0; axis < 3; axis++) {
    const [low, high] = [Math.min(box.from[axis], box.to[axis]), Math.max(box.from[axis], box.to[axis])];
    const off = p[axis] < low ? low - p[axis] : p[axis] > high ? p[axis] - high : 0;
    sum += off * off;
  }
  return Math.sqrt(sum);
}

/** Whether a box cuts the line of sight, or only the room about it that the sound needs. */
export function sightThrough(from: Place, to: Place, box: Block, hz: number): 'clear' | 'partly' | 'blocked' {
  if (crossedShare(from, to, box).share > 0) return 'blocked';
  const { v, lengthM } = between(from, to);
  const waveM = SOUND_M_PER_S / hz;
  // The room that the sound needs is widest in the middle of the line.
  const widestM = 0.6 * Math.sqrt((waveM * lengthM) / 4);
  for (let axis = 0; axis < 3; axis++) {
    const [low, high] = [Math.min(box.from[axis], box.to[axis]), Math.max(box.from[axis], box.to[axis])];
    if (Math.min(from[axis], to[axis]) - widestM > high || Math.max(from[axis], to[axis]) + widestM < low) return 'clear';
  }
  for (let n = 1; n < PLACES; n++) {
    const share = n / PLACES;
    const neededM = 0.6 * Math.sqrt((waveM * (share * lengthM) * ((1 - share) * lengthM)) / lengthM);
    const p: Place = [from[0] + v[0] * share, from[1] + v[1] * share, from[2] + v[2] * share];
    if (awayFrom(p, box) < neededM) return 'partly';
  }
  return 'clear';
}

const block = z.strictObject({ from: place, to: place });

export const soundSightLine = calculator({
  name: 'sound-sight-line',
  title: 'Sight line from a speaker to an ear',
  topic: 'theatre',
  source: 'Geometry; first Fresnel zone, 0.6 of it kept clear by trade practice',
  formulaIds: ['F10.4'],
  valid: 'boxes that lie straight: beams, soffits, columns, chair backs',
  formulas: ['blocked where the line goes through a box', 'kept clear: 0.6·√(λ·d1·d2/(d1 + d2))'],
  input: z.strictObject({
    speaker: place,
    ear: place,
    blocks: z.array(block).max(200).describe('opposite corners of each box'),
    frequencyHz: z.number().min(100).max(20_000).default(1500).describe('Hz'),
  }),
  example: { speaker: [0, 5, 2.2], ear: [0, 1, 1], blocks: [{ from: [-2, 3, 2.1], to: [2, 3.2, 2.5] }] },
  run: ({ speaker, ear, blocks, frequencyHz }) => {
    const { lengthM } = between(speaker, ear);
    if (!(lengthM > 1e-6) || !Number.isFinite(lengthM)) return err('points-together', { kind: 'invalid', field: 'ear' });
    const found = blocks.map((box) => sightThrough(speaker, ear, box, frequencyHz));
    return ok({
      blocks: found,
      state: found.includes('blocked')
        ? ('blocked' as const)
        : found.includes('partly')
          ? ('partly' as const)
          : ('clear' as const),
      clearMiddleM: 0.6 * Math.sqrt(((SOUND_M_PER_S / frequencyHz) * lengthM) / 4),
    });
  },
  steps: (_, v) => [`${v.state}; ${fig(v.clearMiddleM)} m about its middle`],
});
