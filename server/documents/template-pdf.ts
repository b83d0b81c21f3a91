import { PRINT } from '@dusky-spool/design';
import type { CutOutTemplate } from '@dusky-spool/core/sheets';
import { FONTS, POINTS_PER_MM } from './fonts.ts';
import { pdfBuffer } from './pdf-buffer.ts';
import { words } from '@dusky-spool/texts';

const { ink: INK, inkSoft: SOFT } = PRINT;
const RULER_MM = 100;

/** A cut-out drawn full size, with the cross of its middle, its clamps, its fixings, and a ruler to check the print by. */
export function templatePdf(template: CutOutTemplate, project: string): Promise<Buffer> {
  const mm = (length: number) => length * POINTS_PER_MM;
  const { widthMm, heightMm, middle, scale, holeMm, patternMm, clampMm, faceMm, shape, marginMm, footMm } = template;
  return pdfBuffer([mm(widthMm), mm(heightMm)], { Title: `${project}, ${template.title}` }, (pdf) => {
    const [x, y] = middle.map(mm);
    const outline = ([w, h]: readonly [number, number], more = 0) => {
      const [a, b] = [mm((w + 2 * more) * scale), mm((h + 2 * more) * scale)];
      if (shape === 'round') pdf.circle(x, y, a / 2);
      else pdf.rect(x - a / 2, y - b / 2, a, b);
      return pdf;
    };
    pdf.save();
    // What lies beyond the paper is not drawn: a face may be larger than its hole.
    pdf.rect(mm(marginMm / 2), mm(marginMm / 2), mm(widthMm - marginMm), mm(heightMm - footMm - marginMm)).clip();
    outline(faceMm).lineWidth(0.3).dash(1, { space: 2 }).strokeColor(SOFT).stroke();
    if (holeMm) {
      outline(holeMm).undash().lineWidth(0.9).strokeColor(INK).stroke();
      if (clampMm > 0) outline(holeMm, clampMm).dash(4, { space: 3 }).lineWidth(0.4).strokeColor(SOFT).stroke();
    }
    pdf.undash().lineWidth(0.4).strokeColor(INK);
    pdf
      .moveTo(x - mm(20), y)
      .lineTo(x + mm(20), y)
      .moveTo(x, y - mm(20))
      .lineTo(x, y + mm(20))
      .stroke();
    if (patternMm)
      for (const sx of [-1, 1])
        for (const sy of [-1, 1]) {
          const [px, py] = [x + (sx * mm(patternMm[0] * scale)) / 2, y + (sy * mm(patternMm[1] * scale)) / 2];
          pdf.circle(px, py, 3).stroke();
          pdf
            .moveTo(px - 6, py)
            .lineTo(px + 6, py)
            .moveTo(px, py - 6)
            .lineTo(px, py + 6)
            .stroke();
        }
    pdf.restore();
    const t = (key: string, values: Record<string, unknown> = {}) => words.t(`documents.template.${key}`, values);
    const size = (pair: readonly [number, number]) =>
      shape === 'round' ? `ø ${round(pair[0])} mm` : `${round(pair[0])} × ${round(pair[1])} mm`;
    const top = mm(heightMm - marginMm - footMm + 4);
    pdf.font(FONTS.uiBold).fontSize(12).fillColor(INK);
    pdf.text([template.title, template.room, project].filter(Boolean).join(' · '), mm(marginMm), top, { lineBreak: false });
    const facts = [
      holeMm ? t('hole', { size: size(holeMm) }) : '',
      patternMm ? t('pattern', { size: `${round(patternMm[0])} × ${round(patternMm[1])} mm` }) : '',
      clampMm > 0 ? t('clamp', { clamp: `${round(clampMm)} mm` }) : '',
      template.depthMm > 0 ? t('depth', { depth: `${round(template.depthMm)} mm` }) : '',
    ].filter(Boolean);
    pdf.font(FONTS.ui).fontSize(9).fillColor(SOFT);
    pdf.text(facts.join(' · '), mm(marginMm), top + 17, { width: mm(widthMm - 2 * marginMm), lineBreak: false });
    pdf.text(t(scale === 1 ? 'full' : 'reduced', { scale: Math.round(1 / scale) }), mm(marginMm), top + 30, {
      width: mm(widthMm - 2 * marginMm),
      lineBreak: false,
    });
    pdf.text(t('caution'), mm(marginMm), top + 43, { width: mm(widthMm - 2 * marginMm) });
    const ruler = mm(heightMm - marginMm - 2);
    pdf
      .lineWidth(0.5)
      .strokeColor(INK)
      .moveTo(mm(marginMm), ruler)
      .lineTo(mm(marginMm + RULER_MM), ruler);
    for (let at = 0; at <= RULER_MM; at += 10) pdf.moveTo(mm(marginMm + at), ruler - 5).lineTo(mm(marginMm + at), ruler);
    pdf.stroke();
  });
}

const round = (valueMm: number) => Math.round(valueMm * 10) / 10;
