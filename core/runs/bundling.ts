import type { Device, ProjectDocument } from '../model/index.ts';

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
  const used = new Set<string>();
  for (const run of Object.values(project.runs)) {
    used.add(run.bundle);
    const device = run.deviceId === moved?.id ? moved : project.devices[run.deviceId];
    if (run.bundle !== '' && run.rackId === rackId && device.roomId === place.roomId && device.levelId === place.levelId)
      return run.bundle;
  }
  return freeBundleCode(used);
}

/** The next free `B-nn`. */
export function freeBundleCode(used: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const code = `B-${String(n).padStart(2, '0')}`;
    if (!used.has(code)) return code;
  }
}
