import { stringify } from 'csv-stringify/sync';

export interface CsvColumn<Row> {
  readonly title: string;
  readonly value: (row: Row) => string | number;
}

/** CSV (RFC 4180, CRLF line ends) with a header row; text that a spreadsheet would run as a formula is defused. */
export function writeCsv<Row>(columns: readonly CsvColumn<Row>[], rows: readonly Row[]): string {
  const cells = [columns.map((column) => column.title), ...rows.map((row) => columns.map((column) => column.value(row)))];
  return stringify(cells, { escape_formulas: true, record_delimiter: 'windows' });
}
