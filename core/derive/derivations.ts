import { ok, type Outcome } from '../math/index.ts';
import {
  applyChange,
  type CollectionName,
  type Operation,
  type ProjectDocument,
  type RecordOf,
  sameItems,
} from '../model/index.ts';
import { guarded } from './guard.ts';
import { layerOver } from './layer.ts';
import type { AnyNode, Each, Reading, RecordRef, Whole } from './node.ts';
import { type Changes, changedBetween, patchedRows, placeOf, sortedRows } from './rows.ts';
import { LastState, type Stamp, type State, Store } from './store.ts';
import { type Touched, touchedBy } from './touched.ts';

type Rows = readonly { readonly id: string }[];

/** A node over a table, worked out: all lists stand in the order of the rows. */
interface List {
  readonly rows: Rows;
  readonly stamp: Stamp;
  readonly beside: readonly List[];
  readonly values: readonly unknown[];
  /** The other records that were read for each; empty for a node that reads none. */
  readonly records: readonly (readonly unknown[])[];
  /** Of a node that looks its values up: where. */
  readonly map?: ReadonlyMap<string, unknown>;
  /** The values of the state that it was made of, and the ids of those that differ. */
  readonly since?: { readonly rows: Rows; readonly values: readonly unknown[]; readonly ids: readonly string[] };
  /** Whether it is written down which records were read for which. */
  isIndexed?: boolean;
}

/** What is known from a state before, and what was touched since; null where that is too much to tell. */
interface Carried<T> {
  readonly list: T;
  readonly touches: readonly Touched[] | null;
}

/** After so many edits for which nobody asked, each record is looked at again. */
const MAX_TOUCHES = 60;

/** A step of long work: what is worked out, and how much of it is done, 0 to 1. */
export interface Step {
  readonly node: AnyNode;
  readonly share: number;
}

/** Long work in steps. Called off, what was worked out stays known. */
export type Steps<T> = Generator<Step, T>;

const LINK = Symbol('derivations');
type Linked = { [LINK]?: Reading };

/**
 * All that follows from a project in one state, on one day: worked out when it is asked for, from what is known of the states
 * before it. An edit or a draft gives the derivations of the next state, which share what is known with these.
 */
export class Derivations implements Reading {
  private readonly values = new Map<AnyNode, State>();
  /** Values of the state that this one was made of. */
  private before: ReadonlyMap<AnyNode, State> = new Map();
  private readonly tables = new Map<CollectionName, Rows>();
  private readonly lists = new Map<AnyNode, List>();
  private readonly singles = new Map<AnyNode, Map<string, unknown>>();
  private readonly changes = new Map<Rows, Changes<{ readonly id: string }>>();
  private readonly days = new Map<string, Derivations>();
  private carriedTables: ReadonlyMap<CollectionName, Carried<Rows>> = new Map();
  private carriedLists: ReadonlyMap<AnyNode, Carried<List>> = new Map();

  /** `guards` has each node fail that reads what it does not declare: tests are made so. */
  constructor(
    readonly project: ProjectDocument,
    private readonly day: string | null = null,
    private readonly guards = guardAll,
    private readonly store = new Store<List>(),
  ) {
    if (Object.isExtensible(project) && !(project as Linked)[LINK])
      Object.defineProperty(project, LINK, { value: this, enumerable: false, configurable: true });
  }

  get today(): string {
    if (this.day === null) throw new Error('these derivations were made without a day');
    return this.day;
  }

  /** The same state of the project on a day, YYYY-MM-DD. */
  at(day: string): Derivations {
    if (day === this.day) return this;
    let there = this.days.get(day);
    if (!there) {
      this.days.set(day, (there = this.next(this.project, new Map(), day)));
      // What follows from its edits goes on from there.
      if (this.day === null && (this.project as Linked)[LINK] === this)
        Object.defineProperty(this.project, LINK, { value: there, enumerable: false, configurable: true });
    }
    return there;
  }

  /** The state after some operations. Problems: those of `applyChange`. */
  edit(operations: readonly Operation[]): Outcome<Derivations> {
    const applied = applyChange(this.project, { operations });
    return applied.ok ? ok(this.next(applied.value, touchedBy(operations))) : applied;
  }

