import type { SurroundChannel, TheatreAim } from '../model/index.ts';
import type { Theatre } from './theatre.ts';

type Measured = TheatreAim['measured'][number];

/** What was measured of a speaker against what was worked out for it. */
export interface CalibratedChannel {
  readonly deviceId: string;
  readonly before: Measured | null;
  readonly after: Measured | null;
  /** Measured delay less the one that was worked out, ms; null where it was not measured. */
  readonly delayOffMs: number | null;
  /** Level less the mean of all that were measured, dB: nothing where all are even. */
  readonly levelOffDb: number | null;
  /** Whether both are within what a practitioner leaves. */
  readonly isEven: boolean | null;
}

/** Delays are set to a tenth of a meter, levels to half a decibel (ENGINEERING 10.4). */
const DELAY_WITHIN_MS = 0.5;
const LEVEL_WITHIN_DB = 0.5;

/** Every channel with its last measurement before and after calibration. */
export function calibrationOf({ channels, aim }: Pick<Theatre, 'channels' | 'aim'>): CalibratedChannel[] {
  const lastOf = (deviceId: string, stage: Measured['stage']) =>
    aim.measured.findLast((one) => one.deviceId === deviceId && one.stage === stage) ?? null;
  const pairs = channels.map(({ deviceId, delayMs, channel }) => ({
    ...{ deviceId, delayMs, channel },
    before: lastOf(deviceId, 'before'),
    after: lastOf(deviceId, 'after'),
  }));
  const levels = pairs.flatMap(({ after, channel }) => levelOf(after, channel) ?? []);
  const mean = levels.length === 0 ? null : levels.reduce((sum, one) => sum + one, 0) / levels.length;
  return pairs.map(({ deviceId, delayMs, channel, before, after }) => {
    const delayOffMs = after === null || after.delayMs === null ? null : after.delayMs - delayMs;
    const levelDb = levelOf(after, channel);
    const levelOffDb = levelDb === null || mean === null ? null : levelDb - mean;
    const isEven =
      delayOffMs === null && levelOffDb === null
        ? null
        : Math.abs(delayOffMs ?? 0) <= DELAY_WITHIN_MS + 1e-9 && Math.abs(levelOffDb ?? 0) <= LEVEL_WITHIN_DB + 1e-9;
    return { deviceId, before, after, delayOffMs, levelOffDb, isEven };
  });
}

/** Subwoofers are set by their own curve, not to the mean. */
const levelOf = (measured: Measured | null, channel: SurroundChannel): number | null =>
  channel === 'subwoofer' ? null : (measured?.levelDb ?? null);
