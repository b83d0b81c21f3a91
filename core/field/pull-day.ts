import type { ProjectDocument, Run } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { type Pull, spoolName, type SpoolLeft, type SpoolPlanOfHouse, spoolsLeft } from '../order/index.ts';
import { isPulled } from '../runs/index.ts';

/** One cable of a pull as both people call it. */
export interface DayRun {
  readonly run: Run;
  /** As it is cut, m. */
  readonly cutM: number;
  /** The spool that the plan takes it from, where that one is there; null where it is bought first. */
  readonly spoolId: string | null;
  /** As the plan names the spool: `S3`, or `new 2`. */
  readonly spoolName: string;
  /** On a spool that is bought for it, m; null where the plan takes it from stock. */
  readonly newSpoolM: number | null;
  /** Spools of its cable that are there, with what is left. */
  readonly spools: readonly SpoolLeft[];
  /** What is left on its spool after it as planned, m; below 0 the spool is short. */
  readonly leftM: number;
}

/** Cables that are pulled together, with the room and level in which their far ends are. */
export interface DayPull {
  readonly bundle: string;
  readonly rackId: string;
  readonly roomIds: readonly string[];
  readonly levelId: string;
  readonly runs: readonly DayRun[];
  /** Spools that are set up for it. */
  readonly spoolCount: number;
  readonly isShort: boolean;
}

/** What is still to be pulled, in the order of the plan (far and many first), and what is done. */
export function pullDay(
  project: ProjectDocument,
  plan: Pick<SpoolPlanOfHouse, 'pulls' | 'cables'>,
): { readonly pulls: readonly DayPull[]; readonly done: number; readonly all: number } {
  const spools = spoolsLeft(project);
  const bought = new Map(
    plan.cables.flatMap((cable) =>
      cable.spools.flatMap(({ key, stockId, lengthM }) => (stockId === null ? [[key, lengthM] as const] : [])),
    ),
  );
  const runs = listOf(project, 'runs').filter(({ foundId }) => foundId === null);
  const pulls = plan.pulls.flatMap((pull) => {
    const day = dayPull(project, pull, spools, bought);
    return day.runs.length > 0 ? [day] : [];
  });
  return { pulls, done: runs.filter(isPulled).length, all: runs.length };
}

function dayPull(
  project: ProjectDocument,
  { bundle, rackId, cuts }: Pull,
  spools: readonly SpoolLeft[],
  bought: ReadonlyMap<string, number>,
): DayPull {
  const open = cuts.flatMap((cut) => {
    const run = project.runs[cut.runId];
    return run && !isPulled(run) ? [{ ...cut, run }] : [];
  });
  const runs = open.map(({ run, cableTypeId, key, lengthM, leftM }): DayRun => {
    const own = spools.filter(({ spool }) => spool.cableTypeId === cableTypeId);
    const name = spoolName(key);
    const spoolId = own.find(({ spool }) => spool.code === name)?.spool.id ?? null;
    return { run, cutM: lengthM, spoolId, spoolName: name, newSpoolM: bought.get(key) ?? null, spools: own, leftM };
  });
  const devices = runs.map(({ run }) => project.devices[run.deviceId]);
  return {
    ...{ bundle, rackId, runs },
    roomIds: [...new Set(devices.flatMap((device) => device?.roomId ?? []))],
    levelId: devices[0]?.levelId ?? '',
    spoolCount: new Set(open.map(({ key }) => key)).size,
    isShort: runs.some(({ leftM }) => leftM < 0),
  };
}
