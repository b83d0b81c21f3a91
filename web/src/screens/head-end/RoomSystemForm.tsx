import { derivationsOf } from '@dusky-spool/core/derive';
import { HEAD_END_PARTS, ROOM_SYSTEMS, type RoomSystemKind } from '@dusky-spool/core/head-end';
import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { text } from '../../ground/text.ts';
import { askRoomSystem } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';

import css from './head-end.module.css';

/** Gives a room a receiver or a sound bar of its own, in a cabinet at its display: one edit. */
export function RoomSystemForm() {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [roomId, setRoom] = useState<string | undefined>();
  const [kind, setKind] = useState<RoomSystemKind>('receiver');
  const [isBusy, setBusy] = useState(false);
  const [said, setSaid] = useState('');
  const rooms = useMemo(() => {
    const { needs } = derivationsOf(project).get(HEAD_END_PARTS);
    const own = new Set(
      needs
        .filter((need) => need.kind === 'speaker' && project.racks[need.rackId].kind !== 'cabinet')
        .flatMap((need) => need.roomId ?? []),
    );
    return [...own].map((value) => ({ value, label: project.rooms[value].name }));
  }, [project]);
  if (rooms.length === 0) return said ? <p className="faint">{said}</p> : null;
  const setUp = async () => {
    if (!roomId) return;
    setBusy(true);
    const found = await askRoomSystem({ roomId, kind, prefix: newRecordId('room') });
    setBusy(false);
    if (!found) return;
    const title = text('headEnd.paths.roomSystem');
    if (!found.ok) {
      edit(title, found);
      return;
    }
    edit(title, found.value.operations);
    setRoom(undefined);
    setSaid(
      [
        text('headEnd.paths.roomSystemDone', { count: found.value.moved }),
        ...(found.value.kept.length > 0 ? [text('headEnd.paths.roomSystemKept', { numbers: found.value.kept.join(', ') })] : []),
      ].join(' '),
    );
  };
  return (
    <section className={css.card} aria-label={text('headEnd.paths.roomSystem')}>
      <h2 className={css.part}>{text('headEnd.paths.roomSystem')}</h2>
      <p className="faint">{text('headEnd.paths.roomSystemLead')}</p>
      <div className={css.fields}>
        <ChoiceField
          label={text('headEnd.paths.room')}
          value={roomId}
          options={rooms}
          placeholder={text('headEnd.paths.chooseRoom')}
          onChange={setRoom}
        />
        <ChoiceField
          label={text('headEnd.paths.system')}
          value={kind}
          options={ROOM_SYSTEMS.map((value) => ({ value, label: text(`headEnd.paths.systems.${value}`) }))}
          onChange={setKind}
        />
        <Button size="small" disabled={!roomId || isBusy} onClick={() => void setUp()}>
          {text('headEnd.paths.setUp')}
        </Button>
      </div>
      {said && <p className="faint">{said}</p>}
    </section>
  );
}
