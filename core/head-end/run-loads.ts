import { whole } from '../derive/index.ts';
import type { Run } from '../model/index.ts';
import { RUNS_HANGING, TYPE_OF_DEVICE } from '../runs/index.ts';
import { HEAD_END_PARTS } from './parts.ts';

/** The load of a run with the speakers that hang on its device, ohm; null where none is known. And how many speakers they are. */
export interface RunLoad {
  readonly ohm: number | null;
  readonly speakers: number;
}

export const parallelOhm = (loads: readonly number[]): number => 1 / loads.reduce((sum, ohm) => sum + 1 / ohm, 0);

const sameLoad = (a: RunLoad, b: RunLoad | undefined): boolean => a.ohm === b?.ohm && a.speakers === b?.speakers;

/** Loads of speaker runs: what hangs on the device of a run is in parallel with it (ENGINEERING 2.1). */
export const RUN_LOADS = whole<ReadonlyMap<string, RunLoad>>({
  name: 'loads of speaker runs',
  tables: ['deviceTypes'],
  nodes: [HEAD_END_PARTS, RUNS_HANGING, TYPE_OF_DEVICE],
  make: (read) => {
    const hanging = read.get(RUNS_HANGING);
    const { deviceTypes } = read.project;
    const loadsOn = (deviceId: string, seen: Set<string>): number[] => {
      if (seen.has(deviceId)) return [];
      seen.add(deviceId);
      const ohm = deviceTypes[read.one(TYPE_OF_DEVICE, deviceId) ?? '']?.impedanceOhm ?? null;
      const behind = (hanging.get(deviceId) ?? []).flatMap((run: Run) => loadsOn(run.deviceId, seen));
      return ohm === null ? behind : [ohm, ...behind];
    };
    const speakers = read.get(HEAD_END_PARTS).needs.filter(({ kind }) => kind === 'speaker');
    return new Map(
      speakers.map(({ runId, deviceId, ports }) => {
        const loads = loadsOn(deviceId, new Set());
        // A cable of four conductors has a channel for each pair.
        const ohm = loads.length === 0 ? null : parallelOhm(loads) * (loads.length > 1 ? ports : 1);
        return [runId, { ohm, speakers: loads.length }];
      }),
    );
  },
  alike: (a, b) => a.size === b.size && [...a].every(([runId, load]) => sameLoad(load, b.get(runId))),
});
