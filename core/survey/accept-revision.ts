import { edited } from '../derive/index.ts';
import {
  distance2,
  err,
  type Outcome,
  type Point2,
  pointInPolygon,
  polygonArea,
  type Problem,
  segmentsCross,
  tidyM,
} from '../math/index.ts';
import { type Operation, type ProjectDocument, update, type Wall } from '../model/index.ts';
import { placeOpening, removeOpenings } from './openings.ts';
import type { RevisedPiece } from './revised-plan.ts';
import { settleHouse } from './settle.ts';
import { openingFromProposal, wallsFromProposals } from './walls-from-proposals.ts';
import { moveWalls, type NewId, placeWall, removeWalls } from './walls.ts';

/** What came of accepting pieces of a revised plan. */
export interface AcceptedRevision {
  readonly operations: readonly Operation[];
  readonly project: ProjectDocument;
  /** Pieces that do not fit what is there, with why; nothing of them was taken. */
  readonly refused: readonly { readonly pieceId: string; readonly problem: Problem }[];
}

/** Walls go to their places before what is in them, and what is gone goes last. */
const ORDER: readonly RevisedPiece['kind'][] = [
  'wall-moved',
  'wall-length',
  'wall-thickness',
  'opening-gone',
  'opening-changed',
  'opening-new',
  'wall-new',
  'wall-gone',
];

/** The operations that take pieces of a revised plan into the house, each with all that follows from it. */
export function acceptRevision(
  project: ProjectDocument,
  levelId: string,
  pieces: readonly RevisedPiece[],
  newId: NewId,
): AcceptedRevision {
  let house = project;
  const operations: Operation[] = [];
  const refused: { pieceId: string; problem: Problem }[] = [];
  for (const piece of [...pieces].sort((p, q) => ORDER.indexOf(p.kind) - ORDER.indexOf(q.kind))) {
    const made = operationsOf(house, levelId, piece, newId);
    const next = made.ok ? edited(house, made.value) : made;
    if (made.ok && next.ok) {
      operations.push(...made.value);
      house = next.value;
    } else if (!next.ok) refused.push({ pieceId: piece.id, problem: next.problem });
  }
  return { operations, project: house, refused };
}

function operationsOf(house: ProjectDocument, levelId: string, piece: RevisedPiece, newId: NewId): Outcome<Operation[]> {
  switch (piece.kind) {
    case 'wall-moved':
      return moveWalls(house, { wallIds: piece.wallIds }, piece.by, newId);
    case 'wall-length': {
      const wall = house.walls[piece.wallId];
      if (!wall) return err('record-gone', { in: 'walls', id: piece.wallId });
      const end: Point2 = [wall[piece.end][0] + piece.by[0], wall[piece.end][1] + piece.by[1]];
      return placeWall(house, wall.id, { [piece.end]: end }, newId);
    }
    case 'wall-thickness': {
      const changed = piece.wallIds.flatMap((id) => {
        const wall = house.walls[id];
        const cavityDepthM = Math.min(wall.cavityDepthM, Math.max(0, piece.thicknessM - LINING_M));
        return update('walls', wall, { thicknessM: piece.thicknessM, cavityDepthM }) ?? [];
      });
      return settleHouse(house, changed, [levelId], () => newId('room'));
    }
    case 'wall-new':
      return wallsFromProposals(house, levelId, [piece.proposal], newId);
    case 'wall-gone':
      return removeWalls(house, piece.wallIds, newId);
    case 'opening-gone':
      return removeOpenings(house, [piece.openingId]);
    case 'opening-changed': {
      const opening = house.openings[piece.openingId];
      if (!opening) return err('record-gone', { in: 'openings', id: piece.openingId });
      const offsetM = tidyM(opening.offsetM + alongWall(house.walls[opening.wallId], piece.by));
      return placeOpening(house, { ...opening, offsetM, widthM: piece.widthM });
    }
    case 'opening-new': {
      const wall = house.walls[piece.wallId];
      if (!wall) return err('record-gone', { in: 'walls', id: piece.wallId });
      const offsetM = tidyM(alongWall(wall, [piece.at[0] - wall.a[0], piece.at[1] - wall.a[1]]));
      const { hinge, swing } = piece.opening;
      const drawn = piece.isTurned
        ? { ...piece.opening, offsetM, hinge: hinge && OTHER_END[hinge], swing: swing && OTHER_SIDE[swing] }
        : { ...piece.opening, offsetM };
      return placeOpening(house, openingFromProposal(drawn, wall.id, newId('opening'), house.levels[levelId].ceilingHeightM));
    }
  }
}

