import {
  COLLECTION_NAMES,
  type CollectionName,
  type Operation,
  type ProjectDocument,
  type RecordOf,
  sameItems,
} from '../model/index.ts';
import type { Outcome } from '../math/index.ts';
import { Derivations, derivationsOf } from './derivations.ts';
import { type AnyNode, type Keyed, whole, type Whole } from './node.ts';
import { placeOf } from './rows.ts';

/** Collections whose records stand on a level. */
export type LevelCollection = {
  [C in CollectionName]: RecordOf<C> extends { levelId: string } ? C : never;
}[CollectionName];

/** Records of a collection in the order of their ids. */
export const listOf = <C extends CollectionName>(project: Pick<ProjectDocument, C>, name: C): readonly RecordOf<C>[] =>
  derivationsOf(project).rows(name);

/** Records of a table by a key, in the order of their ids. */
export interface Groups<T> extends Keyed<readonly T[]> {
  readonly rows: readonly T[];
}

/** A node that sorts the records of a table by a key; null leaves a record out. After an edit only the groups that it touched are made anew. */
export const grouped = <C extends CollectionName>(
  name: string,
  table: C,
  keyOf: (record: RecordOf<C>) => string | null,
): Whole<Groups<RecordOf<C>>> =>
  whole({
    name,
    tables: [table],
    make: (read, last) => {
      const changed = last && read.changedSince(table, last.value.rows);
      return changed && changed.size <= MAX_REGROUPED
        ? patchedGroups(last.value, read.rows(table), changed.values(), keyOf)
        : groupsOf(read.rows(table), keyOf);
    },
  });

/** Beyond so many records that differ, all groups are made anew. */
const MAX_REGROUPED = 200;

function groupsOf<T extends { readonly id: string }>(rows: readonly T[], keyOf: (record: T) => string | null): Groups<T> {
  const byKey = new Map<string, T[]>();
  for (const record of rows) {
    const key = keyOf(record);
    if (key === null) continue;
    const group = byKey.get(key);
    if (group) group.push(record);
    else byKey.set(key, [record]);
  }
  return { rows, byKey };
}

/** The groups with some records taken out and put in again: as they were and as they are. */
function patchedGroups<T extends { readonly id: string }>(
  last: Groups<T>,
  rows: readonly T[],
  changed: Iterable<readonly [T | undefined, T | undefined]>,
  keyOf: (record: T) => string | null,
): Groups<T> {
  const own = new Map<string, T[]>();
  const groupOf = (key: string) => {
    let group = own.get(key);
    if (!group) own.set(key, (group = [...(last.byKey.get(key) ?? [])]));
    return group;
  };
  for (const [was, is] of changed) {
    const before = was ? keyOf(was) : null;
    const now = is ? keyOf(is) : null;
    if (was && before !== null) {
      const group = groupOf(before);
      group.splice(placeOf(group, was.id), 1);
    }
    if (is && now !== null) {
      const group = groupOf(now);
      group.splice(placeOf(group, is.id), 0, is);
    }
  }
  if (own.size === 0) return { rows, byKey: last.byKey };
  const byKey = new Map<string, readonly T[]>(last.byKey);
  for (const [key, group] of own) {
    if (group.length > 0) byKey.set(key, group);
    else byKey.delete(key);
  }
  return { rows, byKey, since: { byKey: last.byKey, keys: new Set(own.keys()) } };
}

/** Nodes that sort each table by the level of its records. */
const BY_LEVEL = Object.fromEntries(
  COLLECTION_NAMES.map((name) => [
    name,
    grouped(`${name} by level`, name, (record) => (record as { readonly levelId?: string }).levelId ?? null),
  ]),
) as unknown as Readonly<Record<CollectionName, Whole<Groups<RecordOf<CollectionName>>>>>;

/** Records of a collection that stand on a level, in the order of their ids. */
export const onLevel = <C extends LevelCollection>(
  project: Pick<ProjectDocument, C>,
  name: C,
  levelId: string,
): readonly RecordOf<C>[] => (derivationsOf(project).get(BY_LEVEL[name]).byKey.get(levelId) ?? NONE) as readonly RecordOf<C>[];

const NONE: readonly never[] = [];

/** The node that sorts a table by the level of its records. */
export const byLevel = <C extends LevelCollection>(name: C): Whole<Groups<RecordOf<C>>> =>
  BY_LEVEL[name] as unknown as Whole<Groups<RecordOf<C>>>;

/** Those records of a table that fit, and all among which they were looked for. */
interface Part<T> {
  readonly rows: readonly T[];
  readonly list: readonly T[];
}

/** A node of those records of a table that fit; the same list again where an edit touched none of them. `fits` looks at the record alone. */
export function partOf<C extends CollectionName>(
  name: string,
  table: C,
  fits: (record: RecordOf<C>) => boolean,
): Whole<readonly RecordOf<C>[]> {
  const part = whole<Part<RecordOf<C>>>({
    name: `${name}, looked for`,
    tables: [table],
    make: (read, last) => {
      const rows = read.rows(table);
      const changed = last && read.changedSince(table, last.value.rows);
      if (!changed || changed.size > MAX_REGROUPED) return { rows, list: rows.filter(fits) };
      let { list } = last.value;
      for (const [id, [was, is]] of changed) {
        const before = was !== undefined && fits(was as RecordOf<C>) ? 1 : 0;
        const now = is !== undefined && fits(is as RecordOf<C>) ? [is as RecordOf<C>] : [];
        if (before + now.length > 0) list = list.toSpliced(placeOf(list, id), before, ...now);
      }
      return { rows, list };
    },
  });
  return whole<readonly RecordOf<C>[]>({ name, nodes: [part as AnyNode], make: (read) => read.get(part).list, alike: sameItems });
}

/** The records of a part of a table. */
export const pickedFrom = <T>(project: object, part: Whole<readonly T[]>): readonly T[] => derivationsOf(project).get(part);

/** The state of a project, from which others are made; a node has none. */
function stateOf(project: ProjectDocument): Derivations {
  const own = derivationsOf(project);
  if (!(own instanceof Derivations)) throw new Error('a node makes no other state of the project');
  return own;
}

/** A project after an edit of a few records, for work of several steps that each see the ones before. Nothing is copied. */
export function withRecords<C extends CollectionName>(
  project: ProjectDocument,
  name: C,
  records: readonly RecordOf<C>[],
): ProjectDocument {
  const own = stateOf(project);
  return records.length === 0 ? project : own.layer({ [name]: new Map(records.map((one) => [one.id, one])) }).project;
}

/** A project without some records. Nothing is copied. */
export function withoutRecords<C extends CollectionName>(
  project: ProjectDocument,
  name: C,
  ids: readonly string[],
): ProjectDocument {
  const own = stateOf(project);
  return ids.length === 0 ? project : own.layer({ [name]: new Map(ids.map((id) => [id, null])) }).project;
}

/** A project after some operations; what is known of it is carried on. Problems: those of `applyChange`. */
export function edited(project: ProjectDocument, operations: readonly Operation[]): Outcome<ProjectDocument> {
  const own = stateOf(project);
  const next = own.edit(operations);
  return next.ok ? { ok: true, value: next.value.project } : next;
}
