import { pointInPolygon, polygonArea } from './polygon.ts';
import { type Bounds, boundsOf, inBounds } from './bounds.ts';
import { closestOnSegment, crossingParameters } from './segment.ts';
import type { Point2 } from './vector.ts';

/** A straight line of the drawing, m. */
export interface FaceSegment {
  readonly id: string;
  readonly a: Point2;
  readonly b: Point2;
}

/** A closed area between segments: its outline counter-clockwise, and outlines of islands inside it. */
export interface Face {
  readonly polygon: readonly Point2[];
  readonly holes: readonly (readonly Point2[])[];
  readonly segmentIds: readonly string[];
}

export interface PlanarMap {
  readonly faces: readonly Face[];
  /** Outlines of the connected parts that lie in no face, counter-clockwise. */
  readonly outlines: readonly (readonly Point2[])[];
  /** Segments that bound no face, in whole. */
  readonly looseIds: readonly string[];
  /** Segments that somewhere have no face on one side or on both; the others lie wholly between faces. */
  readonly openIds: ReadonlySet<string>;
}

/**
 * The faces of a drawing of straight segments, whatever they do: cross, meet in a T, overlap, end freely.
 * Ends closer than `toleranceM` count as one. Lengths in m. Source: half-edge tracing.
 */
export function facesOf(segments: readonly FaceSegment[], toleranceM = 0.01): PlanarMap {
  const graph = arrange(segments, toleranceM);
  const pieces = graph.countPieces(segments.length);
  graph.prune();
  let traced = trace(graph);
  // An edge with the same face on both sides bounds nothing (a bridge to an island): without it the island stands free.
  for (let bridges = bridgesOf(graph, traced); bridges.length > 0; bridges = bridgesOf(graph, traced)) {
    bridges.forEach(([u, v]) => graph.removeEdge(u, v));
    graph.prune();
    traced = trace(graph);
  }
  return nest(segments, graph, traced, pieces);
}

/** Vertices and the edges between them; each edge knows the segments that it is part of. */
class Graph {
  readonly vertices: Point2[] = [];
  /** Of each vertex: the vertices next to it, and the edges there in the same order. */
  readonly neighbours: number[][] = [];
  readonly edgesAt: number[][] = [];
  readonly segmentsOf: number[][] = [];
  private readonly cells = new Map<number, number[]>();

  constructor(private readonly toleranceM: number) {}

  /** The vertex at p, or a new one. */
  vertex(p: Point2): number {
    const size = this.toleranceM * 2;
    const i = Math.floor(p[0] / size);
    const j = Math.floor(p[1] / size);
    for (let di = -1; di <= 1; di++) {
      for (let dj = -1; dj <= 1; dj++) {
        const list = this.cells.get(cellKey(i + di, j + dj));
        if (!list) continue;
        for (const v of list) {
          const [x, y] = this.vertices[v];
          if ((x - p[0]) ** 2 + (y - p[1]) ** 2 <= this.toleranceM ** 2) return v;
        }
      }
    }
    const v = this.vertices.push(p) - 1;
    this.neighbours.push([]);
    this.edgesAt.push([]);
    addTo(this.cells, cellKey(i, j), v);
    return v;
  }

  edge(u: number, v: number, segment: number): void {
    if (u === v) return;
    const at = this.neighbours[u].indexOf(v);
    if (at >= 0) {
      const known = this.segmentsOf[this.edgesAt[u][at]];
      if (!known.includes(segment)) known.push(segment);
      return;
    }
    const edge = this.segmentsOf.push([segment]) - 1;
    this.neighbours[u].push(v);
    this.neighbours[v].push(u);
    this.edgesAt[u].push(edge);
    this.edgesAt[v].push(edge);
  }

  /** How many edges each segment was cut into, before any was taken away. */
  countPieces(segments: number): Int32Array {
    const pieces = new Int32Array(segments);
    for (const parts of this.segmentsOf) for (const s of parts) pieces[s]++;
    return pieces;
  }

  removeEdge(u: number, v: number): void {
    for (const [from, to] of [
      [u, v],
      [v, u],
    ]) {
      const at = this.neighbours[from].indexOf(to);
      if (at < 0) continue;
      this.neighbours[from].splice(at, 1);
      this.edgesAt[from].splice(at, 1);
    }
  }

