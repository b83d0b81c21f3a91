import {
  attachmentOf,
  bayAt,
  buildingOf,
  facedSide,
  framingOf,
  openingsOf,
  roomAt,
  wallLength,
  wallPoint,
  type WallSide,
} from '../../house/index.ts';
import { type IdSource, moveDevices, placeAll, type Placed } from '../placing/index.ts';
import { type Outcome, type Point2, tidyM } from '../../math/index.ts';
import {
  type Device,
  type DeviceType,
  newDevice,
  type Operation,
  type ProjectDocument,
  type Room,
  type Wall,
} from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import type { Clash } from './clash.ts';
import { clashesOf, heightOf } from './clashes.ts';
import { lineUps } from './guides.ts';
import { wallPlaceOf } from './on-wall.ts';

/** A place on the face of a wall: from its end a, and above the finished floor of its level, m. */
export interface FacePlace {
  readonly offsetM: number;
  readonly heightM: number;
}

export type FaceGuideKind = 'bay' | 'device' | 'opening' | 'middle' | 'seat' | 'height' | 'usual';

/** A line on the face of a wall that a place lines up with: upright ones stand at an offset, level ones at a height, m. */
export interface FaceGuide {
  readonly kind: FaceGuideKind;
  readonly axis: 'offset' | 'height';
  readonly atM: number;
}

/** So far from the centre line a point belongs to this wall and side, and to no wall that meets it; m. */
const ASIDE_M = 0.01;
const FROM_END_M = 0.03;

/** Unit vector out of a wall on one of its sides. */
function outOf(wall: Wall, side: WallSide): Point2 {
  const lengthM = wallLength(wall);
  const sign = side === 'left' ? 1 : -1;
  return [(-(wall.b[1] - wall.a[1]) / lengthM) * sign, ((wall.b[0] - wall.a[0]) / lengthM) * sign];
}

/** The direction in which a device on one side of a wall faces, rad. */
export function facingFrom(wall: Wall, side: WallSide): number {
  const [nx, ny] = outOf(wall, side);
  return Math.atan2(ny, nx);
}

/** The point of the plan on one side of a wall, at an offset from its end a and so far from its centre line. */
export function besideWall(wall: Wall, side: WallSide, offsetM: number, asideM = ASIDE_M): Point2 {
  const [x, y] = wallPoint(wall, Math.min(wallLength(wall) - FROM_END_M, Math.max(FROM_END_M, offsetM)));
  const [nx, ny] = outOf(wall, side);
  return [x + nx * asideM, y + ny * asideM];
}

/** So far in front of a wall's face a point is in the room that it belongs to, m. */
const IN_ROOM_M = 0.05;

/** The room on one side of a wall, at an offset from its end a; undefined is outdoors. */
export const roomOnSide = (project: ProjectDocument, wall: Wall, side: WallSide, offsetM: number): Room | undefined =>
  roomAt(buildingOf(project), wall.levelId, besideWall(wall, side, offsetM, wall.thicknessM / 2 + IN_ROOM_M));

/** Where a device stands out into its room: at the face of the wall that it hangs on, and so far before it; m. */
export function inFrontOfWall(project: ProjectDocument, device: Device, outM = 0): Point2 {
  const place = attachmentOf(project.deviceTypes[device.typeId]) === 'wall' ? wallPlaceOf(project, device) : null;
  const standsM = place ? place.wall.thicknessM / 2 + outM : 0;
  return [device.x + Math.cos(device.facingRad) * standsM, device.y + Math.sin(device.facingRad) * standsM];
}

/** Where a device is on a wall, and which side it faces; null where it is on another one. */
export function facePlaceOf(
  project: ProjectDocument,
  wall: Wall,
  device: Device,
): (FacePlace & { readonly side: WallSide }) | null {
  const place = wallPlaceOf(project, device);
  if (place?.wall.id !== wall.id) return null;
  return { offsetM: place.offsetM, heightM: heightOf(project, device), side: facedSide(wall, device.facingRad) };
}

/** Puts a device of a type on one side of a wall at a height, with its number and runs. Problems: those of `placeDevice`. */
export function placeOnFace(
  project: ProjectDocument,
  wall: Wall,
  side: WallSide,
  typeId: string,
  { offsetM, heightM }: FacePlace,
  ids: IdSource,
): Outcome<Placed> {
  return placeAll(
    project,
    wall.levelId,
    [{ typeId, at: besideWall(wall, side, offsetM), heightM: tidyM(Math.max(0, heightM)) }],
    ids,
  );
}

