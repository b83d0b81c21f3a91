import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

/** A megabit a second for a day, GB; overhead of a day's pictures; disk that is left of what is bought. */
const GB_PER_MBPS_DAY = 10.8;
const OVERHEAD = 1.15;
const USABLE = 0.9;

export const recorderDisk = calculator({
  name: 'recorder-disk',
  title: 'Disk and days of a camera recorder',
  topic: 'head-end',
  source: 'Arithmetic; overhead and usable disk by trade practice',
  formulaIds: ['F12.4'],
  valid: 'steady bit rates; night noise doubles a variable one',
  formulas: ['GB/day = Mb/s · 10.8 · duty', 'disk = N · GB/day · days · 1.15', 'days = disk · 0.9 / (N · GB/day)'],
  cautions: ['C15'],
  input: z.strictObject({
    cameras: z.int().min(1).max(1000),
    mbps: positive.max(200).describe('Mb/s of each camera'),
    duty: z.number().gt(0).max(1).default(1).describe('share of the time that is recorded'),
    wantedDays: positive.max(3650).default(14),
    diskGb: positive.max(1e7).nullable().default(null).describe('GB as bought, of all disks that hold pictures'),
    mostMbps: positive.max(1e6).nullable().default(null).describe('Mb/s that the recorder takes in'),
  }),
  example: { cameras: 6, mbps: 4, wantedDays: 14 },
  run: ({ cameras, mbps, duty, wantedDays, diskGb, mostMbps }) => {
    const gbPerDay = mbps * GB_PER_MBPS_DAY * duty;
    const totalMbps = cameras * mbps;
    const days = diskGb === null ? null : (diskGb * USABLE) / (cameras * gbPerDay);
    return ok({
      gbPerDay,
      neededGb: cameras * gbPerDay * wantedDays * OVERHEAD,
      days,
      totalMbps,
      ok: (days === null || days >= wantedDays) && (mostMbps === null || atMost(totalMbps, mostMbps)),
    });
  },
  steps: (_, v) => [`${fig(v.gbPerDay)} GB a day and camera`, `${fig(v.neededGb)} GB`],
});
