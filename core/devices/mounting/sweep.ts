import { buildingOf, isSideOf, wallLength } from '../../house/index.ts';
import { convexHull, outlineGap, type Point2 } from '../../math/index.ts';
import type { Device, DeviceType, ProjectDocument, Wall } from '../../model/index.ts';
import { clash, type Clash, less } from './clash.ts';
import { halfFace, wallPlaceOf } from './on-wall.ts';
import { solidsOn } from './solids.ts';

/** Steps in which a turn is drawn to either side. */
const STEPS = 6;

/** The ground that a device covers while its mount draws out and turns. Lengths in m, angles in rad. */
export interface Sweep {
  /** Convex outline on the plan. */
  readonly outline: readonly Point2[];
  /** How far it turns to either side before its edge meets the wall behind it. */
  readonly turnRad: number;
  /** Face of the device from the finished wall when drawn out. */
  readonly outM: number;
}

/** What a mount on a wall sweeps with a device; null where nothing moves. */
export function sweepOf(device: Device, type: DeviceType, mount: DeviceType | null, wall: Wall): Sweep | null {
  const holds = mount?.holds;
  if (!holds || (holds.reachM <= holds.parkedDepthM + 1e-9 && holds.turnRad <= 0)) return null;
  const [halfW] = halfFace(type);
  const depthM = type.sizeM[1];
  // Turned so far, the rear edge touches the wall: reach = half width x sin(turn).
  const turnRad = Math.min(holds.turnRad, Math.asin(Math.min(1, holds.reachM / Math.max(1e-6, halfW))));
  const [nx, ny] = [Math.cos(device.facingRad), Math.sin(device.facingRad)];
  const corners = (outM: number, angleRad: number): Point2[] => {
    const [c, s] = [Math.cos(angleRad), Math.sin(angleRad)];
    const [fx, fy] = [nx * c - ny * s, nx * s + ny * c];
    const backM = wall.thicknessM / 2 + outM;
    const [x, y] = [device.x + nx * backM, device.y + ny * backM];
    return [
      [-halfW, 0],
      [halfW, 0],
      [halfW, depthM],
      [-halfW, depthM],
    ].map(([along, out]): Point2 => [x - fy * along + fx * out, y + fx * along + fy * out]);
  };
  const places = corners(holds.parkedDepthM, 0);
  for (let k = -STEPS; k <= STEPS; k++) places.push(...corners(holds.reachM, (turnRad * k) / STEPS));
  return { outline: convexHull(places), turnRad, outM: holds.reachM + depthM };
}

/** What stands in the space that a device sweeps: walls beside it, casework, beams. */
export function sweepClashes(
  project: ProjectDocument,
  device: Device,
  type: DeviceType,
  mount: DeviceType | null,
  heightM: number,
): Clash[] {
  const wall = mount?.holds ? wallPlaceOf(project, device)?.wall : undefined;
  const sweep = wall && sweepOf(device, type, mount, wall);
  if (!sweep) return [];
  const half = halfFace(type)[1];
  const figures = { outM: sweep.outM, turnDeg: Math.round((sweep.turnRad * 180) / Math.PI) };
  for (const solid of [...solidsOn(project, device.levelId).opaque, ...solidsOn(project, device.levelId).obstacles]) {
    const { feature, footprints } = solid;
    if (feature.topM <= heightM - half + 1e-6 || feature.bottomM >= heightM + half - 1e-6) continue;
    if (footprints.every((footprint) => outlineGap(sweep.outline, footprint) > 1e-6)) continue;
    return [
      clash('mount-sweep', 'look', { with: { in: 'features', id: feature.id }, figures: { ...figures, thing: feature.kind } }),
    ];
  }
  const room = device.roomId === null ? undefined : project.rooms[device.roomId];
  for (const other of room ? (buildingOf(project).wallsByLevel[device.levelId] ?? []) : []) {
    if (other.id === wall.id || isInLine(other, wall) || !isSideOf(room!, other)) continue;
    if (!less(outlineGap(sweep.outline, [other.a, other.b]), other.thicknessM / 2)) continue;
    return [clash('mount-sweep', 'look', { with: { in: 'walls', id: other.id }, figures: { ...figures, thing: 'wall' } })];
  }
  return [];
}

/** A wall that goes on from another in its line. */
function isInLine(a: Wall, b: Wall): boolean {
  const cross = (a.b[0] - a.a[0]) * (b.b[1] - b.a[1]) - (a.b[1] - a.a[1]) * (b.b[0] - b.a[0]);
  return Math.abs(cross) < 0.05 * wallLength(a) * wallLength(b);
}
