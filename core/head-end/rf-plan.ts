import { PASSIVES, WINDOWS } from '../calculators/index.ts';
import { derivationsOf, edited, listOf } from '../derive/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import {
  create,
  type Equipment,
  type Operation,
  type ProjectDocument,
  remove,
  type Termination,
  update,
} from '../model/index.ts';
import { arranged, isRackMounted } from './arrange.ts';
import { cordM } from './assign.ts';
import { feeds, freeName } from './design.ts';
import { HEAD_ENDS, type HeadEnd } from './head-end.ts';
import { newEquipment, presetOf } from './library.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { portKey } from './ports.ts';
import { type RfNode, type RfPlan, type RfSource, solveRf, splitterDb, TABLE_TOP_MHZ } from './rf.ts';
import { rfOutlets } from './rf-outlets.ts';

export interface RfChange {
  readonly operations: readonly Operation[];
  readonly plan: RfPlan;
}

/** What is solved anew; what is locked stays out of it. */
const SOLVED: ReadonlySet<Equipment['kind']> = new Set(['splitter', 'tap', 'rf-amplifier']);

/** The level of a signal where it comes in at a head end. */
function atHeadEnd(project: ProjectDocument, headEnd: HeadEnd, sourceId: string): RfSource {
  const { service, lowestMhz, highestMhz, deviceId, reading, ...promised } = project.rfSources[sourceId];
  const level = reading ?? promised;
  const own = headEnd.needs.find((need) => need.isSignalIn && need.deviceId === deviceId);
  const lost = own
    ? rfOutlets(project, { ...headEnd, needs: [{ ...own, isSignalIn: false }] }, { lowestMhz, highestMhz })[0]
    : null;
  return {
    ...{ service, lowestMhz, highestMhz },
    atLowestDbuv: level.atLowestDbuv - (lost?.lowDb ?? 0),
    atHighestDbuv: level.atHighestDbuv - (lost?.highDb ?? 0),
  };
}

/** What gives a modem its leg before everything else: a splitter of two, or a tap where that would be too much. */
interface ModemLeg {
  /** Null is a splitter. */
  readonly tapDb: number | null;
  readonly lossDb: (mhz: number) => number;
}

const TAPS_DB = [6, 9, 12, 16, 20, 24] as const;

/** A cable modem gets the first leg, before any amplifier (ENGINEERING 5.5). */
function modemLeg(source: RfSource): ModemLeg {
  const { least, most } = WINDOWS[source.service];
  const [low, high] = [Math.min(source.atLowestDbuv, source.atHighestDbuv), Math.max(source.atLowestDbuv, source.atHighestDbuv)];
  const splitter: ModemLeg = { tapDb: null, lossDb: (mhz) => splitterDb(2, mhz)! };
  if (high - splitter.lossDb(source.lowestMhz) <= most) return splitter;
  const tapDb = TAPS_DB.find((db) => high - db <= most && low - db >= least);
  if (tapDb === undefined) return splitter;
  return { tapDb, lossDb: (mhz) => PASSIVES[`tap-through-${tapDb}`][mhz > TABLE_TOP_MHZ ? 1 : 0] };
}

const lessBy = (source: RfSource, { lossDb }: Pick<ModemLeg, 'lossDb'>): RfSource => ({
  ...source,
  atLowestDbuv: source.atLowestDbuv - lossDb(source.lowestMhz),
  atHighestDbuv: source.atHighestDbuv - lossDb(source.highestMhz),
});

/**
 * Splitters, an amplifier, pads and cords that bring a signal to every coax outlet of a head end within its window, in place of those that
 * are there and not locked. Problems: those of `solveRf`, `record-gone`, `rf-by-multiswitch`, and those of `arranged`.
 */
