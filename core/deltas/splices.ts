/** A stretch of a list that is replaced: `drop` items from `at` on give way to `put`. Places are those of the list before. */
export interface Splice<T> {
  readonly at: number;
  readonly drop: number;
  readonly put: readonly T[];
}

/**
 * What has to be replaced in a list to make it another one. Items that stay in place between two that change are not named where
 * the list keeps its length; where it grew or shrank, everything from the first change to the last is.
 */
export function splicesBetween<T>(before: readonly T[], after: readonly T[], same: (a: T, b: T) => boolean): Splice<T>[] {
  let head = 0;
  const shorter = Math.min(before.length, after.length);
  while (head < shorter && same(before[head], after[head])) head++;
  let tail = 0;
  while (tail < shorter - head && same(before[before.length - 1 - tail], after[after.length - 1 - tail])) tail++;
  const [endBefore, endAfter] = [before.length - tail, after.length - tail];
  if (head === endBefore && head === endAfter) return [];
  if (before.length !== after.length) return [{ at: head, drop: endBefore - head, put: after.slice(head, endAfter) }];
  const splices: Splice<T>[] = [];
  for (let i = head; i < endAfter; i++) {
    if (same(before[i], after[i])) continue;
    const from = i;
    while (i < endAfter && !same(before[i], after[i])) i++;
    splices.push({ at: from, drop: i - from, put: after.slice(from, i) });
  }
  return splices;
}

/** The list with its splices made. */
export function applySplices<T>(list: readonly T[], splices: readonly Splice<T>[]): readonly T[] {
  if (splices.length === 0) return list;
  const next: T[] = [];
  let from = 0;
  for (const { at, drop, put } of splices) {
    for (; from < at; from++) next.push(list[from]);
    for (const item of put) next.push(item);
    from = at + drop;
  }
  for (; from < list.length; from++) next.push(list[from]);
  return next;
}
