import ExcelJS from 'exceljs';
import { scheduleColumns, type ScheduleRow, totalsByCable } from '@dusky-spool/core/sheets';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { FOOT_M } from '@dusky-spool/core/math';
import { en, placeWords, words } from '@dusky-spool/texts';

/** The schedule as a workbook: a sheet of runs with the columns of the CSV, and a sheet of totals by cable. */
export async function scheduleXlsx(project: ProjectDocument, rows: readonly ScheduleRow[]): Promise<Buffer> {
  const { units } = project.project;
  const workbook = new ExcelJS.Workbook();
  const columns = scheduleColumns(project, en.documents.columns, placeWords);
  const runs = workbook.addWorksheet(words.t('documents.schedule'), { views: [{ state: 'frozen', ySplit: 1 }] });
  runs.columns = columns.map((column) => ({ header: column.title, width: Math.max(9, column.title.length + 2) }));
  for (const row of rows) runs.addRow(columns.map((column) => column.value(row)));
  runs.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: columns.length } };

  const unit = units === 'metric' ? 'm' : 'ft';
  const length = (metres: number) => Math.round((units === 'metric' ? metres : metres / FOOT_M) * 100) / 100;
  const totals = workbook.addWorksheet(words.t('documents.totals'));
  const titles = ['columns.cable', 'runs', 'columns.cutLength', 'orderLength', 'longest'].map((key) =>
    words.t(`documents.${key}`),
  );
  totals.columns = titles.map((title, i) => ({ header: i < 2 ? title : `${title} (${unit})`, width: i === 0 ? 26 : 20 }));
  for (const total of totalsByCable(project, rows)) {
    totals.addRow([total.cable, total.runs, length(total.cutLengthM), length(total.orderLengthM), length(total.longestM)]);
  }
  for (const sheet of [runs, totals]) sheet.getRow(1).font = { bold: true };
  return Buffer.from(await workbook.xlsx.writeBuffer());
}
