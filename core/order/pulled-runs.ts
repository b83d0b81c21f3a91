import { listOf } from '../derive/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { type BoredPlace, holeSchedule } from '../pathways/index.ts';
import { type PlannedRun, planRuns } from '../runs/index.ts';
import type { BillCause } from './bill.ts';

/** The runs of a house whose cable is new, and the places that are bored for them. */
export interface PulledRuns {
  readonly runs: readonly PlannedRun[];
  readonly places: readonly BoredPlace[];
}

/** Worked out once for bill and work: the bored places of a large house take a second. */
export function pulledRuns(project: ProjectDocument): PulledRuns {
  const runs = planRuns(project).filter(({ run }) => run.foundId === null);
  return { runs, places: holeSchedule(project, runs) };
}

export const runCause = (id: string): BillCause => ({ in: 'runs', id });

/** Runs as causes by their numbers, each once. */
export function causesByNumber(project: ProjectDocument, numbers: readonly string[]): BillCause[] {
  const byNumber = new Map(listOf(project, 'runs').map((run) => [run.number, run.id]));
  return [...new Set(numbers)].flatMap((number) => byNumber.get(number) ?? []).map(runCause);
}
