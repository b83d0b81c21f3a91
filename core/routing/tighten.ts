import { type Building, levelUnder, wallsOf } from '../house/index.ts';
import {
  boundsMeet,
  boundsOf,
  distance3,
  grownBounds,
  inBounds,
  type Point2,
  type Point3,
  pointInPolygon,
} from '../math/index.ts';
import type { Medium } from '../model/index.ts';
import { type Hole, holesOf } from './holes.ts';
import { runsInSolid } from './in-solid.ts';
import type { Network } from './network.ts';
import { EDGE_M, isOffSpan } from './spaces.ts';
import type { Weights } from './weights.ts';

/** Between the places at which a moved piece is looked at, m. */
const LOOK_M = 0.2;
/** Pieces from either end that are looked at: the lattice lies beside an end, not in the middle of a route. */
const FROM_END = 3;

/** What the hole of a member costs the first cable, m. */
export function holeCost(building: Building, weights: Weights, { member, roomId, at }: Hole): number {
  if (member === 'joist') {
    const room = (building.roomsByLevel[levelUnder(building, at[2])?.id ?? ''] ?? []).find(({ id }) => id === roomId);
    return weights.joistBoredM + (room && isOffSpan(building.framing, weights, room, [at[0], at[1]]) ? weights.offSpanM : 0);
  }
  // A beam is bored by the engineer's leave only: no cheaper than a joist.
  if (member === 'beam') return weights.joistBoredM;
  if (member === 'stud') return weights.studBoredM;
  if (member === 'top-plate') return weights.plateBoredM;
  if (member === 'sole-plate') return weights.floorBoredM;
  if (member === 'masonry') return weights.masonryCoredM;
  if (member === 'fire') return weights.fireSeparationM;
  return member === 'board' ? weights.boardCutM : 0;
}

/**
 * Takes out of a route what only comes of the lattice lying beside its ends: a piece that steps aside, runs on and steps back is
 * moved onto its own line, where that stays in the same spaces and bores no more. What bores at all stays on its line where routes are
 * shared: others pull through the same holes.
 */
export function tightened(
  network: Network,
  route: { readonly points: readonly Point3[]; readonly media: readonly Medium[] },
  isShared = false,
): { points: Point3[]; media: Medium[] } {
  const points = [...route.points];
  const media = [...route.media];
  for (let k = 1; k + 2 < points.length; k++) {
    if (k > FROM_END && k + 2 < points.length - FROM_END) continue;
    const medium = media[k];
    if ((medium !== 'cavity' && medium !== 'crawl') || media[k - 1] !== medium || media[k + 1] !== medium) continue;
    const moved = movedAside(network, medium, [points[k - 1], points[k], points[k + 1], points[k + 2]], isShared);
    if (!moved) continue;
    points.splice(k, 2, ...moved);
    for (let n = points.length - 2; n >= 0; n--) {
      if (distance3(points[n], points[n + 1]) > 1e-6) continue;
      points.splice(n + 1, 1);
      media.splice(n, 1);
    }
    k = Math.max(0, k - 2);
  }
  return { points, media };
}

/** The middle piece moved to where the shorter of the steps on its sides is gone; null where there is nothing to gain. */
function movedAside(
  network: Network,
  medium: Medium,
  [a, b, c, d]: readonly [Point3, Point3, Point3, Point3],
  isShared: boolean,
): [Point3, Point3] | null {
  const [ux, uy] = [b[0] - a[0], b[1] - a[1]];
  const [wx, wy] = [d[0] - c[0], d[1] - c[1]];
  const [first, last] = [Math.hypot(ux, uy), Math.hypot(wx, wy)];
  if (first < 1e-6 || last < 1e-6) return null;
  if (Math.abs(a[2] - b[2]) + Math.abs(b[2] - c[2]) + Math.abs(c[2] - d[2]) > 1e-6) return null;
  // The steps lead against each other, square to the piece between.
  if ((ux * wx + uy * wy) / (first * last) > -1 + 1e-6) return null;
  if (Math.abs(ux * (c[0] - b[0]) + uy * (c[1] - b[1])) > 1e-6 * first) return null;
  const back = Math.min(first, last);
  const [sx, sy] = [(-ux / first) * back, (-uy / first) * back];
  const [from, to]: [Point3, Point3] = [
    [b[0] + sx, b[1] + sy, b[2]],
    [c[0] + sx, c[1] + sy, c[2]],
  ];
  if (!staysOpen(network, [a, from, to, d])) return null;
  const price = (points: readonly Point3[]) =>
    holesOf(network.building, points, [medium, medium, medium]).reduce(
      (sum, hole) => sum + holeCost(network.building, network.weights, hole),
      0,
    );
  const mostM = isShared ? 0 : price([a, b, c, d]);
  return price([a, from, to, d]) <= mostM + 1e-9 ? [from, to] : null;
}

/** Whether pieces lie in spaces at their height, over the heads of walls, and pass no obstacle. */
function staysOpen({ building, layers }: Network, points: readonly Point3[]): boolean {
  const z = points[0][2];
  const at = layers.find(({ layer }) => layer.spaces.some((space) => Math.abs(space.z - z) < 1e-6));
  if (!at) return false;
  const reach = grownBounds(boundsOf(points.map(([x, y]): Point2 => [x, y]))!, 0.01);
  const spaces = at.layer.spaces.filter((space) => Math.abs(space.z - z) < 1e-6 && boundsMeet(space.bounds, reach));
  const { areas } = at.layer;
  let last: readonly Point2[] | undefined;
  for (let k = 0; k + 1 < points.length; k++) {
    const [p, q] = [points[k], points[k + 1]];
    const lengthM = distance3(p, q);
    if (lengthM < 1e-6) continue;
    if (runsInSolid(wallsOf(building, building.levels[at.layer.levelIndex].id), [p[0], p[1]], [q[0], q[1]])) return false;
    const steps = Math.max(1, Math.ceil(lengthM / LOOK_M));
    for (let n = 0; n <= steps; n++) {
      const s: Point2 = [p[0] + ((q[0] - p[0]) * n) / steps, p[1] + ((q[1] - p[1]) * n) / steps];
      // What holds the last place mostly holds this one.
      if (!last || !pointInPolygon(s, last, EDGE_M)) {
        last = spaces.find(({ polygon, bounds }) => inBounds(bounds, s) && pointInPolygon(s, polygon, EDGE_M))?.polygon;
        if (!last) return false;
      }
      if (areas.some((area) => pointInPolygon(s, area))) return false;
    }
  }
  return true;
}
