import { canBeChannel } from '../brief/index.ts';
import { listOf, onLevel, whole } from '../derive/index.ts';
import { BUILDING, clearOutline } from '../house/index.ts';
import type { Device, ProjectDocument, Room, SurroundChannel, TheatreAim } from '../model/index.ts';
import { aimOf } from './aim.ts';
import { blocksIn } from './blocks.ts';
import { type BassRoom, bassRoomOf } from './bass-room.ts';
import { type ChannelFigures, channelFigures, type PairFigures, pairsOf, type Speaker } from './channel-figures.ts';
import { type Picture, pictureOf } from './picture.ts';
import { type Projection, projectionsOf } from './projection.ts';
import { type RoomSound, roomSoundOf } from './room-sound.ts';
import { lostOf, lostOverSeats, mirrorLost, type Score, scoreOfTerms, spreadLost, weightOf } from './score.ts';
import { type SeatFigures, seatFigures } from './seat-figures.ts';
import { type Seat, seatsOf } from './seats.ts';

export interface Theatre {
  readonly roomId: string;
  readonly aim: TheatreAim;
  /** The layout that is aimed at, or that the speakers make. */
  readonly layout: string | null;
  readonly picture: Picture | null;
  readonly projections: readonly Projection[];
  readonly seats: readonly SeatFigures[];
  readonly channels: readonly ChannelFigures[];
  readonly pairs: readonly PairFigures[];
  /** The room as the box that its low frequencies are worked out for. */
  readonly bass: BassRoom;
  readonly sound: RoomSound;
  /** The score of the layout, 0 to 100, with its terms; null where there are no seats or no channels. */
  readonly score: Score | null;
}

const TOPS = /^top-/;

/** Rooms that were opened as a theatre, or in which a channel of a surround layout was chosen for a device. */
export const theatreRooms = (project: ProjectDocument): Room[] => {
  const rooms = new Set([
    ...listOf(project, 'devices').flatMap(({ channel, roomId }) => (channel && roomId ? [roomId] : [])),
    ...listOf(project, 'theatres').map(({ roomId }) => roomId),
  ]);
  return listOf(project, 'rooms').filter(({ id }) => rooms.has(id));
};

/** The theatres of a project by their rooms. */
export const THEATRES = whole<readonly Theatre[]>({
  name: 'theatres',
  tables: ['devices', 'deviceTypes', 'features', 'levels', 'openings', 'roomBriefs', 'rooms', 'theatres', 'walls'],
  nodes: [BUILDING],
  make: ({ project }) => theatreRooms(project).map((room) => theatreOf(project, room)),
});

/** All figures of a room as a theatre. */
export function theatreOf(project: ProjectDocument, room: Room): Theatre {
  const aim = aimOf(project, room.id);
  const picture = pictureOf(project, room);
  const seats = seatsOf(project, room, picture, aim);
  const speakers = speakersOf(project, room);
  const layout = aim.layout || layoutOf(speakers.map(({ channel }) => channel));
  const blocks = blocksIn(project, room, picture, seats);
  const channels = channelFigures(project, room, speakers, { layout, picture, seats, blocks, aim });
  const pairs = picture ? pairsOf(channels, picture) : [];
  const outline = clearOutline(project, room);
  return {
    roomId: room.id,
    ...{ aim, layout, picture, pairs },
    channels: withLostPoints(channels, seats, pairs),
    projections: projectionsOf(project, room, picture, aim),
    seats: seatFigures(seats, picture),
    bass: bassRoomOf(project, room, outline, { picture, speakers, seats }),
    sound: roomSoundOf(project, room, outline, { aim, seated: seats.length }),
    score: scoreOf(channels, seats, pairs),
  };
}

/** Devices of a room with their channels: those that were chosen, and every subwoofer. */
export const speakersOf = (project: ProjectDocument, room: Room): Speaker[] =>
  onLevel(project, 'devices', room.levelId)
    .filter(({ roomId }) => roomId === room.id)
    .flatMap((device): Speaker[] => {
      const channel = device.channel ?? (isSubwoofer(project, device) ? 'subwoofer' : null);
      return channel ? [{ ...device, channel }] : [];
    });

/** Subwoofers are all one channel, so that nobody has to choose it. */
const isSubwoofer = (project: ProjectDocument, { typeId }: Device): boolean =>
  canBeChannel(project.deviceTypes[typeId], 'subwoofer');

/** The layout that the channels make: 7.2.4. */
export function layoutOf(channels: readonly SurroundChannel[]): string | null {
  const kinds = new Set(channels);
  const tops = [...kinds].filter((one) => TOPS.test(one)).length;
  const subwoofers = channels.filter((one) => one === 'subwoofer').length;
  const floor = kinds.size - tops - (kinds.has('subwoofer') ? 1 : 0);
  if (floor === 0) return null;
  return tops > 0 ? `${floor}.${subwoofers}.${tops}` : `${floor}.${subwoofers}`;
}

/** What each channel takes of the score: by its angles and levels, and half of what its pair is uneven. */
function withLostPoints(channels: readonly ChannelFigures[], seats: readonly Seat[], pairs: Theatre['pairs']): ChannelFigures[] {
  const weights = weightsOf(judgedOf(channels));
  if (weights === 0 || !seats.some(({ weight }) => weight > 0)) return [...channels];
  return channels.map((one) => {
    if (one.window === null) return one;
    const share = weightOf(one.channel) / weights;
    const pair = pairs.find(({ leftId, rightId }) => leftId === one.deviceId || rightId === one.deviceId);
    const symmetry = pair ? mirrorLost(pair.mirrorErrorM) / (2 * pairs.length) : 0;
    const lost = lostOf({ angles: share * anglesLost(one, seats), levels: share * spreadLost(one.spreadDb), symmetry, work: 0 });
    return { ...one, lostPoints: 100 * lost };
  });
}

function scoreOf(channels: readonly ChannelFigures[], seats: readonly Seat[], pairs: Theatre['pairs']): Theatre['score'] {
  const judged = judgedOf(channels);
  const weights = weightsOf(judged);
  if (weights === 0 || !seats.some(({ weight }) => weight > 0)) return null;
  const mean = (lost: (one: ChannelFigures) => number) =>
    judged.reduce((sum, one) => sum + weightOf(one.channel) * lost(one), 0) / weights;
  const symmetry = pairs.length === 0 ? 0 : pairs.reduce((sum, one) => sum + mirrorLost(one.mirrorErrorM), 0) / pairs.length;
  const levels = mean(({ spreadDb }) => spreadLost(spreadDb));
  return scoreOfTerms({ angles: mean((one) => anglesLost(one, seats)), symmetry, levels, work: 0 });
}

/** Channels that have a window; what they weigh together. */
const judgedOf = (channels: readonly ChannelFigures[]) => channels.filter(({ window }) => window !== null);
const weightsOf = (channels: readonly ChannelFigures[]): number =>
  channels.reduce((sum, { channel }) => sum + weightOf(channel), 0);

const anglesLost = ({ seats: at }: ChannelFigures, seats: readonly Seat[]): number =>
  lostOverSeats(
    seats,
    at.map(({ loss }) => loss),
  );
