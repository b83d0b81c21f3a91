import { runChecks, type Finding } from '../checks/index.ts';
import type { ProjectDocument } from '../project/index.ts';
import { planRuns, type PlannedRun } from '../runs/index.ts';

/** A day before every gate of the houses here: nothing is late and nothing is closed. */
const LONG_BEFORE = '2020-01-01';

/** What the rules say of a house, as of a day on which nothing is late. */
export const checked = (
  document: ProjectDocument,
  runs: readonly PlannedRun[] = planRuns(document),
  today: string = LONG_BEFORE,
): Finding[] => runChecks(document, runs, today);
