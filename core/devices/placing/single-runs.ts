import { err, ok, type Outcome } from '../../math/index.ts';
import {
  create,
  type Device,
  isConduit,
  newRun,
  type Operation,
  type ProjectDocument,
  removeWithDependants,
  type Run,
  RUN_STATES,
  update,
} from '../../model/index.ts';
import { listOf, withRecords } from '../../derive/index.ts';
import { FAMILY_ENDS } from '../library/index.ts';
import {
  bundleFor,
  freeLeg,
  isKept,
  isPulled,
  runNumberFor,
  runsByDevice,
  spendNumber,
  takenNumbers,
  usualRackSlackM,
} from '../../runs/index.ts';
import { knownMap } from './conductors.ts';
import { atHeadEnd, headEndFor } from './head-ends.ts';
import { plannedLegs } from './data-drops.ts';
import { leadsTo, runsFor } from './recipe.ts';

/** Where a run ends: at a head end, or at another device on any level. */
export type RunTarget = { readonly rackId: string } | { readonly deviceId: string };

/** Left at a device whose type says nothing of it, m. */
const USUAL_SLACK_M = 0.45;

/** A cable for devices beside those of their recipe. */
export interface AddedRun {
  readonly cableTypeId: string;
  /** Left out, it goes to the head end of its kind. */
  readonly to?: RunTarget;
  readonly purpose?: string;
  readonly reason?: string;
  readonly price?: number | null;
  /** Existing wiring that it re-uses. */
  readonly foundId?: string | null;
}

/**
 * Gives each of the devices one more run. Problems: `record-gone`, `no-head-end` where there is none, `run-to-itself`, `run-circle`.
 */
export function addRuns(
  project: ProjectDocument,
  deviceIds: readonly string[],
  added: AddedRun,
  newId: () => string,
): Outcome<{ readonly runs: readonly Run[]; readonly operations: readonly Operation[] }> {
  const cable = project.cableTypes[added.cableTypeId];
  if (!cable) return err('record-gone', { in: 'cableTypes', id: added.cableTypeId });
  const runs: Run[] = [];
  let working = project;
  for (const deviceId of deviceIds) {
    const device = project.devices[deviceId];
    if (!device) return err('record-gone', { in: 'devices', id: deviceId });
    const rack = headEndFor(working, device, cable);
    if (!rack) return err('no-head-end', { kind: 'infeasible', field: 'device' });
    const slackM = project.deviceTypes[device.typeId].cables[0]?.slackM ?? USUAL_SLACK_M;
    const [deviceConnector, farConnector, mapId] = FAMILY_ENDS[cable.family] ?? ['', '', null];
    const leg = freeLeg(working, device);
    const run = newRun({
      id: newId(),
      number: runNumberFor(working, device, leg, rack.id),
      deviceId,
      rackId: rack.id,
      leg,
      recipeLeg: null,
      cableTypeId: cable.id,
      purpose: added.purpose ?? '',
      deviceConnector,
      farConnector,
      mapId: knownMap(project, mapId),
      bundle: isConduit(cable) ? '' : bundleFor(working, device, rack.id),
      deviceSlackM: isConduit(cable) ? 0 : slackM,
      rackSlackM: isConduit(cable) ? 0 : usualRackSlackM(project.project, rack),
      reason: added.reason ?? '',
      price: added.price ?? null,
      foundId: added.foundId ?? null,
    });
    const ends = added.to ? endsAt(working, run, added.to) : ok({});
    if (!ends.ok) return ends;
    runs.push({ ...run, ...ends.value });
    working = withRecords(working, 'runs', [runs[runs.length - 1]]);
  }
  return ok({ runs, operations: runs.map((run) => create('runs', run)) });
}

