import { attachmentOf, buildingOf, nearestWall } from '../building/index.ts';
import type { Device, Level, ProjectDocument, Room, Wall } from '../../model/index.ts';

/** One height, from everything that can be measured from on site, m. */
export interface Heights {
  /** Above the finished floor of the level. */
  readonly affM: number;
  /** Above the finished floor of the room, which may lie higher or lower. */
  readonly fromRoomFloorM: number;
  /** Above the subfloor that exists at rough-in. */
  readonly fromSubfloorM: number;
  /** Above (below where negative) the laser line; null where none is struck. */
  readonly fromBenchmarkM: number | null;
}

/** A height above the finished floor of its level, seen from every line of reference. Lengths in m. */
export function heightsOf(
  level: Pick<Level, 'floorBuildUpM' | 'benchmarkM'>,
  room: Pick<Room, 'floorM'> | null,
  affM: number,
): Heights {
  const fromRoomFloorM = affM - (room?.floorM ?? 0);
  return {
    affM,
    fromRoomFloorM,
    fromSubfloorM: fromRoomFloorM + level.floorBuildUpM,
    fromBenchmarkM: level.benchmarkM === null ? null : affM - level.benchmarkM,
  };
}

export type WallSide = 'left' | 'right';

/** What a box or bracket on one side of a wall has in front of and behind the face of the studs, m. */
export interface MountingDepth {
  readonly side: WallSide;
  readonly finish: string;
  /** The front edge of a box, or a bracket's plaster flange, stands out from the stud by so much. */
  readonly setOutM: number;
  readonly cavityM: number;
  /** From the finished face to the back of the cavity: the deepest box or speaker that goes in. */
  readonly deepestM: number;
}

/** The side of a wall that a device with this facing looks out of. */
export function facedSide({ a, b }: Pick<Wall, 'a' | 'b'>, facingRad: number): WallSide {
  const [ux, uy] = [b[0] - a[0], b[1] - a[1]];
  return ux * Math.sin(facingRad) - uy * Math.cos(facingRad) >= 0 ? 'left' : 'right';
}

export function mountingDepth(wall: Wall, side: WallSide): MountingDepth {
  const setOutM = side === 'left' ? wall.finishLeftM : wall.finishRightM;
  const finish = side === 'left' ? wall.finishLeft : wall.finishRight;
  return { side, finish, setOutM, cavityM: wall.cavityDepthM, deepestM: wall.cavityDepthM + setOutM };
}

/** How far from a wall's centre line a device still counts as being on it, m. */
const ON_WALL_M = 0.05;

/** The wall that a device is mounted on, and the depths on the side to which it faces; null where it is on none. */
export function mountOf(project: ProjectDocument, device: Device): (MountingDepth & { readonly wall: Wall }) | null {
  const type = project.deviceTypes[device.typeId];
  if (!type || attachmentOf(type) !== 'wall') return null;
  const place = nearestWall(buildingOf(project), device.levelId, [device.x, device.y], ON_WALL_M);
  if (!place) return null;
  return { wall: place.wall, ...mountingDepth(place.wall, facedSide(place.wall, device.facingRad)) };
}
