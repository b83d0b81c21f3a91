import type { ProjectDocument } from '../model/index.ts';
import { onLevel } from '../derive/index.ts';
import type { SurveyHit } from '../house/index.ts';

/** Everything on a level that is of the same kind as one thing: walls of its make, doors, beds, rooms, racks. */
export function sameKind(project: ProjectDocument, levelId: string, { kind, id }: SurveyHit): string[] {
  switch (kind) {
    case 'wall':
      return ids(onLevel(project, 'walls', levelId).filter((wall) => wall.kind === project.walls[id]?.kind));
    case 'opening':
      return ids(
        Object.values(project.openings).filter(
          (one) => one.kind === project.openings[id]?.kind && project.walls[one.wallId]?.levelId === levelId,
        ),
      );
    case 'feature':
      return ids(onLevel(project, 'features', levelId).filter((one) => one.kind === project.features[id]?.kind));
    case 'room':
      return ids(onLevel(project, 'rooms', levelId));
    case 'rack':
      return ids(onLevel(project, 'racks', levelId));
    case 'dimension':
      return ids(onLevel(project, 'dimensions', levelId));
    case 'reference':
      return ids(onLevel(project, 'referencePoints', levelId));
    case 'riser':
      return Object.keys(project.risers);
  }
}

const ids = (records: readonly { id: string }[]): string[] => records.map(({ id }) => id).sort();
