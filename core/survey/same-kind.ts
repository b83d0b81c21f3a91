import type { ProjectDocument } from '../model/index.ts';
import { onLevel } from '../derive/index.ts';
import type { SurveyHit } from '../house/index.ts';

/** Everything on a level that is of the same kind as one thing: walls of its make, doors, beds, rooms, racks. */
export function sameKind(document: ProjectDocument, levelId: string, { kind, id }: SurveyHit): string[] {
  switch (kind) {
    case 'wall':
      return ids(onLevel(document, 'walls', levelId).filter((wall) => wall.kind === document.walls[id]?.kind));
    case 'opening':
      return ids(
        Object.values(document.openings).filter(
          (one) => one.kind === document.openings[id]?.kind && document.walls[one.wallId]?.levelId === levelId,
        ),
      );
    case 'feature':
      return ids(onLevel(document, 'features', levelId).filter((one) => one.kind === document.features[id]?.kind));
    case 'room':
      return ids(onLevel(document, 'rooms', levelId));
    case 'rack':
      return ids(onLevel(document, 'racks', levelId));
    case 'dimension':
      return ids(onLevel(document, 'dimensions', levelId));
    case 'reference':
      return ids(onLevel(document, 'referencePoints', levelId));
    case 'riser':
      return Object.keys(document.risers);
  }
}

const ids = (records: readonly { id: string }[]): string[] => records.map(({ id }) => id).sort();
