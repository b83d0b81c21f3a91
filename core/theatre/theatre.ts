import { rowSight, seatOffAxis, speakerDelay, viewingAngle } from '../calculators/index.ts';
import { canBeChannel } from '../brief/index.ts';
import { listOf, onLevel } from '../derive/index.ts';
import { ceilingHeightAt } from '../house/index.ts';
import { boundsOf, type Point2, pointInPolygon } from '../math/index.ts';
import type { Device, ProjectDocument, Room, SurroundChannel } from '../model/index.ts';
import { type Block, type ChannelAtSeat, channelAtSeat, NEAREST_M, type Place, spreadOf, windowOf } from './channel-at-seat.ts';
import { fromMiddle, mirrorErrorM } from './middle-line.ts';
import { type Picture, pictureOf } from './picture.ts';
import { mirrorLost, type Score, scoreOfTerms, spreadLost, weightOf } from './score.ts';
import { HEAD_OVER_EYE_M, type Seat, seatsOf } from './seats.ts';

type Speaker = Device & { readonly channel: SurroundChannel };

/** A channel of a theatre with its speaker. */
export interface ChannelFigures {
  readonly channel: SurroundChannel;
  readonly deviceId: string;
  readonly at: Place;
  readonly windowDeg: readonly [number, number] | null;
  /** In the order of the seats. */
  readonly seats: readonly ChannelAtSeat[];
  /** For the reference seat: delay against the farthest, and trim, ms and dB. */
  readonly delayMs: number;
  readonly trimDb: number;
  /** Difference of level between the nearest and the farthest seat, dB. */
  readonly spreadDb: number;
}

/** How a seat sees the picture. */
export interface SeatFigures extends Seat {
  readonly distanceM: number | null;
  readonly viewingDeg: number | null;
  readonly besideDeg: number | null;
  /** Up to the top of the picture, degrees. */
  readonly topDeg: number | null;
  /** Beyond this distance the finest detail is lost, m. */
  readonly acuityM: number | null;
  /** Over the head of the row before it, m; null in the first row. */
  readonly clearanceM: number | null;
}

export interface Theatre {
  readonly roomId: string;
  readonly layout: string | null;
  readonly picture: Picture | null;
  readonly seats: readonly SeatFigures[];
  readonly channels: readonly ChannelFigures[];
  /** Distance of each pair from being mirrored about the middle line, m. */
  readonly pairs: readonly { readonly pair: string; readonly mirrorErrorM: number }[];
  /** The score of the layout, 0 to 100, with its terms; null where there are no seats or no channels. */
  readonly score: Score | null;
}

const TOPS = /^top-/;
/** Head of who sits: half of its width, and its height below the eyes, m. */
const HEAD_HALF_M = 0.12;
const HEAD_BELOW_M = 0.12;

/** Rooms in which a channel of a surround layout was chosen for a device. */
export const theatreRooms = (project: ProjectDocument): Room[] => {
  const rooms = new Set(listOf(project, 'devices').flatMap(({ channel, roomId }) => (channel && roomId ? [roomId] : [])));
  return listOf(project, 'rooms').filter(({ id }) => rooms.has(id));
};

/** All figures of a room as a theatre. */
export function theatreOf(project: ProjectDocument, room: Room): Theatre {
  const picture = pictureOf(project, room);
  const seats = seatsOf(project, room, picture);
  const speakers = onLevel(project, 'devices', room.levelId)
    .filter(({ roomId }) => roomId === room.id)
    .flatMap((device): Speaker[] => {
      const channel = device.channel ?? (isSubwoofer(project, device) ? 'subwoofer' : null);
      return channel ? [{ ...device, channel }] : [];
    });
  const layout = layoutOf(speakers.map(({ channel }) => channel));
  const blocks = blocksIn(project, room, seats);
  const channels = speakers.map((device) => channelFigures(project, room, device, { layout, picture, seats, blocks }));
  const delays = delaysOf(channels, seats);
  const withDelays = channels.map((one, n) => ({ ...one, delayMs: delays?.delaysMs[n] ?? 0, trimDb: delays?.trimsDb[n] ?? 0 }));
  const pairs = picture ? pairsOf(withDelays, picture) : [];
  return {
    roomId: room.id,
    layout,
    picture,
    seats: seatFigures(seats, picture),
    channels: withDelays,
    pairs,
    score: scoreOf(withDelays, seats, pairs),
  };
}

