import { boundsOf } from './bounds.ts';
import { BoxIndex } from './box-index.ts';

/** A box on a screen or sheet, y down; pixels or millimetres. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface LabelWish {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  /** Where the label may stand, the best first: its upper left corner. */
  readonly places: readonly (readonly [x: number, y: number])[];
}

const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

/** All the ground that a label could cover at its places. */
function reachOf(places: LabelWish['places'], width: number, height: number): Box {
  const { minX, minY, maxX, maxY } = boundsOf(places) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  return { x: minX, y: minY, width: maxX - minX + width, height: maxY - minY + height };
}

/** Side of the cells in which boxes are kept, px or mm; a label covers a few of them. */
const CELL = 48;

/** Boxes by place, so that a label is held only against those near it. */
function nearTo(boxes: readonly Box[]): (reach: Box) => Box[] {
  const index = new BoxIndex(boxes, boundsOfBox, CELL);
  return (reach) =>
    index
      .near(boundsOfBox(reach))
      .map((n) => boxes[n])
      .filter((box) => overlap(reach, box) > 0);
}
const boundsOfBox = ({ x, y, width, height }: Box) => ({ minX: x, minY: y, maxX: x + width, maxY: y + height });

/**
 * Gives each label the first place that covers nothing, else the one that covers least of the `obstacles` (beads) and
 * then of the `lines`; one that would cover another label or much of a bead is left out.
 */
export function placeLabels(
  wishes: readonly LabelWish[],
  obstacles: readonly Box[],
  lines: readonly Box[] = [],
): Map<string, readonly [number, number]> {
  const placed: Box[] = [];
  const [beadsNear, linesNear] = [nearTo(obstacles), nearTo(lines)];
  const result = new Map<string, readonly [number, number]>();
  for (const { id, width, height, places } of wishes) {
    const reach = reachOf(places, width, height);
    const near = (box: Box) => overlap(reach, box) > 0;
    const [beads, strands, labels] = [beadsNear(reach), linesNear(reach), placed.filter(near)];
    let best: { at: readonly [number, number]; covered: number; crossed: number } | null = null;
    for (const at of places) {
      const box = { x: at[0], y: at[1], width, height };
      if (labels.some((other) => overlap(box, other) > 0)) continue;
      const covered = beads.reduce((sum, other) => sum + overlap(box, other), 0);
      const crossed = strands.reduce((sum, other) => sum + overlap(box, other), 0);
      if (!best || 4 * covered + crossed < 4 * best.covered + best.crossed) best = { at, covered, crossed };
      if (covered === 0 && crossed === 0) break;
    }
    if (!best || best.covered > width * height * 0.35) continue;
    placed.push({ x: best.at[0], y: best.at[1], width, height });
    result.set(id, best.at);
  }
  return result;
}
