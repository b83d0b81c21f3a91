import type { CollectionName, RecordOf } from './collections.ts';
import { tableFrom, type ProjectDocument, type TableOf } from './document.ts';

type Lists = readonly { readonly id: string; readonly levelId?: string }[];
type Table = Readonly<Record<string, { readonly id: string; readonly levelId?: string }>>;

/** Collections whose records stand on a level. */
export type LevelCollection = {
  [C in CollectionName]: RecordOf<C> extends { levelId: string } ? C : never;
}[CollectionName];

interface Kept {
  all?: Lists;
  byLevel?: ReadonlyMap<string, Lists>;
}

/** Tables are never changed in place, so what was sorted once stays true; a project that is let go takes its lists along. */
const kept = new WeakMap<object, Kept>();
const NONE: Lists = [];

function keptOf(table: Table): Kept {
  let lists = kept.get(table);
  if (!lists) kept.set(table, (lists = {}));
  return lists;
}

/** Records of a collection in the order of their ids. Sorted once for each state of the table. */
export function listOf<C extends CollectionName>(document: Pick<ProjectDocument, C>, name: C): readonly RecordOf<C>[] {
  const table = document[name] as TableOf<C>;
  const lists = keptOf(table as Table);
  lists.all ??= Object.keys(table)
    .sort()
    .map((id) => table[id]);
  return lists.all as readonly RecordOf<C>[];
}

/** Records of a collection that stand on a level, in the order of their ids. */
export function onLevel<C extends LevelCollection>(
  document: Pick<ProjectDocument, C>,
  name: C,
  levelId: string,
): readonly RecordOf<C>[] {
  const lists = keptOf(document[name] as Table);
  lists.byLevel ??= groups(listOf(document, name) as Lists);
  return (lists.byLevel.get(levelId) ?? NONE) as readonly RecordOf<C>[];
}

function groups(records: Lists): ReadonlyMap<string, Lists> {
  const found = new Map<string, { id: string }[]>();
  for (const record of records) {
    const list = found.get(record.levelId!);
    if (list) list.push(record);
    else found.set(record.levelId!, [record]);
  }
  return found;
}

/** A part of a table that is looked at by itself, by a name for it. */
export interface PartOf<C extends CollectionName> {
  readonly name: string;
  readonly in: C;
  /** Looks at the record alone. */
  readonly fits: (record: RecordOf<C>) => boolean;
}
const picks = new WeakMap<object, Map<string, Lists>>();

/** The records of a collection that fit, in the order of their ids; the same list again where an edit touched none of them. */
export function pickedFrom<C extends CollectionName>(
  document: Pick<ProjectDocument, C>,
  pick: PartOf<C>,
): readonly RecordOf<C>[] {
  const table = document[pick.in] as object;
  let own = picks.get(table);
  if (!own) picks.set(table, (own = new Map()));
  let list = own.get(pick.name);
  if (!list) {
    const fits = pick.fits as (record: unknown) => boolean;
    const origin = originOf(table);
    const before = origin && picks.get(origin.before)?.get(pick.name);
    if (before && origin) {
      const now = (id: string) => {
        const record = (table as Table)[id];
        return record && fits(record) ? record : undefined;
      };
      const touched = [...origin.ids].some((id) => now(id) !== undefined || before.some((record) => record.id === id));
      list = touched ? patched(before, origin.ids, now) : before;
    } else list = (listOf(document, pick.in) as Lists).filter(fits);
    own.set(pick.name, list);
  }
  return list as unknown as readonly RecordOf<C>[];
}

const origins = new WeakMap<object, { readonly before: WeakRef<object>; readonly ids: ReadonlySet<string> }>();

/** The table that an edit made this one from, with the ids of the records that it touched; null where that is not known. */
export function originOf(table: object): { readonly before: object; readonly ids: ReadonlySet<string> } | null {
  const origin = origins.get(table);
  const before = origin?.before.deref();
  return origin && before ? { before, ids: origin.ids } : null;
}

/** Takes over what is known of a table into the one that an edit of a few records made of it. */
export function carryLists(before: object, after: object, ids: ReadonlySet<string>): void {
  origins.set(after, { before: new WeakRef(before), ids });
  const known = kept.get(before);
  if (!known || ids.size > 500) return;
  const [was, is] = [before as Table, after as Table];
  const levels = new Set([...ids].flatMap((id) => [was[id]?.levelId, is[id]?.levelId]).filter((id) => id !== undefined));
  kept.set(is, patchedLists(known, is, ids, levels));
}

function patchedLists(known: Kept, is: Table, ids: ReadonlySet<string>, levels: ReadonlySet<string>): Kept {
  const lists: Kept = {};
  if (known.all) lists.all = patched(known.all, ids, (id) => is[id]);
  if (!known.byLevel) return lists;
  const byLevel = new Map(known.byLevel);
  for (const levelId of levels) {
    const own = patched(byLevel.get(levelId) ?? NONE, ids, (id) => (is[id]?.levelId === levelId ? is[id] : undefined));
    if (own.length > 0) byLevel.set(levelId, own);
    else byLevel.delete(levelId);
  }
  lists.byLevel = byLevel;
  return lists;
}

/** A list in the order of its ids with some of them looked up again: `now` gives what is there, undefined where nothing is. */
export function patched<T extends { readonly id: string }>(
  list: readonly T[],
  ids: Iterable<string>,
  now: (id: string) => T | undefined,
): readonly T[] {
  const next = [...list];
  for (const id of ids) {
    let low = 0;
    let high = next.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (next[middle].id < id) low = middle + 1;
      else high = middle;
    }
    const record = now(id);
    const there = next[low]?.id === id ? 1 : 0;
    if (record) next.splice(low, there, record);
    else next.splice(low, there);
  }
  return next;
}

/** A project with records added or replaced, for working out several steps of one edit: what is sorted stays sorted. */
export function withRecords<C extends CollectionName>(
  document: ProjectDocument,
  name: C,
  records: readonly RecordOf<C>[],
): ProjectDocument {
  if (records.length === 0) return document;
  const before = document[name] as object;
  const after = { ...before, ...tableFrom(records) };
  carryLists(before, after, new Set(records.map(({ id }) => id)));
  return { ...document, [name]: after };
}

/**
 * A private copy of some tables of a project, for an edit of many steps that each see the ones before: records are added to it in
 * place by `addToDraft`, which copies nothing. It must not be kept or handed on.
 */
export function draftOf(document: ProjectDocument, names: readonly CollectionName[]): ProjectDocument {
  const draft: Record<string, unknown> = { ...document };
  for (const name of names) {
    const before = document[name] as object;
    const own = { ...before };
    const known = kept.get(before);
    if (known) kept.set(own, { ...known });
    draft[name] = own;
  }
  return draft as unknown as ProjectDocument;
}

/** Adds records to a table of a draft, or replaces them there. */
export function addToDraft<C extends CollectionName>(draft: ProjectDocument, name: C, records: readonly RecordOf<C>[]): void {
  const table = draft[name] as Record<string, Table[string]>;
  const levels = new Set<string>();
  for (const record of records) {
    for (const levelId of [table[record.id]?.levelId, (record as Table[string]).levelId]) if (levelId) levels.add(levelId);
    table[record.id] = record;
  }
  const known = kept.get(table);
  if (known) kept.set(table, patchedLists(known, table, new Set(records.map(({ id }) => id)), levels));
}

/** Whether two lists hold the same values in the same order. */
export const sameItems = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((item, n) => item === b[n]);
