import { err, ok, type Outcome, type Point2 } from '../math/index.ts';
import { create, type Device, type Operation, type ProjectDocument, type Run, type SiteChange, update } from '../model/index.ts';
import { edited, listOf } from '../derive/index.ts';
import { addRuns, exchangeType, placeDevice } from '../devices/index.ts';
import { isPulled, plannedRun, runCost } from '../runs/index.ts';
import { answerCell, cellOf } from '../brief/index.ts';

/** Who changes what on which day, and why. */
export interface OnSite {
  readonly by: string;
  /** YYYY-MM-DD. */
  readonly on: string;
  readonly reason: string;
}

/** What a change on site does. */
export interface SiteEdit {
  readonly operations: readonly Operation[];
  readonly change: SiteChange;
  readonly runs: readonly Run[];
}

type NewId = (kind: string) => string;

const changeOf = (
  site: OnSite,
  id: string,
  rest: Pick<SiteChange, 'kind' | 'subject' | 'subjectId' | 'what' | 'priceCents'>,
): SiteChange => ({
  id,
  ...rest,
  what: rest.what.slice(0, 200),
  reason: site.reason.slice(0, 200),
  decision: 'go',
  by: site.by.slice(0, 60),
  on: site.on,
  seenBy: '',
  seenOn: '',
});

/** Price of runs and devices that come to the plan, in hundredths of its currency. */
function priceOf(project: ProjectDocument, device: Device | null, runs: readonly Run[]): number {
  const cables = runs.reduce((sum, { id }) => sum + runCost(project, plannedRun(project, id)).cost, 0);
  const type = device ? project.deviceTypes[device.typeId] : null;
  const own = type ? type.price + type.hours * project.project.labourRate : 0;
  return Math.round((cables + own) * 100);
}

/**
 * A device that nobody planned: placed, numbered, with the cables of its recipe, priced as a change, put into the brief of its room and
 * reported to the office. Problems: those of `placeDevice`, `site-reason`.
 */
export function addDeviceOnSite(
  project: ProjectDocument,
  wanted: {
    readonly typeId: string;
    readonly levelId: string;
    readonly at: Point2;
    readonly heightM: number | null;
    readonly areaId?: string | null;
  },
  site: OnSite,
  newId: NewId,
): Outcome<SiteEdit> {
  if (site.reason.trim() === '') return err('site-reason', { kind: 'incomplete', field: 'reason' });
  const placed = placeDevice(project, wanted, { device: newId('device'), run: () => newId('run') });
  if (!placed.ok) return placed;
  const device: Device = {
    ...placed.value.device,
    ...(wanted.heightM === null ? {} : { heightM: wanted.heightM }),
    areaId: wanted.areaId ?? placed.value.device.areaId,
    note: site.reason.slice(0, 2000),
  };
  const runs = placed.value.runs.map((run) => ({ ...run, reason: site.reason.slice(0, 200) }));
  const operations = [create('devices', device), ...runs.map((run) => create('runs', run))];
  const after = edited(project, operations);
  if (!after.ok) return after;
  const type = project.deviceTypes[device.typeId];
  const change = changeOf(site, newId('change'), {
    ...{ kind: 'device-added', subject: 'devices', subjectId: device.id },
    what: type.name,
    priceCents: priceOf(after.value, device, runs),
  });
  return ok({ operations: [...operations, ...inBrief(project, device, newId), create('siteChanges', change)], change, runs });
}

/** The answer of the room or area counts one more of what was added; what was signed there is signed no longer. */
function inBrief(project: ProjectDocument, device: Device, newId: NewId): Operation[] {
  const placeId = device.roomId ?? device.areaId;
  const topic = project.deviceTypes[device.typeId].answers;
  if (!placeId || !topic) return [];
  const cell = cellOf(project, placeId, topic);
  const count = Math.min(99, (cell?.answer === 'nothing' ? 0 : (cell?.count ?? 0)) + 1);
  return answerCell(project, placeId, topic, 'wanted', () => newId('cell'), { count });
}

/** One more cable on a device. Problems: those of `addRuns`, `site-reason`. */
export function addRunOnSite(
  project: ProjectDocument,
  deviceId: string,
  cableTypeId: string,
  site: OnSite,
  newId: NewId,
): Outcome<SiteEdit> {
  if (site.reason.trim() === '') return err('site-reason', { kind: 'incomplete', field: 'reason' });
  const added = addRuns(project, [deviceId], { cableTypeId, reason: site.reason.slice(0, 200) }, () => newId('run'));
  if (!added.ok) return added;
  const after = edited(project, added.value.operations);
  if (!after.ok) return after;
  const { runs } = added.value;
  const change = changeOf(site, newId('change'), {
    ...{ kind: 'run-added', subject: 'runs', subjectId: runs[0].id },
    what: `${runs[0].number} · ${project.cableTypes[cableTypeId].name}`,
    priceCents: priceOf(after.value, null, runs),
  });
  return ok({ operations: [...added.value.operations, create('siteChanges', change)], change, runs });
}

