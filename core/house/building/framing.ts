import { distance2, levelCrossings, type Point2, rotate2 } from '../../math/index.ts';
import type { FramingMember, ProjectDocument, Room, Wall } from '../../model/index.ts';
import { derivationsOf, listOf, Remembered, whole } from '../../derive/index.ts';

/** A stud or joist: where its centre is along the rule, how thick, and whether anybody has measured it. m. */
export interface Framed {
  readonly offsetM: number;
  readonly widthM: number;
  readonly kind: FramingMember['kind'];
  readonly measured: boolean;
  readonly memberId: string | null;
}

/** A measured member takes the place of the assumed one that is nearer than half the spacing. */
function byRule(
  firstM: number,
  spacingM: number,
  fromM: number,
  toM: number,
  widthM: number,
  kind: 'stud' | 'joist',
  measured: readonly FramingMember[],
  leastNumber = -Infinity,
): Framed[] {
  const framed: Framed[] = [];
  if (spacingM > 0.01) {
    const count = Math.max(leastNumber, Math.ceil((fromM - firstM) / spacingM - 1e-9));
    for (
      let k = count, offsetM = firstM + k * spacingM;
      offsetM <= toM + 1e-9 && framed.length < 5000;
      offsetM = firstM + ++k * spacingM
    ) {
      if (measured.some((m) => m.kind !== 'blocking' && Math.abs(m.offsetM - offsetM) < Math.min(0.2, spacingM / 2))) continue;
      framed.push({ offsetM, widthM, kind, measured: false, memberId: null });
    }
  }
  for (const m of measured) {
    if (m.present && m.kind !== 'blocking')
      framed.push({ offsetM: m.offsetM, widthM: m.widthM, kind: m.kind, measured: true, memberId: m.id });
  }
  return framed.sort((a, b) => a.offsetM - b.offsetM);
}

/** Studs of a wall from its end a: an end stud each, the spacing rule, and what was found. */
export function studsOf(project: Pick<ProjectDocument, 'framingMembers'>, wall: Wall): Framed[] {
  if (wall.studMaterial === 'none' || wall.studSpacingM <= 0) return [];
  const lengthM = distance2(wall.a, wall.b);
  const half = wall.studWidthM / 2;
  const own = listOf(project, 'framingMembers').filter((m) => m.wallId === wall.id);
  const between = byRule(
    wall.studOffsetM,
    wall.studSpacingM,
    wall.studWidthM,
    lengthM - wall.studWidthM,
    wall.studWidthM,
    'stud',
    own,
  );
  const end = (offsetM: number): Framed[] =>
    own.some((m) => Math.abs(m.offsetM - offsetM) < 0.1)
      ? []
      : [{ offsetM, widthM: wall.studWidthM, kind: 'stud', measured: false, memberId: null }];
  return [...end(half), ...between, ...end(lengthM - half)].sort((a, b) => a.offsetM - b.offsetM);
}

export interface JoistLine extends Framed {
  readonly a: Point2;
  readonly b: Point2;
}

/**
 * Number of the lowest joist of a room, counted from its first one: where the first joist was found within the room none stands before
 * it; one that lies outside, or on the line through the origin where nobody looked, only says where the others fall.
 */
export const lowestJoist = (
  { joistOffsetM, joistSpacingM }: Pick<Room, 'joistOffsetM' | 'joistSpacingM'>,
  fromM: number,
  toM: number,
): number =>
  joistOffsetM !== 0 && joistOffsetM > fromM + 1e-9 && joistOffsetM < toM - 1e-9
    ? 0
    : Math.ceil((fromM - joistOffsetM) / joistSpacingM - 1e-9);

/** Joists above a room as lines within its outline; offsets run to the left of the joists from the line through the origin. */
export function joistsOf(project: Pick<ProjectDocument, 'framingMembers'>, room: Room): JoistLine[] {
  if (room.framing === 'none' || room.framing === 'dropped' || room.framing === 'slab') return [];
  const turned = room.polygon.map((p) => rotate2(p, -room.joistAngleRad));
  const vs = turned.map((p) => p[1]);
  const own = listOf(project, 'framingMembers').filter((m) => m.roomId === room.id);
  const widthM = room.framing === 'i-joist' ? 0.06 : 0.045;
  const [fromM, toM] = [Math.min(...vs), Math.max(...vs)];
  const lowest = lowestJoist(room, fromM, toM);
  return byRule(room.joistOffsetM, room.joistSpacingM, fromM, toM, widthM, 'joist', own, lowest).flatMap((joist) => {
    const us = levelCrossings(turned, joist.offsetM + 1e-7);
    const lines: JoistLine[] = [];
    for (let i = 0; i + 1 < us.length; i += 2) {
      lines.push({
        ...joist,
        a: rotate2([us[i], joist.offsetM], room.joistAngleRad),
        b: rotate2([us[i + 1], joist.offsetM], room.joistAngleRad),
      });
    }
    return lines;
  });
}

