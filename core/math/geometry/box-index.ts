import type { Bounds } from './bounds.ts';

/** Things by place, so that those near one are found without asking all. */
export class BoxIndex<T> {
  private readonly cells = new Map<number, number[]>();

  /** `cellM` is the side of a cell, about as large as the usual thing. */
  constructor(
    private readonly things: readonly T[],
    private readonly boundsOf: (thing: T) => Bounds,
    private readonly cellM: number,
  ) {
    things.forEach((thing, n) => {
      for (const key of this.keysOf(boundsOf(thing))) {
        const cell = this.cells.get(key);
        if (cell) cell.push(n);
        else this.cells.set(key, [n]);
      }
    });
  }

  /** The places in the list of things whose bounds meet others, in their order. */
  near(bounds: Bounds): number[] {
    const found = new Set<number>();
    for (const key of this.keysOf(bounds)) for (const n of this.cells.get(key) ?? []) found.add(n);
    return [...found]
      .filter((n) => {
        const own = this.boundsOf(this.things[n]);
        return own.minX <= bounds.maxX && own.maxX >= bounds.minX && own.minY <= bounds.maxY && own.maxY >= bounds.minY;
      })
      .sort((p, q) => p - q);
  }

  private keysOf({ minX, minY, maxX, maxY }: Bounds): number[] {
    const keys: number[] = [];
    const cell = (value: number) => Math.floor(value / this.cellM);
    for (let i = cell(minX); i <= cell(maxX); i++) for (let j = cell(minY); j <= cell(maxY); j++) keys.push(i * 65_537 + j);
    return keys;
  }
}
