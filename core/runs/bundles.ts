import { bundleDiameterM, holeForM } from '../calculators/index.ts';
import { distance3, type Point3 } from '../math/index.ts';
import { isConduit, type Operation, type ProjectDocument, update } from '../model/index.ts';
import { freeBundleCode } from './bundling.ts';
import { compareNumbers, isKept, PLANNED_RUNS, type PlannedRun } from './plan-runs.ts';
import { derivationsOf, Remembered, whole } from '../derive/index.ts';

/** Routes are compared at every half metre from the rack. */
const STEP_M = 0.5;
/** Two routes go along together where they are this near, m: one hole, one hook. */
const TOGETHER_M = 0.6;
/** Cables of one tight bundle (ENGINEERING 3.2: no more than 24 where they carry power). */
export const MAX_IN_BUNDLE = 24;
/** Share of its own route that a run must have in common with its bundle. */
const SHARE = 0.5;

/** Runs that are pulled together, as the crew meets them. */
export interface Bundle {
  readonly code: string;
  readonly rackId: string;
  /** In the order in which they leave it, seen from the rack; then by number. */
  readonly members: readonly PlannedRun[];
  /** Where the first of them leaves the others, m from the datum; null where they have nothing in common. */
  readonly head: Point3 | null;
  /** From the rack to the head, m. */
  readonly sharedM: number;
  readonly diameterM: number;
  /** The hole that all of it needs, m. */
  readonly holeM: number;
}

/** Places along a route at every half metre, from its far end on, each worked out once. */
type RackSteps = Remembered<readonly Point3[], readonly Point3[]>;
const stepsFromRack = (steps: RackSteps, points: readonly Point3[]): readonly Point3[] =>
  steps.of(points, () => stepsAlong([...points].reverse()));

function stepsAlong(points: readonly Point3[]): Point3[] {
  const steps: Point3[] = points.length > 0 ? [points[0]] : [];
  let nextM = STEP_M;
  for (let k = 1; k < points.length; k++) {
    const [a, b] = [points[k - 1], points[k]];
    const lengthM = distance3(a, b);
    for (; nextM <= lengthM; nextM += STEP_M) {
      const t = nextM / lengthM;
      steps.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t]);
    }
    nextM -= lengthM;
  }
  return steps;
}

/** Metres from the rack that two routes go along together. */
export function sharedM(a: readonly Point3[], b: readonly Point3[], steps: RackSteps = new Remembered()): number {
  const [first, second] = [stepsFromRack(steps, a), stepsFromRack(steps, b)];
  let n = 0;
  while (n < first.length && n < second.length && distance3(first[n], second[n]) <= TOGETHER_M) n++;
  return Math.max(0, n - 1) * STEP_M;
}

/** Runs home to a rack whose route is known. */
const isBundled = ({ run, points }: PlannedRun) => run.toDeviceId === null && points.length > 1;

/** Every bundle as its runs are marked now, by code. One whose runs are the same is not put together again. */
export const BUNDLES = whole<readonly Bundle[]>({
  name: 'bundles',
  tables: ['cableTypes'],
  nodes: [PLANNED_RUNS],
  make: (read, last) => {
    const { cableTypes } = read.project;
    const groups = new Map<string, PlannedRun[]>();
    for (const planned of read.get(PLANNED_RUNS)) {
      if (planned.run.bundle === '' || !isBundled(planned)) continue;
      const list = groups.get(planned.run.bundle);
      if (list) list.push(planned);
      else groups.set(planned.run.bundle, [planned]);
    }
    const before = last?.table('cableTypes') === cableTypes ? new Map(last.value.map((bundle) => [bundle.code, bundle])) : null;
    const bundles = [...groups].map(([code, members]) => {
      const known = before?.get(code);
      const isSame = known?.members.length === members.length && members.every((member) => known.members.includes(member));
      return isSame ? known : bundleOf(cableTypes, code, members);
    });
    return bundles.sort((a, b) => compareNumbers(a.code, b.code));
  },
});

export const bundlesOf = (project: ProjectDocument): readonly Bundle[] => derivationsOf(project).get(BUNDLES);

function bundleOf(cableTypes: ProjectDocument['cableTypes'], code: string, members: readonly PlannedRun[]): Bundle {
  const known: RackSteps = new Remembered();
  const [longest] = [...members].sort((a, b) => lengthOf(b) - lengthOf(a) || compareNumbers(a.run.number, b.run.number));
  const along = new Map(members.map((member) => [member, sharedM(longest.points, member.points, known)]));
  const ordered = [...members].sort((a, b) => along.get(a)! - along.get(b)! || compareNumbers(a.run.number, b.run.number));
  const common = members.length > 1 ? along.get(ordered[0])! : lengthOf(longest);
  const diametersM = members.map(({ run }) => cableTypes[run.cableTypeId].outsideDiameterM);
  const steps = stepsFromRack(known, longest.points);
  return {
    code,
    rackId: longest.run.rackId,
    members: ordered,
    head: common > 0 ? steps[Math.min(steps.length - 1, Math.round(common / STEP_M))] : null,
    sharedM: common,
    diameterM: bundleDiameterM(diametersM),
    holeM: holeForM(diametersM),
  };
}