/** What would keep a device of a type from being built at a place of a wall: nothing is placed for it. */
export function clashesOnFace(
  project: ProjectDocument,
  wall: Wall,
  side: WallSide,
  typeId: string,
  { offsetM, heightM }: FacePlace,
): Clash[] {
  const [x, y] = wallPoint(wall, offsetM);
  const room = roomOnSide(project, wall, side, offsetM);
  const device = newDevice({
    id: 'ghost',
    typeId,
    levelId: wall.levelId,
    roomId: room?.id ?? null,
    number: 0,
    x,
    y,
    heightM: Math.max(0, heightM),
    facingRad: facingFrom(wall, side),
  });
  return clashesOf(project, device);
}

/** Moves devices along and up a wall, to the side that is looked at. Problems: those of `moveDevices`. */
export function moveOnFace(
  project: ProjectDocument,
  wall: Wall,
  side: WallSide,
  moves: readonly { readonly deviceId: string; readonly to: FacePlace }[],
): Outcome<Operation[]> {
  return moveDevices(
    project,
    moves.map(({ deviceId, to }) => ({
      deviceId,
      to: besideWall(wall, side, to.offsetM),
      heightM: tidyM(Math.max(0, to.heightM)),
    })),
  );
}

/**
 * Draws a place on a wall to the lines that an installer lines boxes up with: upright through other boxes, the middle of a bay,
 * of an opening, of the wall, a seat in front of it; level with other boxes, and the usual height of the type. The nearest on
 * each axis within `reachM`.
 */
export function guideOnFace(
  project: ProjectDocument,
  wall: Wall,
  side: WallSide,
  type: Pick<DeviceType, 'system' | 'defaultHeightM'>,
  place: FacePlace,
  reachM: number,
  without: ReadonlySet<string> = new Set(),
): { readonly place: FacePlace; readonly guides: readonly FaceGuide[] } {
  const building = buildingOf(project);
  const lengthM = wallLength(wall);
  const upright: FaceGuide[] = [{ kind: 'middle', axis: 'offset', atM: lengthM / 2 }];
  const level: FaceGuide[] = type.defaultHeightM === null ? [] : [{ kind: 'usual', axis: 'height', atM: type.defaultHeightM }];
  for (const device of onLevel(project, 'devices', wall.levelId)) {
    if (without.has(device.id)) continue;
    const there = facePlaceOf(project, wall, device);
    if (!there || there.side !== side) continue;
    upright.push({ kind: 'device', axis: 'offset', atM: there.offsetM });
    level.push({ kind: 'height', axis: 'height', atM: there.heightM });
  }
  for (const opening of openingsOf(building, wall)) upright.push({ kind: 'opening', axis: 'offset', atM: opening.offsetM });
  const bay = bayAt(framingOf(project).studs(wall), place.offsetM);
  if (bay) upright.push({ kind: 'bay', axis: 'offset', atM: bay.middleM });
  const room = roomOnSide(project, wall, side, place.offsetM);
  const [ux, uy] = [(wall.b[0] - wall.a[0]) / lengthM, (wall.b[1] - wall.a[1]) / lengthM];
  for (const target of room ? lineUps(project, room, type.system, without) : []) {
    if (target.kind !== 'seat') continue;
    const alongM = (target.at[0] - wall.a[0]) * ux + (target.at[1] - wall.a[1]) * uy;
    if (alongM > 0 && alongM < lengthM) upright.push({ kind: 'seat', axis: 'offset', atM: alongM });
  }
  const nearest = (guides: readonly FaceGuide[], atM: number) =>
    guides
      .filter((guide) => Math.abs(guide.atM - atM) <= reachM)
      .reduce<FaceGuide | null>(
        (best, one) => (!best || Math.abs(one.atM - atM) < Math.abs(best.atM - atM) - 1e-9 ? one : best),
        null,
      );
  const across = nearest(upright, place.offsetM);
  const up = nearest(level, place.heightM);
  return {
    place: { offsetM: tidyM(across?.atM ?? place.offsetM), heightM: tidyM(up?.atM ?? place.heightM) },
    guides: [across, up].filter((guide) => guide !== null),
  };
}
