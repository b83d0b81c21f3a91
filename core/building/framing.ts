import { distance2, levelCrossings, rotate2, type Point2 } from '../geometry/index.ts';
import { listOf, type FramingMember, type ProjectDocument, type Room, type Wall } from '../project/index.ts';

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
): Framed[] {
  const framed: Framed[] = [];
  if (spacingM > 0.01) {
    const count = Math.ceil((fromM - firstM) / spacingM - 1e-9);
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
export function studsOf(document: Pick<ProjectDocument, 'framingMembers'>, wall: Wall): Framed[] {
  if (wall.studMaterial === 'none' || wall.studSpacingM <= 0) return [];
  const lengthM = distance2(wall.a, wall.b);
  const half = wall.studWidthM / 2;
  const own = listOf(document, 'framingMembers').filter((m) => m.wallId === wall.id);
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

/** Joists above a room as lines within its outline; offsets run to the left of the joists from the line through the origin. */
export function joistsOf(document: Pick<ProjectDocument, 'framingMembers'>, room: Room): JoistLine[] {
  if (room.framing === 'none' || room.framing === 'dropped' || room.framing === 'slab') return [];
  const turned = room.polygon.map((p) => rotate2(p, -room.joistAngleRad));
  const vs = turned.map((p) => p[1]);
  const own = listOf(document, 'framingMembers').filter((m) => m.roomId === room.id);
  const widthM = room.framing === 'i-joist' ? 0.06 : 0.045;
  return byRule(room.joistOffsetM, room.joistSpacingM, Math.min(...vs), Math.max(...vs), widthM, 'joist', own).flatMap(
    (joist) => {
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
    },
  );
}

interface Turned {
  readonly cos: number;
  readonly sin: number;
  readonly polygon: readonly Point2[];
  /** Where the outline ends a joist, by its line in micrometres: many holes lie in the same few joists. */
  readonly ends: Map<number, readonly number[]>;
}
const turnedOf = new WeakMap<Room, Turned>();
const MOST_LINES = 500;

/** The joist at a place: how far to the left of the line through the origin it lies, and its span along itself. */
export interface Span {
  readonly lineM: number;
  readonly fromM: number;
  readonly toM: number;
  /** The place along it. */
  readonly atM: number;
}

/** The span of the joist at a place, m; null outside the room. The room's outline bears it. */
export function spanAt(room: Room, p: Point2): Span | null {
  let turned = turnedOf.get(room);
  if (!turned) {
    const [cos, sin] = [Math.cos(-room.joistAngleRad), Math.sin(-room.joistAngleRad)];
    turned = {
      cos,
      sin,
      polygon: room.polygon.map((corner) => rotate2(corner as Point2, -room.joistAngleRad)),
      ends: new Map(),
    };
    turnedOf.set(room, turned);
  }
  const atM = p[0] * turned.cos - p[1] * turned.sin;
  const lineM = p[0] * turned.sin + p[1] * turned.cos;
  const micron = Math.round(lineM * 1e6);
  let us = turned.ends.get(micron);
  if (!us) {
    if (turned.ends.size > MOST_LINES) turned.ends.clear();
    turned.ends.set(micron, (us = levelCrossings(turned.polygon, (micron + 1) / 1e6)));
  }
  for (let k = 0; k + 1 < us.length; k += 2)
    if (atM >= us[k] - 1e-6 && atM <= us[k + 1] + 1e-6) return { lineM, fromM: us[k], toM: us[k + 1], atM };
  return null;
}

/** Share of a span from its nearer support, 0 to 0.5. */
export const spanShare = ({ fromM, toM, atM }: Span): number => Math.max(0, Math.min(atM - fromM, toM - atM)) / (toM - fromM);

/** Share of the span of the joist at a place from its nearer support, 0 to 0.5; null outside the room. */
export function spanShareAt(room: Room, p: Point2): number | null {
  const span = spanAt(room, p);
  return span && spanShare(span);
}

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

type Members = Pick<ProjectDocument, 'framingMembers'>;

/** What is worked out of a wall or room and of what was found in it, once for each state of both. */
function keptFor<T extends object, R>(work: (source: Members, of: T) => R): (source: Members, of: T) => R {
  const kept = new WeakMap<T, { readonly members: unknown; readonly result: R }>();
  return (source, of) => {
    const known = kept.get(of);
    if (known?.members === source.framingMembers) return known.result;
    const result = work(source, of);
    kept.set(of, { members: source.framingMembers, result });
    return result;
  };
}

/** Studs of a wall; worked out once for each state of the wall and of what was found in it. */
export const studsIn: (source: Members, wall: Wall) => readonly Framed[] = keptFor(studsOf);

/** Joists of a room, each once however many lines it makes in the room's outline. */
export const joistsIn: (source: Members, room: Room) => readonly Framed[] = keptFor((source: Members, room: Room) => {
  const seen = new Set<number>();
  return joistsOf(source, room).filter(({ offsetM }) => !seen.has(offsetM) && seen.add(offsetM));
});
