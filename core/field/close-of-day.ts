import type { ProjectDocument, Run } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { holeSchedule, type Penetration, penetrationsOf } from '../pathways/index.ts';
import { unlabelledEnds, type UnlabelledEnd } from '../rules/index.ts';
import { compareNumbers, isPulled, type PlannedRun } from '../runs/index.ts';

export interface RoomProgress {
  readonly roomId: string;
  readonly done: number;
  readonly all: number;
}

/** What stands between the crew and going home, and what the day came to. */
export interface CloseOfDay {
  readonly done: number;
  readonly all: number;
  /** In the walls as cut: measured where it was, else planned, m. */
  readonly pulledM: number;
  /** Rooms in which something is open, the fullest first. */
  readonly rooms: readonly RoomProgress[];
  readonly unlabelled: readonly UnlabelledEnd[];
  /** Pulled and not terminated: both ends are bagged, capped outdoors, and the loop is stapled inside. */
  readonly bareEnds: readonly Run[];
  /** Pulled and not tested before the drywall. */
  readonly untested: readonly Run[];
  /** Cables from device to device that are not pulled while the others of their device are. */
  readonly jumpers: readonly Run[];
  /** Bored for pulled runs, and not closed. */
  readonly openPenetrations: readonly Penetration[];
}

/** The register of a day's end (practice A63 to A68). `planned` are the runs of the project with their routes. */
export function closeOfDay(project: ProjectDocument, planned: readonly PlannedRun[]): CloseOfDay {
  const runs = planned.map(({ run }) => run).filter(({ foundId }) => foundId === null);
  const pulled = runs.filter(isPulled).toSorted((a, b) => compareNumbers(a.number, b.number));
  const cutOf = new Map(listOf(project, 'spoolCuts').map(({ runId, lengthM }) => [runId, lengthM]));
  const lengthOf = new Map(planned.map(({ run, length }) => [run.id, length?.cutLengthM ?? 0]));
  const isIn = new Set(pulled.map(({ id }) => id));
  const places = holeSchedule(
    project,
    planned.filter(({ run }) => isIn.has(run.id)),
  );
  return {
    ...{ done: pulled.length, all: runs.length },
    pulledM: pulled.reduce((sum, { id }) => sum + (cutOf.get(id) ?? lengthOf.get(id) ?? 0), 0),
    rooms: roomsOf(project, runs),
    unlabelled: unlabelledEnds(project),
    bareEnds: pulled.filter(({ state }) => state === 'pulled'),
    untested: pulled.filter(({ rawTestedOn }) => rawTestedOn === ''),
    jumpers: runs.filter(
      ({ id, toDeviceId, deviceId }) =>
        toDeviceId !== null &&
        !isIn.has(id) &&
        pulled.some((other) => other.deviceId === deviceId || other.deviceId === toDeviceId),
    ),
    openPenetrations: penetrationsOf(project, places).filter(({ seal }) => seal === null || seal.state === 'open'),
  };
}

function roomsOf({ devices }: ProjectDocument, runs: readonly Run[]): RoomProgress[] {
  const rooms = new Map<string, { roomId: string; done: number; all: number }>();
  for (const run of runs) {
    const roomId = devices[run.deviceId]?.roomId;
    if (!roomId) continue;
    const room = rooms.get(roomId) ?? { roomId, done: 0, all: 0 };
    rooms.set(roomId, room);
    room.all++;
    if (isPulled(run)) room.done++;
  }
  return [...rooms.values()]
    .filter(({ done, all }) => done < all)
    .sort((a, b) => b.done / b.all - a.done / a.all || b.all - a.all);
}
