import { closestOnSegment, crossingParameters, distance2, type Point2, rotate2 } from '../../math/index.ts';

/** What the pointer was drawn to, named on screen. */
export type SnapKind =
  | 'end'
  | 'middle'
  | 'crossing'
  | 'perpendicular'
  | 'wall'
  | 'extension'
  | 'angle'
  | 'underlay-end'
  | 'underlay'
  | 'grid'
  | 'none';

export interface Snap {
  readonly point: Point2;
  readonly kind: SnapKind;
  /** Lines that show why: from a corner to the point. */
  readonly guides: readonly (readonly [Point2, Point2])[];
}

export interface SnapSources {
  readonly walls: readonly { readonly a: Point2; readonly b: Point2 }[];
  readonly underlayLines?: readonly (readonly [Point2, Point2])[];
  /** The corner from which a wall is being drawn. */
  readonly from?: Point2;
  /** Corners drawn before it: the next one can be in line with them. */
  readonly corners?: readonly Point2[];
  /** Directions of the walls drawn before, so that right angles to them hold. */
  readonly gridAngleRad: number;
  /** Grid of the sheet, m; 0 for none. */
  readonly gridM: number;
  /** Only directions in steps of this angle from the grid, rad; 0 leaves it free. */
  readonly angleLockRad: number;
}

const ANGLE_STEP_RAD = Math.PI / 12;

/**
 * Draws a point to what it is near: ends before crossings, middles, perpendiculars, walls, extensions, the drawing below,
 * right angles, the grid. `reachM` is how near counts. Lengths in m.
 */
export function snapDrawing(p: Point2, sources: SnapSources, reachM: number): Snap {
  const { walls, from, underlayLines = [] } = sources;
  const near = walls.filter(({ a, b }) => closestOnSegment(p, a, b).distanceM <= reachM);
  const ends = nearest(
    p,
    walls.flatMap(({ a, b }) => [a, b]),
    reachM,
  );
  if (ends && !sameAs(ends, from)) return { point: ends, kind: 'end', guides: [] };
  if (sources.angleLockRad > 0 && from) return locked(p, from, sources, reachM);
  const crossing = nearest(p, crossings(near), reachM);
  if (crossing) return { point: crossing, kind: 'crossing', guides: [] };
  const middle = nearest(
    p,
    near.map(({ a, b }): Point2 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]),
    reachM * 0.8,
  );
  if (middle) return { point: middle, kind: 'middle', guides: [] };
  const foot =
    from &&
    nearest(
      p,
      near.map(({ a, b }) => footOf(from, a, b)).filter((q) => q !== null),
      reachM,
    );
  if (foot && from) return { point: foot, kind: 'perpendicular', guides: [[from, foot]] };
  const lineEnd = nearest(p, underlayLines.flat(), reachM * 0.8);
  if (lineEnd) return { point: lineEnd, kind: 'underlay-end', guides: [] };
  const straight = from && alongAxes(p, from, sources.gridAngleRad, reachM);
  if (near.length > 0) {
    const host = near.reduce((best, wall) =>
      closestOnSegment(p, wall.a, wall.b).distanceM < closestOnSegment(p, best.a, best.b).distanceM ? wall : best,
    );
    const hit = straight && from && crossingParameters(from, straight, host.a, host.b);
    if (hit && from && hit.u >= 0 && hit.u <= 1) {
      const q: Point2 = [from[0] + (straight[0] - from[0]) * hit.t, from[1] + (straight[1] - from[1]) * hit.t];
      if (distance2(p, q) <= reachM) return { point: q, kind: 'wall', guides: [[from, q]] };
    }
    return { point: closestOnSegment(p, host.a, host.b).point, kind: 'wall', guides: [] };
  }
  const aligned = extensions(p, sources, reachM);
  if (aligned) return aligned;
  const below = nearest(
    p,
    underlayLines.map(([a, b]) => closestOnSegment(p, a, b).point),
    reachM * 0.6,
  );
  if (below) return { point: below, kind: 'underlay', guides: [] };
  if (straight && from) return { point: onGrid(straight, sources, from), kind: 'angle', guides: [[from, straight]] };
  if (sources.gridM > 0) return { point: onGrid(p, sources), kind: 'grid', guides: [] };
  return { point: p, kind: 'none', guides: [] };
}

const sameAs = (p: Point2, q: Point2 | undefined) => q !== undefined && distance2(p, q) < 1e-9;

function nearest(p: Point2, points: readonly Point2[], reachM: number): Point2 | undefined {
  let best: Point2 | undefined;
  for (const q of points) if (distance2(p, q) <= reachM && (!best || distance2(p, q) < distance2(p, best))) best = q;
  return best;
}

function crossings(walls: SnapSources['walls']): Point2[] {
  return walls.flatMap((one, i) =>
    walls.slice(i + 1).flatMap((other): Point2[] => {
      const hit = crossingParameters(one.a, one.b, other.a, other.b);
      if (!hit || hit.t < 0 || hit.t > 1 || hit.u < 0 || hit.u > 1) return [];
      return [[one.a[0] + (one.b[0] - one.a[0]) * hit.t, one.a[1] + (one.b[1] - one.a[1]) * hit.t]];
    }),
  );
}

function footOf(p: Point2, a: Point2, b: Point2): Point2 | null {
  const { point, t } = closestOnSegment(p, a, b);
  return t > 1e-9 && t < 1 - 1e-9 && distance2(p, point) > 1e-6 ? point : null;
}