/** What a run has where it ends at another place. */
function endsAt(project: ProjectDocument, run: Run, to: RunTarget): Outcome<Partial<Run>> {
  if ('rackId' in to) {
    const rack = project.racks[to.rackId];
    return rack ? ok(atHeadEnd(project, run, rack)) : err('record-gone', { in: 'racks', id: to.rackId });
  }
  const far = project.devices[to.deviceId];
  if (!far) return err('record-gone', { in: 'devices', id: to.deviceId });
  if (far.id === run.deviceId) return err('run-to-itself', { kind: 'invalid', field: 'to' });
  if (leadsTo(project, far, run.deviceId))
    return err('run-circle', { kind: 'invalid', field: 'to', name: far.name || project.deviceTypes[far.typeId].name });
  return ok({ toDeviceId: far.id, bundle: '', rackSlackM: run.deviceSlackM });
}

/** Leads a run to another place. Problems: those of `addRuns`, `run-issued`. */
export function redirectRun(project: ProjectDocument, runId: string, to: RunTarget): Outcome<Operation[]> {
  const run = project.runs[runId];
  if (!run) return err('record-gone', { in: 'runs', id: runId });
  const issued = refuseIssued(run);
  if (issued) return issued;
  // What hangs on it now is no circle: the run itself goes elsewhere.
  const ends = endsAt(project, run, to);
  if (!ends.ok) return ends;
  const spent = ends.value.number !== undefined && ends.value.number !== run.number ? spendNumber(project, run) : null;
  return ok([spent, update('runs', run, ends.value)].filter((operation) => operation !== null));
}

const refuseIssued = (run: Run) =>
  isKept(run)
    ? err('run-issued', { kind: 'prohibited', field: `run ${run.number}`, number: run.number, state: run.state })
    : null;

/** Removes single runs; a leg of a recipe is noted as left out, so that nobody is asked for it. Problems: `record-gone`, `run-issued`. */
export function removeRuns(project: ProjectDocument, runIds: readonly string[]): Outcome<Operation[]> {
  const operations: (Operation | null)[] = [];
  const leftOut = new Map<string, number[]>();
  for (const id of runIds) {
    const run = project.runs[id];
    if (!run) return err('record-gone', { in: 'runs', id });
    const issued = refuseIssued(run);
    if (issued) return issued;
    operations.push(spendNumber(project, run), ...removeWithDependants(project, 'runs', id));
    if (run.recipeLeg !== null) leftOut.set(run.deviceId, [...(leftOut.get(run.deviceId) ?? []), run.recipeLeg]);
  }
  for (const [deviceId, legs] of leftOut) {
    const device = project.devices[deviceId];
    operations.push(update('devices', device, { leftOut: sorted([...device.leftOut, ...legs]) }));
  }
  return ok(operations.filter((operation) => operation !== null));
}

const sorted = (legs: readonly number[]) => [...new Set(legs)].sort((a, b) => a - b);

/**
 * Ticks a leg of the recipe for devices of one type, or takes it away. Devices that have it, or have it not, stay as they are.
 * Problems: `record-gone`, `no-head-end`, `run-issued`.
 */
export function tickLeg(
  project: ProjectDocument,
  deviceIds: readonly string[],
  recipeLeg: number,
  isWanted: boolean,
  newId: () => string,
): Outcome<Operation[]> {
  const byDevice = runsByDevice(project);
  const devices = deviceIds.map((id) => project.devices[id]);
  const gone = devices.findIndex((device) => !device);
  if (gone >= 0) return err('record-gone', { in: 'devices', id: deviceIds[gone] });
  const legsOf = (device: Device) => (byDevice.get(device.id) ?? []).filter((run) => run.recipeLeg === recipeLeg);
  if (!isWanted) {
    const removed = removeRuns(
      project,
      devices.flatMap((device) => legsOf(device).map(({ id }) => id)),
    );
    if (!removed.ok) return removed;
    const bare = devices.filter((device) => legsOf(device).length === 0 && !device.leftOut.includes(recipeLeg));
    const noted = bare.map((device) => update('devices', device, { leftOut: sorted([...device.leftOut, recipeLeg]) }));
    return ok([...removed.value, ...noted.filter((operation) => operation !== null)]);
  }
  const operations: (Operation | null)[] = [];
  let working = project;
  for (const device of devices) {
    const leg = project.deviceTypes[device.typeId].cables[recipeLeg - 1];
    if (!leg) continue;
    operations.push(update('devices', device, { leftOut: device.leftOut.filter((number) => number !== recipeLeg) }));
    if (legsOf(device).length > 0) continue;
    const runs = runsFor(working, device, [{ leg, number: recipeLeg }], newId);
    if (runs.length === 0) return err('no-head-end', { kind: 'infeasible', field: 'device' });
    operations.push(...runs.map((run) => create('runs', run)));
    working = withRecords(working, 'runs', runs);
  }
  return ok(operations.filter((operation) => operation !== null));
}

