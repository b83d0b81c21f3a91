import { type Building, type Framed, levelUnder, roomAt, wallLength, wallsOf, wallTopM } from '../house/index.ts';
import { closestOnSegment, crossingParameters, type Point2, type Point3 } from '../math/index.ts';
import type { Level, Medium, Room, Wall } from '../model/index.ts';
import type { EndPlace } from './ends.ts';
import { reachedFromAbove } from './spaces.ts';
import { tidy } from './straighten.ts';
import { isPassedOver, isSolid, isStone, mayBeBored } from './weights.ts';

/** What is bored: members of the frame, plates, boards, and what divides a house. */
export const HOLE_MEMBERS = ['joist', 'beam', 'stud', 'top-plate', 'sole-plate', 'board', 'masonry', 'fire', 'floor'] as const;
export type HoleMember = (typeof HOLE_MEMBERS)[number];

/** A hole that a route needs, once for all cables that share it. */
export interface Hole {
  readonly member: HoleMember;
  readonly at: Point3;
  readonly wallId: string | null;
  readonly roomId: string | null;
  /** The survey's own record of the member, where it was measured. */
  readonly memberId: string | null;
}

/** Studs of a wall between two places along it. */
export function studsCrossed(building: Building, wall: Wall, fromM: number, toM: number): Framed[] {
  const [low, high] = fromM < toM ? [fromM, toM] : [toM, fromM];
  return building.framing.studs(wall).filter(({ offsetM }) => offsetM > low + 1e-6 && offsetM < high - 1e-6);
}

/**
 * The holes that a route needs, worked out from the route and the house alone, in their order from its start. A double top plate is
 * one hole, as is a sole plate with the floor under it; over the head of a stud wall nothing is bored; joists are bored one by one,
 * unless one reaches over them in an attic.
 */
export function holesOf(building: Building, points: readonly Point3[], media: readonly Medium[]): Hole[] {
  const found: Hole[] = [];
  for (let k = 0; k + 1 < points.length; k++) {
    const [a, b] = [points[k], points[k + 1]];
    const upright = Math.hypot(a[0] - b[0], a[1] - b[1]) < 1e-6;
    if (media[k] === 'cavity' && !upright) {
      if (media[k - 1] === 'wall') found.push(...throughSkin(building, a));
      found.push(...inCavity(building, points, media, k));
      if (media[k + 1] === 'wall') found.push(...throughSkin(building, b));
    } else if (media[k] === 'conduit' && !upright) found.push(...throughFireWalls(building, a, b));
    if (media[k] === 'wall') found.push(...(upright ? throughPlates(building, a, b) : throughStuds(building, a, b)));
    else if (media[k] === 'riser' || media[k] === 'chase') found.push(...throughFloors(building, a, b));
    else if (media[k] === 'floor') found.push(hole('sole-plate', a, null, null));
    else if (OUTSIDE.has(media[k]) && k + 1 < media.length && media[k + 1] === 'wall' && !isWithin(building, media[k], a))
      found.push(...throughOutside(building, b));
    else if (OUTSIDE.has(media[k]) && k > 0 && media[k - 1] === 'wall' && !isWithin(building, media[k], b))
      found.push(...throughOutside(building, a));
  }
  return found;
}

const OUTSIDE: ReadonlySet<Medium> = new Set(['outside', 'soffit', 'underground', 'conduit', 'surface']);

/** A conduit that comes up inside a wall of the house goes through none of its faces. */
function isWithin(building: Building, medium: Medium, p: Point3): boolean {
  const level = levelUnder(building, p[2]);
  return medium === 'conduit' && level !== undefined && roomAt(building, level.id, [p[0], p[1]]) !== undefined;
}

const hole = (
  member: HoleMember,
  at: Point3,
  wallId: string | null,
  roomId: string | null,
  memberId: string | null = null,
): Hole => ({ member, at: tidy(at), wallId, roomId, memberId });

const between = (a: Point3, b: Point3, t: number): Point3 => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];

