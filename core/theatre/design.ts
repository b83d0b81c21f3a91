import { channelsOf } from '../brief/index.ts';
import { type IdSource, inFrontOfWall, moveDevices, placeAll } from '../devices/index.ts';
import { edited, finished } from '../derive/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import type { Operation, ProjectDocument, SurroundChannel } from '../model/index.ts';
import { blocksIn } from './blocks.ts';
import { candidatesFor, type SpeakerPlace, type Where } from './candidates.ts';
import { windowOf } from './channel-at-seat.ts';
import type { Score } from './score.ts';
import { type SolvedLayout, solvingLayout } from './solve-layout.ts';
import { speakersOf, theatreOf } from './theatre.ts';

/** What becomes of a channel in a proposed layout. */
export interface DesignedChannel {
  readonly channel: SurroundChannel;
  /** Its device, where it has one already. */
  readonly deviceId: string | null;
  readonly change: 'placed' | 'moved' | 'stays' | 'fixed' | 'impossible';
  /** Places that were looked at, and how many of them cannot be built, by the reason. */
  readonly places: number;
  readonly refused: Readonly<Record<string, number>>;
}

/** A proposed layout: what would be done, and what it is worth. */
export interface TheatreDesign {
  readonly operations: readonly Operation[];
  readonly before: Score | null;
  readonly after: Score | null;
  readonly channels: readonly DesignedChannel[];
  readonly judged: number;
  readonly stopped: SolvedLayout['stopped'];
}

/** Speakers stand at least so far apart, m. */
const APART_M = 0.3;
/** Share of the work that goes into looking at places. */
const LOOKING = 0.6;

/**
 * Places for all channels of a room's layout, in bays and at heights where they can be built: speakers that are fixed stay, others move
 * where it is worth it, missing ones are placed. Problems: `theatre-no-layout`, `theatre-no-picture`, `theatre-no-seats`,
 * `theatre-no-place` with the reason that bars most places.
 */
export const designTheatre = (project: ProjectDocument, roomId: string, ids: IdSource): Outcome<TheatreDesign> =>
  finished(designingTheatre(project, roomId, ids));

/** The same step by step, with the share done. */
export function* designingTheatre(
  project: ProjectDocument,
  roomId: string,
  ids: IdSource,
): Generator<number, Outcome<TheatreDesign>> {
  const room = project.rooms[roomId];
  if (!room) return err('record-gone', { in: 'rooms', id: roomId });
  const before = theatreOf(project, room);
  const { aim, layout, picture, seats } = before;
  const wanted = layout === null ? null : channelsOf(layout);
  if (!wanted) return err('theatre-no-layout', { kind: 'invalid', field: 'layout' });
  if (!picture) return err('theatre-no-picture', { kind: 'incomplete', field: 'picture' });
  const reference = seats.find(({ isReference }) => isReference);
  if (!reference) return err('theatre-no-seats', { kind: 'incomplete', field: 'seats' });
  const where: Where = { project, room, seats, reference, picture, aim };
  const speakers = speakersOf(project, room);
  const channels: Channels[number][] = [];
  for (const channel of wanted.filter((one) => one !== 'subwoofer')) {
    const device = speakers.find((one) => one.channel === channel) ?? null;
    const places = candidatesFor(where, channel, device, windowOf(layout, channel, aim.school));
    const isFixed = device !== null && aim.fixedDeviceIds.includes(device.id) && places.length > 0;
    channels.push({ channel, device, places, pinned: isFixed ? 0 : null });
    yield (LOOKING * channels.length) / wanted.length;
  }
  const open = channels.map(({ places }) => places.filter(({ refused }) => refused === null).length);
  if (open.every((count) => count === 0)) return noPlace(channels);
  const solving = solvingLayout({
    ...{ layout: layout!, seats, facingDeg: picture.facingDeg, middle: [picture.middle[0], picture.middle[1]], channels },
    ...{ blocks: blocksIn(project, room, picture, seats), workBudget: aim.workBudgetH, leastApartM: APART_M, school: aim.school },
  });
  let step = solving.next();
  for (; !step.done; step = solving.next()) yield LOOKING + (1 - LOOKING) * step.value;
  const solved = step.value;
  return proposal(where, ids, { channels, solved, before: before.score });
}

type Channels = readonly {
  readonly channel: SurroundChannel;
  readonly device: { readonly id: string } | null;
  readonly places: readonly SpeakerPlace[];
  readonly pinned: number | null;
}[];

function noPlace(channels: Channels): Outcome<never> {
  const counts = Object.entries(countsOf(channels.flatMap(({ places }) => places)));
  const places = counts.reduce((sum, [, count]) => sum + count, 0);
  const [reason] = counts.sort((a, b) => b[1] - a[1])[0] ?? ['none'];
  return err('theatre-no-place', { kind: 'infeasible', field: 'layout', places, reason });
}

/** The chosen places as operations, one after the other. */
function proposal(
  where: Where,
  ids: IdSource,
  { channels, solved, before }: { readonly channels: Channels; readonly solved: SolvedLayout; readonly before: Score | null },
): Outcome<TheatreDesign> {
  let working = where.project;
  const operations: Operation[] = [];
  const apply = (next: readonly Operation[]): boolean => {
    const after = edited(working, next);
    if (!after.ok) return false;
    working = after.value;
    operations.push(...next);
    return true;
  };
  const designed = channels.map(({ channel, device, places, pinned }, n): DesignedChannel => {
    const chosen = solved.chosen[n];
    const about = { channel, deviceId: device?.id ?? null, places: places.length, refused: countsOf(places) };
    if (chosen === null || !places[chosen]) return { ...about, change: 'impossible' };
    if (pinned !== null) return { ...about, change: 'fixed' };
    const { device: stands } = places[chosen];
    if (device && chosen === 0) return { ...about, change: 'stays' };
    const to = inFrontOfWall(working, stands, SNAPS_M);
    const height = stands.heightM === null ? {} : { heightM: stands.heightM };
    if (device) {
      const moved = moveDevices(working, [{ deviceId: device.id, to, ...height }]);
      return { ...about, change: moved.ok && apply(moved.value) ? 'moved' : 'impossible' };
    }
    const placed = placeAll(working, stands.levelId, [{ typeId: stands.typeId, at: to, ...height, more: { channel } }], ids);
    return { ...about, change: placed.ok && apply(placed.value.operations) ? 'placed' : 'impossible' };
  });
  const after = theatreOf(working, working.rooms[where.room.id]).score;
  return ok({ operations, before, after, channels: designed, judged: solved.judged, stopped: solved.stopped });
}

/** A point so far before a wall snaps to it on the side of the room, m. */
const SNAPS_M = 0.03;

function countsOf(places: readonly SpeakerPlace[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const { refused } of places) if (refused !== null) counts[refused] = (counts[refused] ?? 0) + 1;
  return counts;
}
