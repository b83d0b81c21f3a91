import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';
import { speakerCableLoss, speakerCableLossInput } from './speaker-cable-loss.ts';
import { wireResistanceInput } from '../wire/index.ts';

export const speakerNetwork = calculator({
  name: 'speaker-network',
  title: 'Speakers in series and parallel on one amplifier',
  topic: 'speakers',
  source: 'Circuit theory',
  formulaIds: ['F2.7'],
  valid: 'nominal, resistive loads; each string in series, strings in parallel',
  formulas: ['string: Z = ΣZi', 'strings: 1/Z = Σ1/Zs'],
  cautions: ['C2'],
  input: z.strictObject({
    stringsOhm: z
      .array(z.array(z.number().gt(0)).max(50))
      .max(50)
      .describe('ohm: strings in parallel, each a list of speakers in series'),
    amplifierLeastOhm: z.number().gt(0).describe('ohm, least load that the amplifier allows'),
  }),
  run: ({ stringsOhm, amplifierLeastOhm }) => {
    const strings = stringsOhm.filter((one) => one.length > 0).map((one) => one.reduce((sum, z) => sum + z, 0));
    // No load is an open circuit, not an error.
    if (strings.length === 0) return fine({ loadOhm: null as number | null, strings, marginFraction: null as number | null });
    const loadOhm = 1 / strings.reduce((sum, z) => sum + 1 / z, 0);
    if (!atLeast(loadOhm, amplifierLeastOhm))
      return refuse('amplifier-overloaded', { kind: 'prohibited', field: 'stringsOhm', loadOhm, amplifierLeastOhm });
    return fine({ loadOhm, strings, marginFraction: loadOhm / amplifierLeastOhm - 1 });
  },
  steps: (_, { strings, loadOhm }) => [
    strings.map((z) => `${fig(z)} Ω`).join(' ∥ '),
    loadOhm === null ? 'open circuit' : `Z = ${fig(loadOhm)} Ω`,
  ],
});

export const speakerResponse = calculator({
  name: 'speaker-response',
  title: 'What a cable does to the response of a speaker',
  topic: 'speakers',
  source: 'IEC 60268-5: least impedance 0.8 of nominal',
  formulaIds: ['F2.6'],
  valid: 'worst case between the least and the greatest impedance',
  formulas: ['error = 20·log10((Zmin + R)/Zmin) − 20·log10((Zmax + R)/Zmax)'],
  input: z
    .strictObject({
      loopOhm: z.number().min(0).describe('ohm, both conductors of the cable'),
      leastOhm: z.number().gt(0).describe('ohm, least impedance of the speaker'),
      greatestOhm: z.number().gt(0).describe('ohm, greatest impedance of the speaker'),
    })
    .refine((i) => i.greatestOhm >= i.leastOhm, { path: ['greatestOhm'], message: 'is below the least' }),
  run: ({ loopOhm, leastOhm, greatestOhm }) => {
    const loss = (z: number) => 20 * Math.log10((z + loopOhm) / z);
    const errorDb = loss(leastOhm) - loss(greatestOhm);
    return fine({
      lossAtLeastDb: loss(leastOhm),
      lossAtGreatestDb: loss(greatestOhm),
      errorDb,
      limitDb: 0.5,
      ok: atMost(errorDb, 0.5),
    });
  },
  steps: (_, v) => [`${fig(v.lossAtLeastDb)} dB − ${fig(v.lossAtGreatestDb)} dB = ${fig(v.errorDb)} dB (to 0.5 dB)`],
});

