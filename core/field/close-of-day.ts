import type { ProjectDocument, Run } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { holeSchedule, type Penetration, penetrationsOf } from '../pathways/index.ts';
import { unlabelledEnds, type UnlabelledEnd } from '../rules/index.ts';
import { compareNumbers, cutFromSpool, isPulled, type PlannedRun } from '../runs/index.ts';

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
  const own = planned.filter(({ run }) => run.foundId === null);
  const runs = own.map(({ run }) => run);
  const inWalls = own.filter(({ run }) => isPulled(run)).toSorted((a, b) => compareNumbers(a.run.number, b.run.number));
  const pulled = inWalls.map(({ run }) => run);
  const cutOf = new Map(listOf(project, 'spoolCuts').map(({ runId, lengthM }) => [runId, lengthM]));
  return {
    ...{ done: pulled.length, all: runs.length },
    pulledM: inWalls.reduce((sum, one) => sum + (cutOf.get(one.run.id) ?? cutFromSpool(one)), 0),
    rooms: roomsOf(project, runs),
    unlabelled: unlabelledEnds(project),
    bareEnds: pulled.filter(({ state }) => state === 'pulled'),
    untested: pulled.filter(({ rawTestedOn }) => rawTestedOn === ''),
    jumpers: runs.filter(
      (run) =>
        run.toDeviceId !== null &&
        !isPulled(run) &&
        pulled.some((other) => other.deviceId === run.deviceId || other.deviceId === run.toDeviceId),
    ),
    openPenetrations: penetrationsOf(project, holeSchedule(project, inWalls)).filter(
      ({ seal }) => seal === null || seal.state === 'open',
    ),
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
