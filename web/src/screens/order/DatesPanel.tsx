import { formatCents, type Offer, type Schedule } from '@dusky-spool/core/order';
import { TRADE_GATES, type TradeGate } from '@dusky-spool/core/model';
import { billName } from '@dusky-spool/texts';
import { useEffect, useState } from 'react';
import { setTradeDate } from '../../commands/set-trade-date.ts';
import { useMaySeeCosts } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { askSchedule } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { DayField } from '../../ui/DayField.tsx';
import { MakingButton } from '../../ui/MakingButton.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { gateItemName } from './gate-item-name.ts';
import { GateBoard } from './GateBoard.tsx';
import { GateTimeline } from './GateTimeline.tsx';
import { Permits } from './Permits.tsx';
import { RoomDates } from './RoomDates.tsx';

import css from './order.module.css';

interface Props {
  readonly projectId: string;
  readonly offer: Offer;
  readonly mayPlan: boolean;
}

/** When what is done: gates with their windows, what is late, order days and decisions, as a timeline and as lists. */
export function DatesPanel({ projectId, offer, mayPlan }: Props) {
  const schedule = useSchedule(offer);
  if (!schedule) return <p className="faint">{text('order.planning')}</p>;
  return (
    <>
      <p className="faint">{text('order.dates.lead')}</p>
      <p className={css.buttons}>
        <MakingButton label={text('order.dates.calendar')} path={`/projects/${projectId}/documents/dates.ics/job`} />
      </p>
      <Contradictions schedule={schedule} />
      <GateTimeline schedule={schedule} today={today()} />
      <GateBoard schedule={schedule} />
      <GateTable {...{ schedule, mayPlan }} />
      <Permits {...{ schedule, mayPlan }} />
      {schedule.commissionFrom && <p>{text('order.dates.commission', { day: schedule.commissionFrom })}</p>}
      <LateItems schedule={schedule} />
      <OrderDays schedule={schedule} />
      <Decisions schedule={schedule} />
      <RoomDates mayPlan={mayPlan} />
    </>
  );
}

/** The schedule of the worker, asked again after each edit; the last one stays until the next is there. */
function useSchedule(offer: Offer): Schedule | null {
  const [schedule, setSchedule] = useState<Schedule | null>(null);
  useEffect(() => {
    let isOver = false;
    void askSchedule(offer, today()).then((found) => {
      if (!isOver && found) setSchedule(found);
    });
    return () => {
      isOver = true;
    };
  }, [offer]);
  return schedule;
}

interface ScheduleProps {
  readonly schedule: Schedule;
}

function Contradictions({ schedule: { contradictions } }: ScheduleProps) {
  const project = useProject();
  if (contradictions.length === 0) return null;
  return (
    <ul className="caution" role="alert" aria-label={text('order.dates.contradictions')}>
      {contradictions.map(({ gate, before, roomId }) => (
        <li key={`${gate} ${roomId}`}>
          {roomId !== null && `${project.rooms[roomId]?.name}: `}
          {before === null
            ? text('order.dates.backward', { gate: term(`gates.${gate}`) })
            : text('order.dates.before', { gate: term(`gates.${gate}`), before: term(`gates.${before}`) })}
        </li>
      ))}
    </ul>
  );
}

const COLUMNS = ['gate', 'from', 'on', 'items', 'late', 'crew', 'start'] as const;

