import { attachmentOf } from '../../house/index.ts';
import { boundsOf, err, middleOf, type Outcome, type Point2, tidyM } from '../../math/index.ts';
import type { Device, ProjectDocument, Room, Run } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import { runsByDevice } from '../../runs/index.ts';
import { type IdSource, placeAll, placeAtShare, type Placed, shareIn, type Wanted } from './placing.ts';

/** Devices taken from a plan to be set down elsewhere, as they were then, with the runs that they had. */
export interface DeviceClip {
  readonly devices: readonly Device[];
  readonly runs: readonly Run[];
  /** The room that all of them were in; null where they were in several. */
  readonly room: Room | null;
}

/** Where copies go: the middle of all of them to a point, all straight above or below where they were, or into another room. */
export type CopyPlace =
  | { readonly kind: 'at'; readonly levelId: string; readonly at: Point2 }
  | { readonly kind: 'level'; readonly levelId: string }
  | { readonly kind: 'room'; readonly roomId: string };

export const deviceIdsOn = (project: ProjectDocument, levelId: string): string[] =>
  onLevel(project, 'devices', levelId).map(({ id }) => id);

export const deviceIdsIn = (project: ProjectDocument, room: Pick<Room, 'id' | 'levelId'>): string[] =>
  onLevel(project, 'devices', room.levelId).flatMap(({ id, roomId }) => (roomId === room.id ? [id] : []));

export function clipOfDevices(project: ProjectDocument, ids: readonly string[]): DeviceClip {
  const devices = ids.flatMap((id) => project.devices[id] ?? []);
  const roomId = devices[0]?.roomId ?? null;
  const isOneRoom = roomId !== null && devices.every((device) => device.roomId === roomId);
  return {
    devices,
    runs: devices.flatMap(({ id }) => runsByDevice(project).get(id) ?? []),
    room: isOneRoom ? project.rooms[roomId] : null,
  };
}

/** A device in a wall is put down this far before the face it looks from, m: so it takes that side of the wall. */
const BEFORE_WALL_M = 0.15;

/** Where each of the copies is put down, before a wall draws it to itself. m. */
export function copyPlaces(project: ProjectDocument, clip: DeviceClip, to: CopyPlace): Point2[] {
  const shift = motionOf(project, clip, to);
  return clip.devices.map((device) => {
    const [x, y] = shift([
      device.x + Math.cos(device.facingRad) * BEFORE_WALL_M,
      device.y + Math.sin(device.facingRad) * BEFORE_WALL_M,
    ]);
    const plain = shift([device.x, device.y]);
    return isInWall(project, device) ? [tidyM(x), tidyM(y)] : [tidyM(plain[0]), tidyM(plain[1])];
  });
}

const isInWall = (project: ProjectDocument, { typeId }: Device): boolean =>
  project.deviceTypes[typeId] !== undefined && attachmentOf(project.deviceTypes[typeId]) === 'wall';

function motionOf(project: ProjectDocument, clip: DeviceClip, to: CopyPlace): (p: Point2) => Point2 {
  if (to.kind === 'level') return (p) => p;
  if (to.kind === 'room' && clip.room) {
    const [from, into] = [clip.room, project.rooms[to.roomId]];
    return (p) => placeAtShare(into, shareIn(from, p));
  }
  const box = boundsOf(clip.devices.map(({ x, y }): Point2 => [x, y]));
  const at: Point2 = to.kind === 'at' ? to.at : middleOf(project.rooms[to.roomId].polygon as Point2[]);
  const by: Point2 = box ? [at[0] - (box.minX + box.maxX) / 2, at[1] - (box.minY + box.maxY) / 2] : [0, 0];
  return ([x, y]) => [x + by[0], y + by[1]];
}

/**
 * Sets copies of devices down: each with its type, height, mount, finish and the legs that the first had, but with a number, labels
 * and runs of its own, drafted. Problems: `type-missing`, `level-missing`, `record-gone` for a room that is gone.
 */
export function pasteDevices(
  project: ProjectDocument,
  clip: DeviceClip,
  to: CopyPlace,
  ids: IdSource,
  holder?: string,
): Outcome<Placed> {
  if (to.kind === 'room' && !project.rooms[to.roomId]) return err('record-gone', { in: 'rooms', id: to.roomId });
  const levelId = to.kind === 'room' ? project.rooms[to.roomId].levelId : to.levelId;
  const places = copyPlaces(project, clip, to);
  const wanted = clip.devices.map((first, index): Wanted => {
    const runs = clip.runs.filter((run) => run.deviceId === first.id);
    return {
      ...{ typeId: first.typeId, at: places[index], facingRad: first.facingRad, more: keptOf(project, first, levelId) },
      legs: runs.length > 0 ? runs.flatMap(({ recipeLeg }) => recipeLeg ?? []) : undefined,
      runAs: ({ recipeLeg }) => cableOf(runs.find((run) => run.recipeLeg === recipeLeg)),
      added: runs.filter((run) => run.recipeLeg === null).map(cableOf),
    };
  });
  return placeAll(project, levelId, wanted, ids, holder);
}

/** What a copy has from the first one. What belongs to a piece of furniture does so on its own level only. */
const keptOf = (project: ProjectDocument, first: Device, levelId: string): Partial<Device> => ({
  name: first.name,
  heightM: first.heightM,
  belongsTo: first.belongsTo !== null && project.features[first.belongsTo]?.levelId === levelId ? first.belongsTo : null,
  fitting: first.fitting,
  phaseId: first.phaseId !== null && project.phases[first.phaseId] ? first.phaseId : null,
  mountTypeId: first.mountTypeId,
  finish: first.finish,
  wishes: first.wishes,
  tailM: first.tailM,
  leftOut: first.leftOut,
});

const cableOf = (run: Run | undefined): Partial<Run> =>
  run
    ? {
        cableTypeId: run.cableTypeId,
        purpose: run.purpose,
        deviceConnector: run.deviceConnector,
        farConnector: run.farConnector,
        mapId: run.mapId,
        deviceSlackM: run.deviceSlackM,
        ...(run.recipeLeg === null ? { reason: run.reason, price: run.price } : {}),
      }
    : {};