/** What an exchange of the type does to the runs of a device. */
export interface TypeExchange {
  readonly added: readonly Run[];
  readonly removed: readonly Run[];
  /** Kept as they are: issued ones, and those that were added to the device alone. */
  readonly kept: readonly Run[];
  readonly operations: readonly Operation[];
}

/**
 * Makes devices of another type: place, number, name and issued runs stay. A drafted run goes on as a leg of the new recipe where that
 * has one of its cable family; the others go, and what the new recipe wants besides comes. Problems: `record-gone`, `type-missing`.
 */
export function exchangeType(
  project: ProjectDocument,
  deviceIds: readonly string[],
  typeId: string,
  newId: () => string,
): Outcome<TypeExchange> {
  const type = project.deviceTypes[typeId];
  if (!type) return err('type-missing', { kind: 'invalid', field: 'typeId' });
  const total = { added: [] as Run[], removed: [] as Run[], kept: [] as Run[], operations: [] as Operation[] };
  let working = project;
  for (const id of deviceIds) {
    const device = working.devices[id];
    if (!device) return err('record-gone', { in: 'devices', id });
    if (device.typeId === typeId) continue;
    const step = exchangeOne(working, device, typeId, newId, OF_RECIPE);
    total.added.push(...step.added);
    total.removed.push(...step.removed);
    total.kept.push(...step.kept);
    total.operations.push(...step.operations);
    working = step.after;
  }
  return ok(total);
}

/** Which runs of a device take part in an exchange, and what becomes of those that the new recipe has no leg for. */
interface ExchangeRules {
  takesPart(run: Run): boolean;
  surplus(run: Run): 'keep' | 'remove' | 'store';
}

const OF_RECIPE: ExchangeRules = {
  takesPart: ({ recipeLeg }) => recipeLeg !== null,
  surplus: (run) => (isKept(run) ? 'keep' : 'remove'),
};

/**
 * Makes a prepared device the one that was decided on: its prepared runs, known by their reason, become legs of its recipe, the pulled ones
 * first; what it does not need is removed where it is not pulled, else stored; what is missing is added. Problems: `record-gone`,
 * `type-missing`.
 */
export function settlePrepared(
  project: ProjectDocument,
  deviceId: string,
  typeId: string,
  reason: string,
  newId: () => string,
): Outcome<TypeExchange> {
  const device = project.devices[deviceId];
  if (!device) return err('record-gone', { in: 'devices', id: deviceId });
  if (!project.deviceTypes[typeId]) return err('type-missing', { kind: 'invalid', field: 'typeId' });
  return ok(
    exchangeOne(project, device, typeId, newId, {
      takesPart: (run) => run.recipeLeg !== null || run.reason === reason,
      surplus: (run) => (isPulled(run) ? 'store' : 'remove'),
    }),
  );
}

/** Takes away the prepared runs of a device that was decided against: those that are pulled are stored. */
export function dropPrepared(project: ProjectDocument, deviceId: string, reason: string): Operation[] {
  const own = (runsByDevice(project).get(deviceId) ?? []).filter((run) => run.recipeLeg !== null || run.reason === reason);
  return own.flatMap((run) => {
    if (isPulled(run)) return update('runs', run, { stored: true }) ?? [];
    return [spendNumber(project, run), ...removeWithDependants(project, 'runs', run.id)].filter(
      (operation) => operation !== null,
    );
  });
}

