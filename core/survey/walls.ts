import { closestOnSegment, crossingParameters, distance2, err, type Outcome, type Point2, tidyM } from '../math/index.ts';
import {
  create,
  newWall,
  type Opening,
  type Operation,
  type ProjectDocument,
  removeWithDependants,
  update,
  type Wall,
  WALL_BUILD_DEFAULTS,
} from '../model/index.ts';
import { listOf, onLevel } from '../derive/index.ts';
import { CORNER_TOLERANCE_M } from '../house/index.ts';
import { settleHouse } from './settle.ts';

/** How a wall is made: everything but where it stands. */
export type WallBuild = Omit<Wall, 'id' | 'levelId' | 'a' | 'b' | 'substrate'>;
/** Ids come from outside, one for each call. */
export type NewId = (kind: 'wall' | 'room' | 'opening') => string;

/** Walls shorter than this are refused: nobody builds them, and a slip of the hand makes them, m. */
export const SHORTEST_WALL_M = 0.05;

/** The usual makes of wall with which drawing begins; every field can be changed. Depths as ENGINEERING 8.2. */
export const WALL_BUILDS: Readonly<Record<Wall['kind'], WallBuild>> = {
  stud: build('stud', 0.115, 0.089, true),
  insulated: build('insulated', 0.2, 0.14, true, { studSpacingM: 0.6 }),
  furred: build('furred', 0.3, 0.04, true, { finishRightM: 0, studSpacingM: 0.6 }),
  masonry: build('masonry', 0.24, 0, false, noStuds),
  concrete: build('concrete', 0.2, 0, false, noStuds),
  glazed: build('glazed', 0.08, 0, false, { ...noStuds(), finishLeftM: 0, finishRightM: 0 }),
  fire: build('fire', 0.2, 0.089, true, { finishLeftM: 0.025, finishRightM: 0.025 }),
  closed: build('closed', 0.115, 0.089, true),
};

function noStuds(): Partial<WallBuild> {
  return { studMaterial: 'none', studSpacingM: 0, studWidthM: 0, topPlates: 0 };
}

function build(
  kind: Wall['kind'],
  thicknessM: number,
  cavityDepthM: number,
  cableMayRun: boolean,
  more: Partial<WallBuild> | (() => Partial<WallBuild>) = {},
): WallBuild {
  return { ...WALL_BUILD_DEFAULTS, kind, thicknessM, cavityDepthM, cableMayRun, ...(typeof more === 'function' ? more() : more) };
}

/**
 * Draws walls along a chain of points. Problems: `wall-too-short` (with its length), `wall-chain-crosses`
 * (a chain that runs over itself), `level-missing`.
 */
export function drawWalls(
  project: ProjectDocument,
  levelId: string,
  chain: readonly Point2[],
  make: WallBuild,
  newId: NewId,
): Outcome<Operation[]> {
  if (!project.levels[levelId]) return err('level-missing', { kind: 'invalid', field: 'levelId' });
  const sides = chain.slice(1).map((b, i) => [chain[i], b] as const);
  for (const [a, b] of sides) {
    const lengthM = distance2(a, b);
    if (!(lengthM >= SHORTEST_WALL_M))
      return err('wall-too-short', { kind: 'invalid', field: 'length', wallM: lengthM, leastM: SHORTEST_WALL_M });
  }
  const overlap = sides.some(([a, b], i) => sides.some(([c, d], j) => j > i && runsOver(a, b, c, d)));
  if (overlap) return err('wall-chain-crosses', { kind: 'invalid', field: 'walls' });
  const operations = sides.map(([a, b]) =>
    create(
      'walls',
      newWall({ id: newId('wall'), levelId, a: [tidyM(a[0]), tidyM(a[1])], b: [tidyM(b[0]), tidyM(b[1])], ...make }),
    ),
  );
  return settleHouse(project, operations, [levelId], () => newId('room'));
}

/** Whether two walls of a chain lie on each other or cross in their midst. */
function runsOver(a: Point2, b: Point2, c: Point2, d: Point2): boolean {
  const hit = crossingParameters(a, b, c, d);
  if (hit) return hit.t > 1e-6 && hit.t < 1 - 1e-6 && hit.u > 1e-6 && hit.u < 1 - 1e-6;
  const inside = (p: Point2, q: Point2, r: Point2) =>
    closestOnSegment(r, p, q).distanceM < 1e-6 && distance2(r, p) > 1e-6 && distance2(r, q) > 1e-6;
  return inside(a, b, c) || inside(a, b, d) || inside(c, d, a) || inside(c, d, b);
}

