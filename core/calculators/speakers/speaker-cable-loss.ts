import { z } from 'zod';
import { ok, type Outcome } from '../../math/index.ts';
import { wireResistance, wireResistanceInput } from '../wire/index.ts';
import { calculator, fig } from '../calculator.ts';

export const speakerCableLossInput = wireResistanceInput.extend({
  lengthM: z.number().min(0).describe('m, one way'),
  loadOhm: z.number().gt(0).describe('ohm, nominal impedance of the load'),
  conductorsPerPole: z.int().min(1).default(1).describe('conductors paralleled per pole'),
  amplifierDampingFactor: z
    .number()
    .gt(0)
    .nullable()
    .default(null)
    .describe('as the amplifier is rated; null leaves damping out'),
  dampingRatedOhm: z.number().gt(0).default(8).describe('ohm, the impedance at which the damping factor is rated'),
});
export type SpeakerCableLossInput = z.input<typeof speakerCableLossInput>;

export interface SpeakerCableLossResult {
  readonly ohmPerKm: number;
  readonly loopOhm: number;
  readonly lossDb: number;
  /** Share of the amplifier's power lost in the cable. */
  readonly powerLostFraction: number;
  /** Power at the load against that without cable. */
  readonly loadPowerFraction: number;
  readonly dampingFactor: number | null;
}

/** Loop resistance, ohm, of so much cable (m, one way), and what it costs at a load (ohm), dB: F2.1 and F2.2. */
export function speakerLoopLoss(ohmPerKm: number, lengthM: number, loadOhm: number, conductorsPerPole = 1) {
  const loopOhm = (2 * lengthM * (ohmPerKm / 1000)) / conductorsPerPole;
  return { loopOhm, lossDb: 20 * Math.log10((loadOhm + loopOhm) / loadOhm) };
}

/**
 * Answers: what does a speaker cable of this length and gauge cost in level, power and damping?
 * Units: m one way, ohm, dB, fractions.
 * Formula and source: F2.1 R_loop = 2*L*r/n; F2.2 loss = 20*log10((Z+R)/Z); F2.3 R/(Z+R) and (Z/(Z+R))^2;
 * DF = Z/(R + Z_rated/DF_amp). Resistive model.
 * Valid: as the wire resistance; a zero length is legal and costs nothing.
 * Problems: `out_of_domain` for gauge or temperature.
 */
export function speakerCableLoss(given: SpeakerCableLossInput): Outcome<SpeakerCableLossResult> {
  const { lengthM, loadOhm, conductorsPerPole, amplifierDampingFactor, dampingRatedOhm, ...wire } =
    speakerCableLossInput.parse(given);
  const resistance = wireResistance(wire);
  if (!resistance.ok) return resistance;
  const { ohmPerKm } = resistance.value;
  const { loopOhm, lossDb } = speakerLoopLoss(ohmPerKm, lengthM, loadOhm, conductorsPerPole);
  const total = loadOhm + loopOhm;
  return ok({
    ohmPerKm,
    loopOhm,
    lossDb,
    powerLostFraction: loopOhm / total,
    loadPowerFraction: (loadOhm / total) ** 2,
    dampingFactor: amplifierDampingFactor === null ? null : loadOhm / (loopOhm + dampingRatedOhm / amplifierDampingFactor),
  });
}

export const speakerCableLossCalculator = calculator({
  name: 'speaker-cable-loss',
  title: 'Loss and resistance of a speaker cable',
  topic: 'speakers',
  source: 'Circuit theory',
  formulaIds: ['F2.1', 'F2.2', 'F2.3'],
  valid: 'resistive model; AWG -3 to 40, -20 to 90 C',
  formulas: ['R = 2·L·r/n', 'loss = 20·log10((Z + R)/Z)', 'lost = R/(Z + R)'],
  cautions: ['C2'],
  input: speakerCableLossInput,
  example: { gaugeAwg: 14, lengthM: 25, loadOhm: 8 },
  from: { lengthM: 'routedLengthM' },
  run: speakerCableLoss,
  steps: (i, v) => [
    `R = 2 · ${fig(i.lengthM)} m · ${fig(v.ohmPerKm)} Ω/km / ${i.conductorsPerPole} = ${fig(v.loopOhm)} Ω`,
    `loss = 20·log10((${fig(i.loadOhm)} + ${fig(v.loopOhm)})/${fig(i.loadOhm)}) = ${fig(v.lossDb)} dB`,
  ],
});
