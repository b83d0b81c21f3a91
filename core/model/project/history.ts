import { applyChange, type Change, type FieldConflict, type Operation, reverseOperations } from './change.ts';
import { err, ok, type Outcome } from '../../math/index.ts';
import type { ProjectDocument } from './project-document.ts';

/** One's own edits that can be taken back, and those taken back that can be made again. No limit. */
export interface History {
  readonly done: readonly HistoryEntry[];
  readonly undone: readonly HistoryEntry[];
}

export interface HistoryEntry {
  readonly changeId: string;
  readonly title: string;
  readonly operations: readonly Operation[];
}

export const emptyHistory: History = { done: [], undone: [] };

export const remember = (history: History, change: Change): History => ({
  done: [...history.done, { changeId: change.id, title: change.title, operations: change.operations }],
  undone: [],
});

/** A step through the history: what to send and what the history becomes. */
export interface Step {
  readonly entry: HistoryEntry;
  readonly operations: readonly Operation[];
  readonly history: History;
}

/** Takes the last edit back. Problems: `nothing-to-undo`, `undo-overtaken` (another person changed the same field since). */
export function undoStep(history: History, project: ProjectDocument): Outcome<Step> {
  const entry = history.done.at(-1);
  if (!entry) return err('nothing-to-undo');
  const operations = reverseOperations(entry.operations);
  const blocked = overtaken(project, operations, entry);
  if (blocked) return blocked;
  return ok({ entry, operations, history: { done: history.done.slice(0, -1), undone: [...history.undone, entry] } });
}

/** Makes the last undone edit again. Problems: `nothing-to-redo`, `undo-overtaken`. */
export function redoStep(history: History, project: ProjectDocument): Outcome<Step> {
  const entry = history.undone.at(-1);
  if (!entry) return err('nothing-to-redo');
  const blocked = overtaken(project, entry.operations, entry);
  if (blocked) return blocked;
  return ok({
    entry,
    operations: entry.operations,
    history: { done: [...history.done, entry], undone: history.undone.slice(0, -1) },
  });
}

function overtaken(project: ProjectDocument, operations: readonly Operation[], entry: HistoryEntry) {
  const applied = applyChange(project, { operations });
  if (applied.ok) return null;
  const conflicts = (applied.problem.conflicts as FieldConflict[] | undefined) ?? [];
  return err('undo-overtaken', { title: entry.title, why: applied.problem.code, field: conflicts[0]?.field, conflicts });
}
