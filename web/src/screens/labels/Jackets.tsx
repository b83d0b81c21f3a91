import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { type CableType, JACKET_RATINGS } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { term, text } from '../../ground/text.ts';
import { useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { Fragment } from 'react';

/** The jacket colour of the stock that is pulled, for each cable in use; checks tell where one colour serves several families. */
export function Jackets() {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const used = new Set(Object.values(project.runs).map(({ cableTypeId }) => cableTypeId));
  const change = (cable: CableType, after: Partial<CableType>) => {
    const operations = changeRecord('cableTypes', cable, after);
    if (operations.length > 0) edit(text('labels.jackets'), operations);
  };
  return (
    <details>
      <summary>{text('labels.jackets')}</summary>
      <p className="faint">{text('labels.jacketHint')}</p>
      <div className="fields">
        {listOf(project, 'cableTypes')
          .filter(({ id }) => used.has(id))
          .map((cable) => (
            <Fragment key={cable.id}>
              <WordsField
                label={cable.name}
                max={20}
                value={cable.jacketColour}
                onChange={(jacketColour) => change(cable, { jacketColour })}
              />
              <ChoiceField
                label={text('labels.rating')}
                value={cable.rating}
                options={JACKET_RATINGS.map((value) => ({ value, label: term(`jacketRatings.${value}`) }))}
                onChange={(rating) => change(cable, { rating })}
              />
            </Fragment>
          ))}
      </div>
    </details>
  );
}
