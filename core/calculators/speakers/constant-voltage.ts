import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { speakerCableLoss } from './speaker-cable-loss.ts';
import { wireResistanceInput } from '../wire/index.ts';

export const constantVoltage = calculator({
  name: 'constant-voltage',
  title: 'Line of 70.7 or 100 V',
  topic: 'speakers',
  source: 'Circuit theory; 0.8 of the amplifier and 0.5 dB by trade practice',
  formulaIds: ['F2.9'],
  valid: 'resistive taps; all load at the far end, which is the worst; evenly spread it loses half',
  formulas: ['Z = V²/P', 'ΣP ≤ 0.8 · amplifier', 'loss = 20·log10((Z + R)/Z), R = 2·L·r/n', 'L = Z·(10^(0.5/20) − 1)/(2·r/n)'],
  cautions: ['C2'],
  input: wireResistanceInput.extend({
    lineV: z.number().gt(0).default(100).describe('V, 70.7 or 100'),
    tapsW: z.array(z.number().gt(0)).min(1).max(200).describe('W, tap of each speaker'),
    amplifierW: z.number().gt(0).nullable().default(null).describe('W, rating of the amplifier'),
    lengthM: z.number().min(0).describe('m, one way'),
    conductorsPerPole: z.int().min(1).default(1).describe('conductors paralleled per pole'),
    lossLimitDb: z.number().gt(0).default(0.5).describe('dB at the far end'),
  }),
  example: { gaugeAwg: 14, tapsW: [10, 20], lengthM: 60 },
  from: { lengthM: 'cutLengthM' },
  run: ({ lineV, tapsW, amplifierW, lengthM, conductorsPerPole, lossLimitDb, ...wire }) => {
    const powerW = tapsW.reduce((sum, w) => sum + w, 0);
    const loadOhm = lineV ** 2 / powerW;
    const line = speakerCableLoss({ ...wire, lengthM, loadOhm, conductorsPerPole });
    if (!line.ok) return line;
    const { loopOhm, lossDb, ohmPerKm } = line.value;
    const longestM = (loadOhm * (10 ** (lossLimitDb / 20) - 1)) / ((2 * ohmPerKm) / 1000 / conductorsPerPole);
    const maxW = amplifierW === null ? null : 0.8 * amplifierW;
    return ok({
      powerW,
      loadOhm,
      loopOhm,
      lossDb,
      spreadLossDb: lossDb / 2,
      longestM,
      mostW: maxW,
      ok: atMost(lossDb, lossLimitDb) && (maxW === null || atMost(powerW, maxW)),
    });
  },
  steps: ({ lineV }, v) => [
    `Z = ${fig(lineV)}²/${fig(v.powerW)} W = ${fig(v.loadOhm)} Ω`,
    `R = ${fig(v.loopOhm)} Ω, loss = ${fig(v.lossDb)} dB`,
    `longest ${fig(v.longestM)} m`,
  ],
});