/** Linings of a wall leave the rest of its thickness for its cavity, m. */
const LINING_M = 0.025;
const OTHER_END = { start: 'end', end: 'start' } as const;
const OTHER_SIDE = { left: 'right', right: 'left' } as const;

/** How far a vector goes along a wall from its end a to its end b, m. */
function alongWall({ a, b }: Wall, [x, y]: Point2): number {
  return (x * (b[0] - a[0]) + y * (b[1] - a[1])) / distance2(a, b);
}

/** A room that accepted pieces change, m2; null before or after where it comes or goes. */
export interface ChangedRoom {
  readonly roomId: string;
  readonly name: string;
  readonly beforeM2: number | null;
  readonly afterM2: number | null;
}

const SAME_AREA_M2 = 0.005;

/** The rooms whose area differs between two states of a house. */
export function changedRooms(before: ProjectDocument, after: ProjectDocument): ChangedRoom[] {
  const area = (project: ProjectDocument, id: string) =>
    project.rooms[id] ? Math.abs(polygonArea(project.rooms[id].polygon as readonly Point2[])) : null;
  return [...new Set([...Object.keys(before.rooms), ...Object.keys(after.rooms)])].flatMap((roomId): ChangedRoom[] => {
    const [beforeM2, afterM2] = [area(before, roomId), area(after, roomId)];
    if (beforeM2 !== null && afterM2 !== null && Math.abs(beforeM2 - afterM2) < SAME_AREA_M2) return [];
    return [{ roomId, name: (after.rooms[roomId] ?? before.rooms[roomId]).name, beforeM2, afterM2 }];
  });
}

/** Devices and runs of a house by id. */
export interface Touched {
  readonly deviceIds: readonly string[];
  readonly runIds: readonly string[];
}

/** A run as it lies in the house: from which device, along which points, m. */
export interface LyingRun {
  readonly runId: string;
  readonly deviceId: string;
  readonly points: readonly (readonly [number, number, number])[];
}

/** Boxes and plates beside a wall or an opening count as on it up to here, m. */
const NEAR_M = 0.15;

/** Devices on or beside what a piece of a revision changes, and the runs that end at them or go through it. */
export function touchedBy(project: ProjectDocument, levelId: string, piece: RevisedPiece, runs: readonly LyingRun[]): Touched {
  const area = areaOf(piece);
  const isIn = (p: Point2) => pointInPolygon(p, area);
  const deviceIds = Object.values(project.devices)
    .filter((device) => device.levelId === levelId && isIn([device.x, device.y]))
    .map(({ id }) => id);
  const { elevationM, ceilingHeightM, cavityDepthM } = project.levels[levelId];
  const [lowM, highM] = [elevationM - BELOW_M, elevationM + ceilingHeightM + cavityDepthM];
  const runIds = runs
    .filter(({ deviceId, points }) => {
      if (deviceIds.includes(deviceId)) return true;
      return points.some((p, n) => {
        const q = points[n + 1] ?? p;
        if (Math.max(p[2], q[2]) < lowM || Math.min(p[2], q[2]) > highM) return false;
        const [from, to]: Point2[] = [
          [p[0], p[1]],
          [q[0], q[1]],
        ];
        return isIn(from) || area.some((corner, k) => segmentsCross(from, to, corner, area[(k + 1) % area.length]));
      });
    })
    .map(({ runId }) => runId);
  return { deviceIds, runIds };
}

/** Cables under a floor are of its level this far down, m. */
const BELOW_M = 0.3;

/** The ground that a piece changes: between its place before and after, or about it where it only comes or goes. */
function areaOf({ before, after, halfM }: RevisedPiece): Point2[] {
  const all = [...before, ...after];
  const [first] = all;
  const length = distance2(...first);
  const along: Point2 = [(first[1][0] - first[0][0]) / length, (first[1][1] - first[0][1]) / length];
  const inFrame = (p: Point2): Point2 => [p[0] * along[0] + p[1] * along[1], p[1] * along[0] - p[0] * along[1]];
  const back = ([u, v]: Point2): Point2 => [u * along[0] - v * along[1], u * along[1] + v * along[0]];
  const points = all.flat().map(inFrame);
  const [us, vs] = [points.map(([u]) => u), points.map(([, v]) => v)];
  const [u0, u1] = [Math.min(...us) - NEAR_M, Math.max(...us) + NEAR_M];
  const [v0, v1] = [Math.min(...vs) - halfM - NEAR_M, Math.max(...vs) + halfM + NEAR_M];
  const corners: Point2[] = [
    [u0, v0],
    [u1, v0],
    [u1, v1],
    [u0, v1],
  ];
  return corners.map(back);
}
