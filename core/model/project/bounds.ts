import { ok, type Outcome, type Problem } from '../../math/index.ts';
import { COLLECTION_NAMES, type CollectionName } from './collections.ts';
import type { Operation } from './change.ts';
import type { ProjectDocument } from './project-document.ts';

/** Largest extent of the walls, rooms and racks of one level, along either axis, m. */
export const LEVEL_SPAN_M = 500;
/** Largest floor of one room, m². */
export const MAX_ROOM_AREA_M2 = 5000;
/** Largest floor of all rooms of a project together, m². */
export const MAX_FLOOR_AREA_M2 = 50_000;

/** Most records of a list in one project; lists that are not named hold up to `other`. */
const MAX_COUNTS: Readonly<Partial<Record<CollectionName, number>>> & { readonly other: number } = {
  levels: 30,
  rooms: 3000,
  walls: 20_000,
  openings: 20_000,
  risers: 300,
  racks: 100,
  underlays: 200,
  features: 10_000,
  framingMembers: 50_000,
  facts: 50_000,
  cableTypes: 2000,
  deviceTypes: 6000,
  devices: 15_000,
  runs: 30_000,
  routes: 30_000,
  other: 50_000,
};

/** Most records that a list of a project may hold. */
export const MAX_RECORDS = Object.fromEntries(
  COLLECTION_NAMES.map((name) => [name, MAX_COUNTS[name] ?? MAX_COUNTS.other]),
) as Readonly<Record<CollectionName, number>>;

type Point = readonly [number, number];
/** The lists that the size of a house follows from. */
export type HouseLists = Pick<ProjectDocument, 'rooms' | 'walls' | 'racks'>;

const areaM2 = (polygon: readonly Point[]): number =>
  Math.abs(
    polygon.reduce((sum, [x, y], n) => {
      const [nextX, nextY] = polygon[(n + 1) % polygon.length];
      return sum + x * nextY - nextX * y;
    }, 0),
  ) / 2;

/**
 * What of a house is larger than any real one: a level, a room, or all floors together; null where nothing is.
 * Problems: `room-too-large`, `floors-too-large`, `level-spans-too-far`, each with its limit.
 */
export function boundsProblem({ rooms, walls, racks }: HouseLists): Problem | null {
  let floorM2 = 0;
  const spans = new Map<string, { minX: number; maxX: number; minY: number; maxY: number }>();
  const reach = (levelId: string, [x, y]: Point) => {
    const span = spans.get(levelId);
    if (!span) return void spans.set(levelId, { minX: x, maxX: x, minY: y, maxY: y });
    span.minX = Math.min(span.minX, x);
    span.maxX = Math.max(span.maxX, x);
    span.minY = Math.min(span.minY, y);
    span.maxY = Math.max(span.maxY, y);
  };
  for (const room of Object.values(rooms)) {
    const roomM2 = areaM2(room.polygon as Point[]);
    if (roomM2 > MAX_ROOM_AREA_M2)
      return {
        code: 'room-too-large',
        kind: 'out_of_domain',
        field: `rooms.${room.id}.polygon`,
        name: room.name,
        mostM2: MAX_ROOM_AREA_M2,
      };
    floorM2 += roomM2;
    for (const corner of room.polygon as Point[]) reach(room.levelId, corner);
  }
  if (floorM2 > MAX_FLOOR_AREA_M2)
    return { code: 'floors-too-large', kind: 'out_of_domain', field: 'rooms', mostM2: MAX_FLOOR_AREA_M2 };
  for (const wall of Object.values(walls)) {
    reach(wall.levelId, wall.a as Point);
    reach(wall.levelId, wall.b as Point);
  }
  for (const rack of Object.values(racks)) reach(rack.levelId, [rack.x, rack.y]);
  for (const [levelId, { minX, maxX, minY, maxY }] of spans)
    if (maxX - minX > LEVEL_SPAN_M || maxY - minY > LEVEL_SPAN_M)
      return { code: 'level-spans-too-far', kind: 'out_of_domain', field: `levels.${levelId}`, mostM: LEVEL_SPAN_M };
  return null;
}

/** Fields of a record that say where it lies. */
const PLACE_FIELDS: Readonly<Record<string, readonly string[]>> = {
  rooms: ['polygon', 'levelId'],
  walls: ['a', 'b', 'levelId'],
  racks: ['x', 'y', 'levelId'],
};

/** Whether a change draws or moves something that the size of a house follows from. */
export const mayBreakBounds = (operations: readonly Operation[]): boolean =>
  operations.some(
    (operation) =>
      operation.op !== 'delete' &&
      (PLACE_FIELDS[operation.in] ?? []).some(
        (field) => field in (operation.op === 'create' ? operation.record : operation.after),
      ),
  );

/** The list that holds more records than `MAX_RECORDS` allows; null where none does. Problem: `too-many-records`. */
export function countProblem(name: CollectionName, count: number): Problem | null {
  const max = MAX_RECORDS[name];
  return count > max ? { code: 'too-many-records', kind: 'out_of_domain', field: name, count, limit: max } : null;
}

/** Checks a whole project against every bound. Problems: those of `boundsProblem` and `countProblem`. */
export function checkBounds(project: ProjectDocument): Outcome<ProjectDocument> {
  for (const name of COLLECTION_NAMES) {
    const problem = countProblem(name, Object.keys(project[name]).length);
    if (problem) return { ok: false, problem };
  }
  const problem = boundsProblem(project);
  return problem ? { ok: false, problem } : ok(project);
}
