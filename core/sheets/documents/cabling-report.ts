import { bitFor, cableClassOf } from '../../calculators/index.ts';
import { buildingOf, placeName } from '../../house/index.ts';
import {
  type BoredPlace,
  holeSchedule,
  type Opened,
  openedByAll,
  type Penetration,
  penetrationsOf,
  proposeConduit,
  type FloorConduit,
  floorConduits,
  type SpareConduit,
  spareConduits,
  type PathwayFill,
  pathwayFills,
  type Supports,
  supportsOf,
} from '../../pathways/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { besideMains } from '../../routing/index.ts';
import { bundlesOf, compareNumbers, type PlannedRun, planRuns } from '../../runs/index.ts';

/** A pathway with the numbers of its runs. */
export type FilledPathway = Omit<PathwayFill, 'runs'> & { readonly runs: readonly string[] };

/** A bundle as it is pulled and tagged. */
export interface ReportedBundle {
  readonly code: string;
  readonly rackId: string;
  /** Numbers in the order in which they leave, seen from the rack. */
  readonly numbers: readonly string[];
  /** Room over which the first one leaves; empty where it is not known. */
  readonly head: string;
  readonly sharedM: number;
  readonly diameterM: number;
  /** Bit for a hole that takes all of it, m; null where it has to be spread over several. */
  readonly bitM: number | null;
}

/** A spare conduit that is there or proposed. */
export interface ReportedSpare extends Pick<SpareConduit, 'why' | 'subject' | 'name'> {
  readonly servedBy: string | null;
  readonly size: string;
  readonly lengthM: number | null;
  readonly bendsRad: number | null;
}

/** A run that lies beside mains, or crosses them. */
export interface BesideRun {
  readonly number: string;
  readonly mains: string;
  readonly parallelM: number;
  readonly leastM: number;
  readonly crossingRad: number | null;
}

/** All that follows from the routes of a project, as plain data. */
export interface CablingReport {
  readonly places: readonly BoredPlace[];
  readonly loads: readonly FilledPathway[];
  readonly bundles: readonly ReportedBundle[];
  readonly penetrations: readonly Penetration[];
  readonly supports: Supports;
  readonly spares: readonly ReportedSpare[];
  readonly screed: readonly FloorConduit[];
  readonly beside: readonly BesideRun[];
  /** What is opened and patched; null in new framing, where all is open. */
  readonly opened: Opened | null;
}

/** Everything that follows from the routes: the same project gives the same report. */
export function cablingReport(project: ProjectDocument): CablingReport {
  const runs = planRuns(project);
  const places = holeSchedule(project, runs);
  return {
    places,
    loads: pathwayFills(project).map(({ runs: through, ...load }) => ({
      ...load,
      runs: through.map(({ run }) => run.number),
    })),
    bundles: bundles(project),
    penetrations: penetrationsOf(project, places),
    supports: supportsOf(project, runs),
    spares: spares(project),
    screed: floorConduits(project),
    beside: beside(project, runs),
    opened: project.project.construction === 'new-framing' ? null : openedByAll(project, runs),
  };
}

function bundles(project: ProjectDocument): ReportedBundle[] {
  const building = buildingOf(project);
  return bundlesOf(project)
    .filter(({ members }) => members.length > 1)
    .map(({ code, rackId, members, head, sharedM, diameterM, holeM }) => ({
      code,
      rackId,
      numbers: members.map(({ run }) => run.number),
      head: head ? placeName(building, head) : '',
      sharedM,
      diameterM,
      bitM: bitFor(holeM),
    }));
}

const spares = (project: ProjectDocument): ReportedSpare[] =>
  spareConduits(project).map((spare) => {
    const { why, subject, name, servedBy } = spare;
    if (servedBy) return { why, subject, name, servedBy, size: '', lengthM: null, bendsRad: null };
    const proposed = proposeConduit(project, spare, 'proposed');
    return {
      why,
      subject,
      name,
      servedBy: null,
      size: proposed?.size.name ?? '',
      lengthM: proposed?.lengthM ?? null,
      bendsRad: proposed?.bendsRad ?? null,
    };
  });

function beside(project: ProjectDocument, runs: readonly PlannedRun[]): BesideRun[] {
  const building = buildingOf(project);
  const { jurisdiction } = project.project;
  return runs
    .flatMap(({ run, points, media }) =>
      besideMains(building, points, media, jurisdiction, cableClassOf(project.cableTypes[run.cableTypeId])).flatMap(
        ({ featureId, parallelM, leastM: minM, crossingRad }) =>
          parallelM > 0 || crossingRad !== null
            ? [{ number: run.number, mains: project.features[featureId].name, parallelM, leastM: minM, crossingRad }]
            : [],
      ),
    )
    .sort((a, b) => b.parallelM - a.parallelM || compareNumbers(a.number, b.number));
}
