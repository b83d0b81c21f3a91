import {
  carryLists,
  COLLECTION_NAMES,
  originOf,
  type CollectionName,
  type ProjectDocument,
  type ProjectHeader,
} from '../project/index.ts';

type Table = Readonly<Record<string, { readonly id: string }>>;

/** What differs between two states of a project, small enough to be sent for every edit. */
export interface DocumentPatch {
  readonly project?: ProjectHeader;
  readonly tables: readonly TablePatch[];
}

export interface TablePatch {
  readonly in: CollectionName;
  readonly put: readonly { readonly id: string }[];
  readonly gone: readonly string[];
}

/** The difference of two states by identity: records are never changed in place, so the same record is the same value. */
export function patchBetween(before: ProjectDocument, after: ProjectDocument): DocumentPatch {
  const tables: TablePatch[] = [];
  for (const name of COLLECTION_NAMES) {
    const [was, is] = [before[name] as Table, after[name] as Table];
    if (was === is) continue;
    const origin = originOf(is);
    const ids = origin?.before === was ? origin.ids : new Set([...Object.keys(was), ...Object.keys(is)]);
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

/** The project after a patch; what the patch does not name keeps its identity, and what is known of it. */
export function patched(document: ProjectDocument, { project, tables }: DocumentPatch): ProjectDocument {
  const next: Record<string, unknown> = { ...document };
  if (project) next.project = project;
  for (const { in: name, put, gone } of tables) {
    const before = document[name] as Table;
    const table: Record<string, { readonly id: string }> = { ...before };
    for (const id of gone) delete table[id];
    for (const record of put) table[record.id] = record;
    carryLists(before, table, new Set([...gone, ...put.map(({ id }) => id)]));
    next[name] = table;
  }
  return next as unknown as ProjectDocument;
}
