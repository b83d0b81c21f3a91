import { METRES_PER, ok, parseLength, type Problem, type UnitSystem } from '../math/index.ts';

/** A row of a table with its line in the file. */
export interface TableRow {
  readonly line: number;
  readonly cells: readonly string[];
}

/** A row that cannot be taken, and why. */
export interface TableProblem {
  readonly line: number;
  readonly problem: Problem;
}

/** Why a cell cannot be read. Thrown while a row is read; `eachRow` reports it with the line. */
export class CellFault extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code);
  }
}

/** Longest part of a cell that a problem quotes. */
const QUOTED = 40;

export const cellFault = (code: string, field: string, value: string, more: object = {}): CellFault =>
  new CellFault({ code, kind: 'invalid', field, value: value.slice(0, QUOTED), ...more });

/** Reads each row; the problems of those that cannot be taken, by their lines. The others go on. */
export function eachRow(rows: readonly TableRow[], read: (row: TableRow) => void): TableProblem[] {
  const problems: TableProblem[] = [];
  for (const row of rows) {
    try {
      read(row);
    } catch (error) {
      if (!(error instanceof CellFault)) throw error;
      problems.push({ line: row.line, problem: error.problem });
    }
  }
  return problems;
}

/** Which column holds which field, by the words over the columns; each column once, earlier fields first. */
export function columnsByName<F extends string>(
  head: readonly string[],
  fields: readonly F[],
  names: Readonly<Record<F, RegExp>>,
): Readonly<Partial<Record<F, number>>> {
  const found: Partial<Record<F, number>> = {};
  const words = head.map((word) =>
    word
      .replace(/[_-]+/g, ' ')
      .replace(/[([].*$/, '')
      .trim(),
  );
  for (const field of fields) {
    const at = words.findIndex((word, n) => names[field].test(word) && !Object.values(found).includes(n));
    if (at >= 0) found[field] = at;
  }
  return found;
}

/** How lengths of a table are written. */
export interface LengthReading {
  readonly unit: keyof typeof METRES_PER;
  readonly hasDecimalComma: boolean;
  readonly units: UnitSystem;
  /** As many digits after a comma still make it a decimal one where the table does not say. */
  readonly commaDigits: number;
}

/** A length as a cell holds it, m. Throws `table-cell`. */
export function lengthInCell(cell: string, field: string, { unit, hasDecimalComma, units, commaDigits }: LengthReading): number {
  const digits = /^-?\d+,(\d+)$/.exec(cell)?.[1].length ?? Infinity;
  const plain = hasDecimalComma || digits <= commaDigits ? cell.replace(',', '.') : cell;
  const isBare = /^[-+]?(\d+\.?\d*|\.\d+)$/.test(plain);
  const read = isBare ? ok(Number(plain) * METRES_PER[unit]) : parseLength(plain, units);
  if (!read.ok) throw cellFault('table-cell', field, cell);
  return read.value;
}

/** Control and invisible characters are left out, as in every other text of a project. */
export const plainWords = (words: string, max: number): string =>
  words
    .replace(/[\p{Cc}\p{Cf}]/gu, '')
    .trim()
    .slice(0, max);

/** An amount as people write it: 1,234.50, 1.234,50, 1 234,5 or 12; null where it is none. The last mark with two digits is the decimal. */
export function amountInCell(cell: string, hasDecimalComma: boolean): number | null {
  const amount = /^[^\d.,+-]{0,5}([+-]?[\d.,'\s]*\d)[^\d.,+-]{0,5}$/.exec(cell.trim());
  if (!amount) return null;
  const plain = amount[1].replace(/['\s]/g, '');
  const [comma, point] = [plain.lastIndexOf(','), plain.lastIndexOf('.')];
  const isComma = comma >= 0 && (point >= 0 ? comma > point : hasDecimalComma || !/^[+-]?\d{1,3}(,\d{3})+$/.test(plain));
  const number = isComma ? plain.replaceAll('.', '').replace(',', '.') : plain.replaceAll(',', '');
  return /^[+-]?\d+(\.\d+)?$/.test(number) ? Number(number) : null;
}

/** A day as people write it: 2026-12-01, 2026/12/1 or 1.12.2026; a day with slashes in another order could be either of two, and is refused. Throws `date-cell`. */
export function dayInCell(cell: string, field: string): string {
  if (cell === '') return '';
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/.exec(cell);
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(cell);
  const [year, month, day] = iso ? iso.slice(1) : dotted ? dotted.slice(1).reverse() : [];
  const text = year && month && day ? `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}` : '';
  const date = new Date(`${text}T00:00:00Z`);
  if (text === '' || Number.isNaN(date.getTime()) || date.toISOString().slice(0, 10) !== text)
    throw cellFault('date-cell', field, cell);
  return text;
}

/** A name as names are compared: without extra spaces, in lower case. */
export const spelled = (words: string): string => words.trim().replace(/\s+/g, ' ').toLowerCase();
