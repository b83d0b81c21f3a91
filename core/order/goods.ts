import { listOf } from '../derive/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import type { Delivery, ProjectDocument } from '../model/index.ts';
import type { OfferLine } from './offer.ts';

/** What is needed, ordered and there of one thing. */
export interface GoodsState {
  readonly key: string;
  readonly name: string;
  readonly needed: number;
  readonly ordered: number;
  /** On site, in the shop or fitted, without what is damaged. */
  readonly there: number;
  readonly damaged: number;
  /** Still to be ordered, with what must be ordered again. */
  readonly toOrder: number;
  readonly nextPromisedOn: string;
}

const isThere = ({ receivedOn }: Delivery): boolean => receivedOn !== '';

/** Goods by line of the bill of materials, by the names that deliveries give them. */
export function goodsOf(
  project: ProjectDocument,
  lines: readonly OfferLine[],
  nameOf: (line: OfferLine) => string,
): GoodsState[] {
  const deliveries = listOf(project, 'deliveries');
  return lines
    .filter(({ group, part }) => group === 'material' && part !== 'tool')
    .map((line) => {
      const name = nameOf(line);
      const own = deliveries.filter(({ item }) => item.toLowerCase() === name.toLowerCase());
      const sum = (of: (delivery: Delivery) => number) => own.reduce((total, one) => total + of(one), 0);
      const damaged = sum(({ damagedCount }) => damagedCount);
      const ordered = sum(({ count }) => count);
      const there = sum((one) => (isThere(one) ? one.count : 0)) - damaged;
      const promised = own.filter((one) => !isThere(one) && one.promisedOn !== '').map(({ promisedOn }) => promisedOn);
      return {
        ...{ key: line.key, name, needed: line.count, ordered, there, damaged },
        toOrder: Math.max(0, line.count - ordered + damaged),
        nextPromisedOn: promised.sort()[0] ?? '',
      };
    });
}

/**
 * A delivery after a change, or why it cannot be so. Problems: `delivery-order` (a later step has an earlier day, with both fields),
 * `delivery-damaged` (more pieces damaged than came), `delivery-serials` (more serial numbers than pieces, or one twice).
 */
export function checkedDelivery(delivery: Delivery): Outcome<Delivery> {
  const steps = (['orderedOn', 'receivedOn', 'checkedOn'] as const).filter((field) => delivery[field] !== '');
  for (let n = 1; n < steps.length; n++)
    if (delivery[steps[n]] < delivery[steps[n - 1]])
      return err('delivery-order', { kind: 'invalid', field: steps[n], value: delivery[steps[n]], other: steps[n - 1] });
  if (delivery.orderedOn !== '' && delivery.promisedOn !== '' && delivery.promisedOn < delivery.orderedOn)
    return err('delivery-order', { kind: 'invalid', field: 'promisedOn', value: delivery.promisedOn, other: 'orderedOn' });
  if (delivery.damagedCount > delivery.count)
    return err('delivery-damaged', {
      kind: 'out_of_domain',
      field: 'damagedCount',
      value: delivery.damagedCount,
      limit: delivery.count,
    });
  if (delivery.serials.length > delivery.count || new Set(delivery.serials).size !== delivery.serials.length)
    return err('delivery-serials', { kind: 'invalid', field: 'serials', value: delivery.serials.length, limit: delivery.count });
  return ok(delivery);
}
