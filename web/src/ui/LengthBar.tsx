import type { CutLength } from '@dusky-spool/core/calculators';
import { formatCableLength, type UnitSystem } from '@dusky-spool/core/math';
import { text } from '../ground/text.ts';

interface Props {
  readonly length: CutLength;
  readonly units: UnitSystem;
  readonly small?: boolean;
}

/** A run's length as a bar of its parts: rise, level run, drop, slack (hatched), waste and rounding (open). */
export function LengthBar({ length, units, small = false }: Props) {
  const parts = [
    ['rise', length.riseM],
    ['run', length.runM],
    ['drop', length.dropM],
    ['slack', length.deviceSlackM + length.rackSlackM],
    ['allowance', length.allowanceM],
  ] as const;
  const label = parts.map(([name, metres]) => `${text(`run.${name}`)} ${formatCableLength(metres, units)}`).join(', ');
  return (
    <div className={small ? 'length-bar small' : 'length-bar'} role="img" aria-label={label}>
      {parts.map(([name, metres]) => (
        <span key={name} className={name} style={{ width: `${(100 * metres) / length.cutLengthM}%` }} />
      ))}
    </div>
  );
}
