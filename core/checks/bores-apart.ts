import { BITS_M, boreLimit, HOLE_FILL, holesFor } from '../boring/index.ts';
import { spanAt } from '../building/index.ts';
import { Each, Stamps, update, type ProjectDocument, type Stamp } from '../project/index.ts';
import { holesOfRun, type PlannedRun } from '../runs/index.ts';
import { defineCheck, say, type Cure, type FindingDraft } from './check.ts';

/** Between two holes of a joist edge to edge, m (IRC R502.8: 2 in); in the UK and EU three diameters from middle to middle. */
const APART_M = 0.0508;
const APART_DIAMETERS = 3;
/** Holes of one joist lie on one line of it, and those of one place within this, m. */
const LINE_M = 0.02;
const PLACE_M = 0.05;

/** The holes of one joist keep their distance from each other: there is room for all of them where it may be bored (ENGINEERING 7.2). */
export const boresApart = defineCheck({
  id: 'bores-apart',
  title: 'Holes in one joist keep their distance from each other',
  source: 'F7.3 (IRC R502.8), F7.4 (BS 5268, Approved Document A)',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'rooms',
  safety: true,
  run: ({ document, runs }) => crowded.over(document, runs),
});

/** A run through a joist: which half of which joist, and where along it. */
interface Through {
  readonly key: string;
  readonly place: number;
  readonly roomId: string;
  readonly at: readonly [number, number];
  readonly diameterM: number;
}

/** Holes of one half of a joist that want more of its length than may be bored, m. */
interface Crowd {
  readonly roomId: string;
  readonly at: readonly [number, number];
  readonly holes: number;
  readonly cables: number;
  readonly needM: number;
  readonly freeM: number;
}

/** One half of a joist, from a support to the middle. */
interface Half {
  readonly through: Map<PlannedRun, Through>;
  /** Squares of the diameters that go through at each place, m2. */
  readonly squares: Map<number, number>;
  found: Crowd | null;
}

/** All halves of joists with what goes through them; after an edit only those are looked at again whose runs came or went. */
class Crowded {
  private readonly stamps = new Stamps();
  private readonly joists = new Each<PlannedRun, readonly Through[]>();
  private stamp: Stamp | null = null;
  private runs: readonly PlannedRun[] = [];
  private all: readonly (readonly Through[])[] = [];
  private halves = new Map<string, Half>();
  private findings: readonly FindingDraft[] = [];

  over(document: ProjectDocument, runs: readonly PlannedRun[]): readonly FindingDraft[] {
    const { project, levels, rooms, walls, features, framingMembers, cableTypes } = document;
    const stamp = this.stamps.of([project, levels, rooms, walls, features, framingMembers, cableTypes]);
    const all = this.joists.over(runs, stamp, (planned) => throughOf(document, planned));
    const touched = new Set<string>();
    if (stamp === this.stamp && runs.length === this.runs.length) {
      for (let n = 0; n < runs.length; n++) {
        if (runs[n] === this.runs[n]) continue;
        this.take(this.runs[n], this.all[n], touched);
        this.put(runs[n], all[n], touched);
      }
    } else {
      this.halves = new Map();
      for (let n = 0; n < runs.length; n++) this.put(runs[n], all[n], touched);
      this.findings = [];
    }
    [this.stamp, this.runs, this.all] = [stamp, runs, all];
    let differs = false;
    for (const key of touched) {
      const half = this.halves.get(key)!;
      const found = crowdOf(document, half);
      if (found !== half.found) differs = true;
      half.found = found;
      if (half.through.size === 0) this.halves.delete(key);
    }
    if (differs)
      this.findings = byRoom(
        document,
        [...this.halves.values()].flatMap(({ found }) => found ?? []),
      );
    return this.findings;
  }

  private put(planned: PlannedRun, throughs: readonly Through[], touched: Set<string>): void {
    for (const through of throughs) {
      let half = this.halves.get(through.key);
      if (!half) this.halves.set(through.key, (half = { through: new Map(), squares: new Map(), found: null }));
      half.through.set(planned, through);
      half.squares.set(through.place, (half.squares.get(through.place) ?? 0) + through.diameterM ** 2);
      touched.add(through.key);
    }
  }

  private take(planned: PlannedRun, throughs: readonly Through[], touched: Set<string>): void {
    for (const { key, place, diameterM } of throughs) {
      const half = this.halves.get(key)!;
      half.through.delete(planned);
      half.squares.set(place, half.squares.get(place)! - diameterM ** 2);
      touched.add(key);
    }
  }
}
const crowded = new Crowded();
const NONE: readonly Through[] = [];

