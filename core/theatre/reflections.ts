import { firstReflection } from '../calculators/index.ts';
import { onLevel } from '../derive/index.ts';
import { featureBox } from '../house/index.ts';
import { type Point2, pointInPolygon } from '../math/index.ts';
import type { Feature, FeatureKind, ProjectDocument, Room, SurroundChannel } from '../model/index.ts';
import type { TheatreFrame } from './frame.ts';
import type { Theatre } from './theatre.ts';

/** Where a front speaker is heard off a wall or the ceiling first; lengths in m. */
export interface Reflection {
  readonly channel: SurroundChannel;
  readonly surface: 'left' | 'right' | 'ceiling' | 'table';
  /** From the picture, and above the floor of the level; on the ceiling or a table to the right of the middle line. */
  readonly awayM: number;
  readonly atM: number;
  readonly laterMs: number;
  readonly levelDb: number;
  /** Whether an absorbing panel belongs there. */
  readonly treat: boolean;
}

const FRONTS: ReadonlySet<SurroundChannel> = new Set(['front-left', 'center', 'front-right']);

/** First reflections of the fronts for the reference seat, off the side walls and the ceiling of a room taken as a box. */
export function reflectionsOf(project: ProjectDocument, room: Room, theatre: Theatre, frame: TheatreFrame): Reflection[] {
  const seat = theatre.seats.find(({ isReference }) => isReference);
  if (!seat) return [];
  const ear = frame.insideOf([...seat.at, seat.earM]);
  const tables = tablesIn(project, room);
  const surfaces: readonly (readonly [Reflection['surface'], 'x' | 'height', number, Feature | null])[] = [
    ['left', 'x', frame.fromM.asideM, null],
    ['right', 'x', frame.toM.asideM, null],
    ['ceiling', 'height', frame.toM.upM, null],
    ...tables.map((table) => ['table', 'height', table.topM, table] as const),
  ];
  return theatre.channels
    .filter(({ channel }) => FRONTS.has(channel))
    .flatMap(({ channel, at }) => {
      const from = frame.insideOf(at);
      return surfaces.flatMap(([surface, axis, atM, table]): Reflection[] => {
        const found = firstReflection.run({
          speaker: [from.asideM, from.awayM, from.upM],
          ear: [ear.asideM, ear.awayM, ear.upM],
          ...{ axis, atM },
        });
        if (!found.ok) return [];
        const [asideM, awayM, upM] = found.value.point;
        const { laterMs, levelDb, treat } = found.value;
        if (table && !isOn(table, frame, asideM, awayM)) return [];
        return [{ channel, surface, awayM, atM: axis === 'height' ? asideM : upM, laterMs, levelDb, treat }];
      });
    });
}

const TABLES: ReadonlySet<FeatureKind> = new Set(['table', 'desk', 'island']);

const tablesIn = (project: ProjectDocument, room: Room): Feature[] =>
  onLevel(project, 'features', room.levelId).filter(
    ({ kind, chosen, points }) =>
      TABLES.has(kind) && chosen && pointInPolygon(points[0] as Point2, room.polygon as readonly Point2[]),
  );

function isOn(table: Feature, frame: TheatreFrame, asideM: number, awayM: number): boolean {
  const corners = featureBox(table).map(([x, y]): Point2 => {
    const inside = frame.insideOf([x, y, 0]);
    return [inside.asideM, inside.awayM];
  });
  return pointInPolygon([asideM, awayM], corners);
}
