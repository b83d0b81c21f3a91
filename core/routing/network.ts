import { type Building, BUILDING } from '../house/index.ts';
import type { Outcome, Point2, Point3 } from '../math/index.ts';
import { sameItems, sameValue } from '../model/index.ts';
import { ArcList, type Between } from './arcs.ts';
import { entriesAt, type Entry } from './attach.ts';
import { type Column, columnsOf } from './columns.ts';
import { buildLayer, type Layer } from './layer.ts';
import { addPathways } from './pathway-links.ts';
import { type Space, spacesAbove, spacesBelow } from './spaces.ts';
import type { Channel, Mouth, Stub } from './stubs.ts';
import { NEW_FRAMING, type Weights, weightsOf } from './weights.ts';
import type { SharedLoads } from './share.ts';
import type { RouteTree } from './tree.ts';
import { once, Remembered, whole } from '../derive/index.ts';

/** All routes through a building as numbered places and routes between them. Walls join it where a device or rack needs them. */
export interface Network {
  readonly building: Building;
  readonly weights: Weights;
  readonly layers: readonly PlacedLayer[];
  /** Where each node is, m; `space` is its number in `spaces`, -1 in a riser or another pathway. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly z: Float64Array;
  readonly space: Int32Array;
  readonly spaces: readonly Space[];
  /** Arcs out of node n are those from `first[n]` to `first[n + 1]`, each way of two directions twice. */
  readonly first: Int32Array;
  readonly to: Int32Array;
  readonly axis: Uint8Array;
  /** The same route in the other direction, for each arc. */
  readonly back: Int32Array;
  /** What every cable costs, and what the first one through each hole costs, m. */
  readonly work: Float64Array;
  readonly holes: Float64Array;
  /** Number of what lies between, -1 for a straight piece; `turned` where it was written from the other end. */
  readonly detail: Int32Array;
  readonly turned: Uint8Array;
  readonly details: readonly Between[];
  /** Ends of pathways inside walls, and channels on the surface. */
  readonly stubs: readonly Stub[];
  readonly mouths: readonly Mouth[];
  readonly channels: readonly Channel[];
  /** Nodes of each riser and pathway, by its id. */
  readonly owners: ReadonlyMap<string, readonly number[]>;
  readonly parts: NetworkParts;
  /** Nodes by their places in millimetres, worked out when first asked for. */
  readonly nodeByPlace: () => ReadonlyMap<string, number>;
  /** Trees to ends that were asked for, by the routes that others go along. */
  readonly trees: Remembered<SharedLoads, Remembered<string, Outcome<RouteTree>>>;
}

export interface PlacedLayer {
  readonly layer: Layer;
  /** Number of its first node in the network. */
  readonly offset: number;
  readonly spaceOffset: number;
}

/** The network of a building. What the network before it has in common with it is taken over: a moved wall changes one level. */
export function networkOf(building: Building, weights: Weights = NEW_FRAMING, before: Network | null = null): Network {
  return buildNetwork(building, weights, before?.parts ?? NO_PARTS);
}

export const WEIGHTS_NODE = whole<Weights>({
  name: 'weights',
  tables: ['project'],
  make: ({ project }) => weightsOf(project.project),
  alike: sameValue,
});

/** The network of a project's house, at what routes cost in it. */
export const NETWORK = whole<Network>({
  name: 'network',
  nodes: [BUILDING, WEIGHTS_NODE],
  make: (read, last) => networkOf(read.get(BUILDING), read.get(WEIGHTS_NODE), last?.value),
});

interface Piece {
  readonly inputs: readonly unknown[];
  readonly above: Layer;
  readonly below: Layer | null;
}
interface Columns {
  readonly inputs: readonly unknown[];
  readonly columns: readonly Column[];
}
/** What a network was put together from. */
export interface NetworkParts {
  readonly pieces: readonly Piece[];
  readonly columns: readonly Columns[];
}
/** Trees are remembered for the routes that are shared now, for those before, and for none. */
const MAX_LOADS = 5;

/** A place in millimetres, as a key. */
export const placeKey = (x: number, y: number, z: number): string =>
  `${Math.round(x * 1000)},${Math.round(y * 1000)},${Math.round(z * 1000)}`;

const NO_PARTS: NetworkParts = { pieces: [], columns: [] };

function pieceOf(building: Building, weights: Weights, levelIndex: number, pieces: readonly Piece[]): Piece {
  const level = building.levels[levelIndex];
  const inputs = [
    weights,
    levelIndex,
    level,
    building.framing,
    ...(building.roomsByLevel[level.id] ?? []),
    null,
    ...(building.wallsByLevel[level.id] ?? []),
    null,
    ...(building.featuresByLevel[level.id] ?? []),
  ];
  const known = pieces.find((piece) => sameItems(piece.inputs, inputs));
  if (known) return known;
  const lower = spacesBelow(building, levelIndex);
  return {
    inputs,
    above: buildLayer(building, weights, levelIndex, false, spacesAbove(building, levelIndex)),
    below: lower.length > 0 ? buildLayer(building, weights, levelIndex, true, lower) : null,
  };
}

function columnsBetween(building: Building, weights: Weights, above: Layer, below: Layer, columns: readonly Columns[]): Columns {
  const level = building.levels[above.levelIndex];
  const walls = building.wallsByLevel[level.id] ?? [];
  const features = building.featuresByLevel[level.id] ?? [];
  const inputs = [above, below, ...features, ...walls.map((wall) => building.openingsByWall[wall.id])].flat();
  const known = columns.find((one) => sameItems(one.inputs, inputs));
  return known ?? { inputs, columns: columnsOf(building, weights, above, below) };
}

