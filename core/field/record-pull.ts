import { err, ok, type Outcome } from '../math/index.ts';
import { create, type Operation, type ProjectDocument, remove, type Run, type SpoolCut, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { spoolsLeft } from '../order/index.ts';
import { isPulled, type PlannedRun, type RouteOf, runState } from '../runs/index.ts';

/** What was done to one run: pulled, from which spool, and how long it is. */
export interface PulledRecord {
  readonly runId: string;
  /** Null where nobody noted the spool: no cut is recorded, and no length can be. */
  readonly spoolId: string | null;
  /** Off the spool, m; null where it was not measured: the planned cut is recorded. */
  readonly lengthM: number | null;
  /** YYYY-MM-DD. */
  readonly on: string;
  /** Length marks as they were read at both ends; empty where they were not. */
  readonly marks?: Pick<SpoolCut, 'firstMark' | 'lastMark'>;
}

const MAX_CUT_M = 5000;

/**
 * The operations that record a pull: the run is pulled, and its cut comes off the spool; a cut that was recorded before is corrected.
 * `plannedM` is the cut that the plan has, m. Problems: `record-gone`, `pull-spool-missing` (a length from no spool), `pull-cable` (the spool has another cable), `pull-length` (not above 0, or
 * longer than any spool), `pull-longer-than-spool` (with `leftM`), and those of `runState`.
 */
export function recordPull(
  project: ProjectDocument,
  { runId, spoolId, lengthM, on, marks = { firstMark: '', lastMark: '' } }: PulledRecord,
  plannedM: number,
  routeOf: RouteOf,
  cutId: string,
): Outcome<Operation[]> {
  const run: Run | undefined = project.runs[runId];
  if (!run) return err('record-gone', { in: 'runs', id: runId });
  const state = isPulled(run) ? ok<Operation[]>([]) : runState(project, [runId], 'pulled', routeOf);
  if (!state.ok) return state;
  const before = listOf(project, 'spoolCuts').find((cut) => cut.runId === runId);
  if (spoolId === null && lengthM !== null) return err('pull-spool-missing', { kind: 'incomplete', field: 'spool' });
  if (spoolId === null) return ok([...state.value, ...(before ? [remove('spoolCuts', before)] : [])]);
  const cutM = lengthM ?? plannedM;
  const problem = cutProblem(project, run, spoolId, cutM, before);
  if (problem) return problem;
  const cut: SpoolCut = { id: before?.id ?? cutId, spoolId, runId, lengthM: cutM, on, ...marks };
  const operation = before ? update('spoolCuts', before, cut) : create('spoolCuts', cut);
  return ok([...state.value, ...(operation ? [operation] : [])]);
}

function cutProblem(project: ProjectDocument, run: Run, spoolId: string, cutM: number, before: SpoolCut | undefined) {
  const found = spoolsLeft(project).find(({ spool }) => spool.id === spoolId);
  if (!found) return err('record-gone', { in: 'spools', id: spoolId });
  if (found.spool.cableTypeId !== run.cableTypeId)
    return err('pull-cable', { kind: 'invalid', field: 'spool', value: found.spool.code, number: run.number });
  if (!(cutM > 0) || cutM > MAX_CUT_M) return err('pull-length', { kind: 'out_of_domain', field: 'length', value: cutM });
  const leftM = found.leftM + (before?.spoolId === spoolId ? before.lengthM : 0);
  if (cutM > leftM + 1e-9)
    return err('pull-longer-than-spool', { kind: 'invalid', field: 'length', cutM, leftM, spool: found.spool.code });
  return null;
}

/** How a pulled length lies against what the plan expects, m. */
export interface PullFigure {
  /** Measured less planned cut: above 0 more cable went in than was cut for. */
  readonly overM: number;
  /** Beyond the range of the planned length: somebody says why. */
  readonly isOutside: boolean;
}

/** A measured length against the plan; null where the run has no planned length. */
export function pullFigure({ length }: PlannedRun, lengthM: number): PullFigure | null {
  if (!length) return null;
  const { leastM, cutLengthM } = length;
  return { overM: lengthM - cutLengthM, isOutside: lengthM < leastM - 1e-9 || lengthM > cutLengthM + 1e-9 };
}
