import { convexHull, type Point2 } from '../../math/index.ts';
import type { Group, GroupKind, ProjectDocument } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';

/** The part of a zone that lies in one room, or outdoors: an outline around its devices and how many there are. */
export interface ZonePart {
  readonly group: Group;
  readonly roomId: string | null;
  /** Convex outline of the devices' places, m; one point or two where there are no more. */
  readonly outline: readonly Point2[];
  readonly devices: number;
}

/** Zones of a kind on a level, room by room, in the order of their names. */
export function zonesOn(project: ProjectDocument, levelId: string, kind: GroupKind): ZonePart[] {
  const groups = listOf(project, 'groups')
    .filter((group) => group.kind === kind)
    .toSorted((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1));
  return groups.flatMap((group) => {
    const byRoom = new Map<string | null, Point2[]>();
    for (const { groupId, deviceId } of listOf(project, 'groupMembers')) {
      const device = groupId === group.id ? project.devices[deviceId] : undefined;
      if (!device || device.levelId !== levelId) continue;
      const at = byRoom.get(device.roomId);
      if (at) at.push([device.x, device.y]);
      else byRoom.set(device.roomId, [[device.x, device.y]]);
    }
    return [...byRoom].map(([roomId, points]) => ({
      group,
      roomId,
      outline: convexHull(points),
      devices: points.length,
    }));
  });
}
