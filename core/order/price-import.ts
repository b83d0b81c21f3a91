import { listOf } from '../derive/index.ts';
import { create, type Operation, type Price, type ProjectDocument, update } from '../model/index.ts';
import {
  amountInCell,
  CellFault,
  cellFault,
  columnsByName,
  dayInCell,
  eachRow,
  type HouseTable,
  plainWords,
  type TableProblem,
} from '../survey/index.ts';

/** What a column of a price list may hold. */
export const PRICE_FIELDS = ['item', 'supplier', 'partNumber', 'price', 'tax', 'validFrom', 'validTo', 'leadDays'] as const;
export type PriceField = (typeof PRICE_FIELDS)[number];
/** Which column of a table holds what, by its place in a row. */
export type PriceColumns = Readonly<Partial<Record<PriceField, number>>>;

/** Words that name a column, the likelier first. */
const NAMES: Readonly<Record<PriceField, RegExp>> = {
  item: /^(item|name|description|product|article(?! n)|thing|what|bezeichnung|artikel(?!n)|d[ée]signation)\b/i,
  supplier: /^(supplier|vendor|dealer|lieferant|fournisseur)\b/i,
  partNumber: /^(part( ?(no|number))?|sku|article number|order (no|number|code)|artikelnummer|r[ée]f)/i,
  price: /^(price|unit price|net|cost|each|preis|prix)\b/i,
  tax: /^(tax|vat|mwst|ust|tva)\b/i,
  validFrom: /^(valid from|from|g[üu]ltig ab|du)\b/i,
  validTo: /^(valid (to|until|till)|until|to|expires|g[üu]ltig bis|au)\b/i,
  leadDays: /^(lead|delivery|lieferzeit|d[ée]lai)/i,
};

/** What the words over the columns say of them. */
export const guessPriceColumns = (head: readonly string[]): PriceColumns => columnsByName(head, PRICE_FIELDS, NAMES);

/** Prices that a table says, and rows that cannot be taken. */
export interface ReadPrices {
  readonly prices: readonly (Omit<Price, 'id'> & { readonly line: number })[];
  readonly problems: readonly TableProblem[];
}

/**
 * The prices in the rows of a table. A row that cannot be taken is reported with its line and field, the others are kept: `price-column-missing`,
 * `price-cell` (not an amount), `price-range`, `date-cell`, `price-twice` (another price for the same part, with its line).
 */
export function pricesOfTable({ rows, hasDecimalComma }: HouseTable, columns: PriceColumns): ReadPrices {
  const prices: (Omit<Price, 'id'> & { line: number })[] = [];
  const seen = new Map<string, { line: number; priceCents: number }>();
  const problems = eachRow(rows, ({ line, cells }) => {
    const cell = (field: PriceField) => (columns[field] === undefined ? '' : (cells[columns[field]] ?? '').trim());
    const price = priceOfRow(cell, columns, hasDecimalComma);
    const key = keyOf(price);
    const other = seen.get(key);
    if (other && other.priceCents !== price.priceCents)
      throw cellFault('price-twice', 'price', cell('price'), { line: other.line });
    if (other) return;
    seen.set(key, { line, priceCents: price.priceCents });
    prices.push({ ...price, line });
  });
  return { prices, problems };
}

const keyOf = ({ item, supplier, partNumber, validFrom }: Omit<Price, 'id'>): string =>
  JSON.stringify([item.toLowerCase(), supplier.toLowerCase(), partNumber, validFrom]);

function priceOfRow(cell: (field: PriceField) => string, columns: PriceColumns, hasDecimalComma: boolean): Omit<Price, 'id'> {
  for (const field of ['item', 'price'] as const)
    if (columns[field] === undefined) throw new CellFault({ code: 'price-column-missing', kind: 'incomplete', field });
  if (cell('item') === '') throw cellFault('price-name-missing', 'item', '');
  const price = amountInCell(cell('price'), hasDecimalComma);
  if (price === null) throw cellFault('price-cell', 'price', cell('price'));
  if (price < 0 || price > 10_000_000) throw cellFault('price-range', 'price', cell('price'));
  const tax = cell('tax') === '' ? null : amountInCell(cell('tax').replace('%', ''), hasDecimalComma);
  if (cell('tax') !== '' && (tax === null || tax < 0 || tax > 100)) throw cellFault('price-range', 'tax', cell('tax'));
  const leadDays = cell('leadDays') === '' ? 5 : Number(/^\d{1,3}/.exec(cell('leadDays'))?.[0] ?? Number.NaN);
  if (!(leadDays <= 365)) throw cellFault('price-range', 'leadDays', cell('leadDays'));
  const [validFrom, validTo] = (['validFrom', 'validTo'] as const).map((field) => dayInCell(cell(field), field));
  if (validFrom !== '' && validTo !== '' && validFrom > validTo) throw cellFault('date-order', 'validTo', cell('validTo'));
  return {
    item: plainWords(cell('item'), 120),
    supplier: plainWords(cell('supplier'), 60),
    partNumber: plainWords(cell('partNumber'), 60),
    ...{ priceCents: Math.round(price * 100), taxPercent: tax, validFrom, validTo, leadDays },
  };
}

/** The operations that put prices into a project: one that is there already for the same part and first day is changed. */
export function takePrices(project: ProjectDocument, { prices }: ReadPrices, newId: () => string): Operation[] {
  const known = new Map(listOf(project, 'prices').map((price) => [keyOf(price), price]));
  return prices.flatMap(({ line: _, ...price }) => {
    const before = known.get(keyOf(price));
    if (!before) return [create('prices', { id: newId(), ...price })];
    const operation = update('prices', before, price);
    return operation ? [operation] : [];
  });
}
