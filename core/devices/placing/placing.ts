import { attachmentOf, buildingOf, ceilingHeightOf, onOutline, roomAt, wallLength, wallPoint } from '../../house/index.ts';
import { boundsOf, err, middleOf, ok, type Outcome, type Point2, pointInPolygon, tidyM } from '../../math/index.ts';
import {
  create,
  type Device,
  type Operation,
  type ProjectDocument,
  type Room,
  type RoomTemplate,
  type Run,
  update,
  type Wall,
} from '../../model/index.ts';
import { edited, onLevel, withRecords } from '../../derive/index.ts';
import { addRuns } from './single-runs.ts';
import { pairSpeakers } from './speaker-pairs.ts';
import type { Overlap } from '../../calculators/index.ts';
import { EAR_M, speakerGrid, type SpeakerGrid } from './coverage.ts';
import { moveDevices, placeDevice } from './place.ts';

/** Ids come in from outside. */
export interface IdSource {
  readonly device: () => string;
  readonly run: () => string;
}

export interface Placed {
  readonly devices: readonly Device[];
  readonly operations: readonly Operation[];
}

export interface Wanted {
  readonly typeId: string;
  readonly at: Point2;
  /** For what hangs free: in a wall it faces the room. */
  readonly facingRad?: number;
  /** Of the recipe, counted from 1, where they are not the usual ones. */
  readonly legs?: readonly number[];
  /** What each of its runs has instead of what the recipe says. */
  readonly runAs?: (run: Run) => Partial<Run>;
  /** Runs beside those of the recipe. */
  readonly added?: readonly Partial<Run>[];
  readonly heightM?: number | null;
  readonly name?: string;
  readonly more?: Partial<Device>;
}

/** Places several devices in one change, each with its number and runs; `holder` as with `placeDevice`. Problems: those of `placeDevice`. */
export function placeAll(
  project: ProjectDocument,
  levelId: string,
  wanted: readonly Wanted[],
  ids: IdSource,
  holder?: string,
): Outcome<Placed> {
  let working = project;
  const devices: Device[] = [];
  const operations: Operation[] = [];
  for (const { typeId, at, facingRad, legs, runAs, added = [], heightM, name, more } of wanted) {
    const where = { typeId, levelId, at, facingRad, legs, holder };
    const placed = placeDevice(working, where, { device: ids.device(), run: () => ids.run() });
    if (!placed.ok) return placed;
    const device: Device = {
      ...placed.value.device,
      ...(heightM === undefined ? {} : { heightM }),
      ...(name ? { name } : {}),
      ...more,
    };
    const runs: Run[] = placed.value.runs.map((run) => ({ ...run, ...runAs?.(run) }));
    devices.push(device);
    operations.push(create('devices', device), ...runs.map((run) => create('runs', run)));
    working = withRecords(withRecords(working, 'devices', [device]), 'runs', runs);
    for (const what of added) {
      const one = addRuns(working, [device.id], { cableTypeId: what.cableTypeId! }, () => ids.run());
      if (!one.ok) continue;
      const run = { ...one.value.runs[0], ...what };
      operations.push(create('runs', run));
      working = withRecords(working, 'runs', [run]);
    }
  }
  return ok({ devices, operations });
}

/** An even field of ceiling speakers for a room, with the figures it comes from. */
export function coverRoom(
  project: ProjectDocument,
  roomId: string,
  typeId: string,
  overlap: Overlap,
  ear: keyof typeof EAR_M,
): Outcome<SpeakerGrid & { readonly at: readonly Point2[] }> {
  const room = project.rooms[roomId];
  const type = project.deviceTypes[typeId];
  if (!room) return err('record-gone', { in: 'rooms', id: roomId });
  if (!type || attachmentOf(type) !== 'ceiling')
    return err('type-not-for-ceiling', { kind: 'invalid', field: 'typeId', name: type?.name ?? typeId });
  const box = boundsOf(room.polygon as Point2[])!;
  const found = speakerGrid({
    lengthM: box.maxX - box.minX,
    widthM: box.maxY - box.minY,
    ceilingM: ceilingHeightOf(room, project.levels[room.levelId]),
    earM: EAR_M[ear],
    coverageRad: type.coverageRad ?? Math.PI / 2,
    overlap,
  });
  if (!found.ok) return found;
  const at = found.value.places
    .map(([x, y]): Point2 => [tidyM(box.minX + x), tidyM(box.minY + y)])
    .filter((p) => pointInPolygon(p, room.polygon as Point2[]));
  return ok({ ...found.value, at });
}

export type Axis = 'x' | 'y';

/** A place mirrored at the middle of a room: left to right (`x`) or front to back (`y`). */
export function mirroredPlace(room: Room, at: Point2, axis: Axis): Point2 {
  const [cx, cy] = middleOf(room.polygon as Point2[]);
  return axis === 'x' ? [tidyM(2 * cx - at[0]), at[1]] : [at[0], tidyM(2 * cy - at[1])];
}

