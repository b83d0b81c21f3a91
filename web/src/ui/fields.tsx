import { useState } from 'react';
import { Input, InputNumber, Switch } from 'antd';
import { text } from '../ground/text.ts';
import css from './ui.module.css';

/** Words; written when the field is left. */
export function WordsField({
  label,
  value,
  max = 80,
  onChange,
  long = false,
}: {
  readonly label: string;
  readonly value: string;
  readonly max?: number;
  readonly long?: boolean;
  readonly onChange: (value: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    if (typed !== null && typed.trim() !== value) onChange(typed.trim());
    setTyped(null);
  };
  const common = {
    value: typed ?? value,
    maxLength: max,
    'aria-label': label,
    onBlur: commit,
  };
  return (
    <label className={long ? 'field wide' : 'field'}>
      <span>{label}</span>
      {long ? (
        <Input.TextArea
          {...common}
          rows={3}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => event.stopPropagation()}
        />
      ) : (
        <Input
          {...common}
          onChange={(event) => setTyped(event.target.value)}
          onPressEnter={commit}
          onKeyDown={(event) => event.stopPropagation()}
        />
      )}
    </label>
  );
}

/** A plain number with its unit in the label. */
export function NumberField({
  label,
  value,
  min,
  max,
  step = 1,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  readonly onChange: (value: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const write = (next: number) => {
    setTyped(null);
    setProblem(null);
    if (next !== value) onChange(next);
  };
  const commit = () => {
    if (typed === null) return;
    const next = Number(typed.trim().replace(',', '.'));
    if (typed.trim() === '' || !(next >= min && next <= max)) setProblem(text('form.range', { label, min, max }));
    else write(next);
  };
  return (
    <label className="field">
      <span>{label}</span>
      <InputNumber
        value={value}
        min={min}
        max={max}
        step={step}
        aria-label={label}
        status={problem ? 'error' : undefined}
        aria-invalid={problem !== null}
        changeOnBlur={false}
        onInput={setTyped}
        onStep={write}
        onBlur={commit}
        onKeyDown={(event) => {
          // What is stopped here never reaches the library's own handler for Enter.
          if (event.key === 'Enter') commit();
          event.stopPropagation();
        }}
      />
      {problem && (
        <em role="alert" className="field-problem">
          {problem}
        </em>
      )}
    </label>
  );
}

export function SwitchField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (value: boolean) => void;
}) {
  return (
    <label className={`field ${css.switchField}`}>
      <Switch size="small" checked={value} aria-label={label} onChange={onChange} />
      <span>{label}</span>
    </label>
  );
}
