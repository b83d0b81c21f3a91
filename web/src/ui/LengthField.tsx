import { useRef, useState } from 'react';
import { Input } from 'antd';
import { formatLengthFine, parseLength, type UnitSystem } from '@dusky-spool/core/math';
import { problemSentence } from '@dusky-spool/texts';
import { text } from '../ground/text.ts';
import { refusalOf } from '../state/refusal.ts';
import { FieldProblem } from './fields.tsx';

interface Props {
  readonly label: string;
  readonly valueM: number | null;
  readonly units: UnitSystem;
  readonly placeholder?: string;
  readonly id?: string;
  readonly autoFocus?: boolean;
  /** What can be typed, m. */
  readonly minM?: number;
  readonly maxM?: number;
  /** An emptied field, where that is allowed, means null. */
  readonly mayBeEmpty?: boolean;
  readonly onChange: (valueM: number | null) => void;
}

/** A length in the project's units that can be typed in either: `1.68 m`, `5' 6 1/2"`. What cannot be read is said below. */
export function LengthField({
  label,
  valueM,
  units,
  placeholder,
  id,
  autoFocus,
  minM = -Infinity,
  maxM = Infinity,
  mayBeEmpty = false,
  onChange,
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const shown = typed ?? (valueM === null ? '' : formatLengthFine(valueM, units));
  // Leaving a field that Escape has emptied must not write it.
  const left = useRef(false);
  const commit = () => {
    if (typed === null || left.current) {
      left.current = false;
      return;
    }
    if (typed.trim() === '' && mayBeEmpty) {
      setTyped(null);
      setProblem(null);
      onChange(null);
      return;
    }
    const parsed = parseLength(typed, units);
    if (!parsed.ok) {
      setProblem(problemSentence(parsed.problem, units));
      return;
    }
    if (parsed.value < minM - 1e-9 || parsed.value > maxM + 1e-9) {
      const [min, max] = [minM, maxM].map((bound) => (Number.isFinite(bound) ? formatLengthFine(bound, units) : ''));
      setProblem(text(max === '' ? 'form.lengthMin' : min === '' ? 'form.lengthMax' : 'form.lengthRange', { label, min, max }));
      return;
    }
    const isSame = valueM !== null && Math.abs(parsed.value - valueM) <= 1e-9;
    const refusal = isSame ? null : refusalOf(() => onChange(parsed.value));
    setProblem(refusal && problemSentence(refusal, units));
    if (!refusal) setTyped(null);
  };
  const leave = () => {
    left.current = typed !== null;
    setTyped(null);
    setProblem(null);
  };
  return (
    <label className="field" htmlFor={id}>
      <span>{label}</span>
      <Input
        id={id}
        aria-label={label}
        autoFocus={autoFocus}
        value={shown}
        placeholder={placeholder}
        status={problem ? 'error' : undefined}
        aria-invalid={problem !== null}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') {
            leave();
            event.currentTarget.blur();
          }
          event.stopPropagation();
        }}
      />
      <FieldProblem sentence={problem} />
    </label>
  );
}
