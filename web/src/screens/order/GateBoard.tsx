import { GATE_ITEM_KINDS, isLate, type Schedule } from '@dusky-spool/core/order';
import { TRADE_GATES } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { today } from '../../state/today.ts';

import css from './order.module.css';

/** A column for each gate that something must meet, with what is done of each kind; the table below has every item. */
export function GateBoard({ schedule: { items, gates } }: { readonly schedule: Schedule }) {
  const day = today();
  const used = TRADE_GATES.filter((gate) => items.some((item) => item.gate === gate));
  return (
    <>
      <h3 className={css.part}>{text('order.dates.board')}</h3>
      <p className="faint">{text('order.dates.boardLead')}</p>
      <div className={css.board} role="list" aria-label={text('order.dates.board')} tabIndex={0}>
        {used.map((gate) => {
          const own = items.filter((item) => item.gate === gate);
          return (
            <section key={gate} className={css.spool} role="listitem" aria-label={term(`gates.${gate}`)}>
              <b>{term(`gates.${gate}`)}</b>
              <p className="faint">{gates.find((one) => one.gate === gate)?.on || '–'}</p>
              {GATE_ITEM_KINDS.filter((kind) => own.some((item) => item.kind === kind)).map((kind) => {
                const ofKind = own.filter((item) => item.kind === kind);
                const done = ofKind.filter(({ isDone }) => isDone).length;
                return (
                  <p key={kind} className={ofKind.some((item) => isLate(item, day)) ? css.bad : undefined}>
                    {text(`order.dates.kinds.${kind}`)}: {text('order.dates.openOf', { done, all: ofKind.length })}
                  </p>
                );
              })}
            </section>
          );
        })}
      </div>
    </>
  );
}
