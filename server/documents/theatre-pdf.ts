import { PRINT } from '@dusky-spool/design';
import type { TheatreMark, TheatreSheet, theatreTables } from '@dusky-spool/core/sheets';
import { words } from '@dusky-spool/texts';
import { FONTS, POINTS_PER_MM, SYSTEM_LINES } from './fonts.ts';
import { drawDimension, drawTitleBlock, path, type PlanTitle, write } from './plan-pdf.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import { drawPageNumber, drawTables } from './tables-pdf.ts';

const { ink: INK, inkSoft: SOFT, rule: RULE } = PRINT;

/** A theatre in three views to scale, and the tables of its speakers, seats and picture behind it. */
export function theatrePdf(sheet: TheatreSheet, title: PlanTitle, tables: ReturnType<typeof theatreTables>): Promise<Buffer> {
  const mm = (length: number) => length * POINTS_PER_MM;
  const size: [number, number] = [mm(sheet.widthMm), mm(sheet.heightMm)];
  const draw = (pdf: PDFKit.PDFDocument, addPage: () => void) => {
    drawTheatre(pdf, sheet, title, { sheet: 1, sheets: 1 });
    if (tables.length === 0) return;
    addPage();
    drawTables({ pdf, addPage, sheet: 'theatre', tables, title, size });
  };
  return pdfBuffer(size, { Title: `${title.project.name}, ${title.level}` }, draw, (pdf, page, pages) => {
    if (page > 1) drawPageNumber(pdf, size, page, pages);
  });
}

/** The three views on the page that is open; without a number where it is numbered with others later. */
export function drawTheatre(
  pdf: PDFKit.PDFDocument,
  sheet: TheatreSheet,
  title: PlanTitle,
  number: { readonly sheet: number; readonly sheets: number } | null = null,
): void {
  pdf.save();
  pdf.transform(POINTS_PER_MM, 0, 0, -POINTS_PER_MM, 0, sheet.heightMm * POINTS_PER_MM);
  [...sheet.marks].sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind)).forEach((mark) => drawMark(pdf, mark));
  drawTitleBlock(pdf, { ...sheet, number }, title, {
    heading: words.t('documents.theatre.sheetOf', { room: title.level }),
    aid: `${words.t('documents.aid')} ${words.t('documents.theatre.caution')}`,
  });
  pdf.restore();
}

/** What is drawn over what. */
const ORDER: readonly TheatreMark['kind'][] = [
  ...(['room', 'cone', 'riser', 'seat', 'beam', 'sight', 'picture', 'dimension'] as const),
  ...(['head', 'title', 'projector', 'speaker'] as const),
];

interface Pen {
  readonly stroke: string;
  readonly width: number;
  readonly fill?: string;
  readonly fillShare?: number;
  readonly dash?: number;
}
const PENS: Readonly<Record<'room' | 'beam' | 'riser' | 'seat' | 'picture' | 'cone' | 'sight', Pen>> = {
  room: { stroke: INK, width: 0.6 },
  beam: { stroke: SOFT, width: 0.25, fill: RULE, fillShare: 0.5, dash: 1.2 },
  riser: { stroke: SOFT, width: 0.3, dash: 1.4 },
  seat: { stroke: SOFT, width: 0.25 },
  picture: { stroke: INK, width: 1.1 },
  cone: { stroke: RULE, width: 0.15, fill: RULE, fillShare: 0.22 },
  sight: { stroke: SOFT, width: 0.15, dash: 0.8 },
};

/** Ticks of dimensions, shorter than on plans: the views are small. */
const TICK_MM = 1;

function drawMark(pdf: PDFKit.PDFDocument, mark: TheatreMark): void {
  pdf.undash();
  switch (mark.kind) {
    case 'title':
      return write(pdf, words.t(`documents.theatre.views.${mark.view}`).toUpperCase(), ...mark.at, 2.4, FONTS.tagBold, SOFT);
    case 'head':
      pdf
        .fillColor(INK)
        .circle(...mark.at, 0.9)
        .fill();
      return;
    case 'dimension':
      return drawDimension(pdf, mark, TICK_MM);
    case 'speaker':
    case 'projector': {
      const { colour } = SYSTEM_LINES[mark.kind === 'speaker' ? 'sound' : 'picture'];
      const [x, y] = mark.at;
      const half = Math.max(2.7, pdf.font(FONTS.tagBold).fontSize(2.3).widthOfString(mark.code) / 2 + 1.2);
      pdf.lineWidth(0.3).fillColor('#ffffff').strokeColor(colour);
      pdf.roundedRect(x - half, y - 1.8, 2 * half, 3.6, 1.7).fillAndStroke();
      return write(pdf, mark.code, x, y - 0.1, 2.3, FONTS.tagBold, colour, true);
    }
    default: {
      const { stroke, width, fill, fillShare, dash } = PENS[mark.kind];
      pdf.lineWidth(width).strokeColor(stroke);
      if (dash) pdf.dash(dash, { space: dash });
      if (fill && mark.isClosed) {
        pdf.fillColor(fill).fillOpacity(fillShare ?? 1);
        path(pdf, mark.points, true);
        pdf.fillAndStroke().fillOpacity(1);
      } else {
        path(pdf, mark.points, mark.isClosed);
        pdf.stroke();
      }
      pdf.undash();
    }
  }
}