  /** A state that was made elsewhere, with all that it may have otherwise than this one. */
  become(project: ProjectDocument, touched: Touched): Derivations {
    return this.next(project, touched);
  }

  /** A draft: some records replaced, added or (null) taken out, without a copy of any other. */
  layer(puts: Readonly<Partial<Record<CollectionName, ReadonlyMap<string, { readonly id: string } | null>>>>): Derivations {
    for (const name of Object.keys(puts) as CollectionName[]) this.rows(name);
    const { project, touched } = layerOver(this.project, puts as Parameters<typeof layerOver>[1]);
    return this.next(project, touched);
  }

  get<T>(node: Whole<T>): T {
    const own = node as AnyNode;
    let state = this.values.get(own);
    if (!state) {
      state = this.store.stateOf(own, this.inputsOf(own));
      if (!state.isMade) {
        // From the state that this one was made of, where that knows it: of many drafts over one project each goes on from there.
        const before = this.before.get(own) ?? this.store.newestOf(own);
        const last = before ? new LastState(node, before.value as T, before.stamp) : null;
        const made = node.make(this.readingFor(own), last);
        state.value = last && node.alike?.(last.value, made) ? last.value : made;
        state.isMade = true;
      }
      this.values.set(own, state);
    }
    return state.value as T;
  }

  all<C extends CollectionName, V>(node: Each<C, V>): readonly V[] {
    return finished(this.listOf(node as unknown as AnyEach)).values as readonly V[];
  }

  one<C extends CollectionName, V>(node: Each<C, V>, id: string): V | undefined {
    const own = node as unknown as AnyEach;
    const record = (this.project[node.over] as Readonly<Record<string, { readonly id: string }>>)[id];
    if (!record) return undefined;
    const list = this.lists.get(own);
    if (list) return list.values[placeOf(list.rows, id)] as V;
    if (own.lookup) return (this.get(own.lookup.in).byKey.get(id) ?? own.lookup.otherwise) as V;
    let singles = this.singles.get(own);
    if (!singles) this.singles.set(own, (singles = new Map()));
    if (!singles.has(id)) singles.set(id, this.single(own, record));
    return singles.get(id) as V;
  }

  /** Works out all that a node needs, in steps. */
  *steps(node: AnyNode): Steps<void> {
    for (const one of node.nodes ?? []) yield* this.steps(one);
    if (node.kind === 'whole') this.get(node);
    else {
      for (const one of node.beside ?? []) yield* this.steps(one as AnyNode);
      yield* this.listOf(node, true);
    }
  }

  rows<C extends CollectionName>(table: C): readonly RecordOf<C>[] {
    let rows = this.tables.get(table);
    if (!rows) {
      const records = this.project[table] as unknown as Readonly<Record<string, { readonly id: string }>>;
      const carried = this.carriedTables.get(table);
      rows = carried?.touches ? patchedRows(carried.list, idsOf(carried.touches, table), records) : sortedRows(records);
      this.tables.set(table, rows);
    }
    return rows as unknown as readonly RecordOf<C>[];
  }

  changedSince<C extends CollectionName>(table: C, before: readonly RecordOf<C>[]): Changes<RecordOf<C>> {
    let known = this.changes.get(before);
    if (!known) this.changes.set(before, (known = changedBetween<{ readonly id: string }>(before, this.rows(table))));
    return known as Changes<RecordOf<C>>;
  }

  private next(project: ProjectDocument, touched: Touched, day = this.day): Derivations {
    const next = new Derivations(project, day, this.guards, this.store);
    next.before = this.values;
    next.carriedTables = carry(this.tables, this.carriedTables, touched);
    next.carriedLists = carry(this.lists, this.carriedLists, touched);
    return next;
  }

  private readingFor(node: AnyNode, records: readonly RecordRef[] = []): Reading {
    return this.guards ? guarded(this, node, records, link) : this;
  }

  private inputsOf(node: AnyNode): unknown[] {
    const { project } = this;
    const inputs: unknown[] = [node.day ? this.today : null];
    for (const table of node.tables ?? []) inputs.push(project[table]);
    for (const one of node.nodes ?? []) inputs.push(one.kind === 'whole' ? this.get(one) : this.all(one));
    return inputs;
  }

