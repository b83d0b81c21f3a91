import { type BesideMains, besideMains, RIGHT_ANGLE_FROM_RAD } from '../routing/index.ts';
import { cableClassOf, PARALLEL_FROM_M } from '../calculators/index.ts';
import { BUILDING, buildingOf } from '../house/index.ts';
import { each } from '../derive/index.ts';
import { isMetallic, type ProjectDocument, sameValue } from '../model/index.ts';
import { PLANNED_RUN, type PlannedRun } from '../runs/index.ts';
import { type Beside, besideFindings, NOT_BESIDE } from './beside.ts';
import { defineCheck } from './check.ts';
import { limitIn, SETTINGS } from './settings.ts';

/** A cable that lies on mains for longer than this is no crossing, m. */
const TOUCHING_M = 0.3;

const LIMITS = {
  id: 'clear-of-mains',
  limits: { longestM: { usual: PARALLEL_FROM_M, min: 0.5, max: 3, unit: 'm', safer: 'less' } },
} as const;

/** What each run does beside mains. */
const BESIDE_MAINS = each<'runs', readonly Beside[]>({
  name: 'mains beside a run',
  over: 'runs',
  tables: ['cableTypes', 'features', 'project'],
  nodes: [BUILDING, SETTINGS],
  beside: [PLANNED_RUN],
  make: ({ id, foundId }, read) =>
    foundId !== null
      ? NOT_BESIDE
      : judged(read.project, read.one(PLANNED_RUN, id)!, limitIn(read.get(SETTINGS), LIMITS, 'longestM')),
  alike: sameValue,
});

/** Cable keeps away from mains, and crosses them squarely (practice A39, B11). */
export const clearOfMains = defineCheck({
  ...LIMITS,
  stage: 'cabling',
  title: 'Cable keeps its distance from mains',
  source: 'EN 50174-2; NEC 725, 800; BS 6701; 300 mm by trade practice',
  calculators: ['separation'],
  severity: 'stop',
  appliesTo: 'runs',
  reads: [],
  nodes: [BESIDE_MAINS],
  safety: true,
  run: ({ read, limit }) =>
    besideFindings(read.all(BESIDE_MAINS).flat(), (house, planned) => judged(house, planned, limit('longestM')).length === 0),
});

/** What a run does beside mains that it should not. */
function judged(project: ProjectDocument, { run, points, media }: PlannedRun, longestM: number): readonly Beside[] {
  const cable = project.cableTypes[run.cableTypeId];
  if (!isMetallic(cable)) return NOT_BESIDE;
  const near = besideMains(buildingOf(project), points, media, project.project.jurisdiction, cableClassOf(cable));
  const found = near.flatMap((one) => judgedOne(project, run, one, longestM));
  return found.length > 0 ? found : NOT_BESIDE;
}

function judgedOne(project: ProjectDocument, run: PlannedRun['run'], near: BesideMains, longestM: number): Beside[] {
  const { keepM, parallelM, touchingM, leastM, crossingRad, featureId } = near;
  const about = { runId: run.id, number: run.number, featureId, isLeast: false };
  const figures = { mains: project.features[featureId].name || 'mains', keepM, longestM, parallelM, touchingM, leastM };
  const found: Beside[] = [];
  if (touchingM > TOUCHING_M)
    found.push({ ...about, code: 'mains-touching', rank: 'stop', measured: touchingM, allowed: TOUCHING_M, unit: 'm', figures });
  else if (parallelM > longestM)
    found.push({ ...about, code: 'mains-parallel', rank: 'look', measured: parallelM, allowed: longestM, unit: 'm', figures });
  if (crossingRad !== null && crossingRad < RIGHT_ANGLE_FROM_RAD)
    found.push({
      ...about,
      code: 'mains-skewed',
      rank: 'look',
      measured: crossingRad,
      allowed: RIGHT_ANGLE_FROM_RAD,
      unit: 'rad',
      isLeast: true,
      figures: { ...figures, angleDeg: Math.round((crossingRad * 180) / Math.PI) },
    });
  return found;
}
