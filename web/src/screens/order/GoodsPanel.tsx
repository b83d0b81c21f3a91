import { listOf } from '@dusky-spool/core/derive';
import { checkedDelivery, goodsOf, type GoodsState, type Offer, type OfferLine } from '@dusky-spool/core/order';
import { type Delivery, GOODS_PLACES, removeWithDependants } from '@dusky-spool/core/model';
import { offerLineName } from '@dusky-spool/texts';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './order.module.css';

const lineName = (line: OfferLine): string => [offerLineName(line), line.detail].filter(Boolean).join(', ').slice(0, 120);

interface Props {
  readonly offer: Offer;
  readonly mayWrite: boolean;
}

/** What is needed, ordered and there, and every delivery with where it is. */
export function GoodsPanel({ offer, mayWrite }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const goods = goodsOf(project, offer.lines, lineName);
  const suppliers = new Map(offer.lines.map((line) => [line.key, line.supplier]));
  const order = (states: readonly GoodsState[]) =>
    edit(
      text('order.goods.orderAll', { count: states.length }),
      createRecords(
        'deliveries',
        states.map(({ key, name, toOrder }) => ({
          ...{ id: newRecordId('goods'), item: name, count: toOrder, supplier: suppliers.get(key) ?? '', orderedOn: today() },
          ...{ promisedOn: '', receivedOn: '', checkedOn: '', damagedCount: 0, place: 'ordered' as const, serials: [] },
          ...{ terms: '', preparedBy: '', preparedOn: '', note: '' },
        })),
      ),
    );
  const open = goods.filter(({ toOrder }) => toOrder > 0);
  const deliveries = listOf(project, 'deliveries');
  return (
    <>
      <p className="faint">{text('order.goods.lead')}</p>
      {mayWrite && open.length > 0 && (
        <SmallButton onClick={() => order(open)}>{text('order.goods.orderAll', { count: open.length })}</SmallButton>
      )}
      <table className={css.table}>
        <thead>
          <tr>
            {(['what', 'needed', 'ordered', 'there', 'damaged', 'promised', 'toOrder'] as const).map((name) => (
              <th key={name} scope="col" className={name === 'what' ? undefined : css.figure}>
                {text(`order.goods.columns.${name}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {goods.map((state) => (
            <tr key={state.key}>
              <th scope="row">{state.name}</th>
              {[state.needed, state.ordered, state.there, state.damaged || '', state.nextPromisedOn].map((value, n) => (
                <td key={n} className={css.figure}>
                  {value}
                </td>
              ))}
              <td className={css.figure}>
                {state.toOrder > 0 && mayWrite ? (
                  <SmallButton onClick={() => order([state])}>{text('order.goods.order', { count: state.toOrder })}</SmallButton>
                ) : (
                  state.toOrder || ''
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <h3 className={css.part}>{text('order.goods.deliveries')}</h3>
      {deliveries.length === 0 && <p>{text('order.goods.none')}</p>}
      {deliveries.map((delivery) => (
        <DeliveryFields key={delivery.id} {...{ delivery, mayWrite }} />
      ))}
    </>
  );
}

const DAYS = ['orderedOn', 'promisedOn', 'receivedOn', 'checkedOn', 'preparedOn'] as const;
const WORDS = [
  ['supplier', 60],
  ['preparedBy', 60],
  ['terms', 200],
  ['note', 400],
] as const;

function DeliveryFields({ delivery, mayWrite }: { readonly delivery: Delivery; readonly mayWrite: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<Delivery>) => {
    const checked = checkedDelivery({ ...delivery, ...after });
    // A refusal is shown beside the field that it comes from.
    if (!checked.ok) return edit(delivery.item, checked);
    const operations = changeRecord('deliveries', delivery, after);
    if (operations.length > 0) return edit(delivery.item, operations);
  };
  return (
    <fieldset className={css.fields} disabled={!mayWrite} aria-label={delivery.item}>
      <b className={css.wide}>{delivery.item}</b>
      {(['count', 'damagedCount'] as const).map((field) => (
        <NumberField
          key={field}
          label={text(`order.goods.fields.${field}`)}
          value={delivery[field]}
          min={field === 'count' ? 1 : 0}
          max={100_000}
          onChange={(value) => change({ [field]: Math.round(value) })}
        />
      ))}
      <ChoiceField
        label={text('order.goods.fields.place')}
        value={delivery.place}
        options={GOODS_PLACES.map((value) => ({ value, label: text(`order.goods.places.${value}`) }))}
        onChange={(place) => change({ place })}
      />
      {DAYS.map((field) => (
        <DayField
          key={field}
          label={text(`order.goods.fields.${field}`)}
          value={delivery[field]}
          onChange={(value) => change({ [field]: value })}
        />
      ))}
      {WORDS.map(([field, max]) => (
        <WordsField
          key={field}
          label={text(`order.goods.fields.${field}`)}
          value={delivery[field]}
          max={max}
          onChange={(value) => change({ [field]: value })}
        />
      ))}
      <WordsField
        long
        label={text('order.goods.fields.serials')}
        value={delivery.serials.join('\n')}
        max={30_000}
        onChange={(value) =>
          change({
            serials: value
              .split('\n')
              .map((serial) => serial.trim())
              .filter(Boolean),
          })
        }
      />
      {mayWrite && (
        <span className={css.buttons}>
          {delivery.receivedOn === '' && (
            <SmallButton onClick={() => change({ receivedOn: today(), place: 'shop' })}>
              {text('order.goods.receive')}
            </SmallButton>
          )}
          <SmallButton
            bare
            onClick={() => edit(text('order.goods.remove'), removeWithDependants(project, 'deliveries', delivery.id))}
          >
            {text('order.goods.remove')}
          </SmallButton>
        </span>
      )}
    </fieldset>
  );
}
