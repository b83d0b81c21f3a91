import type { Outcome } from '@dusky-spool/core/math';
import {
  applyChange,
  type Change,
  type Operation,
  type ProjectDocument,
  reverseOperations,
  type StoredChange,
} from '@dusky-spool/core/model';

type Fields = Readonly<Record<string, unknown>>;

const recordOf = (project: ProjectDocument, { in: list, id }: Operation): Fields | undefined => {
  if (list === 'project') return project.project as unknown as Fields;
  const table = project[list] as Readonly<Record<string, Fields>>;
  return Object.hasOwn(table, id) ? table[id] : undefined;
};

/**
 * What brings back the records that a change speaks of and somebody deleted: the reverse of that deletion, with everything
 * that went with them, apart from what is there again. Problem: `deletion-unknown`.
 */
export async function restoringOperations(
  change: Change,
  project: ProjectDocument,
  since: (revision: number) => Promise<readonly StoredChange[]>,
): Promise<Outcome<readonly Operation[]>> {
  const missing = new Set(
    change.operations.filter((one) => one.op !== 'create' && !recordOf(project, one)).map((one) => `${one.in}/${one.id}`),
  );
  if (missing.size === 0) return { ok: true, value: [] };
  const operations: Operation[] = [];
  let revision = change.baseRevision;
  try {
    for (let more = true; more && missing.size > 0;) {
      const changes = await since(revision);
      for (const stored of changes) {
        const deletions = stored.change.operations.filter(({ op }) => op === 'delete');
        if (!deletions.some((one) => missing.delete(`${one.in}/${one.id}`))) continue;
        for (const one of deletions) missing.delete(`${one.in}/${one.id}`);
        operations.push(...reverseOperations(deletions.filter((one) => !recordOf(project, one))));
      }
      revision = changes.at(-1)?.revision ?? revision;
      more = changes.length > 0;
    }
  } catch {
    return { ok: false, problem: { code: 'database-away' } };
  }
  return missing.size > 0 ? { ok: false, problem: { code: 'deletion-unknown' } } : { ok: true, value: operations };
}

/** Operations of an old edit as seen from the project as it is now: what is there is what its author saw. */
export function rebased(project: ProjectDocument, first: readonly Operation[], operations: readonly Operation[]): Operation[] {
  const applied = first.length > 0 ? applyChange(project, { operations: first }) : null;
  const now = applied?.ok ? applied.value : project;
  const seen = operations.flatMap((operation): Operation[] => {
    const record = recordOf(now, operation);
    if (operation.op === 'create') return record ? [] : [operation];
    if (!record) return operation.op === 'delete' ? [] : [operation];
    if (operation.op === 'delete') return [{ ...operation, record }];
    const before = Object.fromEntries(Object.keys(operation.after).map((field) => [field, record[field]]));
    return [{ ...operation, before }];
  });
  return [...first, ...seen];
}
