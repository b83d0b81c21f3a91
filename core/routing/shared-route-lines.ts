import type { SharedRoute } from '../model/index.ts';
import { type Network, placeKey } from './network.ts';
import { tidy } from './straighten.ts';
import { type Loads, linkNumber } from './share.ts';

type Segment = SharedRoute['segments'][number];

/** Loads as straight pieces, to be kept with the project: pieces in one line with as many cables are one. */
export function linesOf(network: Network, loads: Loads): Segment[] {
  const { first, to, axis, detail, back, x, y, z } = network;
  const done = new Set<number>();
  const at = (node: number) => [...tidy([x[node], y[node], z[node]])] as [number, number, number];
  /** The straight piece that goes on from an arc, with as many cables, in the same direction. */
  const onFrom = (arc: number): number => {
    const node = to[arc];
    for (let next = first[node]; next < first[node + 1]; next++) {
      const route = linkNumber(network, next);
      if (detail[next] >= 0 || axis[next] !== axis[arc] || next === back[arc] || done.has(route)) continue;
      if (loads.get(route) === loads.get(linkNumber(network, arc))) return next;
    }
    return -1;
  };
  const segments: Segment[] = [];
  for (const [route, cables] of [...loads].sort(([a], [b]) => a - b)) {
    if (done.has(route)) continue;
    done.add(route);
    const ends = [route, back[route]].map((out) => {
      let last = out;
      if (detail[route] >= 0) return to[last];
      for (let next = onFrom(last); next >= 0; next = onFrom(last)) {
        done.add(linkNumber(network, next));
        last = next;
      }
      return to[last];
    });
    segments.push({ a: at(ends[1]), b: at(ends[0]), cables });
  }
  return segments;
}

/** The routes of a network that kept pieces lie on; what the house no longer has is left out. */
export function loadsOf(network: Network, sharedRoutes: readonly Pick<SharedRoute, 'segments'>[]): Loads {
  const loads = new Map<number, number>();
  const byPlace = network.nodeByPlace();
  for (const { segments } of sharedRoutes) for (const segment of segments) layOut(network, byPlace, segment, loads);
  return loads;
}

function layOut(network: Network, byPlace: ReadonlyMap<string, number>, { a, b, cables }: Segment, loads: Map<number, number>) {
  const { first, to, x, y, z } = network;
  const end = byPlace.get(placeKey(...b));
  let node = byPlace.get(placeKey(...a));
  for (let steps = 0; node !== undefined && end !== undefined && node !== end && steps < 100_000; steps++) {
    const left = [x[end] - x[node], y[end] - y[node], z[end] - z[node]];
    const farM = Math.hypot(...left);
    let best = -1;
    for (let arc = first[node]; arc < first[node + 1]; arc++) {
      const next = to[arc];
      if (next === end) {
        best = arc;
        break;
      }
      const step = [x[next] - x[node], y[next] - y[node], z[next] - z[node]];
      const lengthM = Math.hypot(...step);
      const along = (step[0] * left[0] + step[1] * left[1] + step[2] * left[2]) / farM;
      if (along > lengthM - 1e-6 && along < farM) best = arc;
    }
    if (best < 0) return;
    const route = linkNumber(network, best);
    loads.set(route, (loads.get(route) ?? 0) + cables);
    node = to[best];
  }
}
