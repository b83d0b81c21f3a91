import type { ProjectDocument } from '../model/index.ts';
import { compareNumbers, type PlannedRun } from '../runs/index.ts';
import { edited } from '../derive/index.ts';
import { type Cure, type Rank, type RuleFinding, say } from './check.ts';
import { leadAway } from './cures.ts';

/** What one run does beside one thing of the survey. */
export interface Beside {
  readonly runId: string;
  readonly number: string;
  readonly featureId: string;
  readonly code: string;
  readonly rank: Rank;
  readonly measured: number;
  readonly allowed: number;
  readonly unit: string;
  /** Whether less of what is measured is worse. */
  readonly isLeast: boolean;
  readonly figures: Readonly<Record<string, unknown>>;
}

/** A run that comes too near to nothing. */
export const NOT_BESIDE: readonly Beside[] = [];

/** Numbers of runs in a sentence: more than this are not told one by one. */
const MAX_NAMED = 24;

/** Numbers of runs in their order, as one text. */
export function numbersOf(numbers: readonly string[]): string {
  const sorted = [...new Set(numbers)].sort(compareNumbers);
  return sorted.length <= MAX_NAMED ? sorted.join(', ') : `${sorted.slice(0, MAX_NAMED).join(', ')}, …`;
}

/**
 * One thing is one finding, with all the runs that come too near to it: told by the worst of them. `holds` says whether a run that was
 * led away is clear of the thing.
 */
export function besideFindings(
  all: readonly Beside[],
  holds: (house: ProjectDocument, planned: PlannedRun, featureId: string) => boolean,
): RuleFinding[] {
  const groups = new Map<string, Beside[]>();
  for (const one of all) {
    const key = `${one.featureId}/${one.code}`;
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return [...groups.values()].map((group) => {
    const worst = group.reduce((a, b) => ((b.isLeast ? b.measured < a.measured : b.measured > a.measured) ? b : a));
    const runs = [...new Map(group.map((one) => [one.runId, one.number]))].sort((a, b) => compareNumbers(a[1], b[1]));
    return say(
      worst.rank,
      worst.code,
      [...runs.map(([id]) => ({ in: 'runs' as const, id })), { in: 'features', id: worst.featureId }],
      {
        ...worst.figures,
        number: runs.length === 1 ? runs[0][1] : '',
        runs: numbersOf(runs.map(([, number]) => number)),
        count: runs.length,
      },
      {
        measured: worst.measured,
        allowed: worst.allowed,
        unit: worst.unit,
        cures: (house) => allLedAway(house, runs, worst.featureId, holds),
      },
    );
  });
}

function allLedAway(
  project: ProjectDocument,
  runs: readonly (readonly [id: string, number: string])[],
  featureId: string,
  holds: (house: ProjectDocument, planned: PlannedRun, featureId: string) => boolean,
): Cure[] {
  const led = runs.flatMap(([id, number]) => {
    const [cure] = leadAway(project, id, featureId, (house, planned) => holds(house, planned, featureId));
    return cure ? [{ number, operations: cure.operations }] : [];
  });
  const operations = led.flatMap((one) => one.operations);
  if (operations.length === 0 || !edited(project, operations).ok) return [];
  return [{ code: 'lead-away', figures: { number: numbersOf(led.map(({ number }) => number)) }, operations }];
}
