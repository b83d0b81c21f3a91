import { POE_PLANNED_SHARE } from '../calculators/index.ts';
import { RACK_UNIT_M } from '../math/index.ts';
import type { Equipment, Patch, ProjectDocument, Termination } from '../model/index.ts';
import { fromTop } from './arrange.ts';
import { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';
import { derivationsOf, listOf } from '../derive/index.ts';
import { isAtLeast, type RunNeed } from './needs.ts';
import { type Port, portAt, portKey, portsOf, takesRuns } from './ports.ts';
import { zoneToShare } from './shared-zones.ts';
import { endedAt, signalCords } from './signal-cords.ts';

export interface Assignment {
  readonly terminations: readonly Omit<Termination, 'id'>[];
  readonly patches: readonly Omit<Patch, 'id'>[];
  /** Runs for which no port is left. */
  readonly short: readonly RunNeed[];
  /** Ports that wait for the device of their owner, by run. */
  readonly waiting: readonly string[];
}

/** Cords that are made, m. */
const CORDS_M = [0.3, 0.5, 1, 1.5, 2, 3, 5];
/** Beside a unit of height, what a cord needs to get there and back, m. */
const CORD_SIDES_M = 0.25;

/** Where everything at head ends is connected: what is there and locked stays, and unless it is made afresh everything that is valid. */
export function assignPorts(project: ProjectDocument, rackIds: readonly string[], isAfresh: boolean): Assignment {
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  const own = new Set(rackIds);
  const kept = keptOf(parts, own, isAfresh);
  const terminations = [...kept.terminations];
  const short: RunNeed[] = [];
  const roomCode = roomCodes(project);
  for (const rackId of rackIds) {
    const equipment = inOrder(parts.equipment.filter((one) => one.rackId === rackId));
    const needs = (parts.needsAt.get(rackId) ?? []).filter(({ runId }) => !kept.runs.has(runId));
    const result = terminated(equipment, sortedNeeds(needs, roomCode), kept.taken);
    terminations.push(...result.terminations);
    // Contacts for which no zone is left join those of their side of the house.
    const here = new Set(equipment.map(({ id }) => id));
    for (const need of result.short) {
      const zone = zoneToShare(need, terminations, parts.needByRun, (id) => here.has(id));
      if (zone) terminations.push({ ...zone, runId: need.runId, padDb: 0, isLocked: false });
      else short.push(need);
    }
  }
  const patched = patchesOf(project, parts, own, terminations, kept);
  return { terminations, patches: patched.patches, short, waiting: patched.waiting };
}

interface Kept {
  readonly terminations: readonly Omit<Termination, 'id'>[];
  readonly patches: readonly Omit<Patch, 'id'>[];
  readonly runs: ReadonlySet<string>;
  /** Ports that are taken, by their key. */
  readonly taken: Set<string>;
  readonly patchedPorts: Set<string>;
}

function keptOf(parts: HeadEndParts, rackIds: ReadonlySet<string>, isAfresh: boolean): Kept {
  const taken = new Set<string>();
  const isOwn = (equipmentId: string) => rackIds.has(parts.equipmentById.get(equipmentId)?.rackId ?? '');
  const terminations = parts.terminations
    .filter(({ equipmentId, port, runId, isLocked }) => {
      const at = parts.equipmentById.get(equipmentId);
      const need = parts.needByRun.get(runId);
      return isOwn(equipmentId) && (isLocked || !isAfresh) && at && need?.rackId === at.rackId && portAt(at, port);
    })
    .map(({ id: _id, ...rest }) => rest);
  for (const { equipmentId, port, runId } of terminations)
    takePorts(taken, parts.equipmentById.get(equipmentId)!, port, parts.needByRun.get(runId)!.ports);
  const patches = parts.patches
    .filter(
      (one) =>
        (one.isLocked || !isAfresh) &&
        isOwn(one.equipmentId) &&
        portAt(parts.equipmentById.get(one.equipmentId)!, one.port) &&
        parts.equipmentById.has(one.toEquipmentId) &&
        portAt(parts.equipmentById.get(one.toEquipmentId)!, one.toPort),
    )
    .map(({ id: _id, ...rest }) => rest);
  const patchedPorts = new Set(
    patches.flatMap((one) => [portKey(one.equipmentId, one.port), portKey(one.toEquipmentId, one.toPort)]),
  );
  return { terminations, patches, runs: new Set(terminations.map(({ runId }) => runId)), taken, patchedPorts };
}

/** A port and those beside it that a run takes too. */
function takePorts(taken: Set<string>, equipment: Equipment, port: string, count: number): void {
  const at = portAt(equipment, port);
  if (!at) return;
  for (let k = 0; k < count; k++) taken.add(portKey(equipment.id, `${at.group.name} ${at.n + k}`));
}

const roomCodes = (project: ProjectDocument): ReadonlyMap<string | null, string> =>
  new Map(listOf(project, 'rooms').map(({ id, code }) => [id, code]));

const COLLATOR = new Intl.Collator('en', { numeric: true });
const natural = (a: string, b: string): number => COLLATOR.compare(a, b);

/** What is fed together first, then by room and number. */
function sortedNeeds(needs: readonly RunNeed[], roomCode: ReadonlyMap<string | null, string>): RunNeed[] {
  const codeOf = ({ roomId }: RunNeed) => roomCode.get(roomId) ?? '~';
  return [...needs].sort(
    (a, b) =>
      Number(b.poeClass !== null) - Number(a.poeClass !== null) || natural(codeOf(a), codeOf(b)) || natural(a.number, b.number),
  );
}

/** From the top down and from left to right, as one reads a rack. */
const inOrder = (equipment: readonly Equipment[]): Equipment[] =>
  [...equipment].sort((a, b) => fromTop(a, b) || (a.xM ?? 0) - (b.xM ?? 0) || natural(a.name, b.name) || (a.id < b.id ? -1 : 1));

function terminated(equipment: readonly Equipment[], needs: readonly RunNeed[], taken: Set<string>) {
  const ports = equipment.flatMap(portsOf);
  const terminations: Omit<Termination, 'id'>[] = [];
  const short: RunNeed[] = [];
  const groups = new Map<string, RunNeed[]>();
  for (const need of needs) {
    const key = `${need.kind} ${wishedBy(need)}`;
    groups.set(key, [...(groups.get(key) ?? []), need]);
  }
  for (const key of [...groups.keys()].sort()) {
    const wanting = groups.get(key)!;
    const [{ kind, isSignalIn, feeds }] = wanting;
    const wish = { isSignalIn, feeds: feeds === 'siren' ? feeds : null };
    const open = ports.filter((port) => takesRuns(port, kind, wish) && !taken.has(portKey(port.equipment.id, port.name)));
    const filling = new Filling(open, wanting);
    // Where ports run short, what can share none comes first.
    const isShort = open.length < wanting.reduce((sum, { ports: count }) => sum + count, 0);
    const alone = ({ facade }: RunNeed) => Number(isShort && facade !== null);
    for (const need of wanting.toSorted((a, b) => alone(a) - alone(b))) {
      const port = filling.next(need, taken);
      if (!port) {
        short.push(need);
        continue;
      }
      takePorts(taken, port.equipment, port.name, need.ports);
      terminations.push({
        runId: need.runId,
        equipmentId: port.equipment.id,
        port: port.name,
        padDb: 0,
        place: 1,
        isLocked: false,
      });
    }
  }
  return { terminations, short };
}

/** Runs of a kind that want other ports than the rest of it: signals that come in, sirens. */
const wishedBy = ({ isSignalIn, feeds }: RunNeed): string => (isSignalIn ? 'in' : feeds === 'siren' ? 'siren' : '');

/** Fills panels so that each keeps its share of the spare ports. */
class Filling {
  private readonly byEquipment: readonly (readonly Port[])[];
  private readonly most: readonly number[];
  private readonly used: number[];

  constructor(open: readonly Port[], wanting: readonly RunNeed[]) {
    const ids = [...new Set(open.map(({ equipment }) => equipment.id))];
    this.byEquipment = ids.map((id) => open.filter(({ equipment }) => equipment.id === id));
    const needed = wanting.reduce((sum, { ports }) => sum + ports, 0);
    const share = open.length === 0 ? 0 : Math.min(1, needed / open.length);
    this.most = this.byEquipment.map((ports) => Math.ceil(ports.length * share));
    this.used = this.byEquipment.map(() => 0);
  }

  /** The next port for a run: within the shares first, then wherever one is left. */
  next(need: RunNeed, taken: ReadonlySet<string>): Port | null {
    for (const [isWithin, isStrict] of [
      [true, true],
      [false, true],
      [false, false],
    ])
      for (const [n, ports] of this.byEquipment.entries()) {
        if (isWithin && this.used[n] + need.ports > this.most[n]) continue;
        const port = ports.find((one) => isFree(one, need, ports, taken) && isGoodEnough(one, need, isStrict));
        if (!port) continue;
        this.used[n] += need.ports;
        return port;
      }
    return null;
  }
}

const isFree = (port: Port, { ports: count }: RunNeed, among: readonly Port[], taken: ReadonlySet<string>): boolean =>
  Array.from({ length: count }, (_, k) => port.n + k).every(
    (n) =>
      among.some((one) => one.group === port.group && one.n === n) &&
      !taken.has(portKey(port.equipment.id, `${port.group.name} ${n}`)),
  );

/** The category of the panel, the supply for what it feeds, and a receiver for a theatre's channels alone while amplifiers are there. */
function isGoodEnough(port: Port, need: RunNeed, isStrict: boolean): boolean {
  const { category, dcW, kind, isTheatre, isLine, ports } = need;
  const { equipment, group } = port;
  if (category !== null && group.category !== null && !isAtLeast(group.category, category)) return false;
  if (kind === 'power')
    return takesRuns(port, kind, need) && (!equipment.supply || dcW / ports <= equipment.supply.wattsEach + 1e-9);
  // Alarm keypads belong to the alarm panel, those of lights and music to the controller.
  if (kind === 'bus' && isStrict && (need.system === 'guard') !== (equipment.kind === 'alarm-panel')) return false;
  if (kind === 'speaker') {
    const { amplifier } = equipment;
    // Low impedance and a line of 100 V never meet; of a bridged amplifier the odd channel has the load.
    if (amplifier && (amplifier.lineV !== null) !== isLine) return false;
    if (amplifier?.isBridged && port.n % 2 === 0) return false;
    if (isStrict) return isTheatre === (equipment.kind === 'receiver');
  }
  return true;
}

/** Use of a cord by its color: told apart at a glance, and by its label. */
const COLORS = { power: 'green', network: 'blue', camera: 'red', uplink: 'black' } as const;

const PANELS: ReadonlySet<string> = new Set(['patch-panel', 'coax-panel']);

/** Watts that switches feed already over cords that stay, W. */
function fedBefore(
  { needByRun }: HeadEndParts,
  switches: readonly Equipment[],
  patches: Kept['patches'],
  terminations: readonly Omit<Termination, 'id'>[],
): Map<string, number> {
  const fedW = new Map(switches.map(({ id }) => [id, 0]));
  const runAt = new Map(terminations.map((one) => [portKey(one.equipmentId, one.port), one.runId]));
  for (const { equipmentId, port, toEquipmentId, toPort } of patches)
    for (const [switchId, panel] of [
      [toEquipmentId, portKey(equipmentId, port)],
      [equipmentId, portKey(toEquipmentId, toPort)],
    ]) {
      const before = fedW.get(switchId);
      const need = needByRun.get(runAt.get(panel) ?? '');
      if (before !== undefined && need) fedW.set(switchId, before + need.poeW);
    }
  return fedW;
}

function patchesOf(
  project: ProjectDocument,
  parts: HeadEndParts,
  rackIds: ReadonlySet<string>,
  terminations: readonly Omit<Termination, 'id'>[],
  kept: Kept,
) {
  const patches = [...kept.patches];
  const waiting: string[] = [];
  const used = new Set(kept.patchedPorts);
  const ended = new Set(terminations.map(({ equipmentId, port }) => portKey(equipmentId, port)));
  for (const rackId of rackIds) {
    const equipment = inOrder(parts.equipment.filter((one) => one.rackId === rackId));
    const switches = equipment.filter(({ kind }) => kind === 'switch');
    const fedW = fedBefore(parts, switches, kept.patches, terminations);
    const open = switches.flatMap(portsOf).filter(({ group }) => group.kind === 'data');
    const connect = (from: { equipmentId: string; port: string }, to: Port, color: string) => {
      used.add(portKey(from.equipmentId, from.port));
      used.add(portKey(to.equipment.id, to.name));
      const at = parts.equipmentById.get(from.equipmentId)!;
      patches.push({
        ...from,
        toEquipmentId: to.equipment.id,
        toPort: to.name,
        color,
        lengthM: cordM(at, to.equipment),
        waits: false,
        isLocked: false,
      });
    };
    linkUp(equipment, used, connect);
    const mine = terminations.filter(({ equipmentId }) => parts.equipmentById.get(equipmentId)?.rackId === rackId);
    for (const { runId, equipmentId, port } of mine) {
      const need = parts.needByRun.get(runId);
      if (need?.kind !== 'data' || used.has(portKey(equipmentId, port))) continue;
      if (need.waits) {
        waiting.push(runId);
        continue;
      }
      const isRoomy = ({ id, poeW }: Equipment) => fedW.get(id)! + need.poeW <= POE_PLANNED_SHARE * (poeW ?? 0) + 1e-9;
      const fits = (one: Port, mayOverload: boolean) =>
        !used.has(portKey(one.equipment.id, one.name)) &&
        (need.poeClass === null || ((one.group.poeClass ?? 0) >= need.poeClass && (mayOverload || isRoomy(one.equipment))));
      const to = open.find((one) => fits(one, false)) ?? open.find((one) => fits(one, true));
      if (!to) continue;
      fedW.set(to.equipment.id, fedW.get(to.equipment.id)! + need.poeW);
      connect(
        { equipmentId, port },
        to,
        need.isRecorded ? COLORS.camera : need.poeClass === null ? COLORS.network : COLORS.power,
      );
    }
    // A panel has its run behind and its cord before; elsewhere a port takes one of both.
    const isTaken = (one: Port) => {
      const key = portKey(one.equipment.id, one.name);
      return used.has(key) || (ended.has(key) && !PANELS.has(one.equipment.kind));
    };
    const here = endedAt(parts.equipmentById, parts.needByRun, mine, () => true);
    for (const [from, to, color] of signalCords(project, equipment, here, isTaken))
      connect({ equipmentId: from.equipment.id, port: from.name }, to, color);
  }
  return { patches, waiting };
}

type Connect = (from: { equipmentId: string; port: string }, to: Port, color: string) => void;

/** Modem to router, router to the first switch, switch to switch, and what is on the network in the rack itself. */
function linkUp(equipment: readonly Equipment[], used: ReadonlySet<string>, connect: Connect): void {
  const isFree = (port: Port) => !used.has(portKey(port.equipment.id, port.name));
  const freeOf = (one: Equipment | undefined, ...kinds: readonly string[]) =>
    one && portsOf(one).find((port) => kinds.includes(port.group.kind) && isFree(port));
  const link = (from: Port | undefined, to: Port | undefined) => {
    if (from && to) connect({ equipmentId: from.equipment.id, port: from.name }, to, COLORS.uplink);
  };
  const isLinked = (a: Equipment, b: Equipment) =>
    [a, b].every((one) =>
      portsOf(one).some((port) => !isFree(port) && (one.tieDeviceId !== null || ['uplink', 'wan'].includes(port.group.kind))),
    );
  const of = (kind: string) => equipment.filter((one) => one.kind === kind);
  const [modem] = of('modem');
  const [router] = of('router');
  const switches = of('switch');
  if (modem && router && !isLinked(modem, router)) link(freeOf(modem, 'data'), freeOf(router, 'wan'));
  if (router && switches[0] && !isLinked(router, switches[0])) link(freeOf(router, 'data'), freeOf(switches[0], 'uplink'));
  // Where the router is in another rack, its network comes over the link between them.
  const tie = equipment.find(({ tieDeviceId }) => tieDeviceId !== null);
  if (!router && tie && switches[0] && !isLinked(tie, switches[0])) link(freeOf(tie, 'data'), freeOf(switches[0], 'uplink'));
  for (let n = 1; n < switches.length; n++)
    if (!portsOf(switches[n]).some((port) => port.group.kind === 'uplink' && !isFree(port)))
      link(freeOf(switches[n - 1], 'uplink', 'data'), freeOf(switches[n], 'uplink'));
  for (const kind of ['recorder', 'controller', 'hub', 'receiver', 'source', 'matrix', 'alarm-panel'])
    for (const one of of(kind)) {
      const own = portsOf(one).filter(({ group }) => group.kind === 'data');
      if (own.length === 0 || own.some((port) => !isFree(port))) continue;
      const to = switches
        .map((each) =>
          portsOf(each)
            .reverse()
            .find((port) => port.group.kind === 'data' && isFree(port)),
        )
        .find(Boolean);
      link(own[0], to ?? freeOf(router, 'data'));
    }
}

/** The next cord that is long enough from one piece of equipment to another of the same head end. */
export function cordM(a: Equipment, b: Equipment): number {
  const up =
    a.atUnit !== null && b.atUnit !== null
      ? Math.abs(a.atUnit + a.units / 2 - (b.atUnit + b.units / 2)) * RACK_UNIT_M
      : Math.hypot((a.xM ?? 0) - (b.xM ?? 0), (a.yM ?? 0) - (b.yM ?? 0));
  const neededM = up + CORD_SIDES_M;
  return CORDS_M.find((one) => one >= neededM - 1e-9) ?? Math.ceil(neededM);
}
