import { CEILING_KINDS, type Room } from '@dusky-spool/core/model';
import { changeRecords } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { term, text } from '../../ground/text.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { commonValue } from '../../ui/common.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { JoistFields } from './JoistFields.tsx';

/** What several rooms have in common; a change is made to all of them, as one step of undo. */
export function RoomsPanel({ rooms }: { readonly rooms: readonly Room[] }) {
  const { units } = useProject().project;
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<Room>) => {
    const operations = changeRecords('rooms', rooms, after);
    if (operations.length > 0) edit(text('survey.changeRooms', { count: rooms.length }), operations);
  };
  return (
    <>
      <h2>{text('survey.roomsChosen', { count: rooms.length })}</h2>
      <p className="faint">{rooms.map(({ name }) => name).join(', ')}</p>
      <div className="fields">
        <WordsField
          label={text('survey.use')}
          value={commonValue(rooms, 'use') ?? ''}
          placeholder={commonValue(rooms, 'use') === undefined ? text('form.mixed') : undefined}
          max={40}
          onChange={(use) => change({ use })}
        />
        <LengthField
          label={text('survey.floor')}
          valueM={commonValue(rooms, 'floorM') ?? null}
          placeholder={text('form.mixed')}
          units={units}
          onChange={(floorM) => floorM !== null && change({ floorM })}
        />
        <ChoiceField
          label={text('survey.ceilingKind')}
          value={commonValue(rooms, 'ceilingKind')}
          options={CEILING_KINDS.filter((kind) => !SLOPED.has(kind)).map((value) => ({
            value,
            label: term(`ceilings.${value}`),
          }))}
          onChange={(ceilingKind) => change({ ceilingKind, slope: null })}
        />
        <LengthField
          label={text('survey.ceiling')}
          valueM={commonValue(rooms, 'ceilingHeightM') ?? null}
          placeholder={text(commonValue(rooms, 'ceilingHeightM') === undefined ? 'form.mixed' : 'survey.asLevel')}
          units={units}
          mayBeEmpty
          onChange={(ceilingHeightM) => change({ ceilingHeightM })}
        />
      </div>
      <div className="eyebrow">{text('survey.above')}</div>
      <JoistFields of={rooms} onChange={change} />
    </>
  );
}

/** A slope has a direction of its own in each room. */
const SLOPED = new Set<Room['ceilingKind']>(['sloped', 'vaulted']);
