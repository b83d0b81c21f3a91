import { facesAfter, facesOf, type Face, type PlanarMap, type Point2 } from '../geometry/index.ts';
import { onLevel, originOf, sameValue, type ProjectDocument, type Room } from '../project/index.ts';

/** Ends of walls closer than this count as one corner, m. */
export const CORNER_TOLERANCE_M = 0.01;
const kept = new WeakMap<object, Map<string, PlanarMap>>();

/** The closed areas between the walls of a level; worked out once for each state of the walls. */
export function wallFaces(document: Pick<ProjectDocument, 'walls'>, levelId: string): PlanarMap {
  let byLevel = kept.get(document.walls);
  if (!byLevel) kept.set(document.walls, (byLevel = new Map()));
  let map = byLevel.get(levelId);
  if (!map) {
    byLevel.set(
      levelId,
      (map = fromBefore(document, levelId) ?? facesOf(onLevel(document, 'walls', levelId), CORNER_TOLERANCE_M)),
    );
  }
  return map;
}

/** The areas as an edit of a few walls leaves them; null where the areas before it are not known. */
function fromBefore(document: Pick<ProjectDocument, 'walls'>, levelId: string): PlanarMap | null {
  const origin = originOf(document.walls);
  const map = origin && kept.get(origin.before)?.get(levelId);
  if (!map) return null;
  const before = { walls: origin.before as ProjectDocument['walls'] };
  return facesAfter(map, onLevel(before, 'walls', levelId), onLevel(document, 'walls', levelId), origin.ids, CORNER_TOLERANCE_M);
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
