import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import { changeRecord } from './change-record.ts';

/** Writes down the day on which labels of runs were printed, YYYY-MM-DD; runs that are gone are left out. */
export const markPrinted = (project: ProjectDocument, runIds: readonly string[], day: string): Operation[] =>
  runIds.flatMap((id) => {
    const run = project.runs[id];
    return run ? changeRecord('runs', run, { printedOn: day }) : [];
  });
