import { formatCableLength, type UnitSystem } from '@dusky-spool/core/math';
import type { CableTotal } from '@dusky-spool/core/sheets';
import { text } from '../../ground/text.ts';
import { SpoolRing } from '../../ui/SpoolRing.tsx';
import css from './plan.module.css';

interface Props {
  readonly totals: readonly CableTotal[];
  readonly units: UnitSystem;
}

/** What is left on the last spool of a cable, as a share of a usual one. */
const leftOf = ({ orderLengthM, spoolM }: CableTotal): number => 1 - ((orderLengthM / spoolM) % 1);

/** The three cables of which most is pulled, beside the title of the schedule. */
export const SpoolSummary = ({ totals, units }: Props) =>
  totals.slice(0, 3).map((total) => (
    <span key={total.cableTypeId} className={css.ledgerSpool}>
      <SpoolRing system={total.system} left={leftOf(total)} size={32} />
      <span>
        <b>{total.cable}</b>
        <span>{formatCableLength(total.cutLengthM, units)}</span>
      </span>
    </span>
  ));

/** Every cable of the runs in view: runs, the longest of them, what is pulled in all. */
export const LedgerTotals = ({ totals, units }: Props) => (
  <aside className={css.ledgerTotals} tabIndex={0} aria-label={text('schedule.totals')}>
    <div className="eyebrow">{text('schedule.totals')}</div>
    {totals.map((total) => (
      <div key={total.cableTypeId} className={css.total}>
        <SpoolRing system={total.system} left={leftOf(total)} size={34} />
        <div>
          <b>{total.cable}</b>
          <span>
            {text('projects.runs', { count: total.runs })} · {text('schedule.longest').toLowerCase()}{' '}
            {formatCableLength(total.longestM, units)}
          </span>
        </div>
        <b className="figure">{formatCableLength(total.cutLengthM, units)}</b>
      </div>
    ))}
  </aside>
);
