import { CRAWL_M, isOutsideSpan } from '../calculators/index.ts';
import { atticHeightAt, type Building, ceilingHeightOf, type Framing } from '../house/index.ts';
import { type Bounds, boundsOf, grownBounds, middleOf, type Point2, pointInPolygon } from '../math/index.ts';
import type { Feature, Medium, Room } from '../model/index.ts';
import type { Weights } from './weights.ts';

/** How far above the finished ceiling a cable lies where the structure is deep enough, m. */
const ABOVE_CEILING_M = 0.1;
/** How far below the joists a cable hangs in a basement or crawl space, m. */
const BELOW_JOISTS_M = 0.05;

/** A hollow of one height in which cable may run in any direction, at a price for what it crosses. */
export interface Space {
  readonly medium: Extract<Medium, 'cavity' | 'crawl'>;
  readonly levelIndex: number;
  readonly room: Room | null;
  readonly feature: Feature | null;
  readonly polygon: readonly Point2[];
  /** The box of its outline, grown by `EDGE_M`. */
  readonly bounds: Bounds;
  /** Height of a cable in it, m from the datum. */
  readonly z: number;
  /** Centres of the joists across their direction, m, in order; where none has to be bored, it is empty. */
  readonly joists: Float64Array;
  readonly joistAngleRad: number;
  /** Webs or rods that are passed without boring, per metre across. */
  readonly openPerM: number;
  /** Attics over the room, where one may reach across the joists from above. */
  readonly attics: readonly Feature[];
}

/** The spaces above the ceilings of a level; the smaller room first. */
export function spacesAbove(building: Building, levelIndex: number): Space[] {
  const level = building.levels[levelIndex];
  const attics = (building.featuresByLevel[level.id] ?? []).filter(({ kind }) => kind === 'attic');
  return (building.roomsByLevel[level.id] ?? []).flatMap((room): Space[] => {
    const z = cavityZ(building, room);
    return z === null ? [] : [spaceOf(building, levelIndex, room, z, attics)];
  });
}

function spaceOf(building: Building, levelIndex: number, room: Room, z: number, attics: readonly Feature[]): Space {
  const bored = room.framing === 'solid' || room.framing === 'i-joist';
  return {
    medium: 'cavity',
    levelIndex,
    room,
    feature: null,
    polygon: room.polygon as Point2[],
    bounds: boundsAround(room.polygon as Point2[]),
    z,
    joists: bored ? Float64Array.from(building.framing.joists(room).map(({ offsetM }) => offsetM)) : NO_JOISTS,
    joistAngleRad: room.joistAngleRad,
    openPerM: bored ? 0 : 1 / room.joistSpacingM,
    attics,
  };
}

const NO_JOISTS = new Float64Array(0);

/** So near to the edge of a space a place is still in it, m. */
export const EDGE_M = 0.005;
const boundsAround = (ring: readonly Point2[]): Bounds => grownBounds(boundsOf(ring)!, EDGE_M);

/** Unfinished basements and crawl spaces under a level, where cable hangs under the joists. */
export function spacesBelow(building: Building, levelIndex: number): Space[] {
  const level = building.levels[levelIndex];
  return (building.featuresByLevel[level.id] ?? []).flatMap((feature): Space[] => {
    if ((feature.kind !== 'crawl-space' && feature.kind !== 'basement-ceiling') || feature.points.length < 3) return [];
    if (feature.topM - feature.bottomM < 1e-6) return [];
    return [
      {
        medium: 'crawl',
        levelIndex,
        room: null,
        feature,
        polygon: feature.points as Point2[],
        bounds: boundsAround(feature.points as Point2[]),
        z: level.elevationM + feature.topM - Math.min(BELOW_JOISTS_M, (feature.topM - feature.bottomM) / 2),
        joists: NO_JOISTS,
        joistAngleRad: 0,
        openPerM: 0,
        attics: [],
      },
    ];
  });
}

/** An attic over a room whose own ceiling has no hollow: cable lies on top of it there. */
function atticOver(building: Building, room: Room): Feature | undefined {
  const middle = middleOf(room.polygon as Point2[]);
  return (building.featuresByLevel[room.levelId] ?? []).find(
    ({ kind, points }) => kind === 'attic' && points.length >= 3 && pointInPolygon(middle, points as Point2[]),
  );
}

/** Height of a cable above a room's ceiling, m from the datum; null where the room has neither cavity nor attic. */
export function cavityZ(building: Building, room: Room): number | null {
  const level = building.levelById[room.levelId];
  if (room.framing === 'slab') return null;
  if (room.framing === 'none' || level.cavityDepthM <= 0) {
    const attic = atticOver(building, room);
    if (!attic) return null;
    return level.elevationM + Math.max(attic.bottomM, ceilingHeightOf(room, level)) + ABOVE_CEILING_M;
  }
  return level.elevationM + ceilingHeightOf(room, level) + Math.min(ABOVE_CEILING_M, level.cavityDepthM / 2);
}

/** Place of a point across the joists of a space, m. */
export const across = ({ joistAngleRad }: Space, p: readonly number[]): number =>
  -p[0] * Math.sin(joistAngleRad) + p[1] * Math.cos(joistAngleRad);

/** How many joists lie before a place across them: two places with the same number are in one bay. */
export function bayNumber({ joists }: Space, acrossM: number): number {
  let low = 0;
  let high = joists.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (joists[middle] < acrossM) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** What the joists cost that are bored one after the other at a place of their span, m of cable. */
export function joistsBored({ framing }: Building, weights: Weights, { room }: Space, bays: number, p: Point2): number {
  if (bays === 0) return 0;
  return bays * (weights.joistBoredM + (room && isOffSpan(framing, weights, room, p) ? weights.offSpanM : 0));
}

/** Whether a joist over a room is bored outside the part of its span in which it may be. */
export function isOffSpan(framing: Framing, { joistSpan }: Pick<Weights, 'joistSpan'>, room: Room, p: Point2): boolean {
  if (joistSpan === null || room.framing !== 'solid') return false;
  const share = framing.spanShareAt(room, p);
  return share !== null && isOutsideSpan(joistSpan, share);
}

/** Joists between two places across them: what stands at one begins or ends beside it. */
export function joistsBetween(space: Space, fromM: number, toM: number): number {
  const beside = Math.sign(toM - fromM) * 1e-6;
  return Math.abs(bayNumber(space, fromM + beside) - bayNumber(space, toM - beside));
}

/** Whether a person in an attic over the space reaches a place, so that cable goes over the joists instead of through them. */
export const reachedFromAbove = ({ attics }: Space, p: Point2): boolean =>
  attics.some((attic) => (atticHeightAt(attic, p) ?? 0) >= CRAWL_M);
