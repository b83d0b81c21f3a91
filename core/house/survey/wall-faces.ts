import { type Face, facesAfter, facesOf, type PlanarMap, type Point2, type Traits, traitsOf } from '../../math/index.ts';
import { type ProjectDocument, type Room, sameValue, type Wall } from '../../model/index.ts';
import { byLevel, changedBetween, derivationsOf, once, Remembered, whole } from '../../derive/index.ts';

/** Ends of walls closer than this count as one corner, m. */
export const CORNER_TOLERANCE_M = 0.01;

/** The closed areas between the walls of one level. */
interface LevelFaces {
  readonly walls: readonly Wall[];
  readonly map: PlanarMap;
  readonly traits: () => Traits;
}

interface WallFaces {
  readonly byLevel: Remembered<string, LevelFaces>;
  readonly wallsOf: (levelId: string) => readonly Wall[];
}

const NO_WALLS: readonly Wall[] = [];
const WALLS_BY_LEVEL = byLevel('walls');

/** Levels whose areas were asked for before an edit are brought up to it; those of the others are found when they are asked for. */
const WALL_FACES = whole<WallFaces>({
  name: 'wall faces',
  nodes: [WALLS_BY_LEVEL],
  make: (read, last) => {
    const { byKey } = read.get(WALLS_BY_LEVEL);
    const found = new Remembered<string, LevelFaces>();
    for (const [levelId, walls] of byKey) {
      const before = last?.value.byLevel.known(levelId);
      if (before) found.of(levelId, () => (before.walls === walls ? before : facesFrom(before, walls)));
    }
    return { byLevel: found, wallsOf: (levelId) => byKey.get(levelId) ?? NO_WALLS };
  },
});

const levelFaces = (walls: readonly Wall[], map: PlanarMap): LevelFaces => ({
  walls,
  map,
  traits: once(() => traitsOf(map, walls)),
});

function facesFrom({ walls, map, traits }: LevelFaces, now: readonly Wall[]): LevelFaces {
  const changed = new Set(changedBetween(walls, now).keys());
  return levelFaces(now, facesAfter(map, walls, now, changed, CORNER_TOLERANCE_M, traits));
}

/** The closed areas between the walls of a level. */
export function wallFaces(project: Pick<ProjectDocument, 'walls'>, levelId: string): PlanarMap {
  const faces = derivationsOf(project).get(WALL_FACES);
  return faces.byLevel.of(levelId, () => {
    const walls = faces.wallsOf(levelId);
    return levelFaces(walls, facesOf(walls, CORNER_TOLERANCE_M));
  }).map;
}

export const byId = (a: { id: string }, b: { id: string }) => (a.id < b.id ? -1 : 1);

/** A millimetre is finer than any survey; it keeps files readable and the same outline the same. */
const tidy = (value: number) => Math.round(value * 1000) / 1000;

/** The outline of a face from its lowest left corner on, so that the same face always reads the same. */
export function outlineOf(face: Face): [number, number][] {
  const ring = face.polygon.map(([x, y]): [number, number] => [tidy(x), tidy(y)]);
  let first = 0;
  ring.forEach(([x, y], i) => {
    if (x < ring[first][0] || (x === ring[first][0] && y < ring[first][1])) first = i;
  });
  return [...ring.slice(first), ...ring.slice(0, first)];
}

export const keyOf = (polygon: Room['polygon']) =>
  JSON.stringify(outlineOf({ polygon: polygon as Point2[], holes: [], segmentIds: [] }));

/** Whether two outlines are the same place. */
export const sameOutline = (a: Room['polygon'], b: Room['polygon']): boolean => sameValue(a, b) || keyOf(a) === keyOf(b);
