import { PRINT } from '@dusky-spool/design';
import type { PlanSheet, SheetMark } from '@dusky-spool/core/sheets';
import type { ProjectHeader } from '@dusky-spool/core/model';
import { FONTS, POINTS_PER_MM, SYSTEM_LINES } from './fonts.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import { words } from '@dusky-spool/texts';

const { ink: INK, inkSoft: SOFT, ruleDark: LINE } = PRINT;

export interface PlanTitle {
  readonly project: ProjectHeader;
  readonly level: string;
  readonly revision: number;
  /** Printed as given, e.g. 2026-11-24. */
  readonly date: string;
}

/** One level to scale on one sheet, with a title block and a legend. */
export function planPdf(sheet: PlanSheet, title: PlanTitle): Promise<Buffer> {
  const mm = (length: number) => length * POINTS_PER_MM;
  return pdfBuffer([mm(sheet.widthMm), mm(sheet.heightMm)], { Title: `${title.project.name}, ${title.level}` }, (pdf) => {
    const inset = sheet.marginMm;
    pdf.save();
    // Paper millimetres, y up, as the sheet is laid out.
    pdf.transform(POINTS_PER_MM, 0, 0, -POINTS_PER_MM, 0, mm(sheet.heightMm));
    const order = ['room', 'riser', 'wall', 'opening', 'rack', 'run', 'device'];
    [...sheet.marks].sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind)).forEach((mark) => drawMark(pdf, mark));
    pdf.lineWidth(0.35).strokeColor(INK).undash();
    pdf.rect(inset, inset, sheet.widthMm - 2 * inset, sheet.heightMm - 2 * inset).stroke();
    pdf
      .moveTo(inset, inset + sheet.titleBlockMm)
      .lineTo(sheet.widthMm - inset, inset + sheet.titleBlockMm)
      .stroke();
    drawScaleBar(pdf, sheet, title.project.units);
    drawLegend(pdf, sheet);
    drawTitle(pdf, sheet, title);
    pdf.restore();
  });
}

/** Text in the flipped page: `size` and place in mm, from its left end or middle. */
function write(
  pdf: PDFKit.PDFDocument,
  text: string,
  x: number,
  y: number,
  size: number,
  font: string,
  colour: string,
  middle = false,
): void {
  pdf.save().translate(x, y).scale(1, -1);
  pdf.font(font).fontSize(size).fillColor(colour);
  pdf.text(text, middle ? -pdf.widthOfString(text) / 2 : 0, -size * 0.75, { lineBreak: false });
  pdf.restore();
}

function path(pdf: PDFKit.PDFDocument, points: readonly (readonly [number, number])[], closed: boolean): void {
  points.forEach(([x, y], i) => (i === 0 ? pdf.moveTo(x, y) : pdf.lineTo(x, y)));
  if (closed) pdf.closePath();
}

function drawMark(pdf: PDFKit.PDFDocument, mark: SheetMark): void {
  // A PDF wants its pen set before a path is begun.
  pdf.undash();
  switch (mark.kind) {
    case 'wall':
      pdf.fillColor(INK);
      path(pdf, mark.points, true);
      pdf.fill();
      break;
    case 'opening':
      pdf.lineWidth(0.18).fillColor('#ffffff').strokeColor(INK);
      path(pdf, mark.points, true);
      pdf.fillAndStroke();
      break;
    case 'room':
      write(pdf, mark.name.toUpperCase(), mark.at[0], mark.at[1] + 1.2, 2.6, FONTS.tagBold, SOFT, true);
      write(pdf, mark.code, mark.at[0], mark.at[1] - 1.8, 2.2, FONTS.tag, LINE, true);
      break;
    case 'riser':
      pdf.lineWidth(0.25).strokeColor(PRINT.accent);
      path(pdf, mark.points, true);
      path(pdf, [mark.points[0], mark.points[2]], false);
      path(pdf, [mark.points[1], mark.points[3]], false);
      pdf.stroke();
      break;
    case 'rack':
      pdf.fillColor(PRINT.hole);
      path(pdf, mark.points, true);
      pdf.fill();
      write(
        pdf,
        mark.code,
        (mark.points[0][0] + mark.points[2][0]) / 2,
        (mark.points[0][1] + mark.points[2][1]) / 2,
        2.6,
        FONTS.tagBold,
        '#ffffff',
        true,
      );
      break;
    case 'run':
      pen(pdf, mark.system, 0.3);
      path(pdf, mark.points, false);
      pdf.stroke();
      break;
    case 'device': {
      const { colour } = SYSTEM_LINES[mark.system];
      const [x, y] = mark.at;
      const [c, s] = [Math.cos(mark.facingRad), Math.sin(mark.facingRad)];
      pdf.fillColor(colour);
      path(
        pdf,
        [
          [x + 3.6 * c, y + 3.6 * s],
          [x - 1.2 * s, y + 1.2 * c],
          [x + 1.2 * s, y - 1.2 * c],
        ],
        true,
      );
      pdf.fill();
      pdf.lineWidth(0.3).fillColor('#ffffff').strokeColor(colour);
      if (mark.prepared) pdf.dash(0.8, { space: 0.6 });
      pdf.roundedRect(x - 2.7, y - 1.8, 5.4, 3.6, 1.7).fillAndStroke();
      pdf.undash();
      write(pdf, mark.code, x, y - 0.1, 2.5, FONTS.tagBold, colour, true);
    }
  }
}