  private *listOf(node: AnyEach, inSteps = false): Steps<List> {
    const known = this.lists.get(node);
    if (known) return known;
    const { stamp } = this.store.stateOf(node, this.inputsOf(node));
    if (node.lookup) {
      const list = this.lookedUp(node, node.lookup, stamp);
      this.lists.set(node, list);
      return list;
    }
    const beside: List[] = [];
    for (const one of node.beside ?? []) beside.push(yield* this.listOf(one as AnyEach, inSteps));
    const carried = this.carriedLists.get(node);
    const list =
      carried?.touches && carried.list.stamp === stamp
        ? this.patchedList(node, carried.list, carried.touches, beside)
        : yield* this.wholeList(node, stamp, beside, carried?.list ?? this.store.partOf(node), inSteps);
    this.lists.set(node, list);
    return list;
  }

  private *wholeList(
    node: AnyEach,
    stamp: Stamp,
    beside: readonly List[],
    last: List | undefined,
    inSteps: boolean,
  ): Steps<List> {
    const rows = this.rows(node.over) as Rows;
    const values: unknown[] = [];
    const records: (readonly unknown[])[] = [];
    const part: List = { rows, stamp, beside, values, records };
    const isPart = last !== undefined && last.values.length < last.rows.length;
    for (let m = 0, n = 0; n < rows.length; n++) {
      // Called off, what was worked out is where the next one begins.
      if (last ? isPart && n === last.values.length : n === 0) this.store.keepPart(node, part);
      while (last && m < last.values.length && last.rows[m].id < rows[n].id) m++;
      const at = last && m < last.values.length && last.rows[m].id === rows[n].id ? m : -1;
      this.put(node, part, n, last, at);
      if (inSteps) yield { node, share: (n + 1) / rows.length };
    }
    this.store.keepPart(node, null);
    const isSame = last && values.length === last.values.length && values.every((value, n) => value === last.values[n]);
    return isSame ? { ...part, values: last.values } : part;
  }

  /** Works out the value of a record in a list: the last one where it was made from the same. */
  private put(node: AnyEach, list: List, n: number, last: List | undefined, m: number): void {
    const refs = node.records?.(list.rows[n] as never, this.project);
    const read = refs ? this.recordsOf(refs) : NO_RECORDS;
    (list.values as unknown[])[n] = this.valueAt(node, list, n, last, m, refs, read);
    if (refs) (list.records as (readonly unknown[])[])[n] = read;
  }

  private valueAt(
    node: AnyEach,
    list: Pick<List, 'rows' | 'stamp' | 'beside'>,
    n: number,
    last: List | undefined,
    m: number,
    refs: Refs | undefined,
    read: readonly unknown[],
  ): unknown {
    const record = list.rows[n];
    const isSame =
      last !== undefined &&
      m >= 0 &&
      last.stamp === list.stamp &&
      last.rows[m] === record &&
      last.beside.every((one, k) => besideAt(one, last, m) === besideAt(list.beside[k], list, n)) &&
      (!refs || sameItems(last.records[m], read));
    return isSame ? last.values[m] : this.made(node, record, refs, last && m >= 0 ? { is: last.values[m] } : null);
  }

  private made(
    node: AnyEach,
    record: { readonly id: string },
    refs: Refs | undefined,
    last: { readonly is: unknown } | null,
  ): unknown {
    const made = node.make(record as never, this.readingFor(node, refs));
    if (refs) for (const [, id] of refs) if (id !== null) this.store.addReader(node, id, record.id);
    return last && node.alike?.(last.is, made) ? last.is : made;
  }

  private recordsOf(refs: Refs): readonly unknown[] {
    return refs.map(([table, id]) => (id === null ? null : (this.project[table] as Readonly<Record<string, unknown>>)[id]));
  }

  /** The value for one record where the list is not worked out. */
  private single(node: AnyEach, record: { readonly id: string }): unknown {
    const { stamp } = this.store.stateOf(node, this.inputsOf(node));
    const refs = node.records?.(record as never, this.project);
    const last = this.carriedLists.get(node)?.list;
    const m = last ? placeOf(last.rows, record.id) : -1;
    if (!last || last.rows[m]?.id !== record.id) return this.made(node, record, refs, null);
    const isSame =
      last.stamp === stamp &&
      last.rows[m] === record &&
      last.beside.every((one, k) => besideAt(one, last, m) === this.one(node.beside![k] as never, record.id)) &&
      (!refs || sameItems(last.records[m], this.recordsOf(refs)));
    return isSame ? last.values[m] : this.made(node, record, refs, { is: last.values[m] });
  }

