import { patchedMap, whole } from '../derive/index.ts';
import { BITS_M, HOLE_FILL, holesFor } from '../calculators/index.ts';
import { INCH_M, rotate2 } from '../math/index.ts';
import { type ProjectDocument, type Room, update } from '../model/index.ts';
import { numbersOf } from './beside.ts';
import { type Bored, BORED_BY_RUN, type Half, JOIST_HALVES } from './bored-by-run.ts';
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
const EACH = 2;

/** Holes within this along a joist are one place, mm. */
const PLACE_MM = 50;

/** What goes through one half of a joist: the runs in any order, and where along it each goes, mm. */
interface Load {
  readonly runs: readonly Bored[];
  readonly mm: readonly number[];
}

const NO_LOAD: Load = { runs: [], mm: [] };

interface Crowds {
  /** By the number of the half of a joist. */
  readonly loads: readonly (Load | undefined)[];
  readonly crowds: ReadonlyMap<number, Crowd>;
  /** By the number of the first half of a joist. */
  readonly close: ReadonlyMap<number, Close>;
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
    // A run that bores the same is the same value again; each value belongs to one run.
    const now = new Set(before ? runs : []);
    const then = new Set(was);
    const loads = [...(before?.value.loads ?? [])];
    const touched = takenOut(
      loads,
      was.filter((bored) => !now.has(bored)),
    );
    putIn(
      loads,
      runs.filter((bored) => !then.has(bored)),
      touched,
    );
    // Holes of a whole joist are looked at together: its halves are numbered one after the other.
    const joists = new Set([...touched].map((number) => number - (number % 2)));
    return {
      loads,
      crowds: patchedMap(before?.value.crowds, touched, (number) => crowdOf(halves[number], loads[number]!)),
      close: patchedMap(before?.value.close, joists, (first) =>
        closeOf(halves[first], [loads[first] ?? NO_LOAD, loads[first + 1] ?? NO_LOAD]),
      ),
    };
  },
});

/** Takes some runs out of the loads; tells the halves that it touched. */
function takenOut(loads: (Load | undefined)[], gone: readonly Bored[]): Set<number> {
  const touched = new Set<number>();
  const isGone = new Set(gone);
  for (const { throughs } of gone) for (let k = 0; k < throughs.length; k += EACH) touched.add(throughs[k]);
  for (const number of touched) {
    const { runs, mm } = loads[number]!;
    loads[number] = { runs: runs.filter((run) => !isGone.has(run)), mm: mm.filter((_, n) => !isGone.has(runs[n])) };
  }
  return touched;
}

/** Puts some runs to the loads, and the halves that this touched to those touched before. */
function putIn(loads: (Load | undefined)[], come: readonly Bored[], touched: Set<number>): void {
  const own = new Map<number, { readonly runs: Bored[]; readonly mm: number[] }>();
  for (const bored of come)
    for (let k = 0; k < bored.throughs.length; k += EACH) {
      const number = bored.throughs[k];
      let load = own.get(number);
      if (!load) {
        const { runs, mm } = loads[number] ?? NO_LOAD;
        own.set(number, (load = { runs: [...runs], mm: [...mm] }));
        loads[number] = load;
        touched.add(number);
      }
      load.runs.push(bored);
      load.mm.push(bored.throughs[k + 1]);
    }
}

/** Cables that are put into holes one by one; of more it is enough how many holes they fill at the least. */
const MAX_PACKED = 60;

/** Length of a joist that holes take with what must be left between them, m. */
function wantedM({ byDiameters }: Half, count: number, widestM: number, allM: number): number {
  return byDiameters ? (count - 1) * APART_DIAMETERS * widestM : allM + (count - 1) * APART_M;
}

