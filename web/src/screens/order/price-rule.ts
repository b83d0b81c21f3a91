import { BILL_WASTE, formatCents, type Bill, type OfferLine } from '@dusky-spool/core/order';
import { text } from '../../ground/text.ts';

const hoursText = (hours: number): string => hours.toFixed(2);

/** How a line of an offer got its price, step by step. */
export function ruleSentences(line: OfferLine, bill: Bill, currency: string, marginPercent: number): string[] {
  const price = (cents: number) => formatCents(cents, currency);
  const sentences = [...ownRule(line, price), ...materialRule(line, bill, price, marginPercent)];
  if (line.taxCents > 0)
    sentences.push(
      text('order.offer.rules.tax', { percent: line.taxPercent, price: price(line.priceCents), tax: price(line.taxCents) }),
    );
  if (line.doubt) sentences.push(text(`order.offer.rules.doubts.${line.doubt}`));
  return sentences;
}

function ownRule({ rule, eachCents, priceCents, count, costCents }: OfferLine, price: (cents: number) => string): string[] {
  switch (rule.by) {
    case 'price-list': {
      const { supplier, partNumber: part, validFrom, validTo } = rule.price;
      const open = text('order.offer.rules.open');
      const valid = validFrom || validTo ? text('order.offer.rules.valid', { from: validFrom || open, to: validTo || open }) : '';
      return [text('order.offer.rules.list', { supplier, part, each: price(rule.price.priceCents), valid }).trim()];
    }
    case 'library':
      return [text('order.offer.rules.library', { each: price(eachCents ?? 0) })];
    case 'nothing':
      return [text('order.offer.rules.nothing')];
    case 'hours':
      return [
        text('order.offer.rules.hours', { hours: hoursText(rule.hours), rate: price(rule.rate * 100), price: price(priceCents) }),
      ];
    case 'share':
      return [
        text('order.offer.rules.share', {
          ...{ percent: rule.percent, hours: hoursText(rule.hours), rate: price(rule.rate * 100), price: price(priceCents) },
        }),
      ];
    case 'flat':
      return [text('order.offer.rules.flat', { count, each: price(eachCents ?? 0), price: price(priceCents) })];
    case 'performer':
      return [text('order.offer.rules.performer', { who: text(`order.tasks.performers.${rule.performer}`) })];
    case 'task':
      return [
        text('order.offer.rules.task', { hours: hoursText(rule.hours), rate: price(rule.rate * 100), cost: price(costCents) }),
      ];
  }
}

function materialRule(line: OfferLine, { lines }: Bill, price: (cents: number) => string, margin: number): string[] {
  const own = line.group === 'material' ? lines.find(({ key }) => key === line.key) : undefined;
  if (!own || line.eachCents === null) return [];
  const isPartly = Math.round(line.costCents / (1 - margin / 100)) !== line.priceCents;
  const waste = BILL_WASTE[own.part] * 100;
  return [
    ...(waste > 0 ? [text('order.offer.rules.waste', { fitted: own.fitted, count: own.count, percent: waste })] : []),
    text('order.offer.rules.cost', { count: line.count, each: price(line.eachCents), cost: price(line.costCents) }),
    isPartly
      ? text('order.offer.rules.partly')
      : text('order.offer.rules.margin', { cost: price(line.costCents), margin, price: price(line.priceCents) }),
  ];
}
