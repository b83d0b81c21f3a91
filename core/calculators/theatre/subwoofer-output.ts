import { z } from 'zod';
import { ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';

export const subwooferOutput = calculator({
  name: 'subwoofer-output',
  title: 'Greatest level that subwoofers are asked for',
  topic: 'theatre',
  source: 'ITU-R BS.775; SMPTE RP 200 practice',
  valid: 'bass of all channels in step, the absolute worst; 115 to 118 dB at the seat by trade practice',
  formulas: ['20·log10(N·10^(L/20) + 10^(LFE/20))'],
  cautions: ['C14'],
  input: z.strictObject({
    channels: z.int().min(0).max(64).describe('whose bass the subwoofers play'),
    channelDb: z.number().min(40).max(130).default(105).describe('dB, peak of a channel at the seat'),
    effectsDb: z.number().min(40).max(140).default(115).describe('dB, peak of the low-frequency effects channel'),
  }),
  example: { channels: 5 },
  run: ({ channels, channelDb, effectsDb }) =>
    ok({ levelDb: 20 * Math.log10(channels * 10 ** (channelDb / 20) + 10 ** (effectsDb / 20)) }),
  steps: (i, v) => [`${i.channels} channels and effects: ${fig(v.levelDb)} dB`],
});