/** A system's colour and dash pattern, so that a monochrome print can be read. */
function pen(pdf: PDFKit.PDFDocument, system: keyof typeof SYSTEM_LINES, width: number): void {
  const { colour, dash } = SYSTEM_LINES[system];
  if (dash.length > 0) pdf.dash([...dash] as never, {});
  else pdf.undash();
  pdf.lineWidth(width).strokeColor(colour);
}

function drawScaleBar(pdf: PDFKit.PDFDocument, sheet: PlanSheet, units: ProjectHeader['units']): void {
  const unitMm = (units === 'metric' ? 1000 : 304.8) / sheet.scale;
  const step = [1, 2, 5, 10, 20].find((n) => n * unitMm >= 12) ?? 50;
  const [x, y] = [sheet.widthMm - sheet.marginMm - 4 - 2 * step * unitMm - 8, sheet.marginMm + 5];
  [0, 1].forEach((i) => {
    pdf
      .rect(x + i * step * unitMm, y, step * unitMm, 1.4)
      .lineWidth(0.2)
      .fillColor(i === 0 ? INK : '#ffffff')
      .strokeColor(INK)
      .fillAndStroke();
  });
  [0, step, 2 * step].forEach((n) =>
    write(
      pdf,
      n === 2 * step ? `${n} ${units === 'metric' ? 'm' : 'ft'}` : String(n),
      x + n * unitMm,
      y + 3.4,
      2.3,
      FONTS.tag,
      SOFT,
      true,
    ),
  );
}

function drawLegend(pdf: PDFKit.PDFDocument, sheet: PlanSheet): void {
  sheet.systems.forEach((system, i) => {
    const x = sheet.marginMm + 4 + i * 24;
    const y = sheet.marginMm + sheet.titleBlockMm + 3.5;
    pen(pdf, system, 0.4);
    pdf
      .moveTo(x, y)
      .lineTo(x + 8, y)
      .stroke();
    write(pdf, words.t(`terms.systems.${system}`), x + 9.5, y - 0.1, 2.6, FONTS.tag, SOFT);
  });
}

function drawTitle(pdf: PDFKit.PDFDocument, sheet: PlanSheet, { project, level, revision, date }: PlanTitle): void {
  const top = sheet.marginMm + sheet.titleBlockMm;
  const left = sheet.marginMm + 4;
  const field = (column: number, label: string, value: string) => {
    const x = left + 92 + column * 27;
    write(pdf, label.toUpperCase(), x, top - 5, 2.1, FONTS.tag, SOFT);
    write(pdf, value, x, top - 9.5, 3.4, FONTS.uiBold, INK);
  };
  write(pdf, project.name, left, top - 6, 5, FONTS.uiBold, INK);
  write(pdf, words.t('documents.sheetOf', { level }), left, top - 12, 3.4, FONTS.ui, INK);
  field(0, words.t('documents.scale'), `1:${sheet.scale}`);
  field(1, words.t('documents.revision'), String(revision));
  field(2, words.t('documents.date'), date);
  if (project.client) field(3, words.t('documents.drawnFor'), project.client);
  write(pdf, words.t('documents.aid'), left, sheet.marginMm + 6.4, 2.3, FONTS.tag, SOFT);
  write(pdf, words.t('documents.boring'), left, sheet.marginMm + 3, 2.3, FONTS.tag, SOFT);
}
