import { Input, Modal } from 'antd';
import { useState } from 'react';
import { text } from '../../ground/text.ts';

interface Props {
  readonly name: string;
  readonly onDelete: () => void;
  readonly onCancel: () => void;
}

/** Asks for the name of a project before it is deleted for everyone. */
export function DeleteProject({ name, onDelete, onCancel }: Props) {
  const [typed, setTyped] = useState('');
  const isNamed = typed.trim().toLowerCase() === name.trim().toLowerCase();
  return (
    <Modal
      open
      title={text('projects.deleteTitle', { name })}
      okText={text('projects.delete')}
      okButtonProps={{ danger: true, disabled: !isNamed }}
      cancelText={text('cancel')}
      cancelButtonProps={{ autoFocus: true }}
      onOk={onDelete}
      onCancel={onCancel}
      width={460}
    >
      <p>{text('projects.deleteAsk', { name })}</p>
      <label className="field">
        <span>{text('projects.deleteName')}</span>
        <Input
          value={typed}
          aria-label={text('projects.deleteName')}
          onChange={(event) => setTyped(event.target.value)}
          onPressEnter={() => isNamed && onDelete()}
        />
      </label>
    </Modal>
  );
}
