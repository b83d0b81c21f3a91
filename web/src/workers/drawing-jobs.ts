import type { WordsAt } from '@dusky-spool/core/survey';
import type { Bounds, Outcome, Problem } from '@dusky-spool/core/math';
import type { DrawingDimension, LayerState, Proposals, TradeMarkAt, UnitGuess } from '@dusky-spool/core/house';

/** The jobs of the worker that reads a drawing. All but `read` are about the drawing that was read last. */
export interface DrawingJobs {
  /** Reports the share read, 0 to 1. */
  readonly read: { readonly params: File; readonly report: number; readonly result: Outcome<ShownDrawing> };
  readonly marks: DrawingJob<{ readonly layers: readonly string[] }, readonly TradeMarkAt[]>;
  readonly picture: DrawingJob<
    { readonly layers: readonly string[] },
    { readonly svg: string; readonly widthPx: number; readonly heightPx: number }
  >;
  /** Words on some layers, m from the drawing's own corner. */
  readonly words: DrawingJob<{ readonly layers: readonly string[] }, readonly WordsAt[]>;
  /** Reports the share done, 0 to 1. */
  readonly proposeWalls: DrawingJob<
    { readonly walls: readonly string[]; readonly openings: readonly string[] },
    Proposals,
    number
  >;
}

/** The jobs of the worker that reads pictures of lines. */
export interface VectorJobs {
  /** Lines as x0, y0, x1, y1, ... px from the lower left corner of the picture. */
  readonly lines: {
    readonly params: { readonly svg: string; readonly widthPx: number; readonly heightPx: number };
    readonly report: never;
    readonly result: Float64Array;
  };
}

interface DrawingJob<P, R, S = never> {
  readonly params: P & { readonly metresPerUnit: number };
  readonly report: S;
  readonly result: R;
}

/** A layer as the page shows it, with how it was set where it was drawn. */
export interface ShownLayer extends LayerState {
  readonly name: string;
  readonly lines: Float32Array;
  readonly marks: number;
}

/** A drawing as the page shows it: lines as x0, y0, x1, y1, ... in drawing units. */
export interface ShownDrawing {
  readonly layers: readonly ShownLayer[];
  readonly metresPerUnit: number | null;
  readonly guess: UnitGuess;
  readonly dimensions: readonly DrawingDimension[];
  readonly bounds: Bounds;
  /** The lower left corner in the coordinates of the file, drawing units. */
  readonly origin: readonly [number, number];
  readonly problems: readonly Problem[];
  readonly ignored: Readonly<Record<string, number>>;
}
