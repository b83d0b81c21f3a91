import { deviceTitle } from '../devices/index.ts';
import { listOf } from '../derive/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import type { HeadEnd } from './head-end.ts';
import type { RunNeed } from './needs.ts';
import { portKey } from './ports.ts';

/** One port of a panel with its run and what it is patched to, in the order in which panels are punched. */
export interface PatchRow {
  readonly equipment: string;
  readonly equipmentId: string;
  readonly port: string;
  readonly runId: string;
  readonly number: string;
  readonly device: string;
  readonly room: string;
  readonly to: string;
  readonly toPort: string;
  readonly color: string;
  readonly lengthM: number | null;
  /** It stays unpatched until the device of its owner is there. */
  readonly waits: boolean;
  readonly isLocked: boolean;
}

/** Cords to make or buy: how many of a color and length. */
export interface CordCount {
  readonly color: string;
  readonly lengthM: number;
  readonly count: number;
}

/** Where everything at a head end is connected, port by port. */
export function patchRows(project: ProjectDocument, headEnd: HeadEnd): PatchRow[] {
  const order = new Map(headEnd.equipment.map((one) => [one.id, -(one.atUnit ?? 0) * 100 - (one.yM ?? 0)]));
  const patchAt = new Map(
    headEnd.patches.flatMap((one) => [
      [portKey(one.equipmentId, one.port), { to: one.toEquipmentId, toPort: one.toPort, one }] as const,
      [portKey(one.toEquipmentId, one.toPort), { to: one.equipmentId, toPort: one.port, one }] as const,
    ]),
  );
  const byId = new Map(listOf(project, 'equipment').map((one) => [one.id, one]));
  return headEnd.needs
    .flatMap((need): PatchRow[] => {
      const termination = headEnd.terminations.get(need.runId);
      const at = termination && byId.get(termination.equipmentId);
      if (!termination || !at) return [];
      const patch = patchAt.get(portKey(at.id, termination.port));
      return [
        {
          ...{
            equipment: at.name,
            equipmentId: at.id,
            port: portText(termination.port, need),
            runId: need.runId,
            number: need.number,
          },
          device: deviceText(project, need.deviceId),
          room: project.rooms[need.roomId ?? '']?.name ?? '',
          to: patch ? (byId.get(patch.to)?.name ?? '') : '',
          toPort: patch?.toPort ?? '',
          color: patch?.one.color ?? '',
          lengthM: patch?.one.lengthM ?? null,
          waits: need.waits && !patch,
          isLocked: termination.isLocked,
        },
      ];
    })
    .sort(
      (a, b) =>
        order.get(a.equipmentId)! - order.get(b.equipmentId)! ||
        (a.equipmentId < b.equipmentId ? -1 : a.equipmentId > b.equipmentId ? 1 : 0) ||
        numberOf(a.port) - numberOf(b.port),
    );
}

/** `speaker 3`, or `speaker 3 and 4` where a cable takes two channels. */
function portText(port: string, { ports }: RunNeed): string {
  return ports === 1 ? port : `${port} + ${numberOf(port) + ports - 1}`;
}

const numberOf = (port: string): number => Number(/(\d+)( \+ \d+)?$/.exec(port)?.[1] ?? 0);

function deviceText(project: ProjectDocument, deviceId: string): string {
  const device = project.devices[deviceId];
  return device ? deviceTitle(device, project.deviceTypes[device.typeId]) : '';
}

/** Cords by color and length. */
export function cordCounts({ patches }: Pick<HeadEnd, 'patches'>): CordCount[] {
  const counts = new Map<string, CordCount>();
  for (const { color, lengthM, waits } of patches) {
    if (waits) continue;
    const key = `${color} ${lengthM}`;
    counts.set(key, { color, lengthM, count: (counts.get(key)?.count ?? 0) + 1 });
  }
  return [...counts.values()].sort((a, b) => (a.color < b.color ? -1 : a.color > b.color ? 1 : a.lengthM - b.lengthM));
}