/** A corner of the plan with all wall ends that meet there, or whole walls: what is dragged. */
export type WallGrip = { readonly corner: Point2; readonly levelId: string } | { readonly wallIds: readonly string[] };

/**
 * Moves corners or walls by a vector; walls that meet a moved one keep meeting it.
 * Problems: `wall-too-short`, `opening-outside-wall` (with the opening's wall).
 */
export function moveWalls(project: ProjectDocument, grip: WallGrip, by: Point2, newId: NewId): Outcome<Operation[]> {
  const moved = new Map<string, Wall>();
  const shift = (p: readonly [number, number]): [number, number] => [tidyM(p[0] + by[0]), tidyM(p[1] + by[1])];
  const corners: { at: Point2; levelId: string }[] =
    'corner' in grip
      ? [{ at: grip.corner, levelId: grip.levelId }]
      : grip.wallIds.flatMap((id) => {
          const wall = project.walls[id];
          return wall ? [wall.a, wall.b].map((at) => ({ at: at as Point2, levelId: wall.levelId })) : [];
        });
  for (const levelId of new Set(corners.map((corner) => corner.levelId))) {
    const walls = onLevel(project, 'walls', levelId);
    const held = corners.filter((corner) => corner.levelId === levelId).map(({ at }) => at);
    for (const wall of walls) {
      const a = isHeld(held, wall.a);
      const b = isHeld(held, wall.b);
      if (a || b) moved.set(wall.id, { ...wall, a: a ? shift(wall.a) : wall.a, b: b ? shift(wall.b) : wall.b });
    }
    // A wall that ends against the side of a moved wall follows it there.
    const hosts = walls.flatMap((was): Host[] => {
      const now = moved.get(was.id);
      return now ? [{ now, was }] : [];
    });
    for (const wall of walls) {
      const current = moved.get(wall.id) ?? wall;
      const a = current.a === wall.a ? followed(hosts, current, wall.a) : null;
      const b = current.b === wall.b ? followed(hosts, current, wall.b) : null;
      if (a || b) moved.set(wall.id, { ...current, a: a ?? current.a, b: b ?? current.b });
    }
  }
  return commit(project, [...moved.values()], newId);
}

const isHeld = (corners: readonly Point2[], p: Point2): boolean =>
  corners.some((at) => Math.abs(at[0] - p[0]) <= CORNER_TOLERANCE_M && distance2(at, p) <= CORNER_TOLERANCE_M);

/** A wall that was moved, with its place before. */
interface Host {
  readonly now: Wall;
  readonly was: Wall;
}

/** Where a wall's end goes when the moved wall that it ends against goes; null where there is none. */
function followed(hosts: readonly Host[], wall: Wall, p: readonly [number, number]): [number, number] | null {
  for (const { now, was } of hosts) {
    const { a, b } = was;
    if (p[0] < Math.min(a[0], b[0]) - CORNER_TOLERANCE_M || p[0] > Math.max(a[0], b[0]) + CORNER_TOLERANCE_M) continue;
    if (p[1] < Math.min(a[1], b[1]) - CORNER_TOLERANCE_M || p[1] > Math.max(a[1], b[1]) + CORNER_TOLERANCE_M) continue;
    if (now.id === wall.id) continue;
    if (distance2(p, a) <= CORNER_TOLERANCE_M || distance2(p, b) <= CORNER_TOLERANCE_M) continue;
    if (closestOnSegment(p, a, b).distanceM <= CORNER_TOLERANCE_M) return onto(now, wall);
  }
  return null;
}

/** Where the line of `wall` meets the line of `host`. */
function onto(host: Wall, wall: Wall): [number, number] | null {
  const hit = crossingParameters(wall.a, wall.b, host.a, host.b);
  if (!hit || hit.u < -1e-6 || hit.u > 1 + 1e-6) return null;
  return [tidyM(wall.a[0] + (wall.b[0] - wall.a[0]) * hit.t), tidyM(wall.a[1] + (wall.b[1] - wall.a[1]) * hit.t)];
}