  /** Takes free ends away until there are none. */
  prune(): void {
    const free = this.neighbours.flatMap((list, v) => (list.length === 1 ? [v] : []));
    for (let v = free.pop(); v !== undefined; v = free.pop()) {
      if (this.neighbours[v].length !== 1) continue;
      const [u] = this.neighbours[v];
      this.removeEdge(u, v);
      if (this.neighbours[u].length === 1) free.push(u);
    }
  }

  /** Neighbours of each vertex counter-clockwise. */
  sortAround(): void {
    this.neighbours.forEach((list, v) => {
      if (list.length < 3) return;
      const [x, y] = this.vertices[v];
      const around = list.map((n, k) => ({
        n,
        edge: this.edgesAt[v][k],
        angle: Math.atan2(this.vertices[n][1] - y, this.vertices[n][0] - x),
      }));
      around.sort((m, n) => m.angle - n.angle);
      this.neighbours[v] = around.map(({ n }) => n);
      this.edgesAt[v] = around.map(({ edge }) => edge);
    });
  }
}

/** Cells far apart may share a key: they are told apart by distance. */
const cellKey = (i: number, j: number): number => ((i & 0xffff) << 15) ^ (j & 0xffff);

function addTo(cells: Map<number, number[]>, key: number, value: number): void {
  const list = cells.get(key);
  if (list) list.push(value);
  else cells.set(key, [value]);
}

/** Splits all segments where they meet. */
function arrange(segments: readonly FaceSegment[], toleranceM: number): Graph {
  const graph = new Graph(toleranceM);
  const count = segments.length;
  const from = new Int32Array(count);
  const to = new Int32Array(count);
  /** Vertices in the midst of a segment; most have none. */
  const splits = new Map<number, number[]>();
  for (let s = 0; s < count; s++) {
    from[s] = graph.vertex(segments[s].a);
    to[s] = graph.vertex(segments[s].b);
  }
  const pairs = neighbouringPairs(segments, toleranceM);
  for (let k = 0; k < pairs.length; k += 2) {
    const [i, j] = [pairs[k], pairs[k + 1]];
    const [p, q] = [segments[i], segments[j]];
    const [pa, pb, qa, qb] = [from[i], to[i], from[j], to[j]];
    if (qa !== pa && qa !== pb && liesOn(graph.vertices[qa], p, toleranceM)) addTo(splits, i, qa);
    if (qb !== pa && qb !== pb && liesOn(graph.vertices[qb], p, toleranceM)) addTo(splits, i, qb);
    if (pa !== qa && pa !== qb && liesOn(graph.vertices[pa], q, toleranceM)) addTo(splits, j, pa);
    if (pb !== qa && pb !== qb && liesOn(graph.vertices[pb], q, toleranceM)) addTo(splits, j, pb);
    if (pa === qa || pa === qb || pb === qa || pb === qb) continue;
    const hit = crossingParameters(p.a, p.b, q.a, q.b);
    if (!hit || hit.t <= 0 || hit.t >= 1 || hit.u <= 0 || hit.u >= 1) continue;
    const v = graph.vertex([p.a[0] + (p.b[0] - p.a[0]) * hit.t, p.a[1] + (p.b[1] - p.a[1]) * hit.t]);
    addTo(splits, i, v);
    addTo(splits, j, v);
  }
  for (let s = 0; s < count; s++) {
    const between = splits.get(s);
    if (!between) graph.edge(from[s], to[s], s);
    else addSplit(graph, segments[s], s, [from[s], ...between, to[s]]);
  }
  return graph;
}

function addSplit(graph: Graph, { a, b }: FaceSegment, s: number, vertices: readonly number[]): void {
  const along = new Map<number, number>();
  for (const v of vertices) {
    const [x, y] = graph.vertices[v];
    along.set(v, (x - a[0]) * (b[0] - a[0]) + (y - a[1]) * (b[1] - a[1]));
  }
  const stops = [...along].sort((m, n) => m[1] - n[1]);
  for (let k = 0; k + 1 < stops.length; k++) graph.edge(stops[k][0], stops[k + 1][0], s);
}

