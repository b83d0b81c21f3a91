import { type Bounds, boundsOf } from '../../math/index.ts';
import type { Level, ProjectDocument, Riser } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';

/** Levels from the lowest to the highest. */
export function levelsFromBelow(project: Pick<ProjectDocument, 'levels'>): Level[] {
  return listOf(project, 'levels').toSorted((a, b) => a.order - b.order || a.elevationM - b.elevationM);
}

/** The upright rectangle around the walls and rooms of one level, or of all, with the things around them where asked; null for an empty project. */
export function projectBounds(project: ProjectDocument, levelId?: string, withThings = false): Bounds | null {
  const wanted = (record: { levelId: string }) => levelId === undefined || record.levelId === levelId;
  return boundsOf([
    ...Object.values(project.walls)
      .filter(wanted)
      .flatMap((wall) => [wall.a, wall.b]),
    ...Object.values(project.rooms)
      .filter(wanted)
      .flatMap((room) => room.polygon),
    ...(withThings ? Object.values(project.features).filter(wanted) : []).flatMap((feature) => feature.points),
  ]);
}

/** A place this near to the edge of a riser is in it, m. */
const RISER_EDGE_M = 0.05;

/** The riser that a place on the plan (m) lies in. */
export const riserAt = <R extends Pick<Riser, 'x' | 'y' | 'widthM' | 'depthM'>>(
  risers: readonly R[],
  at: readonly number[],
): R | undefined =>
  risers.find(
    ({ x, y, widthM, depthM }) =>
      Math.abs(x - at[0]) <= widthM / 2 + RISER_EDGE_M && Math.abs(y - at[1]) <= depthM / 2 + RISER_EDGE_M,
  );
