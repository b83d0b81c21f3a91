import type { Equipment } from '../model/index.ts';
import type { HeadEndParts } from './parts.ts';
import { inputBehind, type Port, portAt, portKey, portName, portsOf } from './ports.ts';

/** A port of a piece of equipment by name. */
export interface PortPlace {
  readonly equipmentId: string;
  readonly port: string;
}

/** One step of a signal: it arrives at a port over a cord or a link between racks, or leaves it for the run that ends there. */
export interface Hop extends PortPlace {
  readonly equipment: Equipment;
  /** Run at whose port the signal is; null within equipment and on cords. */
  readonly runId: string | null;
  /** The port before it; null at its source. */
  readonly from: Hop | null;
  readonly steps: number;
}

type Onward = (equipment: Equipment, at: Port) => readonly Port[];

/** A path longer than this is a loop. */
const MOST_HOPS = 24;

/** Ports that a picture or sound goes on to within a piece of equipment, from the port at which it arrives. */
export const onwardOfPicture: Onward = (equipment, { group, n }) => {
  const to = (...names: readonly string[]) => portsOf(equipment).filter((one) => names.includes(one.group.name));
  const isIn = group.name.includes('in');
  if (equipment.kind === 'matrix') return isIn ? to(group.kind === 'line' ? 'line out' : 'video out') : [];
  if (equipment.kind === 'receiver') return isIn ? to('video out', 'line out', 'speaker') : [];
  if (equipment.kind === 'extender') return group.name === 'video in' ? to('data') : [];
  if ((equipment.kind === 'amplifier' || equipment.kind === 'speaker-block') && isIn)
    return to('speaker').filter((one) => inputBehind(equipment, one.n) === portName(group, n));
  return [];
};

/** Ports at which a source gives out its signals. */
export const outputsOf = (equipment: Equipment): Port[] =>
  portsOf(equipment).filter(({ group }) => group.name.endsWith(' out') && (group.kind === 'video' || group.kind === 'line'));

/** Switches and routers: what arrives at one port can leave at every other, and on to the next switch. */
export const isNetwork = ({ kind }: Equipment): boolean => kind === 'switch' || kind === 'router';

/** Everywhere that a signal gets from some ports: breadth first, so that each place is reached by its shortest path. */
export function reachedFrom(
  parts: HeadEndParts,
  starts: readonly Port[],
  onward: Onward = onwardOfPicture,
  passes: (equipment: Equipment) => boolean = () => true,
): ReadonlyMap<string, Hop> {
  const reached = new Map<string, Hop>();
  const queue: Hop[] = [];
  const visit = (equipment: Equipment, port: string, from: Hop | null) => {
    const key = portKey(equipment.id, port);
    if (reached.has(key) || (from && from.steps >= MOST_HOPS) || !passes(equipment)) return;
    const runId = parts.runAt.get(key) ?? null;
    const hop = { ...{ equipment, equipmentId: equipment.id, port, runId, from }, steps: from ? from.steps + 1 : 0 };
    reached.set(key, hop);
    queue.push(hop);
  };
  for (const { equipment, name } of starts) visit(equipment, name, null);
  for (let hop = queue.shift(); hop; hop = queue.shift()) {
    const { equipment, port } = hop;
    const at = portAt(equipment, port);
    if (!at) continue;
    const over = otherEnd(parts, hop);
    const other = over && parts.equipmentById.get(over.equipmentId);
    if (other) visit(other, over.port, hop);
    const tied = tiedTo(parts, hop);
    if (tied) visit(tied.equipment, tied.name, hop);
    const arrived = hop.from !== null && hop.from.equipmentId !== equipment.id;
    if (!arrived) continue;
    const next = isNetwork(equipment) ? portsOf(equipment).filter(({ group }) => group.kind !== 'mains') : onward(equipment, at);
    for (const one of next) visit(equipment, one.name, hop);
  }
  return reached;
}

/** The port at the other end of the cord of a port; null where it has none. */
export function otherEnd({ patchAt }: Pick<HeadEndParts, 'patchAt'>, { equipmentId, port }: PortPlace): PortPlace | null {
  const patch = patchAt.get(portKey(equipmentId, port));
  if (!patch) return null;
  const isFrom = patch.equipmentId === equipmentId && patch.port === port;
  return isFrom ? { equipmentId: patch.toEquipmentId, port: patch.toPort } : { equipmentId: patch.equipmentId, port: patch.port };
}

/** The other end of a link between racks: from the port of its run to the panel at which it arrives, and back. */
export function tiedTo(parts: HeadEndParts, { equipment, port, runId }: Pick<Hop, 'equipment' | 'port' | 'runId'>): Port | null {
  const at = portAt(equipment, port)!;
  if (equipment.tieDeviceId !== null) {
    const run = tieRuns(parts, equipment.tieDeviceId, at.group.kind)[at.n - 1];
    const own = run && parts.terminationOfRun.get(run.runId);
    const there = own && parts.equipmentById.get(own.equipmentId);
    return there ? (portAt(there, own!.port) ?? null) : null;
  }
  const need = runId === null ? undefined : parts.needByRun.get(runId);
  const panel = need && parts.equipment.find(({ tieDeviceId }) => tieDeviceId === need.deviceId);
  if (!panel || !need) return null;
  const n = tieRuns(parts, need.deviceId, need.kind).findIndex((one) => one.runId === need.runId) + 1;
  return portsOf(panel).find((one) => one.group.kind === need.kind && one.n === n) ?? null;
}

/** Runs of a link between racks of one kind, in the order of their legs. */
const tieRuns = ({ needs }: HeadEndParts, deviceId: string, kind: string) =>
  needs.filter((need) => need.deviceId === deviceId && need.kind === kind).sort((a, b) => a.leg - b.leg);

/** The path to a place, from its source on. */
export function pathTo(hop: Hop): Hop[] {
  const path: Hop[] = [];
  for (let at: Hop | null = hop; at; at = at.from) path.unshift(at);
  return path;
}
