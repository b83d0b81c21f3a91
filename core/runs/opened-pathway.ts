import type { Operation } from '../model/index.ts';

/** Something that would give a run a route, tried out on the house. */
export interface OpenedPathway {
  readonly kind:
    | 'riser'
    | 'channel'
    | 'channel-home'
    | 'open-wall'
    | 'lowered-ceiling'
    | 'duct'
    | 'move-rack'
    | 'rack-ceiling'
    | 'rack-floor'
    | 'rack-sleeve'
    | 'move-device'
    | 'leave-to-cut';
  readonly operations: readonly Operation[];
  /** What making it and then taking the route costs, m of cable. */
  readonly costM: number;
  /** Length of what is made, or how far something is moved, m. */
  readonly madeM: number;
}

/** Something that is tried, with what making it costs, m of cable. */
export interface Candidate {
  readonly kind: OpenedPathway['kind'];
  readonly operations: readonly (Operation | null)[];
  readonly madeM: number;
  readonly makingM: number;
}

/** How far a thing may be from a wall and still be at it, m. */
export const NEAR_M = 0.35;

/** A tenth of a millimetre is enough for what is proposed, m. */
export const tidy = (value: number) => Math.round(value * 1e4) / 1e4;
