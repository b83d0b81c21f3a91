import { boreLimit } from '../calculators/index.ts';
import type { Construction, Feature, ProjectHeader, Wall } from '../model/index.ts';

/**
 * What makes one route better than another, in metres of cable that would cost as much. From the hours of ENGINEERING 18.1 for open
 * frames: a metre of a home run is 0.015 h of pulling (0.30 h for a run of 20 m) and about as much again in cable, so a hole of
 * 0.03 h weighs one metre, a floor or plate of 0.15 h five. What stands in no table (turns, tight places, cores, what is seen) is
 * a starting value from practice.
 */
export interface Weights {
  /** What is kept from mains and what may be bored follows from the region. */
  readonly jurisdiction: ProjectHeader['jurisdiction'];
  /** A change of direction. */
  readonly turnM: number;
  readonly studBoredM: number;
  readonly joistBoredM: number;
  /** Part of the span of a joist in which it may be bored; null for all of it. */
  readonly joistSpan: readonly [number, number] | null;
  /** A joist bored outside that part: only where there is no other route, and not without the engineer. */
  readonly offSpanM: number;
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
  /** Share of a metre that each further cable of one pull costs: cable, and 0.08 h beside the 0.30 h of the first. */
  readonly furtherCable: number;
  /** Share of a metre that a metre in a conduit or chase costs: nothing is bored and nothing is stapled. */
  readonly madeWay: number;
}

/** Open walls and ceilings. */
export const NEW_FRAMING: Weights = {
  jurisdiction: 'NA',
  turnM: 0.3,
  studBoredM: 1,
  joistBoredM: 1,
  joistSpan: null,
  offSpanM: 20,
  openFrameM: 0.02,
  plateBoredM: 5,
  floorBoredM: 5,
  masonryCoredM: 20,
  fireSeparationM: 13,
  boardCutM: 2,
  levelChangedM: 0.5,
  besideMains: 1,
  tight: 0.5,
  outside: 2,
  underground: 3,
  visible: 8,
  furtherCable: 0.6,
  madeWay: 0.6,
};

/** What may not be done costs more than any route through a house, m. */
export const BARRED_M = 1e8;

/**
 * Closed walls and ceilings: hours of ENGINEERING 18.1 for retrofit (1.0 h for a run of 20 m, 0.25 h for each further cable, 0.12 h a
 * hole, 0.75 h a floor or plate). A joist in a closed ceiling is bored through an opening that has to be patched and painted.
 */
const RETROFIT: Weights = {
  ...NEW_FRAMING,
  studBoredM: 8,
  joistBoredM: 8,
  plateBoredM: 12,
  floorBoredM: 12,
  masonryCoredM: 15,
  fireSeparationM: 17,
  boardCutM: 4,
  levelChangedM: 2,
  tight: 0.3,
  visible: 4,
  furtherCable: 0.4,
};

/** Ceilings of concrete: what is cored costs a cutter and a scanner, so that pathways are worth a detour. */
const SLAB: Weights = { ...NEW_FRAMING, masonryCoredM: 30, floorBoredM: 30, madeWay: 0.4, visible: 5 };

/** Nothing may be cut: only hollows that are there, routes that were made, and what is laid on the surface. */
const HERITAGE: Weights = {
  ...RETROFIT,
  studBoredM: BARRED_M,
  joistBoredM: BARRED_M,
  plateBoredM: BARRED_M,
  floorBoredM: BARRED_M,
  masonryCoredM: BARRED_M,
  fireSeparationM: BARRED_M,
  boardCutM: BARRED_M,
  visible: 1,
};

export const WEIGHTS: Readonly<Record<Construction, Weights>> = {
  'new-framing': NEW_FRAMING,
  retrofit: RETROFIT,
  slab: SLAB,
  heritage: HERITAGE,
};

/** What a route costs in a project: by its construction, with what the firm has changed. */
export function weightsOf({
  construction,
  routeWeights,
  jurisdiction,
}: Pick<ProjectHeader, 'construction' | 'routeWeights' | 'jurisdiction'>): Weights {
  const { spanShares: joistSpan } = boreLimit('joist', 1, jurisdiction);
  const changed = jurisdiction !== 'NA' || joistSpan !== null || Object.keys(routeWeights).length > 0;
  return changed ? { ...WEIGHTS[construction], jurisdiction, joistSpan, ...routeWeights } : WEIGHTS[construction];
}

/** Whether a wall has a core of stone that stands up through the cavity above the ceilings beside it. */
export const isStone = ({ kind }: Pick<Wall, 'kind'>): boolean => kind === 'masonry' || kind === 'concrete' || kind === 'furred';

/** How far from its centre line there is nothing to lie in, m: a furred wall has its hollow before the stone. */
export const solidHalfM = (wall: Wall): number =>
  isSolid(wall) ? wall.thicknessM / 2 : isStone(wall) ? Math.max(0, wall.thicknessM / 2 - wall.cavityDepthM) : 0;

/** Whether a wall has no hollow of its own and stands up through the cavity above the ceilings beside it. */
export const isSolid = ({ kind }: Wall): boolean => kind === 'masonry' || kind === 'concrete' || kind === 'fire';

/**
 * Whether a cable passes over a wall whose top somebody has stated: what is built of stone or against fire stands up through the cavity
 * only where nobody says how high it is. Heights from one datum, m.
 */
export const isPassedOver = ({ heightM }: Pick<Wall, 'heightM'>, topM: number, cableM: number): boolean =>
  heightM !== null && topM <= cableM + 1e-6;

/** The hole that passing a wall above the ceiling needs, m; 0 over the head of a stud wall. `topM` and `cableM` from one datum. */
export function wallCrossing(weights: Weights, wall: Wall, topM: number, cableM: number): number {
  if (isPassedOver(wall, topM, cableM)) return 0;
  if (isStone(wall)) return weights.masonryCoredM;
  if (wall.kind === 'fire') return weights.fireSeparationM;
  return topM > cableM + 1e-6 ? weights.boardCutM : 0;
}

/** A beam in which the engineer allows holes: a cable may pass it. */
export const mayBeBored = ({ kind, boreLeave }: Feature): boolean => kind === 'beam' && boreLeave !== '';
