import { edited } from '../derive/index.ts';
import { deviceTitle } from '../devices/index.ts';
import type { Device, Operation, ProjectDocument } from '../model/index.ts';
import { compareNumbers, type PlannedRun, planRuns } from '../runs/index.ts';

/** What an edit does beside what was asked: what a person wants to know before it is made. */
export interface EditEffects {
  /** Names of rooms that go, since another takes their place. */
  readonly rooms: readonly string[];
  /** Devices that go, by name. */
  readonly removed: readonly string[];
  /** Devices that stand in another room afterwards, with their numbers. */
  readonly moved: readonly { readonly name: string; readonly room: string }[];
  /** Runs that get another number. */
  readonly renumbered: readonly { readonly from: string; readonly to: string }[];
  /** Numbers of runs that had a route and have none afterwards. */
  readonly unrouted: readonly string[];
}

/** Compares a project with itself after an edit; null where the edit is refused. */
export function effectsOf(project: ProjectDocument, operations: readonly Operation[]): EditEffects | null {
  const applied = edited(project, operations);
  if (!applied.ok) return null;
  const after = applied.value;
  const devices = Object.values(project.devices);
  const routed = new Map(planRuns(project).map((planned) => [planned.run.id, hasRoute(planned)]));
  const title = (device: Device) => deviceTitle(device, project.deviceTypes[device.typeId]);
  return {
    rooms: Object.values(project.rooms)
      .filter(({ id }) => !after.rooms[id])
      .map(({ name }) => name)
      .sort(),
    removed: devices
      .filter(({ id }) => !after.devices[id])
      .map(title)
      .sort(),
    moved: devices
      .filter(({ id, roomId }) => after.devices[id] && after.devices[id].roomId !== roomId)
      .map((device) => ({ name: title(device), room: after.rooms[after.devices[device.id].roomId ?? '']?.name ?? '' })),
    renumbered: Object.values(project.runs)
      .flatMap(({ id, number }) =>
        after.runs[id] && after.runs[id].number !== number ? [{ from: number, to: after.runs[id].number }] : [],
      )
      .sort((a, b) => compareNumbers(a.from, b.from)),
    unrouted: planRuns(after)
      .filter((planned) => routed.get(planned.run.id) === true && !hasRoute(planned))
      .map(({ run }) => project.runs[run.id].number)
      .sort(compareNumbers),
  };
}

const hasRoute = ({ proposedRoute, issuedRoute }: PlannedRun) => proposedRoute.ok || issuedRoute !== null;

/** Whether an edit does nothing but what was asked. */
export const hasNoEffects = ({ rooms, removed, moved, renumbered, unrouted }: EditEffects): boolean =>
  [rooms, removed, moved, renumbered, unrouted].every((list) => list.length === 0);
