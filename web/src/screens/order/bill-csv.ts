import { type CsvColumn, writeCsv } from '@dusky-spool/core/model';
import type { Bill, BillLine } from '@dusky-spool/core/order';
import { text } from '../../ground/text.ts';
import { billName } from '@dusky-spool/texts';

const money = (cents: number | null): string => (cents === null ? '' : (cents / 100).toFixed(2));

/** The bill as a table: a line each, with what goes lost in the pieces to buy; what a spreadsheet would take for a formula stays text. */
export function billCsv({ lines }: Bill, currency: string): string {
  const columns: CsvColumn<BillLine>[] = [
    { title: text('order.bill.columns.what'), value: billName },
    { title: text('order.bill.columns.detail'), value: ({ detail }) => detail },
    { title: text('order.bill.columns.fitted'), value: ({ fitted }) => String(fitted) },
    { title: text('order.bill.columns.count'), value: ({ count }) => String(count) },
    { title: `${text('order.bill.columns.each')} (${currency})`, value: ({ eachCents }) => money(eachCents) },
    { title: `${text('order.bill.columns.sum')} (${currency})`, value: ({ sumCents }) => money(sumCents) },
  ];
  return writeCsv(columns, lines);
}
