import { Input } from 'antd';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly className?: string;
  readonly onChange: (value: string) => void;
}

/** Searches the list beside it by a few letters. */
export function FindField({ label, value, className, onChange }: Props) {
  return (
    <Input
      allowClear
      className={className}
      value={value}
      placeholder={label}
      aria-label={label}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
