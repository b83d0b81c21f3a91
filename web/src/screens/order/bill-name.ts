import type { BillLine } from '@dusky-spool/core/order';
import { term, text } from '../../ground/text.ts';

type Named = 'label' | 'staple' | 'hook' | 'tie' | 'nail-plate' | 'fire-stop' | 'fire-block' | 'weather' | 'sound';
const NAMED_PARTS: ReadonlySet<BillLine['part']> = new Set(['label', 'support', 'nail-plate', 'seal']);

/** The name of a line: that of the thing, or the words for its kind. */
export function billName({ part, name }: BillLine): string {
  if (NAMED_PARTS.has(part)) return text(`order.bill.names.${name as Named}`);
  return part === 'box' ? term(`boxes.${name as 'one-gang'}`) : name;
}