function crowdOf(half: Half, { runs, mm }: Load): Crowd | null {
  const { room, lineM, freeM, mostM: maxM } = half;
  const cables = runs.length;
  if (cables < 2) return null;
  const wanted = (bits: readonly number[]) =>
    wantedM(
      half,
      bits.length,
      Math.max(...bits),
      bits.reduce((sum, bitM) => sum + bitM, 0),
    );
  // Where each of a few cables has room for a hole of its own, there is nothing to look for.
  const isFew = cables <= MAX_PACKED;
  if (isFew && wanted(runs.map(({ bitM }) => bitM)) <= freeM) return null;
  const places = new Map<number, Bored[]>();
  runs.forEach((run, n) => {
    const place = Math.round(mm[n] / PLACE_MM);
    const there = places.get(place);
    if (there) there.push(run);
    else places.set(place, [run]);
  });
  const bits = isFew ? packedBits(places, maxM) : atLeastBits(places, maxM);
  if (bits.length < 2) return null;
  const needM = wanted(bits);
  if (needM <= freeM * (1 + 1e-9)) return null;
  const [fullest] = [...places].reduce((a, b) => (squaresOf(b[1]) > squaresOf(a[1]) ? b : a));
  const at = rotate2([(fullest * PLACE_MM) / 1000, lineM], room.joistAngleRad);
  return { room, at, holes: bits.length, cables, needM, freeM };
}

/** Squares of the diameters of some cables together, um2. */
const squaresOf = (runs: readonly Bored[]): number =>
  runs.reduce((sum, { diameterM }) => sum + Math.round(diameterM * 1e6) ** 2, 0);

/** Cables so near to each other go through one hole, mm. */
const ONE_HOLE_MM = 50;

/** The nearest two holes of a joist, where they are nearer than they may be. */
function closeOf({ room, lineM, byDiameters, mostM }: Half, loads: readonly Load[]): Close | null {
  const spots = new Map<number, number>();
  let widestM = 0;
  for (const { runs, mm } of loads)
    runs.forEach(({ bitM, diameterM }, n) => {
      if (bitM > widestM) widestM = bitM;
      spots.set(mm[n], (spots.get(mm[n]) ?? 0) + Math.round(diameterM * 1e6) ** 2);
    });
  if (spots.size < 2) return null;
  const holes: { from: number; to: number; square: number }[] = [];
  for (const [mm, square] of [...spots].sort((a, b) => a[0] - b[0])) {
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

/** One finding for each room about its nearest two holes. */
function closeByRoom({ close, loads }: Crowds): RuleFinding[] {
  const rooms = new Map<Room, { first: number; joists: number }>();
  for (const [first, { room, awayM }] of close) {
    const known = rooms.get(room);
    if (!known) rooms.set(room, { first, joists: 1 });
    else {
      known.joists++;
      const nearestM = close.get(known.first)!.awayM;
      if (awayM < nearestM || (awayM === nearestM && first < known.first)) known.first = first;
    }
  }
  return [...rooms]
    .sort(([a], [b]) => (a.id < b.id ? -1 : 1))
    .map(([{ id, code, name }, { first, joists }]) => {
      const { awayM, needM, at, mm } = close.get(first)!;
      const numbers = [loads[first], loads[first + 1]].flatMap((load) =>
        load ? load.runs.filter((_, n) => mm.includes(load.mm[n])).map(({ number }) => number) : [],
      );
      return say(
        'look',
        'bores-close',
        [{ in: 'rooms', id }],
        { number: code, place: name, joists, awayM, needM, runs: numbersOf(numbers), at },
        { measured: awayM, allowed: needM, unit: 'm' },
      );
    });
}

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
function atLeastBits(places: ReadonlyMap<number, readonly Bored[]>, maxM: number): number[] {
  const bitM = BITS_M.findLast((bit) => bit <= maxM + 1e-9);
  if (bitM === undefined) return [];
  const max = HOLE_FILL * (bitM * 1e6) ** 2;
  const holes = [...places.values()].reduce((sum, runs) => sum + Math.ceil(squaresOf(runs) / max - 1e-6), 0);
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
  reads: [],
  safety: true,
  nodes: [CROWDS],
  run: ({ read }) => {
    const found = read.get(CROWDS);
    const crowds = [...found.crowds].sort((a, b) => a[0] - b[0]).map(([, crowd]) => crowd);
    return [...byRoom(crowds), ...closeByRoom(found)];
  },
});
