import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Settings {
  readonly dusk: boolean;
  readonly ledgerOpen: boolean;
  readonly inspectorOpen: boolean;
  readonly set: (change: Partial<Pick<Settings, 'dusk' | 'ledgerOpen' | 'inspectorOpen'>>) => void;
}

/** What this browser remembers of how its user likes the screens. */
export const useSettings = create<Settings>()(
  persist((set) => ({ dusk: false, ledgerOpen: true, inspectorOpen: true, set: (change) => set(change) }), {
    name: 'spool-settings',
  }),
);
