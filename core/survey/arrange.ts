import { featureBox, signatureOf } from '../house/index.ts';
import { type Bounds, boundsOf, distance2, ok, type Outcome, type Point2, rotate2, tidyM } from '../math/index.ts';
import { create, type Feature, type Opening, type Operation, type ProjectDocument, update, type Wall } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { settleHouse } from './settle.ts';
import type { NewId } from './walls.ts';

/** Things taken from a plan to be set down elsewhere: walls with their openings, and features. */
export interface Clip {
  readonly walls: readonly Wall[];
  readonly openings: readonly Opening[];
  readonly features: readonly Feature[];
}

/** A motion of the plan: a mirror about x = 0 first where asked for, then a turn, then a shift. m, rad. */
export interface Motion {
  readonly mirror?: boolean;
  readonly turnRad?: number;
  readonly by: Point2;
}

export function clipOf(project: ProjectDocument, ids: readonly string[]): Clip {
  const wanted = new Set(ids);
  const walls = listOf(project, 'walls').filter((wall) => wanted.has(wall.id));
  return {
    walls,
    openings: listOf(project, 'openings').filter((opening) => wanted.has(opening.wallId)),
    features: listOf(project, 'features').filter((feature) => wanted.has(feature.id)),
  };
}

export const clipBounds = (clip: Clip): Bounds | null =>
  boundsOf([
    ...clip.walls.flatMap(({ a, b }) => [a, b]),
    ...clip.features.flatMap((f) => (f.points.length === 1 ? featureBox(f) : f.points)),
  ]);

const moved = ({ mirror = false, turnRad = 0, by }: Motion, [x, y]: readonly [number, number]): [number, number] => {
  const [u, v] = rotate2([mirror ? -x : x, y], turnRad);
  return [tidyM(u + by[0]), tidyM(v + by[1])];
};

const movedFeature = (feature: Feature, motion: Motion): Feature => {
  const facing = (motion.mirror ? Math.PI - feature.facingRad : feature.facingRad) + (motion.turnRad ?? 0);
  return {
    ...feature,
    points: feature.points.map((p) => moved(motion, p)),
    facingRad: Math.atan2(Math.sin(facing), Math.cos(facing)),
  };
};

/** Sets copies down on a level, one for each motion. Rooms that they close are found. */
export function paste(
  project: ProjectDocument,
  clip: Clip,
  levelId: string,
  motions: readonly Motion[],
  newId: NewId,
  featureId: () => string,
): Outcome<Operation[]> {
  const operations = motions.flatMap((motion) => {
    const idOf = new Map(clip.walls.map((wall) => [wall.id, newId('wall')]));
    const swing = { left: 'right', right: 'left' } as const;
    return [
      ...clip.walls.map((wall) =>
        create('walls', {
          ...wall,
          id: idOf.get(wall.id)!,
          levelId,
          a: moved(motion, wall.a),
          b: moved(motion, wall.b),
          // In a mirror left and right change places.
          ...(motion.mirror
            ? {
                finishLeft: wall.finishRight,
                finishLeftM: wall.finishRightM,
                finishRight: wall.finishLeft,
                finishRightM: wall.finishLeftM,
              }
            : {}),
        }),
      ),
      ...clip.openings.map((opening) =>
        create('openings', {
          ...opening,
          id: newId('opening'),
          wallId: idOf.get(opening.wallId)!,
          swing: motion.mirror && opening.swing ? swing[opening.swing] : opening.swing,
        }),
      ),
      ...clip.features.map((feature) =>
        create('features', { ...movedFeature(feature, motion), id: featureId(), levelId, topLevelId: null }),
      ),
    ];
  });
  return clip.walls.length > 0 ? settleHouse(project, operations, [levelId], () => newId('room')) : ok(operations);
}

