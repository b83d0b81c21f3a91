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

/** Between which shares of a line it lies in a box that is larger by a margin on every side; null where it does not, or only touches it. */
function sharesWithin(from: Place, to: Place, box: Block, marginM: number): readonly [enter: number, leave: number] | null {
  let [enter, leave] = [0, 1];
  for (let axis = 0; axis < 3; axis++) {
    const step = to[axis] - from[axis];
    const low = Math.min(box.from[axis], box.to[axis]) - marginM;
    const high = Math.max(box.from[axis], box.to[axis]) + marginM;
    if (step === 0) {
      if (from[axis] <= low || from[axis] >= high) return null;
      continue;
    }
    const [a, b] = [(low - from[axis]) / step, (high - from[axis]) / step];
    enter = Math.max(enter, Math.min(a, b));
    leave = Math.min(leave, Math.max(a, b));
    if (leave <= enter) return null;
  }
  return [enter, leave];
}

/** The share of a line that lies in a box, and where it enters it; nothing where it only touches it. */
export function crossedShare(from: Place, to: Place, box: Block): { readonly share: number; readonly at: number } {
  const within = sharesWithin(from, to, box, 0);
  return within ? { share: within[1] - within[0], at: within[0] } : { share: 0, at: 0 };
}

/** How far a coordinate is beyond a range, m. */
const beyond = (value: number, one: number, other: number): number =>
  Math.max(0, Math.min(one, other) - value, value - Math.max(one, other));

/** Whether a box cuts the line of sight, or only the room about it that the sound needs. */
export function sightThrough(from: Place, to: Place, box: Block, hz: number): 'clear' | 'partly' | 'blocked' {
  const lengthM = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
  const waveM = SOUND_M_PER_S / hz;
  // The room that the sound needs is widest in the middle of the line; no part of the line farther from the box matters.
  const near = sharesWithin(from, to, box, 0.6 * Math.sqrt((waveM * lengthM) / 4) + 1e-9);
  if (!near) return 'clear';
  if (sharesWithin(from, to, box, 0)) return 'blocked';
  const last = Math.min(PLACES - 1, Math.floor(near[1] * PLACES));
  for (let n = Math.max(1, Math.ceil(near[0] * PLACES)); n <= last; n++) {
    const share = n / PLACES;
    const needed = 0.36 * waveM * lengthM * share * (1 - share);
    const x = beyond(from[0] + (to[0] - from[0]) * share, box.from[0], box.to[0]);
    const y = beyond(from[1] + (to[1] - from[1]) * share, box.from[1], box.to[1]);
    const z = beyond(from[2] + (to[2] - from[2]) * share, box.from[2], box.to[2]);
    if (x * x + y * y + z * z < needed) return 'partly';
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
