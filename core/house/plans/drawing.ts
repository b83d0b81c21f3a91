import type { Bounds, Problem } from '../../math/index.ts';

/** How a layer was set in the program that made the drawing. */
export interface LayerState {
  readonly isOff: boolean;
  readonly isFrozen: boolean;
  readonly isLocked: boolean;
  readonly isPrinted: boolean;
}

/** One layer of a drawing: straight lines as x0, y0, x1, y1, ... in drawing units, and the arcs among them. */
export interface DrawingLayer extends LayerState {
  readonly name: string;
  readonly lines: Float64Array;
  /** cx, cy, radius, start and end angle (rad, counter-clockwise), five numbers an arc. */
  readonly arcs: Float64Array;
}

export interface DrawingText {
  readonly layer: string;
  readonly x: number;
  readonly y: number;
  readonly height: number;
  readonly text: string;
}

/** A dimension of the drawing: the two points that it is between, and what it says where somebody wrote that over it. */
export interface DrawingDimension {
  readonly layer: string;
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
  /** Measured along its own direction, drawing units. */
  readonly measured: number;
  readonly text: string;
}

/** A symbol, point or circle of the drawing: where another trade may have marked something. */
export interface DrawingMark {
  readonly layer: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
}

/** One thing that speaks for a unit: what it would measure in it, m. */
export interface UnitEvidence {
  readonly kind: 'header' | 'door-swings' | 'dimension' | 'text-height' | 'size';
  readonly metres: number;
}

/** A unit that the drawing may be in, with all that speaks for it. */
export interface UnitGuess {
  readonly metresPerUnit: number;
  readonly evidence: readonly UnitEvidence[];
}

/** A drawing taken apart into lines, in its own units, about its own lower left corner. */
export interface Drawing {
  /** Null where the file does not say. */
  readonly metresPerUnit: number | null;
  /** What the drawing itself suggests where the file does not say. */
  readonly guess: UnitGuess;
  readonly layers: readonly DrawingLayer[];
  readonly texts: readonly DrawingText[];
  readonly dimensions: readonly DrawingDimension[];
  readonly marks: readonly DrawingMark[];
  readonly bounds: Bounds;
  /** Where the lower left corner lies in the file's coordinates. */
  readonly origin: readonly [number, number];
  /** Kinds of entity that were not drawn, with their count. */
  readonly ignored: Readonly<Record<string, number>>;
  /** What was wrong in places; the rest was drawn. */
  readonly problems: readonly Problem[];
}

export const lineCount = (layer: Pick<DrawingLayer, 'lines'>): number => layer.lines.length / 4;
