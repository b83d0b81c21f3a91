import { boundsOf } from './bounds.ts';

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
class BoxGrid {
  private readonly cells = new Map<number, number[]>();

  constructor(private readonly boxes: readonly Box[]) {
    boxes.forEach((box, n) => {
      for (const key of this.keysOf(box)) {
        const cell = this.cells.get(key);
        if (cell) cell.push(n);
        else this.cells.set(key, [n]);
      }
    });
  }

  /** Boxes that overlap one, in their order. */
  near(reach: Box): Box[] {
    const found = new Set<number>();
    for (const key of this.keysOf(reach)) for (const n of this.cells.get(key) ?? []) found.add(n);
    return [...found]
      .sort((a, b) => a - b)
      .map((n) => this.boxes[n])
      .filter((box) => overlap(reach, box) > 0);
  }

  private keysOf({ x, y, width, height }: Box): number[] {
    const keys: number[] = [];
    for (let i = Math.floor(x / CELL); i <= Math.floor((x + width) / CELL); i++)
      for (let j = Math.floor(y / CELL); j <= Math.floor((y + height) / CELL); j++) keys.push(i * 65_536 + j);
    return keys;
  }
}

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
  const [beadsAt, linesAt] = [new BoxGrid(obstacles), new BoxGrid(lines)];
  const result = new Map<string, readonly [number, number]>();
  for (const { id, width, height, places } of wishes) {
    const reach = reachOf(places, width, height);
    const near = (box: Box) => overlap(reach, box) > 0;
    const [beads, strands, labels] = [beadsAt.near(reach), linesAt.near(reach), placed.filter(near)];
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