export function planRf(
  project: ProjectDocument,
  rackId: string,
  sourceId: string,
  newId: (kind: 'equipment' | 'patch' | 'termination') => string,
): Outcome<RfChange> {
  const headEnd = derivationsOf(project)
    .get(HEAD_ENDS)
    .find(({ rack }) => rack.id === rackId);
  const source = project.rfSources[sourceId];
  if (!headEnd) return err('record-gone', { in: 'racks', id: rackId });
  if (!source) return err('record-gone', { in: 'rfSources', id: sourceId });
  if (source.service === 'satellite-if' && headEnd.equipment.some(({ kind }) => kind === 'multiswitch'))
    return err('rf-by-multiswitch', { kind: 'infeasible', field: 'service' });
  const modem =
    source.service === 'cable-modem'
      ? headEnd.equipment.find(({ kind, ports }) => kind === 'modem' && ports.some(({ name }) => name === 'line'))
      : undefined;
  const band = { lowestMhz: source.lowestMhz, highestMhz: source.highestMhz };
  const coming = atHeadEnd(project, headEnd, sourceId);
  const leg = modem ? modemLeg(coming) : null;
  const solved = solveRf(leg ? lessBy(coming, leg) : coming, rfOutlets(project, headEnd, band));
  if (!solved.ok) return solved;
  const cleared = withoutSolved(project, headEnd);
  const without = edited(project, cleared);
  if (!without.ok) return without;
  const names = new Set(
    listOf(without.value, 'equipment')
      .filter((one) => one.rackId === rackId)
      .map(({ name }) => name),
  );
  const made: Equipment[] = [];
  const make = (presetId: string, more: Partial<Equipment> = {}): Equipment => {
    const preset = presetOf(presetId)!;
    const one = newEquipment(preset, {
      id: newId('equipment'),
      rackId,
      name: freeName(preset.name, names),
      ...more,
      ...(isRackMounted(headEnd.rack) ? {} : { units: 0 }),
    });
    made.push(one);
    return one;
  };
  const wires = new Wiring(without.value, newId);
  const entry = wires.entryOf(headEnd, source.deviceId);
  let at: End | null = entry;
  if (modem && leg) {
    const first = leg.tapDb === null ? make('splitter-2') : make('tap-4', tapOf(leg.tapDb));
    wires.join(at, { equipment: first, port: 'in 1' });
    wires.join({ equipment: first, port: 'coax 1' }, { equipment: modem, port: 'line 1' });
    at = { equipment: first, port: leg.tapDb === null ? 'coax 2' : 'out 1' };
  }
  if (solved.value.gainDb > 0) {
    const amplifier = make('rf-amplifier', { gainDb: solved.value.gainDb });
    wires.join(at, { equipment: amplifier, port: 'in 1' });
    at = { equipment: amplifier, port: 'out 1' };
  }
  const grow = (node: RfNode, from: End | null): void => {
    if (node.kind === 'unused') return;
    if (node.kind === 'outlet') return wires.outlet(node.id, node.padDb, from);
    const splitter = make(`splitter-${node.ways}`);
    wires.join(from, { equipment: splitter, port: 'in 1' });
    for (const [n, output] of node.outputs.entries()) grow(output, { equipment: splitter, port: `coax ${n + 1}` });
  };
  grow(solved.value.tree, at);
  const built = placedWith(project, without.value, headEnd, made);
  if (!built.ok) return built;
  return ok({ operations: [...cleared, ...built.value.operations, ...wires.operations(built.value.placed)], plan: solved.value });
}

interface Placed {
  readonly operations: readonly Operation[];
  readonly placed: ReadonlyMap<string, Equipment>;
}

/** A head end with new equipment in it, fed and in its place. Problems: those of `arranged`. */
function placedWith(
  project: ProjectDocument,
  without: ProjectDocument,
  { rack, equipment }: HeadEnd,
  made: readonly Equipment[],
): Outcome<Placed> {
  const standing = equipment.filter(({ id }) => without.equipment[id]);
  const circuitId = standing.find((one) => one.circuitId !== null)?.circuitId ?? listOf(project, 'circuits')[0]?.id ?? null;
  const fed = feeds([...standing, ...made], circuitId);
  const places = arranged(rack, fed);
  if (!places.ok) return places;
  const placeOf = new Map(places.value.map((one) => [one.id, one]));
  const known = new Set(standing.map(({ id }) => id));
  const operations = fed.flatMap((one): Operation[] => {
    const { atUnit, units, face, xM, yM } = placeOf.get(one.id) ?? one;
    if (!known.has(one.id)) return [create('equipment', { ...one, atUnit, units, face, xM, yM })];
    return [update('equipment', project.equipment[one.id], { atUnit, units, face, xM, yM }) ?? []].flat();
  });
  return ok({ operations, placed: new Map(fed.map((one) => [one.id, { ...one, ...placeOf.get(one.id) }])) });
}

