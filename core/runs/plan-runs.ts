import { attachmentOf, buildingOf } from '../house/index.ts';
import { distance3, type Outcome, type Point3 } from '../math/index.ts';
import {
  type Device,
  type Medium,
  type ProjectDocument,
  type ProjectHeader,
  type Route,
  type RouteRule,
  type Run,
  RUN_STATES,
  sameItems,
  sameValue,
} from '../model/index.ts';
import { derivationsOf, each, type Each, type Keyed, lookup, type Reading, Remembered, whole } from '../derive/index.ts';
import {
  type EndPlace,
  type Hole,
  holesOf,
  loadsOf,
  mainRoutes,
  type Network,
  NETWORK,
  NOT_SHARED,
  outerSkin,
  routeOptions,
  rackName,
  rackPlace,
  routeBetween,
  type RoutedPath,
  type SharedLoads,
} from '../routing/index.ts';
import { ALLOWANCE_OF_RUN, slackOf } from './allowance.ts';
import { type Allowance, cutLength, type CutLength, lengthWith } from '../calculators/index.ts';

/** A run with its route and length: as kept where it was issued, as wanted where it is still drafted. */
export interface PlannedRun {
  readonly run: Run;
  readonly device: Device;
  /** The route the plan asks for now, or why there is none. */
  readonly proposedRoute: Outcome<RoutedPath & CutLength>;
  /** The route that was issued and is built or will be. */
  readonly issuedRoute: Route | null;
  /** Whether kept and wanted differ and nobody has decided yet. */
  readonly differs: boolean;
  /** What counts: kept where there is one, else wanted; null where there is no route. */
  readonly length: CutLength | null;
  readonly points: readonly Point3[];
  readonly media: readonly Medium[];
}

/** Device ends closer than this count as the same place; a hand can set a box no better, m. */
const SAME_PLACE_M = 0.02;

/** Whether a run keeps its route, number and length: from issue on. */
export const isKept = (run: Run): boolean => RUN_STATES.indexOf(run.state) >= 1;

/** Whether its cable lies in the walls. */
export const isPulled = ({ state }: Pick<Run, 'state'>): boolean => RUN_STATES.indexOf(state) >= RUN_STATES.indexOf('pulled');

/** The network of a project's house, at what routes cost in it. */
export const routeNetwork = (project: ProjectDocument): Network => derivationsOf(project).get(NETWORK);

const IS_SHARED = whole<boolean>({
  name: 'whether routes are shared',
  tables: ['project'],
  make: ({ project }) => project.project.sharedRoutes,
});

/** Where runs share their route: as the project keeps it, else along the main routes of the house. */
const SHARED_WAYS = whole<SharedLoads>({
  name: 'shared ways',
  tables: ['trunks', 'racks'],
  nodes: [NETWORK, IS_SHARED],
  make: (read) => {
    const kept = read.rows('trunks');
    if (kept.length > 0) return { counts: loadsOf(read.get(NETWORK), kept), setUp: kept[0].setUp };
    return read.get(IS_SHARED) ? mainRoutes(read.get(NETWORK), read.rows('racks')) : NOT_SHARED;
  },
});

/** The same for a cable between two devices: it takes what is bored anyway, and makes no detour to bore less. */
const SHARED_BY_JUMPERS = whole<SharedLoads>({
  name: 'shared ways of jumpers',
  nodes: [SHARED_WAYS],
  make: (read) => {
    const { counts } = read.get(SHARED_WAYS);
    return counts.size === 0 ? NOT_SHARED : { counts, setUp: 0 };
  },
});

export const sharedLoads = (project: ProjectDocument): SharedLoads => derivationsOf(project).get(SHARED_WAYS);

const NO_RULES: readonly RouteRule[] = [];

interface RulesByRun {
  readonly all: readonly RouteRule[];
  readonly byRun: ReadonlyMap<string, readonly RouteRule[]>;
}

const RULES_BY_RUN = whole<RulesByRun>({
  name: 'route rules by run',
  tables: ['routeRules'],
  make: (read) => {
    const list = read.rows('routeRules');
    const all = list.filter((rule) => rule.runId === null);
    const byRun = new Map<string, readonly RouteRule[]>();
    for (const rule of list) if (rule.runId !== null) byRun.set(rule.runId, [...(byRun.get(rule.runId) ?? all), rule]);
    return { all: all.length > 0 ? all : NO_RULES, byRun };
  },
});

const RULES_OF_RUN = each<'runs', readonly RouteRule[]>({
  name: 'route rules of a run',
  over: 'runs',
  nodes: [RULES_BY_RUN],
  make: ({ id }, read) => {
    const { all, byRun } = read.get(RULES_BY_RUN);
    return byRun.get(id) ?? all;
  },
  alike: sameItems,
});

