import { listOf } from '@dusky-spool/core/derive';
import { theatreRooms } from '@dusky-spool/core/theatre';
import { Button } from 'antd';
import { useEffect } from 'react';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { setTheatre } from '../../commands/set-theatre.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { TheatreRoom } from './TheatreRoom.tsx';
import css from './theatre.module.css';

interface Props {
  readonly projectId: string;
  readonly roomId: string | null;
  readonly onView: (view: string | null) => void;
}

/** A room as a theatre; without one, the rooms that are or could be one. */
export function TheatreScreen({ projectId, roomId, onView }: Props) {
  const project = useProject();
  const room = roomId === null ? undefined : project.rooms[roomId];
  if (room) return <TheatreRoom key={room.id} {...{ projectId, onView }} roomId={room.id} />;
  return <TheatreChoice isAsked={roomId !== null} onView={onView} />;
}

/** The one theatre of a house is opened at once, unless another room is asked for. */
function TheatreChoice({ isAsked, onView }: Pick<Props, 'onView'> & { readonly isAsked: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const theatres = theatreRooms(project);
  const others = listOf(project, 'rooms')
    .filter(({ id }) => !theatres.some((one) => one.id === id))
    .sort((a, b) => Number(b.use === 'theatre') - Number(a.use === 'theatre') || (a.name < b.name ? -1 : 1));
  const only = theatres.length === 1 && !isAsked ? theatres[0].id : null;
  useEffect(() => {
    if (only !== null) onView(`theatre:${only}`);
  }, [only, onView]);
  return (
    <StagePage
      title={text('theatre.title')}
      lead={text('theatre.lead')}
      aside={<Button onClick={() => onView(null)}>{text('theatre.toPlan')}</Button>}
    >
      <ul className={css.rooms}>
        {theatres.map((room) => (
          <li key={room.id}>
            <Button type="primary" onClick={() => onView(`theatre:${room.id}`)}>
              {room.name}
            </Button>
          </li>
        ))}
      </ul>
      <h3>{text('theatre.others')}</h3>
      <ul className={css.rooms}>
        {others.map((room) => (
          <li key={room.id}>
            <Button
              onClick={() => {
                if (edit(text('theatre.edits.open', { name: room.name }), setTheatre(project, room.id, {}, newRecordId('th'))))
                  onView(`theatre:${room.id}`);
              }}
            >
              {room.name}
            </Button>
          </li>
        ))}
      </ul>
    </StagePage>
  );
}
