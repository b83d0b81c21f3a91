import { sameValue } from '../model/index.ts';

/** The place of an id in a list in the order of ids: where it is, or where it would be put in. */
export function placeOf(list: readonly { readonly id: string }[], id: string): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle].id < id) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** So many records are put into a list one by one; of more it is sorted again. */
const MAX_ONE_BY_ONE = 500;

/** The records of a table in the order of their ids. */
export const sortedRows = <T>(table: Readonly<Record<string, T>>): readonly T[] =>
  Object.keys(table)
    .sort()
    .map((id) => table[id]);

/** A sorted list with some ids looked up again in their table; the same list where there are none. */
export function patchedRows<T extends { readonly id: string }>(
  list: readonly T[],
  ids: ReadonlySet<string>,
  table: Readonly<Record<string, T>>,
): readonly T[] {
  if (ids.size === 0) return list;
  if (ids.size > MAX_ONE_BY_ONE) return sortedRows(table);
  const next = [...list];
  for (const id of ids) {
    const at = placeOf(next, id);
    const record = table[id];
    const there = next[at]?.id === id ? 1 : 0;
    if (record) next.splice(at, there, record);
    else next.splice(at, there);
  }
  return next;
}

/** Records that differ between two states of a table, as they were and as they are, by id. */
export type Changes<T> = ReadonlyMap<string, readonly [T | undefined, T | undefined]>;

/** Records of two sorted lists that differ. */
export function changedBetween<T extends { readonly id: string }>(before: readonly T[], now: readonly T[]): Changes<T> {
  const changed = new Map<string, readonly [T | undefined, T | undefined]>();
  if (before === now) return changed;
  for (let m = 0, n = 0; m < before.length || n < now.length;) {
    const was = before[m];
    const is = now[n];
    if (was === is) {
      m++;
      n++;
    } else if (was?.id === is?.id) {
      changed.set(is.id, [was, is]);
      m++;
      n++;
    } else if (is === undefined || (was !== undefined && was.id < is.id)) {
      changed.set(was.id, [was, undefined]);
      m++;
    } else {
      changed.set(is.id, [undefined, is]);
      n++;
    }
  }
  return changed;
}

/** A map with some keys worked out again (null: the key is gone); the same map where nothing differs by value. */
export function patchedMap<K, V>(
  before: ReadonlyMap<K, V> | undefined,
  keys: Iterable<K>,
  now: (key: K) => V | null,
): ReadonlyMap<K, V> {
  let own: Map<K, V> | null = null;
  for (const key of keys) {
    const [was, value] = [before?.get(key), now(key)];
    if (value === null ? was === undefined : sameValue(was, value)) continue;
    own ??= new Map(before);
    if (value === null) own.delete(key);
    else own.set(key, value);
  }
  return own ?? before ?? new Map<K, V>();
}
