import { listOf, onLevel } from '../derive/index.ts';
import { drawingPlace } from './drawing-place.ts';
import type { OpeningProposal, WallProposal } from '../house/index.ts';
import { closestOnSegment, distance2, type Point2, tidyM } from '../math/index.ts';
import type { Opening, ProjectDocument, Wall } from '../model/index.ts';

/** Smaller differences than these are how exactly somebody measured or drew, m. */
const MOVED_M = 0.015;
const LONGER_M = 0.03;
const THICKER_M = 0.02;
const OPENING_M = 0.02;
/** A wall farther from its old place is another wall, m. */
const REACH_M = 1.5;
const OPENING_REACH_M = 0.6;
/** How much of a wall another has to run beside to be it. */
const BESIDE_SHARE = 0.5;
const SAME_DIRECTION = 0.035;
/** A stretch of wall this long that was not there before is new, m. */
const NEW_STRETCH_M = 0.6;

/** Something in which a revised plan differs from the house as it is planned. */
export type RevisedPiece = {
  readonly id: string;
  /** What of the plan it is about before and after, m: centre lines of walls, or of the stretch of an opening. */
  readonly before: readonly Line[];
  readonly after: readonly Line[];
  /** Half the thickness of the wall, m. */
  readonly halfM: number;
} & RevisedChange;

export type RevisedChange =
  | { readonly kind: 'wall-moved'; readonly wallIds: readonly string[]; readonly by: Point2 }
  | {
      readonly kind: 'wall-length';
      readonly wallId: string;
      readonly end: 'a' | 'b';
      readonly by: Point2;
      readonly longerM: number;
    }
  | { readonly kind: 'wall-thickness'; readonly wallIds: readonly string[]; readonly thicknessM: number }
  | { readonly kind: 'wall-new'; readonly proposal: WallProposal }
  | { readonly kind: 'wall-gone'; readonly wallIds: readonly string[] }
  | { readonly kind: 'opening-changed'; readonly openingId: string; readonly by: Point2; readonly widthM: number }
  | {
      readonly kind: 'opening-new';
      readonly wallId: string;
      readonly opening: OpeningProposal;
      readonly at: Point2;
      readonly isTurned: boolean;
    }
  | { readonly kind: 'opening-gone'; readonly openingId: string };
export type RevisedKind = RevisedChange['kind'];

type Line = readonly [Point2, Point2];

/** Walls of the plan that a wall of the revision stands for, in line with each other. */
interface Group {
  readonly proposal: WallProposal;
  readonly walls: Wall[];
  /** How far the revision lies to the left of them, m. */
  readonly offM: number;
}

const minus = (p: Point2, q: Point2): Point2 => [p[0] - q[0], p[1] - q[1]];
const plus = (p: Point2, q: Point2): Point2 => [p[0] + q[0], p[1] + q[1]];
const times = (p: Point2, k: number): Point2 => [p[0] * k, p[1] * k];
/** Whole tenths of a millimetre, and no negative nothing. */
const tidy = ([x, y]: Point2): Point2 => [tidyM(x) + 0, tidyM(y) + 0];
const dot = (p: Point2, q: Point2): number => p[0] * q[0] + p[1] * q[1];
const directionOf = ({ a, b }: { readonly a: Point2; readonly b: Point2 }): Point2 => times(minus(b, a), 1 / distance2(a, b));
const leftOf = ([x, y]: Point2): Point2 => [-y, x];
const middle = ({ a, b }: { readonly a: Point2; readonly b: Point2 }): Point2 => times(plus(a, b), 0.5);

/** Walls of a drawing as they lie on the plan, moved by a vector, m. */
const laidOver = (walls: readonly WallProposal[], by: Point2): WallProposal[] =>
  walls.map((wall) => ({ ...wall, a: plus(wall.a, by), b: plus(wall.b, by) }));

/**
 * How a revised plan has to be shifted, m, so that the most of its walls lie on walls of the level: drawings of one house often keep
 * their origin, and sometimes not. Nothing where it lies best as it is.
 */
export function revisionShift(project: ProjectDocument, levelId: string, proposals: readonly WallProposal[]): Point2 {
  const walls = onLevel(project, 'walls', levelId) as readonly Wall[];
  const fits = (by: Point2) =>
    proposals.filter((one) =>
      walls.some((wall) => isParallel(wall, one) && distance2(middle(wall), plus(middle(one), by)) < 0.05),
    ).length;
  let best: { by: Point2; fit: number } = { by: [0, 0], fit: fits([0, 0]) };
  for (const wall of walls)
    for (const one of proposals) {
      if (!isParallel(wall, one) || Math.abs(distance2(wall.a, wall.b) - distance2(one.a, one.b)) > 0.1) continue;
      const by = minus(middle(wall), middle(one));
      const fit = fits(by);
      if (fit > best.fit + 1) best = { by: tidy(by), fit };
    }
  return best.by;
}

