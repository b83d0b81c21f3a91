import { each, whole } from '../derive/index.ts';
import { bitFor, boreLimit, type BoreLimit, holeForM, isOutsideSpan } from '../calculators/index.ts';
import { BUILDING, FRAMING, framingOf, type Span, spanShare } from '../house/index.ts';
import { boredDepthM } from '../pathways/index.ts';
import { type ProjectDocument, type Room, sameValue } from '../model/index.ts';
import type { Hole } from '../routing/index.ts';
import { holesOfRun, PLANNED_RUN, type PlannedRun } from '../runs/index.ts';

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
  readonly number: string;
  readonly bad: readonly Bad[];
  readonly diameterM: number;
  /** The bit for a hole of its own, m; infinite where no bit is wide enough. */
  readonly bitM: number;
  /** Number of the half of a joist, place along it in mm, and so on in turn. */
  readonly throughs: readonly number[];
}

/** Holes of one joist lie on one line of it, m. */
const LINE_M = 0.02;

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

const NOTHING: Bored = { number: '', bad: [], diameterM: 0, bitM: 0, throughs: [] };

type AddBad = (hole: Hole, code: Bad['code'], measured: number | null, allowed: number | null) => void;

/** The joists over a room as far as a look has met them. */
interface Ceiling {
  readonly limit: BoreLimit;
  /** Numbers of the two halves of each joist, by its line and its first end. */
  readonly numbers: Map<number, readonly [number, number]>;
}

/** The halves of the joists of a house, numbered as they are first met. */
export class JoistHalves {
  readonly halves: Half[] = [];
  private readonly ceilings = new Map<Room, Ceiling>();

  boredOf(project: ProjectDocument, planned: PlannedRun): Bored {
    if (planned.points.length < 2) return NOTHING;
    const diameterM = project.cableTypes[planned.run.cableTypeId].outsideDiameterM;
    const needM = holeForM([diameterM]);
    const bad: Bad[] = [];
    const throughs: number[] = [];
    const { number } = planned.run;
    const add: AddBad = (hole, code, measured, allowed) => bad.push({ code, hole, number, measured, allowed });
    for (const hole of holesOfRun(project, planned)) {
      const { member, wallId, roomId } = hole;
      const room = roomId === null ? undefined : project.rooms[roomId];
      if (member === 'joist' && room) {
        this.joist(project, room, hole, needM, throughs, add);
        continue;
      }
      const depthM = boredDepthM(member, wallId === null ? undefined : project.walls[wallId], room);
      if (depthM === null) continue;
      const { mostM: maxM } = boreLimit(member === 'stud' ? 'stud' : 'plate', depthM, project.project.jurisdiction);
      if (needM > maxM + 1e-9) add(hole, 'bore-too-large', needM, maxM);
    }
    return bad.length + throughs.length > 0 ? { number, bad, diameterM, bitM: bitFor(needM) ?? Infinity, throughs } : NOTHING;
  }

  private joist(project: ProjectDocument, room: Room, hole: Hole, needM: number, throughs: number[], add: AddBad): void {
    // Engineered joists wait for their maker's paper whatever is bored.
    if (room.framing === 'i-joist') {
      add(hole, 'bore-engineered', null, null);
      return;
    }
    const ceiling = this.ceilingOf(project, room);
    const { mostM: maxM, spanShares } = ceiling.limit;
    if (needM > maxM + 1e-9) add(hole, 'bore-too-large', needM, maxM);
    const span = framingOf(project).spanAt(room, [hole.at[0], hole.at[1]]);
    if (!span) return;
    const first = span.atM - span.fromM <= span.toM - span.atM;
    throughs.push(this.halvesOf(ceiling, room, span)[first ? 0 : 1], Math.round(span.atM * 1000));
    if (!spanShares || room.framing !== 'solid') return;
    const share = spanShare(span);
    if (isOutsideSpan(spanShares, share))
      add(hole, 'bore-off-span', share, share < spanShares[0] ? spanShares[0] : spanShares[1]);
  }

  private ceilingOf(project: ProjectDocument, room: Room): Ceiling {
    let ceiling = this.ceilings.get(room);
    if (!ceiling) {
      const limit = boreLimit('joist', room.joistDepthM, project.project.jurisdiction);
      this.ceilings.set(room, (ceiling = { limit, numbers: new Map() }));
    }
    return ceiling;
  }

  private halvesOf({ limit, numbers }: Ceiling, room: Room, { lineM, fromM, toM }: Span): readonly [number, number] {
    const key = Math.round(lineM / LINE_M) * 65_536 + Math.round(fromM / LINE_M);
    let pair = numbers.get(key);
    if (!pair) {
      const { mostM: maxM, spanShares } = limit;
      const freeM = (spanShares ? spanShares[1] - spanShares[0] : 0.5) * (toM - fromM);
      const half: Half = { room, lineM, freeM, mostM: maxM, byDiameters: spanShares !== null };
      pair = [this.halves.push(half) - 1, this.halves.push(half) - 1];
      numbers.set(key, pair);
    }
    return pair;
  }
}

export const JOIST_HALVES = whole<JoistHalves>({
  name: 'halves of joists',
  tables: ['project'],
  nodes: [BUILDING],
  make: () => new JoistHalves(),
});

/** What each run bores. */
export const BORED_BY_RUN = each<'runs', Bored>({
  name: 'what a run bores',
  over: 'runs',
  tables: ['project', 'levels', 'rooms', 'walls', 'cableTypes'],
  nodes: [BUILDING, FRAMING, JOIST_HALVES],
  beside: [PLANNED_RUN],
  make: ({ id }, read) => read.get(JOIST_HALVES).boredOf(read.project, read.one(PLANNED_RUN, id)!),
  alike: sameValue,
});
