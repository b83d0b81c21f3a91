import { PRINT } from '@dusky-spool/design';
import { type BundleTag, type Paper, sheetLayout } from '@dusky-spool/core/sheets';
import { FONTS, POINTS_PER_MM } from './fonts.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import { words } from '@dusky-spool/texts';

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
    .fontSize(height * 0.28);
  pdf.text(tag.code, x + pad, y + pad, { lineBreak: false });
  const lines = [
    words.t('documents.tags.count', { count: tag.count, rack: tag.rack }),
    tag.head === '' ? words.t('documents.tags.partsAtOnce') : words.t('documents.tags.parts', { head: tag.head }),
    tag.numbers.join(' '),
  ];
  const small = height * 0.125;
  lines.forEach((line, k) => {
    pdf.font(k === 0 ? FONTS.tagBold : FONTS.tag).fontSize(small);
    const top = y + pad + height * 0.33 + k * small * 1.3;
    pdf.text(line, x + pad, top, {
      width: width - 2 * pad,
      height: k < 2 ? small * 1.3 : height - (top - y) - pad,
      ellipsis: true,
    });
  });
}
