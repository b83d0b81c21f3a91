import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { ok, type Outcome } from '../../math/index.ts';
import { COAX_KINDS, coaxDbPerM } from './coax-loss.ts';
import { PASSIVES, WINDOWS } from './passives.ts';

const PASSIVE_NAMES = Object.keys(PASSIVES) as [string, ...string[]];

const SERVICES = Object.keys(WINDOWS) as [keyof typeof WINDOWS, ...(keyof typeof WINDOWS)[]];

const lossOf = (name: string, frequencyMhz: number) => PASSIVES[name][frequencyMhz > 1002 ? 1 : 0];

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
  example: { service: 'fm', sourceDbuv: 65, lowestMhz: 88, highestMhz: 108 },
  run: ({ service, sourceDbuv, gainDb, cables, passives, otherDb, lowestMhz, highestMhz, temperatureC }) => {
    const at = (frequencyMhz: number): Outcome<number> => {
      let level = sourceDbuv + gainDb - otherDb;
      for (const name of passives) level -= lossOf(name, frequencyMhz);
      for (const { kind, lengthM } of cables) {
        const perM = coaxDbPerM(kind, frequencyMhz, temperatureC);
        if (!perM.ok) return perM;
        level -= perM.value * lengthM;
      }
      return ok(level);
    };
    const [low, high] = [at(lowestMhz), at(highestMhz)];
    if (!low.ok) return low;
    if (!high.ok) return high;
    const { least: min, most: max, planLeast: planMin, planMost: planMax } = WINDOWS[service];
    const [lowestDbuv, highestDbuv] = [low.value, high.value];
    const worst = (within: (level: number) => boolean) => within(lowestDbuv) && within(highestDbuv);
    const tiltDb = lowestDbuv - highestDbuv;
    return ok({
      atLowestDbuv: lowestDbuv,
      atHighestDbuv: highestDbuv,
      atLowestDbmv: lowestDbuv - 60,
      atHighestDbmv: highestDbuv - 60,
      tiltDb,
      leastDbuv: min,
      mostDbuv: max,
      onTarget: worst((level) => atLeast(level, planMin) && atMost(level, planMax)),
      equalise: Math.abs(tiltDb) > (service === 'satellite-if' ? 8 : 6),
      ok: worst((level) => atLeast(level, min) && atMost(level, max)),
    });
  },
  steps: (i, v) => [
    `${fig(i.lowestMhz)} MHz: ${fig(v.atLowestDbuv)} dBµV (${fig(v.atLowestDbmv)} dBmV)`,
    `${fig(i.highestMhz)} MHz: ${fig(v.atHighestDbuv)} dBµV (${fig(v.atHighestDbmv)} dBmV)`,
    `window ${v.leastDbuv} to ${v.mostDbuv} dBµV; tilt ${fig(v.tiltDb)} dB`,
  ],
});
