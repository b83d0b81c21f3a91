import { create } from 'zustand';

/** Whether the tour is on its way; the find box and the guide start it too. */
export const useTour = create<{ readonly isOn: boolean; readonly start: () => void }>()((set) => ({
  isOn: false,
  start: () => set({ isOn: true }),
}));
