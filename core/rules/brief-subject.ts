import { placeIdOf, placeOf } from '../brief/index.ts';
import type { BriefCell, ProjectDocument } from '../model/index.ts';
import type { RuleFinding } from './check.ts';

/** The room or area and the answer that a rule of the brief speaks of. */
export const cellSubject = (
  project: ProjectDocument,
  cell: BriefCell,
): Pick<RuleFinding, 'subjects'> & { figures: Record<string, unknown> } => {
  const place = placeOf(project, placeIdOf(cell))!;
  return {
    subjects: [
      { in: place.in, id: place.id },
      { in: 'briefCells', id: cell.id },
    ],
    figures: { number: place.code, room: place.name, topic: cell.topic },
  };
};
