import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

const STATES = ['normal', 'alarm', 'short', 'open'] as const;

export const endOfLine = calculator({
  name: 'end-of-line',
  title: 'What a supervised loop reads',
  topic: 'security',
  source: 'Circuit theory',
  formulaIds: ['F17.3'],
  valid: 'resistors at the device end, never in the panel; contacts normally closed',
  formulas: [
    'single: normal R, alarm open, short = fault',
    'double: normal Re, alarm Re + Ra; short or open = tamper',
    'V = Vb·R/(R + R pull-up)',
  ],
  cautions: ['C9'],
  input: z.strictObject({
    kind: z.enum(['single', 'double']),
    endOhm: z.number().gt(0).default(1000).describe('ohm, in series with the loop'),
    acrossOhm: z.number().gt(0).default(1000).describe('ohm, across the contact; double only'),
    loopOhm: z.number().min(0).default(0).describe('ohm, of the cable'),
    state: z.enum(STATES),
    supplyV: z.number().gt(0).nullable().default(null).describe('V, of the divider'),
    pullUpOhm: z.number().gt(0).nullable().default(null).describe('ohm'),
  }),
  example: { kind: 'double', state: 'normal' },
  run: ({ kind, endOhm, acrossOhm, loopOhm, state, supplyV, pullUpOhm }) => {
    const open = state === 'open' || (state === 'alarm' && kind === 'single');
    const ohm = open ? null : (state === 'short' ? 0 : endOhm + (state === 'alarm' ? acrossOhm : 0)) + loopOhm;
    const read =
      state === 'normal'
        ? 'normal'
        : state === 'alarm' || (state === 'open' && kind === 'single')
          ? 'alarm'
          : kind === 'single'
            ? 'fault'
            : 'tamper';
    const volts = supplyV === null || pullUpOhm === null ? null : ohm === null ? supplyV : (supplyV * ohm) / (ohm + pullUpOhm);
    return ok({ ohm, read, volts });
  },
  steps: (_, v) => [
    `${v.ohm === null ? 'open' : `${fig(v.ohm)} Ω`}: ${v.read}`,
    ...(v.volts === null ? [] : [`${fig(v.volts)} V`]),
  ],
});
