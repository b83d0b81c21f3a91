import { derivationsOf, edited, listOf } from '../derive/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import { create, type Operation, type ProjectDocument, remove, update } from '../model/index.ts';
import { arranged } from './arrange.ts';
import { connectAll, designHeadEnd, type EnclosureChoice } from './design.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { portAt } from './ports.ts';
import { CONTACTS_PER_ZONE } from './shared-zones.ts';
import { zonesByRoom } from './zones.ts';

/** Everything, places alone, what is open, or all ports afresh. */
export type HeadEndPlanHow = 'design' | 'arrange' | 'connect' | 'afresh';

export interface HeadEndPlan {
  readonly operations: readonly Operation[];
  /** Numbers of runs for which no port is left, and how many ports wait for the device of their owner. */
  readonly short: readonly string[];
  readonly waiting: number;
  readonly enclosure: EnclosureChoice | null;
}

/** What a head end would become. Problems: those of `designHeadEnd` and `arranged`. */
export function planHeadEnd(project: ProjectDocument, rackId: string, how: HeadEndPlanHow, prefix: string): Outcome<HeadEndPlan> {
  const rack = project.racks[rackId];
  if (!rack) return err('record-gone', { in: 'racks', id: rackId });
  let count = 0;
  const newId = () => `${prefix}-${++count}`;
  if (how === 'design') {
    // The first design of a house makes a zone of every room with music.
    const zones = Object.keys(project.zones).length === 0 ? zonesByRoom(project, newId) : [];
    const zoned = edited(project, zones);
    if (!zoned.ok) return zoned;
    const found = designHeadEnd(zoned.value, rackId, newId);
    if (!found.ok) return found;
    const { short, waiting, enclosure } = found.value;
    const operations = [...zones, ...found.value.operations];
    return ok({ operations, short: short.map(({ number }) => number), waiting: waiting.length, enclosure });
  }
  if (how === 'arrange') {
    const placed = arranged(
      rack,
      listOf(project, 'equipment').filter((one) => one.rackId === rackId),
    );
    if (!placed.ok) return placed;
    const operations = placed.value.flatMap(({ id, ...place }) => update('equipment', project.equipment[id], place) ?? []);
    return ok({ operations, short: [], waiting: 0, enclosure: null });
  }
  const { operations, short, waiting } = connectAll(project, [rackId], newId, how === 'afresh');
  return ok({ operations, short: short.map(({ number }) => number), waiting: waiting.length, enclosure: null });
}

/**
 * Puts a run on another port of its head end, where it then stays; a run that is there changes places with it, and cords go along.
 * Problems: `port-unknown`, `zone-not-shared` for a zone on which several contacts are.
 */
export function moveRunToPort(
  project: ProjectDocument,
  runId: string,
  to: { readonly equipmentId: string; readonly port: string },
  newId: string,
): Outcome<Operation[]> {
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  const equipment = parts.equipmentById.get(to.equipmentId);
  if (!equipment || !portAt(equipment, to.port)) return err('port-unknown', { kind: 'invalid', field: 'port', value: to.port });
  const own = parts.terminationOfRun.get(runId);
  // A zone of an alarm panel may have several contacts.
  const others = parts.terminations.filter((one) => one.equipmentId === to.equipmentId && one.port === to.port);
  if (others.some((one) => one.runId === runId)) return ok([]);
  if (others.length > 1)
    return err('zone-not-shared', { kind: 'infeasible', field: 'port', port: to.port, most: CONTACTS_PER_ZONE });
  const [other] = others;
  if (!own) {
    const made = create('terminations', { id: newId, runId, ...to, padDb: 0, place: 1, isLocked: true });
    return ok(other ? [remove('terminations', other), made] : [made]);
  }
  const from = { equipmentId: own.equipmentId, port: own.port };
  const isAt = (one: { equipmentId: string; port: string }, at: { equipmentId: string; port: string }) =>
    one.equipmentId === at.equipmentId && one.port === at.port;
  const cords = parts.patches.flatMap((one) =>
    isAt(one, from) ? (update('patches', one, to) ?? []) : isAt(one, to) ? (update('patches', one, from) ?? []) : [],
  );
  return ok([
    update('terminations', own, { ...to, place: 1, isLocked: true })!,
    ...(other ? [update('terminations', other, { ...from, place: own.place, isLocked: true })!] : []),
    ...cords,
  ]);
}
