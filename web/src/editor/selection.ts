import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';

export const SELECTION_KINDS = [
  'device',
  'run',
  'wall',
  'room',
  'opening',
  'feature',
  'rack',
  'riser',
  'dimension',
  'reference',
] as const;
export type SelectionKind = (typeof SELECTION_KINDS)[number];

/** What is selected on every part of the screen at once. */
export interface Selection {
  readonly kind: SelectionKind | 'none';
  readonly ids: readonly string[];
}

const NONE: Selection = { kind: 'none', ids: [] };

function read(text: string | null): Selection {
  const match = /^([a-z]+):([A-Za-z0-9_,-]+)$/.exec(text ?? '');
  if (!match || !SELECTION_KINDS.includes(match[1] as SelectionKind)) return NONE;
  return { kind: match[1] as SelectionKind, ids: match[2].split(',').filter(Boolean) };
}

/** Level and selection, kept in the address so that a link shows the same. */
export function usePlace() {
  const [params, setParams] = useSearchParams();
  const selText = params.get('sel');
  const selection = useMemo(() => read(selText), [selText]);
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

export const noSelection = NONE;
