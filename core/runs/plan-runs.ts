import { attachmentOf, buildingOf, type Attachment } from '../building/index.ts';
import { distance3, type Point3 } from '../geometry/index.ts';
import type { Outcome } from '../outcome/index.ts';
import {
  listOf,
  RUN_STATES,
  type Device,
  type Medium,
  type ProjectDocument,
  type ProjectHeader,
  type Route,
  type RouteRule,
  type Run,
} from '../project/index.ts';
import {
  holesOf,
  loadsOf,
  networkOf,
  NOT_SHARED,
  otherWays,
  rackPlace,
  routeBetween,
  routeDevice,
  weightsOf,
  type EndPlace,
  type Hole,
  type Loads,
  type Network,
  type RoutedPath,
} from '../routing/index.ts';
import { allowanceOf, slackOf } from './allowance.ts';
import { cutLength, lengthWith, type Allowance, type CutLength } from './cut-length.ts';

/** A run with its route and length: as kept where it was issued, as wanted where it is still drafted. */
export interface PlannedRun {
  readonly run: Run;
  readonly device: Device;
  /** The way the plan asks for now, or why there is none. */
  readonly wanted: Outcome<RoutedPath & CutLength>;
  /** The way that was issued and is built or will be. */
  readonly kept: Route | null;
  /** Whether kept and wanted differ and nobody has decided yet. */
  readonly differs: boolean;
  /** What counts: kept where there is one, else wanted; null where there is no way. */
  readonly length: CutLength | null;
  readonly points: readonly Point3[];
  readonly media: readonly Medium[];
}

/** Device ends closer than this count as the same place; a hand can set a box no better, m. */
const SAME_PLACE_M = 0.02;

/** Whether a run keeps its route, number and length: from issue on. */
export const isKept = (run: Run): boolean => RUN_STATES.indexOf(run.state) >= 1;

/** The network of a project's house, at what ways cost in it. */
export const routeNetwork = (document: ProjectDocument): Network => networkOf(buildingOf(document), weightsOf(document.project));

const sharedOf = new WeakMap<Network, { readonly trunks: unknown; readonly shared: Loads }>();

/** Ways that the project keeps for many runs. */
export function sharedWays(document: ProjectDocument, network: Network): Loads {
  const known = sharedOf.get(network);
  if (known?.trunks === document.trunks) return known.shared;
  const trunks = listOf(document, 'trunks');
  const shared = trunks.length > 0 ? loadsOf(network, trunks) : NOT_SHARED;
  sharedOf.set(network, { trunks: document.trunks, shared });
  return shared;
}

const rulesByRun = new WeakMap<
  object,
  { readonly all: readonly RouteRule[]; readonly byRun: ReadonlyMap<string, readonly RouteRule[]> }
>();
const NO_RULES: readonly RouteRule[] = [];

/** What a person decided for the way of a run: first what holds for all, then its own. */
export function rulesOf(document: ProjectDocument, runId: string): readonly RouteRule[] {
  let known = rulesByRun.get(document.routeRules);
  if (!known) {
    const list = listOf(document, 'routeRules');
    const all = list.filter((rule) => rule.runId === null);
    const byRun = new Map<string, readonly RouteRule[]>();
    for (const rule of list) if (rule.runId !== null) byRun.set(rule.runId, [...(byRun.get(rule.runId) ?? all), rule]);
    rulesByRun.set(document.routeRules, (known = { all: all.length > 0 ? all : NO_RULES, byRun }));
  }
  return known.byRun.get(runId) ?? known.all;
}

/** The holes that a run needs on the way that counts: kept where there is one, else wanted. */
export function holesOfRun(document: ProjectDocument, { wanted, kept, points, media }: PlannedRun): readonly Hole[] {
  return kept || !wanted.ok ? holesOf(buildingOf(document), points, media) : wanted.value.holes;
}

interface Remembered {
  readonly network: Network;
  readonly shared: Loads;
  readonly rules: readonly RouteRule[];
  readonly mount: Attachment;
  readonly target: unknown;
  readonly targetMount: Attachment | null;
  readonly path: Outcome<RoutedPath>;
}
const pathOf = new WeakMap<Device, Map<string, Remembered>>();

/** The wanted way of a device to a rack; remembered while the device, the house and the rack stay the same values. */
function wantedPath(document: ProjectDocument, device: Device, run: Run): Outcome<RoutedPath> {
  const network = routeNetwork(document);
  const shared = sharedWays(document, network);
  const rules = rulesOf(document, run.id);
  const mount = attachmentOf(document.deviceTypes[device.typeId]);
  const far = run.toDeviceId === null ? null : document.devices[run.toDeviceId];
  const target = far ?? document.racks[run.rackId];
  const targetMount = far && attachmentOf(document.deviceTypes[far.typeId]);
  let byTarget = pathOf.get(device);
  if (!byTarget) pathOf.set(device, (byTarget = new Map()));
  // Runs of one device to one end share their way, unless a person has rules for one of them.
  const key = rules.some(({ runId }) => runId !== null) ? `${target.id}/${run.id}` : target.id;
  const last = byTarget.get(key);
  if (
    last &&
    last.network === network &&
    last.shared === shared &&
    last.rules === rules &&
    last.mount === mount &&
    last.target === target &&
    last.targetMount === targetMount
  )
    return last.path;
  const end = endOf(device, mount);
  const path =
    far && targetMount
      ? routeBetween(network, end, endOf(far, targetMount), document.deviceTypes[far.typeId].name, shared, rules)
      : routeDevice(network, end, document.racks[run.rackId], shared, rules);
  byTarget.set(key, { network, shared, rules, mount, target, targetMount, path });
  return path;
}

