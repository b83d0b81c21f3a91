import { addRuns, dropPrepared, type IdSource, removeDevices, settlePrepared } from '../devices/index.ts';
import { attachmentOf } from '../house/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import {
  type Device,
  type DeviceType,
  type OpenDecision,
  type Operation,
  type ProjectDocument,
  type Run,
  update,
} from '../model/index.ts';
import { edited, listOf } from '../derive/index.ts';
import { runsByDevice } from '../runs/index.ts';
import { supersetLegs } from './decisions.ts';
import { placeIdOf, placeOf } from './places.ts';
import { devicesIn } from './requirements.ts';
import { placeAtSpot, spotFor } from './spot.ts';

/** The reason by which the runs of a decision are known. */
const reasonOf = ({ subject }: OpenDecision) => `Open decision: ${subject}`.slice(0, 200);

/** The name of a device that prepares a decision. */
const nameOf = ({ subject }: OpenDecision) => subject.slice(0, 80);

/** Options that hang at the same kind of place: on a wall, a ceiling, the floor. One prepared device keeps all of them open. */
interface OptionGroup {
  readonly attachment: string;
  readonly options: OpenDecision['options'];
  readonly types: readonly DeviceType[];
}

function groupsOf(project: ProjectDocument, { options }: OpenDecision): OptionGroup[] {
  const groups = new Map<string, { options: OpenDecision['options'][number][]; types: DeviceType[] }>();
  for (const option of options) {
    const type = option.typeId === null ? undefined : project.deviceTypes[option.typeId];
    if (!type) continue;
    const attachment = attachmentOf(type);
    const group = groups.get(attachment) ?? { options: [], types: [] };
    group.options.push(option);
    group.types.push(type);
    groups.set(attachment, group);
  }
  return [...groups].map(([attachment, group]) => ({ attachment, ...group }));
}

/** What of the superset of a decision is on the plan: the devices that prepare it with their runs, and the cables that are missing. */
export interface PreparedState {
  readonly devices: readonly Device[];
  readonly runs: readonly Run[];
  /** Cables of the superset without a run, by cable type. */
  readonly missing: readonly string[];
}

export const preparedDevices = (project: ProjectDocument, decisionId: string): Device[] =>
  listOf(project, 'devices').filter((device) => device.decisionId === decisionId);

export function preparedState(project: ProjectDocument, decision: OpenDecision): PreparedState {
  const devices = preparedDevices(project, decision.id);
  const byDevice = runsByDevice(project);
  const runsOf = ({ id }: Device) => (byDevice.get(id) ?? []).filter(({ stored }) => !stored);
  const missing = groupsOf(project, decision).flatMap((group) => {
    const device = devices.find(({ typeId }) => attachmentOf(project.deviceTypes[typeId]) === group.attachment);
    return missingLegs(project, group, device ? runsOf(device) : [], decision.roomId).map(({ cableTypeId }) => cableTypeId);
  });
  return { devices, runs: devices.flatMap(runsOf), missing };
}

/** Legs of the superset of a group for which there is no run. */
function missingLegs(project: ProjectDocument, group: OptionGroup, runs: readonly Run[], roomId: string | null) {
  const left = runs.map(({ cableTypeId }) => cableTypeId);
  return supersetLegs(project, group.options, roomId).flatMap(({ leg }) => {
    const at = left.indexOf(leg.cableTypeId);
    if (at < 0) return [leg];
    left.splice(at, 1);
    return [];
  });
}

/**
 * Puts the cables that keep every option of a decision open on the plan: a prepared device for the options of each kind of place, with the
 * superset of their cables as runs. A device that is there already is used; what it has stays. Problems: `record-gone`, `decision-no-type`,
 * `decision-no-place`, those of placing and of `addRuns`.
 */
