import { besideWall, type Clash, clashesOf, CURED_BY_MOVING, facingFrom, inFrontOfWall, wallPlaceOf } from '../devices/index.ts';
import { canBeChannel, typeForChannel } from '../brief/index.ts';
import { attachmentOf, bayMiddles, ceilingHeightAt, clearOutline, framingOf, wallLength, wallsAround } from '../house/index.ts';
import { boundsOf, type Point2, pointInPolygon, rotate2, tidyM } from '../math/index.ts';
import {
  type Device,
  newDevice,
  type ProjectDocument,
  type Room,
  type SurroundChannel,
  type TheatreAim,
  type Wall,
} from '../model/index.ts';
import { channelAtSeat, type ChannelWindow } from './channel-at-seat.ts';
import { columnOf, heardFrom } from './channel-figures.ts';
import { fromMiddle } from './middle-line.ts';
import type { Picture } from './picture.ts';
import type { Seat } from './seats.ts';
import type { CandidatePlace } from './solve-layout.ts';

/** A place for a speaker of a channel, with the device as it would stand there. */
export interface SpeakerPlace extends CandidatePlace {
  readonly device: Device;
}

/** Places that are looked at for a channel; more are left out, those farthest from its window first. */
const MOST_PLACES = 24;
/** Places along a bay of a ceiling, and along walls without studs, m. */
const STEP_M = 0.2;
/** Heights of a speaker on a wall over the ears of the reference seat, m: in the window first, then over heads. */
const OVER_EAR_M = [0.1, 0.6, 1.15];
/** Hours that something to be judged costs at a place, and to move a speaker that hangs already. */
const JUDGED_H = 0.5;
const MOVED_H = 0.5;
const FROM_END_M = 0.15;
/** Between the frame of a picture and a speaker under or over it, m. */
const FROM_FRAME_M = 0.05;

export interface Where {
  readonly project: ProjectDocument;
  readonly room: Room;
  readonly seats: readonly Seat[];
  readonly reference: Seat;
  readonly picture: Picture;
  readonly aim: TheatreAim;
}

/** The type that a channel gets: that of its speaker, else the usual one; a center beside a picture without holes is a small one. */
function typeOfChannel({ project, picture, aim }: Where, channel: SurroundChannel, device: Device | null): string | null {
  if (device && canBeChannel(project.deviceTypes[device.typeId], channel)) return device.typeId;
  // A column and the space behind panels take a speaker that hangs on its wall: nothing is cut.
  const isHidden = columnOf(channel, aim) > 0 || (aim.frontWall === 'panels' && /^(front|center)/.test(channel));
  if (isHidden && project.deviceTypes[ON_BRACKET]) return ON_BRACKET;
  const small = project.deviceTypes['wall-speaker'];
  return channel === 'center' && picture.weaveMm === null && small ? small.id : typeForChannel(project, channel);
}

/**
 * Places where a speaker of a channel could be built: bays of walls at some heights, or of the ceiling, nearest to its window first, and
 * where it hangs now as the first of all. Each is judged as it would be on the plan; what keeps it from being built stands beside it.
 */
export function candidatesFor(
  where: Where,
  channel: SurroundChannel,
  device: Device | null,
  window: ChannelWindow | null,
): SpeakerPlace[] {
  const typeId = typeOfChannel(where, channel, device);
  if (typeId === null) return [];
  const own =
    device && device.roomId === where.room.id
      ? [placeOf(where, device, { workH: 0, columnM: columnOf(channel, where.aim) })]
      : [];
  const places = placesOf(where, channel, { device, typeId, window });
  // Where nothing goes into the wall, a speaker on a bracket may hang on it.
  const onBracket = where.project.deviceTypes[ON_BRACKET];
  if (
    device ||
    !onBracket ||
    onBracket.id === typeId ||
    channel.startsWith('top') ||
    places.some(({ refused }) => refused === null)
  )
    return [...own, ...places];
  return [...places, ...placesOf(where, channel, { device, typeId: onBracket.id, window })];
}

/** The type that hangs on a wall which has no cavity. */
const ON_BRACKET = 'surface-speaker';
/** A speaker of the middle stands at most so far from the middle line, m. */
const NEAR_MIDDLE_M = 0.5;

interface Speaker {
  readonly device: Device | null;
  readonly typeId: string;
  readonly window: ChannelWindow | null;
}

/** Places of a type on the side of a channel, nearest to its window first. */
function placesOf(where: Where, channel: SurroundChannel, { device, typeId, window }: Speaker): SpeakerPlace[] {
  const { project, room, picture } = where;
  const columnM = columnOf(channel, where.aim);
  const attachment = attachmentOf(project.deviceTypes[typeId]);
  const devices =
    attachment === 'ceiling' ? onCeiling(where, typeId) : attachment === 'wall' ? onWalls(where, typeId, channel) : [];
  const from = fromMiddle(picture.middle, picture.facingDeg);
  const side = sideOf(channel);
  return devices
    .filter((one) => {
      const { asideM } = from(heardFrom(project, room, one, columnM));
      return side === 0 ? Math.abs(asideM) < NEAR_MIDDLE_M : asideM * side > 0;
    })
    .map((one) => ({ one, off: offWindow(where, one, window, columnM) }))
    .sort((a, b) => a.off - b.off || a.one.x - b.one.x || a.one.y - b.one.y || (a.one.heightM ?? 0) - (b.one.heightM ?? 0))
    .slice(0, MOST_PLACES)
    .map(({ one }) =>
      placeOf(where, device ? { ...one, id: device.id, number: device.number } : one, { workH: device ? MOVED_H : 0, columnM }),
    );
}

