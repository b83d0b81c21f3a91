import type { ProjectDocument, Run } from '../model/index.ts';
import { derivationsOf, grouped, lookup } from '../derive/index.ts';

/** Runs by the device that they begin at. */
export const RUNS_BY_DEVICE = grouped('runs by device', 'runs', ({ deviceId }) => deviceId);

export const runsByDevice = (project: Pick<ProjectDocument, 'runs'>): ReadonlyMap<string, readonly Run[]> =>
  derivationsOf(project).get(RUNS_BY_DEVICE).byKey;

const NO_RUNS: readonly Run[] = [];

/** The runs that begin at each device. */
export const RUNS_OF_DEVICE = lookup('runs of a device', 'devices', RUNS_BY_DEVICE, NO_RUNS);