/** Cables of one kind carry the same signal: `spk_2` and `spk_4` are both for speakers. */
const kindOf = (family: string): string => family.split('_')[0];

/**
 * Another cable for a run than the planned one: its label is out of date from then on. A run that is pulled keeps its cut.
 * Problems: `record-gone`, `substitute-same`, `substitute-family` (a cable of another kind or with fewer
 * conductors does not carry the signal), `site-reason`.
 */
export function substituteCable(
  project: ProjectDocument,
  runId: string,
  cableTypeId: string,
  site: OnSite,
  newId: NewId,
): Outcome<SiteEdit> {
  if (site.reason.trim() === '') return err('site-reason', { kind: 'incomplete', field: 'reason' });
  const run: Run | undefined = project.runs[runId];
  if (!run) return err('record-gone', { in: 'runs', id: runId });
  const [before, after] = [project.cableTypes[run.cableTypeId], project.cableTypes[cableTypeId]];
  if (!after) return err('record-gone', { in: 'cableTypes', id: cableTypeId });
  if (before.id === after.id) return err('substitute-same', { kind: 'invalid', field: 'cable' });
  if (kindOf(before.family) !== kindOf(after.family) || after.conductors < before.conductors)
    return err('substitute-family', { kind: 'invalid', field: 'cable', before: before.name, after: after.name });
  const operation = update('runs', run, { cableTypeId });
  const operations = operation ? [operation] : [];
  const edit = edited(project, operations);
  if (!edit.ok) return edit;
  const change = changeOf(site, newId('change'), {
    ...{ kind: 'substitution', subject: 'runs', subjectId: runId },
    what: `${run.number}: ${before.name} → ${after.name}`,
    priceCents: run.foundId === null && !isPulled(run) ? priceOf(edit.value, null, [run]) - priceOf(project, null, [run]) : 0,
  });
  return ok({ operations: [...operations, create('siteChanges', change)], change, runs: [run] });
}

/** Another model of a device than the planned one. Problems: those of `exchangeType`, `substitute-same`, `site-reason`. */
export function substituteDevice(
  project: ProjectDocument,
  deviceId: string,
  typeId: string,
  site: OnSite,
  newId: NewId,
): Outcome<SiteEdit> {
  if (site.reason.trim() === '') return err('site-reason', { kind: 'incomplete', field: 'reason' });
  const device: Device | undefined = project.devices[deviceId];
  if (!device) return err('record-gone', { in: 'devices', id: deviceId });
  if (device.typeId === typeId) return err('substitute-same', { kind: 'invalid', field: 'type' });
  const exchanged = exchangeType(project, [deviceId], typeId, () => newId('run'));
  if (!exchanged.ok) return exchanged;
  const { operations, added, removed, kept } = exchanged.value;
  const after = edited(project, operations);
  if (!after.ok) return after;
  const [was, is] = [project.deviceTypes[device.typeId], project.deviceTypes[typeId]];
  const change = changeOf(site, newId('change'), {
    ...{ kind: 'substitution', subject: 'devices', subjectId: deviceId },
    what: `${was.name} → ${is.name}`,
    priceCents:
      Math.round((is.price - was.price + (is.hours - was.hours) * project.project.labourRate) * 100) +
      priceOf(after.value, null, added) -
      priceOf(project, null, removed),
  });
  return ok({ operations: [...operations, create('siteChanges', change)], change, runs: [...added, ...kept] });
}

/** What the site changed and nobody in the office has seen yet, the oldest first. */
export const unseenChanges = (project: Pick<ProjectDocument, 'siteChanges'>): SiteChange[] =>
  listOf(project, 'siteChanges')
    .filter(({ seenBy }) => seenBy === '')
    .toSorted((a, b) => a.on.localeCompare(b.on));

/** The operation that marks a change as seen by the office. */
export function markSeen(change: SiteChange, by: string, on: string): Operation[] {
  const operation = update('siteChanges', change, { seenBy: by.slice(0, 60), seenOn: on });
  return operation ? [operation] : [];
}