/** Subwoofers are all one channel, so that nobody has to choose it. */
const isSubwoofer = (project: ProjectDocument, { typeId }: Device): boolean =>
  canBeChannel(project.deviceTypes[typeId], 'subwoofer');

/** The layout that the channels make: 7.2.4. */
function layoutOf(channels: readonly SurroundChannel[]): string | null {
  const kinds = new Set(channels);
  const tops = [...kinds].filter((one) => TOPS.test(one)).length;
  const subwoofers = channels.filter((one) => one === 'subwoofer').length;
  const floor = kinds.size - tops - (kinds.has('subwoofer') ? 1 : 0);
  if (floor === 0) return null;
  return tops > 0 ? `${floor}.${subwoofers}.${tops}` : `${floor}.${subwoofers}`;
}

/** What can stand between a speaker and an ear: beams and soffits of the room, and heads. */
function blocksIn(project: ProjectDocument, room: Room, seats: readonly Seat[]): Block[] {
  const house = onLevel(project, 'features', room.levelId)
    .filter(({ kind }) => kind === 'beam' || kind === 'soffit' || kind === 'steel')
    .flatMap(({ points, area, widthM, bottomM, topM }): Block[] => {
      const corners = points as readonly Point2[];
      if (!corners.some((p) => pointInPolygon(p, room.polygon as readonly Point2[])) && corners.length === 1) return [];
      const { minX, minY, maxX, maxY } = boundsOf(corners)!;
      const half = area ? 0 : widthM / 2;
      return [{ from: [minX - half, minY - half, bottomM], to: [maxX + half, maxY + half, topM], seat: null }];
    });
  const heads = seats.map((seat): Block => {
    const [x, y] = seat.at;
    return {
      from: [x - HEAD_HALF_M, y - HEAD_HALF_M, seat.eyeM - HEAD_BELOW_M],
      to: [x + HEAD_HALF_M, y + HEAD_HALF_M, seat.eyeM + HEAD_OVER_EYE_M],
      seat,
    };
  });
  return [...house, ...heads];
}

interface About {
  readonly layout: string | null;
  readonly picture: Picture | null;
  readonly seats: readonly Seat[];
  readonly blocks: readonly Block[];
}

function channelFigures(
  project: ProjectDocument,
  room: Room,
  device: Speaker,
  { layout, picture, seats, blocks }: About,
): ChannelFigures {
  const heightM = device.heightM ?? ceilingHeightAt(room, project.levels[room.levelId], [device.x, device.y]);
  const at: Place = [device.x, device.y, heightM];
  const window = windowOf(layout, device.channel);
  const facingDeg = picture?.facingDeg ?? 0;
  const atSeats = seats.map((seat) => channelAtSeat(at, seat, { window, facingDeg, blocks }));
  return {
    channel: device.channel,
    deviceId: device.id,
    at,
    windowDeg: window?.mainDeg ?? null,
    seats: atSeats,
    delayMs: 0,
    trimDb: 0,
    spreadDb: spreadOf(atSeats),
  };
}

function delaysOf(channels: readonly ChannelFigures[], seats: readonly Seat[]) {
  const n = seats.findIndex(({ isReference }) => isReference);
  if (n < 0 || channels.length === 0) return null;
  const found = speakerDelay.run({ distancesM: channels.map(({ seats: at }) => at[n].distanceM), temperatureC: 20 });
  return found.ok ? found.value : null;
}

