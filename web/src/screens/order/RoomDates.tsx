import { listOf } from '@dusky-spool/core/derive';
import { removeWithDependants, type RoomDate, TRADE_GATES } from '@dusky-spool/core/model';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './order.module.css';

/** Rooms in which a gate is reached on another day than in the rest of the house. */
export function RoomDates({ mayPlan }: { readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const dates = listOf(project, 'roomDates');
  const rooms = listOf(project, 'rooms');
  const taken = new Set(dates.map(({ roomId, gate }) => `${roomId} ${gate}`));
  const free = rooms
    .flatMap(({ id }) => TRADE_GATES.map((gate) => ({ roomId: id, gate })))
    .find(({ roomId, gate }) => gate === 'insulation' && !taken.has(`${roomId} ${gate}`));
  const change = (date: RoomDate, after: Partial<RoomDate>) => {
    const operations = changeRecord('roomDates', date, after);
    if (operations.length > 0) edit(text('order.dates.rooms'), operations);
  };
  if (rooms.length === 0 || (dates.length === 0 && !mayPlan)) return null;
  return (
    <>
      <h3 className={css.part}>{text('order.dates.rooms')}</h3>
      {dates.map((date) => (
        <fieldset key={date.id} className={css.fields} disabled={!mayPlan} aria-label={project.rooms[date.roomId]?.name}>
          <ChoiceField
            label={text('order.dates.room')}
            value={date.roomId}
            options={rooms
              .filter(({ id }) => id === date.roomId || !taken.has(`${id} ${date.gate}`))
              .map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(roomId) => change(date, { roomId })}
          />
          <ChoiceField
            label={text('order.dates.columns.gate')}
            value={date.gate}
            options={TRADE_GATES.filter((gate) => gate === date.gate || !taken.has(`${date.roomId} ${gate}`)).map((value) => ({
              ...{ value, label: term(`gates.${value}`) },
            }))}
            onChange={(gate) => change(date, { gate })}
          />
          {(['from', 'on'] as const).map((field) => (
            <DayField
              key={field}
              label={text(`order.dates.columns.${field}`)}
              value={date[field]}
              onChange={(day) => change(date, { [field]: day })}
            />
          ))}
          {mayPlan && (
            <SmallButton
              bare
              onClick={() => edit(text('order.dates.rooms'), removeWithDependants(project, 'roomDates', date.id))}
            >
              {text('order.dates.removeRoom')}
            </SmallButton>
          )}
        </fieldset>
      ))}
      {mayPlan && free && (
        <SmallButton
          onClick={() =>
            edit(text('order.dates.addRoom'), createRecords('roomDates', [{ id: newRecordId('rd'), ...free, from: '', on: '' }]))
          }
        >
          {text('order.dates.addRoom')}
        </SmallButton>
      )}
    </>
  );
}