/**
 * The mirror image of a device on the other side of its room, with runs of its own. On the wall opposite it may be kept as a
 * spare ("wire both walls": the lead is pulled and stored until it is known which wall holds).
 * Problems: `not-in-a-room`, those of `placeDevice`.
 */
export function mirrorDevice(
  project: ProjectDocument,
  deviceId: string,
  axis: Axis,
  as: 'pair' | 'spare',
  ids: IdSource,
): Outcome<Placed> {
  const device = project.devices[deviceId];
  const room = device?.roomId ? project.rooms[device.roomId] : undefined;
  if (!device || !room) return err('not-in-a-room', { kind: 'invalid', field: 'device' });
  const at = mirroredPlace(room, [device.x, device.y], axis);
  // A wall device must fall on the side of the wall that faces the room.
  const [cx, cy] = middleOf(room.polygon as Point2[]);
  const inward: Point2 = [at[0] + (cx - at[0]) * 0.02, at[1] + (cy - at[1]) * 0.02];
  const more: Partial<Device> = {
    mountTypeId: device.mountTypeId,
    finish: device.finish,
    wishes: device.wishes,
    ...(as === 'spare' ? { fitting: 'spare' } : {}),
  };
  const placed = placeAll(project, device.levelId, [{ typeId: device.typeId, at: inward, heightM: device.heightM, more }], ids);
  if (!placed.ok || as !== 'pair' || project.project.speakerPairs !== 'four-conductor') return placed;
  const twin = edited(project, placed.value.operations);
  const paired = twin.ok ? pairSpeakers(twin.value, [deviceId, placed.value.devices[0].id]) : twin;
  // What is no speaker, or is issued already, stays on its own cable.
  return paired.ok ? ok({ ...placed.value, operations: [...placed.value.operations, ...paired.value] }) : placed;
}

/** Lays an even field of ceiling speakers into a room, in one change. Problems: those of `coverRoom` and `placeAll`. */
export function placeField(
  project: ProjectDocument,
  roomId: string,
  typeId: string,
  overlap: Overlap,
  ear: keyof typeof EAR_M,
  ids: IdSource,
): Outcome<Placed> {
  const covered = coverRoom(project, roomId, typeId, overlap, ear);
  if (!covered.ok) return covered;
  return placeAll(
    project,
    project.rooms[roomId].levelId,
    covered.value.at.map((at) => ({ typeId, at })),
    ids,
  );
}

/** Distance of a device from one of the walls around it: from the finished face, m. */
export interface WallDistance {
  readonly wall: Wall;
  readonly distanceM: number;
  /** Unit vector from the wall to the device. */
  readonly away: Point2;
}

const ON_WALL_M = 0.35;
/** The outline of a room is this near to the centerlines of its walls, m. */
const SIDE_M = 0.1;

/** The two walls that a device is measured from on site: the nearest one, and the nearest that is not parallel to it. */
export const wallDistances = (project: ProjectDocument, device: Device): WallDistance[] =>
  wallDistancesAt(project, device, attachmentOf(project.deviceTypes[device.typeId]) === 'wall');

/**
 * The same for any place; one that is on a wall is measured from the nearest wall beside it alone, and one that is in no room from the
 * walls that it stands before, whatever they enclose.
 */
export function wallDistancesAt(
  project: ProjectDocument,
  device: Pick<Device, 'levelId' | 'roomId' | 'x' | 'y' | 'facingRad'>,
  onWall: boolean,
): WallDistance[] {
  const building = buildingOf(project);
  const room = device.roomId === null ? roomAt(building, device.levelId, [device.x, device.y]) : project.rooms[device.roomId];
  const p: Point2 = [device.x, device.y];
  const around = (building.wallsByLevel[device.levelId] ?? []).flatMap((wall): WallDistance[] => {
    const lengthM = wallLength(wall);
    const alongM = ((p[0] - wall.a[0]) * (wall.b[0] - wall.a[0]) + (p[1] - wall.a[1]) * (wall.b[1] - wall.a[1])) / lengthM;
    // A tape goes square to the wall: its other end must be there, and in the room.
    if (alongM < -SIDE_M || alongM > lengthM + SIDE_M || (room && !onOutline(room, wallPoint(wall, alongM), SIDE_M))) return [];
    const normal: Point2 = [-(wall.b[1] - wall.a[1]) / lengthM, (wall.b[0] - wall.a[0]) / lengthM];
    const asideM = (p[0] - wall.a[0]) * normal[0] + (p[1] - wall.a[1]) * normal[1];
    // Its own wall, and those that go on in line with it, are nothing to measure from.
    if (
      onWall &&
      Math.abs(asideM) < ON_WALL_M &&
      Math.abs(Math.cos(device.facingRad) * normal[0] + Math.sin(device.facingRad) * normal[1]) > 0.7
    )
      return [];
    const side = asideM >= 0 ? 1 : -1;
    return [{ wall, distanceM: Math.abs(asideM) - wall.thicknessM / 2, away: [normal[0] * side, normal[1] * side] }];
  });
  around.sort((a, b) => a.distanceM - b.distanceM || (a.wall.id < b.wall.id ? -1 : 1));
  const [first] = around;
  if (!first) return [];
  const crossing = around.find(({ away }) => Math.abs(away[0] * first.away[0] + away[1] * first.away[1]) < 0.7);
  return onWall || !crossing ? [first] : [first, crossing];
}

