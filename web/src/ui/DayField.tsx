import css from './ui.module.css';
/** A day, as the browser lets one type or pick it; empty is no day. */
export function DayField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <label className="field">
      <span>{label}</span>
      <input
        type="date"
        className={css.dayField}
        value={value}
        aria-label={label}
        onChange={(event) => event.target.value !== value && onChange(event.target.value)}
        onKeyDown={(event) => event.stopPropagation()}
      />
    </label>
  );
}
