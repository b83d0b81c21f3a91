import type { CollectionName } from '../model/index.ts';
import type { AnyNode, Each, Last, TableName, Whole } from './node.ts';

/** What a node was made from, as one value: the day, its tables, the values of its nodes, in the order in which it declares them. */
export interface Stamp {
  readonly inputs: readonly unknown[];
}

/** The project now, the one before it, an edit that is looked at and one in the hand: as many states are remembered of a node. */
const MAX_STATES = 4;

/** A value with what it was made from. */
export interface State {
  readonly stamp: Stamp;
  value: unknown;
  isMade: boolean;
}

interface Indexed {
  readonly rows: readonly { readonly id: string }[];
  readonly records: readonly (readonly unknown[])[];
  isIndexed?: boolean;
}

/** All that is remembered of one open project. Only `Derivations` uses it, and it is gone with them. */
export class Store<List> {
  private readonly states = new Map<AnyNode, State[]>();
  /** Lists that were called off. */
  private readonly parts = new Map<AnyNode, List>();
  /** For which records of a node a record of another table was ever read. */
  private readonly readers = new Map<AnyNode, Map<string, Set<string>>>();

  /** The state of a node at some inputs, the newest first. */
  stateOf(node: AnyNode, inputs: readonly unknown[]): State {
    let states = this.states.get(node);
    if (!states) this.states.set(node, (states = []));
    const at = states.findIndex(({ stamp }) => stamp.inputs.every((input, n) => input === inputs[n]));
    if (at === 0) return states[0];
    const state: State = at > 0 ? states.splice(at, 1)[0] : { stamp: { inputs }, value: undefined, isMade: false };
    states.unshift(state);
    if (states.length > MAX_STATES) states.pop();
    return state;
  }

  /** The newest value of a node. */
  newestOf(node: AnyNode): State | undefined {
    return this.states.get(node)?.find(({ isMade }) => isMade);
  }

  partOf(node: AnyNode): List | undefined {
    return this.parts.get(node);
  }

  keepPart(node: AnyNode, part: List | null): void {
    if (part) this.parts.set(node, part);
    else this.parts.delete(node);
  }

  /** Writes down that a record was read for another one, where that is asked for at all. */
  addReader(node: AnyNode, id: string, reader: string): void {
    const readers = this.readers.get(node);
    if (!readers) return;
    const those = readers.get(id);
    if (those) those.add(reader);
    else readers.set(id, new Set([reader]));
  }

  /** For which records of a node a record of any table was read, by its id: those of `list`, and others of states before. */
  readersOf(node: AnyNode, list: Indexed): ReadonlyMap<string, ReadonlySet<string>> {
    let readers = this.readers.get(node);
    if (!readers) this.readers.set(node, (readers = new Map()));
    if (list.isIndexed) return readers;
    list.isIndexed = true;
    list.records.forEach((records, n) => {
      for (const record of records) if (record) this.addReader(node, (record as { readonly id: string }).id, list.rows[n].id);
    });
    return readers;
  }
}

/** A state as the node reads it that goes on from there. */
export class LastState<T> implements Last<T> {
  constructor(
    private readonly node: Whole<T>,
    readonly value: T,
    private readonly stamp: Stamp,
  ) {}

  table<K extends TableName>(name: K) {
    return this.stamp.inputs[1 + (this.node.tables ?? []).indexOf(name)] as never;
  }

  get<U>(node: Whole<U>): U {
    return this.inputOf(node as AnyNode) as U;
  }

  all<C extends CollectionName, V>(node: Each<C, V>): readonly V[] {
    return this.inputOf(node as unknown as AnyNode) as readonly V[];
  }

  private inputOf(node: AnyNode): unknown {
    const at = (this.node.nodes ?? []).indexOf(node);
    if (at < 0) throw new Error(`${this.node.name} does not declare ${node.name}`);
    return this.stamp.inputs[1 + (this.node.tables?.length ?? 0) + at];
  }
}
