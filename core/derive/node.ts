import type { CollectionName, ProjectDocument, RecordOf } from '../model/index.ts';
import type { Changes } from './rows.ts';

/** A table of the project as a node reads it; `project` is the header. */
export type TableName = CollectionName | 'project';

/** One record of a table; null where there is none to read. */
export type RecordRef = readonly [table: CollectionName, id: string | null];

/** What a node may ask while it is worked out: what it has declared, and nothing else. */
export interface Reading {
  readonly project: ProjectDocument;
  /** YYYY-MM-DD. Throws where the derivations were made without a day. */
  readonly today: string;
  get<T>(node: Whole<T>): T;
  /** The values of a node for each record of its table, in the order of `rows`. */
  all<C extends CollectionName, V>(node: Each<C, V>): readonly V[];
  /** The value for one record; undefined where the table has no such record. */
  one<C extends CollectionName, V>(node: Each<C, V>, id: string): V | undefined;
  /** The records of a table in the order of their ids. */
  rows<C extends CollectionName>(table: C): readonly RecordOf<C>[];
  /** Records of a table that differ from those of a list in the order of ids, which `rows` gave for another state. */
  changedSince<C extends CollectionName>(table: C, before: readonly RecordOf<C>[]): Changes<RecordOf<C>>;
}

/** The value that a node had when it was worked out last, with what it was made from: for nodes that go on from there. */
export interface Last<T> {
  readonly value: T;
  table<K extends TableName>(name: K): ProjectDocument[K];
  get<U>(node: Whole<U>): U;
  all<C extends CollectionName, V>(node: Each<C, V>): readonly V[];
}

interface Declared {
  readonly name: string;
  /** Tables that it reads, whole. */
  readonly tables?: readonly TableName[];
  /** Nodes that it reads; those over a table as the list of all their values. */
  readonly nodes?: readonly AnyNode[];
  /** Whether it depends on the day. */
  readonly day?: boolean;
}

/** A value that follows from the whole project. */
export interface Whole<T> extends Declared {
  readonly kind: 'whole';
  /** Pure. The value is never changed in place. */
  make(read: Reading, last: Last<T> | null): T;
  /** Where a new value is as good as the last one, the last one stays, and nothing that reads it is worked out again. */
  alike?(a: T, b: T): boolean;
}

/** A value for each record of a table. */
export interface Each<C extends CollectionName, V> extends Declared {
  readonly kind: 'each';
  readonly over: C;
  /** Nodes over the same table that are read for the same record. */
  readonly beside?: readonly Each<C, unknown>[];
  /** Other records that are read for a record: found from it, and from those named before them. */
  records?(record: RecordOf<C>, project: ProjectDocument): readonly RecordRef[];
  make(record: RecordOf<C>, read: Reading): V;
  alike?(a: V, b: V): boolean;
  /** For a node that only takes its values out of a table of another node, which is quicker done for all at once. */
  readonly lookup?: { readonly in: Whole<Keyed<V>>; readonly otherwise: V };
}

export type AnyNode = Whole<unknown> | Each<CollectionName, unknown>;

export const whole = <T>(node: Omit<Whole<T>, 'kind'>): Whole<T> => ({ ...node, kind: 'whole' });

/** Values by their keys, and what of them differs from the state that they were made from. */
export interface Keyed<V> {
  readonly byKey: ReadonlyMap<string, V>;
  readonly since?: { readonly byKey: ReadonlyMap<string, V>; readonly keys: ReadonlySet<string> };
}

/** The value that a node over the whole has for each record, by its id. */
export const lookup = <C extends CollectionName, V>(name: string, over: C, values: Whole<Keyed<V>>, otherwise: V): Each<C, V> =>
  each<C, V>({
    name,
    over,
    nodes: [values],
    make: ({ id }, read) => read.get(values).byKey.get(id) ?? otherwise,
    lookup: { in: values, otherwise },
  });

export const each = <C extends CollectionName, V>(node: Omit<Each<C, V>, 'kind'>): Each<C, V> => ({ ...node, kind: 'each' });

/** Whether everything that a node is made from is declared by a reader: then it follows from what the reader reads anyway. */
export function isCovered(node: AnyNode, reader: Declared): boolean {
  if (reader.nodes?.includes(node)) return true;
  if (node.day && !reader.day) return false;
  // What a node reads of single records is not covered by nodes, only by tables.
  const tables = node.kind === 'each' ? [node.over, ...(node.tables ?? [])] : (node.tables ?? []);
  if (node.kind === 'each' && node.records) return false;
  const beside = node.kind === 'each' ? (node.beside ?? []) : [];
  return (
    tables.every((table) => reader.tables?.includes(table)) &&
    [...(node.nodes ?? []), ...beside].every((one) => isCovered(one, reader))
  );
}