function buildNetwork(building: Building, weights: Weights, before: NetworkParts): Network {
  const own = building.levels.map((_, levelIndex) => pieceOf(building, weights, levelIndex, before.pieces));
  const between: Columns[] = [];
  const layers: PlacedLayer[] = [];
  const spaces: Space[] = [];
  let offset = 0;
  const place = (layer: Layer): void => {
    layers.push({ layer, offset, spaceOffset: spaces.length });
    spaces.push(...layer.spaces);
    offset += layer.x.length;
  };
  for (const { above, below } of own) {
    if (below) place(below);
    place(above);
  }
  const placed = (layer: Layer): PlacedLayer => layers.find((one) => one.layer === layer)!;
  const made = new ArcList();
  const nodes: { at: Point3 }[] = [];
  const owners = new Map<string, number[]>();
  const stubs: Stub[] = [];
  const mouths: Mouth[] = [];
  const channels: Channel[] = [];
  const lattice = offset;
  own.forEach(({ above, below }, levelIndex) => {
    const under = below ?? own[levelIndex - 1]?.above;
    if (!under) return;
    const [upper, lower] = [placed(above).offset, placed(under).offset];
    const found = columnsBetween(building, weights, above, under, before.columns);
    between.push(found);
    for (const column of found.columns)
      made.add(upper + column.above, lower + column.below, 2, column.work, column.holes, column.between);
  });
  const attach = (levelIndex: number, p: Point2, z: number, medium: 'riser' | 'chase' | 'conduit' | 'wall', same = false) =>
    layersAt(layers, levelIndex).flatMap(({ layer, offset: first }) =>
      entriesAt(building, weights, layer, p, z, medium, same).map((entry): Entry => ({ ...entry, node: first + entry.node })),
    );
  addPathways(building, weights, {
    attach,
    stub: (stub) => stubs.push(stub),
    mouth: (mouth) => mouths.push(mouth),
    channel: (channel) => channels.push(channel),
    node: (at, ownerId) => {
      const number = lattice + nodes.push({ at }) - 1;
      owners.set(ownerId, [...(owners.get(ownerId) ?? []), number]);
      return number;
    },
    arcs: made,
  });
  return assembled(
    building,
    weights,
    layers,
    spaces,
    nodes.map(({ at }) => at),
    made,
    { owners, stubs, mouths, channels, parts: { pieces: own, columns: between } },
  );
}

/** The layers of a level: above its ceilings first, then under its floor. */
export const layersAt = (layers: readonly PlacedLayer[], levelIndex: number): PlacedLayer[] =>
  layers.filter(({ layer }) => layer.levelIndex === levelIndex && !layer.below);

function assembled(
  building: Building,
  weights: Weights,
  layers: readonly PlacedLayer[],
  spaces: readonly Space[],
  more: readonly Point3[],
  made: ArcList,
  rest: Pick<Network, 'owners' | 'stubs' | 'mouths' | 'channels' | 'parts'>,
): Network {
  const lattice = layers.reduce((sum, { layer }) => sum + layer.x.length, 0);
  const count = lattice + more.length;
  const x = new Float64Array(count);
  const y = new Float64Array(count);
  const z = new Float64Array(count);
  const space = new Int32Array(count).fill(-1);
  for (const { layer, offset, spaceOffset } of layers) {
    x.set(layer.x, offset);
    y.set(layer.y, offset);
    for (let n = 0; n < layer.x.length; n++) {
      space[offset + n] = spaceOffset + layer.space[n];
      z[offset + n] = layer.spaces[layer.space[n]].z;
    }
  }
  more.forEach((at, n) => ([x[lattice + n], y[lattice + n], z[lattice + n]] = at));

  const lists = [...layers.map(({ layer, offset }) => ({ arcs: layer.arcs, offset })), { arcs: made, offset: 0 }];
  const first = new Int32Array(count + 1);
  for (const { arcs, offset } of lists) {
    const [from, into] = [arcs.from.view(), arcs.to.view()];
    for (let k = 0; k < from.length; k++) {
      first[offset + from[k] + 1]++;
      first[offset + into[k] + 1]++;
    }
  }
  for (let n = 0; n < count; n++) first[n + 1] += first[n];
  const total = first[count];
  const next = first.slice(0, count);
  const to = new Int32Array(total);
  const axis = new Uint8Array(total);
  const work = new Float64Array(total);
  const holes = new Float64Array(total);
  const detail = new Int32Array(total);
  const turned = new Uint8Array(total);
  const details: Between[] = [];
  const back = new Int32Array(total);
  for (const { arcs, offset } of lists) {
    const base = details.length;
    for (const between of arcs.details) details.push(between);
    // Plain arrays in the loop that a moved wall waits for.
    const [from, into, axes] = [arcs.from.view(), arcs.to.view(), arcs.axis.view()];
    const [works, bores, between] = [arcs.work.view(), arcs.holes.view(), arcs.detail.view()];
    for (let k = 0; k < from.length; k++) {
      const a = offset + from[k];
      const b = offset + into[k];
      const there = next[a]++;
      const again = next[b]++;
      back[there] = again;
      back[again] = there;
      to[there] = b;
      to[again] = a;
      axis[there] = axis[again] = axes[k];
      work[there] = work[again] = works[k];
      holes[there] = holes[again] = bores[k];
      detail[there] = detail[again] = between[k] < 0 ? -1 : base + between[k];
      turned[again] = 1;
    }
  }
  return {
    building,
    weights,
    layers,
    x,
    y,
    z,
    space,
    spaces,
    first,
    to,
    axis,
    back,
    work,
    holes,
    detail,
    turned,
    details,
    ...rest,
    nodeByPlace: once(() => new Map(Array.from(x, (_, node): [string, number] => [placeKey(x[node], y[node], z[node]), node]))),
    trees: new Remembered(MAX_LOADS),
  };
}
