import type { PriceColumns } from '@dusky-spool/core/order';

const KEY = 'price-columns';
/** So many heads of tables are remembered, the newest first. */
const MAX_HEADS = 20;

type Remembered = readonly (readonly [head: string, columns: PriceColumns])[];

function remembered(): Remembered {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Remembered;
  } catch {
    return [];
  }
}

const headKey = (head: readonly string[]): string => JSON.stringify(head);

/** The meaning that the columns of a table with this head were given on this device last time; null where there is none. */
export const rememberedColumns = (head: readonly string[]): PriceColumns | null =>
  remembered().find(([key]) => key === headKey(head))?.[1] ?? null;

export function rememberColumns(head: readonly string[], columns: PriceColumns): void {
  const key = headKey(head);
  const others = remembered().filter(([other]) => other !== key);
  try {
    localStorage.setItem(KEY, JSON.stringify([[key, columns], ...others].slice(0, MAX_HEADS)));
  } catch {
    // Without room on the device the columns are chosen again next time.
  }
}
