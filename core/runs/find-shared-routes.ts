import { create, type Operation, type ProjectDocument, remove, type SharedRoute, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import {
  type Demand,
  findSharedRoutes,
  linesOf,
  type Network,
  rackPlace,
  entriesFrom,
  sharedRouteBound,
  type Work,
} from '../routing/index.ts';
import { endOfDevice, isKept, routeNetwork } from './plan-runs.ts';

/** Routes that runs could share, what pulling then comes to, and the edit that keeps them. */
export interface SharedRouteProposal {
  readonly operations: readonly Operation[];
  /** Each run on its own cheapest route, and together; in metres of cable, by one rule. */
  readonly apart: Work;
  readonly together: Work;
  /** Runs that were laid; those that are issued stay as they are. */
  readonly runs: number;
  /** No routes of these runs come to less work, m; worked out when asked, in so many rounds. */
  readonly boundM: (rounds: number) => number;
}

/**
 * Looks for routes that drafted runs share, so that holes and pulls are fewer. Runs that are issued, labelled or pulled are left alone.
 * The same project gives the same proposal. `newId` gives ids for records that are made.
 */
export function proposeSharedRoutes(project: ProjectDocument, newId: () => string): SharedRouteProposal {
  const network = routeNetwork(project);
  const demands = demandsOf(project, network);
  const runs = demands.reduce((sum, { starts }) => sum + starts.length, 0);
  const found = findSharedRoutes(network, demands);
  const segments = linesOf(network, found.prices.counts);
  return {
    operations: keep(project, { segments, setUp: found.prices.setUp }, newId),
    apart: found.apart,
    together: found.work,
    runs,
    boundM: (rounds) => sharedRouteBound(network, demands, found.prices.counts, rounds),
  };
}

function demandsOf(project: ProjectDocument, network: Network): Demand[] {
  const demands: Demand[] = [];
  for (const rack of listOf(project, 'racks')) {
    const ends = entriesFrom(network, rackPlace(rack));
    if (!ends.ok) continue;
    const starts = listOf(project, 'runs').flatMap((run) => {
      if (run.rackId !== rack.id || run.toDeviceId !== null || isKept(run)) return [];
      const routes = entriesFrom(network, endOfDevice(project, project.devices[run.deviceId]));
      return routes.ok ? [routes.value] : [];
    });
    if (starts.length > 0) demands.push({ ends: ends.value, starts });
  }
  return demands;
}

/** All of it stands with the first rack: routes are shared by runs of several. */
function keep(project: ProjectDocument, found: Pick<SharedRoute, 'segments' | 'setUp'>, newId: () => string): Operation[] {
  const [rack] = listOf(project, 'racks');
  const there = listOf(project, 'trunks');
  if (!rack || found.segments.length === 0) return there.map((trunk) => remove('trunks', trunk));
  const own = there.find(({ rackId }) => rackId === rack.id);
  const others = there.filter((trunk) => trunk !== own).map((trunk) => remove('trunks', trunk));
  const kept = own ? update('trunks', own, found) : create('trunks', { id: newId(), rackId: rack.id, ...found });
  return kept ? [...others, kept] : others;
}
