import type { Room, Wall } from '../project/index.ts';

/**
 * What makes one way better than another, in metres of cable that an installer would rather pull than do the work.
 * Starting values from practice: a joist bored costs about as much as a quarter metre, a core through masonry six metres.
 */
export const TURN_M = 0.3;
export const STUD_BORED_M = 0.25;
const JOIST_BORED_M = 0.25;
const OPEN_FRAME_CROSSED_M = 0.02;
const PLATE_BORED_M = 0.3;
const MASONRY_CORED_M = 6;
const FIRE_SEPARATION_M = 4;
export const LEVEL_CHANGED_M = 0.5;

/** Cost of `lengthM` of cable above a room's ceiling in direction `angleRad`, in metres. */
export function cavityCost(room: Room, angleRad: number, lengthM: number): number {
  const across = Math.abs(Math.sin(angleRad - room.joistAngleRad));
  const perMember = room.framing === 'solid' || room.framing === 'i-joist' ? JOIST_BORED_M : OPEN_FRAME_CROSSED_M;
  return lengthM * (1 + (across / room.joistSpacingM) * perMember);
}

/** Cost of passing the head of a wall, in metres. */
export function wallCrossingCost(wall: Wall): number {
  if (wall.kind === 'masonry' || wall.kind === 'concrete') return MASONRY_CORED_M;
  return wall.kind === 'fire' ? FIRE_SEPARATION_M : PLATE_BORED_M;
}
