import { create } from 'zustand';
import type { GroupKind } from '@dusky-spool/core/model';
import type { LengthsBetween } from '@dusky-spool/core/survey';
import { persist } from 'zustand/middleware';

interface Settings {
  readonly dusk: boolean;
  readonly ledgerOpen: boolean;
  readonly inspectorOpen: boolean;
  /** Kind of zones that the plan shows; null shows none. */
  readonly zones: GroupKind | null;
  /** Whether errors and warnings are listed beside the work. */
  readonly findingPanel: boolean;
  /** Whether the plan shows findings at their places. */
  readonly findings: boolean;
  /** What lengths of walls that are drawn are taken between. */
  readonly lengthsBetween: LengthsBetween;
  /** The tour was taken or skipped. */
  readonly tourSeen: boolean;
  /** Under this name device numbers were taken along for times without a connection. */
  readonly numberHolder: string;
  readonly set: (change: Partial<Omit<Settings, 'set'>>) => void;
}

/** What this browser remembers of how its user likes the screens. */
export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      dusk: false,
      ledgerOpen: true,
      inspectorOpen: true,
      zones: null,
      findings: false,
      findingPanel: false,
      lengthsBetween: 'faces',
      tourSeen: false,
      numberHolder: '',
      set: (change) => set(change),
    }),
    {
      name: 'spool-settings',
    },
  ),
);
