import { derivationsOf, each, whole } from '../../derive/index.ts';
import { inNumberOrder, NUMBER_ORDER, PLANNED_RUN, PLANNED_RUNS, type PlannedRun } from '../../runs/index.ts';
import { type Building, BUILDING, riserAt } from '../../house/index.ts';
import { closestOnSegment, type Point2, type Point3 } from '../../math/index.ts';
import {
  type CableType,
  type Feature,
  type FeatureKind,
  type Medium,
  type ProjectDocument,
  type Riser,
  sameItems,
} from '../../model/index.ts';
import { conduitFill, fillLimit, jams, pullTension, type PullTension, weightKgPerM } from '../../calculators/index.ts';

/** How full one pathway is, and how hard it is to pull. */
export interface PathwayFill {
  readonly kind:
    | 'riser'
    | Extract<FeatureKind, 'conduit' | 'chase' | 'disused-chimney' | 'surface-channel' | 'underground-way' | 'screed-way'>;
  readonly in: 'risers' | 'features';
  readonly id: string;
  readonly name: string;
  readonly levelId: string;
  /** Runs that lie in it, by number. */
  readonly runs: readonly PlannedRun[];
  /** Clear inside: a diameter, or the sides of a shaft or channel, m; null where nobody has said. */
  readonly insideM: number | null;
  readonly sidesM: readonly [number, number] | null;
  /** Share of its area that is full, and the share that may be; null where its size is not known. */
  readonly fill: number | null;
  readonly limit: number;
  /** How many more cables of Category 6 go in. */
  readonly roomFor: number | null;
  readonly jams: boolean;
  /** Length, bends and tension where it is pulled through; null for open shafts and channels. */
  readonly pull: PullTension | null;
  /** Tension at which the weakest of its cables is at its limit, N. */
  readonly allowedN: number | null;
}

/** Cable whose room is told. */
const MORE_OF_M = 0.0061;

const KINDS: Readonly<Partial<Record<Medium, readonly FeatureKind[]>>> = {
  conduit: ['conduit'],
  chase: ['chase', 'disused-chimney'],
  surface: ['surface-channel'],
  underground: ['underground-way'],
  screed: ['screed-way'],
};
const LOADED = new Set<FeatureKind>(['conduit', 'chase', 'disused-chimney', 'surface-channel', 'underground-way', 'screed-way']);
/** Pathways that cables are drawn through from one end to the other. */
const DRAWN_THROUGH = new Set<FeatureKind>(['conduit', 'underground-way', 'screed-way']);

/** The risers and pathways that a run lies in. */
const WAYS_OF_RUN = each<'runs', readonly string[]>({
  name: 'ways of a run',
  over: 'runs',
  nodes: [BUILDING],
  beside: [PLANNED_RUN],
  make: ({ id }, read) => [...pathwaysAlong(read.get(BUILDING), read.one(PLANNED_RUN, id)!)],
  alike: sameItems,
});

/** Every riser and pathway with what lies in it, in the order of the runs' numbers. One in which nothing differs stays as it was. */
export const WAY_LOADS = whole<readonly PathwayFill[]>({
  name: 'way loads',
  tables: ['project', 'cableTypes'],
  nodes: [BUILDING, PLANNED_RUNS, WAYS_OF_RUN, NUMBER_ORDER],
  make: (read, last) => {
    const { project } = read;
    const building = read.get(BUILDING);
    const inRoute = new Map<string, PlannedRun[]>();
    const routes = inNumberOrder(read, WAYS_OF_RUN);
    read.get(PLANNED_RUNS).forEach((planned, n) => {
      for (const id of routes[n]) {
        const list = inRoute.get(id);
        if (list) list.push(planned);
        else inRoute.set(id, [planned]);
      }
    });
    const isSame = last?.get(BUILDING) === building && last.table('project') === project.project;
    const before = isSame && last.table('cableTypes') === project.cableTypes ? last.value : NO_LOADS;
    const known = new Map(before.map((load) => [load.id, load]));
    const loadOf = (id: string, make: (lying: readonly PlannedRun[]) => PathwayFill): PathwayFill => {
      const lying = inRoute.get(id) ?? NO_RUNS;
      const load = known.get(id);
      return load && sameItems(load.runs, lying) ? load : make(lying);
    };
    const risers = building.risers.map((riser) => loadOf(riser.id, (lying) => ofRiser(project, riser, lying)));
    const made = building.levels.flatMap((level) =>
      (building.featuresByLevel[level.id] ?? [])
        .filter(({ kind }) => LOADED.has(kind))
        .map((feature) => loadOf(feature.id, (lying) => ofFeature(project, building, feature, lying))),
    );
    return [...risers, ...made];
  },
});

export const pathwayFills = (project: ProjectDocument): readonly PathwayFill[] => derivationsOf(project).get(WAY_LOADS);

const NO_LOADS: readonly PathwayFill[] = [];
const NO_RUNS: readonly PlannedRun[] = [];

function pathwaysAlong(building: Building, { points, media }: PlannedRun): Set<string> {
  const found = new Set<string>();
  media.forEach((medium, k) => {
    const middle: Point3 = [0, 1, 2].map((axis) => (points[k][axis] + points[k + 1][axis]) / 2) as unknown as Point3;
    if (medium === 'riser') {
      const riser = riserAt(building.risers, middle);
      if (riser) found.add(riser.id);
      return;
    }
    const kinds = KINDS[medium];
    if (!kinds) return;
    const feature = nearestFeature(building, kinds, middle);
    if (feature) found.add(feature.id);
  });
  return found;
}

