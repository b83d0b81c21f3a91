import { labelText } from '@dusky-spool/core/devices';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import type { PlannedRun } from '@dusky-spool/core/runs';
import { changeRecord } from './change-record.ts';

/** Writes down the day on which labels of runs were printed, YYYY-MM-DD, and what they say; runs that are gone are left out. */
export const markPrinted = (project: ProjectDocument, runs: readonly PlannedRun[], day: string): Operation[] =>
  runs.flatMap((planned) => {
    const run = project.runs[planned.run.id];
    return run ? changeRecord('runs', run, { printedOn: day, printedAs: labelText(project, { ...planned, run }) }) : [];
  });
