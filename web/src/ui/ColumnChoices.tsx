import { Select } from 'antd';
import { text } from '../ground/text.ts';

interface Props<F extends string> {
  readonly fields: readonly F[];
  readonly labelOf: (field: F) => string;
  /** Words over the columns. */
  readonly head: readonly string[];
  readonly columns: Readonly<Partial<Record<F, number>>>;
  readonly onColumns: (columns: Readonly<Partial<Record<F, number>>>) => void;
}

const NONE = -1;

/** Which column of a table holds what. */
export function ColumnChoices<F extends string>({ fields, labelOf, head, columns, onColumns }: Props<F>) {
  const options = [{ value: NONE, label: text('table.noColumn') }, ...head.map((label, value) => ({ value, label }))];
  return fields.map((field) => (
    <label key={field} className="field">
      <span>{labelOf(field)}</span>
      <Select
        size="small"
        value={columns[field] ?? NONE}
        aria-label={labelOf(field)}
        options={options}
        onChange={(value: number) => onColumns({ ...columns, [field]: value === NONE ? undefined : value })}
      />
    </label>
  ));
}
