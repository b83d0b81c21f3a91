import { listOf, update, type ProjectDocument } from '@dusky-spool/core/project';
import { text } from '../../app/text.ts';
import { useProjectParts } from '../../state/project.ts';
import { WordsField } from '../../ui/fields.tsx';

/** The jacket colour of the stock that is pulled, for each cable in use; checks tell where one colour serves several families. */
export function Jackets({ document }: { readonly document: ProjectDocument }) {
  const { edit } = useProjectParts('edit');
  const used = new Set(Object.values(document.runs).map(({ cableTypeId }) => cableTypeId));
  return (
    <details>
      <summary>{text('labels.jackets')}</summary>
      <p className="faint">{text('labels.jacketHint')}</p>
      <div className="fields">
        {listOf(document, 'cableTypes')
          .filter(({ id }) => used.has(id))
          .map((cable) => (
            <WordsField
              key={cable.id}
              label={cable.name}
              max={20}
              value={cable.jacketColour}
              onChange={(jacketColour) => {
                const operation = update('cableTypes', cable, { jacketColour });
                if (operation) edit(text('labels.jackets'), [operation]);
              }}
            />
          ))}
      </div>
    </details>
  );
}
