import type { Grip } from '../../commands/drag-grip.ts';

/** A point is drawn to what it is this near on the screen, px. */
export const SNAP_PX = 11;

/** Whether a grip is a point that is drawn to walls and corners, as while drawing. */
export const snapsTo = (grip: Grip): grip is Extract<Grip, { kind: 'corner' | 'feature-point' }> =>
  grip.kind === 'corner' || grip.kind === 'feature-point';
