import { type Bounds, boundsMeet, boundsOf, grownBounds, inBounds } from './bounds.ts';
import { type Face, type FaceSegment, facesOf, type PlanarMap } from './faces.ts';
import { levelCrossings, pointInPolygon } from './polygon.ts';
import { crossingParameters } from './segment.ts';
import type { Point2 } from './vector.ts';

/** Above this share of changed segments everything is traced anew. */
const MAX_CHANGED = 0.2;

/**
 * The faces of a drawing after some of its segments were moved, added or taken away, from the faces before: only those that
 * the changed segments touch are traced again. The same faces as `facesOf(now)`, in another order.
 * `traits` are those of `map`, for one who keeps them. `map` is that of `was`; `changedIds` may name segments that are in neither list. Lengths in m.
 */
export function facesAfter(
  map: PlanarMap,
  was: readonly FaceSegment[],
  now: readonly FaceSegment[],
  changedIds: ReadonlySet<string>,
  toleranceM = 0.01,
  traits = (): Traits => traitsOf(map, was),
): PlanarMap {
  const isChanged = ({ id }: FaceSegment) => changedIds.has(id);
  const changed = [...was.filter(isChanged), ...now.filter(isChanged)];
  if (changed.length === 0) return map;
  if (changed.length > MAX_CHANGED * now.length) return facesOf(now, toleranceM);
  const { boxes, insides, faceAround } = traits();
  const ground = changed.map((segment) => grownBounds(boxOf(segment), 2 * toleranceM));
  const touched = map.faces.map((_, i) => insides[i] === null || ground.some((box) => boundsMeet(box, boxes[i])));
  const edges = map.faces.flatMap((_, i) => (touched[i] ? [grownBounds(boxes[i], 2 * toleranceM)] : []));
  const all = boundsOf(
    edges.flatMap((box): Point2[] => [
      [box.minX, box.minY],
      [box.maxX, box.maxY],
    ]),
  );
  const needed = now.filter((segment) => {
    if (map.openIds.has(segment.id) || isChanged(segment)) {
      const around = isChanged(segment) ? undefined : faceAround.get(segment.id);
      return around === undefined || touched[around];
    }
    return all !== null && segmentMeets(all, segment) && edges.some((edge) => segmentMeets(edge, segment));
  });
  const part = facesOf(needed, toleranceM);
  // What is whole between untouched faces comes out as larger faces, or as faces that were there before: those stay as they were.
  const untouched = map.faces.flatMap((_, i) => (touched[i] ? [] : [insides[i]!]));
  const fresh = part.faces.filter((face) => {
    const box = boundsOf(face.polygon)!;
    return !untouched.some((p) => inBounds(box, p) && contains(face, p));
  });
  const stay = map.faces.filter((_, i) => !touched[i]);
  const faces = [...stay, ...fresh];
  const bounding = idsOf(faces);
  const staying = idsOf(stay);
  const traced = new Set(needed.map(({ id }) => id));
  // Where only a part of its faces was traced, a segment counts as open: that costs time later, and nothing else.
  const isOpen = (id: string) => (traced.has(id) ? staying.has(id) || part.openIds.has(id) : map.openIds.has(id));
  const ids = now.map(({ id }) => id);
  return {
    faces,
    outlines: part.outlines,
    looseIds: ids.filter((id) => !bounding.has(id)),
    openIds: new Set(ids.filter(isOpen)),
  };
}

function idsOf(faces: readonly Face[]): Set<string> {
  const ids = new Set<string>();
  for (const { segmentIds } of faces) for (const id of segmentIds) ids.add(id);
  return ids;
}

/** What is worked out once for each map that edits begin from. */
export interface Traits {
  readonly boxes: readonly Bounds[];
  /** A point well inside each face; null for one so thin that there is none. */
  readonly insides: readonly (Point2 | null)[];
  /** Loose segments that lie wholly in one face without islands. */
  readonly faceAround: ReadonlyMap<string, number>;
}

export function traitsOf(map: PlanarMap, segments: readonly FaceSegment[]): Traits {
  const boxes = map.faces.map((face) => boundsOf(face.polygon)!);
  const loose = new Set(map.looseIds);
  const faceAround = new Map<string, number>();
  for (const segment of segments) {
    if (!loose.has(segment.id)) continue;
    const at = map.faces.findIndex((face, i) => face.holes.length === 0 && liesIn(segment, face, boxes[i]));
    if (at >= 0) faceAround.set(segment.id, at);
  }
  return { boxes, insides: map.faces.map(insideOf), faceAround };
}

function liesIn({ a, b }: FaceSegment, { polygon }: Face, box: Bounds): boolean {
  if (!inBounds(box, a) || !inBounds(box, b) || !pointInPolygon(a, polygon) || !pointInPolygon(b, polygon)) return false;
  return polygon.every((p, i) => {
    const hit = crossingParameters(a, b, p, polygon[(i + 1) % polygon.length]);
    return !hit || hit.t <= 1e-6 || hit.t >= 1 - 1e-6 || hit.u < 0 || hit.u > 1;
  });
}

const THINNEST_M = 1e-3;

/** A point inside a face and outside its islands: on a line across it that meets no corner, in the midst of the widest part. */
function insideOf(face: Face): Point2 | null {
  const rings = [face.polygon, ...face.holes];
  const ys = rings.flatMap((ring) => ring.map(([, y]) => y)).sort((m, n) => m - n);
  let [low, high] = [0, 0];
  for (let k = 0; k + 1 < ys.length; k++) if (ys[k + 1] - ys[k] > high - low) [low, high] = [ys[k], ys[k + 1]];
  if (high - low < THINNEST_M) return null;
  const y = (low + high) / 2;
  const xs = rings.flatMap((ring) => levelCrossings(ring, y)).sort((m, n) => m - n);
  let [left, right] = [0, 0];
  for (let k = 0; k + 1 < xs.length; k += 2) if (xs[k + 1] - xs[k] > right - left) [left, right] = [xs[k], xs[k + 1]];
  return right - left < THINNEST_M ? null : [(left + right) / 2, y];
}

const contains = ({ polygon, holes }: Face, p: Point2): boolean =>
  pointInPolygon(p, polygon, 0) && !holes.some((hole) => pointInPolygon(p, hole, 0));

const boxOf = ({ a, b }: FaceSegment): Bounds => boundsOf([a, b])!;
const segmentMeets = (box: Bounds, { a, b }: FaceSegment): boolean =>
  Math.min(a[0], b[0]) <= box.maxX &&
  Math.max(a[0], b[0]) >= box.minX &&
  Math.min(a[1], b[1]) <= box.maxY &&
  Math.max(a[1], b[1]) >= box.minY;
