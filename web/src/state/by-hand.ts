import { create } from 'zustand';

/** The run whose route is led by hand over the plan, place by place; null where none is. */
export const useByHand = create<{ readonly runId: string | null; readonly set: (runId: string | null) => void }>()((set) => ({
  runId: null,
  set: (runId) => set({ runId }),
}));
