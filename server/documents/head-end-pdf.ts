import { PRINT } from '@dusky-spool/design';
import { PAPER_MM } from '@dusky-spool/core/math';
import type { DrawnFace, RackDrawing } from '@dusky-spool/core/sheets';
import { words } from '@dusky-spool/texts';
import { FONTS, POINTS_PER_MM } from './fonts.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import type { PlanTitle } from './plan-pdf.ts';
import { drawPageNumber, drawTables, type SheetTable } from './tables-pdf.ts';

const { ink: INK, inkSoft: SOFT, rule: RULE } = PRINT;
const MARGIN_MM = 12;
/** Above the drawing its heading, below it the label strip and the foot. */
const [HEAD_MM, STRIP_MM, FOOT_MM] = [14, 24, 8];
const mm = (length: number) => length * POINTS_PER_MM;

/** The field that elevations may fill on a landscape page, mm. */
export function rackFieldMm(paper: 'A4' | 'Letter'): readonly [number, number] {
  const [height, width] = PAPER_MM[paper];
  return [width - 2 * MARGIN_MM, height - 2 * MARGIN_MM - HEAD_MM - STRIP_MM - FOOT_MM];
}

/** Every head end from both sides to scale with its label strip, a page each; then its tables. */
export function headEndPdf(
  drawings: readonly RackDrawing[],
  tables: readonly SheetTable[],
  title: Omit<PlanTitle, 'level'>,
  paper: 'A4' | 'Letter',
): Promise<Buffer> {
  const [height, width] = PAPER_MM[paper].map(mm);
  const draw = (pdf: PDFKit.PDFDocument, addPage: () => void) => {
    for (const [n, drawing] of drawings.entries()) {
      if (n > 0) addPage();
      drawRack(pdf, drawing, title, paper);
    }
    if (drawings.length > 0) addPage();
    drawTables({ pdf, addPage, sheet: 'headEnd', tables, title, size: [width, height] });
  };
  return pdfBuffer(
    [width, height],
    { Title: `${title.project.name}, ${words.t('documents.headEnd.title')}` },
    draw,
    (pdf, page, pages) => drawPageNumber(pdf, [width, height], page, pages),
  );
}

/** A head end from both sides on the page that is open. */
export function drawRack(
  pdf: PDFKit.PDFDocument,
  drawing: RackDrawing,
  { project, date, revision }: Omit<PlanTitle, 'level'>,
  paper: 'A4' | 'Letter',
): void {
  const [pageHeightMm, pageWidthMm] = PAPER_MM[paper];
  const wide = mm(pageWidthMm - 2 * MARGIN_MM);
  pdf
    .font(FONTS.uiBold)
    .fontSize(14)
    .fillColor(INK)
    .text(`${project.name} · ${drawing.name}`, mm(MARGIN_MM), mm(MARGIN_MM), { lineBreak: false });
  pdf.font(FONTS.tag).fontSize(9).fillColor(SOFT);
  const side = words.t('documents.headEnd.drawn', { scale: drawing.scale, revision, date });
  pdf.text(side, mm(MARGIN_MM), mm(MARGIN_MM) + 3, { width: wide, align: 'right', lineBreak: false });
  const [, fieldHeightMm] = rackFieldMm(paper);
  const bottomMm = MARGIN_MM + HEAD_MM + fieldHeightMm;
  const stepMm = (pageWidthMm - 2 * MARGIN_MM) / drawing.faces.length;
  for (const [n, face] of drawing.faces.entries())
    drawFace(pdf, drawing, face, MARGIN_MM + stepMm * n + (stepMm - drawing.widthMm) / 2, bottomMm);
  if (drawing.beside.length > 0) {
    pdf.font(FONTS.tag).fontSize(8).fillColor(SOFT);
    pdf.text(words.t('documents.headEnd.beside', { names: drawing.beside.join(', ') }), mm(MARGIN_MM), mm(MARGIN_MM + 8), {
      width: wide,
      height: 10,
      ellipsis: true,
    });
  }
  drawStrip(pdf, drawing.strip, bottomMm + 6, pageWidthMm);
  pdf.font(FONTS.tag).fontSize(9).fillColor(SOFT);
  pdf.text(words.t('documents.aid'), mm(MARGIN_MM), mm(pageHeightMm - MARGIN_MM) - 9, { width: wide, lineBreak: false });
}

function drawFace(
  pdf: PDFKit.PDFDocument,
  { widthMm, heightMm, units }: RackDrawing,
  { face, items }: DrawnFace,
  leftMm: number,
  bottomMm: number,
): void {
  const topMm = bottomMm - heightMm;
  pdf.font(FONTS.tagBold).fontSize(8).fillColor(SOFT);
  pdf.text(words.t(`ui.headEnd.faces.${face}`), mm(leftMm), mm(topMm) - 11, {
    width: mm(widthMm),
    align: 'center',
    lineBreak: false,
  });
  pdf.lineWidth(0.4).strokeColor(RULE);
  const unitMm = units > 0 ? heightMm / units : 0;
  for (let n = 0; n < units; n++) {
    const y = mm(bottomMm - n * unitMm);
    pdf
      .moveTo(mm(leftMm), y)
      .lineTo(mm(leftMm + widthMm), y)
      .stroke();
    if ((n + 1) % 3 !== 1) continue;
    pdf.font(FONTS.tag).fontSize(5.5).fillColor(SOFT);
    pdf.text(String(n + 1), mm(leftMm) - 16, y - mm(unitMm / 2) - 3, { width: 12, align: 'right', lineBreak: false });
  }
  pdf.lineWidth(0.5).strokeColor(SOFT);
  for (const { name, xMm, yMm, widthMm: wideMm, heightMm: highMm } of items) {
    const [x, y, w, h] = [mm(leftMm + xMm), mm(bottomMm - yMm - highMm), mm(wideMm), mm(highMm)];
    pdf.fillColor('#ffffff').rect(x, y, w, h).fillAndStroke();
    const size = Math.min(7, Math.max(4, h * 0.62));
    pdf.font(FONTS.tag).fontSize(size).fillColor(INK);
    pdf.text(name, x + 2, y + (h - size) / 2 - 0.6, { width: w - 4, height: size + 1, align: 'center', ellipsis: true });
  }
  pdf.lineWidth(1).strokeColor(INK).rect(mm(leftMm), mm(topMm), mm(widthMm), mm(heightMm)).stroke();
}

/** The strip to cut out and fix to the door: whom to call. */
function drawStrip(pdf: PDFKit.PDFDocument, lines: readonly string[], topMm: number, pageWidthMm: number): void {
  const [widthMm, heightMm] = [150, 15];
  const leftMm = (pageWidthMm - widthMm) / 2;
  pdf
    .lineWidth(0.5)
    .strokeColor(INK)
    .dash(2, { space: 2 })
    .rect(mm(leftMm), mm(topMm), mm(widthMm), mm(heightMm))
    .stroke()
    .undash();
  for (const [n, line] of lines.entries()) {
    pdf
      .font(n === 0 ? FONTS.uiBold : FONTS.tag)
      .fontSize(n === 0 ? 10 : 8)
      .fillColor(n === 0 ? INK : SOFT);
    pdf.text(line, mm(leftMm + 3), mm(topMm + 1.6 + 4.4 * n), {
      width: mm(widthMm - 6),
      height: 11,
      align: 'center',
      ellipsis: true,
    });
  }
}
