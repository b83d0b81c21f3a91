import { err, ok, type Outcome } from '../math/index.ts';
import {
  create,
  type Operation,
  type ProjectDocument,
  remove,
  type Route,
  type Run,
  type RunState,
  update,
} from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import type { RoutedPath } from '../routing/index.ts';
import type { CutLength } from '../calculators/index.ts';
import { plannedRun, type PlannedRun } from './plan-runs.ts';
import { runNumberFor, spendNumber, takenNumbers } from './numbering.ts';

/** What a person decides where a kept route differs from the plan. */
export type StateChoice = 'keep-built' | 'pull-again' | 'move-back';

/** The route that the plan asks for, for a run that has none written down. */
export type RouteOf = (run: Run) => PlannedRun['proposedRoute'] | undefined;

/** Routes worked out here and now. */
export const proposedRoutes =
  (project: ProjectDocument): RouteOf =>
  (run) =>
    plannedRun(project, run.id).proposedRoute;

/**
 * Moves runs to a state. Leaving `drafted` writes the route down so that number, route and length stay;
 * going back to `drafted` forgets it, and the run follows the plan and its number again.
 * Problems: `no-route-to-keep` (with the run's number), `record-gone`.
 */
export function runState(
  project: ProjectDocument,
  runIds: readonly string[],
  state: RunState,
  routeOf: RouteOf,
): Outcome<Operation[]> {
  const operations: (Operation | null)[] = [];
  for (const runId of runIds) {
    const run = project.runs[runId];
    if (!run) return err('record-gone', { in: 'runs', id: runId });
    const kept = listOf(project, 'routes').find((route) => route.runId === runId) ?? null;
    if (state === 'drafted') {
      const device = project.devices[run.deviceId];
      const number = runNumberFor(project, device, run.leg, run.rackId);
      const free = number === run.number || !takenNumbers(project).has(number);
      if (free && number !== run.number) operations.push(spendNumber(project, run));
      if (kept) operations.push(remove('routes', kept));
      operations.push(update('runs', run, { state, number: free ? number : run.number, ...NOT_DONE }));
      continue;
    }
    if (!kept) {
      const way = routeOf(run);
      if (!way?.ok)
        return err('no-route-to-keep', {
          field: `run ${run.number}`,
          number: run.number,
          because: way?.problem ?? { code: 'no-route' },
        });
      operations.push(create('routes', keptRoute(runId, way.value, null)));
    }
    operations.push(update('runs', run, { state, ...recordsOf(run, state) }));
  }
  return ok(operations.filter((operation) => operation !== null));
}

/** What is recorded beside a state, where a run is drafted again. */
const NOT_DONE: Partial<Run> = {
  ...{ labelledEnds: 'none', rawTestedOn: '', endTestedOn: '', endsBaggedOn: '', wrappedOn: '', floorMark: '' },
};

/** What a state says of the records beside it: a labelled run has its labels at both ends; one that is issued again has neither. */
function recordsOf({ state: before }: Run, state: RunState): Partial<Run> {
  if (state === 'issued') return NOT_DONE;
  return state === 'labelled' && before !== 'labelled' ? { labelledEnds: 'both' } : {};
}

function keptRoute(runId: string, way: RoutedPath & CutLength, acceptedAt: Route['acceptedAt']): Route {
  return {
    id: `route_${runId}`.slice(0, 40),
    runId,
    points: way.points.map(([x, y, z]) => [x, y, z]),
    media: [...way.media],
    riseM: way.riseM,
    runM: way.runM,
    dropM: way.dropM,
    deviceSlackM: way.deviceSlackM,
    rackSlackM: way.rackSlackM,
    cutLengthM: way.cutLengthM,
    acceptedAt,
  };
}

/**
 * Settles a kept route that differs from the plan: keep what is built, pull again to the plan
 * (the run goes back to drafted), or move the device back to where its cable ends.
 * Problems: `nothing-to-decide`.
 */
export function decideKept(project: ProjectDocument, runId: string, choice: StateChoice): Outcome<Operation[]> {
  const run = project.runs[runId];
  const kept = listOf(project, 'routes').find((route) => route.runId === runId);
  if (!run || !kept) return err('nothing-to-decide', { field: 'run' });
  if (choice === 'pull-again') return runState(project, [runId], 'drafted', () => undefined);
  const device = project.devices[run.deviceId];
  if (choice === 'keep-built') {
    const operation = update('routes', kept, { acceptedAt: [device.x, device.y, device.heightM ?? 0] });
    return ok(operation ? [operation] : []);
  }
  const [x, y, z] = kept.points[0];
  const level = project.levels[device.levelId];
  const heightM = device.heightM === null ? null : Math.round((z - level.elevationM) * 1e6) / 1e6;
  const back = update('devices', device, { x, y, heightM });
  return ok(back ? [back] : []);
}
