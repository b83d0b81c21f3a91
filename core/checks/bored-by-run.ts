import { bitFor, boreLimit, holeForM, isOutsideSpan, type BoreLimit } from '../boring/index.ts';
import { spanAt, spanShare, type Span } from '../building/index.ts';
import { boredDepthM } from '../drilling/index.ts';
import { Each, Stamps, type ProjectDocument, type Room, type Stamp } from '../project/index.ts';
import type { Hole } from '../routing/index.ts';
import { holesOfRun, type PlannedRun } from '../runs/index.ts';

/** A hole of one run that its member does not allow. */
export interface Bad {
  readonly code: 'bore-too-large' | 'bore-off-span' | 'bore-engineered';
  readonly hole: Hole;
  readonly number: string;
  /** Diameter that is needed, m, or share of the span. */
  readonly measured: number | null;
  readonly allowed: number | null;
}

/** What a run bores: what of it is not allowed, and the halves of joists that it goes through. */
export interface Bored {
  readonly bad: readonly Bad[];
  readonly diameterM: number;
  /** The bit for a hole of its own, m; infinite where no bit is wide enough. */
  readonly bitM: number;
  /** Number of the half of a joist, place along it in steps of `PLACE_M`, and so on in turn. */
  readonly throughs: readonly number[];
}

/** Holes of one joist lie on one line of it, and those of one place within this, m. */
const LINE_M = 0.02;
export const PLACE_M = 0.05;

/** One half of a joist, from a support to the middle. */
export interface Half {
  readonly room: Room;
  readonly lineM: number;
  /** What of its length may be bored, m, and the widest bit there, m. */
  readonly freeM: number;
  readonly mostM: number;
  /** Whether holes keep apart by their diameters from middle to middle, or by a length from edge to edge. */
  readonly byDiameters: boolean;
}

/** All runs of a house with what they bore, while the house is the same. */
export interface BoredHouse {
  readonly stamp: Stamp;
  readonly halves: readonly Half[];
  readonly runs: readonly Bored[];
}

const NOTHING: Bored = { bad: [], diameterM: 0, bitM: 0, throughs: [] };
const stamps = new Stamps();
const looks = new WeakMap<Stamp, Look>();
const each = new Each<PlannedRun, Bored>();

/** What the runs bore. A run that is the same in a house that is the same is not looked at again. */
export function boredByRun(document: ProjectDocument, runs: readonly PlannedRun[]): BoredHouse {
  const { project, levels, rooms, walls, features, framingMembers, cableTypes } = document;
  const stamp = stamps.of([project, levels, rooms, walls, features, framingMembers, cableTypes]);
  let look = looks.get(stamp);
  if (!look) looks.set(stamp, (look = new Look(document)));
  return { stamp, halves: look.halves, runs: each.over(runs, stamp, look.boredOf) };
}

type AddBad = (hole: Hole, code: Bad['code'], measured: number | null, allowed: number | null) => void;

/** The joists over a room as far as a look has met them. */
interface Ceiling {
  readonly limit: BoreLimit;
  /** Numbers of the two halves of each joist, by its line and its first end. */
  readonly numbers: Map<number, readonly [number, number]>;
}

/** One look at one state of a house: the halves of its joists are numbered as they are first met. */
class Look {
  readonly halves: Half[] = [];
  private readonly ceilings = new Map<Room, Ceiling>();

  constructor(private readonly document: ProjectDocument) {}

  readonly boredOf = (planned: PlannedRun): Bored => {
    if (planned.points.length < 2) return NOTHING;
    const { document } = this;
    const diameterM = document.cableTypes[planned.run.cableTypeId].outsideDiameterM;
    const needM = holeForM([diameterM]);
    const bad: Bad[] = [];
    const throughs: number[] = [];
    const { number } = planned.run;
    const add: AddBad = (hole, code, measured, allowed) => bad.push({ code, hole, number, measured, allowed });
    for (const hole of holesOfRun(document, planned)) {
      const { member, wallId, roomId } = hole;
      const room = roomId === null ? undefined : document.rooms[roomId];
      if (member === 'joist' && room) {
        this.joist(room, hole, needM, throughs, add);
        continue;
      }
      const depthM = boredDepthM(member, wallId === null ? undefined : document.walls[wallId], room);
      if (depthM === null) continue;
      const { mostM } = boreLimit(member === 'stud' ? 'stud' : 'plate', depthM, document.project.jurisdiction);
      if (needM > mostM + 1e-9) add(hole, 'bore-too-large', needM, mostM);
    }
    return bad.length + throughs.length > 0 ? { bad, diameterM, bitM: bitFor(needM) ?? Infinity, throughs } : NOTHING;
  };

  private joist(room: Room, hole: Hole, needM: number, throughs: number[], add: AddBad): void {
    // Engineered joists wait for their maker's paper whatever is bored.
    if (room.framing === 'i-joist') {
      add(hole, 'bore-engineered', null, null);
      return;
    }
    const ceiling = this.ceilingOf(room);
    const { mostM, spanShares } = ceiling.limit;
    if (needM > mostM + 1e-9) add(hole, 'bore-too-large', needM, mostM);
    const span = spanAt(room, [hole.at[0], hole.at[1]]);
    if (!span) return;
    const first = span.atM - span.fromM <= span.toM - span.atM;
    throughs.push(this.halvesOf(ceiling, room, span)[first ? 0 : 1], Math.round(span.atM / PLACE_M));
    if (!spanShares || room.framing !== 'solid') return;
    const share = spanShare(span);
    if (isOutsideSpan(spanShares, share))
      add(hole, 'bore-off-span', share, share < spanShares[0] ? spanShares[0] : spanShares[1]);
  }

  private ceilingOf(room: Room): Ceiling {
    let ceiling = this.ceilings.get(room);
    if (!ceiling) {
      const limit = boreLimit('joist', room.joistDepthM, this.document.project.jurisdiction);
      this.ceilings.set(room, (ceiling = { limit, numbers: new Map() }));
    }
    return ceiling;
  }

  private halvesOf({ limit, numbers }: Ceiling, room: Room, { lineM, fromM, toM }: Span): readonly [number, number] {
    const key = Math.round(lineM / LINE_M) * 65_536 + Math.round(fromM / LINE_M);
    let pair = numbers.get(key);
    if (!pair) {
      const { mostM, spanShares } = limit;
      const freeM = (spanShares ? spanShares[1] - spanShares[0] : 0.5) * (toM - fromM);
      const half: Half = { room, lineM, freeM, mostM, byDiameters: spanShares !== null };
      pair = [this.halves.push(half) - 1, this.halves.push(half) - 1];
      numbers.set(key, pair);
    }
    return pair;
  }
}
