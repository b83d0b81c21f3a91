import type { BriefCell, ProjectDocument } from '../model/index.ts';
import type { RuleFinding } from './check.ts';

/** The room and the answer that a rule of the brief speaks of. */
export const cellSubject = (
  project: ProjectDocument,
  cell: BriefCell,
): Pick<RuleFinding, 'subjects'> & { figures: Record<string, unknown> } => {
  const room = project.rooms[cell.roomId];
  return {
    subjects: [
      { in: 'rooms', id: room.id },
      { in: 'briefCells', id: cell.id },
    ],
    figures: { number: room.code, room: room.name, topic: cell.topic },
  };
};