export function prepareDecision(project: ProjectDocument, decisionId: string, ids: IdSource): Outcome<Operation[]> {
  const decision = project.decisions[decisionId];
  if (!decision) return err('record-gone', { in: 'decisions', id: decisionId });
  const groups = groupsOf(project, decision);
  if (groups.length === 0) return err('decision-no-type', { kind: 'incomplete', field: 'options' });
  const place = placeOf(project, placeIdOf(decision));
  if (!place) return err('decision-no-place', { kind: 'incomplete', field: 'roomId' });
  const operations: Operation[] = [];
  let working = project;
  const apply = (more: readonly Operation[]): Outcome<ProjectDocument> => {
    operations.push(...more);
    const after = edited(working, more);
    if (after.ok) working = after.value;
    return after;
  };
  for (const group of groups) {
    const known = preparingDevice(working, decision, place.id, group);
    if (known) {
      const kept = [
        update('devices', known, { decisionId, fitting: 'prepared' }),
        ...(runsByDevice(working).get(known.id) ?? []).map((run) => update('runs', run, { stored: false })),
      ];
      const there = apply(kept.filter((operation) => operation !== null));
      if (!there.ok) return there;
    } else {
      const type = group.types.reduce((most, one) => (one.cables.length > most.cables.length ? one : most));
      const at = spotFor(working, type, place, place.levelId);
      const more = { decisionId, fitting: 'prepared' as const, name: nameOf(decision) };
      const wanted = { typeId: type.id, at, more, runAs: () => ({ reason: reasonOf(decision) }) };
      const placed = placeAtSpot(working, place.levelId, wanted, ids);
      if (!placed.ok) return placed;
      const there = apply(placed.value.operations);
      if (!there.ok) return there;
    }
    const device = preparingDevice(working, decision, place.id, group)!;
    for (const leg of missingLegs(working, group, runsByDevice(working).get(device.id) ?? [], decision.roomId)) {
      const { cableTypeId, purpose } = leg;
      const added = addRuns(working, [device.id], { cableTypeId, purpose, reason: reasonOf(decision) }, ids.run);
      if (!added.ok) return added;
      const there = apply(added.value.operations);
      if (!there.ok) return there;
    }
  }
  return ok(operations);
}

/** The device that prepares a group: one of the decision, else one of its types that stands in the place for no other decision. */
function preparingDevice(
  project: ProjectDocument,
  decision: OpenDecision,
  placeId: string,
  group: OptionGroup,
): Device | undefined {
  const isOfGroup = ({ typeId }: Device) => attachmentOf(project.deviceTypes[typeId]) === group.attachment;
  return (
    preparedDevices(project, decision.id).find(isOfGroup) ??
    devicesIn(project, placeId).find(
      ({ typeId, decisionId }) => decisionId === null && group.options.some((option) => option.typeId === typeId),
    )
  );
}

/**
 * Takes an option. A prepared device whose kind of place it needs becomes it, and keeps place, number and pulled runs; what it does not need
 * is removed, or stored where it was pulled. The other prepared devices go, or stay as spares with what was pulled. `on` is YYYY-MM-DD.
 * Problems: `record-gone`, those of `settlePrepared`.
 */
export function takeOption(
  project: ProjectDocument,
  decisionId: string,
  optionName: string,
  on: string,
  newRunId: () => string,
): Outcome<Operation[]> {
  const decision = project.decisions[decisionId];
  if (!decision) return err('record-gone', { in: 'decisions', id: decisionId });
  const taken = update('decisions', decision, { chosen: optionName, decidedOn: on });
  const operations: Operation[] = taken ? [taken] : [];
  const chosen = decision.options.find(({ name }) => name === optionName);
  const type = chosen?.typeId ? project.deviceTypes[chosen.typeId] : undefined;
  let working = project;
  for (const device of preparedDevices(project, decisionId)) {
    const isIt = type !== undefined && attachmentOf(project.deviceTypes[device.typeId]) === attachmentOf(type);
    if (isIt) {
      const settled = settlePrepared(working, device.id, type.id, reasonOf(decision), newRunId);
      if (!settled.ok) return settled;
      const name = device.name === nameOf(decision) ? '' : device.name;
      const fitted = update('devices', device, { fitting: 'fitted', name });
      const steps = [...settled.value.operations, ...(fitted ? [fitted] : [])];
      operations.push(...steps);
      const after = edited(working, steps);
      if (!after.ok) return after;
      working = after.value;
      continue;
    }
    const dropped = dropPrepared(working, device.id, reasonOf(decision));
    const after = edited(working, dropped);
    if (!after.ok) return after;
    const left = runsByDevice(after.value).get(device.id) ?? [];
    const spare = update('devices', device, { fitting: 'spare' });
    const gone = left.length > 0 ? ok(spare ? [spare] : []) : removeDevices(after.value, [device.id]);
    if (!gone.ok) return gone;
    operations.push(...dropped, ...gone.value);
    const next = edited(after.value, gone.value);
    if (!next.ok) return next;
    working = next.value;
  }
  return ok(operations);
}

/** Opens a decision again; what was prepared for it comes back where it was taken away. Problems: those of `prepareDecision`. */
export function reopenDecision(project: ProjectDocument, decisionId: string, ids: IdSource): Outcome<Operation[]> {
  const decision = project.decisions[decisionId];
  if (!decision) return err('record-gone', { in: 'decisions', id: decisionId });
  const reopened = update('decisions', decision, { chosen: '', decidedOn: '' });
  const operations = reopened ? [reopened] : [];
  if (preparedDevices(project, decisionId).length === 0) return ok(operations);
  const after = edited(project, operations);
  if (!after.ok) return after;
  const prepared = prepareDecision(after.value, decisionId, ids);
  return prepared.ok ? ok([...operations, ...prepared.value]) : prepared;
}
