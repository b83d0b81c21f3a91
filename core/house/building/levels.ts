import { type Bounds, boundsOf } from '../../math/index.ts';
import type { Level, ProjectDocument } from '../../model/index.ts';
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
