import { levelsFromBelow } from '../house/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import { type Operation, type ProjectDocument, type Run, SYSTEMS, update, updateProject } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { numberIn, numberScheme, spendNumber } from './numbering.ts';
import { compareNumbers, isKept } from './plan-runs.ts';

/** One run with its number before and after. */
export interface Renumbered {
  readonly runId: string;
  readonly from: string;
  readonly to: string;
  /** Why it stays as it is; null where it takes the new number. */
  readonly kept: 'issued' | 'taken' | null;
}

/** What another scheme would do to the whole project. */
export interface SchemePreview {
  readonly runs: readonly Renumbered[];
  readonly changed: number;
  readonly kept: number;
  readonly operations: readonly Operation[];
}

const LONGEST = 40;

/**
 * Every run under another number scheme, old beside new. Runs from issued on keep their numbers; a number that was printed is spent.
 * Problems: `scheme-unknown-part`, `scheme-too-long`, `scheme-not-unique` with two runs that would have one number.
 */
export function renumberScheme(project: ProjectDocument, pattern: string): Outcome<SchemePreview> {
  const known: readonly string[] = numberScheme;
  const strange = [...pattern.matchAll(/\{([^}]*)\}/g)].map(([, part]) => part).find((part) => !known.includes(part));
  if (strange !== undefined) return err('scheme-unknown-part', { kind: 'invalid', field: 'numberPattern', part: strange, known });
  if (pattern.trim() === '' || !/\{(device|port)\}/.test(pattern))
    return err('scheme-without-count', { kind: 'incomplete', field: 'numberPattern' });
  const runs = [...listOf(project, 'runs')].sort(byTermination(project));
  const ports = new Map<string, number>();
  const wanted = runs.map((run) => {
    const port = (ports.get(run.rackId) ?? 0) + 1;
    ports.set(run.rackId, port);
    return { run, to: numberIn(project, pattern, project.devices[run.deviceId], run.leg, run.rackId, port) };
  });
  const long = wanted.find(({ to }) => to.length > LONGEST || to.length === 0);
  if (long) return err('scheme-too-long', { kind: 'invalid', field: 'numberPattern', number: long.to, longest: LONGEST });
  const seen = new Map<string, Run>();
  for (const { run, to } of wanted) {
    const other = seen.get(to);
    if (other)
      return err('scheme-not-unique', {
        kind: 'invalid',
        field: 'numberPattern',
        number: to,
        first: other.number,
        second: run.number,
      });
    seen.set(to, run);
  }
  const held = new Set([
    ...runs.filter(isKept).map(({ number }) => number),
    ...listOf(project, 'spentNumbers').map(({ number }) => number),
  ]);
  const preview = wanted.map(({ run, to }): Renumbered => ({
    runId: run.id,
    from: run.number,
    to,
    kept: isKept(run) ? 'issued' : held.has(to) && to !== run.number ? 'taken' : null,
  }));
  return ok(withOperations(project, pattern, preview));
}

function withOperations(project: ProjectDocument, pattern: string, runs: readonly Renumbered[]): SchemePreview {
  const changing = runs.filter(({ from, to, kept }) => kept === null && from !== to);
  const operations: (Operation | null)[] = [updateProject(project.project, { numberPattern: pattern })];
  for (const { runId, to } of changing) {
    const run = project.runs[runId];
    operations.push(spendNumber(project, run), update('runs', run, { number: to, printedOn: '', printedAs: '' }));
  }
  return {
    runs: [...runs].sort((a, b) => compareNumbers(a.from, b.from)),
    changed: changing.length,
    kept: runs.filter(({ kept }) => kept !== null).length,
    operations: operations.filter((operation) => operation !== null),
  };
}

/** The order in which runs are terminated at their racks: by system, level, room, device and leg (ENGINEERING 16.3). */
function byTermination(project: ProjectDocument): (a: Run, b: Run) => number {
  const levels = levelsFromBelow(project).map(({ id }) => id);
  const keyOf = ({ deviceId, leg }: Run) => {
    const device = project.devices[deviceId];
    const room = device.roomId === null ? '' : project.rooms[device.roomId].code;
    const system = SYSTEMS.indexOf(project.deviceTypes[device.typeId].system);
    return { system, level: levels.indexOf(device.levelId), room, number: device.number, leg };
  };
  return (left, right) => {
    const [a, b] = [keyOf(left), keyOf(right)];
    return (
      a.system - b.system ||
      a.level - b.level ||
      compareNumbers(a.room, b.room) ||
      a.number - b.number ||
      a.leg - b.leg ||
      (left.id < right.id ? -1 : 1)
    );
  };
}