/** Sets one end of a wall, or both, by typed coordinates. Problems as `moveWalls`. */
export function placeWall(
  project: ProjectDocument,
  wallId: string,
  ends: { a?: Point2; b?: Point2 },
  newId: NewId,
): Outcome<Operation[]> {
  const wall = project.walls[wallId];
  if (!wall) return err('record-gone', { in: 'walls', id: wallId });
  const point = (p: Point2): [number, number] => [tidyM(p[0]), tidyM(p[1])];
  return commit(project, [{ ...wall, a: ends.a ? point(ends.a) : wall.a, b: ends.b ? point(ends.b) : wall.b }], newId);
}

function commit(project: ProjectDocument, walls: readonly Wall[], newId: NewId): Outcome<Operation[]> {
  const operations: (Operation | null)[] = [];
  for (const wall of walls) {
    const was = project.walls[wall.id];
    const lengthM = distance2(wall.a, wall.b);
    if (lengthM < SHORTEST_WALL_M)
      return err('wall-too-short', { kind: 'invalid', field: 'length', wallM: lengthM, leastM: SHORTEST_WALL_M });
    operations.push(update('walls', was, { a: wall.a, b: wall.b }));
    for (const opening of openingsIn(project, wall.id)) {
      const offsetM = carriedOffset(opening, was, wall);
      if (offsetM - opening.widthM / 2 < -1e-6 || offsetM + opening.widthM / 2 > lengthM + 1e-6)
        return err('opening-outside-wall', {
          kind: 'invalid',
          field: `opening ${opening.kind}`,
          widthM: opening.widthM,
          wallM: lengthM,
        });
      operations.push(update('openings', opening, { offsetM }));
    }
  }
  const done = operations.filter((operation) => operation !== null);
  return settleHouse(project, done, [...new Set(walls.map((wall) => wall.levelId))], () => newId('room'));
}

const openingsIn = (project: ProjectDocument, wallId: string) => listOf(project, 'openings').filter((o) => o.wallId === wallId);

/** An opening keeps its distance from the end that stayed. */
function carriedOffset(opening: Opening, was: Wall, is: Wall): number {
  const stayed = (p: readonly [number, number], q: readonly [number, number]) => distance2(p, q) < 1e-9;
  if (stayed(was.a, is.a) || !stayed(was.b, is.b)) return opening.offsetM;
  return tidyM(distance2(is.a, is.b) - (distance2(was.a, was.b) - opening.offsetM));
}

/** Removes walls with their openings and members; rooms are fitted anew. */
export function removeWalls(project: ProjectDocument, wallIds: readonly string[], newId: NewId): Outcome<Operation[]> {
  const present = wallIds.filter((id) => project.walls[id]);
  const operations = present.flatMap((id) => removeWithDependants(project, 'walls', id));
  return settleHouse(project, operations, [...new Set(present.map((id) => project.walls[id].levelId))], () => newId('room'));
}

/** Cuts a wall in two at a distance from its end a. Problems: `wall-too-short`, `opening-in-the-way`. */
export function splitWall(project: ProjectDocument, wallId: string, offsetM: number, newId: NewId): Outcome<Operation[]> {
  const wall = project.walls[wallId];
  if (!wall) return err('record-gone', { in: 'walls', id: wallId });
  const lengthM = distance2(wall.a, wall.b);
  const shorter = Math.min(offsetM, lengthM - offsetM);
  if (shorter < SHORTEST_WALL_M)
    return err('wall-too-short', { kind: 'invalid', field: 'offset', wallM: shorter, leastM: SHORTEST_WALL_M });
  const openings = openingsIn(project, wallId);
  if (openings.some((o) => Math.abs(o.offsetM - offsetM) < o.widthM / 2))
    return err('opening-in-the-way', { kind: 'invalid', field: 'offset' });
  const t = offsetM / lengthM;
  const at: [number, number] = [tidyM(wall.a[0] + (wall.b[0] - wall.a[0]) * t), tidyM(wall.a[1] + (wall.b[1] - wall.a[1]) * t)];
  const second: Wall = {
    ...wall,
    id: newId('wall'),
    a: at,
    studOffsetM: tidyM(
      (((wall.studOffsetM - offsetM) % (wall.studSpacingM || 1)) + (wall.studSpacingM || 1)) % (wall.studSpacingM || 1),
    ),
  };
  const operations = [
    update('walls', wall, { b: at }),
    create('walls', second),
    ...openings
      .filter((o) => o.offsetM > offsetM)
      .map((o) => update('openings', o, { wallId: second.id, offsetM: tidyM(o.offsetM - offsetM) })),
  ];
  return settleHouse(
    project,
    operations.filter((o) => o !== null),
    [wall.levelId],
    () => newId('room'),
  );
}
