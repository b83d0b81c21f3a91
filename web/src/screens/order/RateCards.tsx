import { listOf } from '@dusky-spool/core/derive';
import { firstFree } from '@dusky-spool/core/math';
import { RATE_CARD_KINDS, type RateCard, removeWithDependants } from '@dusky-spool/core/model';
import { applyRateCard, isApplied, ratesOf } from '@dusky-spool/core/order';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './order.module.css';

/** Rates agreed with builders and trades: the offer is priced at those of one card with one press. */
export function RateCards() {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const cards = listOf(project, 'rateCards').toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const names = new Set(cards.map(({ name }) => name));
  const save = () => {
    const { name } = firstFree((number) => text('order.rates.newName', { number }), names, cards.length + 1);
    edit(
      text('order.rates.save'),
      createRecords('rateCards', [{ id: newRecordId('rate'), name, kind: 'builder', ...ratesOf(project) }]),
    );
  };
  return (
    <>
      <h3 className={css.part}>{text('order.rates.title')}</h3>
      <p className="faint">{text('order.rates.lead')}</p>
      <div className={css.options}>
        {cards.map((card) => (
          <Card key={card.id} card={card} />
        ))}
      </div>
      <SmallButton onClick={save}>{text('order.rates.save')}</SmallButton>
    </>
  );
}

function Card({ card }: { readonly card: RateCard }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { currency } = project.project;
  const change = (after: Partial<RateCard>) => {
    const operations = changeRecord('rateCards', card, after);
    if (operations.length > 0) edit(card.name, operations);
  };
  const flat = (price: number | null) => (price === null ? text('order.offer.fields.byHours') : `${price} ${currency}`);
  return (
    <section className={css.spool} aria-label={card.name}>
      <WordsField
        label={text('order.tasks.fields.name')}
        value={card.name}
        max={60}
        required
        onChange={(name) => change({ name })}
      />
      <ChoiceField
        label={text('order.rates.for')}
        value={card.kind}
        options={RATE_CARD_KINDS.map((value) => ({ value, label: text(`order.rates.kinds.${value}`) }))}
        onChange={(kind) => change({ kind })}
      />
      <p>
        {text('order.rates.line', {
          ...{ rate: card.labourRate, margin: card.marginPercent, currency },
          ...{ outlet: flat(card.outletPrice), window: flat(card.windowPrice) },
        })}
      </p>
      {isApplied(project, card) ? (
        <b>{text('order.rates.applied')}</b>
      ) : (
        <SmallButton onClick={() => edit(text('order.rates.applyOf', { name: card.name }), applyRateCard(project, card))}>
          {text('order.rates.apply')}
        </SmallButton>
      )}{' '}
      <SmallButton bare onClick={() => edit(text('order.rates.remove'), removeWithDependants(project, 'rateCards', card.id))}>
        {text('order.rates.remove')}
      </SmallButton>
    </section>
  );
}
