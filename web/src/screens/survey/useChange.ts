import type { CollectionName, RecordOf } from '@dusky-spool/core/model';
import { changeRecord } from '../../commands/change-record.ts';
import { text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';

/** Writes some fields of a record as one edit. */
export function useChange<C extends CollectionName>(name: C, record: RecordOf<C>, title: string) {
  const edit = useProjectStore((state) => state.edit);
  return (fields: Partial<RecordOf<C>>) => {
    const operations = changeRecord(name, record, fields);
    if (operations.length > 0) edit(text('survey.change', { what: title }), operations);
  };
}
