import { clashesOf } from '../devices/index.ts';
import { newDevice, type ProjectDocument } from '../model/index.ts';
import { intoBox, ontoPlan } from './bass-room.ts';
import {
  evennessOf,
  levelsDb,
  type Response,
  responsesOf,
  type SubwooferChoice,
  subwooferChoices,
  usualSubwooferPlaces,
} from './bass.ts';
import type { Place } from './channel-at-seat.ts';
import { pressureMap } from './pressure-map.ts';
import { theatreOf } from './theatre.ts';

/** What subwoofers do in a room, and where others would serve the seats more evenly. */
export interface BassAdvice {
  readonly frequenciesHz: readonly number[];
  /** Of the subwoofers that are there together, at each seat, dB; none where there are none. */
  readonly seatsDb: readonly (readonly number[])[];
  readonly now: Omit<SubwooferChoice, 'places'> | null;
  /** The best choices for the wanted number, by their places on the plan. */
  readonly choices: readonly (Omit<SubwooferChoice, 'places'> & { readonly at: readonly (readonly [number, number])[] })[];
  /** Places that were tried, and those where nothing can stand. */
  readonly tried: number;
  readonly refused: number;
  /** Levels on the plane of the ears, row by row for each frequency, against their own mean, dB; none without subwoofers. */
  readonly map: {
    readonly columns: number;
    readonly rows: number;
    readonly stepM: number;
    readonly levelsDb: Float32Array;
  } | null;
  readonly mapHz: readonly number[];
}

const FROM_HZ = 20;
const TO_HZ = 120;
/** The band in which choices are judged, up to the crossover, Hz. */
const JUDGED_TO_HZ = 80;
const MAP_STEP_M = 0.1;
const MAP_HZ = [20, 25, 31.5, 40, 50, 63, 80, 100, 120];
const CHOICES = 3;
/** Subwoofers stand this far from the walls, middle to face, m. */
const FROM_WALL_M = 0.3;

/** Null for a room that is gone, or without seats. */
export function bassAdvice(project: ProjectDocument, roomId: string, count: number): BassAdvice | null {
  const room = project.rooms[roomId];
  if (!room) return null;
  const { bass, aim, seats } = theatreOf(project, room);
  if (seats.length === 0) return null;
  const box = { sidesM: bass.sidesM, t60S: aim.t60S };
  const frequenciesHz = Array.from({ length: TO_HZ - FROM_HZ + 1 }, (_, n) => FROM_HZ + n);
  const judgedHz = frequenciesHz.filter((hz) => hz <= JUDGED_TO_HZ);
  const own = bass.subwoofers.map(({ at }) => at);
  const there = own.length === 0 ? null : playingNow(box, responsesOf(box, own, bass.seats, frequenciesHz), judgedHz.length);
  const places = usualSubwooferPlaces(bass.sidesM).map((at) => offTheWalls(at, bass.sidesM));
  const buildable = places.filter((at) => canStand(project, roomId, ontoPlan(bass, at)));
  const best = subwooferChoices(box, buildable, bass.seats, Math.min(count, buildable.length), judgedHz).slice(0, CHOICES);
  const earM = seats.reduce((sum, seat) => sum + seat.earM, 0) / seats.length;
  const map =
    there &&
    pressureMap(
      { ...box, subwoofers: own.map((at) => ({ at, gain: 1, delayS: 0 })) },
      intoBox(bass, [0, 0, earM])[2],
      MAP_STEP_M,
      MAP_HZ,
    );
  return {
    ...{ frequenciesHz, seatsDb: there?.seatsDb ?? [], now: there?.now ?? null, map, mapHz: MAP_HZ },
    choices: best.map(({ places: chosen, ...figures }) => ({ ...figures, at: chosen.map((n) => ontoPlan(bass, buildable[n])) })),
    ...{ tried: places.length, refused: places.length - buildable.length },
  };
}

/** Levels at the seats of what plays together, and how even they are over the first of the frequencies: those that are judged. */
function playingNow(box: Parameters<typeof evennessOf>[0], responses: readonly (readonly Response[])[], judged: number) {
  const seatsDb = responses[0].map((_, seat) => [
    ...levelsDb(
      box,
      responses.map((one) => one[seat]),
    ),
  ]);
  const first = responses.map((one) => one.map(({ re, im }) => ({ re: re.subarray(0, judged), im: im.subarray(0, judged) })));
  return { seatsDb, now: evennessOf(box, first) };
}

const offTheWalls = (at: Place, sidesM: readonly [number, number, number]): Place => {
  const held = (value: number, side: number) => Math.min(side - FROM_WALL_M, Math.max(FROM_WALL_M, value));
  return [held(at[0], sidesM[0]), held(at[1], sidesM[1]), 0];
};

/** Whether a subwoofer can stand at a place of the plan: not in furniture, a doorway or a pipe. */
function canStand(project: ProjectDocument, roomId: string, [x, y]: readonly [number, number]): boolean {
  const { levelId } = project.rooms[roomId];
  if (!project.deviceTypes.subwoofer) return true;
  const device = newDevice({
    id: 'candidate',
    typeId: 'subwoofer',
    levelId,
    roomId,
    number: 0,
    x,
    y,
    heightM: 0.35,
    facingRad: 0,
  });
  return clashesOf(project, device).every(({ rank }) => rank !== 'stop');
}
