import { coaxDbPerM, PASSIVES, WINDOWS } from '../calculators/index.ts';
import { type Reading, whole } from '../derive/index.ts';
import type { Equipment, RfSourceRecord } from '../model/index.ts';
import { coaxKindOf, PLANNED_RUN } from '../runs/index.ts';
import { otherEnd } from './flow.ts';
import { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';
import { type Port, portAt, portKey, portsOf } from './ports.ts';
import { CONNECTORS_DB, MOST_OUT_DBUV, PLATE_DB, PLATE_FROM_MHZ, splitterDb, TABLE_TOP_MHZ } from './rf.ts';

/** A level at both ends of the band, dBuV. */
export interface RfPair {
  readonly lowDbuv: number;
  readonly highDbuv: number;
}

/** A step of the tree of a signal: a port at which it is, with its level; `from` is the step before, null at the source. */
export interface RfStep extends RfPair {
  readonly equipmentId: string;
  readonly port: string;
  readonly from: number | null;
  readonly depth: number;
}

/** The level of a signal where it is used: at the outlet of a run, or at a modem. */
export interface RfEnd extends RfPair {
  readonly runId: string | null;
  readonly equipmentId: string;
  readonly port: string;
  readonly verdict: 'good' | 'fair' | 'hot' | 'cold';
}

/** All that one signal reaches. */
export interface RfReach {
  readonly source: RfSourceRecord;
  /** It enters at a port; null where its run ends on none, or no coax equipment takes it. */
  readonly entry: { readonly equipmentId: string; readonly port: string } | null;
  readonly steps: readonly RfStep[];
  readonly ends: readonly RfEnd[];
  /** Equipment that the signal comes back to: a loop. */
  readonly loops: readonly string[];
  /** Amplifiers that give out more than they may. */
  readonly overdriven: readonly string[];
}

export interface RfLevels {
  readonly reaches: readonly RfReach[];
  /** Outlets that no signal reaches. */
  readonly dark: readonly string[];
  /** Outputs that are neither used nor closed with 75 ohm. */
  readonly unterminated: readonly { readonly equipmentId: string; readonly port: string }[];
  /** Equipment whose cords lead back to itself. */
  readonly loops: readonly string[];
}

const COAX_KINDS: ReadonlySet<string> = new Set([
  'splitter',
  'tap',
  'rf-amplifier',
  'multiswitch',
  'combiner',
  'diplexer',
  'modulator',
]);

/** Levels of all signals at every port and outlet, through the cables, cords and equipment as they are (ENGINEERING 5.4). */
export const RF_LEVELS = whole<RfLevels>({
  name: 'levels on coax',
  tables: ['cableTypes', 'project', 'rfSources'],
  nodes: [HEAD_END_PARTS, PLANNED_RUN],
  make: (read) => {
    const parts = read.get(HEAD_END_PARTS);
    const outlets = parts.needs.filter(({ kind, isSignalIn }) => kind === 'coax' && !isSignalIn);
    const reaches = read.rows('rfSources').map((source) => reachOfSource(read, parts, source));
    const lit = new Set(reaches.flatMap(({ ends }) => ends.map(({ runId }) => runId)));
    return {
      reaches,
      dark: outlets.map(({ runId }) => runId).filter((runId) => reaches.length > 0 && !lit.has(runId)),
      unterminated: unterminated(parts),
      loops: loopsOf(parts),
    };
  },
});

/** Loss of a run with its connectors at a frequency, dB; a run without a route counts with no length. */
function runLossDb(read: Reading, runId: string, mhz: number): number {
  const { project } = read;
  const planned = read.one(PLANNED_RUN, runId);
  const kind = planned && coaxKindOf(project.cableTypes[planned.run.cableTypeId]);
  if (!planned || !kind) return 0;
  const perM = coaxDbPerM(kind, mhz, project.project.ambientC);
  return CONNECTORS_DB + (mhz > PLATE_FROM_MHZ ? PLATE_DB : 0) + (perM.ok ? perM.value * (planned.length?.cutLengthM ?? 0) : 0);
}

/** Ports that a signal goes on to within equipment, with the gain to each at a frequency, dB; losses are negative. */
export function onwardRf(
  equipment: Equipment,
  { group }: Pick<Port, 'group'>,
  mhz: number,
): { readonly port: Port; readonly db: number }[] {
  const { kind, gainDb, throughDb } = equipment;
  const aboveTable = mhz > TABLE_TOP_MHZ ? 1 : 0;
  const to = (name: string, db: number) =>
    portsOf(equipment)
      .filter((one) => one.group.name === name)
      .map((port) => ({ port, db }));
  if (kind === 'diplexer') {
    const db = -PASSIVES.diplexer[aboveTable];
    return group.name === 'in' ? to('out', db) : to('in', db);
  }
  if (group.name !== 'in') return [];
  if (kind === 'splitter') {
    const ways = equipment.ports.find(({ name }) => name === 'coax')?.count ?? 0;
    const listed = splitterDb(ways, mhz);
    // A splitter of an odd size, or one that says otherwise, loses what it says; a decibel more above the table.
    return to('coax', listed !== null && equipment.presetId !== '' ? -listed : (gainDb ?? 0) - aboveTable);
  }
  if (kind === 'tap') return [...to('coax', gainDb ?? 0), ...to('out', (throughDb ?? 0) - aboveTable)];
  if (kind === 'multiswitch') return to('coax', gainDb ?? 0);
  if (kind === 'rf-amplifier' || kind === 'combiner') return to('out', gainDb ?? 0);
  return [];
}

/** Where a signal without a device of its own comes in: the first input of coax equipment, or line of a modem, that nothing leads to. */
function openEntry(parts: HeadEndParts): Port | null {
  const inputs = parts.equipment
    .filter(({ kind }) => COAX_KINDS.has(kind) || kind === 'modem')
    .flatMap(portsOf)
    .filter(({ group, equipment, name }) => {
      const key = portKey(equipment.id, name);
      return (
        group.kind === 'coax' &&
        (group.name === 'in' || group.name === 'line') &&
        !parts.patchAt.has(key) &&
        !parts.runAt.has(key)
      );
    });
  // With one outlet and nothing to split, the line goes straight to the panel at which its run ends.
  const panels = () =>
    parts.equipment
      .filter(({ kind }) => kind === 'coax-panel')
      .flatMap(portsOf)
      .find((port) => isPlain(parts, port));
  return inputs.find(({ equipment }) => equipment.kind !== 'modem') ?? inputs[0] ?? panels() ?? null;
}

/** A port of a panel with the run of an outlet behind it, and no cord before it. */
function isPlain(parts: HeadEndParts, { equipment, name }: Port): boolean {
  const key = portKey(equipment.id, name);
  const need = parts.needByRun.get(parts.runAt.get(key) ?? '');
  return need !== undefined && !need.isSignalIn && !parts.patchAt.has(key);
}

function entryOf(
  parts: HeadEndParts,
  { deviceId }: RfSourceRecord,
): { readonly port: Port; readonly runId: string | null } | null {
  if (deviceId === null) {
    const port = openEntry(parts);
    return port && { port, runId: null };
  }
  const own = parts.needs
    .filter((need) => need.deviceId === deviceId && need.kind === 'coax')
    .sort((a, b) => a.leg - b.leg)
    .find(({ runId }) => parts.terminationOfRun.has(runId));
  const at = own && parts.terminationOfRun.get(own.runId)!;
  const equipment = at && parts.equipmentById.get(at.equipmentId);
  const port = equipment && portAt(equipment, at!.port);
  return port ? { port, runId: own!.runId } : null;
}

function reachOfSource(read: Reading, parts: HeadEndParts, source: RfSourceRecord): RfReach {
  const { lowestMhz, highestMhz } = source;
  const entry = entryOf(parts, source);
  const nothing = { source, entry: null, steps: [], ends: [], loops: [], overdriven: [] };
  if (!entry) return nothing;
  const level = source.reading ?? source;
  const lost = (mhz: number) => (entry.runId === null ? 0 : runLossDb(read, entry.runId, mhz));
  const steps: RfStep[] = [];
  const ends: RfEnd[] = [];
  const loops = new Set<string>();
  const overdriven = new Set<string>();
  const at = new Map<string, number>();
  const visit = (equipment: Equipment, port: string, [lowDbuv, highDbuv]: readonly [number, number], from: number | null) => {
    const key = portKey(equipment.id, port);
    if (at.has(key)) {
      if (from !== null && isBefore(steps, at.get(key)!, from)) loops.add(equipment.id);
      return;
    }
    at.set(key, steps.length);
    const n =
      steps.push({
        ...{ equipmentId: equipment.id, port, lowDbuv, highDbuv, from },
        depth: from === null ? 0 : steps[from].depth + 1,
      }) - 1;
    const runId = parts.runAt.get(key);
    const isOutlet = runId !== undefined && runId !== entry.runId;
    const padDb = isOutlet ? (parts.terminationOfRun.get(runId)?.padDb ?? 0) : 0;
    const loss = (mhz: number) => (isOutlet ? runLossDb(read, runId, mhz) + padDb : 0);
    const there = { lowDbuv: lowDbuv - loss(lowestMhz), highDbuv: highDbuv - loss(highestMhz) };
    if (isOutlet || (equipment.kind === 'modem' && from !== null))
      ends.push({ runId: runId ?? null, equipmentId: equipment.id, port, ...there, verdict: verdictOf(source, there) });
    const isArriving =
      from === null
        ? entry.port.group.name !== 'coax' || equipment.kind !== 'coax-panel'
        : steps[from].equipmentId !== equipment.id;
    const over = from !== null && isArriving ? null : otherEnd(parts, { equipmentId: equipment.id, port });
    const other = over && parts.equipmentById.get(over.equipmentId);
    if (other) visit(other, over.port, [lowDbuv, highDbuv], n);
    const own = portAt(equipment, port);
    if (!isArriving || !own) return;
    const [low, high] = [onwardRf(equipment, own, lowestMhz), onwardRf(equipment, own, highestMhz)];
    for (const [k, { port: to, db }] of low.entries()) {
      const next = [lowDbuv + db, highDbuv + high[k].db] as const;
      if (equipment.kind === 'rf-amplifier' && Math.max(...next) > MOST_OUT_DBUV + 1e-9) overdriven.add(equipment.id);
      visit(equipment, to.name, next, n);
    }
  };
  visit(
    entry.port.equipment,
    entry.port.name,
    [level.atLowestDbuv - lost(lowestMhz), level.atHighestDbuv - lost(highestMhz)],
    null,
  );
  return {
    ...{ source, steps, ends },
    entry: { equipmentId: entry.port.equipment.id, port: entry.port.name },
    loops: [...loops],
    overdriven: [...overdriven],
  };
}

/** Whether a step is on the way to another one. */
function isBefore(steps: readonly RfStep[], step: number, later: number): boolean {
  for (let n: number | null = later; n !== null; n = steps[n].from) if (n === step) return true;
  return false;
}

/** A level above the window is a fault exactly as one below (ENGINEERING 5.3). */
function verdictOf({ service }: RfSourceRecord, { lowDbuv, highDbuv }: RfPair): RfEnd['verdict'] {
  const { least, most, planLeast, planMost } = WINDOWS[service];
  const [low, high] = [Math.min(lowDbuv, highDbuv), Math.max(lowDbuv, highDbuv)];
  if (high > most + 1e-9) return 'hot';
  if (low < least - 1e-9) return 'cold';
  return low >= planLeast - 1e-9 && high <= planMost + 1e-9 ? 'good' : 'fair';
}

/** Outputs of splitters, taps and multiswitches that nothing hangs on and nothing closes. */
function unterminated(parts: HeadEndParts): RfLevels['unterminated'] {
  return parts.equipment
    .filter(({ kind, closesUnused }) => (kind === 'splitter' || kind === 'tap' || kind === 'multiswitch') && !closesUnused)
    .flatMap(portsOf)
    .filter(({ group, equipment, name }) => {
      const key = portKey(equipment.id, name);
      return (
        group.kind === 'coax' &&
        (group.name !== 'in' || equipment.kind === 'multiswitch') &&
        !parts.patchAt.has(key) &&
        !parts.runAt.has(key)
      );
    })
    .map(({ equipment, name }) => ({ equipmentId: equipment.id, port: name }));
}

/** Coax equipment whose cords lead from one of its outputs back to one of its inputs, whether a signal comes in or not. */
function loopsOf(parts: HeadEndParts): string[] {
  const next = new Map<string, string[]>();
  for (const one of parts.equipment) {
    if (!COAX_KINDS.has(one.kind)) continue;
    const outs = portsOf(one).filter(({ group }) => group.kind === 'coax' && group.name !== 'in');
    const to = outs.flatMap(({ name }) => {
      const over = otherEnd(parts, { equipmentId: one.id, port: name });
      return over && over.port.startsWith('in ') ? [over.equipmentId] : [];
    });
    next.set(one.id, to);
  }
  const leadsBack = (id: string) => {
    const seen = new Set<string>();
    const open = [...(next.get(id) ?? [])];
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      if (at === id) return true;
      if (seen.has(at)) continue;
      seen.add(at);
      open.push(...(next.get(at) ?? []));
    }
    return false;
  };
  return [...next.keys()].filter(leadsBack);
}

/** A step on the way to an outlet, with what it ends at where it does. */
export interface RfTreeStep extends RfStep {
  readonly end: RfEnd | null;
}

/** The tree of a signal as it is drawn: the steps that lead to an outlet or a modem, each after the one that it comes from. */
export function rfTree({ steps, ends }: RfReach): RfTreeStep[] {
  const endAt = new Map(ends.map((one) => [portKey(one.equipmentId, one.port), one]));
  const endOf = ({ equipmentId, port }: RfStep) => endAt.get(portKey(equipmentId, port)) ?? null;
  const used = new Set<number>();
  for (const [n, step] of steps.entries())
    if (endOf(step)) for (let k: number | null = n; k !== null; k = steps[k].from) used.add(k);
  return steps.flatMap((step, n) => (used.has(n) ? [{ ...step, end: endOf(step) }] : []));
}