function liesOn(p: Point2, { a, b }: FaceSegment, toleranceM: number): boolean {
  if (p[0] < Math.min(a[0], b[0]) - toleranceM || p[0] > Math.max(a[0], b[0]) + toleranceM) return false;
  if (p[1] < Math.min(a[1], b[1]) - toleranceM || p[1] > Math.max(a[1], b[1]) + toleranceM) return false;
  return closestOnSegment(p, a, b).distanceM <= toleranceM;
}

/** Pairs of segments whose boxes come close, each once, found through a grid: i, j, i, j, ... */
function neighbouringPairs(segments: readonly FaceSegment[], toleranceM: number): number[] {
  let total = 0;
  for (const { a, b } of segments) total += Math.hypot(a[0] - b[0], a[1] - b[1]);
  const size = Math.max(0.25, total / Math.max(1, segments.length));
  const cells = new Map<number, number[]>();
  const pairs: number[] = [];
  const pairedWith = new Int32Array(segments.length).fill(-1);
  for (let s = 0; s < segments.length; s++) {
    const { a, b } = segments[s];
    const i0 = Math.floor((Math.min(a[0], b[0]) - toleranceM) / size);
    const i1 = Math.floor((Math.max(a[0], b[0]) + toleranceM) / size);
    const j0 = Math.floor((Math.min(a[1], b[1]) - toleranceM) / size);
    const j1 = Math.floor((Math.max(a[1], b[1]) + toleranceM) / size);
    const large = (i1 - i0 + 1) * (j1 - j0 + 1) > 6;
    for (let i = i0; i <= i1; i++) {
      for (let j = j0; j <= j1; j++) {
        // A long slanting segment covers a large box; only the cells near its line count.
        if (large && closestOnSegment([(i + 0.5) * size, (j + 0.5) * size], a, b).distanceM > size * 0.75 + toleranceM) continue;
        const key = cellKey(i, j);
        const list = cells.get(key);
        if (!list) {
          cells.set(key, [s]);
          continue;
        }
        for (const other of list) {
          if (other === s || pairedWith[other] === s) continue;
          pairedWith[other] = s;
          pairs.push(other, s);
        }
        list.push(s);
      }
    }
  }
  return pairs;
}

interface Trace {
  /** Vertices in order, and the edge from each to the next; the face lies on the left. */
  readonly loop: readonly number[];
  readonly edges: readonly number[];
  readonly component: number;
}

/** Every way round: counter-clockwise loops are faces, clockwise ones run around a connected part. */
function trace(graph: Graph): Trace[] {
  graph.sortAround();
  const { neighbours, edgesAt, segmentsOf } = graph;
  const component = componentsOf(neighbours);
  // An edge is gone along once in each direction: bit 1 upwards in the numbers of its ends, bit 2 downwards.
  const done = new Uint8Array(segmentsOf.length);
  const traces: Trace[] = [];
  neighbours.forEach((list, start) => {
    for (let k = 0; k < list.length; k++) {
      let [u, v, edge] = [start, list[k], edgesAt[start][k]];
      const loop: number[] = [];
      const edges: number[] = [];
      for (let bit = u < v ? 1 : 2; (done[edge] & bit) === 0; bit = u < v ? 1 : 2) {
        done[edge] |= bit;
        loop.push(u);
        edges.push(edge);
        const around = neighbours[v];
        const next = (around.indexOf(u) - 1 + around.length) % around.length;
        [u, v, edge] = [v, around[next], edgesAt[v][next]];
      }
      if (loop.length > 0) traces.push({ loop, edges, component: component[start] });
    }
  });
  return traces;
}

function componentsOf(neighbours: readonly (readonly number[])[]): number[] {
  const component = new Array<number>(neighbours.length).fill(-1);
  neighbours.forEach((_, start) => {
    if (component[start] >= 0) return;
    const stack = [start];
    component[start] = start;
    for (let v = stack.pop(); v !== undefined; v = stack.pop()) {
      for (const n of neighbours[v]) {
        if (component[n] >= 0) continue;
        component[n] = start;
        stack.push(n);
      }
    }
  });
  return component;
}

