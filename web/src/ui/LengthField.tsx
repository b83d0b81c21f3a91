import { useRef, useState } from 'react';
import { Input } from 'antd';
import { formatLengthFine, parseLength, type UnitSystem } from '@dusky-spool/core/math';
import { problemSentence } from '@dusky-spool/texts';

interface Props {
  readonly label: string;
  readonly valueM: number | null;
  readonly units: UnitSystem;
  readonly placeholder?: string;
  readonly id?: string;
  readonly autoFocus?: boolean;
  /** An emptied field, where that is allowed, means null. */
  readonly mayBeEmpty?: boolean;
  readonly onChange: (valueM: number | null) => void;
}

/** A length in the project's units that can be typed in either: `1.68 m`, `5' 6 1/2"`. What cannot be read is said below. */
export function LengthField({ label, valueM, units, placeholder, id, autoFocus, mayBeEmpty = false, onChange }: Props) {
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
    setTyped(null);
    setProblem(null);
    if (valueM === null || Math.abs(parsed.value - valueM) > 1e-9) onChange(parsed.value);
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
      {problem && (
        <em role="alert" className="field-problem">
          {problem}
        </em>
      )}
    </label>
  );
}
