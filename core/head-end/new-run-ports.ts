import { derivationsOf, edited } from '../derive/index.ts';
import { type Operation, type Patch, type ProjectDocument, remove, type Termination } from '../model/index.ts';
import { connectAll, type NewHeadEndId } from './design.ts';
import { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';
import { inputBehind, portAt, portKey, portName } from './ports.ts';

/**
 * What an edit of runs does at head ends that have equipment: a new run, or one that goes to another rack, takes a port and a cord; the cord
 * of a run that goes is taken out. What nobody edits stays as it is, also where it is open.
 */
export function portsAfter(project: ProjectDocument, operations: readonly Operation[], newId: NewHeadEndId): Operation[] {
  if (Object.keys(project.equipment).length === 0) return [];
  const moved = new Set(
    operations.flatMap((one) => (one.in === 'runs' && one.op === 'update' && 'rackId' in one.after ? [one.id] : [])),
  );
  const made = new Set<string>([
    ...moved,
    ...operations.flatMap((one) => (one.in === 'runs' && one.op === 'create' ? [one.id] : [])),
  ]);
  const removed = removedEnds(project, operations);
  if (made.size + removed.length === 0) return [];
  const after = edited(project, operations);
  if (!after.ok) return [];
  const freed = [...movedEnds(after.value, moved), ...removed];
  const parts = derivationsOf(after.value).get(HEAD_END_PARTS);
  // A port that another run has taken keeps its cord.
  const atPort = new Set(
    freed
      .map(({ equipmentId, port }) => portKey(equipmentId, port))
      .filter((key) => !parts.runAt.has(key) || moved.has(parts.runAt.get(key)!))
      .concat(idleInputs(derivationsOf(project).get(HEAD_END_PARTS), parts, freed)),
  );
  const cords = parts.patches.filter(
    (one) =>
      !one.isLocked && (atPort.has(portKey(one.equipmentId, one.port)) || atPort.has(portKey(one.toEquipmentId, one.toPort))),
  );
  const cleared: Operation[] = [
    ...cords.map((one) => remove('patches', one)),
    ...movedEnds(after.value, moved).map((one) => remove('terminations', one)),
  ];
  return [...cleared, ...portsOfNew(after.value, cleared, made, newId)];
}

/** The input behind a channel of an amplifier; empty where the port is none. */
function inputKey({ equipmentById }: HeadEndParts, equipmentId: string, port: string): string[] {
  const equipment = equipmentById.get(equipmentId);
  const at = equipment?.kind === 'amplifier' ? portAt(equipment, port) : undefined;
  const input = at ? inputBehind(at.equipment, at.n) : null;
  return input === null ? [] : [portKey(equipmentId, input)];
}

/** Inputs of channels that are freed and from which no other channel plays. */
function idleInputs(before: HeadEndParts, after: HeadEndParts, freed: readonly Termination[]): string[] {
  const gone = new Set(freed.map(({ id }) => id));
  const inputs = (parts: HeadEndParts, { equipmentId, port, runId }: Termination): string[] => {
    const equipment = parts.equipmentById.get(equipmentId);
    const at = equipment && portAt(equipment, port);
    const count = parts.needByRun.get(runId)?.ports ?? 1;
    return at ? Array.from({ length: count }, (_, k) => inputKey(parts, equipmentId, portName(at.group, at.n + k))).flat() : [];
  };
  const live = new Set(after.terminations.filter(({ id }) => !gone.has(id)).flatMap((one) => inputs(after, one)));
  return freed.flatMap((one) => inputs(before, one)).filter((key) => !live.has(key));
}

const movedEnds = ({ terminations }: ProjectDocument, moved: ReadonlySet<string>): Termination[] =>
  moved.size === 0 ? [] : Object.values(terminations).filter(({ runId }) => moved.has(runId));

const removedEnds = ({ terminations }: ProjectDocument, operations: readonly Operation[]): Termination[] =>
  operations.flatMap((one) => (one.in === 'terminations' && one.op === 'delete' ? (terminations[one.id] ?? []) : []));

/** Ports and cords of runs that are new at their head ends. */
function portsOfNew(
  house: ProjectDocument,
  cleared: readonly Operation[],
  made: ReadonlySet<string>,
  newId: NewHeadEndId,
): Operation[] {
  const parts = derivationsOf(house).get(HEAD_END_PARTS);
  const racks = new Set([...made].flatMap((id) => parts.needByRun.get(id)?.rackId ?? []));
  const designed = [...racks].filter((rackId) => parts.equipment.some((one) => one.rackId === rackId));
  if (designed.length === 0) return [];
  const ready = edited(house, cleared);
  if (!ready.ok) return [];
  const all = connectAll(ready.value, designed, newId, false).operations.filter((one) => one.op === 'create');
  const own = all.filter((one) => one.in === 'terminations' && made.has((one.record as Termination).runId));
  // The cord of its port, and that of the input behind its channel.
  const ports = new Set(
    own.flatMap(({ record }) => {
      const { equipmentId, port } = record as Termination;
      return [portKey(equipmentId, port), ...inputKey(parts, equipmentId, port)];
    }),
  );
  const cords = all.filter((one) => {
    if (one.in !== 'patches') return false;
    const patch = one.record as Patch;
    return ports.has(portKey(patch.equipmentId, patch.port)) || ports.has(portKey(patch.toEquipmentId, patch.toPort));
  });
  return [...own, ...cords];
}
