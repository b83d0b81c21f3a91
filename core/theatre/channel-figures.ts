import { speakerDelay } from '../calculators/index.ts';
import { inFrontOfWall } from '../devices/index.ts';
import { ceilingHeightAt } from '../house/index.ts';
import type { Device, ProjectDocument, Room, SurroundChannel, TheatreAim } from '../model/index.ts';
import {
  type Block,
  type ChannelAtSeat,
  channelAtSeat,
  type ChannelWindow,
  type Place,
  spreadOf,
  windowOf,
} from './channel-at-seat.ts';
import { besideAxis, type Loudness, loudnessOf } from './loudness.ts';
import { fromMiddle, mirrorErrorM } from './middle-line.ts';
import type { Picture } from './picture.ts';
import type { Seat } from './seats.ts';

export type Speaker = Device & { readonly channel: SurroundChannel };

/** A channel at a seat, with what its speaker loses beside its axis. */
export interface ChannelSeat extends ChannelAtSeat {
  readonly offAxisDeg: number;
  readonly offAxisDb: number;
}

/** A channel of a theatre with its speaker. */
export interface ChannelFigures {
  readonly channel: SurroundChannel;
  readonly deviceId: string;
  readonly at: Place;
  readonly window: ChannelWindow | null;
  /** In the order of the seats. */
  readonly seats: readonly ChannelSeat[];
  /** For the reference seat: delay against the farthest, and trim, ms and dB. */
  readonly delayMs: number;
  readonly trimDb: number;
  /** Difference of level between the nearest and the farthest seat, dB. */
  readonly spreadDb: number;
  readonly loudness: Loudness | null;
  /** What it takes of the score of the layout, of 100. */
  readonly lostPoints: number;
}

/** The angle of a channel that its window is about: beside the middle line, or over the head; degrees. */
export const mainAngleDeg = (window: ChannelWindow | null, seat: ChannelAtSeat): number =>
  window?.isOverhead ? (seat.overheadDeg ?? 0) : seat.azimuthDeg;

/** The place that a speaker is heard from: the face of its wall, of the column that it stands in, or the ceiling. */
export function heardFrom(project: ProjectDocument, room: Room, device: Device, columnM = 0): Place {
  const type = project.deviceTypes[device.typeId];
  const heightM = device.heightM ?? ceilingHeightAt(room, project.levels[room.levelId], [device.x, device.y]);
  return [...inFrontOfWall(project, device, Math.max(columnM, type.cutOut ? 0 : type.sizeM[1])), heightM];
}

/** How far the column of a channel stands out of its wall, m: surround speakers may stand in columns. */
export const columnOf = (channel: SurroundChannel, { columnDepthM }: Pick<TheatreAim, 'columnDepthM'>): number =>
  isSurround(channel) ? columnDepthM : 0;

/** Channels beside and behind the seats. */
export const isSurround = (channel: SurroundChannel): boolean => /^(surround|side|rear)/.test(channel);

interface About {
  readonly layout: string | null;
  readonly picture: Picture | null;
  readonly seats: readonly Seat[];
  readonly blocks: readonly Block[];
  readonly aim: TheatreAim;
}

/** All speakers of a theatre as every seat hears them, with delays and trims for the reference seat. */
export function channelFigures(
  project: ProjectDocument,
  room: Room,
  speakers: readonly Speaker[],
  about: About,
): ChannelFigures[] {
  const channels = speakers.map((device) => figuresOf(project, room, device, about));
  const delays = delaysOf(channels, about.seats);
  return channels.map((one, n) => ({ ...one, delayMs: delays?.delaysMs[n] ?? 0, trimDb: delays?.trimsDb[n] ?? 0 }));
}

function figuresOf(
  project: ProjectDocument,
  room: Room,
  device: Speaker,
  { layout, picture, seats, blocks, aim }: About,
): ChannelFigures {
  const type = project.deviceTypes[device.typeId];
  const at = heardFrom(project, room, device, columnOf(device.channel, aim));
  const window = windowOf(layout, device.channel, aim.school);
  const facingDeg = picture?.facingDeg ?? 0;
  const beside = besideAxis(device, type, { at, seats, isWide: aim.surroundKind === 'wide' && isSurround(device.channel) });
  const atSeats = seats.map((seat, n): ChannelSeat => ({
    ...channelAtSeat(at, seat, { window, facingDeg, blocks }),
    offAxisDeg: beside[n].angleDeg,
    offAxisDb: beside[n].lossDb,
  }));
  return {
    channel: device.channel,
    deviceId: device.id,
    at,
    window,
    seats: atSeats,
    delayMs: 0,
    trimDb: 0,
    spreadDb: spreadOf(atSeats),
    lostPoints: 0,
    loudness: loudnessOf(
      type,
      seats,
      atSeats.map(({ distanceM, offAxisDb }) => ({ distanceM, lossDb: offAxisDb })),
      aim,
    ),
  };
}

function delaysOf(channels: readonly ChannelFigures[], seats: readonly Seat[]) {
  const n = seats.findIndex(({ isReference }) => isReference);
  if (n < 0 || channels.length === 0) return null;
  const found = speakerDelay.run({ distancesM: channels.map(({ seats: at }) => at[n].distanceM), temperatureC: 20 });
  return found.ok ? found.value : null;
}

/** A pair of channels, and how far its right speaker is from the mirror image of the left about the middle line of the picture, m. */
export interface PairFigures {
  readonly pair: string;
  readonly leftId: string;
  readonly rightId: string;
  readonly mirrorErrorM: number;
}

export function pairsOf(channels: readonly ChannelFigures[], { middle, facingDeg }: Picture): PairFigures[] {
  const from = fromMiddle(middle, facingDeg);
  return channels
    .filter(({ channel }) => channel.endsWith('-left'))
    .flatMap((left) => {
      const right = channels.find(({ channel }) => channel === left.channel.replace('-left', '-right'));
      if (!right) return [];
      const pair = left.channel.replace('-left', '');
      return [{ pair, leftId: left.deviceId, rightId: right.deviceId, mirrorErrorM: mirrorErrorM(left.at, right.at, from) }];
    });
}