/** A row or grid of copies beside the original: how many, and how far apart. The original is not among them. */
export function arrayMotions(columns: number, rows: number, stepX: number, stepY: number): Motion[] {
  const motions: Motion[] = [];
  for (let i = 0; i < columns; i++)
    for (let j = 0; j < rows; j++) if (i > 0 || j > 0) motions.push({ by: [i * stepX + 0, j * stepY + 0] });
  return motions;
}

/** The mirror image about the upright line through the middle of the clip, or beside it. */
export function mirrorMotion(clip: Clip, beside: boolean): Motion | null {
  const box = clipBounds(clip);
  return box ? { mirror: true, by: [beside ? 2 * box.maxX : box.minX + box.maxX, 0] } : null;
}

export const EDGES = ['left', 'middle', 'right', 'bottom', 'centre', 'top'] as const;
export type Edge = (typeof EDGES)[number];

const boxOf = (feature: Feature): Bounds => boundsOf(feature.points.length === 1 ? featureBox(feature) : feature.points)!;
const edgeOf = (box: Bounds, edge: Edge): number =>
  ({
    left: box.minX,
    middle: (box.minX + box.maxX) / 2,
    right: box.maxX,
    bottom: box.minY,
    centre: (box.minY + box.maxY) / 2,
    top: box.maxY,
  })[edge];
const isAcross = (edge: Edge) => edge === 'left' || edge === 'middle' || edge === 'right';

/** Lines features up at one edge; the outermost stays. */
export function alignFeatures(project: ProjectDocument, ids: readonly string[], edge: Edge): Operation[] {
  const features = ids.flatMap((id) => project.features[id] ?? []);
  if (features.length < 2) return [];
  const all = features.map((feature) => edgeOf(boxOf(feature), edge));
  const low = edge === 'left' || edge === 'bottom';
  const high = edge === 'right' || edge === 'top';
  const target = low ? Math.min(...all) : high ? Math.max(...all) : (Math.min(...all) + Math.max(...all)) / 2;
  return features.flatMap((feature, i) => {
    const d = target - all[i];
    return shifted(feature, isAcross(edge) ? [d, 0] : [0, d]);
  });
}

/** Spreads features so that their middles lie equally far apart; the two outermost stay. */
export function distributeFeatures(project: ProjectDocument, ids: readonly string[], axis: 'x' | 'y'): Operation[] {
  const edge: Edge = axis === 'x' ? 'middle' : 'centre';
  const features = ids
    .flatMap((id) => project.features[id] ?? [])
    .sort((a, b) => edgeOf(boxOf(a), edge) - edgeOf(boxOf(b), edge));
  if (features.length < 3) return [];
  const [first, last] = [edgeOf(boxOf(features[0]), edge), edgeOf(boxOf(features.at(-1)!), edge)];
  return features.flatMap((feature, i) => {
    const d = first + ((last - first) * i) / (features.length - 1) - edgeOf(boxOf(feature), edge);
    return shifted(feature, axis === 'x' ? [d, 0] : [0, d]);
  });
}

function shifted(feature: Feature, by: Point2): Operation[] {
  const operation = update('features', feature, { points: feature.points.map((p) => moved({ by }, p)) });
  return operation ? [operation] : [];
}

/** Moves features by a vector, but for signed ways. A mark of another trade remembers where it was made, and is answered as moved. */
export const moveFeatures = (project: ProjectDocument, ids: readonly string[], by: Point2): Operation[] =>
  ids.flatMap((id) => {
    const feature = project.features[id];
    // What was signed before the pour lies in the floor: it stays.
    if (!feature || signatureOf(project, id)) return [];
    return feature.kind === 'trade-mark' ? movedMark(feature, by) : shifted(feature, by);
  });

function movedMark(mark: Feature, by: Point2): Operation[] {
  const to = moved({ by }, mark.points[0]);
  const from = mark.markedAt ?? mark.points[0];
  const back = distance2(from, to) < 1e-6;
  const operation = update('features', mark, {
    points: [to],
    markedAt: back ? null : from,
    decision: back ? 'open' : 'move',
  });
  return operation ? [operation] : [];
}
