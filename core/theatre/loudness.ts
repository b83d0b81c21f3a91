import { offAxisLoss, soundLevel, speakerPower } from '../calculators/index.ts';
import type { Device, DeviceType, TheatreAim } from '../model/index.ts';
import type { Place } from './channel-at-seat.ts';
import type { Seat } from './seats.ts';

/** How loud a speaker can be, and what it needs to be loud enough; null where its sensitivity is not known. */
export interface Loudness {
  /** At each seat with all of its amplifier's power, its loss beside the axis taken off, dB. */
  readonly peaksDb: readonly number[];
  /** Power for the peaks that are wanted at the reference seat, W. */
  readonly neededW: number;
  /** How much it stays below them, dB; nothing where it does not. */
  readonly shortDb: number;
}

/** Half of the included angle where the type does not say, degrees. */
const HALF_ANGLE_DEG = 45;
/** A surround with wide dispersion plays to both sides along its wall. */
const WIDE_HALF_ANGLE_DEG = 90;
/** Beyond the angle for which a loss is stated it is at least this, dB. */
const BEYOND_DB = 13.5;

/** How far each seat is beside the axis of a speaker, and what it loses there; it hangs square to its wall, or looks straight down. */
export function besideAxis(
  device: Device,
  type: DeviceType,
  { at, seats, isWide }: { readonly at: Place; readonly seats: readonly Seat[]; readonly isWide: boolean },
): { angleDeg: number; lossDb: number }[] {
  const isCeiling = type.mount === 'ceiling';
  const bearingDeg = (Math.atan2(Math.cos(device.facingRad), Math.sin(device.facingRad)) * 180) / Math.PI;
  const halfAngleDeg = isWide
    ? WIDE_HALF_ANGLE_DEG
    : type.coverageRad === null
      ? HALF_ANGLE_DEG
      : Math.min(90, (type.coverageRad * 90) / Math.PI);
  return seats.map((seat) => {
    const found = offAxisLoss.run({
      ...{ speaker: [...at], ear: [...seat.at, seat.earM], bearingDeg, tiltDeg: isCeiling ? -90 : 0, halfAngleDeg },
    });
    return found.ok ? { angleDeg: found.value.angleDeg, lossDb: found.value.lossDb ?? BEYOND_DB } : { angleDeg: 0, lossDb: 0 };
  });
}

export function loudnessOf(
  type: DeviceType,
  seats: readonly Seat[],
  figures: readonly { readonly distanceM: number; readonly lossDb: number }[],
  aim: TheatreAim,
): Loudness | null {
  const { sensitivityDb } = type;
  const n = seats.findIndex(({ isReference }) => isReference);
  if (sensitivityDb === null || n < 0) return null;
  const own = { sensitivityDb, impedanceOhm: type.impedanceOhm ?? 8, gainDb: 0 };
  const peaksDb = figures.map(({ distanceM, lossDb }) => {
    const level = soundLevel.run({ ...own, powerW: aim.amplifierW, distanceM });
    return level.ok ? level.value.levelDb - lossDb : 0;
  });
  const needed = speakerPower.run({
    ...own,
    targetDb: Math.min(140, aim.peakDb + figures[n].lossDb),
    ...{ distanceM: figures[n].distanceM, compressionDb: 2, mostW: null },
  });
  const neededW = needed.ok ? needed.value.neededW : Infinity;
  return { peaksDb, neededW, shortDb: Math.max(0, 10 * Math.log10(neededW / aim.amplifierW)) };
}
