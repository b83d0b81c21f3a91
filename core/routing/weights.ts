import type { Wall } from '../project/index.ts';

/**
 * What makes one way better than another, in metres of cable that an installer would rather pull than do the work. Starting values
 * from practice: a joist bored costs about as much as a quarter metre, a core through masonry six metres.
 */
export interface Weights {
  /** A change of direction. */
  readonly turnM: number;
  readonly studBoredM: number;
  readonly joistBoredM: number;
  /** A web or rod passed without boring: open-web trusses, dropped ceilings. */
  readonly openFrameM: number;
  /** A top plate. */
  readonly plateBoredM: number;
  /** A sole plate with the floor under it, closed again against fire. */
  readonly floorBoredM: number;
  readonly masonryCoredM: number;
  readonly fireSeparationM: number;
  /** A wall that stands up through the cavity. */
  readonly boardCutM: number;
  /** Another level, or a step between ceilings. */
  readonly levelChangedM: number;
  /** Added to each metre that runs beside mains within the distance they keep. */
  readonly besideMains: number;
  /** Added to each metre on one's knees or belly: crawl spaces and low attics. */
  readonly tight: number;
  /** Added to each metre outside on a wall, in the ground, or to be seen in a room. */
  readonly outside: number;
  readonly underground: number;
  readonly visible: number;
  /** Share of a metre that a metre in a conduit or chase costs: nothing is bored and nothing is stapled. */
  readonly madeWay: number;
}

/** Open walls and ceilings. */
export const NEW_FRAMING: Weights = {
  turnM: 0.3,
  studBoredM: 0.25,
  joistBoredM: 0.25,
  openFrameM: 0.02,
  plateBoredM: 0.3,
  floorBoredM: 1.2,
  masonryCoredM: 6,
  fireSeparationM: 4,
  boardCutM: 0.4,
  levelChangedM: 0.5,
  besideMains: 1,
  tight: 0.5,
  outside: 2,
  underground: 3,
  visible: 8,
  madeWay: 0.6,
};

/** Whether a wall is of a make that stands up through the cavity above the ceilings beside it. */
export const isSolid = ({ kind }: Wall): boolean => kind === 'masonry' || kind === 'concrete' || kind === 'fire';

/** The hole that passing a wall above the ceiling needs, m; 0 over the head of a stud wall. `topM` and `cableM` from one datum. */
export function wallCrossing(weights: Weights, wall: Wall, topM: number, cableM: number): number {
  if (wall.kind === 'masonry' || wall.kind === 'concrete') return weights.masonryCoredM;
  if (wall.kind === 'fire') return weights.fireSeparationM;
  return topM > cableM + 1e-6 ? weights.boardCutM : 0;
}
