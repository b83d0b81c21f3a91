import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { readSelection, type Selection } from './selection-kinds.ts';

/** Level and selection, kept in the address so that a link shows the same. */
export function usePlace() {
  const [params, setParams] = useSearchParams();
  const selText = params.get('sel');
  const selection = useMemo(() => readSelection(selText), [selText]);
  const levelId = params.get('level');
  const view = params.get('view');
  const go = useCallback(
    (change: { level?: string; selection?: Selection; view?: string | null }) => {
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          if (change.level !== undefined) next.set('level', change.level);
          if (change.selection) {
            if (change.selection.kind === 'none' || change.selection.ids.length === 0) next.delete('sel');
            else next.set('sel', `${change.selection.kind}:${change.selection.ids.join(',')}`);
          }
          if (change.view === null) next.delete('view');
          else if (change.view !== undefined) next.set('view', change.view);
          return next;
        },
        { replace: true },
      );
    },
    [setParams],
  );
  return { levelId, selection, view, go };
}

export { noSelection, SELECTION_KINDS, type Selection, type SelectionKind } from './selection-kinds.ts';