/** How far the right speaker of each pair is from the mirror image of the left, about the middle line of the picture. */
function pairsOf(channels: readonly ChannelFigures[], { middle, facingDeg }: Picture) {
  const from = fromMiddle(middle, facingDeg);
  return channels
    .filter(({ channel }) => channel.endsWith('-left'))
    .flatMap((left) => {
      const right = channels.find(({ channel }) => channel === left.channel.replace('-left', '-right'));
      if (!right) return [];
      return [{ pair: left.channel.replace('-left', ''), mirrorErrorM: mirrorErrorM(left.at, right.at, from) }];
    });
}

function seatFigures(seats: readonly Seat[], picture: Picture | null): SeatFigures[] {
  if (!picture) {
    const unseen = { distanceM: null, viewingDeg: null, besideDeg: null, topDeg: null, acuityM: null, clearanceM: null };
    return seats.map((seat) => ({ ...seat, ...unseen }));
  }
  const { middle, widthM, heightM, facingDeg } = picture;
  const from = fromMiddle(middle, facingDeg);
  const ahead = (p: Point2) => -from(p).aheadM;
  const clearances = rowClearances(seats, ahead, middle[2] - heightM / 2);
  return seats.map((seat) => {
    const distanceM = Math.max(NEAREST_M, ahead(seat.at));
    const off = seatOffAxis.run({ widthM, distanceM, asideM: from(seat.at).asideM, halfGainDeg: 60 });
    const seen = viewingAngle.run({ widthM, distanceM, wantedDeg: null, pixelsAcross: 3840 });
    return {
      ...seat,
      distanceM,
      viewingDeg: off.ok ? off.value.seenDeg : null,
      besideDeg: off.ok ? off.value.besideDeg : null,
      topDeg: (Math.atan2(middle[2] + heightM / 2 - seat.eyeM, distanceM) * 180) / Math.PI,
      acuityM: seen.ok ? seen.value.acuityM : null,
      clearanceM: clearances.get(seat.row) ?? null,
    };
  });
}

/** How far each row but the first sees over the heads before it, m. */
function rowClearances(seats: readonly Seat[], ahead: (p: Point2) => number, bottomM: number): ReadonlyMap<number, number> {
  const rows = [...new Set(seats.map(({ row }) => row))].sort((a, b) => a - b);
  const figures = rows.map((row) => {
    const own = seats.filter((seat) => seat.row === row);
    return { distanceM: Math.min(...own.map(({ at }) => ahead(at))), eyeM: Math.min(...own.map(({ eyeM }) => eyeM)) };
  });
  if (figures.some(({ distanceM }) => !(distanceM > 0))) return new Map();
  const sight = rowSight.run({ bottomM: Math.max(0, bottomM), rows: figures, clearanceM: 0.125 });
  return new Map(sight.ok ? sight.value.clearancesM.map((one, n): [number, number] => [rows[n + 1], one]) : []);
}

function scoreOf(channels: readonly ChannelFigures[], seats: readonly Seat[], pairs: Theatre['pairs']): Theatre['score'] {
  const judged = channels.filter(({ windowDeg }) => windowDeg !== null);
  if (judged.length === 0 || seats.length === 0) return null;
  let [lost, all, spread, weights] = [0, 0, 0, 0];
  for (const { channel, seats: at, spreadDb } of judged) {
    const weight = weightOf(channel);
    at.forEach(({ loss }, n) => {
      lost += seats[n].weight * weight * loss;
      all += seats[n].weight * weight;
    });
    spread += weight * spreadLost(spreadDb);
    weights += weight;
  }
  const symmetry = pairs.length === 0 ? 0 : pairs.reduce((sum, one) => sum + mirrorLost(one.mirrorErrorM), 0) / pairs.length;
  return scoreOfTerms({ angles: lost / all, symmetry, levels: spread / weights, work: 0 });
}
