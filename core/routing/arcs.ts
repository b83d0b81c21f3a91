import type { Point3 } from '../math/index.ts';
import type { Medium } from '../model/index.ts';
import { Growing } from './growing.ts';

/** Direction of a piece of route: along the grid of its level, square to it, or upright and otherwise. */
export type Axis = 0 | 1 | 2;

/** What lies between two nodes where that is more than a straight piece through one space: corners and media. */
export interface Between {
  readonly points: readonly Point3[];
  readonly media: readonly Medium[];
}

/** Routes between numbered places, each said once and good in both directions. */
export class ArcList {
  readonly from = Growing.ints();
  readonly to = Growing.ints();
  readonly axis = Growing.bytes();
  readonly work = Growing.floats();
  readonly holes = Growing.floats();
  readonly detail = Growing.ints();
  readonly details: Between[] = [];

  /** `work` is what every cable costs, `holes` what the first one of a hole costs, both in metres of cable. */
  add(from: number, to: number, axis: Axis, work: number, holes: number, between: Between | null = null): void {
    this.from.push(from);
    this.to.push(to);
    this.axis.push(axis);
    this.work.push(work);
    this.holes.push(holes);
    this.detail.push(between ? this.details.push(between) - 1 : -1);
  }
}
