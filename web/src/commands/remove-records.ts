import { type CollectionName, type Operation, type RecordOf, remove } from '@dusky-spool/core/model';

/** Deletes records that nothing else refers to. */
export const removeRecords = <N extends CollectionName>(table: N, records: readonly RecordOf<N>[]): Operation[] =>
  records.map((record) => remove(table, record));
