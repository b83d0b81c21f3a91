import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

/** Share of its rating that an amplifier gives on average, by what it plays. */
const DUTY = { background: 0.05, program: 1 / 8, hard: 1 / 3 } as const;
/** Share of what it takes that it gives, at an eighth of its power. */
const EFFICIENCY = { ab: 0.25, d: 0.7 } as const;

export const amplifierHeat = calculator({
  name: 'amplifier-heat',
  title: 'Heat of an amplifier',
  topic: 'head-end',
  source: 'IEC/UL test practice: an eighth of the rating',
  formulaIds: ['F15.4'],
  valid: 'music and films; what leaves to the speakers warms their rooms',
  formulas: ['P_in = P_idle + Σ P_out / η', 'heat = P_in − P_out', 'average 1/8 of the rating, 1/3 hard, 0.05 background'],
  cautions: ['C13'],
  input: z.strictObject({
    channels: z.int().min(1).max(64),
    ratedW: positive.max(10_000).describe('W of each channel'),
    class: z.enum(['ab', 'd']).default('d'),
    use: z.enum(['background', 'program', 'hard']).default('program'),
    idleW: z.number().min(0).max(1000).default(20),
  }),
  example: { channels: 8, ratedW: 50 },
  run: ({ channels, ratedW, class: kind, use, idleW }) => {
    const outW = channels * ratedW * DUTY[use];
    const inW = idleW + outW / EFFICIENCY[kind];
    return ok({ outW, inW, heatW: inW - outW });
  },
  steps: (_, v) => [`${fig(v.outW)} W to the speakers`, `${fig(v.inW)} W taken, ${fig(v.heatW)} W of heat`],
});
