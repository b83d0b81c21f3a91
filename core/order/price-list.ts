import { groupedBy } from '../math/index.ts';
import { listOf } from '../derive/index.ts';
import type { Price, ProjectDocument } from '../model/index.ts';

/** Why the price of a thing is in doubt: none is known; those known are not valid on the day; one supplier has two for the same day. */
export type PriceDoubt = 'price-missing' | 'price-expired' | 'two-prices';

export interface FoundPrice {
  /** The price that is taken; null where none is valid. */
  readonly price: Price | null;
  readonly doubt: PriceDoubt | null;
  /** Prices that are valid on the day, the lowest first. */
  readonly valid: readonly Price[];
}

const NONE: FoundPrice = { price: null, doubt: null, valid: [] };

/** A name as price lists write it: case and spaces do not matter. */
const spelled = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase();

export const isValidOn = ({ validFrom, validTo }: Price, day: string): boolean =>
  (validFrom === '' || validFrom <= day) && (validTo === '' || day <= validTo);

/**
 * A look-up of prices by the names of things on a day, YYYY-MM-DD. The lowest valid price is taken; two of one supplier that differ and
 * are valid on the same day are reported as a doubt.
 */
export function priceBook(project: Pick<ProjectDocument, 'prices'>, day: string): (names: readonly string[]) => FoundPrice {
  const byItem = new Map(groupedBy(listOf(project, 'prices'), ({ item }) => spelled(item)));
  return (names) => {
    const known = [...new Set(names.map(spelled))].flatMap((name) => byItem.get(name) ?? []);
    if (known.length === 0) return NONE;
    const valid = known
      .filter((price) => isValidOn(price, day))
      .sort((a, b) => a.priceCents - b.priceCents || (a.id < b.id ? -1 : 1));
    if (valid.length === 0) return { price: null, doubt: 'price-expired', valid };
    const bySupplier = [...groupedBy(valid, ({ supplier, partNumber }) => JSON.stringify([spelled(supplier), partNumber]))];
    const isTwice = bySupplier.some(([, own]) => own.some(({ priceCents }) => priceCents !== own[0].priceCents));
    return { price: valid[0], doubt: isTwice ? 'two-prices' : null, valid };
  };
}
