import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';

const positive = z.number().gt(0);
const SPEED = 343.2;

const level = {
  sensitivityDb: z.number().min(0).max(150).describe('dB at 2.83 V and 1 m'),
  impedanceOhm: positive.default(8),
  gainDb: z.number().default(0).describe('dB, boundaries and room'),
};
/** F10.5: dB at 1 W and 1 m. */
const oneWatt = (sensitivityDb: number, impedanceOhm: number) => sensitivityDb - 10 * Math.log10(8 / impedanceOhm);

export const soundLevel = calculator({
  name: 'sound-level',
  title: 'Level of a speaker at a seat',
  topic: 'theatre',
  source: 'Acoustics',
  formulaIds: ['F10.5'],
  valid: 'direct field',
  formulas: ['S1W = S2.83V − 10·log10(8/Z)', 'SPL = S1W + 10·log10(P) − 20·log10(r) + G'],
  cautions: ['C14'],
  input: z.strictObject({ ...level, powerW: positive.describe('W'), distanceM: positive.describe('m') }),
  run: ({ sensitivityDb, impedanceOhm, gainDb, powerW, distanceM }) => {
    const oneWattDb = oneWatt(sensitivityDb, impedanceOhm);
    return fine({ oneWattDb, levelDb: oneWattDb + 10 * Math.log10(powerW) - 20 * Math.log10(distanceM) + gainDb });
  },
  steps: (_, v) => [`S1W = ${fig(v.oneWattDb)} dB`, `SPL = ${fig(v.levelDb)} dB`],
});

export const soundInRoom = calculator({
  name: 'sound-in-room',
  title: 'Level with a simple room',
  topic: 'theatre',
  source: 'Room acoustics',
  formulaIds: ['F10.17'],
  valid: 'mid band, diffuse field; for headroom the direct part alone',
  formulas: ['SPL = S1W + 10·log10(P) + 10·log10(10^(−loss/10)/r² + 16π/(Q·R))', 'critical distance √(Q·R/(16π))'],
  cautions: ['C14'],
  input: z.strictObject({
    ...level,
    powerW: positive.describe('W'),
    distanceM: z.number().min(0.3).describe('m'),
    roomConstantM2: positive.describe('m2, R'),
    directivity: positive.default(5).describe('Q: 2, 5 or 10'),
    offAxisDb: z.number().min(0).default(0).describe('dB'),
  }),
  run: ({ sensitivityDb, impedanceOhm, gainDb, powerW, distanceM, roomConstantM2, directivity, offAxisDb }) => {
    const base = oneWatt(sensitivityDb, impedanceOhm) + 10 * Math.log10(powerW) + gainDb;
    const direct = 10 ** (-offAxisDb / 10) / distanceM ** 2;
    return fine({
      directDb: base + 10 * Math.log10(direct),
      levelDb: base + 10 * Math.log10(direct + (16 * Math.PI) / (directivity * roomConstantM2)),
      criticalM: Math.sqrt((directivity * roomConstantM2) / (16 * Math.PI)),
    });
  },
  steps: (_, v) => [`direct ${fig(v.directDb)} dB, with the room ${fig(v.levelDb)} dB`],
});

export const speakerPower = calculator({
  name: 'speaker-power',
  title: 'Power for a level at a seat',
  topic: 'theatre',
  source: 'Acoustics',
  formulaIds: ['F10.6'],
  valid: 'direct field; 2 dB for warm voice coils by practice',
  formulas: ['P = 10^((SPL + 20·log10(r) − S1W − G + comp)/10)'],
  cautions: ['C14'],
  input: z.strictObject({
    ...level,
    targetDb: z.number().min(0).max(140),
    distanceM: positive.describe('m'),
    compressionDb: z.number().min(0).default(2),
    mostW: positive.nullable().default(null).describe('W, of the speaker or amplifier, the lesser'),
  }),
  run: ({ sensitivityDb, impedanceOhm, gainDb, targetDb, distanceM, compressionDb, mostW }) => {
    const neededW =
      10 ** ((targetDb + 20 * Math.log10(distanceM) - oneWatt(sensitivityDb, impedanceOhm) - gainDb + compressionDb) / 10);
    if (mostW !== null && !atMost(neededW, mostW))
      return refuse('power-short', {
        kind: 'infeasible',
        field: 'targetDb',
        neededW,
        mostW,
        shortDb: 10 * Math.log10(neededW / mostW),
      });
    return fine({ neededW });
  },
  steps: (_, v) => [`${fig(v.neededW)} W`],
});

