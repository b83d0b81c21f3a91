import { useState } from 'react';
import { Button, Input, Modal } from 'antd';
import { text } from '../../ground/text.ts';
import css from './survey.module.css';

/** Asks for the name of a shared point, or takes one that another level has. */
export function NameDialog({
  known,
  onName,
  onCancel,
}: {
  readonly known: readonly string[];
  readonly onName: (name: string) => void;
  readonly onCancel: () => void;
}) {
  const [name, setName] = useState('');
  return (
    <Modal
      open
      title={text('survey.namePoint')}
      okText={text('apply')}
      cancelText={text('cancel')}
      okButtonProps={{ disabled: name.trim() === '' }}
      onOk={() => onName(name.trim())}
      onCancel={onCancel}
    >
      <p>{text('survey.namePointLine')}</p>
      <Input
        autoFocus
        value={name}
        maxLength={60}
        aria-label={text('device.name')}
        onChange={(event) => setName(event.target.value)}
        onPressEnter={() => name.trim() && onName(name.trim())}
      />
      <div className={css.knownNames}>
        {known.map((one) => (
          <Button key={one} size="small" onClick={() => setName(one)}>
            {one}
          </Button>
        ))}
      </div>
    </Modal>
  );
}
