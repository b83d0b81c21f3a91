import { PRINT } from '@dusky-spool/design';
import type { ViewMark, ViewSheet } from '@dusky-spool/core/sheets';
import { FONTS, POINTS_PER_MM, SYSTEM_LINES } from './fonts.ts';
import { drawTitleBlock, path, type PlanTitle, write } from './plan-pdf.ts';

const { ink: INK, inkSoft: SOFT, rule: RULE } = PRINT;

const PENS = {
  outline: { stroke: INK, width: 0.5, dash: 0 },
  thin: { stroke: INK, width: 0.2, dash: 0 },
  dashed: { stroke: SOFT, width: 0.2, dash: 2 },
  dimension: { stroke: RULE, width: 0.15, dash: 0.8 },
} as const;

/** Elevations or a diagram on the page that is open, with title block. */
export function drawView(
  pdf: PDFKit.PDFDocument,
  sheet: ViewSheet,
  title: PlanTitle,
  said: { readonly heading: string; readonly aid: string },
): void {
  pdf.save();
  pdf.transform(POINTS_PER_MM, 0, 0, -POINTS_PER_MM, 0, sheet.heightMm * POINTS_PER_MM);
  // Devices stand over lines, and words over both.
  const order = ['line', 'device', 'text'];
  [...sheet.marks].sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind)).forEach((mark) => drawViewMark(pdf, mark));
  drawTitleBlock(pdf, { ...sheet, number: null }, title, said);
  pdf.restore();
}

function drawViewMark(pdf: PDFKit.PDFDocument, mark: ViewMark): void {
  pdf.undash();
  if (mark.kind === 'line') {
    const { stroke, width, dash } = PENS[mark.pen];
    pdf.lineWidth(width).strokeColor(stroke);
    if (dash > 0) pdf.dash(dash, { space: dash });
    path(pdf, mark.points, mark.isClosed);
    pdf.stroke().undash();
  } else if (mark.kind === 'device') {
    const { colour } = SYSTEM_LINES[mark.system];
    const [x, y] = mark.at;
    pdf.lineWidth(0.3).fillColor('#ffffff').strokeColor(colour);
    pdf.roundedRect(x - 2.7, y - 1.6, 5.4, 3.2, 1.5).fillAndStroke();
    write(pdf, mark.code, x, y - 0.1, 2.2, FONTS.tagBold, colour, true);
  } else drawText(pdf, mark);
}

/** Words on a ground of their own, so that no line crosses them. */
function drawText(
  pdf: PDFKit.PDFDocument,
  { text, at: [x, y], sizeMm, isBold, isMiddle }: Extract<ViewMark, { kind: 'text' }>,
): void {
  const font = isBold ? FONTS.tagBold : FONTS.tag;
  const width = pdf.font(font).fontSize(sizeMm).widthOfString(text);
  const left = isMiddle ? x - width / 2 : x;
  pdf
    .fillColor('#ffffff')
    .rect(left - 0.2, y - sizeMm * 0.5, width + 0.4, sizeMm)
    .fill();
  write(pdf, text, x, y, sizeMm, font, INK, isMiddle);
}
