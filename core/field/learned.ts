import { err, ok, type Outcome } from '../math/index.ts';
import {
  type FieldTask,
  FIELD_TASKS,
  type Operation,
  type ProjectDocument,
  type TaskTime,
  updateProject,
} from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { learnedFactor, routedLength } from '../calculators/index.ts';
import { isPulled, type PlannedRun } from '../runs/index.ts';

/** What was measured of one kind, against the plan. */
export interface Learned {
  readonly n: number;
  /** Mean of measured by planned. */
  readonly mean: number;
  /** Standard deviation of that; 0 for fewer than two. */
  readonly spread: number;
  /** What the next plan takes (ENGINEERING 22.6). */
  readonly factor: number;
}

/** Mean and spread of measured by planned, and the factor learned from them against what was assumed before. */
export function learnedOf(ratios: readonly number[], prior: number): Learned {
  const n = ratios.length;
  const mean = n === 0 ? prior : ratios.reduce((sum, one) => sum + one, 0) / n;
  const spread = n < 2 ? 0 : Math.sqrt(ratios.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (n - 1));
  return { n, mean, spread, factor: learnedFactor({ n, mean, prior }) };
}

export interface TaskHours extends Learned {
  readonly task: FieldTask;
  readonly isAttic: boolean;
  readonly hours: number;
  readonly estimateHours: number;
  /** Reasons that were given, the newest first. */
  readonly reasons: readonly string[];
}

/** Hours of each kind of task against their estimate; work in attics and crawl spaces by itself (practice A70). */
export function taskHours(project: Pick<ProjectDocument, 'taskTimes'>): TaskHours[] {
  const times = listOf(project, 'taskTimes');
  return FIELD_TASKS.flatMap((task) => [false, true].map((isAttic) => ({ task, isAttic }))).flatMap(({ task, isAttic }) => {
    const own = times.filter((time) => time.task === task && time.isAttic === isAttic);
    if (own.length === 0) return [];
    const judged = own.filter(({ estimateHours, hours }) => estimateHours > 0 && hours > 0);
    const sum = (pick: (time: TaskTime) => number) => own.reduce((total, time) => total + pick(time), 0);
    return {
      ...{ task, isAttic, hours: sum(({ hours }) => hours), estimateHours: sum(({ estimateHours }) => estimateHours) },
      ...learnedOf(
        judged.map(({ hours, estimateHours }) => hours / estimateHours),
        1,
      ),
      reasons: [...new Set(own.toSorted((a, b) => b.on.localeCompare(a.on)).map(({ reason }) => reason))].filter(
        (reason) => reason !== '',
      ),
    };
  });
}

export interface MeasuredRun {
  readonly runId: string;
  readonly number: string;
  readonly plannedM: number;
  readonly measuredM: number;
  readonly overM: number;
}

export interface MeasuredLengths {
  /** Runs whose cut was measured, the worst miss first. */
  readonly runs: readonly MeasuredRun[];
  /** Measured by planned cut. */
  readonly length: Learned;
  /** Waste and allowance on the routed length: what was measured by the length along the route with its slack. */
  readonly waste: Learned;
  readonly plannedM: number;
  readonly measuredM: number;
}

/** How wrong the plan was: lengths as measured against those as planned. `planned` are the runs with their routes. */
export function measuredLengths(project: ProjectDocument, planned: readonly PlannedRun[]): MeasuredLengths {
  const cuts = new Map(listOf(project, 'spoolCuts').map((cut) => [cut.runId, cut.lengthM]));
  const own = planned.flatMap(({ run, length }) => {
    const measuredM = cuts.get(run.id);
    if (measuredM === undefined || !length || !isPulled(run) || run.foundId !== null) return [];
    return {
      runId: run.id,
      number: run.number,
      plannedM: length.cutLengthM,
      measuredM,
      overM: measuredM - length.cutLengthM,
      routedM: routedLength(length),
    };
  });
  // A cut as planned was not measured: nobody reads a tape to the last digit of the plan.
  const measured = own.filter(({ overM }) => Math.abs(overM) > 1e-9);
  return {
    runs: measured.toSorted((a, b) => Math.abs(b.overM) - Math.abs(a.overM)).map(({ routedM: _, ...run }) => run),
    length: learnedOf(
      measured.map(({ measuredM, plannedM }) => measuredM / plannedM),
      1,
    ),
    waste: learnedOf(
      measured.filter(({ routedM }) => routedM > 0).map(({ measuredM, routedM }) => measuredM / routedM),
      project.project.wasteFactor,
    ),
    plannedM: measured.reduce((sum, { plannedM }) => sum + plannedM, 0),
    measuredM: measured.reduce((sum, { measuredM }) => sum + measuredM, 0),
  };
}

/** The least and the most that a waste factor may be. */
const WASTE = { least: 1, most: 1.5 } as const;

/** The operations that take the learned waste factor into the project. Problems: `learned-too-few` (fewer than three measured runs). */
export function takeLearnedWaste(project: ProjectDocument, { waste }: MeasuredLengths): Outcome<Operation[]> {
  if (waste.n < 3) return err('learned-too-few', { kind: 'incomplete', field: 'wasteFactor', count: waste.n });
  const factor = Math.round(Math.min(WASTE.most, Math.max(WASTE.least, waste.factor)) * 1000) / 1000;
  const operation = updateProject(project.project, { wasteFactor: factor });
  return ok(operation ? [operation] : []);
}
