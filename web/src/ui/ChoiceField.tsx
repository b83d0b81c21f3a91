import { Select } from 'antd';
import { text } from '../ground/text.ts';

/** Longer lists are searched by typing. */
const SEARCHED_FROM = 8;

/** One of a fixed set of words. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  placeholder = text('form.mixed'),
  onChange,
}: {
  readonly label: string;
  /** Nothing where several records differ. */
  readonly value: T | undefined;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  /** What stands there while nothing is chosen. */
  readonly placeholder?: string;
  readonly onChange: (value: T) => void;
}) {
  return (
    <label className="field">
      <span>{label}</span>
      <Select
        size="middle"
        value={value}
        placeholder={placeholder}
        aria-label={label}
        options={[...options]}
        showSearch={options.length > SEARCHED_FROM ? { optionFilterProp: 'label' } : false}
        onChange={onChange}
        popupMatchSelectWidth={false}
      />
    </label>
  );
}