/** Moves a device so that it is a typed distance from the face of a wall, m. Problems: `record-gone`, those of `moveDevices`. */
export function setWallDistance(
  project: ProjectDocument,
  deviceId: string,
  wallId: string,
  distanceM: number,
): Outcome<Operation[]> {
  const device = project.devices[deviceId];
  const known = device && wallDistances(project, device).find(({ wall }) => wall.id === wallId);
  if (!known) return err('record-gone', { in: 'walls', id: wallId });
  const by = distanceM - known.distanceM;
  return moveDevices(project, [{ deviceId, to: [tidyM(device.x + known.away[0] * by), tidyM(device.y + known.away[1] * by)] }]);
}

/** Turns devices towards a point of their level. */
export function aimAt(project: ProjectDocument, deviceIds: readonly string[], at: Point2): Operation[] {
  return deviceIds.flatMap((id) => {
    const device = project.devices[id];
    const operation = device && update('devices', device, { facingRad: Math.atan2(at[1] - device.y, at[0] - device.x) });
    return operation ? [operation] : [];
  });
}

/** Sets several devices to one height: that of the first. */
export function alignHeights(project: ProjectDocument, deviceIds: readonly string[]): Operation[] {
  const [first, ...rest] = deviceIds.flatMap((id) => project.devices[id] ?? []);
  return rest.flatMap((device) => {
    const operation = update('devices', device, { heightM: first.heightM });
    return operation ? [operation] : [];
  });
}

/** Where a place is in the box of a room: shares of its width and depth, 0 to 1. */
export function shareIn({ polygon }: Pick<Room, 'polygon'>, [x, y]: Point2): Point2 {
  const { minX, minY, maxX, maxY } = boundsOf(polygon as Point2[])!;
  const share = (value: number, low: number, high: number) => Math.min(1, Math.max(0, (value - low) / (high - low)));
  return [share(x, minX, maxX), share(y, minY, maxY)];
}

/** The place at such shares of a room, a little inward, so that what is on a wall faces the room. */
export function placeAtShare({ polygon }: Pick<Room, 'polygon'>, [along, across]: Point2): Point2 {
  const { minX, minY, maxX, maxY } = boundsOf(polygon as Point2[])!;
  const [cx, cy] = middleOf(polygon as Point2[]);
  const at: Point2 = [minX + along * (maxX - minX), minY + across * (maxY - minY)];
  return [at[0] + (cx - at[0]) * 0.02, at[1] + (cy - at[1]) * 0.02];
}

/** The devices of a room as a template; places are shares of the room's box. */
export function templateOf(project: ProjectDocument, roomId: string, id: string, name: string): RoomTemplate {
  const room = project.rooms[roomId];
  return {
    id,
    name,
    use: room.use,
    cells: Object.values(project.briefCells)
      .filter((cell) => cell.roomId === roomId)
      .map(({ topic, answer, count }) => ({ topic, answer, count })),
    devices: onLevel(project, 'devices', room.levelId)
      .filter((device) => device.roomId === roomId)
      .slice(0, 200)
      .map(({ typeId, name: own, x, y, heightM }) => {
        const [alongShare, acrossShare] = shareIn(room, [x, y]);
        return { typeId, name: own, alongShare, acrossShare, heightM };
      }),
  };
}

/** Lays the devices of a template into a room; types that the project no longer has are left out and named. */
export function applyTemplate(
  project: ProjectDocument,
  roomId: string,
  template: RoomTemplate,
  ids: IdSource,
): Outcome<Placed & { readonly missing: readonly string[] }> {
  const room = project.rooms[roomId];
  if (!room) return err('record-gone', { in: 'rooms', id: roomId });
  const missing = template.devices.filter(({ typeId }) => !project.deviceTypes[typeId]).map(({ typeId }) => typeId);
  const wanted = template.devices
    .filter(({ typeId }) => project.deviceTypes[typeId])
    .map(({ typeId, name, alongShare, acrossShare, heightM }): Wanted => {
      return { typeId, name, heightM, at: placeAtShare(room, [alongShare, acrossShare]) };
    });
  const placed = placeAll(project, room.levelId, wanted, ids);
  return placed.ok ? ok({ ...placed.value, missing: [...new Set(missing)] }) : placed;
}