  private lookedUp(node: AnyEach, { in: values, otherwise }: NonNullable<AnyEach['lookup']>, stamp: Stamp): List {
    const rows = this.rows(node.over) as Rows;
    const { byKey: map, since } = this.get(values);
    const carried = this.carriedLists.get(node);
    const last = carried?.list;
    if (last?.map && carried?.touches && (last.map === map || since?.byKey === last.map)) {
      const wanted = new Set([...idsOf(carried.touches, node.over), ...(last.map === map ? NONE : since!.keys)]);
      if (rows.length === last.rows.length && [...wanted].every((id) => isAt(rows, id) === isAt(last.rows, id))) {
        let now: unknown[] | null = null;
        for (const id of wanted) {
          const n = placeOf(rows, id);
          const value = map.get(id) ?? otherwise;
          if (rows[n]?.id === id && value !== (now ?? last.values)[n]) (now ??= [...last.values])[n] = value;
        }
        return { rows, stamp, beside: [], records: [], values: now ?? last.values, map };
      }
    }
    const found: unknown[] = [];
    let isSame = last?.values.length === rows.length;
    for (let n = 0; n < rows.length; n++) {
      const value = map.get(rows[n].id) ?? otherwise;
      if (isSame && value !== last!.values[n]) isSame = false;
      found.push(value);
    }
    return { rows, stamp, beside: [], records: [], values: isSame ? last!.values : found, map };
  }

  /** The list of a state before with only those records looked at again that an edit can have changed. */
  private patchedList(node: AnyEach, last: List, touches: readonly Touched[], beside: readonly List[]): List {
    const rows = this.rows(node.over) as Rows;
    const wanted = new Set(idsOf(touches, node.over));
    if (node.records) {
      const readers = this.store.readersOf(node, last);
      for (const touched of touches)
        for (const ids of touched.values())
          for (const id of ids) for (const reader of readers.get(id) ?? NONE) wanted.add(reader);
    }
    beside.forEach((now, k) => {
      for (const id of differing(last.beside[k], now)) wanted.add(id);
    });
    if (wanted.size === 0) return { ...last, beside, since: undefined };
    const isSameRows = rows.length === last.rows.length && [...wanted].every((id) => isAt(rows, id) === isAt(last.rows, id));
    if (!isSameRows) return this.reorderedList(node, last, rows, wanted, beside);
    // Lists are copied only where something in them differs.
    let { values, records } = last;
    const ids: string[] = [];
    const now = { rows, stamp: last.stamp, beside };
    for (const id of wanted) {
      const n = placeOf(rows, id);
      if (rows[n]?.id !== id) continue;
      const refs = node.records?.(rows[n] as never, this.project);
      const read = refs ? this.recordsOf(refs) : NO_RECORDS;
      const value = this.valueAt(node, now, n, last, n, refs, read);
      if (value !== last.values[n]) {
        if (values === last.values) values = [...last.values];
        (values as unknown[])[n] = value;
        ids.push(id);
      }
      if (refs && !sameItems(read, last.records[n])) {
        if (records === last.records) records = [...last.records];
        (records as (readonly unknown[])[])[n] = read;
      }
    }
    const since = ids.length > 0 ? { rows: last.rows, values: last.values, ids } : undefined;
    return { rows, stamp: last.stamp, beside, values, records, since, isIndexed: true };
  }

  /** The same where records came or went. */
  private reorderedList(node: AnyEach, last: List, rows: Rows, wanted: ReadonlySet<string>, beside: readonly List[]): List {
    const places = placesIn(last.rows, rows);
    const list: List = {
      rows,
      stamp: last.stamp,
      beside,
      values: places.map((m) => last.values[m]),
      records: node.records ? places.map((m) => last.records[m]) : [],
      isIndexed: true,
    };
    for (const id of wanted) {
      const n = placeOf(rows, id);
      if (rows[n]?.id === id) this.put(node, list, n, last, places[n]);
    }
    return list;
  }
}