function exchangeOne(project: ProjectDocument, device: Device, typeId: string, newId: () => string, rules: ExchangeRules) {
  const [was, type] = [project.deviceTypes[device.typeId], project.deviceTypes[typeId]];
  // A height that was the usual one becomes the usual one of the new type.
  const heightM = device.heightM === was.defaultHeightM ? type.defaultHeightM : device.heightM;
  const planned = plannedLegs(project, type, device);
  const leftOut = [...planned.leftOut];
  const next: Device = { ...device, typeId, heightM, leftOut };
  const own = runsByDevice(project).get(device.id) ?? [];
  const open = new Map(planned.legs.map(({ leg, number }) => [number, leg]));
  const familyOf = (cableTypeId: string) => project.cableTypes[cableTypeId]?.family;
  const matched = new Map<string, number>();
  const fromRecipe = own.filter(rules.takesPart);
  // Issued runs choose first: they are there whatever the new recipe says.
  const inOrder = fromRecipe.toSorted((a, b) => RUN_STATES.indexOf(b.state) - RUN_STATES.indexOf(a.state));
  for (const run of inOrder) {
    const isFar = run.toDeviceId !== null;
    const ofFamily = [...open].filter(
      ([, leg]) => familyOf(leg.cableTypeId) === familyOf(run.cableTypeId) && (leg.to !== 'rack') === isFar,
    );
    const fits = ofFamily.find(([, leg]) => leg.cableTypeId === run.cableTypeId) ?? ofFamily[0];
    if (!fits) continue;
    matched.set(run.id, fits[0]);
    open.delete(fits[0]);
  }
  const surplus = new Map(fromRecipe.flatMap((run) => (matched.has(run.id) ? [] : [[run.id, rules.surplus(run)] as const])));
  const removed = own.filter(({ id }) => surplus.get(id) === 'remove');
  const kept = own.filter((run) => surplus.get(run.id) !== 'remove' && (isKept(run) || run.recipeLeg === null));
  const operations: (Operation | null)[] = [update('devices', device, { typeId, heightM, leftOut })];
  for (const run of removed) operations.push(spendNumber(project, run), ...removeWithDependants(project, 'runs', run.id));
  const gone = new Set(removed.map(({ id }) => id));
  const runs = Object.fromEntries(Object.entries(project.runs).filter(([id]) => !gone.has(id)));
  let working: ProjectDocument = withRecords({ ...project, runs }, 'devices', [next]);
  for (const run of own) {
    if (gone.has(run.id) || !rules.takesPart(run)) continue;
    const stored = surplus.get(run.id) === 'store' ? true : matched.has(run.id) ? false : run.stored;
    const leg = matched.get(run.id);
    const recipeLeg = leg !== undefined && leg <= type.cables.length ? leg : null;
    const after = { recipeLeg, stored, ...renumbered(working, next, run) };
    operations.push(after.number === undefined ? null : spendNumber(working, run), update('runs', run, after));
    working = withRecords(working, 'runs', [{ ...run, ...after }]);
  }
  const missing = [...open].map(([number, leg]) => ({ leg, number }));
  const added = runsFor(working, next, missing, newId);
  operations.push(...added.map((run) => create('runs', run)));
  working = withRecords(working, 'runs', added);
  return { added, removed, kept, operations: operations.filter((operation) => operation !== null), after: working };
}

/** Its number where the scheme names the type or system of its device; nothing for an issued run, or where it stays. */
function renumbered(project: ProjectDocument, device: Device, run: Run): Partial<Run> {
  if (isKept(run) || !/\{(type|system)\}/.test(project.project.numberPattern)) return {};
  const number = runNumberFor(project, device, run.leg, run.rackId);
  return number === run.number || takenNumbers(project).has(number) ? {} : { number, printedOn: '', printedAs: '' };
}

/** Devices at which a run may end: all but its own, and those that hang on it. */
export const targetDevices = (project: ProjectDocument, { deviceId }: Pick<Run, 'deviceId'>): Device[] =>
  listOf(project, 'devices').filter((far) => far.id !== deviceId && !leadsTo(project, far, deviceId));
