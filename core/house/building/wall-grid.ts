import { crossingParameters, type Point2 } from '../../math/index.ts';
import type { Wall } from '../../model/index.ts';

const CELL_M = 1;

/** The walls of a level, found by place. */
export interface WallGrid {
  /** Walls whose center line p-q meets, with the share along p-q, in order. */
  crossing(p: Point2, q: Point2): { wall: Wall; t: number }[];
  /** Walls whose box comes within `withinM` of p. */
  near(p: Point2, withinM: number): Wall[];
  /** Walls that come within `withinM` of the box of p-q, and others not far from it. */
  along(p: Point2, q: Point2, withinM: number): Wall[];
}

/** The walls of a level sorted into cells of a metre. */
export function wallGrid(walls: readonly Wall[]): WallGrid {
  const cells = new Map<number, number[]>();
  const key = (i: number, j: number) => (i + 32_768) * 65_536 + (j + 32_768);
  const cellOf = (value: number) => Math.floor(value / CELL_M);
  walls.forEach(({ a, b, thicknessM }, n) => {
    const marginM = thicknessM / 2;
    for (let i = cellOf(Math.min(a[0], b[0]) - marginM); i <= cellOf(Math.max(a[0], b[0]) + marginM); i++)
      for (let j = cellOf(Math.min(a[1], b[1]) - marginM); j <= cellOf(Math.max(a[1], b[1]) + marginM); j++) {
        const list = cells.get(key(i, j));
        if (list) list.push(n);
        else cells.set(key(i, j), [n]);
      }
  });
  // In which search a wall was met last: it is asked for many thousand times.
  const met = new Uint32Array(walls.length);
  let search = 0;
  const collect = (a: Point2, b: Point2, marginM: number): Wall[] => {
    search++;
    const found: Wall[] = [];
    const [left, right] = [cellOf(Math.min(a[0], b[0]) - marginM), cellOf(Math.max(a[0], b[0]) + marginM)];
    const [low, high] = [cellOf(Math.min(a[1], b[1]) - marginM), cellOf(Math.max(a[1], b[1]) + marginM)];
    for (let i = left; i <= right; i++)
      for (let j = low; j <= high; j++) {
        const list = cells.get(key(i, j));
        if (!list) continue;
        for (const n of list) {
          if (met[n] === search) continue;
          met[n] = search;
          found.push(walls[n]);
        }
      }
    return found;
  };
  return {
    near: (p, withinM) => collect(p, p, withinM),
    along: collect,
    crossing(p, q) {
      const hits: { wall: Wall; t: number }[] = [];
      for (const wall of collect(p, q, 0)) {
        const hit = crossingParameters(p, q, wall.a, wall.b);
        if (hit && hit.t > 1e-9 && hit.t < 1 - 1e-9 && hit.u >= 0 && hit.u <= 1) hits.push({ wall, t: hit.t });
      }
      return hits.sort((m, n) => m.t - n.t || (m.wall.id < n.wall.id ? -1 : 1));
    },
  };
}
