import { BUILDING, buildingOf } from '../house/index.ts';
import { each } from '../derive/index.ts';
import { type Feature, isMetallic, type ProjectDocument, sameValue } from '../model/index.ts';
import { besideThings } from '../routing/index.ts';
import { PLANNED_RUN, type PlannedRun } from '../runs/index.ts';
import { SERVICE_KEEP_M } from '../calculators/index.ts';
import { type Beside, besideFindings, NOT_BESIDE } from './beside.ts';
import { defineCheck } from './check.ts';
import { limitIn, SETTINGS } from './settings.ts';

/** Routes beside a pipe longer than this are no crossing, m. */
const PASSING_M = 0.6;

const KEPT_BY = { pipe: 'pipeM', flue: 'flueM', 'recessed-light': 'lampM', 'service-panel': 'panelM' } as const;
type Service = keyof typeof KEPT_BY;
const isService = (feature: Feature): feature is Feature & { readonly kind: Service } => Object.hasOwn(KEPT_BY, feature.kind);
type LimitOf = (name: (typeof KEPT_BY)[Service]) => number;

const LIMITS = {
  id: 'clear-of-services',
  limits: {
    pipeM: { usual: SERVICE_KEEP_M.gas, min: 0.05, max: 1, unit: 'm', safer: 'more' },
    flueM: { usual: SERVICE_KEEP_M.flue, min: 0.05, max: 1, unit: 'm', safer: 'more' },
    lampM: { usual: SERVICE_KEEP_M['lamp-driver'], min: 0.05, max: 1, unit: 'm', safer: 'more' },
    panelM: { usual: SERVICE_KEEP_M.panelboard, min: 0.3, max: 3, unit: 'm', safer: 'more' },
  },
} as const;

/** What each run does beside services. */
const BESIDE_SERVICES = each<'runs', readonly Beside[]>({
  name: 'services beside a run',
  over: 'runs',
  tables: ['cableTypes', 'features'],
  nodes: [BUILDING, SETTINGS],
  beside: [PLANNED_RUN],
  make: ({ id, foundId }, read) =>
    foundId !== null
      ? NOT_BESIDE
      : besideServices(read.project, read.one(PLANNED_RUN, id)!, (name) => limitIn(read.get(SETTINGS), LIMITS, name)),
  alike: sameValue,
});

/** Cable keeps away from gas, water and hot flues, from lamp drivers and from panels (ENGINEERING 7.1). */
export const clearOfServices = defineCheck({
  ...LIMITS,
  title: 'Cable keeps its distance from pipes, flues, lamps and panels',
  source: 'Pipes and flues 150 mm, lamp drivers 130 mm (EN 50174-2), panelboards 1.2 m; trade practice',
  calculators: ['separation'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: [],
  nodes: [BESIDE_SERVICES],
  safety: true,
  run: ({ read, limit }) =>
    besideFindings(read.all(BESIDE_SERVICES).flat(), (house, planned, featureId) =>
      besideServices(house, planned, limit).every((one) => one.featureId !== featureId),
    ),
});

/** What a run does beside services that it should not. */
function besideServices(project: ProjectDocument, { run, points, media }: PlannedRun, limit: LimitOf): readonly Beside[] {
  const isCopper = isMetallic(project.cableTypes[run.cableTypeId]);
  // Heat spoils any jacket; current and water only concern what conducts.
  const keepOf = (feature: Feature) =>
    isService(feature) && (isCopper || feature.kind === 'flue')
      ? Math.max(feature.clearanceM, limit(KEPT_BY[feature.kind]))
      : null;
  const found = besideThings(buildingOf(project), points, media, keepOf).flatMap(({ featureId, keepM, parallelM, leastM }) => {
    const { kind } = project.features[featureId];
    const isHot = kind === 'flue';
    if (!isHot && parallelM <= PASSING_M) return [];
    return [
      {
        runId: run.id,
        number: run.number,
        featureId,
        code: isHot ? 'flue-near' : 'service-near',
        rank: isHot ? ('stop' as const) : ('look' as const),
        measured: leastM,
        allowed: keepM,
        unit: 'm',
        isLeast: true,
        figures: { thing: kind, parallelM, awayM: leastM, keepM },
      },
    ];
  });
  return found.length > 0 ? found : NOT_BESIDE;
}
