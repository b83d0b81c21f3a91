import { listOf } from '@dusky-spool/core/derive';
import {
  baselineOf,
  changeOf,
  formatCents,
  nextChangeNumber,
  type Offer,
  type ScopeChange,
  scopeChange,
} from '@dusky-spool/core/order';
import { type Baseline, type ChangeOrder, removeWithDependants, TRADE_GATES } from '@dusky-spool/core/model';
import { billName } from '@dusky-spool/texts';
import { useState } from 'react';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { useDerived } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { LengthText } from './LengthText.tsx';

import css from './order.module.css';

interface Props {
  readonly offer: Offer;
  readonly mayPlan: boolean;
}

const sumOf = ({ lines }: Baseline): number => lines.reduce((sum, { priceCents, taxCents }) => sum + priceCents + taxCents, 0);
/** Gates after which walls and floors are closed. */
const CLOSED = new Set(TRADE_GATES.slice(TRADE_GATES.indexOf('board')));

/** Locked baselines, what has changed since the last one, and change orders as differences of two. */
export function ChangesPanel({ offer, mayPlan }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  // The worker has planned them: nothing is routed here.
  const { runs } = useDerived(project);
  const own = useOwnName();
  const baselines = listOf(project, 'baselines').toSorted((a, b) => a.number - b.number);
  const last = baselines.at(-1);
  const [name, setName] = useState('');
  const now = () =>
    baselineOf(project, offer, runs, {
      ...{ id: newRecordId('base'), name: name || today(), lockedOn: today(), lockedBy: own || '–' },
    });
  const lock = () => edit(text('order.changes.lock'), createRecords('baselines', [now()]));
  const lockAndOrder = () => {
    const baseline = now();
    const order: ChangeOrder = {
      ...{
        id: newRecordId('change'),
        number: nextChangeNumber(project),
        fromId: last!.id,
        toId: baseline.id,
        reason: baseline.name,
      },
      ...{ gate: 'low-voltage-rough-in', answer: 'proposed', signedBy: '', signedOn: '' },
    };
    edit(text('order.changes.lockAndOrder'), [
      ...createRecords('baselines', [baseline]),
      ...createRecords('changeOrders', [order]),
    ]);
  };
  const since = last ? scopeChange(last, now()) : null;
  return (
    <>
      <p className="faint">{text('order.changes.lead')}</p>
      {baselines.length === 0 && <p>{text('order.changes.none')}</p>}
      <ul className={css.levels}>
        {baselines.map((baseline) => (
          <BaselineLine key={baseline.id} {...{ baseline, mayPlan }} />
        ))}
      </ul>
      {since && last && (
        <section aria-label={text('order.changes.since', { name: last.name })}>
          {since.lines.length === 0 && since.runs.length === 0 ? (
            <p>{text('order.changes.sinceNone', { name: last.name })}</p>
          ) : (
            <>
              <h3 className={css.part}>{text('order.changes.since', { name: last.name })}</h3>
              <Difference change={since} />
            </>
          )}
        </section>
      )}
      {mayPlan && (
        <div className={css.buttons}>
          <WordsField label={text('order.changes.lockName')} value={name} max={80} placeholder={today()} onChange={setName} />
          <SmallButton onClick={lock}>{text('order.changes.lock')}</SmallButton>
          {since && since.lines.length + since.runs.length > 0 && (
            <SmallButton onClick={lockAndOrder}>{text('order.changes.lockAndOrder')}</SmallButton>
          )}
        </div>
      )}
      {listOf(project, 'changeOrders')
        .toSorted((a, b) => a.number - b.number)
        .map((order) => (
          <OrderCard key={order.id} {...{ order, mayPlan }} />
        ))}
    </>
  );
}