function throughOf(document: ProjectDocument, planned: PlannedRun): readonly Through[] {
  if (planned.points.length < 2) return NONE;
  const found: Through[] = [];
  for (const { member, roomId, at } of holesOfRun(document, planned)) {
    if (member !== 'joist' || roomId === null) continue;
    const room = document.rooms[roomId];
    const span = spanAt(room, [at[0], at[1]]);
    // Engineered joists wait for their maker's paper whatever is bored.
    if (!span || room.framing === 'i-joist') continue;
    const first = span.atM - span.fromM <= span.toM - span.atM;
    found.push({
      key: `${roomId}/${(Math.round(span.lineM / LINE_M) * 65_536 + Math.round(span.fromM / LINE_M)) * 2 + Number(first)}`,
      place: Math.round(span.atM / PLACE_M),
      roomId,
      at: [at[0], at[1]],
      diameterM: document.cableTypes[planned.run.cableTypeId].outsideDiameterM,
    });
  }
  return found;
}

function crowdOf(document: ProjectDocument, { through, squares }: Half): Crowd | null {
  if (through.size < 2) return null;
  const [{ roomId, at }] = through.values();
  const room = document.rooms[roomId];
  const { mostM, spanShares } = boreLimit('joist', room.joistDepthM, document.project.jurisdiction);
  const span = spanAt(room, [at[0], at[1]])!;
  const spanM = span.toM - span.fromM;
  const freeM = spanShares ? (spanShares[1] - spanShares[0]) * spanM : spanM / 2;
  const wantedM = (count: number, widestM: number, allM: number) =>
    spanShares ? (count - 1) * APART_DIAMETERS * widestM : allM + (count - 1) * APART_M;
  // Were each cable in a hole of its own, as wide as may be, and all fit, there is nothing to look for.
  if (wantedM(through.size, mostM, through.size * mostM) <= freeM) return null;
  const bits = through.size > MOST_PACKED ? atLeastBits(squares, mostM) : packedBits(through, mostM);
  if (bits.length < 2) return null;
  const needM = wantedM(
    bits.length,
    Math.max(...bits),
    bits.reduce((sum, bitM) => sum + bitM, 0),
  );
  return needM > freeM * (1 + 1e-9) ? { roomId, at, holes: bits.length, cables: through.size, needM, freeM } : null;
}

/** Cables that are put into holes one by one; of more it is enough how many holes they fill at the least. */
const MOST_PACKED = 60;

/** Bits of the holes that the cables of each place need. A hole that no allowed bit makes is told by the rule about widths. */
function packedBits(through: Half['through'], mostM: number): number[] {
  const byPlace = new Map<number, number[]>();
  for (const { place, diameterM } of through.values()) {
    const there = byPlace.get(place);
    if (there) there.push(diameterM);
    else byPlace.set(place, [diameterM]);
  }
  return [...byPlace.values()].flatMap((diameters) => holesFor(diameters, mostM)?.map(({ bitM }) => bitM) ?? []);
}

/** As many of the widest bit as the cables of each place fill at the least. */
function atLeastBits(squares: Half['squares'], mostM: number): number[] {
  const bitM = BITS_M.findLast((bit) => bit <= mostM + 1e-9);
  if (bitM === undefined) return [];
  const holes = [...squares.values()].reduce((sum, square) => sum + Math.ceil(square / (HOLE_FILL * bitM ** 2) - 1e-6), 0);
  return Array.from({ length: holes }, () => bitM);
}

/** One finding for each room, about the worst of its joists. */
function byRoom(document: ProjectDocument, crowds: readonly Crowd[]): FindingDraft[] {
  const rooms = new Map<string, Crowd[]>();
  for (const one of crowds) rooms.set(one.roomId, [...(rooms.get(one.roomId) ?? []), one]);
  return [...rooms]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([roomId, those]) => {
      const { holes, cables, needM, freeM, at } = those.reduce((a, b) => (b.needM / b.freeM > a.needM / a.freeM ? b : a));
      const { code, name } = document.rooms[roomId];
      return say(
        'bores-apart',
        'stop',
        'bores-crowded',
        [{ in: 'rooms', id: roomId }],
        { number: code, place: name, joists: those.length, count: holes, cables, needM, freeM, at },
        { measured: needM, allowed: freeM, unit: 'm', cures: (house) => hungCeiling(house, roomId) },
      );
    });
}

/** A ceiling hung under the joists: cables lie on it and nothing is bored. */
function hungCeiling(document: ProjectDocument, roomId: string): Cure[] {
  const room = document.rooms[roomId];
  const operation = room && update('rooms', room, { framing: 'dropped' });
  return operation ? [{ code: 'hang-ceiling', figures: { place: room.name }, operations: [operation] }] : [];
}
