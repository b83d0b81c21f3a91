import { patched } from '../project/index.ts';

/** What was found about devices, in the order of their ids; devices of which nothing was found are left out. */
export type ByDevice<T> = readonly { readonly id: string; readonly found: T }[];

/** The same with some devices looked at again: `now` tells what is found of one, null where nothing is. */
export const patchedByDevice = <T>(before: ByDevice<T>, ids: Iterable<string>, now: (id: string) => T | null): ByDevice<T> =>
  patched(before, ids, (id) => {
    const found = now(id);
    return found === null ? undefined : { id, found };
  });
