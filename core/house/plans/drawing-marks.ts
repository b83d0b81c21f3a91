import { type Point2, tidyM } from '../../math/index.ts';
import type { Drawing } from './drawing.ts';

/** Where another trade has marked something on its drawing, in metres from the drawing's lower left corner. */
export interface TradeMarkAt {
  readonly layer: string;
  /** The words beside it, else the name of its symbol. */
  readonly name: string;
  readonly at: Point2;
}

/** Marks nearer to each other than this are one: a symbol is often a block with a circle in it, m. */
const ONE_MARK_M = 0.05;
/** Words this near to a mark are its name, m. */
const BESIDE_M = 0.6;
const MAX_MARKS = 5000;

/** The marks on some layers of a drawing, in the order of the file: symbols, points and circles. */
export function drawingMarks(drawing: Drawing, metresPerUnit: number, layers: readonly string[]): TradeMarkAt[] {
  const wanted = new Set(layers);
  const texts = drawing.texts.filter(({ layer }) => wanted.has(layer));
  const found: TradeMarkAt[] = [];
  for (const { layer, name, x, y } of drawing.marks) {
    if (!wanted.has(layer) || found.length >= MAX_MARKS) continue;
    const at: Point2 = [tidyM(x * metresPerUnit), tidyM(y * metresPerUnit)];
    const same = found.some((one) => one.layer === layer && Math.hypot(one.at[0] - at[0], one.at[1] - at[1]) < ONE_MARK_M);
    if (same) continue;
    const away = (text: { x: number; y: number }) => Math.hypot(text.x - x, text.y - y) * metresPerUnit;
    const beside = texts.filter((text) => text.layer === layer && away(text) <= BESIDE_M).sort((a, b) => away(a) - away(b))[0];
    found.push({ layer, name: (beside?.text ?? name).slice(0, 80), at });
  }
  return found;
}
