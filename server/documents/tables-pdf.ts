import { PRINT } from '@dusky-spool/design';
import { PAPER_MM } from '@dusky-spool/core/math';
import { FONTS, POINTS_PER_MM } from './fonts.ts';
import { brokenAtSpaces } from './fitted-text.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import type { PlanSheet } from '@dusky-spool/core/sheets';
import { drawPlan, type PlanTitle } from './plan-pdf.ts';
import { words } from '@dusky-spool/texts';

const { ink: INK, inkSoft: SOFT, rule: LINE } = PRINT;
const MARGIN_MM = 12;
/** Shares of the width. */
const WIDE: Readonly<Record<string, number>> = {
  note: 2.2,
  cables: 2.6,
  place: 1.7,
  fromWall: 1.6,
  what: 1.4,
  state: 1.5,
  firstTape: 1.5,
  secondTape: 1.5,
  link: 2,
  wishes: 1.5,
  seenFrom: 1.5,
  runs: 2.6,
  ends: 1.8,
  product: 1.5,
  ceilings: 2,
  holes: 1.3,
  inserts: 3,
  finding: 4,
  source: 2.2,
  why: 2,
  rule: 2.5,
  box: 1.4,
  aim: 1.4,
  cutOut: 1.2,
  size: 1.6,
  figures: 1.6,
  way: 4,
  acts: 4,
  trigger: 1.5,
  caution: 9,
  option: 2,
  term: 2.5,
  signature: 3,
  here: 3,
  there: 2,
  from: 2.4,
  input: 1.5,
};

/** A sheet of tables: the texts under its name hold title, sections, notes and column titles. */
export type TablesSheet =
  | 'plan'
  | 'site'
  | 'trades'
  | 'plates'
  | 'holes'
  | 'cabling'
  | 'checks'
  | 'theatre'
  | 'headEnd'
  | 'set'
  | 'offer'
  | 'packageGaps';

export interface SheetTable {
  readonly section: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** The sheet whose words it has, where that is another one. */
  readonly wordsOf?: TablesSheet;
}

/** A plan on which the walls are numbered that the tables measure from. */
export interface KeyPlan {
  readonly sheet: PlanSheet;
  readonly level: string;
}

/** A table for each section, landscape, with head and foot on every page; then the plans that the places in them need. */
export function tablesPdf(
  sheet: TablesSheet,
  tables: readonly SheetTable[],
  title: TablesTitle,
  paper: 'A4' | 'Letter',
  plans: readonly KeyPlan[] = [],
): Promise<Buffer> {
  const [height, width] = PAPER_MM[paper].map((length) => length * POINTS_PER_MM);
  const name = words.t(`documents.${sheet}.title`);
  return pdfBuffer(
    [width, height],
    { Title: `${title.project.name}, ${name}` },
    (pdf, addPage) => {
      drawTables({ pdf, addPage, sheet, tables, title, size: [width, height] });
      for (const plan of plans) {
        addPage();
        drawPlan(pdf, plan.sheet, { ...title, level: plan.level });
      }
    },
    (pdf, page, pages) => drawPageNumber(pdf, [width, height], page, pages),
  );
}

type TablesTitle = Omit<PlanTitle, 'level'>;

interface DrawnTables {
  readonly pdf: PDFKit.PDFDocument;
  readonly addPage: () => void;
  readonly sheet: TablesSheet;
  readonly tables: readonly SheetTable[];
  readonly title: TablesTitle;
  /** Of a page, points. */
  readonly size: readonly [number, number];
}

/** Height of the head of a page, and of column titles with a foot, pt. */
const [HEAD_PT, TITLES_PT] = [40, 60];

/** A row that is taller than a page as several: each goes on with the next words of its cells. */
function inParts(
  pdf: PDFKit.PDFDocument,
  row: readonly string[],
  shares: readonly number[],
  unit: number,
  tallest: number,
): readonly (readonly string[])[] {
  // Most rows are short: their height is asked for only where it could matter.
  if (row.every((cell) => cell.length < 400)) return [row];
  pdf.font(FONTS.tag).fontSize(9.5);
  const tall = Math.max(
    ...row.map((cell, i) =>
      pdf.heightOfString(brokenAtSpaces(pdf, cell, shares[i] * unit - 6) || ' ', { width: shares[i] * unit - 6 }),
    ),
  );
  const count = Math.ceil(tall / tallest);
  if (count <= 1) return [row];
  return Array.from({ length: count }, (_, n) =>
    row.map((cell) => {
      const words = cell.split(' ');
      const each = Math.ceil(words.length / count);
      return words.slice(n * each, (n + 1) * each).join(' ');
    }),
  );
}

