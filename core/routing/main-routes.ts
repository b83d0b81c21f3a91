import { type Building, nearestHeadEnd } from '../house/index.ts';
import { boundsOf, pointInPolygon, type Point2 } from '../math/index.ts';
import type { Rack, Room } from '../model/index.ts';
import { entriesFrom } from './ends.ts';
import type { Network } from './network.ts';
import { NOT_SHARED, rackPlace } from './route-device.ts';
import { SET_UP, type SharedLoads } from './share.ts';
import { type Demand, passes } from './shared-routes.ts';

/** One place of a ceiling stands for the devices that may come below so much of it, m. */
const EVERY_M = 2.5;
/** So many places at least make a route a main route. */
const MAIN_FROM = 2;
/** Rounds in which the routes draw together. */
const ROUNDS = 3;

/**
 * The main routes of a house before anything stands in it: those along which cables from all over its ceilings reach the head end near
 * them with the fewest bored places. They follow from house and head ends alone, so one more device moves nobody's route.
 */
export function mainRoutes(network: Network, racks: readonly Rack[]): SharedLoads {
  const places = placesOf(network.building);
  const demands = racks.flatMap((rack): Demand[] => {
    const ends = entriesFrom(network, rackPlace(rack));
    if (!ends.ok) return [];
    const starts = places
      .filter((place) => nearestHeadEnd(racks, place) === rack)
      .flatMap(({ levelId, x, y }) => {
        const found = entriesFrom(network, { levelId, x, y, mount: 'ceiling', heightM: null });
        return found.ok ? [found.value] : [];
      });
    return starts.length > 0 ? [{ ends: ends.value, starts }] : [];
  });
  if (demands.length === 0) return NOT_SHARED;
  const counts = new Map([...passes(network, demands, ROUNDS)].filter(([, count]) => count >= MAIN_FROM));
  return { counts, setUp: SET_UP };
}

interface Place {
  readonly levelId: string;
  readonly x: number;
  readonly y: number;
}

const placesOf = ({ roomsByLevel }: Building): Place[] =>
  Object.entries(roomsByLevel).flatMap(([levelId, rooms]) =>
    rooms.flatMap((room) => placesIn(room).map(([x, y]) => ({ levelId, x, y }))),
  );

/** Places in a room at even distances from each other, one at least. */
function placesIn({ polygon }: Room): Point2[] {
  const corners = polygon as readonly Point2[];
  const { minX, minY, maxX, maxY } = boundsOf(corners)!;
  const along = (min: number, max: number) => {
    const count = Math.max(1, Math.round((max - min) / EVERY_M));
    return Array.from({ length: count }, (_, n) => min + ((n + 0.5) * (max - min)) / count);
  };
  const all = along(minX, maxX).flatMap((x) => along(minY, maxY).map((y): Point2 => [x, y]));
  return all.filter((p) => pointInPolygon(p, corners));
}
