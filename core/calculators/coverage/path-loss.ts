import { z } from 'zod';
import { calculator, fig, outOfDomain } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

/** Radio indoors is not used above, MHz. */
const HIGHEST_MHZ = 100_000;

export const pathLoss = calculator({
  name: 'path-loss',
  title: 'Loss of radio indoors',
  topic: 'coverage',
  source: 'ITU-R P.1238; physics: free-space loss',
  formulaIds: ['F13.1', 'F13.2', 'F13.3', 'F13.6'],
  valid: '1 m and more; ± 8 dB; survey needed',
  formulas: [
    'FSPL = 20·log10(d) + 20·log10(f) − 27.55',
    'P.1238: 20·log10(f) + N·log10(d) + Lf − 28',
    'walls: FSPL + Σ L + floors',
  ],
  cautions: ['C16'],
  input: z.strictObject({
    distanceM: positive.describe('m'),
    frequencyMhz: positive,
    coefficient: positive.default(28).describe('N of P.1238'),
    floors: z.int().min(0).max(20).default(0),
    floorDb: z.number().min(0).default(7).describe('dB a floor'),
    wallsDb: z.array(z.number().min(0)).max(100).default([]).describe('dB of each wall crossed'),
    bandwidthMhz: positive.default(20),
    noiseFigureDb: z.number().min(0).default(7),
    transmitDbm: z.number().min(-30).max(40).nullable().default(null).describe('dBm at the sender; null asks for no level'),
    antennasDb: z.number().min(-20).max(60).default(0).describe('dB, gain of both antennas'),
  }),
  example: { distanceM: 10, frequencyMhz: 5500 },
  run: ({
    distanceM,
    frequencyMhz,
    coefficient,
    floors,
    floorDb,
    wallsDb,
    bandwidthMhz,
    noiseFigureDb,
    transmitDbm,
    antennasDb,
  }) => {
    if (distanceM < 1) return outOfDomain('distanceM', distanceM, 1, 10_000);
    // Nearer than that a wave has no free space to lose in.
    const minMhz = 10 ** ((27.55 - 20 * Math.log10(distanceM)) / 20);
    if (frequencyMhz < minMhz) return outOfDomain('frequencyMhz', frequencyMhz, minMhz, HIGHEST_MHZ);
    const freeDb = 20 * Math.log10(distanceM) + 20 * Math.log10(frequencyMhz) - 27.55;
    const floorsDb = floors === 0 ? 0 : floorDb * floors ** ((floors + 2) / (floors + 1) - 0.46);
    const lossDb = freeDb + wallsDb.reduce((sum, one) => sum + one, 0) + floorsDb;
    const noiseDbm = -174 + 10 * Math.log10(bandwidthMhz * 1e6) + noiseFigureDb;
    const rssiDbm = transmitDbm === null ? null : transmitDbm + antennasDb - lossDb;
    return ok({
      freeDb,
      p1238Db: Math.max(0, 20 * Math.log10(frequencyMhz) + coefficient * Math.log10(distanceM) + floors * floorDb - 28),
      floorsDb,
      wallsDb: lossDb,
      noiseDbm,
      rssiDbm,
      snrDb: rssiDbm === null ? null : rssiDbm - noiseDbm,
    });
  },
  steps: (_, v) => [
    `free space ${fig(v.freeDb)} dB`,
    `with walls and floors ${fig(v.wallsDb)} dB`,
    ...(v.rssiDbm === null || v.snrDb === null ? [] : [`received ${fig(v.rssiDbm)} dBm, ${fig(v.snrDb)} dB over the noise`]),
  ],
});
