import { Select } from 'antd';

/** One of a fixed set of words. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}) {
  return (
    <label className="field">
      <span>{label}</span>
      <Select
        size="middle"
        value={value}
        aria-label={label}
        options={[...options]}
        onChange={onChange}
        popupMatchSelectWidth={false}
      />
    </label>
  );
}