function BaselineLine({ baseline, mayPlan }: { readonly baseline: Baseline; readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const isUsed = listOf(project, 'changeOrders').some(({ fromId, toId }) => fromId === baseline.id || toId === baseline.id);
  const { number, name, lockedOn, lockedBy, runs } = baseline;
  const price = formatCents(sumOf(baseline), project.project.currency);
  return (
    <li>
      <b>{text('order.changes.baseline', { number, name })}</b>{' '}
      {text('order.changes.lockedBy', { day: lockedOn, by: lockedBy, price, runs: runs.length })}{' '}
      {mayPlan && !isUsed && (
        <SmallButton
          bare
          aria-label={`${text('order.changes.remove')} ${name}`}
          onClick={() => edit(text('order.changes.remove'), removeWithDependants(project, 'baselines', baseline.id))}
        >
          {text('order.changes.remove')}
        </SmallButton>
      )}
    </li>
  );
}

/** So many runs are named. */
const MAX_RUNS = 60;

/** What a change adds and takes away, line by line and run by run. */
function Difference({ change: { lines, runs, totalCents, taxCents } }: { readonly change: ScopeChange }) {
  const { currency } = useProject().project;
  const price = (cents: number) => `${cents > 0 ? '+' : ''}${formatCents(cents, currency)}`;
  return (
    <>
      <p className={css.mainSum}>{text('order.changes.difference', { price: price(totalCents), tax: price(taxCents) })}</p>
      <table className={css.table}>
        <caption>{text('order.changes.lines')}</caption>
        <thead>
          <tr>
            {(['what', 'before', 'after', 'price'] as const).map((name) => (
              <th key={name} scope="col" className={name === 'what' ? undefined : css.figure}>
                {text(`order.changes.columns.${name}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(({ key, part, name, before, after, cents }) => (
            <tr key={key}>
              <th scope="row">{key.startsWith('labor ') ? workName(part) : billName({ part: part as 'cable', name })}</th>
              <td className={css.figure}>{before}</td>
              <td className={css.figure}>{after}</td>
              <td className={css.figure}>{price(cents)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {runs.length > 0 && (
        <>
          <p>{text('order.changes.runs', { count: runs.length })}</p>
          <p className={css.cuts}>
            {runs.slice(0, MAX_RUNS).map(({ id, number, what, beforeM, afterM }) => (
              <span key={id} className="chip">
                {number} {text(`order.changes.whats.${what}`)} <LengthText valueM={what === 'removed' ? beforeM : afterM} />
              </span>
            ))}
            {runs.length > MAX_RUNS && <span>{text('order.bill.more', { count: runs.length - MAX_RUNS })}</span>}
          </p>
        </>
      )}
    </>
  );
}

const workName = (part: string): string => text(`order.offer.work.${part as 'pull'}`);

function OrderCard({ order, mayPlan }: { readonly order: ChangeOrder; readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [signer, setSigner] = useState('');
  const change = changeOf(project, order);
  const isSigned = order.answer === 'signed';
  const set = (after: Partial<ChangeOrder>) => {
    const operations = changeRecord('changeOrders', order, after);
    if (operations.length > 0) edit(text('order.changes.order', { number: order.number }), operations);
  };
  return (
    <section className={css.spool} aria-label={text('order.changes.order', { number: order.number })}>
      <h3>{text('order.changes.order', { number: order.number })}</h3>
      <p className="faint">
        {text('order.changes.from', {
          ...{ before: project.baselines[order.fromId]?.name ?? '', after: project.baselines[order.toId]?.name ?? '' },
        })}
      </p>
      <fieldset className={css.fields} disabled={!mayPlan || isSigned} aria-label={text('order.changes.reason')}>
        <WordsField
          label={text('order.changes.reason')}
          value={order.reason}
          max={400}
          required
          onChange={(reason) => set({ reason })}
        />
        <ChoiceField
          label={text('order.changes.gate')}
          value={order.gate}
          options={TRADE_GATES.map((value) => ({ value, label: term(`gates.${value}`) }))}
          onChange={(gate) => set({ gate })}
        />
        {!isSigned && <WordsField label={text('order.changes.signedBy')} value={signer} max={60} onChange={setSigner} />}
      </fieldset>
      {CLOSED.has(order.gate) && <p className={css.bad}>{text('order.changes.drywall')}</p>}
      {change && <Difference change={change} />}
      {isSigned ? (
        <p>
          <b>{text('order.changes.signed', { by: order.signedBy, on: order.signedOn })}</b>
        </p>
      ) : (
        mayPlan && (
          <p className={css.buttons}>
            <SmallButton disabled={signer === ''} onClick={() => set({ answer: 'signed', signedBy: signer, signedOn: today() })}>
              {text('order.changes.sign')}
            </SmallButton>
            <SmallButton onClick={() => set({ answer: order.answer === 'declined' ? 'proposed' : 'declined' })}>
              {text(order.answer === 'declined' ? 'order.changes.answers.proposed' : 'order.changes.answers.declined')}
            </SmallButton>
            <SmallButton
              bare
              onClick={() => edit(text('order.changes.remove'), removeWithDependants(project, 'changeOrders', order.id))}
            >
              {text('order.changes.remove')}
            </SmallButton>
          </p>
        )
      )}
    </section>
  );
}
