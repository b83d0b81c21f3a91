import type { CheckStage, Finding } from '../rules/index.ts';
import type { ScheduleRow } from '../sheets/index.ts';
import type { CollectionName, ProjectDocument } from '../model/index.ts';
import { keptRoute, type PlannedRun } from '../runs/index.ts';
import { applySplices, type Splice } from './splices.ts';

/** A planned run as it is sent: without the records that the other side has. */
export type DerivedRun = Omit<PlannedRun, 'run' | 'device' | 'issuedRoute'> & { readonly runId: string };

/** A finding as it is sent; `ref` identifies it, and its cures are asked for by it. */
export type DerivedFinding = Omit<Finding, 'cures'> & { readonly ref: string; readonly stage: CheckStage };

/** Everything that has been published. */
export interface DerivedLists {
  readonly runs: readonly DerivedRun[];
  readonly findings: readonly DerivedFinding[];
  readonly rows: readonly ScheduleRow[];
}

export const NO_LISTS: DerivedLists = { runs: [], findings: [], rows: [] };

/** What has changed. */
export interface Delta {
  /** Made from nothing: it replaces what was published before, of whatever project. */
  readonly isWhole: boolean;
  readonly runs: readonly Splice<DerivedRun>[];
  readonly findings: readonly Splice<DerivedFinding>[];
  readonly rows: readonly Splice<ScheduleRow>[];
}

/** What follows from where devices are dragged to. */
export interface DragDelta {
  readonly runs: readonly DerivedRun[];
  readonly clashes: readonly (Pick<Finding, 'rank' | 'code' | 'figures'> & { readonly deviceId: string })[];
}

/** The lists with the changes applied. */
export function applyDelta(lists: DerivedLists, delta: Delta): DerivedLists {
  const base = delta.isWhole ? NO_LISTS : lists;
  return {
    runs: applySplices(base.runs, delta.runs),
    findings: applySplices(base.findings, delta.findings),
    rows: applySplices(base.rows, delta.rows),
  };
}

/** All that follows from a project: routes, findings and the schedule. */
export interface Derived {
  readonly runs: readonly PlannedRun[];
  readonly byDerived: ReadonlyMap<DerivedRun, PlannedRun>;
  readonly runById: ReadonlyMap<string, PlannedRun>;
  readonly runsByDevice: ReadonlyMap<string, readonly PlannedRun[]>;
  readonly findings: readonly DerivedFinding[];
  readonly rows: readonly ScheduleRow[];
}

/**
 * The lists beside a project that may already be one edit ahead of them: records are those of the project, and rows about deleted
 * records are left out. Routes and findings of the last edit come with their delta. Objects that are equal in `last` are reused.
 */
export function derivedFrom(lists: DerivedLists, project: ProjectDocument, last: Derived | null = null): Derived {
  const byDerived = new Map<DerivedRun, PlannedRun>();
  for (const derived of lists.runs) {
    const planned = plannedFrom(derived, project, last?.byDerived.get(derived));
    if (planned) byDerived.set(derived, planned);
  }
  const runs = [...byDerived.values()];
  const runsByDevice = new Map<string, PlannedRun[]>();
  for (const planned of runs) {
    const list = runsByDevice.get(planned.device.id);
    if (list) list.push(planned);
    else runsByDevice.set(planned.device.id, [planned]);
  }
  return {
    runs,
    byDerived,
    runById: new Map(runs.map((planned) => [planned.run.id, planned])),
    runsByDevice,
    findings: keepOnly(lists.findings, ({ subjects }) => subjects.every((subject) => isThere(project, subject))),
    rows: keepOnly(
      lists.rows,
      ({ runId, deviceId }) => project.runs[runId] !== undefined && project.devices[deviceId] !== undefined,
    ),
  };
}

/** A run of the lists with its records; undefined where they are gone, `last` where they are the same. */
export function plannedFrom(derived: DerivedRun, project: ProjectDocument, last?: PlannedRun): PlannedRun | undefined {
  const run = project.runs[derived.runId];
  const device = run && project.devices[run.deviceId];
  if (!device) return undefined;
  const route = keptRoute(project, run.id);
  if (last && last.run === run && last.device === device && last.issuedRoute === route) return last;
  const { proposedRoute, differs, length, points, media } = derived;
  return { run, device, proposedRoute, issuedRoute: route, differs, length, points, media };
}

const isThere = (project: ProjectDocument, { in: name, id }: { readonly in: CollectionName; readonly id: string }) =>
  project[name][id] !== undefined;

/** The list itself where all of it stays. */
function keepOnly<T>(list: readonly T[], stays: (item: T) => boolean): readonly T[] {
  return list.every(stays) ? list : list.filter(stays);
}
