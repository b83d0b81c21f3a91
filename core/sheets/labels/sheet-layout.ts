import { PAPER_MM } from '../../math/index.ts';
/** Label sizes offered, mm. The cable goes round the lower part of the taller ones. */
export const LABEL_SIZES = {
  small: { widthMm: 48, heightMm: 17 },
  medium: { widthMm: 64, heightMm: 25 },
  large: { widthMm: 96, heightMm: 34 },
} as const;
export type LabelSize = keyof typeof LABEL_SIZES;

/** Sheets, or a roll of one label after the other. */
export type Paper = 'A4' | 'Letter' | 'Roll';

/** Places of labels on a sheet, mm from the upper left corner. */
export interface SheetLayout {
  readonly pageWidthMm: number;
  readonly pageHeightMm: number;
  readonly columns: number;
  readonly rows: number;
  readonly labelWidthMm: number;
  readonly labelHeightMm: number;
  readonly leftMm: number;
  readonly topMm: number;
  readonly gapMm: number;
}

const MARGIN_MM = 8;
const GAP_MM = 2;

/** As many labels of a size as fit inside 8 mm margins, centred, in an even number of columns so that a pair stays in a row. */
export function sheetLayout(size: LabelSize, paper: Paper): SheetLayout {
  const label = LABEL_SIZES[size];
  if (paper === 'Roll')
    return {
      pageWidthMm: label.widthMm,
      pageHeightMm: label.heightMm,
      columns: 1,
      rows: 1,
      labelWidthMm: label.widthMm,
      labelHeightMm: label.heightMm,
      leftMm: 0,
      topMm: 0,
      gapMm: 0,
    };
  const [widthMm, heightMm] = PAPER_MM[paper];
  const page = { widthMm, heightMm };
  const fit = (lengthMm: number, eachMm: number) =>
    Math.max(1, Math.floor((lengthMm - 2 * MARGIN_MM + GAP_MM) / (eachMm + GAP_MM)));
  const across = fit(page.widthMm, label.widthMm);
  const columns = across > 1 ? across - (across % 2) : 1;
  const rows = fit(page.heightMm, label.heightMm);
  const used = (count: number, eachMm: number) => count * eachMm + (count - 1) * GAP_MM;
  return {
    pageWidthMm: page.widthMm,
    pageHeightMm: page.heightMm,
    columns,
    rows,
    labelWidthMm: label.widthMm,
    labelHeightMm: label.heightMm,
    leftMm: (page.widthMm - used(columns, label.widthMm)) / 2,
    topMm: (page.heightMm - used(rows, label.heightMm)) / 2,
    gapMm: GAP_MM,
  };
}