const lengthOf = ({ length }: PlannedRun) => (length ? length.riseM + length.runM + length.dropM : 0);

/**
 * Bundles by the route that runs take: those of one rack that have at least half of each one's route in common, 24 at most. Codes stay
 * with the runs that have them now; runs that are issued, labelled or pulled keep theirs. The same project gives the same bundles.
 */
export function bundleByRoute(all: readonly PlannedRun[], cableTypes: ProjectDocument['cableTypes']): Operation[] {
  const codes = bundleCodes(all, cableTypes);
  return all.flatMap(({ run }) => {
    const code = codes.get(run.id);
    return code === undefined ? [] : (update('runs', run, { bundle: code }) ?? []);
  });
}

/** The bundle that each drafted run would be in by its route, empty where it is alone, by the id of the run; other runs keep theirs. */
export function bundleCodes(all: readonly PlannedRun[], cableTypes: ProjectDocument['cableTypes']): ReadonlyMap<string, string> {
  // Conduits are laid, not pulled.
  const runs = all.filter(({ run }) => !isConduit(cableTypes[run.cableTypeId]));
  const steps: RackSteps = new Remembered();
  const drafted = runs.filter((planned) => isBundled(planned) && !isKept(planned.run));
  const byRack = new Map<string, PlannedRun[]>();
  for (const planned of drafted) byRack.set(planned.run.rackId, [...(byRack.get(planned.run.rackId) ?? []), planned]);
  const groups = [...byRack.keys()].sort().flatMap((rackId) => grouped(steps, byRack.get(rackId)!, 0));
  const taken = new Set(runs.filter(({ run }) => isKept(run) && run.bundle !== '').map(({ run }) => run.bundle));
  const codes = new Map(drafted.map(({ run }) => [run.id, '']));
  // The largest first, so that a code stays where most of it is.
  for (const group of [...groups].sort((a, b) => b.length - a.length || compareNumbers(a[0].run.number, b[0].run.number))) {
    const code = codeFor(group, taken);
    taken.add(code);
    for (const { run } of group) codes.set(run.id, code);
  }
  return codes;
}

/**
 * Splits runs that go along together up to a step: those that have half of their route in common there are a bundle, the others are looked
 * at further on with those beside them. Runs left alone are bundles of one.
 */
function grouped(steps: RackSteps, runs: readonly PlannedRun[], from: number): PlannedRun[][] {
  if (runs.length < 2) return runs.length === 0 ? [] : [[...runs]];
  for (let n = from; ; n++) {
    const parts = partsAt(steps, runs, n);
    if (parts.length === 1 && parts[0].length === runs.length) continue;
    const commonM = Math.max(0, n - 1) * STEP_M;
    const isNear = (planned: PlannedRun) => commonM >= SHARE * lengthOf(planned) - 1e-9;
    const near = runs.filter(isNear);
    const ended = runs.filter((planned) => !isNear(planned) && stepsFromRack(steps, planned.points).length <= n);
    const further = parts.map((part) => part.filter((planned) => !isNear(planned)));
    return [...inLoads(near), ...ended.map((planned) => [planned]), ...further.flatMap((part) => grouped(steps, part, n))];
  }
}

/** Runs by where they are at a step; those whose route ended before it are in none. */
function partsAt(steps: RackSteps, runs: readonly PlannedRun[], n: number): PlannedRun[][] {
  const parts: { at: Point3; runs: PlannedRun[] }[] = [];
  for (const planned of runs) {
    const at = stepsFromRack(steps, planned.points)[n];
    const near = at && parts.find((part) => distance3(part.at, at) <= TOGETHER_M);
    if (near) near.runs.push(planned);
    else if (at) parts.push({ at, runs: [planned] });
  }
  return parts.map((part) => part.runs);
}

function inLoads(runs: readonly PlannedRun[]): PlannedRun[][] {
  if (runs.length === 0) return [];
  const ordered = [...runs].sort((a, b) => compareNumbers(a.run.number, b.run.number));
  const loads = Math.ceil(ordered.length / MAX_IN_BUNDLE);
  const each = Math.ceil(ordered.length / loads);
  return Array.from({ length: loads }, (_, n) => ordered.slice(n * each, (n + 1) * each));
}

function codeFor(group: readonly PlannedRun[], taken: ReadonlySet<string>): string {
  const count = new Map<string, number>();
  for (const { run } of group) if (run.bundle !== '') count.set(run.bundle, (count.get(run.bundle) ?? 0) + 1);
  const [known] = [...count].filter(([code]) => !taken.has(code)).sort((a, b) => b[1] - a[1] || compareNumbers(a[0], b[0]));
  return known ? known[0] : freeBundleCode(taken);
}
