import { create, type Operation, type ProjectDocument, remove, type Trunk, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { type Demand, findTrunks, linesOf, type Network, rackPlace, waysIn, type Work, workWith } from '../routing/index.ts';
import { endOfDevice, isKept, routeNetwork, sharedWays } from './plan-runs.ts';

/** Ways that runs could share, what pulling then comes to, and the edit that keeps them. */
export interface TrunkProposal {
  readonly operations: readonly Operation[];
  /** Each run on its own cheapest way, and together; in metres of cable, by one rule. */
  readonly apart: Work;
  readonly together: Work;
  /** On the ways that they take now. */
  readonly now: Work;
  /** Runs that were laid; those that are issued stay as they are. */
  readonly runs: number;
}

/**
 * Looks for ways that drafted runs share, so that holes and pulls are fewer. Runs that are issued, labelled or pulled are left alone.
 * The same project gives the same proposal. `newId` gives ids for records that are made.
 */
export function proposeSharedRoutes(project: ProjectDocument, newId: () => string): TrunkProposal {
  const network = routeNetwork(project);
  const demands = demandsOf(project, network);
  const runs = demands.reduce((sum, { starts }) => sum + starts.length, 0);
  const found = findTrunks(network, demands);
  const segments = linesOf(network, found.prices);
  const shared = sharedWays(project);
  const now = shared.size > 0 ? workWith(network, demands, shared) : found.apart;
  return { operations: keep(project, segments, newId), apart: found.apart, together: found.work, now, runs };
}

function demandsOf(project: ProjectDocument, network: Network): Demand[] {
  const demands: Demand[] = [];
  for (const rack of listOf(project, 'racks')) {
    const ends = waysIn(network, rackPlace(rack));
    if (!ends.ok) continue;
    const starts = listOf(project, 'runs').flatMap((run) => {
      if (run.rackId !== rack.id || run.toDeviceId !== null || isKept(run)) return [];
      const ways = waysIn(network, endOfDevice(project, project.devices[run.deviceId]));
      return ways.ok ? [ways.value] : [];
    });
    if (starts.length > 0) demands.push({ ends: ends.value, starts });
  }
  return demands;
}

/** All of it stands with the first rack: ways are shared by runs of several. */
function keep(project: ProjectDocument, segments: Trunk['segments'], newId: () => string): Operation[] {
  const [rack] = listOf(project, 'racks');
  const there = listOf(project, 'trunks');
  if (!rack || segments.length === 0) return there.map((trunk) => remove('trunks', trunk));
  const own = there.find(({ rackId }) => rackId === rack.id);
  const others = there.filter((trunk) => trunk !== own).map((trunk) => remove('trunks', trunk));
  const kept = own ? update('trunks', own, { segments }) : create('trunks', { id: newId(), rackId: rack.id, segments });
  return kept ? [...others, kept] : others;
}
