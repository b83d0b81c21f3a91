import { type Operation, type ProjectDocument, update } from '@dusky-spool/core/model';

/** One end of a run. */
interface RunEnd {
  readonly runId: string;
  readonly end: 'device' | 'rack';
}

/** Marks ends of runs as labelled; both ends of one run in one step. */
export function labelEnds(project: ProjectDocument, ends: readonly RunEnd[]): Operation[] {
  const byRun = new Map<string, Set<RunEnd['end']>>();
  for (const { runId, end } of ends) byRun.set(runId, (byRun.get(runId) ?? new Set()).add(end));
  return [...byRun].flatMap(([runId, marked]) => {
    const run = project.runs[runId];
    if (!run) return [];
    const has = (end: RunEnd['end']) => marked.has(end) || run.labelledEnds === 'both' || run.labelledEnds === end;
    const labelledEnds = has('device') ? (has('rack') ? 'both' : 'device') : 'rack';
    return update('runs', run, { labelledEnds }) ?? [];
  });
}