/** How far the lead into a pathway may be from it and still belong to it, m. */
const REACH_M = 1;

function nearestFeature(building: Building, kinds: readonly FeatureKind[], p: Point3): Feature | null {
  let best: Feature | null = null;
  let bestM = REACH_M;
  for (const level of building.levels)
    for (const feature of building.featuresByLevel[level.id] ?? []) {
      if (!kinds.includes(feature.kind)) continue;
      const z = level.elevationM + (feature.bottomM + feature.topM) / 2;
      const rises = feature.topLevelId !== null && feature.topLevelId !== feature.levelId;
      const points = feature.points as Point2[];
      const flatM =
        points.length === 1
          ? Math.hypot(points[0][0] - p[0], points[0][1] - p[1])
          : Math.min(...points.slice(1).map((b, k) => closestOnSegment([p[0], p[1]], points[k], b).distanceM));
      const awayM = Math.hypot(flatM, rises || points.length === 1 ? 0 : Math.max(0, Math.abs(p[2] - z) - 1));
      if (awayM < bestM) [best, bestM] = [feature, awayM];
    }
  return best;
}

function cablesOf({ cableTypes }: ProjectDocument, runs: readonly PlannedRun[]): CableType[] {
  // A shaft holds a thousand runs of a handful of types.
  const types = new Map(Object.entries(cableTypes));
  return runs.map(({ run }) => types.get(run.cableTypeId)!);
}

function ofRiser(project: ProjectDocument, riser: Riser, runs: readonly PlannedRun[]): PathwayFill {
  const diametersM = cablesOf(project, runs).map(({ outsideDiameterM }) => outsideDiameterM);
  return {
    kind: 'riser',
    in: 'risers',
    id: riser.id,
    name: riser.name,
    levelId: riser.bottomLevelId,
    runs,
    insideM: null,
    sidesM: [riser.widthM, riser.depthM],
    ...openFill(project, diametersM, riser.widthM * riser.depthM),
    jams: false,
    pull: null,
    allowedN: null,
  };
}

/** Cables in a shaft or channel by their area, to the share that a conduit of many takes. */
function openFill(project: ProjectDocument, diametersM: readonly number[], areaM2: number) {
  const limit = fillLimit(9, project.project.jurisdiction);
  const areaOf = (d: number) => (Math.PI / 4) * d * d;
  const used = diametersM.reduce((sum, d) => sum + areaOf(d), 0);
  return {
    fill: areaM2 > 0 ? used / areaM2 : null,
    limit,
    roomFor: areaM2 > 0 ? Math.max(0, Math.floor((limit * areaM2 - used) / areaOf(MORE_OF_M))) : null,
  };
}

function ofFeature(project: ProjectDocument, building: Building, feature: Feature, runs: readonly PlannedRun[]): PathwayFill {
  const cables = cablesOf(project, runs);
  const diametersM = cables.map(({ outsideDiameterM }) => outsideDiameterM);
  const { kind, insideDiameterM } = feature;
  const common = {
    kind: kind as PathwayFill['kind'],
    in: 'features' as const,
    id: feature.id,
    name: feature.name,
    levelId: feature.levelId,
    runs,
    insideM: insideDiameterM,
  };
  const pull =
    DRAWN_THROUGH.has(kind) && feature.points.length >= 2 ? pullTension(cornersOf(building, feature), weightOf(cables)) : null;
  if (insideDiameterM !== null && insideDiameterM > 0) {
    const filled = conduitFill(diametersM, insideDiameterM, project.project.jurisdiction, pull?.lengthM, MORE_OF_M);
    const { fill, limit, roomFor } = filled.ok ? filled.value : { fill: null, limit: 0.4, roomFor: null };
    return {
      ...common,
      sidesM: null,
      fill,
      limit,
      roomFor,
      jams: jams(diametersM, insideDiameterM),
      pull,
      allowedN: allowedOf(cables),
    };
  }
  const sidesM: [number, number] | null =
    kind === 'surface-channel'
      ? [feature.widthM, Math.max(0.01, feature.topM - feature.bottomM)]
      : feature.points.length === 1
        ? [feature.widthM, feature.depthM || feature.widthM]
        : null;
  const open = sidesM ? openFill(project, diametersM, sidesM[0] * sidesM[1]) : { fill: null, limit: 0.4, roomFor: null };
  return { ...common, sidesM, ...open, jams: false, pull, allowedN: pull ? allowedOf(cables) : null };
}

const weightOf = (cables: readonly CableType[]) => cables.reduce((sum, cable) => sum + weightKgPerM(cable), 0);

/** Every cable takes its share of the pull by its weight: the first to reach its limit says what the pull may be, N. */
function allowedOf(cables: readonly CableType[]): number | null {
  if (cables.length === 0) return null;
  const all = weightOf(cables);
  return Math.min(...cables.map((cable) => (cable.pullN * all) / weightKgPerM(cable)));
}

/** Corners of a pathway, with the rise at its end where it goes to another level. */
export function cornersOf(building: Building, feature: Feature): Point3[] {
  const level = building.levelById[feature.levelId];
  const z = level.elevationM + (feature.bottomM + feature.topM) / 2;
  const corners = feature.points.map((p): Point3 => [p[0], p[1], z]);
  const top = feature.topLevelId === null ? level : building.levelById[feature.topLevelId];
  if (top !== level) {
    const last = corners[corners.length - 1];
    corners.push([last[0], last[1], top.elevationM + 0.3]);
  }
  return corners;
}
