import { useProject } from '../../state/open-project.ts';
import { copyAnswers, placeOf, placesOf } from '@dusky-spool/core/brief';
import { text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { useState } from 'react';
import { Button, Checkbox, Modal } from 'antd';
import css from './brief.module.css';

interface Props {
  readonly placeId: string;
  readonly onClose: () => void;
}

/** Copies the answers of one room or area into others; what they already have stays unless it is to be replaced. */
export function CopyPlace({ placeId, onClose }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const from = placeOf(project, placeId);
  const others = placesOf(project).filter(({ id }) => id !== placeId);
  const [to, setTo] = useState<readonly string[]>(others.filter(({ use }) => use === from?.use).map(({ id }) => id));
  const title = text('brief.copyTitle', { room: from?.name ?? '' });
  const [replace, setReplace] = useState(false);
  return (
    <Modal
      open
      title={title}
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
                  title,
                  copyAnswers(project, placeId, to, replace, () => newRecordId('bc')),
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
