import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { DBMV_OVER_DBM } from './dbm.ts';

const BOLTZMANN = 1.380649e-23;

export const thermalNoise = calculator({
  name: 'thermal-noise',
  title: 'Noise of a 75 ohm line, and what stays above it',
  topic: 'coax',
  source: 'Physics: thermal noise',
  valid: 'noise temperature 293 K unless said',
  formulas: [`N = 10·log10(k·T·B/1 mW) + ${DBMV_OVER_DBM} dBmV`, 'C/N = level − N − NF'],
  input: z.strictObject({
    bandwidthHz: z.number().gt(0).describe('Hz'),
    temperatureK: z.number().gt(0).default(293).describe('K'),
    levelDbmv: z.number().nullable().default(null).describe('dBmV, of the signal'),
    noiseFigureDb: z.number().min(0).default(0).describe('dB'),
  }),
  example: { bandwidthHz: 8e6 },
  run: ({ bandwidthHz, temperatureK, levelDbmv, noiseFigureDb }) => {
    const noiseDbmv = 10 * Math.log10((BOLTZMANN * temperatureK * bandwidthHz) / 1e-3) + DBMV_OVER_DBM;
    return ok({ noiseDbmv, carrierToNoiseDb: levelDbmv === null ? null : levelDbmv - noiseDbmv - noiseFigureDb });
  },
  steps: (_, v) => [
    `N = ${fig(v.noiseDbmv)} dBmV`,
    ...(v.carrierToNoiseDb === null ? [] : [`C/N = ${fig(v.carrierToNoiseDb)} dB`]),
  ],
});
