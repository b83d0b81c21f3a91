import { z } from 'zod';
import { atLeast, atMost } from '../calculator.ts';
import { err, ok, type Outcome } from '../../math/index.ts';
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
export const MIN_AT_12_V = 10.5;

export const feed = wireResistanceInput.extend({
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
  return ok({ ohmPerKm, loopOhm: (2 * lengthM * (ohmPerKm / 1000)) / conductorsPerPole });
}

export const wireOf = ({ gaugeAwg, stranded, material, temperatureC }: z.output<typeof feed>) => ({
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

/** Volts that one feed loses and leaves; zero length has no drop. Problems: those of the wire. */
export function dcFeed(input: z.output<typeof feed>, currentA: number): Outcome<DcFeed> {
  const metal = judgeMaterial(input.material, input.use);
  const loop = loopOhmOf(wireOf(input), input.lengthM, input.conductorsPerPole);
  if (!loop.ok) return loop;
  if (!metal.ok) return metal;
  const { ohmPerKm, loopOhm } = loop.value;
  const allowedFraction = input.allowedFraction ?? ALLOWED_DROP[input.load];
  const dropV = currentA * loopOhm;
  const loadV = input.supplyV - dropV;
  if (loadV <= 0) return err('feed-not-delivered', { kind: 'infeasible', field: 'lengthM', dropV, supplyV: input.supplyV });
  const longestM =
    currentA === 0 ? Infinity : (allowedFraction * input.supplyV * input.conductorsPerPole) / ((2 * ohmPerKm * currentA) / 1000);
  const dropFraction = dropV / input.supplyV;
  const isKeypadLow = input.load === 'keypad' && Math.abs(input.supplyV - 12) < 0.5 && !atLeast(loadV, MIN_AT_12_V);
  return ok({
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

/** Current of a load of constant power at the end of a resistance. `infeasible` where it cannot be delivered. */
export function constantPower(
  supplyV: number,
  ohm: number,
  powerW: number,
): Outcome<{ readonly currentA: number; readonly loadV: number }> {
  if (powerW === 0) return ok({ currentA: 0, loadV: supplyV });
  if (ohm === 0) return ok({ currentA: powerW / supplyV, loadV: supplyV });
  const root = supplyV ** 2 - 4 * ohm * powerW;
  if (root < -1e-9 * supplyV ** 2)
    return err('power-not-delivered', { kind: 'infeasible', field: 'powerW', mostW: supplyV ** 2 / (4 * ohm) });
  const currentA = (supplyV - Math.sqrt(Math.max(0, root))) / (2 * ohm);
  return ok({ currentA, loadV: supplyV - currentA * ohm });
}