/** A revised drawing laid over a level: where its lower left corner lies, m, and in what it differs. */
export interface LaidRevision {
  readonly place: Point2;
  readonly pieces: readonly RevisedPiece[];
}

/** Lays a drawing, whose walls are from its own lower left corner, with that corner at a place of the plan, m. */
export const revisionAt = (
  project: ProjectDocument,
  levelId: string,
  walls: readonly WallProposal[],
  place: Point2,
): LaidRevision => ({ place, pieces: revisedPieces(project, levelId, laidOver(walls, place)) });

/** The same where its coordinates or, if these are others, its walls say; `cornerM` is that corner in the coordinates of its file. */
export function laidRevision(
  project: ProjectDocument,
  levelId: string,
  walls: readonly WallProposal[],
  cornerM: Point2,
): LaidRevision {
  const byOrigin = drawingPlace(project, levelId, cornerM);
  const place = plus(byOrigin, revisionShift(project, levelId, laidOver(walls, byOrigin)));
  return revisionAt(project, levelId, walls, place);
}

const isParallel = (
  one: { readonly a: Point2; readonly b: Point2 },
  other: { readonly a: Point2; readonly b: Point2 },
): boolean => Math.abs(dot(leftOf(directionOf(one)), directionOf(other))) < SAME_DIRECTION;

/**
 * In what the walls of a revised plan, laid over the plan, differ from those of the level: walls moved, longer or shorter, thicker, new
 * or gone, and openings moved, of another width, new or gone. Small differences are how exactly somebody drew.
 */
export function revisedPieces(project: ProjectDocument, levelId: string, proposals: readonly WallProposal[]): RevisedPiece[] {
  const walls = (onLevel(project, 'walls', levelId) as readonly Wall[]).filter(({ a, b }) => distance2(a, b) > 1e-6);
  const { groups, gone } = matched(walls, proposals);
  const hasOpenings = proposals.some(({ openings }) => openings.length > 0);
  const ofWall = (id: string) => listOf(project, 'openings').filter(({ wallId }) => wallId === id);
  return [
    ...groups.flatMap((group) => movedPieces(group)),
    ...groups.flatMap((group) => lengthPieces(group, groups, walls)),
    ...newPieces(groups, proposals),
    ...gone.map((wall): RevisedPiece => ({ ...about([wall], []), id: `gone:${wall.id}`, kind: 'wall-gone', wallIds: [wall.id] })),
    ...(hasOpenings
      ? groups.flatMap((group) =>
          openingPieces(
            group,
            group.walls.flatMap(({ id }) => ofWall(id)),
          ),
        )
      : []),
  ];
}

const about = (walls: readonly Wall[], after: readonly Line[]) => ({
  before: walls.map(({ a, b }): Line => [a, b]),
  after,
  halfM: Math.max(...walls.map(({ thicknessM }) => thicknessM)) / 2,
});

/** Which wall of the revision each wall of the plan has become; the nearest first, and no place of a revision twice. */
function matched(walls: readonly Wall[], proposals: readonly WallProposal[]): { groups: Group[]; gone: Wall[] } {
  const pairs = walls
    .flatMap((wall) =>
      proposals.flatMap((proposal) => {
        if (!isParallel(wall, proposal)) return [];
        const off = minus(middle(wall), proposal.a);
        const along = directionOf(proposal);
        const offM = -dot(off, leftOf(along));
        const lengthM = distance2(proposal.a, proposal.b);
        const span = [wall.a, wall.b].map((p) => dot(minus(p, proposal.a), along)).sort((p, q) => p - q);
        const besideM = Math.min(span[1], lengthM) - Math.max(span[0], 0);
        const isIt = Math.abs(offM) <= REACH_M && besideM >= BESIDE_SHARE * Math.min(distance2(wall.a, wall.b), lengthM);
        return isIt ? [{ wall, proposal, offM, span }] : [];
      }),
    )
    .sort((p, q) => Math.abs(p.offM) - Math.abs(q.offM) || (p.wall.id < q.wall.id ? -1 : 1));
  const taken = new Set<Wall>();
  const spans = new Map<WallProposal, number[][]>();
  const groups: Group[] = [];
  for (const { wall, proposal, offM, span } of pairs) {
    if (taken.has(wall)) continue;
    const there = spans.get(proposal) ?? [];
    const overlaps = there.some((one) => Math.min(one[1], span[1]) - Math.max(one[0], span[0]) > 0.1);
    if (overlaps) continue;
    taken.add(wall);
    spans.set(proposal, [...there, span]);
    const group = groups.find((one) => one.proposal === proposal && Math.abs(one.offM - offM) < MOVED_M);
    if (group) group.walls.push(wall);
    else groups.push({ proposal, walls: [wall], offM });
  }
  return { groups, gone: walls.filter((wall) => !taken.has(wall)) };
}

