import { POE_PLANNED_SHARE } from '../calculators/index.ts';
import { derivationsOf } from '../derive/index.ts';
import type { Equipment, ProjectDocument, SwitchPortReading } from '../model/index.ts';
import { otherEnd } from './flow.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { portKey, portsOf } from './ports.ts';

/** What should be on a port of a switch by the plan. */
export interface PlannedPort {
  readonly port: string;
  readonly runId: string | null;
  /** Number of the run, or the name of the equipment that is plugged in; empty is nothing. */
  readonly number: string;
  readonly deviceId: string | null;
  readonly isUp: boolean;
  /** Least link speed, Mbit/s. */
  readonly mbps: number;
  /** Most that it may draw by its class, W; 0 is fed by nothing. */
  readonly watts: number;
}

/** What differs between plan and switch at a port. */
export type PortFault = 'no-link' | 'unexpected-link' | 'slow' | 'no-power' | 'too-much-power' | 'wrong-device';

export interface ComparedPort extends PlannedPort {
  readonly read: SwitchPortReading | null;
  readonly faults: readonly PortFault[];
}

/** A link over category 6 and better runs at a gigabit; less is a fault of its cable or jacks. */
const LINK_MBPS = 1000;

/** Every data port of a switch with what the plan has on it. */
export function plannedPorts(project: ProjectDocument, equipment: Equipment): PlannedPort[] {
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  return portsOf(equipment)
    .filter(({ group }) => group.kind === 'data')
    .map(({ name: port }): PlannedPort => {
      const over = otherEnd(parts, { equipmentId: equipment.id, port });
      const runId = over ? (parts.runAt.get(portKey(over.equipmentId, over.port)) ?? null) : null;
      const need = runId === null ? undefined : parts.needByRun.get(runId);
      const inRack = over && !need ? parts.equipmentById.get(over.equipmentId) : undefined;
      const isUp = need ? !need.waits : inRack !== undefined && inRack.kind !== 'patch-panel';
      return {
        ...{ port, runId, number: need?.number ?? inRack?.name ?? '', deviceId: need?.deviceId ?? null, isUp },
        ...{ mbps: isUp ? LINK_MBPS : 0, watts: need?.poeW ?? 0 },
      };
    });
}

/** Plan and switch beside each other, port by port: at commissioning each must agree. */
export function comparePorts(planned: readonly PlannedPort[], readings: readonly SwitchPortReading[]): ComparedPort[] {
  const readAt = new Map(readings.map((one) => [one.port, one]));
  return planned.map((one) => {
    const read = readAt.get(one.port) ?? null;
    return { ...one, read, faults: faultsOf(one, read) };
  });
}

function faultsOf(planned: PlannedPort, read: SwitchPortReading | null): PortFault[] {
  const isUp = read?.isUp ?? false;
  const isFed = planned.watts > 0;
  if (!planned.isUp) return isUp ? ['unexpected-link'] : [];
  if (!read || !isUp) return isFed && (read?.watts ?? 0) === 0 ? ['no-link', 'no-power'] : ['no-link'];
  return [
    ...(read.mbps < planned.mbps ? (['slow'] as const) : []),
    ...(isFed && read.watts === 0 ? (['no-power'] as const) : []),
    ...(read.watts > Math.max(planned.watts, 0) * (1 + 1e-9) ? (['too-much-power'] as const) : []),
    ...(read.serial !== '' && read.serial !== planned.number ? (['wrong-device'] as const) : []),
  ];
}

/** Faults of a simulated switch: by which of its used ports, from 1. */
export interface SwitchFault {
  readonly nth: number;
  readonly isUp?: boolean | undefined;
  readonly mbps?: number | undefined;
  readonly watts?: number | undefined;
  /** It answers with the serial of another used port. */
  readonly serialOfNth?: number | undefined;
}

/** What a switch without faults reads where everything is as planned: each device draws most of what its class allows. */
export const readAsPlanned = (planned: readonly PlannedPort[]): SwitchPortReading[] =>
  planned.map(({ port, isUp, mbps, watts, number }) => ({
    ...{ port, isUp, mbps, serial: isUp ? number : '' },
    watts: isUp ? Number((POE_PLANNED_SHARE * watts).toFixed(1)) : 0,
  }));

/** Readings with a script of faults on the ports in use. */
export function withFaults(readings: readonly SwitchPortReading[], faults: readonly SwitchFault[]): SwitchPortReading[] {
  const used = readings.filter(({ isUp }) => isUp);
  const changed = new Map<string, SwitchPortReading>();
  for (const { nth, isUp, mbps, watts, serialOfNth } of faults) {
    const at = used[nth - 1];
    if (!at) continue;
    const before = changed.get(at.port) ?? at;
    const down = isUp === false ? { isUp: false, mbps: 0, watts: watts ?? 0, serial: '' } : {};
    changed.set(at.port, {
      ...{ ...before, ...(mbps === undefined ? {} : { mbps }), ...(watts === undefined ? {} : { watts }), ...down },
      ...(serialOfNth === undefined || isUp === false ? {} : { serial: used[serialOfNth - 1]?.serial ?? before.serial }),
    });
  }
  return readings.map((one) => changed.get(one.port) ?? one);
}