type AnyEach = Each<CollectionName, unknown>;
const NONE: readonly string[] = [];
type Refs = readonly RecordRef[];
const NO_RECORDS: readonly unknown[] = [];

/** The value beside a record: lists over one table stand in the same order, but for one that was called off. */
const besideAt = (beside: List, list: Pick<List, 'rows'>, n: number): unknown =>
  beside.rows === list.rows || beside.rows[n] === list.rows[n]
    ? beside.values[n]
    : beside.values[placeOf(beside.rows, list.rows[n].id)];

/** Tests have every node guarded, also those of projects that nobody opened. */
let guardAll = false;
export const guardEveryNode = (): void => {
  guardAll = true;
};

const isAt = (rows: Rows, id: string) => rows[placeOf(rows, id)]?.id === id;

function carry<K, T>(known: ReadonlyMap<K, T>, before: ReadonlyMap<K, Carried<T>>, touched: Touched): ReadonlyMap<K, Carried<T>> {
  const carried = new Map<K, Carried<T>>();
  for (const [key, { list, touches }] of before)
    if (!known.has(key))
      carried.set(key, { list, touches: touches && touches.length < MAX_TOUCHES ? [...touches, touched] : null });
  for (const [key, list] of known) carried.set(key, { list, touches: [touched] });
  return carried;
}

function idsOf(touches: readonly Touched[], table: CollectionName): ReadonlySet<string> {
  if (touches.length === 1) return touches[0].get(table) ?? NO_IDS;
  return new Set(touches.flatMap((touched) => [...(touched.get(table) ?? NONE)]));
}
const NO_IDS: ReadonlySet<string> = new Set();

/** The ids whose values differ in two states of a list. */
function differing(before: List, now: List): readonly string[] {
  if (before.values === now.values && before.rows.length === now.rows.length) return NONE;
  if (now.since && now.since.values === before.values && now.since.rows === before.rows) return now.since.ids;
  const found: string[] = [];
  for (let m = 0, n = 0; m < before.rows.length || n < now.rows.length;) {
    if (before.rows[m] === now.rows[n]) {
      if (before.values[m++] !== now.values[n]) found.push(now.rows[n].id);
      n++;
      continue;
    }
    const was = before.rows[m]?.id;
    const is = now.rows[n]?.id;
    if (was === is) {
      if (before.values[m++] !== now.values[n++]) found.push(is);
    } else if (is === undefined || (was !== undefined && was < is)) m++;
    else {
      found.push(is);
      n++;
    }
  }
  return found;
}

/** For each row its place in other rows; -1 where it has none there. */
function placesIn(rows: Rows, now: Rows): number[] {
  let m = 0;
  return now.map(({ id }) => {
    while (m < rows.length && rows[m].id < id) m++;
    return rows[m]?.id === id ? m : -1;
  });
}

/** Works through steps to their end. */
export function finished<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

const link = (project: ProjectDocument, reading: Reading): ProjectDocument =>
  Object.defineProperty(project, LINK, { value: reading, enumerable: false });

/** What follows from a project: its derivations where they were made, else new ones, without a day. */
export const derivationsOf = (project: object): Reading =>
  (project as Linked)[LINK] ?? new Derivations(project as ProjectDocument);

/** The derivations of a project on a day, YYYY-MM-DD. */
export function derivationsOn(project: ProjectDocument, day: string): Reading {
  const own = derivationsOf(project);
  return own instanceof Derivations ? own.at(day) : own;
}

/** What differs of a node between two states: the values that are new or others, and the ids that are gone. */
export function deltaBetween<C extends CollectionName, V>(
  node: Each<C, V>,
  before: Derivations,
  now: Derivations,
): { readonly put: ReadonlyMap<string, V>; readonly gone: readonly string[] } {
  const listOf = (one: Derivations) => ({ rows: one.rows(node.over) as Rows, values: one.all(node) as readonly unknown[] });
  const [was, is] = [listOf(before), listOf(now)];
  const put = new Map(differing(was as List, is as List).map((id) => [id, now.one(node, id) as V]));
  const gone = was.rows.flatMap(({ id }) => (isAt(is.rows, id) ? [] : [id]));
  return { put, gone };
}
