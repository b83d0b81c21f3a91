import type { OptionOfHouse } from '@dusky-spool/core/deltas';
import { formatCents, type Offer, offerOf, tasksOfOption } from '@dusky-spool/core/order';
import { listOf } from '@dusky-spool/core/derive';
import { firstFree } from '@dusky-spool/core/math';
import { type OfferOption, removeWithDependants, SYSTEMS } from '@dusky-spool/core/model';
import { billNames, problemSentence } from '@dusky-spool/texts';
import { Select } from 'antd';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { term, text } from '../../ground/text.ts';
import { askOptions } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { useAsked } from '../../state/useAsked.ts';
import { WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './order.module.css';

/** Options beside the whole offer: price and difference of each, and what it leaves out. */
export function OfferOptions({ offer, mayPlan }: { readonly offer: Offer; readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const options = listOf(project, 'offerOptions').toSorted((a, b) => a.order - b.order);
  const found = useAsked(askOptions, options.length > 0 ? '' : null);
  const names = new Set(options.map(({ name }) => name));
  const add = () => {
    const { name } = firstFree((number) => text('order.offer.newOption', { number }), names, options.length + 1);
    edit(
      text('order.offer.addOption'),
      createRecords('offerOptions', [
        {
          ...{ id: newRecordId('option'), order: options.length, name, note: '' },
          ...{ withoutSystems: [], withoutRoomIds: [], withoutPhaseIds: [], swaps: [] },
        },
      ]),
    );
  };
  return (
    <>
      <h3 className={css.part}>{text('order.offer.options')}</h3>
      <p className="faint">{text('order.offer.optionsLead')}</p>
      <div className={css.options}>
        <section className={css.spool} aria-label={text('order.offer.whole')}>
          <b>{text('order.offer.whole')}</b>
          <p className={css.mainSum}>{formatCents(offer.totalCents, project.project.currency)}</p>
        </section>
        {options.map((option) => (
          <OptionCard
            key={option.id}
            {...{ option, mayPlan, whole: offer.totalCents }}
            found={found?.find(({ id }) => id === option.id) ?? null}
          />
        ))}
      </div>
      {mayPlan && <SmallButton onClick={add}>{text('order.offer.addOption')}</SmallButton>}
    </>
  );
}

interface CardProps {
  readonly option: OfferOption;
  readonly found: OptionOfHouse | null;
  readonly whole: number;
  readonly mayPlan: boolean;
}

function OptionCard({ option, found, whole, mayPlan }: CardProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { currency } = project.project;
  const change = (after: Partial<OfferOption>) => {
    const operations = changeRecord('offerOptions', option, after);
    if (operations.length > 0) edit(option.name, operations);
  };
  const total = found?.source.ok
    ? offerOf({ ...project, siteTasks: tasksOfOption(project, option) }, found.source.value, billNames, today()).totalCents
    : null;
  return (
    <section className={css.spool} aria-label={option.name}>
      {mayPlan ? (
        <WordsField
          label={text('order.tasks.fields.name')}
          value={option.name}
          max={60}
          required
          onChange={(name) => change({ name })}
        />
      ) : (
        <b>{option.name}</b>
      )}
      {found && !found.source.ok && <p className={css.bad}>{problemSentence(found.source.problem)}</p>}
      {total !== null && (
        <>
          <p className={css.mainSum}>{formatCents(total, currency)}</p>
          <p className="faint">
            {text('order.offer.difference')}: {formatCents(total - whole, currency)}
          </p>
        </>
      )}
      <OptionFields {...{ option, mayPlan, change }} />
      <WordsField label={text('order.offer.note')} value={option.note} max={400} onChange={(note) => change({ note })} />
      {mayPlan && (
        <SmallButton
          bare
          onClick={() =>
            edit(
              text('order.offer.removeOption', { name: option.name }),
              removeWithDependants(project, 'offerOptions', option.id),
            )
          }
        >
          {text('order.offer.removeOption', { name: option.name })}
        </SmallButton>
      )}
    </section>
  );
}

interface FieldsProps {
  readonly option: OfferOption;
  readonly mayPlan: boolean;
  readonly change: (after: Partial<OfferOption>) => void;
}

/** What the option leaves out, and the devices that it takes instead. */
function OptionFields({ option, mayPlan, change }: FieldsProps) {
  const project = useProject();
  const used = new Set(listOf(project, 'devices').map(({ typeId }) => typeId));
  const types = listOf(project, 'deviceTypes');
  const typeOptions = types.map(({ id, name }) => ({ value: id, label: name }));
  const [swap] = option.swaps;
  const lists = [
    ['withoutSystems', SYSTEMS.map((value) => ({ value: value as string, label: term(`systems.${value}`) }))],
    ['withoutRoomIds', listOf(project, 'rooms').map(({ id, name }) => ({ value: id, label: name }))],
    ['withoutPhaseIds', listOf(project, 'phases').map(({ id, name }) => ({ value: id, label: name }))],
  ] as const;
  const labels = { withoutSystems: 'withoutSystems', withoutRoomIds: 'withoutRooms', withoutPhaseIds: 'withoutPhases' } as const;
  return (
    <>
      {lists
        .filter(([, options]) => options.length > 0)
        .map(([field, options]) => (
          <label key={field} className="field">
            <span>{text(`order.offer.${labels[field]}`)}</span>
            <Select
              mode="multiple"
              size="small"
              disabled={!mayPlan}
              value={[...option[field]]}
              aria-label={text(`order.offer.${labels[field]}`)}
              options={options}
              showSearch={{ optionFilterProp: 'label' }}
              onChange={(value: string[]) => change({ [field]: value })}
            />
          </label>
        ))}
      <label className="field">
        <span>{text('order.offer.swapFrom')}</span>
        <Select
          size="small"
          allowClear
          disabled={!mayPlan}
          value={swap?.fromTypeId}
          aria-label={text('order.offer.swapFrom')}
          options={typeOptions.filter(({ value }) => used.has(value))}
          showSearch={{ optionFilterProp: 'label' }}
          onChange={(fromTypeId?: string) => change({ swaps: fromTypeId ? [{ fromTypeId, toTypeId: fromTypeId }] : [] })}
        />
      </label>
      {swap && (
        <label className="field">
          <span>{text('order.offer.swapTo')}</span>
          <Select
            size="small"
            disabled={!mayPlan}
            value={swap.toTypeId}
            aria-label={text('order.offer.swapTo')}
            options={typeOptions}
            showSearch={{ optionFilterProp: 'label' }}
            onChange={(toTypeId) => change({ swaps: [{ ...swap, toTypeId }] })}
          />
        </label>
      )}
    </>
  );
}
