import type { Outcome } from '../math/index.ts';
import type { FieldConflict, Operation, ProjectDocument } from '../model/index.ts';
import { settleHouse } from './settle.ts';

/** Whether a conflict is only about outlines of rooms, which follow from walls and need nobody to decide. */
export const onlyOutlines = (conflicts: readonly FieldConflict[]): boolean =>
  conflicts.length > 0 && conflicts.every((conflict) => conflict.in === 'rooms' && conflict.field === 'polygon');

/**
 * The same edit of walls in a house that another person has changed meanwhile: what was drawn stays as drawn, what follows
 * from it (rooms, devices, numbers) is worked out anew. Problems: those of `applyChange`.
 */
export function resettle(project: ProjectDocument, operations: readonly Operation[], newId: () => string): Outcome<Operation[]> {
  const drawn = operations.filter(
    ({ in: list }) => list === 'walls' || list === 'openings' || list === 'features' || list === 'underlays',
  );
  const levelIds = drawn.flatMap((operation) => {
    if (operation.in !== 'walls') return [];
    const levelId = operation.op === 'create' ? operation.record.levelId : project.walls[operation.id]?.levelId;
    return typeof levelId === 'string' ? [levelId] : [];
  });
  return settleHouse(project, drawn, [...new Set(levelIds)], newId);
}
