import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { fine } from '../../math/index.ts';

const BOLTZMANN = 1.380649e-23;

export const amplifierOutput = calculator({
  name: 'amplifier-output',
  title: 'Output of an amplifier for several channels',
  topic: 'coax',
  source: 'EN 60728-3 type, trade practice',
  formulaIds: ['F5.5'],
  valid: 'two channels and more; put it before losses, never to revive a poor signal',
  formulas: ['Umax(n) = Umax − 7.5·log10(n − 1)'],
  input: z.strictObject({
    ratedDbuv: z.number().describe('dBuV, rated output for two channels'),
    channels: z.int().min(1).max(300),
    wantedDbuv: z.number().nullable().default(null).describe('dBuV, output that is wanted'),
  }),
  run: ({ ratedDbuv, channels, wantedDbuv }) => {
    const mostDbuv = channels < 2 ? ratedDbuv : ratedDbuv - 7.5 * Math.log10(channels - 1);
    return fine({ mostDbuv, ok: wantedDbuv === null ? null : wantedDbuv <= mostDbuv + 1e-9 });
  },
  steps: (i, v) => [`${fig(i.ratedDbuv)} − 7.5·log10(${i.channels - 1}) = ${fig(v.mostDbuv)} dBµV`],
});

export const thermalNoise = calculator({
  name: 'thermal-noise',
  title: 'Noise of a 75 ohm line, and what stays above it',
  topic: 'coax',
  source: 'Physics: thermal noise',
  formulaIds: ['F5.6'],
  valid: 'noise temperature 293 K unless said',
  formulas: ['N = 10·log10(k·T·B/1 mW) + 48.75 dBmV', 'C/N = level − N − NF'],
  input: z.strictObject({
    bandwidthHz: z.number().gt(0).describe('Hz'),
    temperatureK: z.number().gt(0).default(293).describe('K'),
    levelDbmv: z.number().nullable().default(null).describe('dBmV, of the signal'),
    noiseFigureDb: z.number().min(0).default(0).describe('dB'),
  }),
  run: ({ bandwidthHz, temperatureK, levelDbmv, noiseFigureDb }) => {
    const noiseDbmv = 10 * Math.log10((BOLTZMANN * temperatureK * bandwidthHz) / 1e-3) + 48.75;
    return fine({ noiseDbmv, carrierToNoiseDb: levelDbmv === null ? null : levelDbmv - noiseDbmv - noiseFigureDb });
  },
  steps: (_, v) => [
    `N = ${fig(v.noiseDbmv)} dBmV`,
    ...(v.carrierToNoiseDb === null ? [] : [`C/N = ${fig(v.carrierToNoiseDb)} dB`]),
  ],
});

export const cascadeNoise = calculator({
  name: 'cascade-noise',
  title: 'Noise figure of stages one after the other',
  topic: 'coax',
  source: 'Physics: thermal noise',
  formulaIds: ['F5.6'],
  valid: 'stages matched; a loss has its own value as noise figure and a negative gain',
  formulas: ['F = F1 + (F2 − 1)/G1 + (F3 − 1)/(G1·G2) + …'],
  input: z.strictObject({
    stages: z
      .array(z.strictObject({ gainDb: z.number().describe('dB'), noiseFigureDb: z.number().min(0).describe('dB') }))
      .min(1)
      .max(20),
  }),
  run: ({ stages }) => {
    let factor = 0;
    let gain = 1;
    stages.forEach(({ gainDb, noiseFigureDb }, k) => {
      const own = 10 ** (noiseFigureDb / 10);
      factor += k === 0 ? own : (own - 1) / gain;
      gain *= 10 ** (gainDb / 10);
    });
    return fine({ noiseFactor: factor, noiseFigureDb: 10 * Math.log10(factor), gainDb: 10 * Math.log10(gain) });
  },
  steps: (_, v) => [`F = ${fig(v.noiseFactor)}, ${fig(v.noiseFigureDb)} dB`],
});
