import { listOf, type ProjectDocument, type Run } from '../project/index.ts';

const kept = new WeakMap<ProjectDocument['runs'], ReadonlyMap<string, readonly Run[]>>();

/** Runs by the device that they begin at; worked out once for each state of the runs. */
export function runsByDevice(document: Pick<ProjectDocument, 'runs'>): ReadonlyMap<string, readonly Run[]> {
  const known = kept.get(document.runs);
  if (known) return known;
  const found = new Map<string, Run[]>();
  for (const run of listOf(document, 'runs')) {
    const own = found.get(run.deviceId);
    if (own) own.push(run);
    else found.set(run.deviceId, [run]);
  }
  kept.set(document.runs, found);
  return found;
}
