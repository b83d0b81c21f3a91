import type { BillLine, OfferLine } from '@dusky-spool/core/order';
import { en } from './en/index.ts';

const NAMED: Readonly<Record<string, string>> = en.ui.order.bill.names;
const BOXES: Readonly<Record<string, string>> = en.terms.boxes;

/** The name of a line of the bill of materials: that of the thing, or the words for its kind. */
export function billName({ part, name }: Pick<BillLine, 'part' | 'name'>): string {
  if (part === 'box') return BOXES[name] ?? name;
  return NAMED[name] ?? name;
}

/** Names by which a price list may call a line: the words on screen, and these with the size. */
export const billNames = (line: BillLine): readonly string[] => {
  const name = billName(line);
  return [...(line.detail === '' ? [] : [`${name}, ${line.detail}`, `${name} ${line.detail}`]), name];
};

/** The name of a line of an offer. */
export function offerLineName(line: Pick<OfferLine, 'group' | 'part' | 'name'>): string {
  const { work, flat } = en.ui.order.offer;
  if (line.group === 'labor') return (work as Readonly<Record<string, string>>)[line.part] ?? line.name;
  if (line.group === 'flat') return (flat as Readonly<Record<string, string>>)[line.part] ?? line.name;
  return line.group === 'task' ? line.name : billName(line as Pick<BillLine, 'part' | 'name'>);
}
