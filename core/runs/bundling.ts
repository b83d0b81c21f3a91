import { onLevel } from '../derive/index.ts';
import type { Device, ProjectDocument } from '../model/index.ts';
import { runsByDevice } from './runs-by-device.ts';

/**
 * The bundle that a new run of a room joins: the one that the room's other runs to that rack are pulled in,
 * else the next free `B-nn`. `moved` counts as standing where it says, whatever the project has.
 */
export function bundleFor(
  project: ProjectDocument,
  place: { roomId: string | null; levelId: string },
  rackId: string,
  moved?: Device,
): string {
  const byDevice = runsByDevice(project);
  const isInPlace = ({ roomId, levelId }: Device) => roomId === place.roomId && levelId === place.levelId;
  const inPlace = onLevel(project, 'devices', place.levelId).filter((device) => device.id !== moved?.id && isInPlace(device));
  const devices = moved && isInPlace(moved) ? [...inPlace, moved] : inPlace;
  const bundled = devices.flatMap(({ id }) => byDevice.get(id) ?? []).filter((run) => run.bundle !== '' && run.rackId === rackId);
  if (bundled.length > 0) return bundled.reduce((first, run) => (run.id < first.id ? run : first)).bundle;
  return freeBundleCode(new Set(Object.values(project.runs).map(({ bundle }) => bundle)));
}

/** The next free `B-nn`. */
export function freeBundleCode(used: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const code = `B-${String(n).padStart(2, '0')}`;
    if (!used.has(code)) return code;
  }
}