/** The joist at a place: how far to the left of the line through the origin it lies, and its span along itself. */
export interface Span {
  readonly lineM: number;
  readonly fromM: number;
  readonly toM: number;
  /** The place along it. */
  readonly atM: number;
}

/** Share of a span from its nearer support, 0 to 0.5. */
export const spanShare = ({ fromM, toM, atM }: Span): number => Math.max(0, Math.min(atM - fromM, toM - atM)) / (toM - fromM);

/** Clear width of the bay at an offset between two members, and its middle; null outside all bays. m. */
export function bayAt(
  framed: readonly Framed[],
  offsetM: number,
): { readonly fromM: number; readonly toM: number; readonly clearM: number; readonly middleM: number } | null {
  for (let k = 0; k + 1 < framed.length; k++) {
    const fromM = framed[k].offsetM + framed[k].widthM / 2;
    const toM = framed[k + 1].offsetM - framed[k + 1].widthM / 2;
    if (offsetM >= fromM && offsetM <= toM) return { fromM, toM, clearM: toM - fromM, middleM: (fromM + toM) / 2 };
  }
  return null;
}

/** The middles of all bays between members, m. */
export const bayMiddles = (framed: readonly Framed[]): number[] =>
  framed.slice(1).map((to, k) => (framed[k].offsetM + framed[k].widthM / 2 + to.offsetM - to.widthM / 2) / 2);

type Members = Pick<ProjectDocument, 'framingMembers'>;

/** The outline of a room turned so that its joists lie level. */
interface Turned {
  readonly cos: number;
  readonly sin: number;
  readonly polygon: readonly Point2[];
  /** Where the outline ends a joist, by its line in micrometres: many holes lie in the same few joists. */
  readonly ends: Remembered<number, readonly number[]>;
}
const MAX_LINES = 500;
const MAX_WALLS = 20_000;

/** Studs and joists of a house, by the rules of its walls and rooms and by what was found in them; each worked out once. */
export class Framing {
  private readonly ofWall = new Remembered<Wall, readonly Framed[]>(MAX_WALLS);
  private readonly ofRoom = new Remembered<Room, readonly Framed[]>(MAX_WALLS);
  private readonly turned = new Remembered<Room, Turned>(MAX_WALLS);

  constructor(private readonly members: Members) {}

  studs(wall: Wall): readonly Framed[] {
    return this.ofWall.of(wall, () => studsOf(this.members, wall));
  }

  /** Joists of a room, each once however many lines it makes in the room's outline. */
  joists(room: Room): readonly Framed[] {
    return this.ofRoom.of(room, () => {
      const seen = new Set<number>();
      return joistsOf(this.members, room).filter(({ offsetM }) => !seen.has(offsetM) && seen.add(offsetM));
    });
  }

  /** The span of the joist at a place, m; null outside the room. The room's outline bears it. */
  spanAt(room: Room, p: Point2): Span | null {
    const { cos, sin, polygon, ends } = this.turned.of(room, () => turnedOf(room));
    const atM = p[0] * cos - p[1] * sin;
    const lineM = p[0] * sin + p[1] * cos;
    const micron = Math.round(lineM * 1e6);
    const us = ends.of(micron, () => levelCrossings(polygon, (micron + 1) / 1e6));
    for (let k = 0; k + 1 < us.length; k += 2)
      if (atM >= us[k] - 1e-6 && atM <= us[k + 1] + 1e-6) return { lineM, fromM: us[k], toM: us[k + 1], atM };
    return null;
  }

  /** Share of the span of the joist at a place from its nearer support, 0 to 0.5; null outside the room. */
  spanShareAt(room: Room, p: Point2): number | null {
    const span = this.spanAt(room, p);
    return span && spanShare(span);
  }
}

function turnedOf({ polygon, joistAngleRad }: Room): Turned {
  return {
    cos: Math.cos(-joistAngleRad),
    sin: Math.sin(-joistAngleRad),
    polygon: polygon.map((corner) => rotate2(corner as Point2, -joistAngleRad)),
    ends: new Remembered(MAX_LINES),
  };
}

export const FRAMING = whole<Framing>({
  name: 'framing',
  tables: ['framingMembers'],
  make: ({ project: { framingMembers } }) => new Framing({ framingMembers }),
});

/** The framing of a project's house. */
export const framingOf = (project: ProjectDocument): Framing => derivationsOf(project).get(FRAMING);
