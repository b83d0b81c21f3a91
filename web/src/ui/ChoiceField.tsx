import { Select } from 'antd';
import { text } from '../ground/text.ts';

/** One of a fixed set of words. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  /** Nothing where several records differ. */
  readonly value: T | undefined;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}) {
  return (
    <label className="field">
      <span>{label}</span>
      <Select
        size="middle"
        value={value}
        placeholder={text('form.mixed')}
        aria-label={label}
        options={[...options]}
        onChange={onChange}
        popupMatchSelectWidth={false}
      />
    </label>
  );
}
