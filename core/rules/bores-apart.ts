import { whole } from '../derive/index.ts';
import { BITS_M, HOLE_FILL, holesFor } from '../calculators/index.ts';
import { INCH_M, rotate2 } from '../math/index.ts';
import { type ProjectDocument, type Room, update } from '../model/index.ts';
import { numbersOf } from './beside.ts';
import { type Bored, BORED_BY_RUN, type Half, JOIST_HALVES, PLACE_M } from './bored-by-run.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

/** Between two holes of a joist edge to edge, m (IRC R502.8: 2 in); in the UK and EU three diameters from middle to middle. */
const APART_M = 2 * INCH_M;
const APART_DIAMETERS = 3;

/** Holes of one half of a joist that want more of its length than may be bored, m. */
interface Crowd {
  readonly room: Room;
  readonly at: readonly [number, number];
  readonly holes: number;
  readonly cables: number;
  readonly needM: number;
  readonly freeM: number;
}

/** Two holes of one joist that lie too near each other, m from middle to middle. */
interface Close {
  readonly room: Room;
  readonly at: readonly [number, number];
  readonly awayM: number;
  readonly needM: number;
  /** Places of the two along the joist, mm. */
  readonly mm: readonly [number, number];
}

/** Numbers that a run has for each joist in `throughs`. */
const EACH = 3;

/** What goes through one half of a joist. */
interface Load {
  readonly cables: number;
  /** The widest bit that any cable which went through would need for itself, m. */
  readonly widestM: number;
  /** Squares of the diameters that go through at each place, um2: whole numbers, so that what is taken away leaves no rest. */
  readonly squares: ReadonlyMap<number, number>;
  /** The same at each place in mm. */
  readonly spots: ReadonlyMap<number, number>;
  readonly crowd: Crowd | null;
  readonly close: Close | null;
}

interface Crowds {
  /** By the number of the half of a joist. */
  readonly loads: readonly Load[];
}

/** What goes through all halves of joists; after an edit only those are looked at again whose runs came or went. */
const CROWDS = whole<Crowds>({
  name: 'crowded joists',
  nodes: [JOIST_HALVES, BORED_BY_RUN],
  make: (read, last) => {
    const { halves } = read.get(JOIST_HALVES);
    const runs = read.all(BORED_BY_RUN);
    const before = last?.get(JOIST_HALVES).halves === halves ? last : null;
    const was = before?.all(BORED_BY_RUN) ?? [];
    const loads: Load[] = [...(before?.value.loads ?? [])];
    const own = new Map<number, OwnLoad>();
    // A run that bores the same is the same value again; each value belongs to one run.
    const now = new Set(before ? runs : []);
    const then = new Set(was);
    for (const bored of was) if (!now.has(bored)) put(loads, bored, -1, own);
    for (const bored of runs) if (!then.has(bored)) put(loads, bored, 1, own);
    const touched = [...own.keys()];
    const close = new Set(touched.filter((number) => mayBeCrowded(halves[number], loads[number])));
    const few = runsThrough(
      runs,
      [...close].filter((number) => loads[number].cables <= MAX_PACKED),
    );
    for (const number of touched)
      loads[number] = {
        ...loads[number],
        crowd: close.has(number) ? crowdOf(halves[number], loads[number], few.get(number)) : null,
        close: null,
      };
    // Holes of a whole joist are looked at together: its halves are numbered one after the other.
    for (const first of new Set(touched.map((number) => number - (number % 2)))) {
      const joist = [first, first + 1].filter((number) => loads[number] !== undefined);
      const [own] = joist;
      const close = closeOf(
        halves[own],
        joist.map((number) => loads[number]),
      );
      for (const number of joist) loads[number] = { ...loads[number], close: number === own ? close : null };
    }
    return { loads };
  },
});

/** A load of this edit, which may be added to. */
interface OwnLoad {
  cables: number;
  widestM: number;
  readonly squares: Map<number, number>;
  readonly spots: Map<number, number>;
  readonly crowd: Crowd | null;
  readonly close: Close | null;
}

/** Puts what a run bores to the loads, or takes it away; loads of before are copied once. */
function put(loads: Load[], { diameterM, bitM, throughs }: Bored, sign: 1 | -1, own: Map<number, OwnLoad>): void {
  const square = sign * Math.round(diameterM * 1e6) ** 2;
  for (let k = 0; k < throughs.length; k += EACH) {
    const [number, place, mm] = [throughs[k], throughs[k + 1], throughs[k + 2]];
    let load = own.get(number);
    if (!load) {
      const before = loads[number];
      load = before
        ? { ...before, squares: new Map(before.squares), spots: new Map(before.spots) }
        : {
            cables: 0,
            widestM: 0,
            squares: new Map<number, number>(),
            spots: new Map<number, number>(),
            crowd: null,
            close: null,
          };
      own.set(number, load);
      loads[number] = load;
    }
    load.cables += sign;
    if (bitM > load.widestM) load.widestM = bitM;
    load.squares.set(place, (load.squares.get(place) ?? 0) + square);
    const left = (load.spots.get(mm) ?? 0) + square;
    if (left === 0) load.spots.delete(mm);
    else load.spots.set(mm, left);
  }
}

