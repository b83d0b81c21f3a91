import { type CollectionName, create, type Operation, type RecordOf } from '@dusky-spool/core/model';

/** Puts records into a table as they are. */
export const createRecords = <N extends CollectionName>(table: N, records: readonly RecordOf<N>[]): Operation[] =>
  records.map((record) => create(table, record));