export const speakerDelay = calculator({
  name: 'speaker-delays',
  title: 'Delays and levels of speakers',
  topic: 'theatre',
  source: 'Acoustics',
  formulaIds: ['F10.2', 'F10.3'],
  valid: '20 °C unless said',
  formulas: ['delay = 1000·(d max − d)/c ms', 'trim = −20·log10(d max/d) dB'],
  input: z.strictObject({
    distancesM: z.array(positive).min(1).max(64).describe('m, of each speaker to the seat'),
    temperatureC: z.number().min(-20).max(60).default(20),
  }),
  run: ({ distancesM, temperatureC }) => {
    const speed = temperatureC === 20 ? SPEED : 331.3 * Math.sqrt(1 + temperatureC / 273.15);
    const far = Math.max(...distancesM);
    return fine({
      speedMPerS: speed,
      delaysMs: distancesM.map((d) => (1000 * (far - d)) / speed),
      trimsDb: distancesM.map((d) => -20 * Math.log10(far / d)),
    });
  },
  steps: (_, v) => [`${v.delaysMs.map(fig).join(', ')} ms`, `${v.trimsDb.map(fig).join(', ')} dB`],
});

const seat = z.strictObject({
  azimuthDeg: z.number().describe('degrees, right positive'),
  elevationDeg: z.number().default(0),
  weight: z.number().min(0).describe('u: 1 reference, 0.6 same row, 0.4 other rows, 0.1 overflow'),
  reference: z.boolean().default(false),
  blocked: z.boolean().default(false).describe('the sight line is blocked'),
  partly: z.boolean().default(false).describe('only its Fresnel zone is cut'),
});

/** Excess beyond a window, degrees. */
const excess = (value: number, [least, most]: readonly [number, number]) =>
  value < least ? value - least : value > most ? value - most : 0;

/** F10.15: what a channel loses at a seat, 0 to 1. */
export function channelFit(
  azimuth: number,
  elevation: number,
  windowAz: readonly [number, number],
  windowEl: readonly [number, number],
  { reference, blocked, partly }: { readonly reference: boolean; readonly blocked: boolean; readonly partly: boolean },
): number {
  if (blocked) return 1;
  const allowed = reference ? 0 : 15;
  const beyond = (x: number) => Math.max(0, Math.abs(x) - allowed);
  const e = Math.hypot(beyond(excess(azimuth, windowAz)), beyond(excess(elevation, windowEl)));
  const q = Math.min(1, (e / 20) ** 2);
  return partly ? Math.max(0.5, q) : q;
}

export const layoutChannels = calculator({
  name: 'layout-score',
  title: 'How well channels sit for the seats',
  topic: 'theatre',
  source: 'Trade practice: editable weights; a score ranks designs, it certifies nothing',
  formulaIds: ['F10.15'],
  valid: 'angles from each seat; windows of the chosen school',
  formulas: ['e = hypot(x1, x2), less 15° away from the reference seat', 'q = min(1, (e/20)²)', 'S = 100·(1 − Σ u·w·q/Σ u·w)'],
  input: z.strictObject({
    channels: z
      .array(
        z.strictObject({
          weight: z.number().min(0).describe('w: 3 front, 2 surround, 1.5 rear and top, 1 wide'),
          azimuthDeg: z.tuple([z.number(), z.number()]).describe('window, absolute, degrees'),
          elevationDeg: z.tuple([z.number(), z.number()]).default([-90, 90]).describe('window, degrees'),
          seats: z.array(seat).min(1).max(100),
        }),
      )
      .min(1)
      .max(64),
  }),
  run: ({ channels }) => {
    let sum = 0;
    let all = 0;
    const each = channels.map(({ weight, azimuthDeg, elevationDeg, seats }) => {
      let [own, ownAll] = [0, 0];
      const q = seats.map((one) => {
        const value = channelFit(Math.abs(one.azimuthDeg), one.elevationDeg, azimuthDeg, elevationDeg, one);
        own += one.weight * value;
        ownAll += one.weight;
        return value;
      });
      sum += weight * own;
      all += weight * ownAll;
      return { q, score: ownAll === 0 ? null : 100 * (1 - own / ownAll) };
    });
    if (all === 0) return refuse('weights-zero', { kind: 'invalid', field: 'channels' });
    return fine({ score: 100 * (1 - sum / all), channels: each });
  },
  steps: (_, v) => [`S = ${fig(v.score)}`],
});
