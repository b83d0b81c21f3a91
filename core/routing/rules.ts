import { closestOnSegment, crossingParameters, type Point2, type Point3 } from '../math/index.ts';
import { levelUnder, roomAt } from '../house/index.ts';
import type { RouteRule } from '../model/index.ts';
import { keepFromMains } from '../calculators/index.ts';
import { RIGHT_ANGLE_FROM_RAD } from './beside-mains.ts';
import type { Network } from './network.ts';
import { type ArcPrice, keptPrice, type SharedLoads } from './share.ts';

/** A point that a route is led through counts as passed within this, m. */
const AT_POINT_M = 0.45;

/** The places of a network that a rule speaks of; none where the thing is gone. */
export function nodesOfRule(network: Network, { target, targetId, at }: RouteRule): readonly number[] {
  const { x, y, z, space, spaces, owners } = network;
  if (target === 'riser' || (target === 'feature' && owners.has(targetId))) return owners.get(targetId) ?? [];
  const found: number[] = [];
  if (target === 'room' || target === 'feature') {
    for (let node = 0; node < x.length; node++) {
      const its = space[node] < 0 ? null : spaces[space[node]];
      if (its && (target === 'room' ? its.room?.id : its.feature?.id) === targetId) found.push(node);
    }
  } else if (at) {
    // The nearest place: another one beside it would let the route turn back before the point.
    let [nearest, nearestM] = [-1, AT_POINT_M];
    for (let node = 0; node < x.length; node++) {
      const farM = Math.hypot(x[node] - at[0], y[node] - at[1], z[node] - at[2]);
      if (farM < nearestM) [nearest, nearestM] = [node, farM];
    }
    if (nearest >= 0) found.push(nearest);
  }
  return found;
}

/** A route that comes so near to a point passes it, m. */
const PASSED_M = 0.1;

/** Whether a route passes what a rule leads it through, by the places along it. */
export function passesBy(network: Network, { points }: { readonly points: readonly Point3[] }, rule: RouteRule): boolean {
  const { x, y, z } = network;
  const isOn = (p: Point3, withinM: number) =>
    points.slice(1).some((b, k) => {
      const a = points[k];
      const [dx, dy, dz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
      const square = dx * dx + dy * dy + dz * dz;
      const along = square === 0 ? 0 : ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy + (p[2] - a[2]) * dz) / square;
      const t = Math.max(0, Math.min(1, along));
      return Math.hypot(a[0] + dx * t - p[0], a[1] + dy * t - p[1], a[2] + dz * t - p[2]) <= withinM;
    });
  if (rule.target === 'room') return isThroughRoom(network, points, rule.targetId);
  if (rule.target === 'point') return rule.at !== null && isOn([rule.at[0], rule.at[1], rule.at[2]], PASSED_M);
  return nodesOfRule(network, rule).some((node) => isOn([x[node], y[node], z[node]], 1e-6));
}

/** Between the places at which a route is looked at, m. */
const LOOK_M = 0.1;

/** Whether a route runs above or under a room on its level. */
function isThroughRoom({ building }: Network, points: readonly Point3[], roomId: string): boolean {
  return points.slice(1).some((b, k) => {
    const a = points[k];
    const steps = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) / LOOK_M));
    for (let n = 0; n <= steps; n++) {
      const [x, y, z] = [0, 1, 2].map((axis) => a[axis] + ((b[axis] - a[axis]) * n) / steps);
      const level = levelUnder(building, z);
      if (level && roomAt(building, level.id, [x, y])?.id === roomId) return true;
    }
    return false;
  });
}

