import { z } from 'zod';
import { err, ok, type Outcome } from '../../math/index.ts';
import { wireResistance, wireResistanceInput } from '../wire/index.ts';
import { calculator, fig } from '../calculator.ts';

/** Gauges that F2.8 chooses from, thinnest first. */
export const SPEAKER_GAUGES = [18, 16, 14, 12, 10] as const;

/** Loss of speaker cable that a plan aims at for every use, and above which it is an error, dB (ENGINEERING 2.1). */
export const LOSS_TARGET_DB = 0.5;
export const LOSS_STOP_DB = 1;
/** Stricter targets that a firm may set, dB: the 5 % rule, and 0.3 dB for the main speakers of a theatre. */
export const STRICTER_TARGETS_DB = { distributed: 20 * Math.log10(1.05), theatre: 0.3 } as const;

export const speakerCableGaugeInput = wireResistanceInput.omit({ gaugeAwg: true }).extend({
  lengthM: z.number().min(0).describe('m, one way'),
  loadOhm: z.number().gt(0).describe('ohm, nominal impedance of the load'),
  use: z
    .enum(['distributed', 'theatre'])
    .nullable()
    .default(null)
    .describe('stricter target: 5 % for distributed, 0.3 dB for theatre; null is 0.5 dB'),
  lossLimitDb: z.number().gt(0).nullable().default(null).describe('dB; null takes the target of the use'),
  conductorsPerPole: z.int().min(1).default(1).describe('conductors paralleled per pole'),
});
export type SpeakerCableGaugeInput = z.input<typeof speakerCableGaugeInput>;

export interface SpeakerCableGaugeResult {
  readonly gaugeAwg: number;
  readonly lossLimitDb: number;
  /** Longest one-way length of each gauge within the limit, m. */
  readonly longestM: Readonly<Record<string, number>>;
}

/**
 * Answers: which is the thinnest gauge for this length, and how far does each gauge reach?
 * Units: m one way, ohm, dB.
 * Formula and source: F2.4 L_max = Z*k/(2*r/n), k = 10^(dB/20)-1; F2.8 the thinnest of 18, 16, 14, 12, 10 AWG that reaches.
 * Valid: as the wire resistance; a length exactly at the limit passes.
 * Problems: `infeasible` where no gauge reaches: a shorter run, parallel conductors, a higher impedance or a 70/100 V line cures it.
 */
export function speakerCableGauge(given: SpeakerCableGaugeInput): Outcome<SpeakerCableGaugeResult> {
  const { lengthM, loadOhm, use, lossLimitDb: limit, conductorsPerPole, ...wire } = speakerCableGaugeInput.parse(given);
  const limitDb = limit ?? (use === null ? LOSS_TARGET_DB : STRICTER_TARGETS_DB[use]);
  const k = 10 ** (limitDb / 20) - 1;
  const longestM: Record<string, number> = {};
  for (const gaugeAwg of SPEAKER_GAUGES) {
    const resistance = wireResistance({ ...wire, gaugeAwg });
    if (!resistance.ok) return resistance;
    longestM[gaugeAwg] = (loadOhm * k * conductorsPerPole) / (2 * (resistance.value.ohmPerKm / 1000));
  }
  const gaugeAwg = SPEAKER_GAUGES.find((gauge) => lengthM <= longestM[gauge] * (1 + 1e-9));
  if (gaugeAwg === undefined)
    return err('no-gauge-reaches', { kind: 'infeasible', field: 'lengthM', lengthM, longestM: longestM[10] });
  return ok({ gaugeAwg, lossLimitDb: limitDb, longestM });
}

export const speakerCableGaugeCalculator = calculator({
  name: 'speaker-cable-gauge',
  title: 'Thinnest speaker cable for a length',
  topic: 'speakers',
  source: 'Circuit theory; trade practice',
  formulaIds: ['F2.4', 'F2.8'],
  valid: 'resistive model; 18 to 10 AWG',
  formulas: ['L max = Z·k/(2·r/n), k = 10^(dB/20) − 1'],
  cautions: ['C2'],
  input: speakerCableGaugeInput,
  example: { lengthM: 10, loadOhm: 8 },
  from: { lengthM: 'routedLengthM', use: null },
  run: speakerCableGauge,
  steps: (i, v) => [
    `limit ${fig(v.lossLimitDb)} dB: ${Object.entries(v.longestM)
      .map(([gauge, m]) => `${gauge} AWG ${fig(m)} m`)
      .join(', ')}`,
    `${fig(i.lengthM)} m: ${v.gaugeAwg} AWG`,
  ],
});
