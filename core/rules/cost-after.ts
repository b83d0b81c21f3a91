import { HOURS, runHours } from '../calculators/index.ts';
import { openedBy } from '../pathways/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import type { Finding } from './check.ts';

/** A wall or ceiling opened to reach one thing, m2. */
const ONE_PLACE_M2 = 0.5;

/** What it would take after the walls are closed, in a band of 40 %: person-hours, opened and painted m2, price. */
export interface CostAfter {
  readonly hours: number;
  readonly openedM2: number;
  readonly paintedM2: number;
  readonly price: number;
}

/**
 * What putting a finding right would cost after the walls are closed: its runs pulled again through what has to be opened for them,
 * its devices moved. Null where nothing in a wall is at stake. Hours by ENGINEERING 18.1, a band of 40 %, no quotation.
 */
export function costAfterClosing(
  project: ProjectDocument,
  finding: Pick<Finding, 'subjects'>,
  runById: ReadonlyMap<string, PlannedRun>,
): CostAfter | null {
  const { labourRate, siteRates } = project.project;
  let [hours, openedM2, paintedM2, material] = [0, 0, 0, 0];
  const runs = finding.subjects.flatMap(({ in: list, id }) => (list === 'runs' ? (runById.get(id) ?? []) : []));
  for (const planned of runs) {
    const opened = openedBy(project, planned);
    const { family } = project.cableTypes[planned.run.cableTypeId];
    hours += runHours({ family, holes: opened.openings, boxes: 1 }, 'retrofit');
    openedM2 += opened.openedM2;
    paintedM2 += opened.paintedM2;
    material += (planned.length?.cutLengthM ?? 0) * project.cableTypes[planned.run.cableTypeId].pricePerM;
  }
  const others = runs.length > 0 ? [] : finding.subjects.filter(({ in: list }) => IN_WALLS.has(list));
  hours += others.length * HOURS.deviceMoved.retrofit;
  openedM2 += others.length * ONE_PLACE_M2;
  paintedM2 += others.length * ONE_PLACE_M2 * 10;
  if (hours === 0) return null;
  return {
    hours,
    openedM2,
    paintedM2,
    price: material + hours * labourRate + openedM2 * siteRates.openingPerM2 + paintedM2 * siteRates.paintPerM2,
  };
}

const IN_WALLS: ReadonlySet<string> = new Set(['devices', 'plates', 'walls', 'rooms', 'features', 'risers', 'racks']);
