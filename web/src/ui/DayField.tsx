import css from './ui.module.css';
/** A day, as the browser lets one type or pick it; empty is no day. */
export function DayField({
  label,
  value,
  isBare = false,
  onChange,
}: {
  readonly label: string;
  /** Whether its label is only for who does not see its row and column. */
  readonly isBare?: boolean;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <label className="field">
      {!isBare && <span>{label}</span>}
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
