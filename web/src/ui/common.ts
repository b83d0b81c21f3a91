import { sameValue } from '@dusky-spool/core/model';

/** The value that all records have in a field; undefined where they differ. */
export function commonValue<R, K extends keyof R>(records: readonly R[], field: K): R[K] | undefined {
  const [first] = records;
  return first && records.every((record) => sameValue(record[field], first[field])) ? first[field] : undefined;
}
