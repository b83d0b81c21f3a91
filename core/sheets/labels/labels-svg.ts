import { formatCableLength, type UnitSystem } from '../../math/index.ts';
import type { CableLabel } from './cable-label.ts';
import { escaped, mm } from '../svg-text.ts';
import { type LabelSize, type Paper, sheetLayout } from './sheet-layout.ts';

/** What a drawing of labels takes from outside: words, colors, and the squares of a code. */
export interface LabelPens {
  readonly to: (there: string) => string;
  readonly ink: string;
  readonly rule: string;
  /** The dark squares of a QR code: how many a side has, and whether one is dark. */
  readonly codeOf: (text: string) => { readonly size: number; readonly get: (row: number, column: number) => number };
}

/** Sheets of labels under each other as one drawing in mm, for a cutter or another program: the same places as in the PDF. */
export function labelsSvg(
  labels: readonly CableLabel[],
  { size, paper, units }: { readonly size: LabelSize; readonly paper: Paper; readonly units: UnitSystem },
  pens: LabelPens,
): string {
  const sheet = sheetLayout(size, paper);
  const perPage = sheet.columns * sheet.rows;
  const pages = Math.max(1, Math.ceil(labels.length / perPage));
  const height = pages * sheet.pageHeightMm;
  const drawn = labels.map((label, index) => {
    const cell = index % perPage;
    const x = sheet.leftMm + (cell % sheet.columns) * (sheet.labelWidthMm + sheet.gapMm);
    const top = Math.floor(index / perPage) * sheet.pageHeightMm + sheet.topMm;
    const y = top + Math.floor(cell / sheet.columns) * (sheet.labelHeightMm + sheet.gapMm);
    return `<g transform="translate(${mm(x)} ${mm(y)})">${drawnLabel(label, [sheet.labelWidthMm, sheet.labelHeightMm], units, pens)}</g>`;
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(sheet.pageWidthMm)}mm" height="${mm(height)}mm" viewBox="0 0 ${mm(sheet.pageWidthMm)} ${mm(height)}" font-family="sans-serif" fill="${pens.ink}">`,
    ...drawn,
    '</svg>',
    '',
  ].join('\n');
}

/** Width of a letter as a share of its height, at most. */
const BOLD_WIDTH = 0.76;
const PLAIN_WIDTH = 0.62;

function drawnLabel(
  label: CableLabel,
  [width, height]: readonly [number, number],
  units: UnitSystem,
  { to, ink, rule, codeOf }: LabelPens,
): string {
  const pad = height * 0.08;
  const qr = height - 2 * pad;
  const big = height * 0.24;
  const small = height * 0.14;
  const ring = big * 0.56;
  const lines = [
    label.here,
    to(label.there),
    [label.cable, label.cutLengthM === null ? '' : formatCableLength(label.cutLengthM, units)].filter(Boolean).join(' · '),
  ];
  const room = width - qr - 3 * pad;
  const text = (x: number, y: number, size: number, words: string, max: number, bold = false) => {
    // The font of the reader is not known: letters are taken as wide ones, and what does not fit is drawn smaller.
    const fit = Math.min(size, max / (words.length * (bold ? BOLD_WIDTH : PLAIN_WIDTH)));
    return `<text x="${mm(x)}" y="${mm(y)}" font-size="${mm(fit)}"${bold ? ' font-weight="700"' : ''}>${escaped(words)}</text>`;
  };
  return [
    `<rect width="${mm(width)}" height="${mm(height)}" rx="1" fill="none" stroke="${rule}" stroke-width="0.15"/>`,
    `<circle cx="${mm(pad + ring)}" cy="${mm(pad + ring)}" r="${mm(ring)}" fill="none" stroke="${ink}" stroke-width="0.3"/>`,
    `<text x="${mm(pad + ring)}" y="${mm(pad + ring + big * 0.26)}" font-size="${mm(big * 0.72)}" font-weight="700" text-anchor="middle">${label.end}</text>`,
    text(2 * pad + 2 * ring, pad + big * 0.85, big, label.number, room - 2 * ring - pad, true),
    ...lines.map((line, k) => text(pad, pad + big * 1.85 + k * small * 1.3, small, line, room, k === 0)),
    `<path d="${squares(codeOf(label.code), [width - pad - qr, pad], qr)}" fill="#000"/>`,
  ].join('');
}

/** The dark squares of a code as one path. */
function squares(modules: ReturnType<LabelPens['codeOf']>, [x, y]: readonly [number, number], size: number): string {
  const cell = size / modules.size;
  const parts: string[] = [];
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        parts.push(`M${mm(x + column * cell)} ${mm(y + row * cell)}h${mm(cell)}v${mm(cell)}h-${mm(cell)}z`);
  return parts.join('');
}
