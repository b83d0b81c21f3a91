import type { CableType, ConductorMap } from '../../model/index.ts';
import { conductorsUsed } from './conductors.ts';

/** Conductors of a run that carry the supply of its device. */
export interface FeedConductors {
  /** In parallel on each pole. */
  readonly plus: number;
  readonly minus: number;
  /** Returns that each carry one colour of a strip; 1 where the device is no strip. */
  readonly channels: number;
}

const SUPPLY = String.raw`(?:\d+(?:[.,]\d+)? ?v(?: ?d\.?c\.?)?|.*\bsupply(?: and data)?|.*\bpower|.*\bfeed)`;
const PLUS = new RegExp(String.raw`^(?:${SUPPLY} ?\+|\+|v ?\+|positive)$`, 'i');
const MINUS = new RegExp(String.raw`^(?:${SUPPLY} ?[−-]|[−-]|v ?[−-]|0 ?v|common|negative|ground|gnd|return)$`, 'i');
const CHANNEL = /^(?:red|green|blue|white|amber|warm|cool|warm white|cool white) ?[−-]$/i;

/**
 * What of a run's conductors feeds its device, by the run's conductor map: null where the map has none that do. Without a map, or with one
 * that only numbers the pairs of a category cable, a cable that usually feeds is split between the poles.
 */
export function feedConductors(map: ConductorMap | undefined, cable: CableType): FeedConductors | null {
  const lines = map?.lines ?? [];
  const count = (use: RegExp) => conductorsUsed({ lines: lines.filter((line) => use.test(line.use.trim())) });
  const [plus, minus, channels] = [count(PLUS), count(MINUS), count(CHANNEL)];
  if (plus > 0 && channels > 0) return { plus, minus: 1, channels };
  if (plus > 0 && minus > 0) return { plus, minus, channels: 1 };
  const isOnlyPairs = lines.every(({ use }) => /^pair \d/.test(use));
  if (!isOnlyPairs || !USUAL_FEEDS.test(cable.family)) return null;
  if (cable.family === 'cat') return { plus: 2, minus: 2, channels: 1 };
  // Two conductors are bonded for the common of a strip; all others carry a colour each.
  if (cable.family === 'led' && cable.conductors >= 4) return { plus: 2, minus: 1, channels: cable.conductors - 2 };
  return { plus: 1, minus: 1, channels: 1 };
}

/** Families that usually carry the supply of their device. */
const USUAL_FEEDS = /^(ctl|sec|led|shade|cat)/;

/** Ohm metres of supply and return for one ampere of the device, as a share of one conductor: `drop = I·L·r·poles`. */
export const polesOf = ({ plus, minus, channels }: FeedConductors): number => 1 / plus + 1 / (minus * channels);