/** The way that a run takes and the next cheapest ones. Problems: those of `routeDevice`. */
export function choicesOf(document: ProjectDocument, run: Run): ReturnType<typeof otherWays> {
  const network = routeNetwork(document);
  const device = document.devices[run.deviceId];
  const far = run.toDeviceId === null ? null : document.devices[run.toDeviceId];
  const target = far ? endOfDevice(document, far) : rackPlace(document.racks[run.rackId]);
  return otherWays(network, endOfDevice(document, device), target, sharedWays(document, network), rulesOf(document, run.id));
}

const endOf = ({ levelId, x, y, heightM }: Device, mount: Attachment) => ({ levelId, x, y, heightM, mount });

/** Where the cable of a device begins. */
export const endOfDevice = (document: ProjectDocument, device: Device): EndPlace =>
  endOf(device, attachmentOf(document.deviceTypes[device.typeId]));

interface Planned {
  readonly run: Run;
  readonly kept: Route | null;
  readonly path: Outcome<RoutedPath>;
  readonly project: ProjectHeader;
  readonly traced: boolean;
  readonly planned: PlannedRun;
}
const plannedOf = new WeakMap<Device, Map<string, Planned>>();

/** Route and length of one run: the same value again while nothing of it changed. */
export function planRun(document: ProjectDocument, run: Run, kept: Route | null): PlannedRun {
  const device = document.devices[run.deviceId];
  const path = wantedPath(document, device, run);
  const { project } = document;
  const allowance = allowanceOf(document, run, device);
  let byRun = plannedOf.get(device);
  if (!byRun) plannedOf.set(device, (byRun = new Map()));
  const last = byRun.get(run.id);
  if (
    last &&
    last.run === run &&
    last.kept === kept &&
    last.path === path &&
    last.project === project &&
    last.traced === allowance.traced
  )
    return last.planned;
  const planned = planAnew(project, allowance, run, device, path, kept);
  byRun.set(run.id, { run, kept, path, project, traced: allowance.traced, planned });
  return planned;
}

function planAnew(
  project: ProjectHeader,
  allowance: Allowance,
  run: Run,
  device: Device,
  path: Outcome<RoutedPath>,
  kept: Route | null,
): PlannedRun {
  const wanted: PlannedRun['wanted'] = path.ok
    ? { ok: true, value: { ...path.value, ...cutLength(path.value, slackOf(project, run, device), allowance, project.units) } }
    : path;
  if (kept)
    return {
      run,
      device,
      wanted,
      kept,
      differs: keptDiffers(kept, wanted, device),
      length: lengthWith(kept, allowance),
      points: kept.points,
      media: kept.media,
    };
  const way = wanted.ok ? wanted.value : null;
  return { run, device, wanted, kept, differs: false, length: way, points: way?.points ?? [], media: way?.media ?? [] };
}

/** Every run of the project, in the order of their numbers. */
export function planRuns(document: ProjectDocument): PlannedRun[] {
  const steps = planRunsInSteps(document);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same run by run, with the share done, 0 to 1, for one who shows it or may call it off: what was routed is not routed again. */
export function* planRunsInSteps(document: ProjectDocument): Generator<number, PlannedRun[]> {
  const kept = keptRoutes(document.routes);
  const runs = listOf(document, 'runs');
  const planned: PlannedRun[] = [];
  for (const run of runs) {
    planned.push(planRun(document, run, kept.get(run.id) ?? null));
    yield planned.length / runs.length;
  }
  return planned.sort((a, b) => compareNumbers(a.run.number, b.run.number));
}

const keptByRun = new WeakMap<object, ReadonlyMap<string, Route>>();

/** The routes that were written down, by the id of their run. */
export function keptRoutes(routes: ProjectDocument['routes']): ReadonlyMap<string, Route> {
  let byRun = keptByRun.get(routes);
  if (!byRun) keptByRun.set(routes, (byRun = new Map(Object.values(routes).map((route) => [route.runId, route]))));
  return byRun;
}

function keptDiffers(kept: Route, wanted: PlannedRun['wanted'], device: Device): boolean {
  if (kept.acceptedAt) {
    const [x, y, height] = kept.acceptedAt;
    if (distance3([x, y, height], [device.x, device.y, device.heightM ?? 0]) <= SAME_PLACE_M) return false;
  }
  if (!wanted.ok) return true;
  const { points } = wanted.value;
  return (
    distance3(kept.points[0], points[0]) > SAME_PLACE_M ||
    distance3(kept.points[kept.points.length - 1], points[points.length - 1]) > SAME_PLACE_M ||
    Math.abs(kept.riseM + kept.runM + kept.dropM - wanted.value.riseM - wanted.value.runM - wanted.value.dropM) > SAME_PLACE_M
  );
}

const collator = new Intl.Collator('en', { numeric: true });
/** Sorts run numbers as people read them: `M-GR-2` before `M-GR-10`. */
export const compareNumbers = (a: string, b: string): number => collator.compare(a, b);
