import {
  firstFree,
  boundsMeet,
  boundsOf,
  type Face,
  faceArea,
  intersection,
  type Point2,
  polygonArea,
  regionArea,
} from '../math/index.ts';
import { create, newRoom, type Operation, type ProjectDocument, remove, type Room, update } from '../model/index.ts';
import { derivationsOf, onLevel, Remembered, whole } from '../derive/index.ts';
import { byId, keyOf, outlineOf, wallFaces } from '../house/index.ts';

/** A closed area smaller than this is a shaft or a drawing accident, not a room, m². */
const MIN_ROOM_M2 = 0.4;

interface Area {
  readonly polygon: [number, number][];
  readonly key: string;
}

const MAX_FACES = 10_000;

/** Faces that an edit does not touch stay the same objects; so do their areas. Null for one too small for a room. */
const AREAS = whole<Remembered<Face, Area | null>>({
  name: 'areas of faces',
  make: () => new Remembered(MAX_FACES),
});

/** Closed areas large enough for a room. */
function areasOf(project: Pick<ProjectDocument, 'walls'>, levelId: string): Area[] {
  const areas = derivationsOf(project).get(AREAS);
  return wallFaces(project, levelId).faces.flatMap((face) => areas.of(face, () => areaOfFace(face)) ?? []);
}

function areaOfFace(face: Face): Area | null {
  if (faceArea(face) < MIN_ROOM_M2) return null;
  const polygon = outlineOf(face);
  return { polygon, key: JSON.stringify(polygon) };
}

/**
 * What becomes of the rooms of a level when its walls change: each room goes with the closed area that it covers most,
 * an area that no room covers becomes a new room, a room that another has swallowed goes.
 * A room that is no longer closed keeps its outline until it is closed again or deleted by hand.
 * `after` is the project with the walls changed and the rooms as they were. `newId` gives ids for new rooms.
 */
export function refitRooms(before: ProjectDocument, after: ProjectDocument, levelId: string, newId: () => string): Operation[] {
  const was = new Set(areasOf(before, levelId).map(({ key }) => key));
  const now = areasOf(after, levelId);
  const fresh = now.filter(({ key }) => !was.has(key));
  const stay = new Set(now.filter(({ key }) => was.has(key)).map(({ key }) => key));
  const gone = [...was].filter((key) => !stay.has(key));
  if (fresh.length === 0 && gone.length === 0) return [];
  const rooms = onLevel(after, 'rooms', levelId);
  const settled = new Set(rooms.filter((room) => stay.has(keyOf(room.polygon))).map(({ id }) => id));
  const open = rooms.filter((room) => !settled.has(room.id));
  const pairs = overlaps(open, fresh);
  const areaOf = new Map<Room, Area>();
  const roomOf = new Map<Area, Room>();
  for (const { room, area, sharedM2 } of pairs) {
    if (areaOf.has(room) || roomOf.has(area)) continue;
    // A room keeps its identity where most of it, or most of the area, is the same place.
    const min = 0.3 * Math.min(polygonArea(room.polygon as Point2[]) || 1, polygonArea(area.polygon));
    if (sharedM2 < min) continue;
    areaOf.set(room, area);
    roomOf.set(area, room);
  }
  const operations: (Operation | null)[] = [];
  for (const [room, { polygon }] of areaOf) operations.push(update('rooms', room, { polygon }));
  const swallowed = open.filter((room) => !areaOf.has(room) && coveredShare(room, pairs) > 0.5);
  operations.push(...swallowed.map((room) => remove('rooms', room)));
  const codes = new Set(rooms.map(({ code }) => code));
  for (const area of fresh) {
    if (roomOf.has(area)) continue;
    const cutFrom = pairs.find((pair) => pair.area === area)?.room;
    operations.push(create('rooms', newRoomOn(after, levelId, area.polygon, { cutFrom, codes, id: newId() })));
  }
  return operations.filter((operation) => operation !== null);
}

interface Overlap {
  readonly room: Room;
  readonly area: Area;
  readonly sharedM2: number;
}

/** Rooms and areas that share ground, the most first. */
function overlaps(rooms: readonly Room[], areas: readonly Area[]): Overlap[] {
  const found: Overlap[] = [];
  for (const room of rooms) {
    const box = boundsOf(room.polygon as Point2[])!;
    for (const area of areas) {
      const other = boundsOf(area.polygon)!;
      if (!boundsMeet(other, box)) continue;
      const sharedM2 = regionArea(intersection([counterClockwise(room.polygon as Point2[])], [area.polygon]));
      if (sharedM2 > 0.01) found.push({ room, area, sharedM2 });
    }
  }
  return found.sort((a, b) => b.sharedM2 - a.sharedM2 || byId(a.room, b.room) || (a.area.key < b.area.key ? -1 : 1));
}

const counterClockwise = (polygon: readonly Point2[]) => (polygonArea(polygon) < 0 ? [...polygon].reverse() : polygon);

const coveredShare = (room: Room, pairs: readonly Overlap[]) =>
  pairs.filter((pair) => pair.room === room).reduce((sum, { sharedM2 }) => sum + sharedM2, 0) /
  Math.max(1e-9, Math.abs(polygonArea(room.polygon as Point2[])));

interface NewRoom {
  /** The room that it was a part of. */
  readonly cutFrom: Room | undefined;
  /** Codes that are taken. */
  readonly codes: Set<string>;
  readonly id: string;
}

/** A new room, framed as the one that it was cut from, else as the level's rooms are by default. */
function newRoomOn(
  project: ProjectDocument,
  levelId: string,
  polygon: [number, number][],
  { cutFrom, codes, id }: NewRoom,
): Room {
  const { number, name: code } = firstFree((n) => `R${n}`, codes);
  codes.add(code);
  const { framing, joistAngleRad, joistSpacingM, joistDepthM } = cutFrom ?? project.levels[levelId].defaults;
  const joists = { framing, joistAngleRad, joistSpacingM, joistDepthM, joistOffsetM: cutFrom?.joistOffsetM ?? 0 };
  return newRoom({ id, levelId, code, name: `Room ${number}`, polygon, ...joists });
}
