import type { ProjectDocument, Run } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { compareNumbers, isPulled } from '../runs/index.ts';
import { numbersOf } from './beside.ts';
import { defineCheck, say } from './check.ts';
import { closedOn } from './tested-in-time.ts';

/** An end of a pulled cable that has no label on it. */
export interface UnlabelledEnd {
  readonly run: Run;
  readonly end: 'device' | 'rack';
}

/** The register of cable ends without a label: of every cable that lies in the walls, in the order of numbers. */
export const unlabelledEnds = (project: ProjectDocument): UnlabelledEnd[] =>
  listOf(project, 'runs')
    .filter((run) => isPulled(run) && run.foundId === null)
    .sort((a, b) => compareNumbers(a.number, b.number))
    .flatMap((run) =>
      (['device', 'rack'] as const).flatMap((end) =>
        run.labelledEnds === 'both' || run.labelledEnds === end ? [] : [{ run, end }],
      ),
    );

/** Both ends of a pulled cable have their label, put on before the pull or after it; before drywall none may be without (practice A42, B12). */
export const endsLabelled = defineCheck({
  id: 'ends-labelled',
  title: 'Both ends of every pulled cable are labeled',
  source: 'ANSI/TIA-606 direction; trade practice',
  severity: 'stop',
  stage: 'labels',
  appliesTo: 'runs',
  reads: ['runs', 'tradeDates'],
  day: true,
  run: ({ project, today }) => {
    const ends = unlabelledEnds(project);
    if (ends.length === 0) return [];
    const on = closedOn(project, today);
    const runs = [...new Map(ends.map(({ run }) => [run.id, run])).values()];
    return [
      say(
        on === null ? 'look' : 'stop',
        on === null ? 'ends-unlabelled' : 'ends-closed-unlabelled',
        runs.map(({ id }) => ({ in: 'runs', id })),
        { number: '', count: ends.length, runs: numbersOf(runs.map(({ number }) => number)), on: on ?? '' },
        { measured: ends.length, allowed: 0 },
      ),
    ];
  },
});
