import { attachmentOf, buildingOf, isSideOf, nearestWall, wallLength } from '../../house/index.ts';
import { middleOf, type Point2 } from '../../math/index.ts';
import type { Device, ProjectDocument, Room, Wall } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import { type WallDistance, wallDistancesAt } from './placing.ts';

/** A wall by where it is on the plan, seen from what is measured. */
export const WALL_SIDES = ['left', 'right', 'lower', 'upper'] as const;
export type WallSide = (typeof WALL_SIDES)[number];

/** The side of a wall from which a direction leads away. */
export const wallSide = ([x, y]: Point2): WallSide =>
  Math.abs(x) > Math.abs(y) ? (x > 0 ? 'left' : 'right') : y > 0 ? 'lower' : 'upper';

/** The side on which a wall is, seen from a point beside it. */
export function sideOfWall({ a, b }: Wall, [x, y]: Point2): WallSide {
  const normal: Point2 = [a[1] - b[1], b[0] - a[0]];
  const away = Math.sign((x - a[0]) * normal[0] + (y - a[1]) * normal[1]) || 1;
  return wallSide([normal[0] * away, normal[1] * away]);
}

/** A place as a crew finds it with a tape: in a room or in one of its walls, so far from the faces of walls. */
export interface TapePlace {
  readonly room: Room | null;
  /** The wall of the room that it is in, or outdoors the side of the house; null where it is in no wall. */
  readonly inWall: WallSide | null;
  /** That wall; null where it is in none or the wall is not known. */
  readonly inWallId: string | null;
  /** The walls to measure from, and how far the first and the last of several places in a line are from each, m. */
  readonly from: readonly {
    readonly side: WallSide;
    /** The wall itself; null where it is measured from an outside corner. */
    readonly wallId: string | null;
    readonly firstM: number;
    readonly lastM: number;
    readonly isCorner?: boolean;
  }[];
}

interface Place {
  readonly levelId: string;
  readonly roomId: string | null;
  readonly wallId: string | null;
  readonly at: readonly number[];
}

/** Where a place is, or a line of places from one to the `last`. */
export function tapePlace(project: ProjectDocument, place: Place, last: readonly number[] = place.at): TapePlace {
  const wall = place.wallId === null ? undefined : project.walls[place.wallId];
  const room = wall ? roomBeside(project, wall) : place.roomId === null ? null : (project.rooms[place.roomId] ?? null);
  const facing = wall ? facingInto(wall, room) : 0;
  const [x, y] = place.at;
  const distances = wallDistancesAt(
    project,
    { levelId: wall?.levelId ?? place.levelId, roomId: room?.id ?? null, x, y, facingRad: facing },
    wall !== undefined,
  );
  return {
    room,
    inWall: wall && room ? wallSide([Math.cos(facing), Math.sin(facing)]) : null,
    inWallId: wall?.id ?? null,
    from: distances.map((one) => ({
      side: wallSide(one.away),
      wallId: one.wall.id,
      firstM: faceDistance(one, [x, y]),
      lastM: faceDistance(one, [last[0], last[1]]),
    })),
  };
}

/** The same for a device. */
export function tapePlaceOf(project: ProjectDocument, device: Device): TapePlace {
  const type = project.deviceTypes[device.typeId];
  const inWall = type !== undefined && attachmentOf(type) === 'wall';
  if (device.roomId === null) {
    const outside = fromOutsideCorner(project, device);
    const houseSide = wallSide([-Math.cos(device.facingRad), -Math.sin(device.facingRad)]);
    if (outside) return { room: null, inWall: houseSide, inWallId: outside.hostId, from: [outside.from] };
  }
  const distances = wallDistancesAt(project, device, inWall);
  return {
    room: device.roomId === null ? null : project.rooms[device.roomId],
    inWall: inWall && device.roomId !== null ? wallSide([Math.cos(device.facingRad), Math.sin(device.facingRad)]) : null,
    inWallId: inWall
      ? (nearestWall(buildingOf(project), device.levelId, [device.x, device.y], ON_WALL_M)?.wall.id ?? null)
      : null,
    from: distances.map(({ away, distanceM, wall }) => ({
      side: wallSide(away),
      wallId: wall.id,
      firstM: Math.max(0, distanceM),
      lastM: Math.max(0, distanceM),
    })),
  };
}

/** A device outdoors is on a wall that is this near to its center line, m. */
const ON_WALL_M = 0.35;
const IN_LINE_M = 0.02;

/**
 * Along the outside of a wall from the nearer corner of the house: walls that go on in line are one face, and its corner is beyond the
 * center lines by half of the wall that meets it there, which is as thick as this one. Null where it is on no wall.
 */
function fromOutsideCorner(
  project: ProjectDocument,
  { levelId, x, y }: Device,
): { readonly hostId: string; readonly from: TapePlace['from'][number] } | null {
  const building = buildingOf(project);
  const host = nearestWall(building, levelId, [x, y], ON_WALL_M)?.wall;
  if (!host) return null;
  const lengthM = wallLength(host);
  const along: Point2 = [(host.b[0] - host.a[0]) / lengthM, (host.b[1] - host.a[1]) / lengthM];
  const alongOf = ([px, py]: Point2) => (px - host.a[0]) * along[0] + (py - host.a[1]) * along[1];
  const asideOf = ([px, py]: Point2) => (py - host.a[1]) * along[0] - (px - host.a[0]) * along[1];
  const inLine = (building.wallsByLevel[levelId] ?? []).filter((wall) =>
    [wall.a, wall.b].every((end) => Math.abs(asideOf(end)) < IN_LINE_M),
  );
  const face = { from: 0, to: lengthM };
  for (let before = -1; before !== face.to - face.from;) {
    before = face.to - face.from;
    for (const { a, b } of inLine) {
      const [low, high] = [Math.min(alongOf(a), alongOf(b)), Math.max(alongOf(a), alongOf(b))];
      if (low > face.to + IN_LINE_M || high < face.from - IN_LINE_M) continue;
      face.from = Math.min(face.from, low);
      face.to = Math.max(face.to, high);
    }
  }
  const at = alongOf([x, y]);
  const isFirst = at - face.from <= face.to - at;
  const distanceM = (isFirst ? at - face.from : face.to - at) + host.thicknessM / 2;
  const side = wallSide(isFirst ? along : [-along[0], -along[1]]);
  return { hostId: host.id, from: { side, wallId: null, firstM: distanceM, lastM: distanceM, isCorner: true } };
}

/** From the finished face of a wall to a point, square to the wall, m; a point in the wall is at its face. */
const faceDistance = ({ wall, away }: WallDistance, [x, y]: Point2): number =>
  Math.max(0, (x - wall.a[0]) * away[0] + (y - wall.a[1]) * away[1] - wall.thicknessM / 2);

const roomBeside = (project: ProjectDocument, wall: Wall): Room | null =>
  onLevel(project, 'rooms', wall.levelId).find((room) => isSideOf(room, wall)) ?? null;

/** The direction that a wall faces into a room; across the wall where there is none. */
function facingInto(wall: Wall, room: Room | null): number {
  const lengthM = wallLength(wall);
  const normal: Point2 = [-(wall.b[1] - wall.a[1]) / lengthM, (wall.b[0] - wall.a[0]) / lengthM];
  const middle = room ? middleOf(room.polygon as Point2[]) : null;
  const into = middle ? (middle[0] - wall.a[0]) * normal[0] + (middle[1] - wall.a[1]) * normal[1] : 1;
  return Math.atan2(normal[1] * Math.sign(into || 1), normal[0] * Math.sign(into || 1));
}
