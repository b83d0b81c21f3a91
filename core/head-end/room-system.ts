import { derivationsOf, edited, listOf } from '../derive/index.ts';
import { atHeadEnd, freeRackCode, rackPlace, runsFor } from '../devices/index.ts';
import { buildingOf, nearestWall, roomAt } from '../house/index.ts';
import { err, ok, type Outcome, type Point2 } from '../math/index.ts';
import {
  create,
  type Device,
  type Leg,
  newRack,
  type Operation,
  type ProjectDocument,
  type Rack,
  type Run,
  update,
} from '../model/index.ts';
import { isKept, runsByDevice } from '../runs/index.ts';
import { designHeadEnd, freeName } from './design.ts';
import { newEquipment, presetOf } from './library.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { takesPicture } from './signal-paths.ts';

/** What plays in a room with a system of its own: a receiver for its speakers, or a sound bar with the house's speakers beside it. */
export const ROOM_SYSTEMS = ['receiver', 'sound-bar'] as const;
export type RoomSystemKind = (typeof ROOM_SYSTEMS)[number];

export interface RoomSystem {
  readonly operations: readonly Operation[];
  readonly rackId: string;
  /** Runs that now end in the room. */
  readonly moved: number;
  /** Runs of the room that stay where they are: issued or further. */
  readonly kept: readonly string[];
}

/** Furniture under a display: m, and the height at which cables enter above finished floor, m. */
const CABINET = { widthM: 0.6, depthM: 0.55, units: 12, entryHeightM: 0.4 } as const;
/** A receiver drives this many channels. */
const RECEIVER_CHANNELS = 9;

/**
 * Gives a room a system of its own: a cabinet at its display in which its speaker cables and a lead for pictures end, with receiver or sound
 * bar, source and power. Issued runs stay. Problems: `room-without-display`, `room-without-speakers`, `room-has-cabinet`, those of `designHeadEnd`.
 */
export function planRoomSystem(
  project: ProjectDocument,
  roomId: string,
  kind: RoomSystemKind,
  prefix: string,
): Outcome<RoomSystem> {
  const { needs } = derivationsOf(project).get(HEAD_END_PARTS);
  const room = project.rooms[roomId];
  if (!room) return err('record-gone', { in: 'rooms', id: roomId });
  const display = listOf(project, 'devices').find((one) => one.roomId === roomId && showsPictures(project, one));
  const said = { kind: 'infeasible', field: 'roomId', room: room.name } as const;
  if (!display) return err('room-without-display', said);
  const speakers = needs.filter((need) => need.kind === 'speaker' && need.roomId === roomId && !need.isLine);
  if (speakers.length === 0) return err('room-without-speakers', said);
  if (speakers.some(({ rackId }) => project.racks[rackId].kind === 'cabinet')) return err('room-has-cabinet', said);
  const names = new Set(listOf(project, 'racks').map(({ name }) => name));
  let count = 0;
  const newId = () => `${prefix}-${++count}`;
  const rack = newRack({
    ...{
      id: newId(),
      levelId: display.levelId,
      name: freeName(`${room.name} cabinet`, names),
      code: freeRackCode(project),
      kind: 'cabinet',
    },
    ...rackPlace(project, display.levelId, before(project, display), CABINET),
    ...{ units: CABINET.units, entryHeightM: CABINET.entryHeightM },
  });
  const placed = edited(project, [create('racks', rack)]);
  if (!placed.ok) return placed;
  const wanted = needs.filter(
    (need) =>
      need.roomId === roomId && !need.isLine && (need.kind === 'speaker' || need.kind === 'line' || need.kind === 'video'),
  );
  const [moving, kept] = [
    wanted.filter(({ runId }) => !isKept(project.runs[runId])),
    wanted.filter(({ runId }) => isKept(project.runs[runId])),
  ];
  const lead = moving.some((need) => need.deviceId === display.id && need.kind === 'video')
    ? []
    : pictureLead(placed.value, display, rack, newId());
  const channels = moving.filter((need) => need.kind === 'speaker').reduce((sum, { ports }) => sum + ports, 0);
  const presets =
    kind === 'receiver' ? [channels > RECEIVER_CHANNELS ? 'receiver-11' : 'receiver-9', 'source-1u'] : ['sound-bar', 'source-1u'];
  const operations: Operation[] = [
    create('racks', rack),
    ...moving.flatMap(
      ({ runId }) => update('runs', project.runs[runId], atHeadEnd(placed.value, project.runs[runId], rack)) ?? [],
    ),
    ...lead.map((run) => create('runs', run)),
    ...presets.map((presetId) => create('equipment', newEquipment(presetOf(presetId)!, { id: newId(), rackId: rack.id }))),
  ];
  const moved = edited(project, operations);
  if (!moved.ok) return moved;
  const designed = designHeadEnd(moved.value, rack.id, newId);
  if (!designed.ok) return designed;
  return ok({
    operations: [...operations, ...designed.value.operations],
    ...{ rackId: rack.id, moved: moving.length, kept: kept.map(({ number }) => number) },
  });
}

/** Before the wall of a display, m. */
const BEFORE_M = 0.3;

/** A point of the room before the wall at which a display hangs. */
function before(project: ProjectDocument, { levelId, roomId, x, y }: Device): Point2 {
  const building = buildingOf(project);
  const wall = nearestWall(building, levelId, [x, y], BEFORE_M)?.wall;
  if (!wall) return [x, y];
  const along = Math.atan2(wall.b[1] - wall.a[1], wall.b[0] - wall.a[0]);
  const sides = [1, -1].map((side): Point2 => [x - side * BEFORE_M * Math.sin(along), y + side * BEFORE_M * Math.cos(along)]);
  return sides.find((at) => roomAt(building, levelId, at)?.id === roomId) ?? [x, y];
}

/** A display or projector; its connection box is none. */
const showsPictures = ({ deviceTypes }: ProjectDocument, { typeId, fitting }: Device): boolean =>
  fitting !== 'spare' && typeId !== 'connection-box' && takesPicture(deviceTypes[typeId]);

/** A lead for pictures from the display to the cabinet, where it has none; empty where the library has no such cable. */
function pictureLead(project: ProjectDocument, display: Device, rack: Rack, id: string): Run[] {
  const cableTypeId = ['hdmi_passive_24', 'hdmi_fibre'].find((one) => project.cableTypes[one]);
  if (!cableTypeId) return [];
  const own = runsByDevice(project).get(display.id) ?? [];
  const leg: Leg = {
    ...{ cableTypeId, purpose: 'picture', slackM: 1, to: 'rack', toTypeId: null, mapId: null, optional: false },
    ...{ deviceConnector: 'picture plug', farConnector: 'picture plug' },
  };
  const number = 1 + Math.max(0, project.deviceTypes[display.typeId].cables.length, ...own.map((run) => run.leg));
  return runsFor(project, display, [{ leg, number }], () => id).map((run) => ({ ...run, ...atHeadEnd(project, run, rack) }));
}