/** Joists and tall walls that a level piece above the ceilings passes. */
function inCavity(building: Building, points: readonly Point3[], media: readonly Medium[], k: number): Hole[] {
  const [a, b] = [points[k], points[k + 1]];
  const level = levelUnder(building, a[2]);
  if (!level) return [];
  const [p, q]: [Point2, Point2] = [
    [a[0], a[1]],
    [b[0], b[1]],
  ];
  const found: { t: number; hole: Hole }[] = [];
  const crossed = wallsOf(building, level.id).crossing(p, q);
  for (const { wall, t } of crossed) {
    const member = memberOfWall(building, wall, level.elevationM, a[2]);
    if (member) found.push({ t, hole: hole(member, between(a, b, t), wall.id, null) });
  }
  // From room to room: within each its own joists count.
  const cuts = [0, ...crossed.map(({ t }) => t), 1].sort((m, n) => m - n);
  for (let n = 0; n + 1 < cuts.length; n++) {
    const [from, to] = [cuts[n], cuts[n + 1]];
    if (to - from < 1e-9) continue;
    const [x, y] = between(a, b, (from + to) / 2);
    const room = roomAt(building, level.id, [x, y]);
    if (!room || (room.framing !== 'solid' && room.framing !== 'i-joist')) continue;
    const acrossOf = ([u, v]: readonly number[]) => -u * Math.sin(room.joistAngleRad) + v * Math.cos(room.joistAngleRad);
    const [start, end] = [acrossOf(between(a, b, from)), acrossOf(between(a, b, to))];
    if (Math.abs(end - start) < 1e-9) continue;
    for (const joist of building.framing.joists(room)) {
      const share = (joist.offsetM - start) / (end - start);
      if (share < -1e-9 || share >= 1 - 1e-9) continue;
      if (share < 1e-9 && from === 0 && !comesAcross(points, media, k, acrossOf, end - start)) continue;
      const t = from + (to - from) * share;
      const at = between(a, b, t);
      if (isOverTheTop(building, room, [at[0], at[1]])) continue;
      found.push({ t, hole: hole('joist', at, null, room.id, joist.memberId) });
    }
  }
  found.push(...throughBeams(building, level, a, b));
  return found.sort((m, n) => m.t - n.t).map((one) => one.hole);
}

/** Beams that the engineer lets be bored, where a level piece passes them. */
function throughBeams(building: Building, level: Level, a: Point3, b: Point3): { t: number; hole: Hole }[] {
  const z = a[2] - level.elevationM;
  return (building.featuresByLevel[level.id] ?? []).flatMap((beam) => {
    if (!mayBeBored(beam) || z < beam.bottomM || z > beam.topM) return [];
    return beam.points.slice(1).flatMap((end, k) => {
      const hit = crossingParameters([a[0], a[1]], [b[0], b[1]], beam.points[k] as Point2, end as Point2);
      if (!hit || hit.t < 0 || hit.t > 1 || hit.u < 0 || hit.u > 1) return [];
      return [{ t: hit.t, hole: hole('beam', between(a, b, hit.t), null, null) }];
    });
  });
}

/**
 * Whether a cable that stands at a joist came there from its other side. What comes into the cavity at a joist begins beside it, and
 * what went along it and turns back stays on its side.
 */
function comesAcross(
  points: readonly Point3[],
  media: readonly Medium[],
  k: number,
  acrossOf: (p: readonly number[]) => number,
  towards: number,
): boolean {
  for (let n = k - 1; n >= 0 && media[n] === 'cavity'; n--) {
    const moved = acrossOf(points[n + 1]) - acrossOf(points[n]);
    if (Math.abs(moved) > 1e-9) return moved > 0 === towards > 0;
  }
  return false;
}

function isOverTheTop(building: Building, room: Room, p: Point2): boolean {
  const attics = (building.featuresByLevel[room.levelId] ?? []).filter(({ kind }) => kind === 'attic');
  return attics.length > 0 && reachedFromAbove({ attics } as never, p);
}

/** What is bored where a cable at a height passes a wall above the ceiling beside it; null over the head of a stud wall. */
function memberOfWall(building: Building, wall: Wall, elevationM: number, z: number): HoleMember | null {
  if (isPassedOver(wall, elevationM + wallTopM(building, wall), z)) return null;
  if (isStone(wall)) return 'masonry';
  if (wall.kind === 'fire') return 'fire';
  return elevationM + wallTopM(building, wall) > z + 1e-6 ? 'board' : null;
}

