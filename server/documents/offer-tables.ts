import { daysBefore, type ProjectDocument } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { changeOf, formatCents, groupOffer, type Offer, offerOf, offerSourceOf, offerOfOption } from '@dusky-spool/core/order';
import { billName, billNames, en, offerLineName, words } from '@dusky-spool/texts';
import type { SheetTable } from './tables-pdf.ts';

/** An offer to the client: what each system costs, what it holds, options, terms, and where to sign. No cost of ours is in it. */
export function offerTables(project: ProjectDocument, today: string): SheetTable[] {
  const offer = offerOf(project, offerSourceOf(project), billNames, today);
  const { currency } = project.project;
  const price = (cents: number) => formatCents(cents, currency);
  const systems = groupOffer(project, offer.lines, 'system').map(({ key, priceCents, taxCents, totalCents }) => [
    key === '' ? words.t('documents.offer.common') : en.terms.systems[key as 'sound'],
    ...[price(priceCents), price(taxCents), price(totalCents)],
  ]);
  const all = [words.t('documents.offer.all'), price(offer.priceCents), price(offer.taxCents), price(offer.totalCents)];
  const scope = offer.lines
    .filter(({ part }) => part === 'device' || part === 'equipment')
    .map((line) => [offerLineName(line), String(line.count)]);
  return [
    { section: 'systems', columns: ['what', 'price', 'tax', 'total'], rows: [...systems, all] },
    { section: 'scope', columns: ['what', 'count'], rows: scope },
    optionTable(project, offer, today),
    { section: 'terms', columns: ['term', 'figure'], rows: termRows(project, offer, today) },
    signTable(),
  ].filter(({ rows }) => rows.length > 0);
}

function optionTable(project: ProjectDocument, offer: Offer, today: string): SheetTable {
  const { currency } = project.project;
  const options = listOf(project, 'offerOptions').toSorted((a, b) => a.order - b.order);
  const rows = options.flatMap((option) => {
    const own = offerOfOption(project, option, billNames, today);
    if (!own.ok) return [];
    const { totalCents } = own.value;
    return [[option.name, option.note, formatCents(totalCents, currency), formatCents(totalCents - offer.totalCents, currency)]];
  });
  return { section: 'options', columns: ['option', 'note', 'total', 'difference'], rows };
}

function termRows(project: ProjectDocument, offer: Offer, today: string): string[][] {
  const { currency, priceSettings } = project.project;
  return [
    [words.t('documents.offer.deposit', { percent: priceSettings.depositPercent }), formatCents(offer.depositCents, currency)],
    [words.t('documents.offer.valid'), daysBefore(today, -priceSettings.validDays)],
    [words.t('documents.offer.changes'), ''],
    [words.t('documents.offer.mains'), ''],
  ];
}

const signTable = (): SheetTable => ({
  section: 'sign',
  columns: ['name', 'day', 'signature'],
  rows: [
    [words.t('documents.offer.client'), '', ''],
    [words.t('documents.offer.firm'), '', ''],
  ],
});

/** A change order: what it adds and takes away, the runs that it touches, and where to sign; null where it is gone. */
export function changeTables(project: ProjectDocument, changeId: string): SheetTable[] | null {
  const order = project.changeOrders[changeId];
  const change = order && changeOf(project, order);
  if (!change) return null;
  const { currency } = project.project;
  const price = (cents: number) => `${cents > 0 ? '+' : ''}${formatCents(cents, currency)}`;
  const nameOf = ({ key, part, name }: (typeof change.lines)[number]) =>
    key.startsWith('labor ')
      ? offerLineName({ group: 'labor', part: part as 'pull', name })
      : billName({ part: part as 'cable', name });
  return [
    {
      ...{ section: 'change', columns: ['term', 'figure'] },
      rows: [
        [words.t('documents.offer.number'), String(order.number)],
        [words.t('documents.offer.reason'), order.reason],
        [words.t('documents.offer.gate'), en.terms.gates[order.gate]],
        [words.t('documents.offer.price'), price(change.priceCents)],
        [words.t('documents.offer.tax'), price(change.taxCents)],
        [words.t('documents.offer.all'), price(change.totalCents)],
      ],
    },
    {
      ...{ section: 'changeLines', columns: ['what', 'before', 'after', 'difference'] },
      rows: change.lines.map((line) => [nameOf(line), String(line.before), String(line.after), price(line.cents)]),
    },
    {
      ...{ section: 'changeRuns', columns: ['run', 'place', 'cable', 'what'] },
      rows: change.runs.map(({ number, place, cable, what }) => [number, place, cable, en.ui.order.changes.whats[what]]),
    },
    order.answer === 'signed'
      ? { section: 'signed', columns: ['name', 'day', 'signature'], rows: [[order.signedBy, order.signedOn, '']] }
      : signTable(),
  ].filter(({ rows }) => rows.length > 0);
}
