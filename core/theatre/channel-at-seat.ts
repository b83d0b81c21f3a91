import {
  angleWindow,
  beyondWindow,
  channelFit,
  directionOf,
  type Direction,
  sightThrough,
  type WindowChannel,
} from '../calculators/index.ts';
import type { SurroundChannel, TheatreAim } from '../model/index.ts';
import type { Seat } from './seats.ts';

export type Place = readonly [number, number, number];

/** How a channel lies for a seat. */
export interface ChannelAtSeat extends Direction {
  /** Degrees beyond its window: below negative, in it nothing. */
  readonly beyondDeg: number;
  readonly elevationBeyondDeg: number;
  readonly sight: 'clear' | 'partly' | 'blocked';
  /** What is in the way the most; null where it is clear. */
  readonly behind: Block | null;
  /** What the channel loses at the seat, 0 to 1. */
  readonly loss: number;
}

/** A box that can stand between a speaker and an ear. */
export interface Block {
  readonly from: Place;
  readonly to: Place;
  /** The seat whose head it is; null for a part of the house. */
  readonly seat: Seat | null;
  /** The beam or soffit that it is; null for heads and pictures. */
  readonly featureId: string | null;
}

const SIGHT_HZ = 1500;
/** Nearer than this a direction says nothing, m. */
export const NEAREST_M = 0.1;
const AT_THE_EAR: Direction = { azimuthDeg: 0, elevationDeg: 0, overheadDeg: null, distanceM: NEAREST_M };
const ANY_ELEVATION = [0, 0] as const;

/** In which angles a channel belongs, degrees. */
export interface ChannelWindow {
  readonly isOverhead: boolean;
  /** Beside the middle line; of an overhead channel from the front horizon over the zenith. */
  readonly mainDeg: readonly [number, number];
  readonly elevationDeg: readonly [number, number];
}

/** The window of a channel in a layout; null for subwoofers, which are free, and for channels that the layout has not. */
export function windowOf(
  layout: string | null,
  channel: SurroundChannel,
  school: TheatreAim['school'] = 'standard',
): ChannelWindow | null {
  if (layout === null || channel === 'subwoofer') return null;
  const main = Number(layout.split('.')[0]);
  const kind = channel.replace(/-(left|right)$/, '');
  const named: WindowChannel = kind === 'surround' && main >= 7 ? 'side' : (kind as WindowChannel);
  const found = angleWindow(layout, named);
  if (!found) return null;
  const { isOverhead, mainDeg, practiceDeg, elevationDeg, practiceElevationDeg } = found;
  return school === 'practice'
    ? { isOverhead, mainDeg: practiceDeg, elevationDeg: practiceElevationDeg }
    : { isOverhead, mainDeg, elevationDeg };
}

/** How a speaker at a place lies for a seat that looks in a bearing, degrees clockwise from up the plan. */
export function channelAtSeat(
  at: Place,
  seat: Seat,
  {
    window,
    facingDeg,
    blocks,
  }: { readonly window: ChannelWindow | null; readonly facingDeg: number; readonly blocks: readonly Block[] },
): ChannelAtSeat {
  const ear: Place = [...seat.at, seat.earM];
  const direction = directionOf(ear, facingDeg, at) ?? AT_THE_EAR;
  const main = window?.isOverhead ? (direction.overheadDeg ?? 0) : Math.abs(direction.azimuthDeg);
  const beyondDeg = window ? beyondWindow(main, window.mainDeg) : 0;
  const elevationBeyondDeg = window && !window.isOverhead ? beyondWindow(direction.elevationDeg, window.elevationDeg) : 0;
  let sight: ChannelAtSeat['sight'] = 'clear';
  let behind: Block | null = null;
  for (const one of blocks) {
    if (one.seat === seat) continue;
    const through = sightThrough(at, ear, one, SIGHT_HZ);
    if (through === 'clear' || (through === 'partly' && sight === 'partly')) continue;
    [sight, behind] = [through, one];
    if (through === 'blocked') break;
  }
  const elevation = window?.isOverhead ? 0 : direction.elevationDeg;
  const judged = { reference: seat.isReference, blocked: sight === 'blocked', partly: sight === 'partly' };
  const loss = window
    ? channelFit(main, elevation, window.mainDeg, window.isOverhead ? ANY_ELEVATION : window.elevationDeg, judged)
    : 0;
  return { ...direction, beyondDeg, elevationBeyondDeg, sight, behind, loss };
}

/** How much louder a channel is at its nearest seat than at its farthest, dB. */
export function spreadOf(seats: readonly Pick<ChannelAtSeat, 'distanceM'>[]): number {
  const distances = seats.map(({ distanceM }) => distanceM);
  if (distances.length === 0) return 0;
  return 20 * Math.log10(Math.max(...distances) / Math.max(NEAREST_M, Math.min(...distances)));
}