function bridgesOf(graph: Graph, traces: readonly Trace[]): [number, number][] {
  const side = new Int32Array(graph.segmentsOf.length).fill(-1);
  const bridges: [number, number][] = [];
  traces.forEach(({ loop, edges }, index) =>
    edges.forEach((edge, k) => {
      if (side[edge] === index) bridges.push([loop[k], loop[(k + 1) % loop.length]]);
      side[edge] = index;
    }),
  );
  return bridges;
}

/** A way round that touches itself at a corner, as ways that do not. */
function simpleLoops(loop: readonly number[]): (readonly number[])[] {
  if (new Set(loop).size === loop.length) return loop.length >= 3 ? [loop] : [];
  const loops: number[][] = [];
  const stack: number[] = [];
  const at = new Map<number, number>();
  for (const v of loop) {
    const before = at.get(v);
    if (before !== undefined) {
      const ring = stack.splice(before);
      ring.forEach((w) => at.delete(w));
      loops.push(ring);
    }
    at.set(v, stack.length);
    stack.push(v);
  }
  if (stack.length > 0) loops.push(stack);
  return loops.filter((ring) => ring.length >= 3);
}

/** A corner in the midst of a straight side says nothing. */
function withoutStraightCorners(ring: readonly Point2[]): Point2[] {
  const kept = ring.filter((p, i) => {
    const before = ring[(i - 1 + ring.length) % ring.length];
    const after = ring[(i + 1) % ring.length];
    return closestOnSegment(p, before, after).distanceM > 1e-6;
  });
  return kept.length >= 3 ? kept : [...ring];
}

const MAX_CORNERS = 400;

function nest(segments: readonly FaceSegment[], graph: Graph, traces: readonly Trace[], pieces: Int32Array): PlanarMap {
  const used = new Set<number>();
  /** Sides of a segment's pieces that have no face yet. */
  const bare = pieces.map((count) => 2 * count);
  const faces: { polygon: Point2[]; areaM2: number; box: Bounds; holes: Point2[][]; ids: Set<string>; component: number }[] = [];
  const parts = new Map<number, Point2[][]>();
  for (const { loop, edges, component } of traces) {
    const outer: Point2[][] = [];
    const inner: Point2[][] = [];
    let whole = 0;
    for (const vertices of simpleLoops(loop)) {
      const ring = vertices.map((v) => graph.vertices[v]);
      const areaM2 = polygonArea(ring);
      whole += areaM2;
      if (areaM2 > 1e-9) outer.push(ring);
      else if (areaM2 < -1e-9) inner.push(ring.reverse());
    }
    if (whole <= 0) {
      parts.set(component, [...(parts.get(component) ?? []), ...inner]);
      continue;
    }
    const ids = new Set<string>();
    const polygons = outer.map(withoutStraightCorners).filter((polygon) => polygon.length <= MAX_CORNERS);
    for (const edge of edges) {
      for (const s of graph.segmentsOf[edge]) {
        used.add(s);
        if (polygons.length === outer.length) bare[s]--;
        ids.add(segments[s].id);
      }
    }
    for (const polygon of polygons) {
      faces.push({ polygon, areaM2: polygonArea(polygon), box: boundsOf(polygon)!, holes: inner, ids, component });
    }
  }
  const outlines: Point2[][] = [];
  for (const [component, rings] of parts) {
    if (rings.length === 0) continue;
    const [p] = rings[0];
    const around = faces
      .filter((face) => face.component !== component && inBounds(face.box, p) && pointInPolygon(p, face.polygon, 0))
      .sort((a, b) => a.areaM2 - b.areaM2)[0];
    const plain = rings.map(withoutStraightCorners);
    if (around) around.holes = [...around.holes, ...plain];
    else outlines.push(...plain);
  }
  return {
    faces: faces.map(({ polygon, holes, ids }) => ({ polygon, holes, segmentIds: [...ids].sort() })),
    outlines,
    looseIds: segments.filter((_, s) => !used.has(s)).map(({ id }) => id),
    openIds: new Set(segments.filter((_, s) => bare[s] > 0).map(({ id }) => id)),
  };
}

/** Area of a face without its islands, m². */
export const faceArea = ({ polygon, holes }: Pick<Face, 'polygon' | 'holes'>): number =>
  polygonArea(polygon) - holes.reduce((sum, hole) => sum + Math.abs(polygonArea(hole)), 0);
