import { levelsFromBelow } from '../house/index.ts';
import { middleOf, type Point2 } from '../math/index.ts';
import {
  type BriefCell,
  type BriefTopic,
  create,
  type Operation,
  type ProjectDocument,
  type Room,
  update,
  type WalkResult,
} from '../model/index.ts';
import { listOf, onLevel } from '../derive/index.ts';
import { briefOf, cellOf } from './cells.ts';

/** Rooms as one walks: level by level from below, and on a level always on to the nearest; a number given by hand goes first. */
export function walkingOrder(project: ProjectDocument): Room[] {
  return levelsFromBelow(project).flatMap((level) => {
    const rooms = [...onLevel(project, 'rooms', level.id)];
    const given = (room: Room) => briefOf(project, room.id)?.walkOrder ?? 0;
    const ordered = rooms.filter((room) => given(room) > 0).sort((a, b) => given(a) - given(b));
    let open = rooms.filter((room) => given(room) === 0);
    let at = ordered.length > 0 ? middleOf(ordered[ordered.length - 1].polygon as Point2[]) : null;
    while (open.length > 0) {
      const from = at;
      const away = (room: Room) => {
        const [x, y] = middleOf(room.polygon as Point2[]);
        return from ? Math.hypot(x - from[0], y - from[1]) : x + y;
      };
      const next = open.reduce((best, room) => (away(room) < away(best) - 1e-9 ? room : best));
      ordered.push(next);
      open = open.filter((room) => room !== next);
      at = middleOf(next.polygon as Point2[]);
    }
    return ordered;
  });
}

export const walkResultOf = (
  project: Pick<ProjectDocument, 'walkResults'>,
  roomId: string,
  topic: BriefTopic,
): WalkResult | undefined =>
  Object.values(project.walkResults).find((result) => result.roomId === roomId && result.topic === topic);

/** Writes down what is found of an answer on the walk. */
export function tellWalk(
  project: ProjectDocument,
  roomId: string,
  topic: BriefTopic,
  found: Pick<WalkResult, 'found' | 'by' | 'on' | 'note'>,
  newId: () => string,
): Operation[] {
  const known = walkResultOf(project, roomId, topic);
  if (!known) return [create('walkResults', { id: newId(), roomId, topic, ...found })];
  const operation = update('walkResults', known, found);
  return operation ? [operation] : [];
}

/** An answer that the walk did not find as agreed. */
export interface WalkDifference {
  readonly cell: BriefCell;
  readonly result: WalkResult;
}

export const walkDifferences = (project: ProjectDocument): WalkDifference[] =>
  listOf(project, 'walkResults').flatMap((result) => {
    const cell = cellOf(project, result.roomId, result.topic);
    return cell && result.found !== 'there' ? [{ cell, result }] : [];
  });