/** The runs through some halves of joists, by their places. */
function runsThrough(runs: readonly Bored[], wanted: readonly number[]): Map<number, Map<number, Bored[]>> {
  const found = new Map<number, Map<number, Bored[]>>();
  if (wanted.length === 0) return found;
  const isWanted = new Uint8Array(Math.max(...wanted) + 1);
  for (const number of wanted) isWanted[number] = 1;
  for (const bored of runs) {
    const { throughs } = bored;
    for (let k = 0; k < throughs.length; k += EACH) {
      if (isWanted[throughs[k]] !== 1) continue;
      let byPlace = found.get(throughs[k]);
      if (!byPlace) found.set(throughs[k], (byPlace = new Map()));
      const there = byPlace.get(throughs[k + 1]);
      if (there) there.push(bored);
      else byPlace.set(throughs[k + 1], [bored]);
    }
  }
  return found;
}

/** Cables that are put into holes one by one; of more it is enough how many holes they fill at the least. */
const MAX_PACKED = 60;

/** Where each of a few cables has room for a hole of its own, there is nothing to look for. */
function mayBeCrowded(half: Half, { cables, widestM }: Load): boolean {
  return cables > MAX_PACKED || (cables > 1 && wantedM(half, cables, widestM, cables * widestM) > half.freeM);
}

/** Length of a joist that holes take with what must be left between them, m. */
function wantedM({ byDiameters }: Half, count: number, widestM: number, allM: number): number {
  return byDiameters ? (count - 1) * APART_DIAMETERS * widestM : allM + (count - 1) * APART_M;
}

function crowdOf(half: Half, { cables, squares }: Load, few: Map<number, Bored[]> | undefined): Crowd | null {
  const { room, lineM, freeM, mostM: maxM } = half;
  const wanted = (bits: readonly number[]) =>
    wantedM(
      half,
      bits.length,
      Math.max(...bits),
      bits.reduce((sum, bitM) => sum + bitM, 0),
    );
  if (few && wanted(ownBits(few)) <= freeM) return null;
  const bits = few ? packedBits(few, maxM) : atLeastBits(squares, maxM);
  if (bits.length < 2) return null;
  const needM = wanted(bits);
  if (needM <= freeM * (1 + 1e-9)) return null;
  const [fullest] = [...squares].reduce((a, b) => (b[1] > a[1] ? b : a));
  const at = rotate2([fullest * PLACE_M, lineM], room.joistAngleRad);
  return { room, at, holes: bits.length, cables, needM, freeM };
}

/** Cables so near to each other go through one hole, mm. */
const ONE_HOLE_MM = 50;

/** The nearest two holes of a joist, where they are nearer than they may be. */
function closeOf({ room, lineM, byDiameters, mostM }: Half, loads: readonly Load[]): Close | null {
  const spots = loads.flatMap((load) => [...load.spots]);
  const widestM = Math.max(...loads.map((load) => load.widestM));
  if (spots.length < 2) return null;
  const holes: { from: number; to: number; square: number }[] = [];
  for (const [mm, square] of spots.sort((a, b) => a[0] - b[0])) {
    const last = holes.at(-1);
    if (last && mm - last.from <= ONE_HOLE_MM) {
      last.to = mm;
      last.square += square;
    } else holes.push({ from: mm, to: mm, square });
  }
  const bitOf = ({ square }: { square: number }) => Math.min(mostM, Math.max(widestM, Math.sqrt(square / HOLE_FILL) / 1e6));
  let worst: Close | null = null;
  for (let n = 1; n < holes.length; n++) {
    const [a, b] = [holes[n - 1], holes[n]];
    const awayM = (b.from - a.to) / 1000;
    const needM = byDiameters ? APART_DIAMETERS * Math.max(bitOf(a), bitOf(b)) : APART_M + (bitOf(a) + bitOf(b)) / 2;
    if (awayM >= needM - 1e-9 || (worst && awayM >= worst.awayM)) continue;
    worst = { room, at: rotate2([a.to / 1000, lineM], room.joistAngleRad), awayM, needM, mm: [a.to, b.from] };
  }
  return worst;
}

/** Rooms for which the runs are named; a house with more of them has no use for a list. */
const MAX_TOLD = 40;

