import { useState } from 'react';
import { AutoComplete } from 'antd';
import { parseScale } from '@dusky-spool/core/survey';
import { problemSentence } from '@dusky-spool/texts';
import { useProject } from '../../state/open-project.ts';
import { FieldProblem } from '../../ui/fields.tsx';

interface Props {
  readonly label: string;
  /** The scale as it is set: `1:50`, or empty. */
  readonly shown: string;
  readonly ratios: readonly number[];
  readonly placeholder?: string;
  readonly disabled?: boolean;
  readonly size?: 'small';
  /** How many times larger the house is than the sheet. */
  readonly onRatio: (ratio: number) => void;
}

/** A scale, typed as 1:50 or as two lengths, or chosen among the usual ones. */
export function RatioField({ label, shown, ratios, placeholder, disabled, size, onRatio }: Props) {
  const { units } = useProject().project;
  const [typed, setTyped] = useState(shown);
  const [problem, setProblem] = useState<string | null>(null);
  const take = (value: string) => {
    if (value.trim() === '' || value.trim() === shown) return setProblem(null);
    const ratio = parseScale(value, units);
    setProblem(ratio.ok ? null : problemSentence(ratio.problem, units));
    if (ratio.ok) onRatio(ratio.value);
  };
  return (
    <label className="field">
      <span>{label}</span>
      <AutoComplete
        aria-label={label}
        size={size}
        disabled={disabled}
        value={typed}
        placeholder={placeholder}
        options={ratios.map((ratio) => ({ value: `1:${ratio}` }))}
        status={problem ? 'error' : undefined}
        onChange={setTyped}
        onSelect={take}
        onBlur={() => take(typed)}
        onInputKeyDown={(event) => event.key === 'Enter' && take(typed)}
      />
      <FieldProblem sentence={problem} />
    </label>
  );
}
