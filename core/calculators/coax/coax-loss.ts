import { z } from 'zod';
import { calculator, fig, outOfDomain } from '../calculator.ts';
import { ok, type Outcome } from '../../math/index.ts';

export const COAX_KINDS = ['rg59', 'rg6', 'rg11'] as const;
export type CoaxKind = (typeof COAX_KINDS)[number];

const FREQUENCIES = [55, 211, 400, 550, 750, 1000, 1450, 2150] as const;
/** Highest frequency of satellite lines, and the end of the table, MHz. */
export const SATELLITE_MHZ = 2150;
/** dB/100 ft (ANSI/SCTE 74 class maxima to 1000 MHz; typical above). */
const DB_PER_100_FT: Readonly<Record<CoaxKind, readonly number[]>> = {
  rg59: [2.05, 3.8, 5.1, 5.95, 6.97, 8.12, 9.9, 12.2],
  rg6: [1.6, 3.05, 4.15, 4.9, 5.65, 6.55, 8, 9.9],
  rg11: [0.96, 1.9, 2.6, 3.04, 3.65, 4.35, 5.4, 6.7],
};
const M_PER_100_FT = 30.48;

/** F5.1, F5.2: loss of coax at a frequency and temperature, dB/m. `out_of_domain` outside 5 to 2150 MHz. */
export function coaxDbPerM(kind: CoaxKind, frequencyMhz: number, temperatureC = 20): Outcome<number> {
  if (frequencyMhz < 5 || frequencyMhz > SATELLITE_MHZ) return outOfDomain('frequencyMhz', frequencyMhz, 5, SATELLITE_MHZ);
  const table = DB_PER_100_FT[kind];
  const f = Math.max(frequencyMhz, FREQUENCIES[0]);
  const k = Math.max(
    1,
    FREQUENCIES.findIndex((one) => one >= f),
  );
  const [f1, f2, a1, a2] = [FREQUENCIES[k - 1], FREQUENCIES[k], table[k - 1], table[k]];
  const per100 = a1 * (f / f1) ** (Math.log(a2 / a1) / Math.log(f2 / f1));
  return ok((per100 / M_PER_100_FT) * (1 + 0.002 * (temperatureC - 20)));
}

export const coaxLoss = calculator({
  name: 'coax-loss',
  title: 'Loss of a coax run',
  topic: 'coax',
  source: 'ANSI/SCTE 74; above 1000 MHz typical, the larger loss',
  formulaIds: ['F5.1', 'F5.2'],
  valid: '5 to 2150 MHz; below 55 MHz the loss at 55 MHz',
  formulas: ['a(f) = a1·(f/f1)^(ln(a2/a1)/ln(f2/f1))', 'a(T) = a20·(1 + 0.002·(T − 20))', 'loss = a·L + connectors + plates'],
  input: z.strictObject({
    kind: z.enum(COAX_KINDS).describe('quad shield loses as its kind does'),
    frequencyMhz: z.number().gt(0),
    lengthM: z.number().min(0).describe('m'),
    temperatureC: z.number().min(-40).max(90).default(20).describe('degrees C'),
    connectors: z.int().min(0).max(50).default(0).describe('compression connectors, 0.2 dB each'),
    plates: z.int().min(0).max(50).default(0).describe('plates or barrels, 0.5 dB each above 1 GHz'),
  }),
  example: { kind: 'rg6', frequencyMhz: 750, lengthM: 30 },
  from: { lengthM: 'cutLengthM', kind: 'coaxKind' },
  run: ({ kind, frequencyMhz, lengthM, temperatureC, connectors, plates }) => {
    const perM = coaxDbPerM(kind, frequencyMhz, temperatureC);
    if (!perM.ok) return perM;
    const cableDb = perM.value * lengthM;
    const connectorsDb = 0.2 * connectors + (frequencyMhz > 1000 ? 0.5 * plates : 0);
    return ok({
      dbPer100M: perM.value * 100,
      dbPer30M: perM.value * 30,
      cableDb,
      connectorsDb,
      lossDb: cableDb + connectorsDb,
    });
  },
  steps: (i, v) => [
    `a = ${fig(v.dbPer100M)} dB/100 m at ${fig(i.frequencyMhz)} MHz`,
    `${fig(i.lengthM)} m: ${fig(v.cableDb)} dB + ${fig(v.connectorsDb)} dB = ${fig(v.lossDb)} dB`,
  ],
});