/** A tap of so many dB with one branch. */
const tapOf = (db: number): Partial<Equipment> => ({
  ...{ gainDb: -db, throughDb: -PASSIVES[`tap-through-${db}`][0], closesUnused: true, name: `Coax tap, ${db} dB` },
  ports: (['in', 'out', 'coax'] as const).map((name) => ({ name, kind: 'coax', count: 1, poeClass: null, category: null })),
});

/** Takes away splitters and amplifiers that are not locked, with their cords and what ends on them. */
function withoutSolved(project: ProjectDocument, { equipment }: HeadEnd): Operation[] {
  const gone = new Set(equipment.filter(({ kind, isLocked }) => SOLVED.has(kind) && !isLocked).map(({ id }) => id));
  return [
    ...listOf(project, 'patches')
      .filter((one) => gone.has(one.equipmentId) || gone.has(one.toEquipmentId))
      .map((one) => remove('patches', one)),
    ...listOf(project, 'terminations')
      .filter(({ equipmentId }) => gone.has(equipmentId))
      .map((one) => remove('terminations', one)),
    ...[...gone].map((id) => remove('equipment', project.equipment[id])),
  ];
}

interface End {
  readonly equipment: Equipment;
  readonly port: string;
}

/** Cords and ends of runs that a plan makes. */
class Wiring {
  private readonly cords: (readonly [End, End])[] = [];
  private readonly ended: Omit<Termination, 'id'>[] = [];
  private readonly padded: { readonly own: Termination; readonly padDb: number }[] = [];
  private readonly project: ProjectDocument;
  private readonly newId: (kind: 'patch' | 'termination') => string;
  private entryRunId: string | null = null;

  constructor(project: ProjectDocument, newId: (kind: 'patch' | 'termination') => string) {
    this.project = project;
    this.newId = newId;
  }

  /** The port at which a signal comes in: that of its run on a panel; null where its run waits for one, or the line is plugged in. */
  entryOf({ needs }: HeadEnd, deviceId: string | null): End | null {
    const parts = derivationsOf(this.project).get(HEAD_END_PARTS);
    const own = needs.find((need) => need.isSignalIn && need.deviceId === deviceId);
    const at = own && parts.terminationOfRun.get(own.runId);
    if (own && !at) this.entryRunId = own.runId;
    return at ? { equipment: parts.equipmentById.get(at.equipmentId)!, port: at.port } : null;
  }

  join(from: End | null, to: End): void {
    if (from) this.cords.push([from, to]);
    else if (this.entryRunId !== null) {
      this.ended.push({
        runId: this.entryRunId,
        equipmentId: to.equipment.id,
        port: to.port,
        padDb: 0,
        place: 1,
        isLocked: false,
      });
      this.entryRunId = null;
    }
  }

  /** An outlet on an output: over the panel where its run ends, or with its run on the output itself. */
  outlet(runId: string, padDb: number, from: End | null): void {
    const parts = derivationsOf(this.project).get(HEAD_END_PARTS);
    const own = parts.terminationOfRun.get(runId);
    const panel = own && parts.equipmentById.get(own.equipmentId);
    if (own && panel) {
      if (own.padDb !== padDb) this.padded.push({ own, padDb });
      if (from) this.cords.push([from, { equipment: panel, port: own.port }]);
    } else if (from)
      this.ended.push({ runId, equipmentId: from.equipment.id, port: from.port, place: 1, padDb, isLocked: false });
  }

  operations(placed: ReadonlyMap<string, Equipment>): Operation[] {
    const parts = derivationsOf(this.project).get(HEAD_END_PARTS);
    const isOpen = ({ equipment, port }: End) => !parts.patchAt.has(portKey(equipment.id, port));
    return [
      ...this.padded.flatMap(({ own, padDb }) => update('terminations', own, { padDb }) ?? []),
      ...this.ended.map((one) => create('terminations', { id: this.newId('termination'), ...one })),
      ...this.cords
        .filter((ends) => ends.every(isOpen))
        .map(([from, to]) =>
          create('patches', {
            ...{ id: this.newId('patch'), equipmentId: from.equipment.id, port: from.port },
            ...{ toEquipmentId: to.equipment.id, toPort: to.port, color: 'orange', waits: false, isLocked: false },
            lengthM: cordM(placed.get(from.equipment.id) ?? from.equipment, placed.get(to.equipment.id) ?? to.equipment),
          }),
        ),
    ];
  }
}
