import { PRINT } from '@dusky-spool/design';
import { type DrawingPack, SYSTEMS } from '@dusky-spool/core/model';
import { words } from '@dusky-spool/texts';
import { FONTS, POINTS_PER_MM, SYSTEM_LINES } from './fonts.ts';
import type { PlanTitle } from './plan-pdf.ts';

const { ink: INK, inkSoft: SOFT, rule: RULE } = PRINT;
const MARGIN = 14 * POINTS_PER_MM;
const LINE = 13;

interface Cover {
  readonly pack: DrawingPack;
  readonly index: readonly { readonly name: string; readonly page: number }[];
  readonly pages: number;
}

/** The first page of a set: house, client, firm and revision; lines of the systems; the index of sheets. */
export function drawCover(
  pdf: PDFKit.PDFDocument,
  [width, height]: readonly [number, number],
  { project, revision, date }: PlanTitle,
  { pack, index, pages }: Cover,
): void {
  const left = MARGIN;
  const columnLeft = left + (width - 2 * MARGIN) * 0.36;
  const text = (
    words_: string,
    x: number,
    y: number,
    size: number,
    font: string,
    colour = INK,
    wide = columnLeft - left - 14,
  ) => {
    pdf.font(font).fontSize(size).fillColor(colour);
    pdf.text(words_, x, y, { width: wide });
    return y + pdf.heightOfString(words_, { width: wide });
  };
  let y = text(project.name, left, MARGIN, 26, FONTS.uiBold) + 4;
  y = text(`${words.t('documents.set.title')} · ${words.t(`documents.set.packs.${pack}`)}`, left, y, 13, FONTS.ui) + 12;
  const facts: readonly (readonly [string, string])[] = [
    [words.t('documents.drawnFor'), [project.client, project.address].filter(Boolean).join(', ')],
    [words.t('documents.plan.firm'), [project.firm, project.firmContact].filter(Boolean).join(', ')],
    [words.t('documents.revision'), String(revision)],
    [words.t('documents.date'), date],
    [words.t('documents.set.sheets'), String(pages)],
  ];
  for (const [name, value] of facts) {
    if (value === '') continue;
    y = text(name.toUpperCase(), left, y, 8, FONTS.tag, SOFT);
    y = text(value, left, y, 11, FONTS.ui) + 6;
  }
  y = text(words.t('documents.plan.lines').toUpperCase(), left, y + 8, 8, FONTS.tagBold, SOFT) + 4;
  for (const system of SYSTEMS) {
    const { colour, dash } = SYSTEM_LINES[system];
    pdf.lineWidth(1.4).strokeColor(colour);
    if (dash.length > 0) pdf.dash(dash.map((length) => length * POINTS_PER_MM) as never, {});
    pdf
      .moveTo(left, y + 5)
      .lineTo(left + 40, y + 5)
      .stroke()
      .undash();
    text(words.t(`terms.systems.${system}`), left + 48, y, 10, FONTS.tag);
    y += LINE;
  }
  text(`${words.t('documents.aid')} ${words.t('documents.set.signs')}`, left, y + 10, 9, FONTS.ui, SOFT);
  drawIndex(pdf, { left: columnLeft, top: MARGIN, right: width - MARGIN, bottom: height - MARGIN }, index);
  pdf
    .lineWidth(0.6)
    .strokeColor(RULE)
    .moveTo(columnLeft - 10, MARGIN)
    .lineTo(columnLeft - 10, height - MARGIN)
    .stroke();
}

interface Field {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Every sheet with its page, in as many columns as it takes. */
function drawIndex(pdf: PDFKit.PDFDocument, { left, top, right, bottom }: Field, index: Cover['index']): void {
  pdf.font(FONTS.uiBold).fontSize(12).fillColor(INK).text(words.t('documents.set.index'), left, top, { lineBreak: false });
  const from = top + 22;
  const perColumn = Math.max(1, Math.floor((bottom - from) / LINE));
  const columns = Math.max(1, Math.ceil(index.length / perColumn));
  const wide = (right - left) / columns;
  index.forEach(({ name, page }, n) => {
    const x = left + Math.floor(n / perColumn) * wide;
    const y = from + (n % perColumn) * LINE;
    pdf.font(FONTS.tag).fontSize(10).fillColor(INK);
    pdf.text(String(page), x, y, { width: 22, align: 'right', lineBreak: false });
    pdf.text(name, x + 28, y, { width: wide - 40, height: LINE, ellipsis: true });
  });
}
