import type { ReactNode } from 'react';
import type { ScheduleRow } from '@dusky-spool/core/sheets';
import { formatCableLength, type UnitSystem } from '@dusky-spool/core/math';
import { term } from '../../ground/text.ts';
import { RunTag } from '../../ui/RunTag.tsx';
import css from './stages.module.css';

interface Props {
  readonly rows: readonly ScheduleRow[];
  readonly units: UnitSystem;
  readonly action?: (row: ScheduleRow) => ReactNode;
}

/** Runs as a plain list: tag, where from, cable and length, state, and what can be done. */
export function RunTable({ rows, units, action }: Props) {
  return (
    <ul className="run-list">
      {rows.map((row) => (
        <li key={row.runId}>
          <RunTag number={row.number} />
          <span className={css.runFrom}>{row.from}</span>
          <span className={css.runCable}>{row.cable}</span>
          <b>{row.cutLengthM === null ? '' : formatCableLength(row.cutLengthM, units)}</b>
          <span className={`${css.runState} ${row.state}`}>{term(`states.${row.state}`)}</span>
          {action && <span className={css.runAction}>{action(row)}</span>}
        </li>
      ))}
    </ul>
  );
}
