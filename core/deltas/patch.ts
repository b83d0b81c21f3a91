import { type Derivations, type Touched, touchedBy } from '../derive/index.ts';
import type { CollectionName, Operation, ProjectDocument, ProjectHeader } from '../model/index.ts';

type Table = Readonly<Record<string, { readonly id: string }>>;

/** What an edit made of a project, small enough to be sent: the records that it touched as they are now. */
export interface DocumentPatch {
  readonly project?: ProjectHeader;
  readonly tables: readonly TablePatch[];
}
export interface TablePatch {
  readonly in: CollectionName;
  readonly put: readonly { readonly id: string }[];
  readonly gone: readonly string[];
}

/** The patch that makes `before` into `after`, of which an edit touched these records; nothing else is compared. */
export function patchOf(before: ProjectDocument, after: ProjectDocument, touched: Touched): DocumentPatch {
  const tables: TablePatch[] = [];
  for (const [name, ids] of touched) {
    const [was, is] = [before[name] as Table, after[name] as Table];
    const put: { readonly id: string }[] = [];
    const gone: string[] = [];
    for (const id of ids) {
      if (was[id] === is[id]) continue;
      if (is[id]) put.push(is[id]);
      else gone.push(id);
    }
    if (put.length + gone.length > 0) tables.push({ in: name, put, gone });
  }
  return { ...(before.project === after.project ? {} : { project: after.project }), tables };
}

/** The patch of an edit that is only looked at. */
export const patchBy = (before: ProjectDocument, after: ProjectDocument, operations: readonly Operation[]): DocumentPatch =>
  patchOf(before, after, touchedBy(operations));

/** The state after a patch; what the patch does not name keeps its identity, and what is known of it. */
export function applyPatch(own: Derivations, { project, tables }: DocumentPatch): Derivations {
  const next: Record<string, unknown> = { ...own.project };
  const touched = new Map<CollectionName, ReadonlySet<string>>();
  if (project) next.project = project;
  for (const { in: name, put, gone } of tables) {
    const table: Record<string, { readonly id: string }> = { ...(own.project[name] as Table) };
    for (const id of gone) delete table[id];
    for (const record of put) table[record.id] = record;
    touched.set(name, new Set([...gone, ...put.map(({ id }) => id)]));
    next[name] = table;
  }
  return own.become(next as unknown as ProjectDocument, touched);
}
