import type { OrderOfHouse } from '@dusky-spool/core/deltas';
import {
  formatCents,
  groupOffer,
  OFFER_GROUPINGS,
  OFFER_GROUPS,
  type Offer,
  type OfferGrouping,
  type OfferLine,
} from '@dusky-spool/core/order';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { offerLineName } from '@dusky-spool/texts';
import { Segmented } from 'antd';
import { useState } from 'react';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { CauseChips } from './CauseChips.tsx';
import { LaterPrices } from './LaterPrices.tsx';
import { OfferOptions } from './OfferOptions.tsx';
import { OfferPrint } from './OfferPrint.tsx';
import { OfferSettings } from './OfferSettings.tsx';
import { RateCards } from './RateCards.tsx';
import { ruleSentences } from './price-rule.ts';

import css from './order.module.css';

interface Props {
  readonly projectId: string;
  readonly order: OrderOfHouse;
  readonly offer: Offer;
  readonly mayPlan: boolean;
}

/** What the client pays, by part, system, room, phase or supplier; a chosen line says what its price comes from. */
export function OfferPanel({ projectId, order, offer, mayPlan }: Props) {
  const project = useProject();
  const { currency } = project.project;
  const price = (cents: number) => formatCents(cents, currency);
  const hours = (value: number) => value.toFixed(0);
  return (
    <>
      <p className="faint">{text('order.offer.lead')}</p>
      <dl className={css.sums}>
        {(
          [
            ['price', price(offer.priceCents)],
            ['tax', price(offer.taxCents)],
            ['total', price(offer.totalCents)],
            ['deposit', price(offer.depositCents)],
            // What the firm pays is no business of whom it works for.
            ...(mayPlan ? [['cost', price(offer.costCents)] as const] : []),
          ] as const
        ).map(([name, value]) => (
          <div key={name} className={name === 'total' ? css.mainSum : undefined}>
            <dt>{text(`order.offer.${name}`)}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      <p>
        {text('order.offer.hours', { hours: hours(offer.hours), least: hours(offer.leastHours), most: hours(offer.mostHours) })}{' '}
        {offer.doubts.length > 0 && <span className={css.bad}>{text('order.offer.doubts', { count: offer.doubts.length })}</span>}{' '}
        <OfferPrint projectId={projectId} />
      </p>
      {mayPlan && (
        <>
          <OfferSettings />
          <RateCards />
        </>
      )}
      <Groups lines={offer.lines} />
      {OFFER_GROUPS.map((group) => (
        <LineTable key={group} {...{ group, offer, order, mayPlan }} />
      ))}
      <OfferOptions offer={offer} mayPlan={mayPlan} />
      <LaterPrices />
      <p className="faint">{text('order.offer.aid')}</p>
    </>
  );
}

function groupName(project: ProjectDocument, by: OfferGrouping, key: string): string {
  if (by === 'system') return key === '' ? text('order.offer.none') : term(`systems.${key as 'sound'}`);
  if (by === 'room') return project.rooms[key]?.name ?? text('order.offer.none');
  if (by === 'phase') return project.phases[key]?.name ?? text('order.offer.noPhase');
  if (by === 'supplier') return key || text('order.offer.noSupplier');
  return key;
}

/** Sums by what they are there for. */
function Groups({ lines }: { readonly lines: readonly OfferLine[] }) {
  const project = useProject();
  const [by, setBy] = useState<OfferGrouping>('system');
  const { currency } = project.project;
  const partName = (key: string) => {
    const line = lines.find(({ part }) => part === key)!;
    return line.group === 'material' ? text(`order.bill.parts.${key as 'cable'}`) : offerLineName({ ...line, name: line.part });
  };
  return (
    <>
      <h3 className={css.part}>{text('order.offer.by')}</h3>
      <Segmented
        size="small"
        value={by}
        aria-label={text('order.offer.by')}
        options={OFFER_GROUPINGS.map((value) => ({ value, label: text(`order.offer.groupings.${value}`) }))}
        onChange={setBy}
      />
      <table className={css.table}>
        <thead>
          <tr>
            <th scope="col">{text(`order.offer.groupings.${by}`)}</th>
            {(['price', 'tax', 'total'] as const).map((name) => (
              <th key={name} scope="col" className={css.figure}>
                {text(`order.offer.${name}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {groupOffer(project, lines, by).map(({ key, priceCents, taxCents, totalCents }) => (
            <tr key={key}>
              <th scope="row">{by === 'part' ? partName(key) : groupName(project, by, key)}</th>
              {[priceCents, taxCents, totalCents].map((cents, n) => (
                <td key={n} className={css.figure}>
                  {formatCents(cents, currency)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

const COLUMNS = ['what', 'count', 'each', 'price', 'tax', 'total'] as const;

type TableProps = { readonly group: OfferLine['group'] } & Pick<Props, 'offer' | 'order' | 'mayPlan'>;

function LineTable({ group, offer, order, mayPlan }: TableProps) {
  const [chosen, setChosen] = useState<string | null>(null);
  const lines = offer.lines.filter((line) => line.group === group);
  if (lines.length === 0) return null;
  return (
    <table className={`${css.table} ${css.bill}`}>
      <caption>{text(`order.offer.groups.${group}`)}</caption>
      <thead>
        <tr>
          {COLUMNS.filter((name) => mayPlan || name !== 'each').map((name) => (
            <th key={name} scope="col" className={name === 'what' ? css.words : css.figure}>
              {text(`order.offer.columns.${name}`)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <Line
            key={line.key}
            {...{ line, order, mayPlan }}
            isChosen={chosen === line.key}
            onChoose={() => setChosen(chosen === line.key ? null : line.key)}
          />
        ))}
      </tbody>
    </table>
  );
}

interface LineProps {
  readonly line: OfferLine;
  readonly order: OrderOfHouse;
  readonly mayPlan: boolean;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function Line({ line, order, mayPlan, isChosen, onChoose }: LineProps) {
  const { currency, priceSettings } = useProject().project;
  const name = [offerLineName(line), line.detail].filter(Boolean).join(', ');
  const price = (cents: number | null) => (cents === null ? '–' : formatCents(cents, currency));
  return (
    <>
      <tr>
        <th scope="row">
          <SmallButton bare aria-expanded={isChosen} onClick={onChoose}>
            {name}
          </SmallButton>
          {line.doubt && <span className={css.bad}> {text(`order.offer.rules.doubts.${line.doubt}`)}</span>}
        </th>
        <td className={css.figure}>{line.count}</td>
        {mayPlan && <td className={css.figure}>{price(line.eachCents)}</td>}
        <td className={css.figure}>{price(line.priceCents)}</td>
        <td className={css.figure}>{price(line.taxCents)}</td>
        <td className={css.figure}>{price(line.priceCents + line.taxCents)}</td>
      </tr>
      {isChosen && (
        <tr>
          <td colSpan={COLUMNS.length - (mayPlan ? 0 : 1)} aria-label={text('order.bill.causes', { name })}>
            {mayPlan &&
              ruleSentences(line, order.bill, currency, priceSettings.marginPercent).map((sentence) => (
                <p key={sentence}>{sentence}</p>
              ))}
            <CauseChips causes={line.causes} />
          </td>
        </tr>
      )}
    </>
  );
}