/** The point on the nearest right angle through `from`, where p is near it. */
function alongAxes(p: Point2, from: Point2, gridAngleRad: number, reachM: number): Point2 | null {
  const [u, v] = rotate2([p[0] - from[0], p[1] - from[1]], -gridAngleRad);
  const local: Point2 | null =
    Math.abs(v) <= Math.min(reachM, Math.abs(u)) ? [u, 0] : Math.abs(u) <= Math.min(reachM, Math.abs(v)) ? [0, v] : null;
  if (!local) return null;
  const [x, y] = rotate2(local, gridAngleRad);
  return [from[0] + x, from[1] + y];
}

function locked(p: Point2, from: Point2, sources: SnapSources, reachM: number): Snap {
  const step = sources.angleLockRad || ANGLE_STEP_RAD;
  const angle =
    Math.round((Math.atan2(p[1] - from[1], p[0] - from[0]) - sources.gridAngleRad) / step) * step + sources.gridAngleRad;
  const lengthM = (p[0] - from[0]) * Math.cos(angle) + (p[1] - from[1]) * Math.sin(angle);
  const far: Point2 = [from[0] + Math.cos(angle) * (lengthM + reachM), from[1] + Math.sin(angle) * (lengthM + reachM)];
  for (const { a, b } of sources.walls) {
    const hit = crossingParameters(from, far, a, b);
    if (!hit || hit.u < 0 || hit.u > 1) continue;
    const q: Point2 = [from[0] + (far[0] - from[0]) * hit.t, from[1] + (far[1] - from[1]) * hit.t];
    if (distance2(q, p) <= reachM) return { point: q, kind: 'wall', guides: [[from, q]] };
  }
  const point: Point2 = [from[0] + Math.cos(angle) * lengthM, from[1] + Math.sin(angle) * lengthM];
  return inLine(point, from, angle, sources, reachM) ?? { point, kind: 'angle', guides: [[from, point]] };
}

/** A point on a ray, drawn along it until it is in line with a corner; null where none is near. */
function inLine(point: Point2, from: Point2, angle: number, sources: SnapSources, reachM: number): Snap | null {
  const [du, dv] = [Math.cos(angle - sources.gridAngleRad), Math.sin(angle - sources.gridAngleRad)];
  const here = rotate2(from, -sources.gridAngleRad);
  const reached = distance2(from, point);
  let best: { to: Point2; atM: number } | null = null;
  for (const corner of [...sources.walls.flatMap(({ a, b }) => [a, b]), ...(sources.corners ?? [])]) {
    if (sameAs(corner, from)) continue;
    const [u, v] = rotate2(corner, -sources.gridAngleRad);
    for (const [gap, share] of [
      [u - here[0], du],
      [v - here[1], dv],
    ]) {
      if (Math.abs(share) < 1e-6) continue;
      const atM = gap / share;
      if (atM <= 0 || Math.abs(atM - reached) > reachM * 0.6) continue;
      if (!best || Math.abs(atM - reached) < Math.abs(best.atM - reached)) best = { to: corner, atM };
    }
  }
  if (!best) return null;
  const at: Point2 = [from[0] + Math.cos(angle) * best.atM, from[1] + Math.sin(angle) * best.atM];
  return {
    point: at,
    kind: 'extension',
    guides: [
      [from, at],
      [best.to, at],
    ],
  };
}

/** In line with ends of other walls, along the grid's two directions. */
function extensions(p: Point2, { walls, gridAngleRad, from, corners = [] }: SnapSources, reachM: number): Snap | null {
  const q = rotate2(p, -gridAngleRad);
  const best: [{ to: Point2; d: number } | null, { to: Point2; d: number } | null] = [null, null];
  for (const corner of [...walls.flatMap(({ a, b }) => [a, b]), ...corners, ...(from ? [from] : [])]) {
    const c = rotate2(corner, -gridAngleRad);
    for (const axis of [0, 1] as const) {
      const d = Math.abs(c[axis] - q[axis]);
      if (d <= reachM * 0.6 && (!best[axis] || d < best[axis].d)) best[axis] = { to: corner, d };
    }
  }
  // In line with the last corner alone is a right angle, and is named so.
  if (best.every((one) => one === null || one.to === from)) return null;
  const u = best[0] ? rotate2(best[0].to, -gridAngleRad)[0] : q[0];
  const v = best[1] ? rotate2(best[1].to, -gridAngleRad)[1] : q[1];
  const point = rotate2([u, v], gridAngleRad);
  return { point, kind: 'extension', guides: best.flatMap((one) => (one ? [[one.to, point] as const] : [])) };
}

/** On the sheet's grid; with `from`, only the length along the way from there is rounded. */
function onGrid(p: Point2, { gridM, gridAngleRad }: SnapSources, from?: Point2): Point2 {
  if (gridM <= 0) return p;
  const round = (value: number) => Math.round(value / gridM) * gridM;
  if (from) {
    const lengthM = distance2(from, p);
    if (lengthM < 1e-9) return p;
    const factor = round(lengthM) / lengthM;
    return [from[0] + (p[0] - from[0]) * factor, from[1] + (p[1] - from[1]) * factor];
  }
  const [u, v] = rotate2(p, -gridAngleRad);
  return rotate2([round(u), round(v)], gridAngleRad);
}