/** What a person decided for the route of a run: first what holds for all, then its own. */
export const rulesOf = (project: ProjectDocument, runId: string): readonly RouteRule[] =>
  derivationsOf(project).one(RULES_OF_RUN, runId) ?? NO_RULES;

/** The holes that a run needs on the way that counts: kept where there is one, else wanted. A cable that is there already needs none. */
export function holesOfRun(
  project: ProjectDocument,
  { run, device, proposedRoute, issuedRoute, points, media }: PlannedRun,
): readonly Hole[] {
  if (run.foundId !== null) return [];
  if (!issuedRoute && proposedRoute.ok) return proposedRoute.value.holes;
  if (points.length < 2) return [];
  const building = buildingOf(project);
  // The outer skin behind a device outdoors.
  const skin = device.roomId === null ? outerSkin(building, { mount: 'wall', isOutdoors: true }, points[0], media[0]) : [];
  return [...skin, ...holesOf(building, points, media)];
}

/** From where to where a run leads, and what its far end is called where it is not the rack. */
interface RunEnds {
  readonly from: EndPlace;
  readonly to: EndPlace;
  readonly name: string;
}

const ENDS_OF_RUN = each<'runs', RunEnds>({
  name: 'ends of a run',
  over: 'runs',
  records: ({ deviceId, toDeviceId, rackId }, { devices }) => [
    ['devices', deviceId],
    ['deviceTypes', devices[deviceId].typeId],
    ...(toDeviceId === null
      ? ([['racks', rackId]] as const)
      : ([
          ['devices', toDeviceId],
          ['deviceTypes', devices[toDeviceId].typeId],
        ] as const)),
  ],
  make: ({ deviceId, toDeviceId, rackId }, { project }) => {
    const from = endOfDevice(project, project.devices[deviceId]);
    if (toDeviceId === null) {
      const rack = project.racks[rackId];
      return { from, to: rackPlace(rack), name: rackName(rack) };
    }
    const far = project.devices[toDeviceId];
    return { from, to: endOfDevice(project, far), name: project.deviceTypes[far.typeId].name };
  },
  alike: sameValue,
});

/** Routes of a network that were asked for last: runs of one device to one end share theirs. */
const MAX_ROUTES = 10_000;
const ROUTES = whole<Remembered<string, Outcome<RoutedPath>>>({
  name: 'routes by their ends',
  nodes: [NETWORK, SHARED_WAYS],
  make: () => new Remembered(MAX_ROUTES),
});

const placeText = ({ levelId, x, y, heightM, mount, entry, isOutdoors }: EndPlace) =>
  `${isOutdoors ? 'out ' : ''}${levelId} ${x} ${y} ${heightM} ${mount} ${entry?.from ?? ''} ${entry?.depthM ?? ''}`;

/** The wanted route of each run, whatever was issued. */
export const ROUTE_OF_RUN = each<'runs', Outcome<RoutedPath>>({
  name: 'route of a run',
  over: 'runs',
  nodes: [NETWORK, SHARED_WAYS, SHARED_BY_JUMPERS, ROUTES],
  beside: [ENDS_OF_RUN, RULES_OF_RUN],
  make: ({ id, toDeviceId }, read) => {
    const { from, to, name } = read.one(ENDS_OF_RUN, id)!;
    const rules = read.one(RULES_OF_RUN, id)!;
    const key = `${placeText(from)} > ${placeText(to)} ${name}${rules.length > 0 ? JSON.stringify(rules) : ''}`;
    const shared = read.get(toDeviceId === null ? SHARED_WAYS : SHARED_BY_JUMPERS);
    return read.get(ROUTES).of(key, () => routeBetween(read.get(NETWORK), from, to, name, shared, rules));
  },
  alike: sameValue,
});

/** The route that a run takes and the next cheapest ones. Problems: those of `routeDevice`. */
export function choicesOf(project: ProjectDocument, run: Run): ReturnType<typeof routeOptions> {
  const { from, to } = derivationsOf(project).one(ENDS_OF_RUN, run.id)!;
  return routeOptions(routeNetwork(project), from, to, sharedLoads(project), rulesOf(project, run.id));
}

/** Where the cable of a device begins. */
export const endOfDevice = (project: ProjectDocument, { levelId, roomId, x, y, heightM, typeId }: Device): EndPlace => ({
  isOutdoors: roomId === null,
  levelId,
  x,
  y,
  heightM,
  mount: attachmentOf(project.deviceTypes[typeId]),
});

const KEPT_ROUTES = whole<Keyed<Route | null>>({
  name: 'kept route by run',
  tables: ['routes'],
  make: (read) => ({ byKey: new Map(read.rows('routes').map((route) => [route.runId, route])) }),
});

