import { runHours } from '../../calculators/index.ts';
import { type ProjectDocument, type SystemName, SYSTEMS } from '../../model/index.ts';
import type { PlannedRun } from '../../runs/index.ts';

/** What a system comes to as the plan grows; lengths m, cost in the project's currency: devices, cable, and hours at its rate. */
export interface SystemCount {
  readonly system: SystemName;
  readonly devices: number;
  readonly runs: number;
  readonly cableM: number;
  readonly cost: number;
}

/** Devices, runs, cable and cost by system. A prepared or spare device costs its cable, not itself. */
export function countsBySystem(project: ProjectDocument, runs: readonly PlannedRun[]): SystemCount[] {
  const counts = new Map<SystemName, { devices: number; runs: number; cableM: number; cost: number }>();
  const of = (system: SystemName) => {
    let count = counts.get(system);
    if (!count) counts.set(system, (count = { devices: 0, runs: 0, cableM: 0, cost: 0 }));
    return count;
  };
  const { labourRate } = project.project;
  for (const device of Object.values(project.devices)) {
    const type = project.deviceTypes[device.typeId];
    const count = of(type.system);
    count.devices++;
    if (device.fitting === 'fitted') count.cost += type.price + type.hours * labourRate;
    if (device.mountTypeId !== null) count.cost += project.deviceTypes[device.mountTypeId]?.price ?? 0;
  }
  for (const { run, device, length } of runs) {
    const count = of(project.deviceTypes[device.typeId].system);
    const cutM = length?.cutLengthM ?? 0;
    count.runs++;
    count.cableM += cutM;
    const { pricePerM, family } = project.cableTypes[run.cableTypeId];
    count.cost += cutM * pricePerM + runHours({ family }, 'new') * labourRate;
  }
  return SYSTEMS.flatMap((system) => {
    const count = counts.get(system);
    return count ? [{ system, ...count }] : [];
  });
}
