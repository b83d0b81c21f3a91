import { circuitLoad, rackHeat, upsShedding, upsTime } from '../calculators/index.ts';
import type { Circuit, Equipment } from '../model/index.ts';
import type { HeadEndParts } from './parts.ts';

/** The load of a mains circuit with everything that hangs on it, VA. */
export interface CircuitUse {
  readonly circuit: Circuit;
  readonly va: number;
  /** Eight tenths of it may be loaded for hours (ENGINEERING 15.3). */
  readonly mostVa: number;
  readonly isOver: boolean;
}

/** What is plugged into a power strip, UPS or supply. */
export interface FeedUse {
  readonly equipmentId: string;
  readonly outlets: number;
  readonly plugs: number;
  readonly watts: number;
}

/** A UPS with its load, shed step by step; minutes until its battery is empty. */
export interface UpsUse {
  readonly equipmentId: string;
  readonly loadW: number;
  readonly loadVa: number;
  readonly ratedW: number;
  readonly ratedVa: number;
  readonly isOver: boolean;
  readonly minutes: number | null;
}

export interface HeadEndPower {
  readonly watts: number;
  readonly heatW: number;
  readonly btuPerH: number;
  /** Air for a rise of 6 K. */
  readonly airM3PerS: number;
  readonly cfm: number;
  readonly circuits: readonly CircuitUse[];
  readonly feeds: readonly FeedUse[];
  readonly ups: readonly UpsUse[];
  /** Plugs that go into outlets of the wall. */
  readonly wallPlugs: number;
  /** Mains equipment on no circuit: it hangs on nothing that is known. */
  readonly unfedIds: readonly string[];
}

const TARGET_RISE_K = 6;
/** A chain of plugs longer than this is a loop. */
const MOST_FEEDS = 8;

/** The circuit that a piece of equipment ends at, through what it is plugged into; null where none is known. */
export function circuitOf(equipment: Equipment, byId: ReadonlyMap<string, Equipment>): string | null {
  let at: Equipment | undefined = equipment;
  for (let n = 0; at && n < MOST_FEEDS; n++) {
    if (at.feedId === null) return at.circuitId;
    at = byId.get(at.feedId);
  }
  return null;
}

/** Power that it draws for itself: what a strip hands on is counted with what is plugged into it. */
const isOnMains = ({ isMains, powerW }: Equipment): boolean => isMains || powerW > 0;

export function powerOf(equipment: readonly Equipment[], parts: HeadEndParts): HeadEndPower {
  const watts = equipment.reduce((sum, one) => sum + one.powerW, 0);
  const heatW = equipment.reduce((sum, one) => sum + one.heatW, 0);
  const heat = rackHeat.run({ watts: heatW, riseK: TARGET_RISE_K, closetM2: null, wallWPerM2K: 2, exhaustM3PerS: 0 });
  const { btuPerH = 0, airM3PerS = 0, cfm = 0 } = heat.ok ? heat.value : {};
  return {
    ...{ watts, heatW, btuPerH, airM3PerS, cfm },
    circuits: parts.circuits
      .filter(({ id }) => equipment.some((one) => circuitOf(one, parts.equipmentById) === id))
      .map((circuit) => circuitUse(circuit, parts)),
    feeds: equipment.filter(({ ports }) => ports.some(({ kind }) => kind === 'mains')).map((one) => feedUse(one, parts)),
    ups: equipment.flatMap((one) => (one.ups ? [upsUse(one, one.ups, parts)] : [])),
    wallPlugs: equipment.filter(({ isMains, feedId }) => isMains && feedId === null).reduce((sum, { plugs }) => sum + plugs, 0),
    unfedIds: equipment.filter((one) => one.isMains && circuitOf(one, parts.equipmentById) === null).map(({ id }) => id),
  };
}

/** A circuit with the load of all head ends on it. */
function circuitUse(circuit: Circuit, { equipment, equipmentById }: HeadEndParts): CircuitUse {
  const on = equipment.filter((one) => isOnMains(one) && circuitOf(one, equipmentById) === circuit.id);
  const va = on.reduce((sum, { powerW, powerFactor }) => sum + powerW / powerFactor, circuit.otherW);
  const load = circuitLoad.run({ volts: circuit.volts, breakerA: circuit.breakerA, watts: va, powerFactor: 1 });
  return { circuit, va, mostVa: load.ok ? load.value.mostVa : 0, isOver: load.ok && !load.value.ok };
}

function feedUse(one: Equipment, { equipment }: HeadEndParts): FeedUse {
  const on = equipment.filter(({ feedId }) => feedId === one.id);
  return {
    equipmentId: one.id,
    outlets: one.ports.filter(({ kind }) => kind === 'mains').reduce((sum, { count }) => sum + count, 0),
    plugs: on.reduce((sum, { plugs }) => sum + plugs, 0),
    watts: on.reduce((sum, { powerW }) => sum + powerW, 0),
  };
}

/** Everything that hangs on a piece of equipment, through strips too. */
export function fedBy(id: string, equipment: readonly Equipment[], depth = 0): Equipment[] {
  if (depth > MOST_FEEDS) return [];
  const on = equipment.filter(({ feedId }) => feedId === id);
  return on.flatMap((one) => [one, ...fedBy(one.id, equipment, depth + 1)]);
}

function upsUse(one: Equipment, ups: NonNullable<Equipment['ups']>, { equipment }: HeadEndParts): UpsUse {
  const on = fedBy(one.id, equipment);
  const loadW = on.reduce((sum, { powerW }) => sum + powerW, 0);
  const loadVa = on.reduce((sum, { powerW, powerFactor }) => sum + powerW / powerFactor, 0);
  const about = { batteryWh: ups.batteryWh, ratedW: ups.ratedW, ratedVa: ups.ratedVa, efficiency: 0.85, usable: 0.7 };
  const found = loadW > 0 ? upsTime.run({ ...about, loadW, loadVa }) : null;
  return {
    ...{ equipmentId: one.id, loadW, loadVa, ratedW: ups.ratedW, ratedVa: ups.ratedVa },
    isOver: found?.ok === true && !found.value.ok,
    minutes: found?.ok ? minutesOf(on, about) : null,
  };
}

/** Minutes until a battery is empty whose loads are switched off one after the other; endless where nothing stays on. */
function minutesOf(
  on: readonly Equipment[],
  about: { readonly batteryWh: number; readonly efficiency: number; readonly usable: number },
) {
  const loads = on.map(({ powerW: watts, shedAfterMin: offAfterMin }) => ({ watts, offAfterMin }));
  const held = upsShedding.run({ ...about, loads });
  return held.ok ? held.value.minutes : Infinity;
}
