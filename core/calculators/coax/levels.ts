import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { fine, type Outcome, refuse } from '../../math/index.ts';
import { COAX_KINDS, coaxDbPerM } from './coax-loss.ts';

/** Insertion loss of passives, dB: to 1002 MHz and 950 to 2150 MHz (ENGINEERING 5.2, the larger). */
export const PASSIVES: Readonly<Record<string, readonly [number, number]>> = {
  'splitter-2': [4, 5],
  'splitter-3': [6.5, 8],
  'splitter-4': [7.5, 9.5],
  'splitter-6': [10.5, 13],
  'splitter-8': [11.5, 14],
  'tap-through-6': [2.5, 3.5],
  'tap-through-9': [1.6, 2.6],
  'tap-through-12': [1, 2],
  'tap-through-16': [0.8, 1.8],
  'tap-through-20': [0.7, 1.7],
  'tap-through-24': [0.6, 1.6],
  'tap-6': [6, 6],
  'tap-9': [9, 9],
  'tap-12': [12, 12],
  'tap-16': [16, 16],
  'tap-20': [20, 20],
  'tap-24': [24, 24],
  diplexer: [1, 1.5],
};
const PASSIVE_NAMES = Object.keys(PASSIVES) as [string, ...string[]];

/** Windows at the outlet, dBuV, with the target to plan for (ENGINEERING 5.3). */
export const WINDOWS = {
  'cable-modem': { least: 45, most: 75, planLeast: 53, planMost: 67 },
  'analogue-catv': { least: 60, most: 75, planLeast: 63, planMost: 70 },
  'off-air-8vsb': { least: 26, most: 100, planLeast: 50, planMost: 80 },
  'off-air-cofdm': { least: 47, most: 74, planLeast: 50, planMost: 70 },
  'dvb-c': { least: 54, most: 74, planLeast: 60, planMost: 70 },
  fm: { least: 50, most: 70, planLeast: 55, planMost: 65 },
  'satellite-if': { least: 47, most: 77, planLeast: 52, planMost: 72 },
} as const;
const SERVICES = Object.keys(WINDOWS) as [keyof typeof WINDOWS, ...(keyof typeof WINDOWS)[]];

const lossOf = (name: string, frequencyMhz: number) => PASSIVES[name][frequencyMhz > 1002 ? 1 : 0];

export const splitterLoss = calculator({
  name: 'splitter-loss',
  title: 'Loss of a splitter',
  topic: 'coax',
  source: 'Trade practice',
  formulaIds: ['F5.3'],
  valid: 'ideal split, and 0.5 to 1 dB more for each binary stage',
  formulas: ['ideal = 10·log10(N)', 'real = ideal + 0.5 to 1 dB · ⌈log2 N⌉'],
  input: z.strictObject({
    outputs: z.int().min(1).max(64),
    frequencyMhz: z.number().gt(0).max(2150).default(1000),
  }),
  run: ({ outputs, frequencyMhz }) => {
    const idealDb = 10 * Math.log10(outputs);
    const stages = Math.ceil(Math.log2(outputs) - 1e-9);
    const table = PASSIVES[`splitter-${outputs}`];
    const plannedDb = outputs === 1 ? 0 : table ? table[frequencyMhz > 1002 ? 1 : 0] : idealDb + stages;
    return fine({ idealDb, leastDb: idealDb + 0.5 * stages, mostDb: idealDb + stages, plannedDb });
  },
  steps: ({ outputs }, v) => [`10·log10(${outputs}) = ${fig(v.idealDb)} dB; planned ${fig(v.plannedDb)} dB`],
});

const piece = z.strictObject({ kind: z.enum(COAX_KINDS), lengthM: z.number().min(0).describe('m') });

