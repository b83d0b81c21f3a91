import type { Outcome } from '@dusky-spool/core/math';
import type { WorkbookReply } from '@dusky-spool/core/model';
import { type HouseTable, readHouseTable, tableOfRows } from '@dusky-spool/core/survey';
import { decodeText } from '../decode-text.ts';
import { problemOf } from './error-sentence.ts';
import { postForm } from './http.ts';

/** A table of a file, with the name of its sheet. */
export interface NamedTable {
  readonly name: string;
  readonly table: Outcome<HouseTable>;
}

/** The table of a CSV file, or those of the sheets of a workbook, which the server reads; the sheets that have one first. */
export async function tablesIn(projectId: string, file: File, maxRows?: number): Promise<readonly NamedTable[]> {
  const only = (table: Outcome<HouseTable>) => [{ name: file.name, table }];
  if (!/\.xlsx$/i.test(file.name)) return only(readHouseTable(await decodeText(file), maxRows));
  const form = new FormData();
  form.append('picture', file);
  try {
    const { sheets } = await postForm<WorkbookReply>(`/projects/${projectId}/workbooks`, form);
    const tables = sheets.map(({ name, rows }) => ({ name, table: tableOfRows(rows, false, maxRows) }));
    return [...tables.filter(({ table }) => table.ok), ...tables.filter(({ table }) => !table.ok)];
  } catch (error) {
    return only({ ok: false, problem: problemOf(error) });
  }
}
