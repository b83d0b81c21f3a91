import { COLLECTION_NAMES, type CollectionName, type ProjectDocument } from '../model/index.ts';
import { type AnyNode, type Each, isCovered, type Reading, type RecordRef, type TableName, type Whole } from './node.ts';

const TABLES: ReadonlySet<string> = new Set<TableName>([...COLLECTION_NAMES, 'project']);

/** What a node may read, as a project and derivations that throw at everything else. For tests. */
export function guarded(
  all: Reading,
  node: AnyNode,
  records: readonly RecordRef[],
  link: (project: ProjectDocument, reading: Reading) => ProjectDocument,
): Reading {
  const fail = (what: string): never => {
    throw new Error(`${node.name} reads ${what}, which it does not declare`);
  };
  const tables = new Set<string>(node.tables ?? []);
  const named = new Map<string, Set<string>>();
  for (const [table, id] of records) named.set(table, (named.get(table) ?? new Set()).add(id ?? ''));
  // The records themselves and what is of the object are no tables.
  const project = new Proxy({} as Record<string | symbol, unknown>, {
    get: (own, key) => {
      if (Object.hasOwn(own, key)) return own[key];
      if (typeof key !== 'string' || !TABLES.has(key)) return (all.project as unknown as Record<string | symbol, unknown>)[key];
      const table = all.project[key as CollectionName];
      if (tables.has(key)) return table;
      const ids = named.get(key);
      if (!ids) return fail(`the table ${key}`);
      return new Proxy(table as object, {
        get: (_, id) =>
          typeof id !== 'string' || ids.has(id) ? (table as never)[id] : fail(`the record ${id} of the table ${key}`),
        has: (_, id) => (ids.has(String(id)) ? String(id) in table : fail(`the record ${String(id)} of the table ${key}`)),
        ownKeys: () => fail(`all of the table ${key}`),
      });
    },
    ownKeys: () => fail('all tables'),
  }) as unknown as ProjectDocument;
  const beside = node.kind === 'each' ? (node.beside ?? []) : [];
  const may = (one: AnyNode) => isCovered(one, node) || fail(`the node ${one.name}`);
  const reading: Reading = {
    project,
    get today() {
      return node.day ? all.today : fail('the day');
    },
    get: <T>(one: Whole<T>) => (may(one as AnyNode), all.get(one)),
    all: <C extends CollectionName, V>(one: Each<C, V>) => (may(one as unknown as AnyNode), all.all(one)),
    one: <C extends CollectionName, V>(one: Each<C, V>, id: string) => {
      if (!beside.includes(one as never)) may(one as unknown as AnyNode);
      return all.one(one, id);
    },
    rows: (table) => (tables.has(table) ? all.rows(table) : fail(`the table ${table}`)),
    changedSince: (table, before) => (tables.has(table) ? all.changedSince(table, before) : fail(`the table ${table}`)),
  };
  return (link(project, reading), reading);
}
