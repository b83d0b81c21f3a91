import { type ProjectDocument, type SystemName, SYSTEMS } from '../../model/index.ts';
import { type PlannedRun, runCost } from '../../runs/index.ts';

/** What a system comes to as the plan grows; lengths m, cost in the project's currency: devices, cable, and hours at its rate. */
export interface SystemCount {
  readonly system: SystemName;
  readonly devices: number;
  readonly runs: number;
  readonly cableM: number;
  readonly cost: number;
}

/** Devices, runs, cable and cost by system. A prepared or spare device costs its cable, not itself; what is there already costs its work alone. */
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
    const found = device.foundId === null ? null : project.features[device.foundId].kind;
    const price = found === 'existing-equipment' ? 0 : type.price;
    if (device.fitting === 'fitted') count.cost += price + type.hours * labourRate;
    if (device.mountTypeId !== null && found !== 'existing-bracket')
      count.cost += project.deviceTypes[device.mountTypeId]?.price ?? 0;
  }
  for (const planned of runs) {
    const count = of(project.deviceTypes[planned.device.typeId].system);
    const { cableM, cost } = runCost(project, planned);
    count.runs++;
    count.cableM += cableM;
    count.cost += cost;
  }
  return SYSTEMS.flatMap((system) => {
    const count = counts.get(system);
    return count ? [{ system, ...count }] : [];
  });
}
