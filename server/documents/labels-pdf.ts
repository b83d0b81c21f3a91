import { PRINT } from '@dusky-spool/design';
import QRCode from 'qrcode';
import { formatCableLength, type UnitSystem } from '@dusky-spool/core/math';
import { type CableLabel, type LabelSize, type Paper, sheetLayout } from '@dusky-spool/core/sheets';
import { FONTS, POINTS_PER_MM } from './fonts.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import { words } from '@dusky-spool/texts';

const { labelInk: INK, rule: FAINT } = PRINT;
/** Labels lower than this have no room to spell conductors out, mm. */
const SPELLED_FROM_MM = 22;

/** A sheet of labels, two for each run side by side: end R at the rack, end D at the device. */
export function labelsPdf(
  labels: readonly CableLabel[],
  size: LabelSize,
  paper: Paper,
  units: UnitSystem,
  title: string,
): Promise<Buffer> {
  const sheet = sheetLayout(size, paper);
  const perPage = sheet.columns * sheet.rows;
  const mm = (length: number) => length * POINTS_PER_MM;
  return pdfBuffer([mm(sheet.pageWidthMm), mm(sheet.pageHeightMm)], { Title: title }, (pdf, addPage) => {
    labels.forEach((label, index) => {
      if (index > 0 && index % perPage === 0) addPage();
      const cell = index % perPage;
      const x = sheet.leftMm + (cell % sheet.columns) * (sheet.labelWidthMm + sheet.gapMm);
      const y = sheet.topMm + Math.floor(cell / sheet.columns) * (sheet.labelHeightMm + sheet.gapMm);
      pdf.save().translate(mm(x), mm(y));
      drawLabel(pdf, label, mm(sheet.labelWidthMm), mm(sheet.labelHeightMm), units);
      pdf.restore();
    });
  });
}

function drawLabel(pdf: PDFKit.PDFDocument, label: CableLabel, width: number, height: number, units: UnitSystem): void {
  const pad = height * 0.08;
  pdf.lineWidth(0.4).strokeColor(FAINT).roundedRect(0, 0, width, height, 3).stroke();
  const qr = height - 2 * pad;
  drawQr(pdf, label.code, width - pad - qr, pad, qr);
  const textWidth = width - qr - 3 * pad;
  const big = height * 0.27;
  const small = height * 0.155;
  const number = fit(pdf.font(FONTS.id), label.number, big, textWidth - big * 1.3);
  // The end stands in a ring, so that R and D are told apart from across a room.
  const ring = big * 0.52;
  pdf
    .circle(pad + ring, pad + ring, ring)
    .lineWidth(0.9)
    .strokeColor(INK)
    .stroke();
  pdf
    .font(FONTS.tagBold)
    .fontSize(big * 0.72)
    .fillColor(INK);
  pdf.text(label.end, pad, pad + ring - pdf.currentLineHeight() / 2, { width: 2 * ring, align: 'center', lineBreak: false });
  pdf
    .font(FONTS.id)
    .fontSize(number)
    .text(label.number, pad + 2 * ring + pad, pad + (big - number) / 2, { lineBreak: false });
  const lines = [
    label.here,
    words.t('documents.labelTo', { there: label.there }),
    [label.cable, label.cutLengthM === null ? '' : formatCableLength(label.cutLengthM, units)].filter(Boolean).join(' · '),
  ];
  // What each conductor is for stands below, smaller, on as many lines as it takes; on small labels it is named by its map.
  const below = pad + big * 1.16;
  const conductors = height < SPELLED_FROM_MM * POINTS_PER_MM ? label.map : label.conductors;
  const space = height - pad - below;
  const sizeOf = (count: number) => Math.min(small, space / count / 1.1);
  const spelledAt = (size: number) => {
    pdf.font(FONTS.tag).fontSize(size);
    return conductors === '' ? [] : wrapped(pdf, conductors.split(' / '), textWidth);
  };
  // Smaller letters need fewer lines: the largest letters at which all is said are taken.
  let count = conductors === '' ? 0 : 1;
  while (spelledAt(sizeOf(lines.length + count)).length > count) count++;
  const size = sizeOf(lines.length + count);
  const spelled = spelledAt(size);
  [...lines, ...spelled].forEach((line, i) => {
    pdf
      .font(i === 0 ? FONTS.tagBold : FONTS.tag)
      .fontSize(size)
      .fillColor(INK);
    pdf.text(clip(pdf, line, textWidth), pad, below + i * size * 1.1, { lineBreak: false });
  });
}

/** Words joined by strokes into lines that fit a width. */
function wrapped(pdf: PDFKit.PDFDocument, parts: readonly string[], width: number): string[] {
  const lines: string[] = [];
  for (const part of parts) {
    const longer = lines.length > 0 ? `${lines[lines.length - 1]} / ${part}` : part;
    if (lines.length > 0 && pdf.widthOfString(longer) <= width) lines[lines.length - 1] = longer;
    else lines.push(part);
  }
  return lines;
}

/** The largest size up to `size` at which a text fits. */
function fit(pdf: PDFKit.PDFDocument, text: string, size: number, width: number): number {
  const at = pdf.fontSize(size).widthOfString(text);
  return at <= width ? size : (size * width) / at;
}

function clip(pdf: PDFKit.PDFDocument, text: string, width: number): string {
  if (pdf.widthOfString(text) <= width) return text;
  let kept = text;
  while (kept.length > 1 && pdf.widthOfString(`${kept}.`) > width) kept = kept.slice(0, -1);
  return `${kept.trimEnd()}.`;
}

/** The square code as filled squares, sharp at any size. */
function drawQr(pdf: PDFKit.PDFDocument, text: string, x: number, y: number, size: number): void {
  pdf.fillColor('#000000');
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const cell = size / modules.size;
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size; column++) {
      if (modules.get(row, column)) pdf.rect(x + column * cell, y + row * cell, cell * 1.02, cell * 1.02);
    }
  }
  pdf.fill();
}