/** Where a device would be heard from, what keeps it from being built, and the work that it takes. */
function placeOf(
  { project, room }: Where,
  device: Device,
  { workH, columnM }: { readonly workH: number; readonly columnM: number },
): SpeakerPlace {
  const clashes = clashesOf(project, device);
  const refused = clashes.find(isRefusal)?.code ?? null;
  return { device, at: heardFrom(project, room, device, columnM), refused, work: workH + JUDGED_H * clashes.length };
}

const isRefusal = ({ rank, code }: Clash): boolean => rank === 'stop' || CURED_BY_MOVING.has(code);

/** How far a place is from the window of its channel for the reference seat, degrees. */
function offWindow(
  { project, room, reference, picture: { facingDeg } }: Where,
  device: Device,
  window: ChannelWindow | null,
  columnM: number,
): number {
  const at = heardFrom(project, room, device, columnM);
  const found = channelAtSeat(at, reference, { window, facingDeg, blocks: [] });
  const middle = window ? (window.mainDeg[0] + window.mainDeg[1]) / 2 : 0;
  const main = window?.isOverhead ? (found.overheadDeg ?? 180) : Math.abs(found.azimuthDeg);
  return Math.hypot(found.beyondDeg, found.elevationBeyondDeg) + Math.abs(main - middle) / 100;
}

/** On which side of the middle line a channel belongs: -1 left, 1 right, 0 on it. */
const sideOf = (channel: SurroundChannel): -1 | 0 | 1 => (channel.endsWith('-left') ? -1 : channel.endsWith('-right') ? 1 : 0);

const made = ({ room }: Where, typeId: string, [x, y]: Point2, more: Partial<Device>): Device => ({
  ...newDevice({
    id: 'candidate',
    typeId,
    levelId: room.levelId,
    roomId: room.id,
    number: 0,
    x: tidyM(x),
    y: tidyM(y),
    facingRad: 0,
  }),
  ...more,
});

function onWalls(where: Where, typeId: string, channel: SurroundChannel): Device[] {
  const { project, room, reference, picture } = where;
  const type = project.deviceTypes[typeId];
  const usualM = type.defaultHeightM ?? reference.earM;
  const isFront = /^(front|center|wide)/.test(channel);
  const halfM = (type.frameM?.[1] ?? type.sizeM[1]) / 2;
  // What a picture without holes hides goes under or over it.
  const awayM = picture.frameM[1] / 2 + halfM + FROM_FRAME_M;
  const beside = picture.weaveMm === null ? [picture.middle[2] - awayM, picture.middle[2] + awayM] : [];
  const heights = isFront ? [usualM, ...beside] : OVER_EAR_M.map((over) => reference.earM + over);
  return wallsAround(project, room).flatMap(({ wall, side }) =>
    baysOf(project, wall).flatMap((offsetM) => {
      const [x, y] = besideWall(wall, side, offsetM, 0);
      const device = made(where, typeId, [x, y], { facingRad: facingFrom(wall, side) });
      if (wallPlaceOf(project, device)?.wall.id !== wall.id) return [];
      const [fx, fy] = inFrontOfWall(project, device, 0.05);
      if (!pointInPolygon([fx, fy], room.polygon as readonly Point2[])) return [];
      const ceilingM = ceilingHeightAt(room, project.levels[room.levelId], [fx, fy]);
      const free = [
        ...new Set(heights.map((one) => tidyM(Math.min(ceilingM - halfM - 0.03, Math.max(room.floorM + halfM + 0.03, one))))),
      ];
      return free.map((heightM) => ({ ...device, heightM }));
    }),
  );
}

/** Middles of the bays of a wall, or places a step apart where it has none, from its end a, m. */
function baysOf(project: ProjectDocument, wall: Wall): number[] {
  const studs = framingOf(project).studs(wall);
  const lengthM = wallLength(wall);
  if (studs.length < 2) {
    const count = Math.max(0, Math.floor((lengthM - 2 * FROM_END_M) / STEP_M));
    return Array.from({ length: count + 1 }, (_, n) => lengthM / 2 + (n - count / 2) * STEP_M);
  }
  return bayMiddles(studs).filter((at) => at > FROM_END_M && at < lengthM - FROM_END_M);
}

/** Middles of joist bays and steps along them; a grid where there are none. */
function onCeiling(where: Where, typeId: string): Device[] {
  const { project, room } = where;
  const outline = clearOutline(project, room);
  const turned = outline.map((p) => rotate2(p, -room.joistAngleRad));
  const { minX, minY, maxX, maxY } = boundsOf(turned)!;
  const joists = framingOf(project).joists(room);
  const rows = joists.length < 2 ? steps(minY, maxY) : bayMiddles(joists);
  return rows.flatMap((v) =>
    steps(minX, maxX).flatMap((u) => {
      const p = rotate2([u, v], room.joistAngleRad);
      return pointInPolygon(p, outline) ? [made(where, typeId, p, { heightM: null, facingRad: -Math.PI / 2 })] : [];
    }),
  );
}

const steps = (from: number, to: number): number[] => {
  const count = Math.max(0, Math.floor((to - from - 2 * FROM_END_M) / STEP_M));
  return Array.from({ length: count + 1 }, (_, n) => (from + to) / 2 + (n - count / 2) * STEP_M);
};
