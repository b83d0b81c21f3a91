import { HOURS, runHours } from '../calculators/index.ts';
import type { Device, DeviceType, ProjectDocument, Run } from '../model/index.ts';
import { runsByDevice } from './runs-by-device.ts';
import type { PlannedRun } from './plan-runs.ts';

/** What a run costs while the walls are open, in the currency of the project; hours are person-hours, cable in m as it is cut. */
export interface RunCost {
  readonly cableM: number;
  readonly hours: number;
  readonly cost: number;
}

/** Length that is cut from a spool, m: none of a cable that is there already. */
export const cutFromSpool = ({ run, length }: Pick<PlannedRun, 'run' | 'length'>): number =>
  run.foundId === null ? (length?.cutLengthM ?? 0) : 0;

/** Topics whose devices are outlets. */
const OUTLET_TOPICS: ReadonlySet<string | null> = new Set(['network', 'coax']);

/** The flat price of the cables of a device of a type: of an outlet or a window, where the project has one; null goes by cable and hours. */
export function flatPriceOf({ project }: Pick<ProjectDocument, 'project'>, type: DeviceType): number | null {
  if (type.system === 'shade') return project.windowPrice;
  return OUTLET_TOPICS.has(type.answers) && type.mainsW === null && type.poeClass === null ? project.outletPrice : null;
}

const isFirstOf = (project: ProjectDocument, device: Device, run: Run) =>
  (runsByDevice(project).get(device.id) ?? []).every((other) => other.price !== null || other.leg >= run.leg);

/**
 * The cost of a run: its own flat price, or that of its outlet or window on its first run, else cable as cut and hours. A cable that is there
 * already costs its ends and labels.
 */
export function runCost(project: ProjectDocument, planned: PlannedRun): RunCost {
  const { run, device } = planned;
  const { family, pricePerM } = project.cableTypes[run.cableTypeId];
  const cableM = cutFromSpool(planned);
  const all = runHours({ family }, 'new');
  const hours = run.foundId === null ? all : all - HOURS.pull.new;
  if (run.price !== null) return { cableM, hours, cost: run.price };
  const flat = flatPriceOf(project, project.deviceTypes[device.typeId]);
  if (flat !== null) return { cableM, hours, cost: isFirstOf(project, device, run) ? flat : 0 };
  return { cableM, hours, cost: cableM * pricePerM + hours * project.project.labourRate };
}
