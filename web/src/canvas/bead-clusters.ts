import { type Cluster, clusterPoints } from '@dusky-spool/core/math';
import { detailAt } from './device-detail.ts';
import type { DeviceOnPlan } from './DeviceLayer.tsx';

/** Nearer than this beads hide each other, px; a bead is 26 wide, a dot 10. */
const BEADS_PX = 15;
const DOTS_PX = 9;
/** From this scale on every bead stands by itself, px per m: one can take hold of it. */
const APART_FROM = 26;

export interface BeadClusters {
  readonly single: readonly DeviceOnPlan[];
  readonly clusters: readonly Cluster<DeviceOnPlan>[];
}

/** Devices that would hide each other at a scale (px per m) as clusters; what is selected stands by itself. */
export function beadClusters(devices: readonly DeviceOnPlan[], scale: number, apart: ReadonlySet<string>): BeadClusters {
  if (scale >= APART_FROM) return { single: devices, clusters: [] };
  const found = clusterPoints(
    devices.filter(({ device }) => !apart.has(device.id)),
    ({ device }) => [device.x, device.y],
    (detailAt(scale) === 'dots' ? DOTS_PX : BEADS_PX) / scale,
  );
  const hidden = new Set(found.flatMap(({ members }) => (members.length > 1 ? members.map(({ device }) => device.id) : [])));
  return {
    // In the order in which they came: an element that is moved under the pointer would lose the press that moved it.
    single: devices.filter(({ device }) => !hidden.has(device.id)),
    clusters: found.filter(({ members }) => members.length > 1),
  };
}
