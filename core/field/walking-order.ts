import { levelsFromBelow } from '../house/index.ts';
import { distance2, middleOf, type Point2 } from '../math/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/** The middle of a room's box, m. */
const middleOfRoom = ({ polygon }: Room): Point2 => middleOf(polygon as Point2[]);

/** The place in a list that is nearest to a point. */
function nearest(rooms: readonly Room[], from: Point2): number {
  const distances = rooms.map((room) => distance2(middleOfRoom(room), from));
  return distances.indexOf(Math.min(...distances));
}

/** The rooms of a house as one walks through them: level by level from below, from the head end on to the nearest room each time. */
export function roomsInWalkingOrder(project: ProjectDocument): Room[] {
  return levelsFromBelow(project).flatMap(({ id }) => {
    const left = listOf(project, 'rooms').filter(({ levelId }) => levelId === id);
    const rack = listOf(project, 'racks').find(({ levelId }) => levelId === id);
    const walked: Room[] = [];
    let at: Point2 = rack ? [rack.x, rack.y] : left.length > 0 ? middleOfRoom(left[0]) : [0, 0];
    while (left.length > 0) {
      const [room] = left.splice(nearest(left, at), 1);
      walked.push(room);
      at = middleOfRoom(room);
    }
    return walked;
  });
}

interface Stop {
  readonly levelId: string;
  readonly roomId: string | null;
  readonly at: Point2;
}

/**
 * Things in the order in which one walks past them: room after room, in a room clockwise along its walls, and after the rooms of a level
 * what belongs to none of them. Things at one angle keep their order.
 */
export function inWalkingOrder<T extends Stop>(project: ProjectDocument, things: readonly T[]): T[] {
  const rooms = roomsInWalkingOrder(project);
  const levels = levelsFromBelow(project).map(({ id }) => id);
  const orderOf = new Map(rooms.map(({ id }, n) => [id, n]));
  const keyed = things.map((thing) => {
    const room = thing.roomId === null ? undefined : project.rooms[thing.roomId];
    const [x, y] = room ? middleOfRoom(room) : [0, 0];
    const angle = room ? (Math.atan2(thing.at[0] - x, thing.at[1] - y) + 2 * Math.PI) % (2 * Math.PI) : thing.at[0];
    return { thing, level: levels.indexOf(thing.levelId), room: orderOf.get(thing.roomId ?? '') ?? Infinity, angle };
  });
  const compare = (a: number, b: number) => (a === b ? 0 : a - b);
  return keyed
    .sort((a, b) => compare(a.level, b.level) || compare(a.room, b.room) || compare(a.angle, b.angle))
    .map(({ thing }) => thing);
}
