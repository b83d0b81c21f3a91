import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';
import { wireResistance, wireResistanceInput } from '../wire/index.ts';

export const loopLimit = calculator({
  name: 'contact-loop',
  title: 'Longest loop of contacts',
  topic: 'security',
  source: 'Circuit theory; 100 ohm by trade practice, the panel’s data sheet where known',
  formulaIds: ['F17.2'],
  valid: 'both ways of the loop, without the end-of-line resistor',
  formulas: ['L = R limit/(2·r)', 'R = 2·r·L'],
  cautions: ['C9'],
  input: wireResistanceInput.extend({
    gaugeAwg: z.int().default(22),
    stranded: z.boolean().default(false),
    limitOhm: z.number().gt(0).default(100).describe('ohm, most that the panel allows'),
    lengthM: z.number().min(0).nullable().default(null).describe('m, one way'),
  }),
  run: ({ limitOhm, lengthM, ...wire }) => {
    if (wire.material === 'cca')
      return refuse('clad-aluminium-refused', { kind: 'prohibited', field: 'material', use: 'security' });
    const one = wireResistance(wire);
    if (!one.ok) return one;
    const ohmPerM = one.value.ohmPerKm / 1000;
    const longestM = limitOhm / (2 * ohmPerM);
    return fine({
      ohmPerM,
      longestM,
      loopOhm: lengthM === null ? null : 2 * ohmPerM * lengthM,
      ok: lengthM === null ? null : atMost(lengthM, longestM),
    });
  },
  steps: (i, v) => [`${fig(i.limitOhm)}/(2 · ${fig(v.ohmPerM)} Ω/m) = ${fig(v.longestM)} m`],
});

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
    return fine({ ohm, read, volts });
  },
  steps: (_, v) => [
    `${v.ohm === null ? 'open' : `${fig(v.ohm)} Ω`}: ${v.read}`,
    ...(v.volts === null ? [] : [`${fig(v.volts)} V`]),
  ],
});

/** Sealed batteries as they are sold, Ah. */
const BATTERIES_AH = [1.2, 4, 5, 7, 12, 18, 26] as const;

export const standbyBattery = calculator({
  name: 'standby-battery',
  title: 'Standby battery',
  topic: 'security',
  source: 'UL 1023, EN 50131, NFPA 72; 1.25 for aging',
  formulaIds: ['F17.4'],
  valid: 'sealed batteries; below 10 C 20 % more; fire systems are designed by licensed people',
  formulas: ['Ah = 1.25·(I standby·T + I alarm·T)'],
  cautions: ['C9', 'C13'],
  input: z.strictObject({
    standbyA: z.number().min(0).describe('A'),
    standbyHours: z.number().min(0).default(4).describe('h: 4 residential North America, 12 EN 50131 grade 1 and 2, 24 fire'),
    alarmA: z.number().min(0).default(0).describe('A'),
    alarmMinutes: z.number().min(0).default(5).describe('min'),
    temperatureC: z.number().min(-40).max(60).default(20).describe('degrees C'),
    chargeA: z.number().gt(0).nullable().default(null).describe('A, of the charger'),
  }),
  run: ({ standbyA, standbyHours, alarmA, alarmMinutes, temperatureC, chargeA }) => {
    const neededAh = 1.25 * (standbyA * standbyHours + (alarmA * alarmMinutes) / 60);
    const coldAh = temperatureC < 10 ? neededAh * 1.2 : neededAh;
    const batteryAh = BATTERIES_AH.find((one) => atMost(coldAh, one));
    if (batteryAh === undefined)
      return refuse('battery-none', { kind: 'infeasible', field: 'standbyHours', neededAh: coldAh, mostAh: 26 });
    return fine({ neededAh, coldAh, batteryAh, chargeHours: chargeA === null ? null : (batteryAh * 1.4) / chargeA });
  },
  steps: (i, v) => [
    `1.25 · (${fig(i.standbyA)} · ${fig(i.standbyHours)} + ${fig(i.alarmA)} · ${fig(i.alarmMinutes)}/60) = ${fig(v.neededAh)} Ah`,
    `battery ${v.batteryAh} Ah`,
  ],
});

export const contactZones = calculator({
  name: 'contact-zones',
  title: 'Zones for contacts',
  topic: 'security',
  source: 'Trade practice',
  formulaIds: ['F17.1'],
  valid: 'openings of one façade may share a zone, four at most',
  formulas: ['zones = Σ ⌈openings of a façade/4⌉'],
  input: z.strictObject({
    facades: z.array(z.int().min(0).max(200)).max(100).describe('openings of each façade'),
    perZone: z.int().min(1).max(4).default(4),
  }),
  run: ({ facades, perZone }) => fine({ zones: facades.reduce((sum, n) => sum + Math.ceil(n / perZone), 0) }),
  steps: (_, v) => [`${v.zones} zones`],
});
