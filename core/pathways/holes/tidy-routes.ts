import { edited } from '../../derive/index.ts';
import { type Operation, type ProjectDocument, sameValue } from '../../model/index.ts';
import { bundleByRoute, planRuns, proposeSharedRoutes } from '../../runs/index.ts';
import { type PullingWork, pullingWork } from './pulling-work.ts';

/** Tidier routes of drafted runs: the edit that makes them, with what boring and pulling come to before and after. */
export interface TidyRoutes {
  /** Empty where nothing better was found. */
  readonly operations: readonly Operation[];
  readonly now: PullingWork;
  readonly then: PullingWork;
  /** Ids of the runs that would take another route. */
  readonly moved: readonly string[];
}

/**
 * Looks for routes along which drafted runs share holes and pulls, and bundles them by those routes. Nothing is proposed that takes more
 * hours than now. The same project gives the same proposal. `newId` gives ids for records that are made.
 */
export function tidyRoutes(project: ProjectDocument, newId: () => string): TidyRoutes {
  const before = planRuns(project);
  const now = pullingWork(project, before);
  const none: TidyRoutes = { operations: [], now, then: now, moved: [] };
  const { operations } = proposeSharedRoutes(project, newId);
  const applied = edited(project, operations);
  if (operations.length === 0 || !applied.ok) return none;
  const after = planRuns(applied.value);
  const then = pullingWork(applied.value, after);
  if (then.hours >= now.hours - 1e-9) return none;
  const wasAt = new Map(before.map(({ run, points }) => [run.id, points]));
  return {
    operations: [...operations, ...bundleByRoute(after, project.cableTypes)],
    now,
    then,
    moved: after.flatMap(({ run, points }) => (sameValue(wasAt.get(run.id), points) ? [] : [run.id])),
  };
}
