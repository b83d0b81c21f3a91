import type { Bounds, Problem } from '@dusky-spool/core/math';
import type { Proposals, TradeMarkAt } from '@dusky-spool/core/house';

/** What the page asks of the drawing worker. */
export type DrawingQuestion =
  | { readonly ask: 'read'; readonly file: File }
  | { readonly ask: 'marks'; readonly metresPerUnit: number; readonly layers: readonly string[] }
  | { readonly ask: 'picture'; readonly metresPerUnit: number; readonly layers: readonly string[] }
  | {
      readonly ask: 'walls';
      readonly metresPerUnit: number;
      readonly walls: readonly string[];
      readonly openings: readonly string[];
    };

/** A drawing as the page shows it: lines as x0, y0, x1, y1, ... in drawing units. */
export interface ShownDrawing {
  readonly layers: readonly { readonly name: string; readonly lines: Float32Array; readonly marks: number }[];
  readonly metresPerUnit: number | null;
  readonly guessMetresPerUnit: number;
  readonly bounds: Bounds;
  /** The lower left corner in the coordinates of the file, drawing units. */
  readonly origin: readonly [number, number];
  readonly problems: readonly Problem[];
  readonly ignored: Readonly<Record<string, number>>;
}

export type DrawingAnswer =
  | { readonly tell: 'progress'; readonly share: number }
  | { readonly tell: 'refused'; readonly problem: Problem }
  | { readonly tell: 'drawing'; readonly drawing: ShownDrawing }
  | { readonly tell: 'picture'; readonly svg: string; readonly widthPx: number; readonly heightPx: number }
  | { readonly tell: 'marks'; readonly marks: readonly TradeMarkAt[] }
  | { readonly tell: 'proposals'; readonly proposals: Proposals };