/** Top and sole plates that an upright piece inside walls passes, of every storey on its way. */
function throughPlates(building: Building, a: Point3, b: Point3): Hole[] {
  const [low, high] = a[2] < b[2] ? [a[2], b[2]] : [b[2], a[2]];
  const found: Hole[] = [];
  for (const level of building.levels) {
    const wall = wallAt(building, level.id, [a[0], a[1]]);
    if (!wall || isSolid(wall)) continue;
    const top = level.elevationM + wallTopM(building, wall);
    if (low < level.elevationM - 1e-6 && high > level.elevationM + 1e-6)
      found.push(hole('sole-plate', [a[0], a[1], level.elevationM], wall.id, null));
    if (low < top - 1e-6 && high > top + 1e-6) found.push(hole('top-plate', [a[0], a[1], top], wall.id, null));
  }
  found.sort((m, n) => m.at[2] - n.at[2]);
  return a[2] < b[2] ? found : found.reverse();
}

function wallAt(building: Building, levelId: string, p: Point2): Wall | undefined {
  let best: Wall | undefined;
  let bestM = Infinity;
  for (const wall of wallsOf(building, levelId).near(p, 0.02)) {
    const { distanceM } = closestOnSegment(p, wall.a, wall.b);
    if (wall.cableMayRun && distanceM <= wall.thicknessM / 2 + 1e-6 && distanceM < bestM) {
      best = wall;
      bestM = distanceM;
    }
  }
  return best;
}

/** Studs that a level piece inside a wall passes. */
function throughStuds(building: Building, a: Point3, b: Point3): Hole[] {
  const level = levelUnder(building, a[2]);
  const wall = level && wallAt(building, level.id, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]);
  if (!wall) return [];
  const offset = (p: Point3) => closestOnSegment([p[0], p[1]], wall.a, wall.b).t * wallLength(wall);
  const [from, to] = [offset(a), offset(b)];
  const studs = studsCrossed(building, wall, from, to);
  if (from > to) studs.reverse();
  return studs.map(({ offsetM, memberId }) =>
    hole('stud', between(a, b, Math.abs(to - from) < 1e-9 ? 0 : (offsetM - from) / (to - from)), wall.id, null, memberId),
  );
}

/** Floors that an upright piece in a riser or chase passes: open, but to be closed against fire. */
function throughFloors(building: Building, a: Point3, b: Point3): Hole[] {
  const [low, high] = a[2] < b[2] ? [a[2], b[2]] : [b[2], a[2]];
  return building.levels
    .filter(({ elevationM }) => elevationM > low + 1e-6 && elevationM <= high + 1e-6)
    .map(({ elevationM }) => hole('floor', [a[0], a[1], elevationM], null, null));
}

/** The skin of a stud wall that stands up past the void beside it, where a cable comes out of the wall into that void or goes in. */
function throughSkin(building: Building, at: Point3): Hole[] {
  const level = levelUnder(building, at[2]);
  const wall = level && wallAt(building, level.id, [at[0], at[1]]);
  if (!wall || isSolid(wall) || isStone(wall)) return [];
  return level.elevationM + wallTopM(building, wall) > at[2] + 1e-6 ? [hole('board', at, wall.id, null)] : [];
}

/** Walls against fire that a conduit passes below their tops. */
function throughFireWalls(building: Building, a: Point3, b: Point3): Hole[] {
  const level = levelUnder(building, a[2]);
  if (!level) return [];
  return wallsOf(building, level.id)
    .crossing([a[0], a[1]], [b[0], b[1]])
    .filter(({ wall }) => wall.kind === 'fire' && !isPassedOver(wall, level.elevationM + wallTopM(building, wall), a[2]))
    .map(({ wall, t }) => hole('fire', between(a, b, t), wall.id, null));
}

/** The outer skin of the wall behind a device outdoors, through which its cable comes out to it; none where it stands in no wall. */
export function outerSkin(
  building: Building,
  { mount, isOutdoors }: Pick<EndPlace, 'mount' | 'isOutdoors'>,
  at: Point3,
  medium: Medium,
): Hole[] {
  if (mount !== 'wall' || medium !== 'wall' || !isOutdoors) return [];
  return throughOutside(building, at);
}

/** The wall that a cable passes from inside to outside. */
function throughOutside(building: Building, at: Point3): Hole[] {
  const level = levelUnder(building, at[2]);
  const p: Point2 = [at[0], at[1]];
  const away = ({ a, b }: Wall) => closestOnSegment(p, a, b).distanceM;
  const wall = level && [...wallsOf(building, level.id).near(p, 0.05)].sort((a, b) => away(a) - away(b))[0];
  if (!wall) return [];
  const member: HoleMember = isStone(wall) ? 'masonry' : wall.kind === 'fire' ? 'fire' : 'board';
  return [hole(member, at, wall.id, null)];
}
