import type { ProjectDocument, Run } from '../model/index.ts';
import { derivationsOf, whole } from '../derive/index.ts';
import { runsByDevice } from './runs-by-device.ts';

/** Runs that hang on a device, in the order of their places: the first takes the second pair of a four-conductor cable. */
export const RUNS_HANGING = whole<ReadonlyMap<string, readonly Run[]>>({
  name: 'runs that end at a device',
  tables: ['runs'],
  make: (read) => {
    const byDevice = new Map<string, Run[]>();
    for (const run of read.rows('runs')) {
      if (run.toDeviceId === null) continue;
      const there = byDevice.get(run.toDeviceId);
      if (there) there.push(run);
      else byDevice.set(run.toDeviceId, [run]);
    }
    for (const runs of byDevice.values()) runs.sort((a, b) => (a.number < b.number ? -1 : 1));
    return byDevice;
  },
});

/** Runs that end at a device. */
export const runsHangingOn = (project: ProjectDocument, deviceId: string): readonly Run[] =>
  derivationsOf(project).get(RUNS_HANGING).get(deviceId) ?? [];

/** How the conductors of a shared speaker cable are split: the pair used here, and the one that goes on or comes from another run. */
export interface SpeakerSplit {
  /** `on` at a run that another hangs on, `from` at the jumper. */
  readonly kind: 'on' | 'from';
  /** Conductors used by the first speaker, as colors. */
  readonly here: string;
  /** Conductors that go on to the second. */
  readonly onward: string;
  /** Number of the other run. */
  readonly number: string;
}

const isFourConductor = (project: ProjectDocument, { cableTypeId }: Run) =>
  project.cableTypes[cableTypeId].system === 'sound' && project.cableTypes[cableTypeId].conductors >= 4;

/** The split of a run, by the conductor map of the shared cable; null where it shares none. */
export function speakerSplitOf(project: ProjectDocument, run: Run): SpeakerSplit | null {
  const own = isFourConductor(project, run) && run.toDeviceId === null ? run : null;
  const home = own ?? (run.toDeviceId === null ? null : homeRunOf(project, run.toDeviceId));
  if (!home) return null;
  const jumper = own
    ? runsHangingOn(project, run.deviceId).find((one) => project.cableTypes[one.cableTypeId].system === 'sound')
    : run;
  const map = home.mapId === null ? undefined : project.conductorMaps[home.mapId];
  if (!jumper || !map || map.lines.length < 4) return null;
  const [here, onward] = [map.lines.slice(0, 2), map.lines.slice(2, 4)].map((lines) =>
    lines.map(({ conductor }) => conductor).join('/'),
  );
  return own ? { kind: 'on', here, onward, number: jumper.number } : { kind: 'from', here, onward, number: home.number };
}

const homeRunOf = (project: ProjectDocument, deviceId: string): Run | undefined =>
  (runsByDevice(project).get(deviceId) ?? []).find((run) => run.toDeviceId === null && isFourConductor(project, run));
