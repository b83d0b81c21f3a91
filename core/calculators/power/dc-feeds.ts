import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { fine, type Outcome, refuse } from '../../math/index.ts';
import { judgeMaterial, WIRE_USES, wireResistance, wireResistanceInput } from '../wire/index.ts';

/** Drop that is usual for a load, as a share of the supply (ENGINEERING 3.3, practice). */
export const FEED_LOADS = ['camera', 'camera-ir', 'keypad', 'shade', 'led', 'panel', 'other'] as const;
export type FeedLoad = (typeof FEED_LOADS)[number];
export const ALLOWED_DROP: Readonly<Record<FeedLoad, number>> = {
  camera: 0.1,
  'camera-ir': 0.05,
  keypad: 0.1,
  shade: 0.1,
  led: 0.03,
  panel: 0.1,
  other: 0.1,
};
/** A 12 V keypad or bus device wants this at least, V. */
const LEAST_AT_12_V = 10.5;

const feed = wireResistanceInput.extend({
  stranded: z.boolean().default(false).describe('adds 2 % for lay'),
  supplyV: z.number().gt(0).max(1000).describe('V, at the supply'),
  lengthM: z.number().min(0).describe('m, one way'),
  conductorsPerPole: z.int().min(1).max(20).default(1).describe('conductors for each pole: 2 and 4 for bonded pairs'),
  load: z.enum(FEED_LOADS).default('other').describe('sets the drop that is allowed'),
  allowedFraction: z.number().gt(0).lt(1).nullable().default(null).describe('share of the supply; null takes that of the load'),
  use: z.enum(WIRE_USES).default('power').describe('what the cable is for: copper-clad aluminium is refused for most'),
});

/** Resistance of both ways, ohm. Problems: those of the wire, and of its metal. */
export function loopOhmOf(
  input: z.output<typeof wireResistanceInput>,
  lengthM: number,
  conductorsPerPole: number,
): Outcome<{ readonly ohmPerKm: number; readonly loopOhm: number }> {
  const wire = wireResistance(input);
  if (!wire.ok) return wire;
  const { ohmPerKm } = wire.value;
  return fine({ ohmPerKm, loopOhm: (2 * lengthM * (ohmPerKm / 1000)) / conductorsPerPole });
}

const wireOf = ({ gaugeAwg, stranded, material, temperatureC }: z.output<typeof feed>) => ({
  gaugeAwg,
  stranded,
  material,
  temperatureC,
});

export interface DcFeed {
  readonly ohmPerKm: number;
  readonly loopOhm: number;
  readonly dropV: number;
  readonly loadV: number;
  readonly dropFraction: number;
  readonly allowedFraction: number;
  readonly longestM: number;
  readonly ok: boolean;
}

/** F3.6 for one feed; zero length has no drop. Problems: those of the wire. */
export function dcFeed(input: z.output<typeof feed>, currentA: number): Outcome<DcFeed> {
  const metal = judgeMaterial(input.material, input.use);
  const loop = loopOhmOf(wireOf(input), input.lengthM, input.conductorsPerPole);
  if (!loop.ok) return loop;
  if (!metal.ok) return metal;
  const { ohmPerKm, loopOhm } = loop.value;
  const allowedFraction = input.allowedFraction ?? ALLOWED_DROP[input.load];
  const dropV = currentA * loopOhm;
  const loadV = input.supplyV - dropV;
  if (loadV <= 0) return refuse('feed-not-delivered', { kind: 'infeasible', field: 'lengthM', dropV, supplyV: input.supplyV });
  const longestM =
    currentA === 0 ? Infinity : (allowedFraction * input.supplyV * input.conductorsPerPole) / ((2 * ohmPerKm * currentA) / 1000);
  const dropFraction = dropV / input.supplyV;
  const isKeypadLow = input.load === 'keypad' && Math.abs(input.supplyV - 12) < 0.5 && !atLeast(loadV, LEAST_AT_12_V);
  return fine({
    ohmPerKm,
    loopOhm,
    dropV,
    loadV,
    dropFraction,
    allowedFraction,
    longestM,
    ok: atMost(dropFraction, allowedFraction) && !isKeypadLow,
  });
}

export const dcDrop = calculator({
  name: 'dc-drop',
  title: 'Drop of a direct-current feed',
  topic: 'power',
  source: 'Circuit theory; allowed shares by trade practice',
  formulaIds: ['F3.6', 'F3.8'],
  valid: 'constant current; AWG -3 to 40, -20 to 90 C',
  formulas: ['R = 2·L·r/n', 'ΔV = I·R', 'L = p·V·n/(2·r·I)'],
  input: feed.extend({ currentA: z.number().min(0).describe('A, at start or with infrared on where that is more') }),
  run: ({ currentA, ...input }) => dcFeed(input, currentA),
  steps: (i, v) => [
    `R = 2 · ${fig(i.lengthM)} m · ${fig(v.ohmPerKm)} Ω/km / ${i.conductorsPerPole} = ${fig(v.loopOhm)} Ω`,
    `ΔV = ${fig(i.currentA)} A · ${fig(v.loopOhm)} Ω = ${fig(v.dropV)} V (${fig(v.dropFraction * 100)} % of ${fig(i.supplyV)} V, to ${fig(v.allowedFraction * 100)} %)`,
    `longest ${fig(v.longestM)} m`,
  ],
});