/** One finding for each room about its nearest two holes. */
function closeByRoom(loads: readonly Load[], runs: readonly Bored[], numberOf: (n: number) => string): RuleFinding[] {
  const rooms = new Map<Room, { close: Close; half: number; joists: number }>();
  loads.forEach((load, half) => {
    if (!load?.close) return;
    const known = rooms.get(load.close.room);
    if (!known) rooms.set(load.close.room, { close: load.close, half, joists: 1 });
    else {
      known.joists++;
      if (load.close.awayM < known.close.awayM) Object.assign(known, { close: load.close, half });
    }
  });
  // One look over all runs for the joists that are told.
  const told = new Map(
    [...rooms.values()].map((one) => [one.half - (one.half % 2), { mm: one.close.mm, numbers: [] as string[] }]),
  );
  if (rooms.size <= MAX_TOLD)
    runs.forEach(({ throughs }, n) => {
      for (let k = 0; k < throughs.length; k += EACH) {
        const one = told.get(throughs[k] - (throughs[k] % 2));
        if (one?.mm.includes(throughs[k + 2])) one.numbers.push(numberOf(n));
      }
    });
  return [...rooms]
    .sort(([a], [b]) => (a.id < b.id ? -1 : 1))
    .map(([{ id, code, name }, { close, half, joists }]) => {
      const { awayM, needM, at } = close;
      const { numbers } = told.get(half - (half % 2))!;
      return say(
        'look',
        'bores-close',
        [{ in: 'rooms', id }],
        { number: code, place: name, joists, awayM, needM, runs: numbersOf(numbers), at },
        { measured: awayM, allowed: needM, unit: 'm' },
      );
    });
}

/** Bits were each cable to have a hole of its own. */
const ownBits = (through: Map<number, Bored[]>): number[] =>
  [...through.values()].flatMap((runs) => runs.map(({ bitM }) => bitM));

/** Bits of the holes that the cables of each place need. A hole that no allowed bit makes is told by the rule about widths. */
const packedBits = (through: Map<number, Bored[]>, maxM: number): number[] =>
  [...through.values()].flatMap(
    (runs) =>
      holesFor(
        runs.map(({ diameterM }) => diameterM),
        maxM,
      )?.map(({ bitM }) => bitM) ?? [],
  );

/** As many of the widest bit as the cables of each place fill at the least. */
function atLeastBits(squares: Load['squares'], maxM: number): number[] {
  const bitM = BITS_M.findLast((bit) => bit <= maxM + 1e-9);
  if (bitM === undefined) return [];
  const max = HOLE_FILL * (bitM * 1e6) ** 2;
  const holes = [...squares.values()].reduce((sum, square) => sum + Math.ceil(square / max - 1e-6), 0);
  return Array.from({ length: holes }, () => bitM);
}

/** One finding for each room, about the worst of its joists. */
function byRoom(crowds: readonly Crowd[]): RuleFinding[] {
  const rooms = new Map<Room, Crowd[]>();
  for (const one of crowds) rooms.set(one.room, [...(rooms.get(one.room) ?? []), one]);
  return [...rooms]
    .sort(([a], [b]) => (a.id < b.id ? -1 : 1))
    .map(([{ id: roomId, code, name }, those]) => {
      const { holes, cables, needM, freeM, at } = those.reduce((a, b) => (b.needM / b.freeM > a.needM / a.freeM ? b : a));
      return say(
        'stop',
        'bores-crowded',
        [{ in: 'rooms', id: roomId }],
        { number: code, place: name, joists: those.length, count: holes, cables, needM, freeM, at },
        { measured: needM, allowed: freeM, unit: 'm', cures: (house) => hungCeiling(house, roomId) },
      );
    });
}

/** A ceiling hung under the joists: cables lie on it and nothing is bored. */
function hungCeiling(project: ProjectDocument, roomId: string): Cure[] {
  const room = project.rooms[roomId];
  const operation = room && update('rooms', room, { framing: 'dropped' });
  return operation ? [{ code: 'hang-ceiling', figures: { place: room.name }, operations: [operation] }] : [];
}

/** The holes of one joist keep their distance from each other: there is room for all of them where it may be bored (ENGINEERING 7.2). */
export const boresApart = defineCheck({
  id: 'bores-apart',
  title: 'Holes in one joist keep their distance from each other',
  source: 'IRC R502.8; BS 5268, Approved Document A',
  calculators: ['bore-limit'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'rooms',
  reads: ['runs'],
  safety: true,
  nodes: [CROWDS, BORED_BY_RUN],
  run: ({ read }) => {
    const { loads } = read.get(CROWDS);
    const crowded = byRoom(loads.flatMap((load) => load?.crowd ?? []));
    if (!loads.some((load) => load?.close)) return crowded;
    const rows = read.rows('runs');
    const close = closeByRoom(loads, read.all(BORED_BY_RUN), (n) => rows[n].number);
    return [...crowded, ...close];
  },
});
