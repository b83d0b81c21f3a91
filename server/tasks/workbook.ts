import ExcelJS from 'exceljs';
import { fileTypeFromBuffer } from 'file-type';
import type { WorkbookReply } from '@dusky-spool/core/model';
import { MAX_TABLE_COLUMNS, MAX_PRICE_ROWS } from '@dusky-spool/core/survey';
import { refusal } from '../http/problems.ts';
import type { JobContext, JobProduct } from './index.ts';

const MAX_SHEETS = 20;
const MAX_CELL = 200;
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
/** The older kind of workbook, and a newer one that is locked by a password. */
const COMPOUND = 'application/x-cfb';

/** Reads the cells of an XLSX workbook as words. Problems: `workbook-kind`, `workbook-protected`, `workbook-damaged`. */
export async function readWorkbook({ input }: JobContext): Promise<JobProduct> {
  return { result: { ...(await workbookOf(await input())) } };
}

export async function workbookOf(bytes: Buffer): Promise<WorkbookReply> {
  const field = 'file';
  const mime = (await fileTypeFromBuffer(bytes))?.mime;
  if (mime === COMPOUND) throw refusal('workbook-protected', { field });
  if (mime !== XLSX && mime !== 'application/zip') throw refusal('workbook-kind', { field });
  const workbook = new ExcelJS.Workbook();
  try {
    await workbook.xlsx.load(bytes as unknown as ArrayBuffer, {
      ignoreNodes: ['dataValidations', 'conditionalFormatting', 'drawing'],
    });
  } catch {
    throw refusal('workbook-damaged', { field });
  }
  const sheets = workbook.worksheets.slice(0, MAX_SHEETS).map((sheet) => ({ name: sheet.name, rows: rowsOf(sheet) }));
  if (sheets.length === 0) throw refusal('workbook-damaged', { field });
  return { sheets };
}

/** Rows that hold anything; one more than a table may have, so that the reader can say it is too large. */
function rowsOf(sheet: ExcelJS.Worksheet): { line: number; cells: string[] }[] {
  const rows: { line: number; cells: string[] }[] = [];
  sheet.eachRow((row, line) => {
    if (rows.length > MAX_PRICE_ROWS + 1) return;
    const cells = Array.from({ length: Math.min(row.cellCount, MAX_TABLE_COLUMNS + 1) }, (_, n) =>
      wordsOf(row.getCell(n + 1))
        .trim()
        .slice(0, MAX_CELL),
    );
    if (cells.some((cell) => cell !== '')) rows.push({ line, cells });
  });
  return rows;
}

/** What a cell shows, with numbers in full. */
function wordsOf({ value, result, text }: ExcelJS.Cell): string {
  const shown = result ?? value;
  if (typeof shown === 'number') return String(Number(shown.toPrecision(12)));
  if (shown instanceof Date) return shown.toISOString().slice(0, 10);
  if (shown !== null && typeof shown === 'object' && 'error' in shown) return '';
  return String(text ?? '');
}
