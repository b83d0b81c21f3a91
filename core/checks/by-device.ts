/** What was found about devices, in the order of their ids; devices of which nothing was found are left out. */
export type ByDevice<T> = readonly { readonly id: string; readonly found: T }[];

/** The same with some devices looked at again: `now` tells what is found of one, null where nothing is. */
export function patchedByDevice<T>(before: ByDevice<T>, ids: Iterable<string>, now: (id: string) => T | null): ByDevice<T> {
  const next = [...before];
  for (const id of ids) {
    let low = 0;
    let high = next.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (next[middle].id < id) low = middle + 1;
      else high = middle;
    }
    const found = now(id);
    const there = next[low]?.id === id ? 1 : 0;
    if (found !== null) next.splice(low, there, { id, found });
    else if (there) next.splice(low, there);
  }
  return next;
}
