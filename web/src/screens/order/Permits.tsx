import { listOf } from '@dusky-spool/core/derive';
import { firstFree } from '@dusky-spool/core/math';
import type { PermitState, Schedule } from '@dusky-spool/core/order';
import { type Permit, PERMIT_RESULTS, removeWithDependants, TRADE_GATES } from '@dusky-spool/core/model';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './order.module.css';

const USUAL_LEAD_DAYS = 10;

/** Permits with the day by which each is applied for, and what came of its inspection. */
export function Permits({ schedule: { permits }, mayPlan }: { readonly schedule: Schedule; readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const add = () => {
    // Of the project, not of the worker's schedule, which comes a moment after an edit.
    const names = new Set(listOf(project, 'permits').map((permit) => permit.name));
    const { name } = firstFree((number) => text('order.permits.newName', { number }), names, names.size + 1);
    const permit: Permit = {
      ...{ id: newRecordId('pm'), name, authority: '', number: '' },
      ...{ gate: 'low-voltage-rough-in', leadDays: USUAL_LEAD_DAYS, appliedOn: '', grantedOn: '', inspectedOn: '' },
      ...{ inspector: '', result: 'open', note: '' },
    };
    edit(text('order.permits.add'), createRecords('permits', [permit]));
  };
  if (permits.length === 0 && !mayPlan) return null;
  return (
    <>
      <h3 className={css.part}>{text('order.permits.title')}</h3>
      <p className="faint">{text('order.permits.lead')}</p>
      <div className={css.permits}>
        {permits.map((state) => (
          <PermitFields
            key={state.permit.id}
            {...{ state, mayPlan }}
            onRemove={() => edit(text('order.permits.remove'), removeWithDependants(project, 'permits', state.permit.id))}
          />
        ))}
      </div>
      {mayPlan && <SmallButton onClick={add}>{text('order.permits.add')}</SmallButton>}
    </>
  );
}

interface FieldsProps {
  readonly state: PermitState;
  readonly mayPlan: boolean;
  readonly onRemove: () => void;
}

function PermitFields({ state: { permit, neededBy, applyBy, state }, mayPlan, onRemove }: FieldsProps) {
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<Permit>) => {
    const operations = changeRecord('permits', permit, after);
    if (operations.length > 0) edit(permit.name, operations);
  };
  const isBad = state === 'late' || state === 'failed';
  return (
    <section className={css.spool} aria-label={permit.name}>
      <p className={isBad ? css.bad : undefined}>
        <b>{permit.name}</b> · {text(`order.permits.states.${state}`)}
        {neededBy !== '' && ` · ${dayWords({ permit, neededBy, applyBy, state })}`}
      </p>
      <fieldset className={css.fields} disabled={!mayPlan}>
        <WordsField
          label={text('order.tasks.fields.name')}
          value={permit.name}
          max={80}
          required
          onChange={(name) => change({ name })}
        />
        {(['authority', 'number', 'inspector'] as const).map((field) => (
          <WordsField
            key={field}
            label={text(`order.permits.fields.${field}`)}
            value={permit[field]}
            max={field === 'authority' ? 80 : 40}
            onChange={(value) => change({ [field]: value })}
          />
        ))}
        <ChoiceField
          label={text('order.permits.fields.gate')}
          value={permit.gate}
          options={TRADE_GATES.map((value) => ({ value, label: term(`gates.${value}`) }))}
          onChange={(gate) => change({ gate })}
        />
        <NumberField
          label={text('order.permits.fields.leadDays')}
          value={permit.leadDays}
          min={0}
          max={365}
          onChange={(value) => change({ leadDays: Math.round(value) })}
        />
        {(['appliedOn', 'grantedOn', 'inspectedOn'] as const).map((field) => (
          <DayField
            key={field}
            label={text(`order.permits.fields.${field}`)}
            value={permit[field]}
            onChange={(day) => change({ [field]: day })}
          />
        ))}
        <ChoiceField
          label={text('order.permits.fields.result')}
          value={permit.result}
          options={PERMIT_RESULTS.map((value) => ({ value, label: text(`order.permits.results.${value}`) }))}
          onChange={(result) => change({ result })}
        />
        <WordsField
          label={text('order.permits.fields.note')}
          value={permit.note}
          max={400}
          onChange={(note) => change({ note })}
        />
        {mayPlan && (
          <SmallButton bare onClick={onRemove}>
            {text('order.permits.remove')}
          </SmallButton>
        )}
      </fieldset>
    </section>
  );
}

/** By when it is applied for; once it is, by when it is needed. */
const dayWords = ({ permit, neededBy, applyBy }: PermitState): string =>
  permit.appliedOn === '' && permit.grantedOn === ''
    ? text('order.permits.applyBy', { day: applyBy, neededBy })
    : text('order.permits.neededBy', { neededBy });
