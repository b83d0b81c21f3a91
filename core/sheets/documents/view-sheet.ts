import type { SystemName } from '../../model/index.ts';
import { PAPER_MM, type Point2 } from '../../math/index.ts';
import type { SheetPaper } from './plan-sheet.ts';

/** A mark of a drawn view; millimetres from the lower left corner of the paper. */
export type ViewMark =
  | {
      readonly kind: 'line';
      readonly points: readonly Point2[];
      readonly pen: 'outline' | 'thin' | 'dashed' | 'dimension';
      readonly isClosed: boolean;
    }
  | { readonly kind: 'device'; readonly at: Point2; readonly code: string; readonly system: SystemName }
  | {
      readonly kind: 'text';
      readonly at: Point2;
      readonly text: string;
      readonly sizeMm: number;
      readonly isBold: boolean;
      readonly isMiddle: boolean;
    };

/** Elevations or a diagram on one page with a title block. */
export interface ViewSheet {
  readonly paper: SheetPaper;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marginMm: number;
  readonly titleBlockMm: number;
  /** 50 means 1:50; null is a diagram that is not to scale. */
  readonly scale: number | null;
  readonly marks: readonly ViewMark[];
}

const MARGIN_MM = 10;
const TITLE_BLOCK_MM = 30;

/** An empty page of a paper on its side, and the field that views may fill, mm. */
export function emptyView(paper: SheetPaper, scale: number | null) {
  const [heightMm, widthMm] = PAPER_MM[paper];
  const sheet = { paper, widthMm, heightMm, marginMm: MARGIN_MM, titleBlockMm: TITLE_BLOCK_MM, scale };
  const inset = MARGIN_MM + 4;
  const field = { left: inset, right: widthMm - inset, bottom: inset + TITLE_BLOCK_MM, top: heightMm - inset };
  return { sheet, field };
}

export const viewText = (
  text: string,
  at: Point2,
  { sizeMm = 2.2, isBold = false, isMiddle = false }: { sizeMm?: number; isBold?: boolean; isMiddle?: boolean } = {},
): ViewMark => ({ kind: 'text', text, at, sizeMm, isBold, isMiddle });

export const viewLine = (
  points: readonly Point2[],
  pen: Extract<ViewMark, { kind: 'line' }>['pen'] = 'thin',
  isClosed = false,
): ViewMark => ({ kind: 'line', points, pen, isClosed });

export const viewBox = (
  [x, y]: Point2,
  widthMm: number,
  heightMm: number,
  pen: Extract<ViewMark, { kind: 'line' }>['pen'] = 'thin',
): ViewMark =>
  viewLine(
    [
      [x, y],
      [x + widthMm, y],
      [x + widthMm, y + heightMm],
      [x, y + heightMm],
    ],
    pen,
    true,
  );
