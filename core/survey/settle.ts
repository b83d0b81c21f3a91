import { attachmentOf, type Building, buildingOf, nearestWall } from '../house/index.ts';
import { refitRooms } from './refit-rooms.ts';
import { type DeviceMove, moveDevices } from '../devices/index.ts';
import {
  type Bounds,
  boundsMeet,
  boundsOf,
  distance2,
  grownBounds,
  inBounds,
  ok,
  type Outcome,
  type Point2,
  pointInPolygon,
  polygonArea,
} from '../math/index.ts';
import type { Device, Operation, ProjectDocument, Room, Wall } from '../model/index.ts';
import { edited, listOf, onLevel, withoutRecords } from '../derive/index.ts';

/**
 * An edit of walls with all that follows from it in the same change: rooms are fitted anew, wall devices go with their wall,
 * and every device takes a number in the room where it now stands.
 * Problems: those of `applyChange`.
 */
export function settleHouse(
  project: ProjectDocument,
  operations: readonly Operation[],
  levelIds: readonly string[],
  newId: () => string,
): Outcome<Operation[]> {
  const applied = edited(project, operations);
  if (!applied.ok) return applied;
  const all = [...operations];
  let working = applied.value;
  const removals: Operation[] = [];
  for (const levelId of new Set(levelIds)) {
    const roomOperations = refitRooms(project, working, levelId, newId);
    removals.push(...roomOperations.filter((operation) => operation.op === 'delete'));
    const others = roomOperations.filter((operation) => operation.op !== 'delete');
    all.push(...others);
    const refitted = edited(working, others);
    if (!refitted.ok) return refitted;
    working = refitted.value;
    const left = without(working, removals);
    const moved = moveDevices(left, movesOf(project, left, levelId, touched([...operations, ...roomOperations], project)));
    if (!moved.ok) return moved;
    all.push(...moved.value);
    const settled = edited(working, moved.value);
    if (!settled.ok) return settled;
    working = settled.value;
  }
  // A room goes last, when nothing stands in it any more; what was measured of it goes with it.
  for (const removal of removals) {
    const facts = listOf(working, 'facts').filter((known) => known.subject === 'rooms' && known.subjectId === removal.id);
    const framing = listOf(working, 'framingMembers').filter((member) => member.roomId === removal.id);
    all.push(
      ...facts.map((record): Operation => ({ op: 'delete', in: 'facts', id: record.id, record })),
      ...framing.map((record): Operation => ({ op: 'delete', in: 'framingMembers', id: record.id, record })),
      removal,
    );
  }
  return ok(all);
}

/** The project as it is once these rooms have gone. */
function without(project: ProjectDocument, removals: readonly Operation[]): ProjectDocument {
  if (removals.length === 0) return project;
  return withoutRecords(
    project,
    'rooms',
    removals.map(({ id }) => id),
  );
}

/** How far beside changed ground a device may still be affected, m. */
const BESIDE_M = 0.5;

/** The ground on which walls or rooms have changed; null where none have. */
function touched(operations: readonly Operation[], before: ProjectDocument): Bounds | null {
  const points = operations.flatMap((operation): Point2[] => {
    const was = (
      operation.in === 'walls' ? before.walls[operation.id] : operation.in === 'rooms' ? before.rooms[operation.id] : undefined
    ) as Partial<Wall & Room> | undefined;
    const is = (operation.op === 'update' ? operation.after : operation.record) as Partial<Wall & Room>;
    return [was, is].flatMap((one) => [...(one?.polygon ?? []), ...(one?.a ? [one.a] : []), ...(one?.b ? [one.b] : [])]);
  });
  const box = boundsOf(points);
  return box && grownBounds(box, BESIDE_M);
}

/** Where the devices of a level must go: along with their wall, or anew into the room around them. */
function movesOf(before: ProjectDocument, after: ProjectDocument, levelId: string, box: Bounds | null): DeviceMove[] {
  if (!box) return [];
  const was = buildingOf(before);
  const roomAround = smallestRoom(after, levelId, box);
  const near = ({ x, y }: Device) => inBounds(box, [x, y]);
  return onLevel(after, 'devices', levelId)
    .filter(near)
    .flatMap((device): DeviceMove[] => {
      const onWall = attachmentOf(after.deviceTypes[device.typeId]) === 'wall';
      const to = onWall ? carried(was, after, device) : null;
      if (to) return [{ deviceId: device.id, to }];
      if (onWall) return isRoomGone(after, device) ? [{ deviceId: device.id, to: [device.x, device.y] }] : [];
      return (roomAround([device.x, device.y])?.id ?? null) === device.roomId
        ? []
        : [{ deviceId: device.id, to: [device.x, device.y] }];
    });
}

/** Finds the smallest room around a point, among those that the changed ground touches. */
function smallestRoom(project: ProjectDocument, levelId: string, box: Bounds): (p: Point2) => Room | undefined {
  const rooms = onLevel(project, 'rooms', levelId)
    .map((room) => ({
      room,
      bounds: boundsOf(room.polygon as Point2[])!,
      areaM2: Math.abs(polygonArea(room.polygon as Point2[])),
    }))
    .filter(({ bounds }) => boundsMeet(bounds, box))
    .sort((a, b) => a.areaM2 - b.areaM2 || (a.room.id < b.room.id ? -1 : 1));
  return (p) => rooms.find(({ room, bounds }) => inBounds(bounds, p) && pointInPolygon(p, room.polygon as Point2[]))?.room;
}

const isRoomGone = (project: ProjectDocument, device: Device) => device.roomId !== null && !project.rooms[device.roomId];

/** A wall device's place on its wall after the wall has moved; null where the wall stayed or there is none. */
function carried(was: Building, after: ProjectDocument, device: Device): Point2 | null {
  const place = nearestWall(was, device.levelId, [device.x, device.y], 0.05);
  if (!place) return null;
  const wall = after.walls[place.wall.id] as Wall | undefined;
  if (!wall) return null;
  const { a, b } = place.wall;
  const same = (p: readonly [number, number], q: readonly [number, number]) => distance2(p, q) < 1e-9;
  if (same(a, wall.a) && same(b, wall.b)) return null;
  const lengthM = distance2(wall.a, wall.b);
  const fromA = same(b, wall.b) ? lengthM - (distance2(a, b) - place.offsetM) : place.offsetM;
  const t = Math.min(1, Math.max(0, fromA / lengthM));
  return [wall.a[0] + (wall.b[0] - wall.a[0]) * t, wall.a[1] + (wall.b[1] - wall.a[1]) * t];
}
