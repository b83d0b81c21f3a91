import type { SurroundChannel } from '../model/index.ts';

/** What a channel weighs in the score. */
export const weightOf = (channel: SurroundChannel): number =>
  /^(front|center)/.test(channel) ? 3 : /^surround/.test(channel) ? 2 : /^wide/.test(channel) ? 1 : 1.5;

/** A pair this far from mirrored has lost all of its symmetry, m; a channel this much louder at one seat than at another, dB. */
const MIRROR_M = 0.3;
const SPREAD_DB = 6;
/** Shares of the score. */
const SHARES = { angles: 0.5, symmetry: 0.2, levels: 0.15, work: 0.15 } as const;

/** What is lost of a theatre, each 0 to 1. */
export interface LostTerms {
  readonly angles: number;
  readonly symmetry: number;
  readonly levels: number;
  /** Extra work by its budget; nothing where there is no budget. */
  readonly work: number;
}

export interface Score {
  /** 0 to 100. */
  readonly total: number;
  readonly angles: number;
  readonly symmetry: number;
  readonly levels: number;
}

export const mirrorLost = (errorM: number): number => Math.min(1, errorM / MIRROR_M);
export const spreadLost = (spreadDb: number): number => Math.min(1, Math.max(0, spreadDb - SPREAD_DB) / SPREAD_DB);

/** All that is lost, 0 to 1. */
export const lostOf = ({ angles, symmetry, levels, work }: LostTerms): number =>
  SHARES.angles * angles + SHARES.symmetry * symmetry + SHARES.levels * levels + SHARES.work * work;

export const scoreOfTerms = (lost: LostTerms): Score => ({
  total: 100 * (1 - lostOf(lost)),
  angles: 100 * (1 - lost.angles),
  symmetry: 100 * (1 - lost.symmetry),
  levels: 100 * (1 - lost.levels),
});

/** What is lost on average over seats by how much each counts; nothing where none counts. */
export function lostOverSeats(seats: readonly { readonly weight: number }[], lost: readonly number[]): number {
  let [sum, weights] = [0, 0];
  seats.forEach(({ weight }, n) => {
    sum += weight * lost[n];
    weights += weight;
  });
  return weights === 0 ? 0 : sum / weights;
}