const KEPT_ROUTE = lookup('kept route of a run', 'runs', KEPT_ROUTES, null);

/** The route that was written down for a run when it was issued; null for one that is still drafted. */
export const keptRoute = (project: Pick<ProjectDocument, 'routes'>, runId: string): Route | null =>
  derivationsOf(project).get(KEPT_ROUTES).byKey.get(runId) ?? null;

/** Route and length of each run. */
export const PLANNED_RUN = each<'runs', PlannedRun>({
  name: 'planned run',
  over: 'runs',
  tables: ['project'],
  beside: [ROUTE_OF_RUN, KEPT_ROUTE, ALLOWANCE_OF_RUN],
  records: ({ deviceId }) => [['devices', deviceId]],
  make: (run, read) =>
    planRun(
      read.project.project,
      read.one(ALLOWANCE_OF_RUN, run.id)!,
      run,
      read.project.devices[run.deviceId],
      read.one(ROUTE_OF_RUN, run.id)!,
      read.one(KEPT_ROUTE, run.id)!,
    ),
});

/** Route and length of one run. */
export const plannedRun = (project: ProjectDocument, runId: string): PlannedRun =>
  derivationsOf(project).one(PLANNED_RUN, runId)!;

function planRun(
  project: ProjectHeader,
  allowance: Allowance,
  run: Run,
  device: Device,
  path: Outcome<RoutedPath>,
  issuedRoute: Route | null,
): PlannedRun {
  const proposedRoute: PlannedRun['proposedRoute'] = path.ok
    ? { ok: true, value: { ...path.value, ...cutLength(path.value, slackOf(project, run, device), allowance, project.units) } }
    : path;
  if (issuedRoute)
    return {
      run,
      device,
      proposedRoute,
      issuedRoute,
      differs: isDifferent(issuedRoute, proposedRoute, device),
      length: lengthWith(issuedRoute, allowance),
      points: issuedRoute.points,
      media: issuedRoute.media,
    };
  const route = proposedRoute.ok ? proposedRoute.value : null;
  const { points = [], media = [] } = route ?? {};
  return { run, device, proposedRoute, issuedRoute, differs: false, length: route, points, media };
}

const NUMBER_OF_RUN = each<'runs', string>({ name: 'number of a run', over: 'runs', make: ({ number }) => number });

/** The places of runs in the order of their ids, in the order of their numbers. */
export const NUMBER_ORDER = whole<readonly number[]>({
  name: 'order of numbers',
  nodes: [NUMBER_OF_RUN],
  make: (read) => {
    const numbers = read.all(NUMBER_OF_RUN);
    return numbers.map((_, n) => n).sort((a, b) => compareNumbers(numbers[a], numbers[b]));
  },
});

/** Values of a node over runs, in the order of the runs' numbers. */
export const inNumberOrder = <V>(read: Reading, node: Each<'runs', V>): V[] => {
  const values = read.all(node);
  return read.get(NUMBER_ORDER).map((n) => values[n]);
};

/** Every run of the project, in the order of their numbers. */
export const PLANNED_RUNS = whole<readonly PlannedRun[]>({
  name: 'planned runs',
  nodes: [PLANNED_RUN, NUMBER_ORDER],
  make: (read) => inNumberOrder(read, PLANNED_RUN),
});

/** Every run of the project with its route and length, in the order of their numbers. */
export const planRuns = (project: ProjectDocument): readonly PlannedRun[] => derivationsOf(project).get(PLANNED_RUNS);

function isDifferent(issuedRoute: Route, proposedRoute: PlannedRun['proposedRoute'], device: Device): boolean {
  if (issuedRoute.acceptedAt) {
    const [x, y, height] = issuedRoute.acceptedAt;
    if (distance3([x, y, height], [device.x, device.y, device.heightM ?? 0]) <= SAME_PLACE_M) return false;
  }
  if (!proposedRoute.ok) return true;
  const { points } = proposedRoute.value;
  return (
    distance3(issuedRoute.points[0], points[0]) > SAME_PLACE_M ||
    distance3(issuedRoute.points[issuedRoute.points.length - 1], points[points.length - 1]) > SAME_PLACE_M ||
    Math.abs(
      issuedRoute.riseM +
        issuedRoute.runM +
        issuedRoute.dropM -
        proposedRoute.value.riseM -
        proposedRoute.value.runM -
        proposedRoute.value.dropM,
    ) > SAME_PLACE_M
  );
}

const collator = new Intl.Collator('en', { numeric: true });
/** Sorts run numbers as people read them: `M-GR-2` before `M-GR-10`. */
export const compareNumbers = (a: string, b: string): number => collator.compare(a, b);
