import { useProject } from '../../state/open-project.ts';
import { copyAnswers } from '@dusky-spool/core/brief';
import { listOf } from '@dusky-spool/core/derive';
import { text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { useState } from 'react';
import { Button, Checkbox, Modal } from 'antd';
import css from './brief.module.css';

interface Props {
  readonly roomId: string;
  readonly onClose: () => void;
}

/** Lays the answers of one room into others; what they already have stays unless it is to be replaced. */
export function CopyRoom({ roomId, onClose }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const room = project.rooms[roomId];
  const others = listOf(project, 'rooms').filter(({ id }) => id !== roomId);
  const [to, setTo] = useState<readonly string[]>(others.filter(({ use }) => use === room.use).map(({ id }) => id));
  const [replace, setReplace] = useState(false);
  return (
    <Modal
      open
      title={text('brief.copyTitle', { room: room.name })}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{text('cancel')}</Button>
          <Button
            type="primary"
            disabled={to.length === 0}
            onClick={() => {
              if (
                edit(
                  text('brief.copyTitle', { room: room.name }),
                  copyAnswers(project, roomId, to, replace, () => newRecordId('bc')),
                )
              )
                onClose();
            }}
          >
            {text('brief.copyInto', { count: to.length })}
          </Button>
        </>
      }
    >
      <div className={css.copyRooms}>
        {others.map(({ id, code, name, levelId }) => (
          <Checkbox
            key={id}
            checked={to.includes(id)}
            onChange={(event) => setTo(event.target.checked ? [...to, id] : to.filter((other) => other !== id))}
          >
            <span className="id">{code}</span> {name} <span className="faint">{project.levels[levelId].name}</span>
          </Checkbox>
        ))}
      </div>
      <Checkbox checked={replace} onChange={(event) => setReplace(event.target.checked)}>
        {text('brief.copyReplace')}
      </Checkbox>
    </Modal>
  );
}
