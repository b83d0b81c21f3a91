import { runChecks, type Finding } from '@dusky-spool/core/checks';
import { scheduleOf, type ScheduleRow } from '@dusky-spool/core/documents';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { planRuns, type PlannedRun } from '@dusky-spool/core/runs';
import { today } from './today.ts';
import { en } from '@dusky-spool/texts';

/** All that follows from a project: routes, findings and the schedule. */
export interface Derived {
  readonly runs: readonly PlannedRun[];
  readonly runById: ReadonlyMap<string, PlannedRun>;
  readonly runsByDevice: ReadonlyMap<string, readonly PlannedRun[]>;
  readonly findings: readonly Finding[];
  readonly rows: readonly ScheduleRow[];
}

const kept = new WeakMap<ProjectDocument, Derived>();

/** Worked out once for each state of the project; routes of devices that did not change are taken over. */
export function derive(document: ProjectDocument): Derived {
  const known = kept.get(document);
  if (known) return known;
  const runs = planRuns(document);
  const findings = runChecks(document, runs, today());
  const runsByDevice = new Map<string, PlannedRun[]>();
  for (const planned of runs) {
    const list = runsByDevice.get(planned.device.id);
    if (list) list.push(planned);
    else runsByDevice.set(planned.device.id, [planned]);
  }
  const derived: Derived = {
    runs,
    runById: new Map(runs.map((planned) => [planned.run.id, planned])),
    runsByDevice,
    findings,
    rows: scheduleOf(document, en.terms, runs, findings),
  };
  kept.set(document, derived);
  return derived;
}
