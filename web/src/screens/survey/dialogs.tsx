import { useState } from 'react';
import { InputNumber, Modal } from 'antd';
import type { UnitSystem } from '@dusky-spool/core/math';
import { term, text, textNamed } from '../../ground/text.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import css from './survey.module.css';

/** How many copies, and how far apart. */
export function ArrayDialog({
  units,
  onMake,
  onCancel,
}: {
  readonly units: UnitSystem;
  readonly onMake: (columns: number, rows: number, stepX: number, stepY: number) => void;
  readonly onCancel: () => void;
}) {
  const [columns, setColumns] = useState<number | null>(3);
  const [rows, setRows] = useState<number | null>(1);
  const [stepX, setStepX] = useState(1);
  const [stepY, setStepY] = useState(1);
  const count = (columns ?? 0) * (rows ?? 0);
  return (
    <Modal
      open
      title={text('survey.menu.array')}
      okText={text('create')}
      cancelText={text('cancel')}
      okButtonProps={{ disabled: count < 2 || count > 400 }}
      onOk={() => onMake(columns ?? 1, rows ?? 1, stepX, stepY)}
      onCancel={onCancel}
    >
      <div className="fields">
        <label className="field">
          <span>{text('survey.columns')}</span>
          <InputNumber min={1} max={50} value={columns} aria-label={text('survey.columns')} onChange={setColumns} />
        </label>
        <label className="field">
          <span>{text('survey.rows')}</span>
          <InputNumber min={1} max={50} value={rows} aria-label={text('survey.rows')} onChange={setRows} />
        </label>
        <LengthField
          label={text('survey.stepX')}
          valueM={stepX}
          units={units}
          onChange={(value) => value !== null && setStepX(value)}
        />
        <LengthField
          label={text('survey.stepY')}
          valueM={stepY}
          units={units}
          onChange={(value) => value !== null && setStepY(value)}
        />
      </div>
    </Modal>
  );
}

const KEYS = [
  'tools',
  'draw',
  'length',
  'direction',
  'rectangle',
  'closeChain',
  'close',
  'lock',
  'back',
  'escape',
  'nudge',
  'box',
  'copy',
  'undo',
  'zoom',
  'level',
  'find',
  'help',
] as const;

/** Every key of the survey on one sheet. */
export function KeyboardSheet({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal open title={text('survey.keys')} footer={null} onCancel={onClose} width={620}>
      <dl className={css.keyboardSheet}>
        {KEYS.map((key) => (
          <div key={key}>
            <dt>
              {textNamed('keys', `${key}.0`)
                .split(' ')
                .map((part, i) => (
                  <kbd key={i}>{part}</kbd>
                ))}
            </dt>
            <dd>{term(`keys.${key}`)}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
