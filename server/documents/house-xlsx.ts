import ExcelJS from 'exceljs';
import { deviceNumber, deviceTitle } from '@dusky-spool/core/devices';
import { listOf } from '@dusky-spool/core/derive';
import { FOOT_M, polygonArea } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { offerOf, offerSourceOf } from '@dusky-spool/core/order';
import { scheduleColumns, type ScheduleRow } from '@dusky-spool/core/sheets';
import { billNames, en, offerLineName, placeWords, words } from '@dusky-spool/texts';

type Cell = string | number | null;

interface Column {
  readonly title: string;
  /** Pattern of figures; words have none. */
  readonly pattern?: string;
  /** Whether the last line adds it up. */
  readonly isSummed?: boolean;
}

const MONEY = '#,##0.00';
const LENGTH = '0.00';

/** A sheet with types, filters, a frozen head, and totals of what is shown. */
function addSheet(
  workbook: ExcelJS.Workbook,
  name: string,
  columns: readonly Column[],
  rows: readonly (readonly Cell[])[],
): void {
  const sheet = workbook.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.columns = columns.map(({ title, pattern }) => ({
    ...{ header: title, width: Math.max(10, title.length + 3) },
    ...(pattern ? { style: { numFmt: pattern } } : {}),
  }));
  // Words stay words: nothing that begins with = is a formula.
  sheet.addRows(rows.map((row) => row.map((cell) => cell ?? undefined)));
  sheet.getRow(1).font = { bold: true };
  if (rows.length === 0) return;
  sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: rows.length + 1, column: columns.length } };
  if (!columns.some(({ isSummed }) => isSummed)) return;
  const totals = sheet.addRow([words.t('documents.house.total')]);
  totals.font = { bold: true };
  columns.forEach(({ isSummed }, n) => {
    if (!isSummed) return;
    const { letter } = sheet.getColumn(n + 1);
    const result = rows.reduce((sum, row) => sum + (typeof row[n] === 'number' ? row[n] : 0), 0);
    totals.getCell(n + 1).value = { formula: `SUBTOTAL(109,${letter}2:${letter}${rows.length + 1})`, result };
  });
}

/** The whole house as a workbook: runs, devices, rooms, materials with prices, equipment. */
export async function houseXlsx(project: ProjectDocument, rows: readonly ScheduleRow[], today: string): Promise<Buffer> {
  const workbook = new ExcelJS.Workbook();
  const { units, currency } = project.project;
  const t = (key: string) => words.t(`documents.house.${key}`);
  const isMetric = units === 'metric';
  const unit = isMetric ? 'm' : 'ft';
  const length = (metres: number | null) =>
    metres === null ? null : Math.round((isMetric ? metres : metres / FOOT_M) * 100) / 100;
  const columns = scheduleColumns(project, en.documents.columns, placeWords);
  const values = rows.map((row) => columns.map(({ value }) => value(row)));
  addSheet(
    workbook,
    t('runs'),
    columns.map(({ title }) => ({
      ...{ title, isSummed: title.startsWith(en.documents.columns.cutLength) },
      ...(title.endsWith(`(${unit})`) ? { pattern: LENGTH } : {}),
    })),
    values,
  );
  addSheet(
    workbook,
    t('devices'),
    [
      ...[{ title: t('number') }, { title: t('name') }, { title: t('type') }, { title: t('system') }, { title: t('room') }],
      ...[`${t('x')} (${unit})`, `${t('y')} (${unit})`, `${t('height')} (${unit})`].map((title) => ({ title, pattern: LENGTH })),
    ],
    listOf(project, 'devices').map((device) => {
      const type = project.deviceTypes[device.typeId];
      const room = project.rooms[device.roomId ?? '']?.name ?? en.terms.outdoors;
      return [
        ...[deviceNumber(project, device), deviceTitle(device, type), type.name, en.terms.systems[type.system], room],
        ...[length(device.x), length(device.y), length(device.heightM)],
      ];
    }),
  );
  addSheet(
    workbook,
    t('rooms'),
    [{ title: t('name') }, { title: t('level') }, { title: `${t('area')} (${unit}²)`, pattern: LENGTH, isSummed: true }],
    listOf(project, 'rooms').map(({ name, levelId, polygon }) => {
      const areaM2 = Math.abs(polygonArea(polygon as [number, number][]));
      return [name, project.levels[levelId].name, Math.round((isMetric ? areaM2 : areaM2 / FOOT_M ** 2) * 100) / 100];
    }),
  );
  addOffer(workbook, project, today, currency);
  return Buffer.from(await workbook.xlsx.writeBuffer());
}

function addOffer(workbook: ExcelJS.Workbook, project: ProjectDocument, today: string, currency: string): void {
  const t = (key: string) => words.t(`documents.house.${key}`);
  const { lines } = offerOf(project, offerSourceOf(project), billNames, today);
  const money = (title: string, isSummed = true) => ({ title: `${title} (${currency})`, pattern: MONEY, isSummed });
  addSheet(
    workbook,
    t('materials'),
    [
      ...[{ title: t('name') }, { title: t('size') }, { title: t('supplier') }, { title: t('count') }],
      ...[money(t('each'), false), money(t('cost')), money(t('price')), money(t('tax'))],
    ],
    lines.map((line) => [
      ...[offerLineName(line), line.detail, line.supplier, line.count],
      ...[
        line.eachCents === null ? null : line.eachCents / 100,
        line.costCents / 100,
        line.priceCents / 100,
        line.taxCents / 100,
      ],
    ]),
  );
}
