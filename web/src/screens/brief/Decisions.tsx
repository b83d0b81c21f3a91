import { addDecision } from '../../commands/add-decision.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { openDecisions, prepareDecision, preparedState, reopenDecision, takeOption } from '@dusky-spool/core/brief';
import { deviceTitle } from '@dusky-spool/core/devices';
import { type OpenDecision, TRADE_GATES, type TradeGate } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { formatLength } from '@dusky-spool/core/math';
import { useMaySeeCosts } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { deviceIds, newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { setTradeDate } from '../../commands/set-trade-date.ts';
import { DayField } from '../../ui/DayField.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { PlaceField } from '../../ui/PlaceField.tsx';
import { Button } from 'antd';
import { useState } from 'react';
import { FindField } from '../../ui/FindField.tsx';
import { runCost } from '@dusky-spool/core/runs';
import { useDerived } from '../../state/derived.ts';
import { money } from '../../ui/money.ts';
import css from './brief.module.css';

/** Longer lists are searched. */
const SEARCHED_FROM = 5;

/** What is undecided, which cables keep every option open, until when, and who must decide. */
export function Decisions() {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [find, setFind] = useState('');
  const has = (words: string) => words.toLowerCase().includes(find.trim().toLowerCase());
  const all = openDecisions(project, today());
  const open = all.filter(({ decision }) => has(`${decision.subject} ${decision.owner}`));
  const decided = listOf(project, 'decisions').filter(({ chosen }) => chosen !== '');
  return (
    <section className={css.briefPage} aria-label={text('brief.views.decisions')}>
      <p className="faint">{text('brief.decisionsLead')}</p>
      {all.length > SEARCHED_FROM && (
        <FindField className={css.findRoom} label={text('brief.findDecision')} value={find} onChange={setFind} />
      )}
      {open.map(({ decision, device, superset, lastSafeOn, daysLeft }) => (
        <article key={decision.id} className={css.decision}>
          <header>
            <span className={`chip ${daysLeft === null ? 'quiet' : daysLeft < 0 ? 'stop' : daysLeft <= 14 ? 'look' : 'fine'}`}>
              {lastSafeOn === ''
                ? text('brief.noDate')
                : daysLeft! < 0
                  ? text('brief.late', { on: lastSafeOn, count: -daysLeft! })
                  : text('brief.by', { on: lastSafeOn, count: daysLeft! })}
            </span>
            <span className="faint">{term(`gates.${decision.gate}`)}</span>
            {lastSafeOn === '' && <GateDate gate={decision.gate} />}
          </header>
          {device ? (
            <p>
              <b>{text('brief.drawingOf', { subject: decision.subject })}</b>{' '}
              {text('brief.drawingNote', {
                tail: formatLength(device.tailM ?? 0, project.project.units),
                room: device.roomId === null ? term('outdoors') : project.rooms[device.roomId].name,
              })}
            </p>
          ) : (
            <DecisionFields decision={decision} />
          )}
          <p className={css.superset}>
            <b>{text('brief.superset')}</b>{' '}
            {superset.length === 0
              ? text('brief.supersetNone')
              : superset
                  .map(({ cableTypeId, count }) => `${count} × ${project.cableTypes[cableTypeId]?.name ?? cableTypeId}`)
                  .join(', ')}
          </p>
          {!device && superset.length > 0 && <Prepared decision={decision} />}
          {device ? (
            <div className="panel-buttons">
              <Button
                size="small"
                onClick={() => {
                  const operations = changeRecord('devices', device, { tailM: null });
                  if (operations.length > 0) edit(text('brief.drawingCame'), operations);
                }}
              >
                {text('brief.drawingCame')}
              </Button>
            </div>
          ) : (
            <div className="panel-buttons">
              {decision.options.map(({ name }) => (
                <Button
                  key={name}
                  size="small"
                  onClick={() =>
                    edit(text('brief.decide', { name }), takeOption(project, decision.id, name, today(), deviceIds.run))
                  }
                >
                  {text('brief.decide', { name })}
                </Button>
              ))}
              <Button size="small" onClick={() => edit(text('brief.remove'), removeRecords('decisions', [decision]))}>
                {text('brief.remove')}
              </Button>
            </div>
          )}
        </article>
      ))}
      <Button
        onClick={() =>
          edit(text('brief.decisionAdd'), addDecision(project, { id: newRecordId('od'), subject: text('brief.decisionNew') }))
        }
      >
        {text('brief.decisionAdd')}
      </Button>
      {decided.length > 0 && (
        <>
          <h3 className="eyebrow">{text('brief.decided')}</h3>
          <ul className={css.decided}>
            {decided.map((decision) => (
              <li key={decision.id}>
                <b>{decision.subject}</b> {decision.chosen} <span className="faint">{decision.decidedOn}</span>
                <Button size="small" onClick={() => edit(text('brief.reopen'), reopenDecision(project, decision.id, deviceIds))}>
                  {text('brief.reopen')}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** The cables of a decision on the plan: what is prepared, and what still has to be. */
function Prepared({ decision }: { readonly decision: OpenDecision }) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const maySeeCosts = useMaySeeCosts();
  const { devices, runs, missing } = preparedState(project, decision);
  const planned = new Set(runs.map(({ id }) => id));
  const cost = useDerived(project)
    .runs.filter(({ run }) => planned.has(run.id))
    .reduce((sum, one) => sum + runCost(project, one).cost, 0);
  return (
    <p className={css.prepared}>
      {devices.length > 0 &&
        text(maySeeCosts ? 'brief.prepared' : 'brief.preparedPlain', {
          count: runs.length,
          devices: devices.map((one) => deviceTitle(one, project.deviceTypes[one.typeId])).join(', '),
          numbers: runs.map(({ number }) => number).join(', '),
          cost: `${project.project.currency} ${money(cost)}`,
        })}{' '}
      {missing.length > 0 && (
        <Button
          size="small"
          type="primary"
          onClick={() => edit(text('brief.prepare', { count: missing.length }), prepareDecision(project, decision.id, deviceIds))}
        >
          {text('brief.prepare', { count: missing.length })}
        </Button>
      )}
    </p>
  );
}

/** The date of a gate, set where it is missed. */
function GateDate({ gate }: { readonly gate: TradeGate }) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  return (
    <DayField
      label={text('brief.setDate', { gate: term(`gates.${gate}`).toLowerCase() })}
      value=""
      onChange={(on) => edit(text('brief.dates'), setTradeDate(project, { id: newRecordId('td'), gate, on }))}
    />
  );
}

function DecisionFields({ decision }: { readonly decision: OpenDecision }) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const change = (after: Partial<OpenDecision>) => {
    const operations = changeRecord('decisions', decision, after);
    if (operations.length > 0) edit(text('edit.decision', { subject: decision.subject }), operations);
  };
  const types = listOf(project, 'deviceTypes').toSorted((a, b) => (a.name < b.name ? -1 : 1));
  return (
    <div className={css.briefFacts}>
      <WordsField
        label={text('brief.subject')}
        value={decision.subject}
        max={160}
        required
        onChange={(subject) => change({ subject })}
      />
      <PlaceField value={decision} onChange={change} />
      <WordsField label={text('brief.owner')} value={decision.owner} max={60} onChange={(owner) => change({ owner })} />
      <ChoiceField
        label={text('brief.gate')}
        value={decision.gate}
        options={TRADE_GATES.map((value) => ({ value, label: term(`gates.${value}`) }))}
        onChange={(gate) => change({ gate })}
      />
      <NumberField
        label={text('brief.leadDays')}
        value={decision.leadDays}
        min={0}
        max={365}
        onChange={(leadDays) => change({ leadDays })}
      />
      <ChoiceField
        label={text('brief.optionAdd')}
        value=""
        options={[
          { value: '', label: decision.options.map(({ name }) => name).join(' / ') || text('brief.optionNone') },
          ...types
            .filter(({ id, part }) => part === 'device' && !decision.options.some((option) => option.typeId === id))
            .map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(typeId) =>
          typeId && change({ options: [...decision.options, { name: project.deviceTypes[typeId].name, typeId }].slice(0, 12) })
        }
      />
    </div>
  );
}
