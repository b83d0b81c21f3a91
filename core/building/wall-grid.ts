import { crossingParameters, type Point2 } from '../geometry/index.ts';
import type { Wall } from '../project/index.ts';

const CELL_M = 1;

/** The walls of a level, found by place. */
export interface WallGrid {
  /** Walls whose centre line the way p-q meets, with the share of the way, in order. */
  crossing(p: Point2, q: Point2): { wall: Wall; t: number }[];
  /** Walls whose box comes within `withinM` of p. */
  near(p: Point2, withinM: number): Wall[];
  /** Walls that come within `withinM` of the box of p-q, and others not far from it. */
  along(p: Point2, q: Point2, withinM: number): Wall[];
}

const kept = new WeakMap<readonly Wall[], WallGrid>();

/** Walls of a list whose box comes within `withinM` of a point; the list is sorted into a grid once. */
export const wallsNear = (walls: readonly Wall[], p: Point2, withinM: number): Wall[] => gridOf(walls).near(p, withinM);

/** A list of walls sorted into a grid, once. */
export function gridOf(walls: readonly Wall[]): WallGrid {
  let grid = kept.get(walls);
  if (!grid) kept.set(walls, (grid = wallGrid(walls)));
  return grid;
}

/** The walls of a level sorted into cells of a metre. */
export function wallGrid(walls: readonly Wall[]): WallGrid {
  const cells = new Map<number, Wall[]>();
  const key = (i: number, j: number) => (i + 32_768) * 65_536 + (j + 32_768);
  const cellsOf = (a: Point2, b: Point2, marginM: number): number[] => {
    const keys: number[] = [];
    const low = (axis: 0 | 1) => Math.floor((Math.min(a[axis], b[axis]) - marginM) / CELL_M);
    const high = (axis: 0 | 1) => Math.floor((Math.max(a[axis], b[axis]) + marginM) / CELL_M);
    for (let i = low(0); i <= high(0); i++) for (let j = low(1); j <= high(1); j++) keys.push(key(i, j));
    return keys;
  };
  for (const wall of walls) {
    for (const cell of cellsOf(wall.a, wall.b, wall.thicknessM / 2)) {
      const list = cells.get(cell);
      if (list) list.push(wall);
      else cells.set(cell, [wall]);
    }
  }
  const collect = (a: Point2, b: Point2, marginM: number): Wall[] => {
    const found = new Set<Wall>();
    for (const cell of cellsOf(a, b, marginM)) for (const wall of cells.get(cell) ?? []) found.add(wall);
    return [...found];
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