/** The number of a page among all of its document, at the foot. */
export function drawPageNumber(
  pdf: PDFKit.PDFDocument,
  [width, height]: readonly [number, number],
  page: number,
  pages: number,
): void {
  const margin = MARGIN_MM * POINTS_PER_MM;
  pdf.font(FONTS.tag).fontSize(9).fillColor(SOFT);
  pdf.text(words.t('documents.page', { page, pages }), margin, height - margin - 9, {
    width: width - 2 * margin,
    align: 'right',
    lineBreak: false,
  });
}

/** Draws tables on the page that is open and on those that follow. */
export function drawTables({ pdf, addPage, sheet, tables, title, size: [width, height] }: DrawnTables): void {
  const margin = MARGIN_MM * POINTS_PER_MM;
  const name = words.t(`documents.${sheet}.title`);
  let y = 0;
  const head = () => {
    pdf.font(FONTS.uiBold).fontSize(14).fillColor(INK).text(title.project.name, margin, margin, { lineBreak: false });
    const side = `${name} · ${words.t('documents.revision')} ${title.revision} · ${title.date}`;
    pdf.font(FONTS.tag).fontSize(9).fillColor(SOFT);
    pdf.text(side, margin, margin + 3, { width: width - 2 * margin, align: 'right', lineBreak: false });
    const { firm, firmContact, client, address } = title.project;
    const whole = width - 2 * margin;
    const forWhom = [client, address].filter(Boolean).join(' · ');
    pdf.text(forWhom, margin, margin + 17, { width: whole / 2, height: 11, ellipsis: true });
    const byWhom = [firm, firmContact].filter(Boolean).join(' · ');
    pdf.text(byWhom, margin + whole / 2, margin + 17, { width: whole / 2, height: 11, ellipsis: true, align: 'right' });
    pdf.text(words.t('documents.aid'), margin, height - margin - 9, { width: width - 2 * margin, lineBreak: false });
    y = margin + 36;
  };
  const room = (needed: number) => {
    if (y + needed <= height - margin - 16) return false;
    addPage();
    head();
    return true;
  };
  head();
  if (tables.length === 0)
    pdf
      .font(FONTS.ui)
      .fontSize(11)
      .fillColor(INK)
      .text(words.t(`documents.${sheet}.nothing`), margin, y);
  for (const { section, columns, rows, wordsOf = sheet } of tables) {
    const shares = columns.map((column) => WIDE[column] ?? 1);
    const unit = (width - 2 * margin) / shares.reduce((sum, share) => sum + share, 0);
    const titles = columns.map((column) => words.t(`documents.${wordsOf}.columns.${column}`));
    const line = (given: readonly string[], bold: boolean) => {
      const pen = () => pdf.font(bold ? FONTS.tagBold : FONTS.tag).fontSize(bold ? 8 : 9.5);
      pen();
      const cells = given.map((cell, i) => brokenAtSpaces(pdf, cell, shares[i] * unit - 6));
      const tall = Math.max(...cells.map((cell, i) => pdf.heightOfString(cell || ' ', { width: shares[i] * unit - 6 }))) + 6;
      if (!bold && room(tall)) line(titles, true);
      pen().fillColor(bold ? SOFT : INK);
      let x = margin;
      cells.forEach((cell, i) => {
        pdf.text(cell, x, y + 3, { width: shares[i] * unit - 6 });
        x += shares[i] * unit;
      });
      y += tall;
      pdf
        .lineWidth(0.4)
        .strokeColor(LINE)
        .moveTo(margin, y)
        .lineTo(width - margin, y)
        .stroke();
    };
    // Title, note, column titles and the first row stay together.
    room(110);
    pdf
      .font(FONTS.uiBold)
      .fontSize(11)
      .fillColor(INK)
      .text(words.t(`documents.${wordsOf}.sections.${section}`), margin, y);
    y += 16;
    pdf.font(FONTS.ui).fontSize(9).fillColor(SOFT);
    const note = words.t(`documents.${wordsOf}.notes.${section}`);
    pdf.text(note, margin, y, { width: width - 2 * margin });
    y += pdf.heightOfString(note, { width: width - 2 * margin }) + 4;
    line(titles, true);
    const tallest = height - 2 * margin - HEAD_PT - TITLES_PT;
    for (const row of rows) for (const part of inParts(pdf, row, shares, unit, tallest)) line(part, false);
    y += 14;
  }
}
