import { type Building, openingsOf, type WallPlace, wallPoint } from '../house/index.ts';
import { closestOnSegment, distance3, type Point2, type Point3 } from '../math/index.ts';
import type { Medium } from '../model/index.ts';
import type { Axis } from './arcs.ts';
import type { Entry } from './attach.ts';
import { studsCrossed } from './holes.ts';
import type { Weights } from './weights.ts';

/** The end of a pathway that comes up inside a wall: boxes of that wall are led to it without the cavity above. */
export interface Stub {
  readonly node: number;
  readonly at: Point3;
  readonly medium: Medium;
  readonly wallId: string;
  readonly offsetM: number;
}

/** The end of a pathway that comes up in no wall: in a garden, under a cabinet. What stands at it is led into it. */
export interface Mouth {
  readonly levelId: string;
  readonly node: number;
  readonly at: Point3;
  readonly medium: Medium;
}

/** A channel on the surface: what stands beside it is led into it anywhere along its length. */
export interface Channel {
  readonly levelId: string;
  readonly corners: readonly Point3[];
  readonly nodes: readonly number[];
}

/** How far a box may be from a channel that its lead goes into, m. */
const CHANNEL_REACH_M = 0.6;

/** Routes inside one wall from a box at `z` to the ends that come up in it, clear of openings. Costs in metres of cable. */
export function entriesToStubs(
  building: Building,
  weights: Weights,
  stubs: readonly Stub[],
  place: WallPlace,
  z: number,
): Entry[] {
  const { wall, offsetM } = place;
  const floorM = building.levelById[wall.levelId].elevationM;
  return stubs
    .filter(({ wallId }) => wallId === wall.id)
    .flatMap((stub): Entry[] => {
      const [low, high] = [Math.min(z, stub.at[2]), Math.max(z, stub.at[2])];
      const [left, right] = [Math.min(offsetM, stub.offsetM), Math.max(offsetM, stub.offsetM)];
      const barred = openingsOf(building, wall).some(
        (o) =>
          o.offsetM + o.widthM / 2 > left &&
          o.offsetM - o.widthM / 2 < right &&
          floorM + o.sillM < high &&
          floorM + o.headM > low,
      );
      if (barred) return [];
      // Along the wall above its sole plate: what comes out of the screed rises before it turns.
      const alongZ = Math.min(Math.max(low, floorM + 0.1), high);
      const at = (along: number, height: number): Point3 => [...wallPoint(wall, along), height];
      const corners = [at(offsetM, z), at(offsetM, alongZ), at(stub.offsetM, alongZ), at(stub.offsetM, stub.at[2])];
      const points = corners.filter((p, k) => k === 0 || distance3(p, corners[k - 1]) > 1e-9);
      const studs = studsCrossed(building, wall, offsetM, stub.offsetM).length;
      return [
        {
          node: stub.node,
          points: [...points, stub.at],
          media: [...points.slice(1).map((): Medium => 'wall'), stub.medium],
          axis: 2 as Axis,
          work: high - low + (right - left) + (right - left > 1e-6 ? 2 * weights.turnM : 0),
          holes: studs * weights.studBoredM + Number(low < floorM - 1e-6) * weights.floorBoredM,
        },
      ];
    });
}

/** Entries from a place into channels that pass it: to either end of the piece beside it. */
export function entriesToChannels(weights: Weights, channels: readonly Channel[], levelId: string, at: Point3): Entry[] {
  const perM = 1 + weights.visible;
  return channels
    .filter((channel) => channel.levelId === levelId)
    .flatMap(({ corners, nodes }) =>
      corners.slice(1).flatMap((b, k): Entry[] => {
        const a = corners[k];
        const { t } = closestOnSegment(plan(at), plan(a), plan(b));
        const beside: Point3 = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];
        const reachM = Math.hypot(beside[0] - at[0], beside[1] - at[1]);
        if (reachM > CHANNEL_REACH_M) return [];
        // Up or down to the height of the channel, then into it.
        const upright: Point3 = [at[0], at[1], beside[2]];
        const before: Point3[] = distance3(at, upright) > 1e-9 ? [at, upright] : [at];
        return [k, k + 1].map((n) => ({
          node: nodes[n],
          points: [...before, beside, corners[n]],
          media: [...before, beside].map((): Medium => 'surface'),
          axis: 2 as Axis,
          work: (Math.abs(beside[2] - at[2]) + reachM + distance3(beside, corners[n])) * perM,
          holes: 0,
        }));
      }),
    );
}

/** How far something may stand from the end of a route that its lead goes into, m. */
const MOUTH_REACH_M = 0.6;
/** And how far above or below it, m. */
const MOUTH_RISE_M = 1.5;

/** Entries from a place into the ends of pathways that come up beside it. */
export function entriesToMouths(weights: Weights, mouths: readonly Mouth[], levelId: string, at: Point3): Entry[] {
  return mouths.flatMap((mouth): Entry[] => {
    const reachM = Math.hypot(mouth.at[0] - at[0], mouth.at[1] - at[1]);
    if (mouth.levelId !== levelId || reachM > MOUTH_REACH_M || Math.abs(mouth.at[2] - at[2]) > MOUTH_RISE_M) return [];
    const upright: Point3 = [at[0], at[1], mouth.at[2]];
    const points = [at, upright, mouth.at].filter((p, k, all) => k === 0 || distance3(p, all[k - 1]) > 1e-9);
    if (points.length === 1) points.push(points[0]);
    return [
      {
        node: mouth.node,
        points,
        media: points.slice(1).map((): Medium => mouth.medium),
        axis: 2 as Axis,
        work: (Math.abs(mouth.at[2] - at[2]) + reachM) * (1 + weights.outside),
        holes: 0,
      },
    ];
  });
}

const plan = (p: Point3): Point2 => [p[0], p[1]];
