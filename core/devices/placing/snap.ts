import { attachmentOf, type Building, nearestWall, roomAt } from '../../house/index.ts';
import { closestOnSegment, type Point2, tidyM } from '../../math/index.ts';
import type { DeviceType, Room } from '../../model/index.ts';

/** Where a device ends up when it is dropped at a point. */
export interface Snapped {
  readonly x: number;
  readonly y: number;
  readonly roomId: string | null;
  readonly facingRad: number | null;
}

/** A wall device is drawn to a wall this near, m. */
const WALL_PULL_M = 1;

/**
 * A wall device lies on the wall's centre line, faces and belongs to the room on the side it was dropped on;
 * anything else lies where it is dropped. Metres.
 */
export function snapDevice(
  building: Building,
  levelId: string,
  type: Pick<DeviceType, 'mount'>,
  p: Point2,
  facingNowRad?: number,
): Snapped {
  const place = attachmentOf(type) === 'wall' ? nearestWall(building, levelId, p, WALL_PULL_M) : undefined;
  if (!place) return { x: p[0], y: p[1], roomId: roomAt(building, levelId, p)?.id ?? null, facingRad: null };
  const { wall, point } = place;
  const normal = Math.atan2(wall.b[0] - wall.a[0], wall.a[1] - wall.b[1]);
  const asideM = (p[0] - point[0]) * Math.cos(normal) + (p[1] - point[1]) * Math.sin(normal);
  // Inside the wall's thickness the pointer says nothing about the side: a device that faces one keeps it.
  const keeps = facingNowRad !== undefined && Math.abs(asideM) <= wall.thicknessM / 2;
  const side = (keeps ? Math.cos(facingNowRad - normal) : asideM) < -1e-9 ? -1 : 1;
  const facingRad = normalise(side > 0 ? normal : normal + Math.PI);
  return {
    x: tidyM(point[0]),
    y: tidyM(point[1]),
    roomId: facedRoom(building, levelId, point, facingRad, wall.thicknessM)?.id ?? null,
    facingRad,
  };
}

/** The room that a wall device at `point` faces. */
function facedRoom(building: Building, levelId: string, point: Point2, facingRad: number, thicknessM: number): Room | undefined {
  const reach = thicknessM / 2 + 0.05;
  const q: Point2 = [point[0] + Math.cos(facingRad) * reach, point[1] + Math.sin(facingRad) * reach];
  return roomAt(building, levelId, q);
}

/** The direction away from the nearest outline side of a room, for things that hang free. */
export function facingFor(room: Room | undefined, p: Point2): number {
  if (!room) return 0;
  let best = { distanceM: Infinity, point: p };
  for (let i = 0; i < room.polygon.length; i++) {
    const near = closestOnSegment(p, room.polygon[i] as Point2, room.polygon[(i + 1) % room.polygon.length] as Point2);
    if (near.distanceM < best.distanceM) best = near;
  }
  return best.distanceM < 1e-9 ? 0 : Math.atan2(p[1] - best.point[1], p[0] - best.point[0]);
}

const normalise = (angleRad: number) => Math.atan2(Math.sin(angleRad), Math.cos(angleRad));