const shifted = (walls: readonly Wall[], by: Point2): Line[] => walls.map(({ a, b }): Line => [plus(a, by), plus(b, by)]);

/** The way from walls of a group to their place in the revision. */
const wayOf = ({ proposal, offM }: Group): Point2 => times(leftOf(directionOf(proposal)), Math.abs(offM) < MOVED_M ? 0 : offM);

function movedPieces(group: Group): RevisedPiece[] {
  const { walls, proposal } = group;
  const wallIds = walls.map(({ id }) => id);
  const [key] = wallIds;
  const by = wayOf(group);
  const pieces: RevisedPiece[] = [];
  if (Math.hypot(...by) > 0)
    pieces.push({
      ...about(walls, shifted(walls, by)),
      id: `moved:${key}`,
      kind: 'wall-moved',
      wallIds,
      by: tidy(by),
    });
  const other = walls.filter(({ thicknessM }) => Math.abs(thicknessM - proposal.thicknessM) >= THICKER_M);
  if (other.length > 0)
    pieces.push({
      ...about(other, shifted(other, by)),
      id: `thickness:${key}`,
      kind: 'wall-thickness',
      wallIds: other.map(({ id }) => id),
      thicknessM: proposal.thicknessM,
    });
  return pieces;
}

/** Ends of walls that lie elsewhere along the wall, but for those that only follow another wall that moved. */
function lengthPieces({ proposal, walls }: Group, groups: readonly Group[], all: readonly Wall[]): RevisedPiece[] {
  const along = directionOf(proposal);
  const place = (p: Point2) => dot(minus(p, proposal.a), along);
  const ends = walls.flatMap((wall) => (['a', 'b'] as const).map((end) => ({ wall, end, at: place(wall[end]) })));
  const outermost = [
    { ...ends.reduce((first, one) => (one.at < first.at ? one : first)), to: 0, corner: proposal.a },
    { ...ends.reduce((last, one) => (one.at > last.at ? one : last)), to: distance2(proposal.a, proposal.b), corner: proposal.b },
  ];
  return outermost.flatMap(({ wall, end, at, to, corner }, n): RevisedPiece[] => {
    const longerM = n === 0 ? at - to : to - at;
    if (Math.abs(longerM) < LONGER_M) return [];
    // A wall that ended at another one, which is the one that the revision ends at, goes with it.
    const follows = all.some((other) => {
      if (other === wall || closestOnSegment(wall[end], other.a, other.b).distanceM > other.thicknessM / 2 + 0.05) return false;
      const now = groups.find((group) => group.walls.includes(other))?.proposal;
      return now !== undefined && closestOnSegment(corner, now.a, now.b).distanceM <= now.thicknessM / 2 + 0.05;
    });
    if (follows) return [];
    const by = times(along, to - at);
    const from = wall[end === 'a' ? 'b' : 'a'];
    return [
      {
        before: [[wall.a, wall.b]],
        after: [[from, plus(wall[end], by)]],
        halfM: wall.thicknessM / 2,
        id: `length:${wall.id}:${end}`,
        kind: 'wall-length',
        wallId: wall.id,
        end,
        by: tidy(by),
        longerM: tidyM(longerM),
      },
    ];
  });
}

