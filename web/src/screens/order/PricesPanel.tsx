import { listOf } from '@dusky-spool/core/derive';
import { centsOf, isValidOn } from '@dusky-spool/core/order';
import { type Price, removeWithDependants } from '@dusky-spool/core/model';
import { type ChangeEvent, useRef, useState } from 'react';
import { Input } from 'antd';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { DayField } from '../../ui/DayField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { PriceImport } from './PriceImport.tsx';

import css from './order.module.css';

/** So many prices are shown at once. */
const SHOWN = 40;

interface Props {
  readonly projectId: string;
  readonly mayPlan: boolean;
  /** Names of the bill of materials, for what a price list calls otherwise. */
  readonly billNames: ReadonlySet<string>;
}

/** Price lists of suppliers: brought in as a table, or typed. */
export function PricesPanel({ projectId, mayPlan, billNames }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [find, setFind] = useState('');
  const [file, setFile] = useState<File | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const wanted = find.trim().toLowerCase();
  const prices = listOf(project, 'prices')
    .filter(({ item, supplier, partNumber }) => `${item} ${supplier} ${partNumber}`.toLowerCase().includes(wanted))
    .toSorted((a, b) => a.item.localeCompare(b.item));
  const take = (event: ChangeEvent<HTMLInputElement>) => {
    setFile(event.target.files?.[0] ?? null);
    event.target.value = '';
  };
  const add = () =>
    edit(
      text('order.prices.add'),
      createRecords('prices', [
        {
          ...{
            id: newRecordId('price'),
            item: [...billNames][0] ?? text('order.prices.fields.item'),
            supplier: '',
            partNumber: '',
          },
          ...{ priceCents: 0, taxPercent: null, validFrom: '', validTo: '', leadDays: 5 },
        },
      ]),
    );
  return (
    <>
      <p className="faint">{text('order.prices.lead')}</p>
      {mayPlan && (
        <p className={css.buttons}>
          <SmallButton onClick={() => input.current?.click()}>{text('order.prices.import')}</SmallButton>
          <SmallButton onClick={add}>{text('order.prices.add')}</SmallButton>
          <input
            ref={input}
            hidden
            type="file"
            accept=".csv,.txt,.tsv,.xlsx"
            aria-label={text('order.prices.import')}
            onChange={take}
          />
        </p>
      )}
      {Object.keys(project.prices).length === 0 ? (
        <p>{text('order.prices.none')}</p>
      ) : (
        <Input
          value={find}
          placeholder={text('order.prices.find')}
          aria-label={text('order.prices.find')}
          onChange={(event) => setFind(event.target.value)}
        />
      )}
      {prices.slice(0, SHOWN).map((price) => (
        <PriceFields key={price.id} {...{ price, mayPlan }} />
      ))}
      {prices.length > SHOWN && <p className="faint">{text('order.prices.more', { shown: SHOWN, count: prices.length })}</p>}
      {file && <PriceImport {...{ projectId, file, billNames }} onClose={() => setFile(null)} />}
    </>
  );
}

function PriceFields({ price, mayPlan }: { readonly price: Price; readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<Price>) => {
    const operations = changeRecord('prices', price, after);
    if (operations.length > 0) return edit(price.item, operations);
  };
  return (
    <fieldset className={`${css.fields} ${css.dense}`} disabled={!mayPlan} aria-label={price.item}>
      <WordsField
        label={text('order.prices.fields.item')}
        value={price.item}
        max={120}
        required
        onChange={(item) => change({ item })}
      />
      {(['supplier', 'partNumber'] as const).map((field) => (
        <WordsField
          key={field}
          label={text(`order.prices.fields.${field}`)}
          value={price[field]}
          max={60}
          onChange={(value) => change({ [field]: value })}
        />
      ))}
      <NumberField
        label={`${text('order.prices.fields.price')} (${project.project.currency})`}
        value={price.priceCents / 100}
        min={0}
        max={10_000_000}
        step={0.01}
        onChange={(value) => change({ priceCents: centsOf(value) })}
      />
      {(['validFrom', 'validTo'] as const).map((field) => (
        <DayField
          key={field}
          label={text(`order.prices.fields.${field}`)}
          value={price[field]}
          onChange={(value) => change({ [field]: value })}
        />
      ))}
      <NumberField
        label={text('order.prices.fields.leadDays')}
        value={price.leadDays}
        min={0}
        max={365}
        onChange={(leadDays) => change({ leadDays: Math.round(leadDays) })}
      />
      <span className="faint">
        {!isValidOn(price, today()) && <span className={css.bad}>{text('order.offer.rules.doubts.price-expired')} </span>}
        {mayPlan && (
          <SmallButton bare onClick={() => edit(text('order.prices.remove'), removeWithDependants(project, 'prices', price.id))}>
            {text('order.prices.remove')}
          </SmallButton>
        )}
      </span>
    </fieldset>
  );
}