export const volumeControl = calculator({
  name: 'volume-control',
  title: 'Impedance setting of in-line volume controls',
  topic: 'speakers',
  source: 'Trade practice: the setting that keeps the load over the least of the amplifier',
  valid: 'impedance-multiplying controls with the same setting on each',
  formulas: ["Z' = m·Z", 'Z = 1/Σ(1/(m·Zi))', 'loss at full ≈ 10·log10(m) + 0.5 dB'],
  cautions: ['C2'],
  input: z.strictObject({
    loadsOhm: z.array(z.number().gt(0)).max(60).describe('ohm, speakers behind each control, as the control sees them'),
    amplifierLeastOhm: z.number().gt(0).describe('ohm, least load that the amplifier allows'),
  }),
  run: ({ loadsOhm, amplifierLeastOhm }) => {
    if (loadsOhm.length === 0) return fine({ setting: 1, loadOhm: null as number | null, lossDb: 0.5 });
    const at = (m: number) => 1 / loadsOhm.reduce((sum, z) => sum + 1 / (m * z), 0);
    const setting = [1, 2, 4, 8, 16].find((m) => atLeast(at(m), amplifierLeastOhm));
    if (setting === undefined)
      return refuse('volume-control-none', { kind: 'infeasible', field: 'loadsOhm', loadOhm: at(16), amplifierLeastOhm });
    return fine({ setting, loadOhm: at(setting), lossDb: 10 * Math.log10(setting) + 0.5 });
  },
  steps: (_, { setting, loadOhm, lossDb }) => [
    `m = ${setting}: Z = ${loadOhm === null ? 'open' : `${fig(loadOhm)} Ω`}`,
    `10·log10(${setting}) + 0.5 = ${fig(lossDb)} dB`,
  ],
});

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
  run: ({ lineV, tapsW, amplifierW, lengthM, conductorsPerPole, lossLimitDb, ...wire }) => {
    const powerW = tapsW.reduce((sum, w) => sum + w, 0);
    const loadOhm = lineV ** 2 / powerW;
    const line = speakerCableLoss({ ...wire, lengthM, loadOhm, conductorsPerPole });
    if (!line.ok) return line;
    const { loopOhm, lossDb, ohmPerKm } = line.value;
    const longestM = (loadOhm * (10 ** (lossLimitDb / 20) - 1)) / ((2 * ohmPerKm) / 1000 / conductorsPerPole);
    const mostW = amplifierW === null ? null : 0.8 * amplifierW;
    return fine({
      powerW,
      loadOhm,
      loopOhm,
      lossDb,
      spreadLossDb: lossDb / 2,
      longestM,
      mostW,
      ok: atMost(lossDb, lossLimitDb) && (mostW === null || atMost(powerW, mostW)),
    });
  },
  steps: ({ lineV }, v) => [
    `Z = ${fig(lineV)}²/${fig(v.powerW)} W = ${fig(v.loadOhm)} Ω`,
    `R = ${fig(v.loopOhm)} Ω, loss = ${fig(v.lossDb)} dB`,
    `longest ${fig(v.longestM)} m`,
  ],
});

export const damping = calculator({
  name: 'speaker-damping',
  title: 'Damping at the speaker',
  topic: 'speakers',
  source: 'Circuit theory; 20 at bass by trade practice',
  formulaIds: ['F2.5'],
  valid: 'resistive model',
  formulas: ['DF = Z/(R + Zrated/DFamp)'],
  input: speakerCableLossInput
    .omit({ amplifierDampingFactor: true })
    .extend({ amplifierDampingFactor: z.number().gt(0).describe('as the amplifier is rated') }),
  run: (input) => {
    const found = speakerCableLoss(input);
    if (!found.ok) return found;
    const dampingFactor = found.value.dampingFactor!;
    return fine({ loopOhm: found.value.loopOhm, dampingFactor, wanted: 20, ok: atLeast(dampingFactor, 20) });
  },
  steps: ({ loadOhm, dampingRatedOhm, amplifierDampingFactor }, v) => [
    `${fig(loadOhm)}/(${fig(v.loopOhm)} + ${fig(dampingRatedOhm)}/${fig(amplifierDampingFactor)}) = ${fig(v.dampingFactor)}`,
  ],
});
