import { PRINT } from '@dusky-spool/design';
import { type BundleTag, type Paper, sheetLayout } from '@dusky-spool/core/sheets';
import { FONTS, POINTS_PER_MM } from './fonts.ts';
import { fittedWords } from './fitted-text.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import { words } from '@dusky-spool/texts';

/** Smaller letters are not read on a ladder, points. */
const SMALLEST_PT = 6;

const { labelInk: INK, rule: FAINT } = PRINT;

/** Two tags for each bundle, one for its head and one for the rack: its code, where it goes and parts, and who leaves it first. */
export function tagsPdf(tags: readonly BundleTag[], paper: Paper, title: string): Promise<Buffer> {
  const sheet = sheetLayout('large', paper);
  const perPage = sheet.columns * sheet.rows;
  const mm = (length: number) => length * POINTS_PER_MM;
  return pdfBuffer([mm(sheet.pageWidthMm), mm(sheet.pageHeightMm)], { Title: title }, (pdf, addPage) => {
    tags
      .flatMap((tag) => [tag, tag])
      .forEach((tag, index) => {
        if (index > 0 && index % perPage === 0) addPage();
        const cell = index % perPage;
        const x = mm(sheet.leftMm + (cell % sheet.columns) * (sheet.labelWidthMm + sheet.gapMm));
        const y = mm(sheet.topMm + Math.floor(cell / sheet.columns) * (sheet.labelHeightMm + sheet.gapMm));
        drawTag(pdf, tag, x, y, mm(sheet.labelWidthMm), mm(sheet.labelHeightMm));
      });
  });
}

function drawTag(pdf: PDFKit.PDFDocument, tag: BundleTag, x: number, y: number, width: number, height: number): void {
  const pad = height * 0.09;
  pdf.lineWidth(0.4).strokeColor(FAINT).roundedRect(x, y, width, height, 4).stroke();
  // The hole that a tie goes through.
  pdf
    .circle(x + width - 2.2 * pad, y + 2.2 * pad, pad)
    .lineWidth(0.8)
    .strokeColor(INK)
    .stroke();
  pdf
    .fillColor(INK)
    .font(FONTS.id)
    .fontSize(height * 0.24);
  pdf.text(tag.code, x + pad, y + pad, { lineBreak: false });
  const lines = [
    words.t('documents.tags.count', { count: tag.count, rack: tag.rack }),
    tag.head === '' ? words.t('documents.tags.partsAtOnce') : words.t('documents.tags.parts', { head: tag.head }),
  ];
  const small = height * 0.11;
  const inner = width - 2 * pad;
  const top = y + pad + height * 0.27;
  lines.forEach((line, k) => {
    pdf.font(k === 0 ? FONTS.tagBold : FONTS.tag).fontSize(small);
    pdf.text(line, x + pad, top + k * small * 1.25, { width: inner, height: small * 1.3, ellipsis: true });
  });
  const listTop = top + lines.length * small * 1.25 + 2;
  pdf.font(FONTS.tag);
  const room = [inner, y + height - pad * 0.6 - listTop] as const;
  const more = (count: number) => words.t('documents.tags.more', { count });
  const { text, size } = fittedWords(pdf, tag.numbers, room, [small, SMALLEST_PT], more);
  pdf.fontSize(size).text(text, x + pad, listTop, { width: inner + 1, lineGap: 0 });
}