/** Prices with everything barred that rules say to keep away from. */
export function rulePrice(network: Network, shared: SharedLoads, avoided: readonly RouteRule[]): ArcPrice {
  const price = keptPrice(network, shared);
  if (avoided.length === 0) return price;
  const nodes = new Set(avoided.flatMap((rule) => [...nodesOfRule(network, rule)]));
  const walls = avoided.flatMap(({ target, targetId }) => {
    const wall = target === 'wall' ? wallOf(network, targetId) : undefined;
    return wall ? [wall] : [];
  });
  const things = avoided.flatMap(({ target, targetId }) => (target === 'feature' ? thingOf(network, targetId) : []));
  const barred = new Uint8Array(network.to.length);
  const { first, to, x, y, detail, details } = network;
  for (let node = 0; node + 1 < first.length; node++) {
    for (let arc = first[node]; arc < first[node + 1]; arc++) {
      const end = to[arc];
      const touches = nodes.has(node) || nodes.has(end);
      const crosses = walls.some(({ a, b, thicknessM, z0, z1 }) => {
        if (network.z[node] < z0 || network.z[node] > z1) return false;
        const hit = crossingParameters([x[node], y[node]], [x[end], y[end]], a, b);
        if (hit && hit.t >= 0 && hit.t <= 1 && hit.u >= 0 && hit.u <= 1) return true;
        const corners = detail[arc] < 0 ? [] : details[detail[arc]].points;
        return corners.some((p) => closestOnSegment([p[0], p[1]], a, b).distanceM <= thicknessM / 2);
      });
      if (touches || crosses || things.some((isBeside) => isBeside(node, end))) barred[arc] = 1;
    }
  }
  return { ...price, of: (arc) => (barred[arc] ? Infinity : price.of(arc)) };
}

/** Distance to a thing that is neither mains nor a route where it keeps none of its own, m. */
const KEEP_M = 0.3;

/** Whether a piece between two nodes runs beside a thing of the survey that is no route itself, such as mains or a pipe; it may cross it. */
function thingOf(network: Network, id: string): ((node: number, end: number) => boolean)[] {
  const { building, owners, x, y, z } = network;
  if (owners.has(id)) return [];
  for (const level of building.levels) {
    const feature = (building.featuresByLevel[level.id] ?? []).find((one) => one.id === id);
    if (!feature || feature.area) continue;
    const points = feature.points as Point2[];
    const ownM = feature.kind === 'mains-route' ? keepFromMains(feature, network.weights.jurisdiction, 'a') : feature.clearanceM;
    const keepM = (ownM || KEEP_M) + feature.widthM / 2;
    const [low, high] = [level.elevationM + feature.bottomM - keepM, level.elevationM + feature.topM + keepM];
    const near = (node: number): number => {
      if (z[node] < low || z[node] > high) return -1;
      if (points.length === 1) return Math.hypot(x[node] - points[0][0], y[node] - points[0][1]) < keepM ? 0 : -1;
      return points.slice(1).findIndex((b, k) => closestOnSegment([x[node], y[node]], points[k], b).distanceM < keepM);
    };
    return [
      (node, end) => {
        const k = near(node);
        if (k < 0 || near(end) < 0) return false;
        if (points.length === 1) return true;
        const [dx, dy] = [x[end] - x[node], y[end] - y[node]];
        const [ux, uy] = [points[k + 1][0] - points[k][0], points[k + 1][1] - points[k][1]];
        const lengths = Math.hypot(dx, dy) * Math.hypot(ux, uy);
        return lengths < 1e-9 || Math.acos(Math.min(1, Math.abs(dx * ux + dy * uy) / lengths)) < RIGHT_ANGLE_FROM_RAD;
      },
    ];
  }
  return [];
}

function wallOf({ building }: Network, id: string) {
  for (const [index, level] of building.levels.entries()) {
    const wall = (building.wallsByLevel[level.id] ?? []).find((one) => one.id === id);
    if (!wall) continue;
    const above = building.levels[index + 1]?.elevationM ?? Infinity;
    return { a: wall.a as Point2, b: wall.b as Point2, thicknessM: wall.thicknessM, z0: level.elevationM, z1: above };
  }
  return undefined;
}
