import { type CollectionName, type RecordOf, update } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';

/** Writes some fields of a record as one edit. */
export function useChange<C extends CollectionName>(name: C, record: RecordOf<C>, title: string) {
  const edit = useProjectStore((state) => state.edit);
  return (after: Partial<RecordOf<C>>) => {
    const operation = update(name, record, after);
    if (operation) edit(text('survey.change', { what: title }), [operation]);
  };
}
