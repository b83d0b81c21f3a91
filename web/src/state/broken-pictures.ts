import { create } from 'zustand';

/** Pictures that the browser could not show when it was last asked for them, by id. */
interface BrokenPictures {
  readonly ids: ReadonlySet<string>;
  readonly add: (id: string) => void;
  readonly remove: (id: string) => void;
}

export const useBrokenPictures = create<BrokenPictures>((set, get) => ({
  ids: new Set(),
  add: (id) => {
    if (!get().ids.has(id)) set({ ids: new Set([...get().ids, id]) });
  },
  remove: (id) => {
    if (get().ids.has(id)) set({ ids: new Set([...get().ids].filter((one) => one !== id)) });
  },
}));
