import { listOf, originOf, type ProjectDocument, type Run } from '../project/index.ts';

const kept = new WeakMap<ProjectDocument['runs'], ReadonlyMap<string, readonly Run[]>>();

/** Runs by the device that they begin at; worked out once for each state of the runs. */
export function runsByDevice(document: Pick<ProjectDocument, 'runs'>): ReadonlyMap<string, readonly Run[]> {
  const known = kept.get(document.runs);
  if (known) return known;
  const found = afterEdit(document.runs) ?? fromNothing(document);
  kept.set(document.runs, found);
  return found;
}

/** The same lists again for devices that an edit of some runs left alone; null where it is not known what was edited. */
function afterEdit(runs: ProjectDocument['runs']): ReadonlyMap<string, readonly Run[]> | null {
  const origin = originOf(runs);
  const was = origin?.before as ProjectDocument['runs'] | undefined;
  const before = was && kept.get(was);
  if (!origin || !before) return null;
  const found = new Map(before);
  const touched = new Set(
    [...origin.ids].flatMap((id) => [was[id]?.deviceId, runs[id]?.deviceId].filter((one) => one !== undefined)),
  );
  for (const deviceId of touched) {
    const stay = (before.get(deviceId) ?? []).flatMap(({ id }) => (runs[id]?.deviceId === deviceId ? [runs[id]] : []));
    const came = [...origin.ids].flatMap((id) => (runs[id]?.deviceId === deviceId && !stay.includes(runs[id]) ? [runs[id]] : []));
    const own = [...stay, ...came].sort((a, b) => (a.id < b.id ? -1 : 1));
    if (own.length > 0) found.set(deviceId, own);
    else found.delete(deviceId);
  }
  return found;
}

function fromNothing(document: Pick<ProjectDocument, 'runs'>): Map<string, Run[]> {
  const found = new Map<string, Run[]>();
  for (const run of listOf(document, 'runs')) {
    const own = found.get(run.deviceId);
    if (own) own.push(run);
    else found.set(run.deviceId, [run]);
  }
  return found;
}