export const outletLevel = calculator({
  name: 'outlet-level',
  title: 'Level at an outlet',
  topic: 'coax',
  source: 'SCTE, EN 60728-1; windows the narrower',
  formulaIds: ['F5.4'],
  valid: '5 to 2150 MHz; losses add in dB; a level above the window is a fault as one below',
  formulas: [
    'level = source + gain − Σ cable − Σ passives',
    'tilt = difference between the ends of the band; equalise above 6 dB (IF 8 dB)',
  ],
  input: z
    .strictObject({
      service: z.enum(SERVICES),
      sourceDbuv: z.number().describe('dBuV at 75 ohm; dBmV + 60'),
      gainDb: z.number().min(0).max(60).default(0).describe('dB, of amplifiers'),
      cables: z.array(piece).max(50).default([]),
      passives: z.array(z.enum(PASSIVE_NAMES)).max(50).default([]),
      otherDb: z.number().min(0).default(0).describe('dB, connectors and plates'),
      lowestMhz: z.number().gt(0).describe('MHz, lowest used'),
      highestMhz: z.number().gt(0).describe('MHz, highest used'),
      temperatureC: z.number().min(-40).max(90).default(20).describe('degrees C'),
    })
    .refine((i) => i.highestMhz >= i.lowestMhz, { path: ['highestMhz'], message: 'is below the lowest' }),
  run: ({ service, sourceDbuv, gainDb, cables, passives, otherDb, lowestMhz, highestMhz, temperatureC }) => {
    const at = (frequencyMhz: number): Outcome<number> => {
      let level = sourceDbuv + gainDb - otherDb;
      for (const name of passives) level -= lossOf(name, frequencyMhz);
      for (const { kind, lengthM } of cables) {
        const perM = coaxDbPerM(kind, frequencyMhz, temperatureC);
        if (!perM.ok) return perM;
        level -= perM.value * lengthM;
      }
      return fine(level);
    };
    const [low, high] = [at(lowestMhz), at(highestMhz)];
    if (!low.ok) return low;
    if (!high.ok) return high;
    const { least, most, planLeast, planMost } = WINDOWS[service];
    const [lowestDbuv, highestDbuv] = [low.value, high.value];
    const worst = (within: (level: number) => boolean) => within(lowestDbuv) && within(highestDbuv);
    const tiltDb = lowestDbuv - highestDbuv;
    return fine({
      atLowestDbuv: lowestDbuv,
      atHighestDbuv: highestDbuv,
      atLowestDbmv: lowestDbuv - 60,
      atHighestDbmv: highestDbuv - 60,
      tiltDb,
      leastDbuv: least,
      mostDbuv: most,
      onTarget: worst((level) => atLeast(level, planLeast) && atMost(level, planMost)),
      equalise: Math.abs(tiltDb) > (service === 'satellite-if' ? 8 : 6),
      ok: worst((level) => atLeast(level, least) && atMost(level, most)),
    });
  },
  steps: (i, v) => [
    `${fig(i.lowestMhz)} MHz: ${fig(v.atLowestDbuv)} dBµV (${fig(v.atLowestDbmv)} dBmV)`,
    `${fig(i.highestMhz)} MHz: ${fig(v.atHighestDbuv)} dBµV (${fig(v.atHighestDbmv)} dBmV)`,
    `window ${v.leastDbuv} to ${v.mostDbuv} dBµV; tilt ${fig(v.tiltDb)} dB`,
  ],
});

export const levelUnits = calculator({
  name: 'level-units',
  title: 'Levels in dBµV, dBmV and dBm at 75 ohm',
  topic: 'coax',
  source: 'Definition of the units at 75 Ω',
  valid: '75 ohm',
  formulas: ['dBµV = dBmV + 60', 'dBm = dBmV − 48.75'],
  input: z.strictObject({ level: z.number(), unit: z.enum(['dBuV', 'dBmV', 'dBm']) }),
  run: ({ level, unit }) => {
    const dbmv = unit === 'dBuV' ? level - 60 : unit === 'dBm' ? level + 48.75 : level;
    if (Math.abs(dbmv) > 300)
      return refuse('out-of-domain', { kind: 'out_of_domain', field: 'level', value: level, least: -300, most: 300 });
    return fine({ dbuv: dbmv + 60, dbmv, dbm: dbmv - 48.75 });
  },
  steps: ({ level, unit }, v) => [
    `${fig(level)} ${unit.replace('u', 'µ')} = ${fig(v.dbmv)} dBmV`,
    `${fig(v.dbmv)} + 60 = ${fig(v.dbuv)} dBµV; ${fig(v.dbmv)} − 48.75 = ${fig(v.dbm)} dBm`,
  ],
});