/** F3.4, F3.7: current of a load of constant power at the end of a resistance. `infeasible` where it cannot be delivered. */
export function constantPower(
  supplyV: number,
  ohm: number,
  powerW: number,
): Outcome<{ readonly currentA: number; readonly loadV: number }> {
  if (powerW === 0) return fine({ currentA: 0, loadV: supplyV });
  if (ohm === 0) return fine({ currentA: powerW / supplyV, loadV: supplyV });
  const root = supplyV ** 2 - 4 * ohm * powerW;
  if (root < -1e-9 * supplyV ** 2)
    return refuse('power-not-delivered', { kind: 'infeasible', field: 'powerW', mostW: supplyV ** 2 / (4 * ohm) });
  const currentA = (supplyV - Math.sqrt(Math.max(0, root))) / (2 * ohm);
  return fine({ currentA, loadV: supplyV - currentA * ohm });
}

export const dcPower = calculator({
  name: 'dc-power',
  title: 'Feed of a load of constant power',
  topic: 'power',
  source: 'Circuit theory',
  formulaIds: ['F3.7', 'F3.4'],
  valid: 'regulated loads; AWG -3 to 40, -20 to 90 C',
  formulas: ['R = 2·L·r/n', 'I = (V − √(V² − 4·R·P))/(2·R)', 'Vload = (V + √(V² − 4·R·P))/2'],
  input: feed.extend({ powerW: z.number().min(0).describe('W, drawn at the load') }),
  run: ({ powerW, ...input }) => {
    const metal = judgeMaterial(input.material, input.use);
    const loop = loopOhmOf(wireOf(input), input.lengthM, input.conductorsPerPole);
    if (!loop.ok) return loop;
    if (!metal.ok) return metal;
    const { loopOhm, ohmPerKm } = loop.value;
    const delivered = constantPower(input.supplyV, loopOhm, powerW);
    if (!delivered.ok) return delivered;
    const { currentA, loadV } = delivered.value;
    const allowedFraction = input.allowedFraction ?? ALLOWED_DROP[input.load];
    const dropV = input.supplyV - loadV;
    const dropFraction = dropV / input.supplyV;
    return fine({
      ohmPerKm,
      loopOhm,
      currentA,
      dropV,
      loadV,
      lossW: currentA ** 2 * loopOhm,
      supplyW: input.supplyV * currentA,
      dropFraction,
      allowedFraction,
      ok: atMost(dropFraction, allowedFraction),
    });
  },
  steps: (i, v) => [
    `R = ${fig(v.loopOhm)} Ω`,
    `I = (${fig(i.supplyV)} − √(${fig(i.supplyV)}² − 4 · ${fig(v.loopOhm)} · ${fig(i.powerW)}))/(2R) = ${fig(v.currentA)} A`,
    `Vload = ${fig(v.loadV)} V`,
  ],
});

export const dcChain = calculator({
  name: 'dc-chain',
  title: 'Drop along a chain of devices',
  topic: 'power',
  source: 'Circuit theory',
  formulaIds: ['F3.9'],
  valid: 'constant currents; one cable from device to device',
  formulas: ['each piece carries the loads beyond it', 'ΔV = Σ I·2·L·r/n'],
  input: feed.omit({ lengthM: true }).extend({
    segments: z
      .array(z.strictObject({ lengthM: z.number().min(0), currentA: z.number().min(0) }))
      .max(200)
      .describe('from the supply outward: length of the piece, m, and current of the device at its end, A'),
  }),
  run: ({ segments, ...input }) => {
    const all = { ...input, lengthM: 0 };
    const metal = judgeMaterial(input.material, input.use);
    const loop = loopOhmOf(wireOf(all), 1, input.conductorsPerPole);
    if (!loop.ok) return loop;
    if (!metal.ok) return metal;
    let carriedA = segments.reduce((sum, one) => sum + one.currentA, 0);
    let voltsV = input.supplyV;
    const devicesV = segments.map(({ lengthM, currentA }) => {
      voltsV -= carriedA * loop.value.loopOhm * lengthM;
      carriedA -= currentA;
      return voltsV;
    });
    const allowedFraction = input.allowedFraction ?? ALLOWED_DROP[input.load];
    const dropV = input.supplyV - voltsV;
    if (voltsV <= 0)
      return refuse('feed-not-delivered', { kind: 'infeasible', field: 'segments', dropV, supplyV: input.supplyV });
    const isKeypadLow = input.load === 'keypad' && Math.abs(input.supplyV - 12) < 0.5 && !atLeast(voltsV, LEAST_AT_12_V);
    return fine({
      ohmPerKm: loop.value.ohmPerKm,
      devicesV,
      dropV,
      loadV: voltsV,
      dropFraction: dropV / input.supplyV,
      allowedFraction,
      ok: atMost(dropV / input.supplyV, allowedFraction) && !isKeypadLow,
    });
  },
  steps: (_, v) => [`at the devices ${v.devicesV.map((one) => `${fig(one)} V`).join(', ')}`, `ΔV = ${fig(v.dropV)} V`],
});
