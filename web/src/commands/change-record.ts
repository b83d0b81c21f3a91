import { type CollectionName, type Operation, type RecordOf, update } from '@dusky-spool/core/model';

/** Gives fields of a record other values; no operation where they are so already. */
export function changeRecord<N extends CollectionName>(table: N, record: RecordOf<N>, fields: Partial<RecordOf<N>>): Operation[] {
  const operation = update(table, record, fields);
  return operation ? [operation] : [];
}

/** The same for several records. */
export const changeRecords = <N extends CollectionName>(
  table: N,
  records: readonly RecordOf<N>[],
  fields: Partial<RecordOf<N>>,
): Operation[] => records.flatMap((record) => changeRecord(table, record, fields));
