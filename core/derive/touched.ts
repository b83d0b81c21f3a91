import type { CollectionName, Operation } from '../model/index.ts';

/** The ids of records that an edit touches, by table. The header is compared as it is. */
export type Touched = ReadonlyMap<CollectionName, ReadonlySet<string>>;

export function touchedBy(operations: readonly Operation[]): Touched {
  const touched = new Map<CollectionName, Set<string>>();
  for (const { in: name, id } of operations) {
    if (name === 'project') continue;
    const ids = touched.get(name);
    if (ids) ids.add(id);
    else touched.set(name, new Set([id]));
  }
  return touched;
}
