import { derivationsOf, withoutRecords } from '../derive/index.ts';
import type { Equipment, ProjectDocument } from '../model/index.ts';
import { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';
import type { RunNeed } from './needs.ts';
import { isNetwork, otherEnd, outputsOf, reachedFrom, tiedTo } from './flow.ts';
import { portAt, portKey, portsOf } from './ports.ts';

/** What is taken away: a cable, a piece of equipment with its ports, one port, a cord or a mains circuit. */
export type Removed =
  | { readonly kind: 'run'; readonly id: string }
  | { readonly kind: 'equipment'; readonly id: string }
  | { readonly kind: 'port'; readonly id: string; readonly port: string }
  | { readonly kind: 'patch'; readonly id: string }
  | { readonly kind: 'circuit'; readonly id: string };

/** A device that stops, by the run that no longer serves it; or equipment that stops with it. */
export interface Stopped {
  readonly runs: readonly RunNeed[];
  readonly equipment: readonly Equipment[];
}

/** Everything that works now and would not if one thing were taken away. */
export function whatStops(project: ProjectDocument, removed: Removed): Stopped {
  const before = derivationsOf(project).get(HEAD_END_PARTS);
  const after = derivationsOf(without(project, removed, before)).get(HEAD_END_PARTS);
  const hasRouter = before.equipment.some(({ kind }) => kind === 'router');
  const was = working(before, hasRouter);
  const is = working(after, hasRouter, removed.kind === 'circuit' ? removed.id : null, was.played);
  return {
    runs: before.needs.filter(({ runId }) => was.runs.has(runId) && !is.runs.has(runId)),
    equipment: before.equipment.filter(
      ({ id }) => was.equipment.has(id) && !is.equipment.has(id) && !(removed.kind === 'equipment' && removed.id === id),
    ),
  };
}

function without(project: ProjectDocument, removed: Removed, parts: HeadEndParts): ProjectDocument {
  const onPort = (equipmentId: string, port: string | null) => ({
    terminations: parts.terminations
      .filter((one) => one.equipmentId === equipmentId && (port === null || one.port === port))
      .map(({ id }) => id),
    patches: parts.patches
      .filter(
        (one) =>
          (one.equipmentId === equipmentId && (port === null || one.port === port)) ||
          (one.toEquipmentId === equipmentId && (port === null || one.toPort === port)),
      )
      .map(({ id }) => id),
  });
  if (removed.kind === 'circuit') return project;
  if (removed.kind === 'patch') return withoutRecords(project, 'patches', [removed.id]);
  if (removed.kind === 'run') {
    const own = parts.terminationOfRun.get(removed.id);
    const rest = own ? withoutRecords(project, 'terminations', [own.id]) : project;
    return withoutRecords(rest, 'runs', [removed.id]);
  }
  const gone = onPort(removed.id, removed.kind === 'port' ? removed.port : null);
  const rest = withoutRecords(withoutRecords(project, 'terminations', gone.terminations), 'patches', gone.patches);
  return removed.kind === 'port' ? rest : withoutRecords(rest, 'equipment', [removed.id]);
}

interface Working {
  readonly runs: ReadonlySet<string>;
  readonly equipment: ReadonlySet<string>;
  /** Ports at which a powered source is heard or seen. */
  readonly played: ReadonlySet<string>;
}

const MOST_STEPS = 12;

/** Which runs are served and which equipment is powered and, on the network, reaches its router. */
function working(
  parts: HeadEndParts,
  hasRouter: boolean,
  deadCircuit: string | null = null,
  playedBefore: ReadonlySet<string> = new Set(),
): Working {
  const powered = new Map<string, boolean>();
  const isPowered = (one: Equipment | undefined, depth = 0): boolean => {
    if (!one || depth > MOST_STEPS) return false;
    const known = powered.get(one.id);
    if (known !== undefined) return known;
    const has =
      !one.isMains ||
      (one.feedId === null
        ? one.circuitId !== deadCircuit || deadCircuit === null
        : isPowered(parts.equipmentById.get(one.feedId), depth + 1));
    powered.set(one.id, has);
    return has;
  };
  const online = onlineOf(parts, hasRouter, isPowered);
  const sources = parts.equipment.filter((one) => one.kind === 'source' && isPowered(one));
  const played = new Set(reachedFrom(parts, sources.flatMap(outputsOf), undefined, isPowered).keys());
  const runs = parts.needs
    .filter((need) => {
      const termination = parts.terminationOfRun.get(need.runId);
      const at = termination && parts.equipmentById.get(termination.equipmentId);
      if (!at || !portAt(at, termination!.port)) return false;
      const key = portKey(at.id, termination!.port);
      // What a source was heard or seen at before has to be so still.
      if (playedBefore.has(key) && !played.has(key)) return false;
      if (need.kind !== 'data' || at.kind !== 'patch-panel') return isPowered(at);
      const over = otherEnd(parts, { equipmentId: at.id, port: termination!.port });
      return over !== null && online.has(over.equipmentId);
    })
    .map(({ runId }) => runId);
  return {
    ...{ runs: new Set(runs), played },
    equipment: new Set(
      parts.equipment.filter((one) => isPowered(one) && (!isNetwork(one) || online.has(one.id))).map(({ id }) => id),
    ),
  };
}

/** Powered equipment that reaches a router by cords; where the project has no router every powered switch counts. */
function onlineOf(
  parts: HeadEndParts,
  hasRouter: boolean,
  isPowered: (one: Equipment | undefined) => boolean,
): ReadonlySet<string> {
  const beside = new Map<string, string[]>();
  for (const { equipmentId, toEquipmentId } of parts.patches) {
    beside.set(equipmentId, [...(beside.get(equipmentId) ?? []), toEquipmentId]);
    beside.set(toEquipmentId, [...(beside.get(toEquipmentId) ?? []), equipmentId]);
  }
  for (const [a, b] of tiedEquipment(parts)) {
    beside.set(a, [...(beside.get(a) ?? []), b]);
    beside.set(b, [...(beside.get(b) ?? []), a]);
  }
  const starts = parts.equipment.filter((one) => one.kind === (hasRouter ? 'router' : 'switch') && isPowered(one));
  const reached = new Set(starts.map(({ id }) => id));
  const queue = [...reached];
  for (let at = queue.pop(); at !== undefined; at = queue.pop())
    for (const id of beside.get(at) ?? []) {
      const one = parts.equipmentById.get(id);
      if (reached.has(id) || !one || !isPowered(one)) continue;
      reached.add(id);
      // Only what forwards leads on: a recorder on a switch reaches nothing through itself.
      if (isNetwork(one)) queue.push(id);
    }
  return reached;
}

/** What the two ends of a link between racks are plugged into. */
function tiedEquipment(parts: HeadEndParts): [string, string][] {
  return parts.equipment
    .filter(({ tieDeviceId }) => tieDeviceId !== null)
    .flatMap((panel) =>
      portsOf(panel).flatMap(({ name: port }): [string, string][] => {
        const far = tiedTo(parts, { equipment: panel, port, runId: null });
        const here = otherEnd(parts, { equipmentId: panel.id, port });
        const there = far && otherEnd(parts, { equipmentId: far.equipment.id, port: far.name });
        return here && there ? [[here.equipmentId, there.equipmentId]] : [];
      }),
    );
}
