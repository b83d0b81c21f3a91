import { type PullingFactors, pullingFactors, pullingHours } from '../../calculators/index.ts';
import { ceilingHeightAt } from '../../house/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { bundleCodes, cutFromSpool, type PlannedRun } from '../../runs/index.ts';
import { type BoredPlace, holeSchedule } from './hole-schedule.ts';

/** What boring and pulling come to, by the routes as they are. */
export interface PullingWork {
  readonly holes: number;
  /** Places that are bored or pierced, each set up once. */
  readonly places: number;
  /** Of these the places in joists and studs. */
  readonly framePlaces: number;
  /** Bundles, and cables that are pulled alone. */
  readonly pulls: number;
  /** Cable to cut, m. */
  readonly cutM: number;
  readonly hours: number;
  /** Of these the hours of pulling, and of boring. */
  readonly pullHours: number;
  readonly boreHours: number;
}

/** A ceiling above this needs the long ladder, m (ENGINEERING 18.1). */
const HIGH_M = 3;
const HIGH_DIFFICULTY = 1.15;

/** Whether walls are open, for the hours of work. */
export const constructionOf = ({ project }: Pick<ProjectDocument, 'project'>): 'new' | 'retrofit' =>
  project.construction === 'new-framing' || project.construction === 'slab' ? 'new' : 'retrofit';

/** The hours of boring and pulling as the firm has them. */
export function factorsOf({ project }: Pick<ProjectDocument, 'project'>): PullingFactors {
  return { ...pullingFactors(constructionOf({ project })), ...project.labour };
}

/** Holes, places, pulls, cable and person-hours of runs, pulled in the bundles that their routes make. */
export function pullingWork(
  project: ProjectDocument,
  runs: readonly PlannedRun[],
  places: readonly BoredPlace[] = holeSchedule(project, runs),
): PullingWork {
  const codes = bundleCodes(runs, project.cableTypes);
  const bundles = new Map<string, PlannedRun[]>();
  for (const planned of runs) {
    if (planned.points.length < 2 || planned.run.foundId !== null) continue;
    const code = codes.get(planned.run.id) || planned.run.id;
    bundles.set(code, [...(bundles.get(code) ?? []), planned]);
  }
  const members = places.map(({ holes }) => Math.max(1, holes.length));
  const { pullHours, boreHours } = pullingHours(
    factorsOf(project),
    [...bundles.values()].map((bundle) => ({
      cables: bundle.length,
      difficulty: bundle.some((planned) => isHigh(project, planned)) ? HIGH_DIFFICULTY : 1,
    })),
    members,
  );
  return {
    holes: members.reduce((sum, count) => sum + count, 0),
    places: places.length,
    framePlaces: places.filter(({ member }) => member === 'joist' || member === 'stud').length,
    pulls: bundles.size,
    cutM: runs.reduce((sum, planned) => sum + cutFromSpool(planned), 0),
    hours: pullHours + boreHours,
    pullHours,
    boreHours,
  };
}

/** Whether a run is led above a ceiling that needs the long ladder, at its device. */
function isHigh(project: ProjectDocument, { device }: PlannedRun): boolean {
  const room = device.roomId === null ? undefined : project.rooms[device.roomId];
  const level = project.levels[device.levelId];
  return room !== undefined && level !== undefined && ceilingHeightAt(room, level, [device.x, device.y]) > HIGH_M;
}
