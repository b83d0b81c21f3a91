import type { UnitSystem } from '@dusky-spool/core/math';
import type { PlannedRun } from '@dusky-spool/core/runs';
import { createContext } from 'react';

/** What cells need beside their row. */
export const ScheduleContext = createContext<{
  readonly units: UnitSystem;
  readonly isFull: boolean;
  readonly runById: ReadonlyMap<string, PlannedRun>;
}>({ units: 'metric', isFull: false, runById: new Map() });
