import { routedLength } from '../calculators/index.ts';
import { listOf } from '../derive/index.ts';
import { deviceTitle } from '../devices/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { plannedRun } from '../runs/index.ts';

/** One conductor of a bond path. */
export interface BondStep {
  readonly runId: string;
  readonly number: string;
  readonly cable: string;
  readonly toDeviceId: string;
  readonly to: string;
  /** Length along its route, m; null without one. */
  readonly lengthM: number | null;
}

/** How a mast, dish, bar or arrester is bonded: conductor by conductor to the electrode of the building, or as far as it gets. */
export interface BondPath {
  readonly deviceId: string;
  readonly name: string;
  readonly steps: readonly BondStep[];
  readonly isWhole: boolean;
  /** All conductors together, m; null where one has no route. */
  readonly lengthM: number | null;
}

/** What has to be bonded (ENGINEERING 5.5). */
const BONDED = /^(aerial|dish|uhf-antenna|fm-antenna|surge-arrester)$/;
const ELECTRODE = 'building-electrode';

/** The bond path of every antenna, dish and arrester: the shortest in conductors. */
export function bondPaths(project: ProjectDocument): BondPath[] {
  const joined = new Map<string, { readonly runId: string; readonly otherId: string }[]>();
  const join = (id: string, runId: string, otherId: string) => joined.set(id, [...(joined.get(id) ?? []), { runId, otherId }]);
  for (const { id, deviceId, toDeviceId, cableTypeId } of listOf(project, 'runs')) {
    if (toDeviceId === null || project.cableTypes[cableTypeId]?.family !== 'bond') continue;
    join(deviceId, id, toDeviceId);
    join(toDeviceId, id, deviceId);
  }
  return listOf(project, 'devices')
    .filter(({ typeId }) => BONDED.test(typeId))
    .map((device) => {
      const ways = new Map<string, BondStep[]>([[device.id, []]]);
      const queue = [device.id];
      for (let id = queue.shift(); id !== undefined; id = queue.shift())
        for (const { runId, otherId } of joined.get(id) ?? []) {
          // A path goes over bars, never over another antenna.
          if (ways.has(otherId) || BONDED.test(project.devices[otherId].typeId)) continue;
          ways.set(otherId, [...ways.get(id)!, stepOf(project, runId, otherId)]);
          queue.push(otherId);
        }
      const whole = [...ways].find(([id]) => project.devices[id].typeId === ELECTRODE)?.[1];
      // Where none gets there, the farthest that it gets.
      const steps = whole ?? [...ways.values()].reduce((most, way) => (way.length > most.length ? way : most), []);
      return {
        ...{ deviceId: device.id, name: titleOf(project, device.id), steps, isWhole: whole !== undefined },
        lengthM: steps.some(({ lengthM }) => lengthM === null) ? null : steps.reduce((sum, { lengthM }) => sum + lengthM!, 0),
      };
    });
}

const titleOf = ({ devices, deviceTypes }: ProjectDocument, id: string): string =>
  deviceTitle(devices[id], deviceTypes[devices[id].typeId]);

function stepOf(project: ProjectDocument, runId: string, toDeviceId: string): BondStep {
  const { run, length } = plannedRun(project, runId);
  return {
    ...{
      runId,
      number: run.number,
      cable: project.cableTypes[run.cableTypeId].name,
      toDeviceId,
      to: titleOf(project, toDeviceId),
    },
    lengthM: length ? routedLength(length) : null,
  };
}
