import { type KeyboardEvent, useState } from 'react';
import { problemSentence } from '@dusky-spool/texts';
import { Input, InputNumber, Switch } from 'antd';
import { text } from '../ground/text.ts';
import { useProjectStore } from '../state/project.ts';
import { refusalOf } from '../state/refusal.ts';
import css from './ui.module.css';

interface WordsProps {
  readonly label: string;
  readonly value: string;
  readonly max?: number;
  readonly long?: boolean;
  readonly placeholder?: string;
  /** Whether it may not be empty. */
  readonly required?: boolean;
  readonly onChange: (value: string) => void;
}

/** Words; written when the field is left. What cannot be written stays as it was typed, with the reason below it. */
export function WordsField({ label, value, max = 80, onChange, long = false, placeholder, required = false }: WordsProps) {
  const units = useProjectStore(({ sync }) => sync?.view.project.units);
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = () => {
    if (typed === null) return;
    const words = typed.trim();
    const refused = words === value ? null : refusedWords(words);
    setProblem(refused);
    if (refused === null) setTyped(null);
  };
  const refusedWords = (words: string): string | null => {
    if (required && words === '') return text('form.missing', { label });
    if (words.length > max) return text('form.long', { label, max, count: words.length });
    const refusal = refusalOf(() => onChange(words));
    return refusal && problemSentence(refusal, units);
  };
  const common = {
    value: typed ?? value,
    placeholder,
    'aria-label': label,
    'aria-invalid': problem !== null,
    status: problem ? ('error' as const) : undefined,
    onBlur: commit,
    onKeyDown: (event: KeyboardEvent) => {
      event.stopPropagation();
      if (event.key !== 'Escape') return;
      setTyped(null);
      setProblem(null);
    },
  };
  return (
    <label className={long ? 'field wide' : 'field'}>
      <span>{label}</span>
      {long ? (
        <Input.TextArea {...common} rows={3} onChange={(event) => setTyped(event.target.value)} />
      ) : (
        <Input {...common} onChange={(event) => setTyped(event.target.value)} onPressEnter={commit} />
      )}
      <FieldProblem sentence={problem} />
    </label>
  );
}

/** Why what was typed in a field cannot be written, below it. */
export const FieldProblem = ({ sentence }: { readonly sentence: string | null }) =>
  sentence && (
    <em role="alert" className="field-problem">
      {sentence}
    </em>
  );

/** A plain number with its unit in the label. */
export function NumberField({
  label,
  value,
  min,
  max,
  step = 1,
  placeholder = text('form.mixed'),
  onChange,
  onEmpty,
}: {
  readonly label: string;
  /** Nothing where several records differ, or where it may be empty and is. */
  readonly value: number | undefined;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  readonly placeholder?: string;
  readonly onChange: (value: number) => void;
  /** What an emptied field does, where it may be empty. */
  readonly onEmpty?: () => void;
}) {
  const units = useProjectStore(({ sync }) => sync?.view.project.units);
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const write = (next: number) => {
    const refusal = next === value ? null : refusalOf(() => onChange(next));
    setProblem(refusal && problemSentence(refusal, units));
    if (!refusal) setTyped(null);
  };
  const commit = () => {
    if (typed === null) return;
    if (typed.trim() === '' && onEmpty) {
      onEmpty();
      setProblem(null);
      setTyped(null);
      return;
    }
    const next = Number(typed.trim().replace(',', '.'));
    if (typed.trim() === '' || !(next >= min && next <= max)) setProblem(text('form.range', { label, min, max }));
    else write(next);
  };
  return (
    <label className="field">
      <span>{label}</span>
      <InputNumber
        value={value ?? null}
        placeholder={placeholder}
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
      <FieldProblem sentence={problem} />
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
