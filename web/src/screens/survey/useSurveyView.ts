import { create } from 'zustand';

interface SurveyView {
  /** Kinds that are not shown, and kinds that cannot be moved, in this session. */
  readonly hidden: ReadonlySet<string>;
  readonly locked: ReadonlySet<string>;
  readonly gridM: number;
  readonly toggleHidden: (kinds: readonly string[]) => void;
  readonly toggleLocked: (kinds: readonly string[]) => void;
  readonly setGrid: (gridM: number) => void;
}

const toggled = (set: ReadonlySet<string>, kinds: readonly string[]): ReadonlySet<string> => {
  const all = kinds.every((kind) => set.has(kind));
  const next = new Set(set);
  for (const kind of kinds)
    if (all) next.delete(kind);
    else next.add(kind);
  return next;
};

/** How the survey sheet is looked at: it is nobody's edit and is not saved. */
export const useSurveyView = create<SurveyView>((set) => ({
  hidden: new Set(),
  locked: new Set(),
  gridM: 0.05,
  toggleHidden: (kinds) => set(({ hidden }) => ({ hidden: toggled(hidden, kinds) })),
  toggleLocked: (kinds) => set(({ locked }) => ({ locked: toggled(locked, kinds) })),
  setGrid: (gridM) => set({ gridM }),
}));