/** Every gate with its window, which is typed here, how much of it is done, and our own work before it. */
function GateTable({ schedule: { gates, items }, mayPlan }: ScheduleProps & Pick<Props, 'mayPlan'>) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [open, setOpen] = useState<TradeGate | null>(null);
  const dated = (gate: TradeGate, days: { readonly on?: string; readonly from?: string }) =>
    edit(text('order.dates.gates'), setTradeDate(project, { id: newRecordId('td'), gate, ...days }));
  return (
    <>
      <h3 className={css.part}>{text('order.dates.gates')}</h3>
      <table className={css.table}>
        <thead>
          <tr>
            {COLUMNS.map((name) => (
              <th key={name} scope="col">
                {text(`order.dates.columns.${name}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {TRADE_GATES.map((gate) => {
            const state = gates.find((one) => one.gate === gate)!;
            const name = term(`gates.${gate}`);
            return (
              <tr key={gate}>
                <th scope="row">
                  <SmallButton bare aria-expanded={open === gate} onClick={() => setOpen(open === gate ? null : gate)}>
                    {name}
                  </SmallButton>
                  {open === gate && (
                    <ul className={css.levels} aria-label={text('order.dates.listFor', { gate: name })}>
                      {items
                        .filter((item) => item.gate === gate)
                        .map((item, n) => (
                          <li key={n}>
                            {gateItemName(project, item)} · {text(item.isDone ? 'order.dates.isDone' : 'order.dates.open')}
                            {item.dueOn !== state.on && item.dueOn !== '' && ` · ${item.dueOn}`}
                          </li>
                        ))}
                    </ul>
                  )}
                </th>
                {(['from', 'on'] as const).map((field) => (
                  <td key={field}>
                    {mayPlan ? (
                      <DayField
                        isBare
                        label={`${name}, ${text(`order.dates.columns.${field}`)}`}
                        value={state[field]}
                        onChange={(day) => dated(gate, { [field]: day })}
                      />
                    ) : (
                      state[field]
                    )}
                  </td>
                ))}
                <td>{state.all > 0 ? `${state.done}/${state.all}` : ''}</td>
                <td className={state.late > 0 ? css.bad : undefined}>{state.late > 0 ? state.late : ''}</td>
                <td>
                  {state.hours > 0 && text('order.dates.crewDays', { hours: state.hours.toFixed(0), days: state.crewDays })}
                </td>
                <td>{state.startBy}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

/** So many late items are listed. */
const MAX_LATE = 50;

function LateItems({ schedule: { late } }: ScheduleProps) {
  const project = useProject();
  const maySeeCosts = useMaySeeCosts();
  if (late.length === 0) return null;
  const { currency } = project.project;
  return (
    <>
      <h3 className={css.part}>{text('order.dates.lateTitle', { count: late.length })}</h3>
      <ul className={css.levels}>
        {late.slice(0, MAX_LATE).map(({ item, callBack, costCents }, n) => (
          <li key={n}>
            {text('order.dates.late', {
              ...{ name: gateItemName(project, item), gate: term(`gates.${item.gate}`), day: item.dueOn },
            })}{' '}
            {callBack.length > 0 &&
              text('order.dates.callBack', {
                trades: callBack.map((trade) => text(`order.dates.trades.${trade as 'paint'}`)).join(', '),
              })}{' '}
            {maySeeCosts && costCents !== null && text('order.dates.cost', { price: formatCents(costCents, currency) })}
          </li>
        ))}
        {late.length > MAX_LATE && <li>{text('order.bill.more', { count: late.length - MAX_LATE })}</li>}
      </ul>
    </>
  );
}

function OrderDays({ schedule: { orders } }: ScheduleProps) {
  if (orders.length === 0) return null;
  return (
    <>
      <h3 className={css.part}>{text('order.dates.orders')}</h3>
      <p className="faint">{text('order.dates.ordersLead')}</p>
      <table className={css.table}>
        <thead>
          <tr>
            {(['what', 'gate', 'lead', 'onSite', 'order'] as const).map((name) => (
              <th key={name} scope="col">
                {text(`order.dates.orderColumns.${name}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {orders.map(({ key, part, name, detail, gate, leadDays, onSiteBy, orderBy, isLate }) => (
            <tr key={key}>
              <th scope="row">{[billName({ part, name }), detail].filter(Boolean).join(', ')}</th>
              <td>{term(`gates.${gate}`)}</td>
              <td>{text('order.dates.workingDays', { count: leadDays })}</td>
              <td>{onSiteBy}</td>
              <td className={isLate ? css.bad : undefined}>
                {orderBy} {isLate && text('order.dates.isLate')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Decisions({ schedule: { decisions } }: ScheduleProps) {
  if (decisions.length === 0) return null;
  return (
    <>
      <h3 className={css.part}>{text('order.dates.decisions')}</h3>
      <ul className={css.levels}>
        {decisions.map(({ id, subject, by, owner }) => (
          <li key={id}>
            {text('order.dates.decision', { subject, day: by })} {owner && text('order.dates.owner', { owner })}
          </li>
        ))}
      </ul>
    </>
  );
}