/** Walls of the revision, or stretches of them, where there was none. */
function newPieces(groups: readonly Group[], proposals: readonly WallProposal[]): RevisedPiece[] {
  return proposals.flatMap((proposal, n): RevisedPiece[] => {
    const lengthM = distance2(proposal.a, proposal.b);
    const along = directionOf(proposal);
    const spans = groups
      .filter((group) => group.proposal === proposal)
      .flatMap(({ walls }) => walls.map(({ a, b }) => [a, b].map((p) => dot(minus(p, proposal.a), along)).sort((p, q) => p - q)))
      .sort((p, q) => p[0] - q[0]);
    // An end that lies elsewhere is told as the length of the wall that is there.
    const free: [number, number][] = spans.length === 0 ? [[0, lengthM]] : [];
    for (let k = 0; k + 1 < spans.length; k++) free.push([spans[k][1], spans[k + 1][0]]);
    return free
      .filter(([from, to]) => to - from >= (spans.length === 0 ? 0 : NEW_STRETCH_M))
      .map(([from, to], k): RevisedPiece => {
        const [a, b] = [from, to].map((s) => plus(proposal.a, times(along, s)));
        const openings = proposal.openings
          .filter(({ offsetM }) => offsetM > from && offsetM < to)
          .map((opening) => ({ ...opening, offsetM: opening.offsetM - from }));
        return {
          before: [],
          after: [[a, b]],
          halfM: proposal.thicknessM / 2,
          id: `new:${n}:${k}`,
          kind: 'wall-new',
          proposal: { ...proposal, a, b, openings },
        };
      });
  });
}

/** Openings of a group of walls against those that the revision draws there. */
function openingPieces(group: Group, openings: readonly Opening[]): RevisedPiece[] {
  const { proposal, walls } = group;
  const along = directionOf(proposal);
  const by = wayOf(group);
  const place = (p: Point2) => dot(minus(p, proposal.a), along);
  const placed = openings.map((opening) => {
    const wall = walls.find(({ id }) => id === opening.wallId)!;
    const at = plus(wall.a, times(directionOf(wall), opening.offsetM));
    return { opening, at, place: place(at), halfM: wall.thicknessM / 2 };
  });
  const left = new Set(placed);
  const stretch = (at: Point2, widthM: number): Line => [plus(at, times(along, -widthM / 2)), plus(at, times(along, widthM / 2))];
  const pieces: RevisedPiece[] = [];
  const unmatched: OpeningProposal[] = [];
  for (const drawn of proposal.openings) {
    const near = [...left]
      .filter(({ opening }) => isSameKind(opening.kind, drawn.kind))
      .map((one) => ({ one, offM: Math.abs(one.place - drawn.offsetM) }))
      .filter(({ one, offM }) => offM <= Math.max(OPENING_REACH_M, (one.opening.widthM + drawn.widthM) / 2))
      .sort((p, q) => p.offM - q.offM)[0];
    if (!near) {
      unmatched.push(drawn);
      continue;
    }
    const { one } = near;
    left.delete(one);
    const offM = drawn.offsetM - one.place;
    if (Math.abs(offM) < OPENING_M && Math.abs(drawn.widthM - one.opening.widthM) < OPENING_M) continue;
    const move = times(along, offM);
    pieces.push({
      before: [stretch(one.at, one.opening.widthM)],
      after: [stretch(plus(plus(one.at, move), by), drawn.widthM)],
      halfM: one.halfM,
      id: `opening:${one.opening.id}`,
      kind: 'opening-changed',
      openingId: one.opening.id,
      by: tidy(move),
      widthM: Math.abs(drawn.widthM - one.opening.widthM) < OPENING_M ? one.opening.widthM : tidyM(drawn.widthM),
    });
  }
  for (const opening of unmatched) {
    const at = minus(plus(proposal.a, times(along, opening.offsetM)), by);
    const wall = walls.find(({ a, b }) => {
      const [from, to] = [place(a), place(b)].sort((p, q) => p - q);
      return opening.offsetM > from && opening.offsetM < to;
    });
    if (!wall) continue;
    pieces.push({
      before: [],
      after: [stretch(plus(at, by), opening.widthM)],
      halfM: wall.thicknessM / 2,
      id: `opening-new:${wall.id}:${Math.round(opening.offsetM * 100)}`,
      kind: 'opening-new',
      wallId: wall.id,
      opening,
      at,
      isTurned: dot(directionOf(wall), along) < 0,
    });
  }
  for (const { opening, at, halfM } of left)
    pieces.push({
      before: [stretch(at, opening.widthM)],
      after: [],
      halfM,
      id: `opening-gone:${opening.id}`,
      kind: 'opening-gone',
      openingId: opening.id,
    });
  return pieces;
}

/** A gap in a wall may be any opening whose leaf or glass is not drawn. */
const isSameKind = (planned: Opening['kind'], drawn: OpeningProposal['kind']): boolean => drawn === 'arch' || planned === drawn;
