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
