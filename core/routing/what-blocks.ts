import type { Entry } from './attach.ts';
import type { Network } from './network.ts';
import { AXES, growTree } from './tree.ts';

/** Where the routes from an end stop, so that it can be said what is between it and the other end. */
export interface Blocked {
  /** Levels that they reach, by number from below. */
  readonly levels: readonly number[];
  /** Rooms over which they lead, by id, in order. */
  readonly rooms: readonly string[];
  /** Whether routes from the two ends share a level without meeting. */
  readonly onOneLevel: boolean;
}

/** What the routes from one end reach, and whether the other end's routes are on the same level. */
export function whatBlocks(network: Network, starts: readonly Entry[], ends: readonly Entry[]): Blocked {
  const [from, to] = [reached(network, starts), reached(network, ends)];
  return {
    levels: [...from.levels].sort((a, b) => a - b),
    rooms: [...from.rooms].sort(),
    onOneLevel: [...from.levels].some((level) => to.levels.has(level)),
  };
}

function reached(network: Network, entries: readonly Entry[]): { levels: Set<number>; rooms: Set<string> } {
  const { cost } = growTree(network, entries);
  const levels = new Set<number>();
  const rooms = new Set<string>();
  for (let node = 0; node < network.x.length; node++) {
    const its = network.space[node] < 0 ? null : network.spaces[network.space[node]];
    if (!its) continue;
    let isReached = false;
    for (let axis = 0; axis < AXES; axis++) isReached ||= cost[node * AXES + axis] < Infinity;
    if (!isReached) continue;
    levels.add(its.levelIndex);
    if (its.room) rooms.add(its.room.id);
  }
  return { levels, rooms };
}
