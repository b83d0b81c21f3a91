import {
  type Attachment,
  ceilingHeightAt,
  nearestWall,
  openingsOf,
  roomAt,
  wallLength,
  type WallPlace,
  wallPoint,
  wallTopM,
} from '../house/index.ts';
import { distance3, err, ok, type Outcome, type Point2, type Point3 } from '../math/index.ts';
import type { Medium, RackEntry } from '../model/index.ts';
import { entriesAt, type Entry } from './attach.ts';
import { BESIDE_OPENING_M } from './columns.ts';
import { studsCrossed } from './holes.ts';
import type { Network, PlacedLayer } from './network.ts';
import { cavityZ } from './spaces.ts';
import { entriesToChannels, entriesToMouths, entriesToStubs } from './stubs.ts';

/** How far a wall device may be from the wall's centre line, and a rack from the wall behind it, m. */
const WALL_DEVICE_REACH_M = 0.35;
const RACK_REACH_M = 1;

/** Where a cable begins: a device, or the rack's entry. Heights are above finished floor, m; null is at the ceiling. */
export interface EndPlace {
  /** Whether a device on a wall is outdoors: its cable comes out through the outer skin. */
  readonly isOutdoors?: boolean;
  readonly levelId: string;
  readonly x: number;
  readonly y: number;
  readonly heightM: number | null;
  readonly mount: Attachment | 'rack';
  /** From where cables come to a head end; left out, from the wall behind it. */
  readonly entry?: HeadEndEntry;
}

/** How cables come to a head end, with its depth from back to front, m. */
export interface HeadEndEntry {
  readonly from: RackEntry;
  readonly depthM: number;
}

/**
 * The entries from an end into the network.
 * Problems: `level-missing`, `outside-rooms`, `no-cavity`, `not-on-wall`, `in-opening`, `wall-closed`, `slab-below`, `no-way-in`.
 */
export function entriesFrom(network: Network, end: EndPlace): Outcome<Entry[]> {
  const levelIndex = network.building.levels.findIndex((level) => level.id === end.levelId);
  if (levelIndex < 0) return err('level-missing', { kind: 'invalid', field: 'levelId' });
  if (end.mount === 'ceiling') return orIntoChannel(network, levelIndex, end, fromCeiling(network, levelIndex, end));
  if (end.mount === 'floor') return orIntoChannel(network, levelIndex, end, fromFloor(network, levelIndex, end));
  if (end.mount === 'rack' && end.entry)
    return end.entry.from === 'wall'
      ? beyond(fromWall(network, levelIndex, end), backOfRack(network, end, end.entry.depthM), 'surface')
      : toStandingRack(network, levelIndex, end, end.entry.from);
  if (end.mount !== 'free') return fromWall(network, levelIndex, end);
  // What stands free takes its lead from the wall behind it, else from below.
  const wall = fromWall(network, levelIndex, end);
  if (wall.ok) return wall;
  const floor = fromFloor(network, levelIndex, end);
  return floor.ok ? floor : wall;
}

/** What stands beside a channel on the surface, or at the end of a duct, may be led into it too. */
function orIntoChannel(network: Network, levelIndex: number, end: EndPlace, found: Outcome<Entry[]>): Outcome<Entry[]> {
  if (network.channels.length + network.mouths.length === 0) return found;
  const level = network.building.levels[levelIndex];
  const room = roomAt(network.building, level.id, [end.x, end.y]);
  const heightM = end.mount === 'floor' ? 0 : room ? ceilingHeightAt(room, level, [end.x, end.y]) : level.ceilingHeightM;
  const at: Point3 = [end.x, end.y, level.elevationM + heightM];
  const { weights, channels, mouths } = network;
  const entries = [...entriesToChannels(weights, channels, level.id, at), ...entriesToMouths(weights, mouths, level.id, at)];
  return entries.length > 0 ? ok([...(found.ok ? found.value : []), ...entries]) : found;
}

/** The layer above the ceilings of a level, and the one under its floor: its own crawl space or basement, else the level below. */
const layerAbove = ({ layers }: Network, levelIndex: number) =>
  layers.find(({ layer }) => layer.levelIndex === levelIndex && !layer.below);
const layerUnder = (network: Network, levelIndex: number) =>
  network.layers.find(({ layer }) => layer.levelIndex === levelIndex && layer.below) ?? layerAbove(network, levelIndex - 1);

function entriesIn(
  { building, weights }: Network,
  placed: PlacedLayer | undefined,
  p: Point2,
  z: number,
  medium: Medium,
  same = false,
): Entry[] {
  if (!placed) return [];
  const { layer, offset } = placed;
  return entriesAt(building, weights, layer, p, z, medium, same).map((entry) => ({ ...entry, node: entry.node + offset }));
}

function fromCeiling(network: Network, levelIndex: number, end: EndPlace): Outcome<Entry[]> {
  const { building } = network;
  const level = building.levels[levelIndex];
  const room = roomAt(building, level.id, [end.x, end.y]);
  if (!room) return err('outside-rooms', { kind: 'infeasible', field: 'position' });
  const z = cavityZ(building, room);
  if (z === null) return err('no-cavity', { kind: 'infeasible', field: 'room', room: room.name });
  const start: Point3 = [
    end.x,
    end.y,
    level.elevationM + Math.min(ceilingHeightAt(room, level, [end.x, end.y]), z - level.elevationM),
  ];
  return entered(entriesIn(network, layerAbove(network, levelIndex), [end.x, end.y], z, 'cavity', true), start, 'ceiling', 0);
}

function fromFloor(network: Network, levelIndex: number, end: EndPlace): Outcome<Entry[]> {
  const { building, weights } = network;
  const under = layerUnder(network, levelIndex);
  const p: Point2 = [end.x, end.y];
  const start: Point3 = [end.x, end.y, building.levels[levelIndex].elevationM];
  const entries = under ? downInto(network, under, p) : [];
  if (entries.length === 0) return err('slab-below', { kind: 'infeasible', field: 'position' });
  return entered(entries, start, 'floor', weights.floorBoredM);
}

/** The entries from a place in a layer's own space to its nodes. */
function downInto(network: Network, placed: PlacedLayer, p: Point2): Entry[] {
  const { layer } = placed;
  const heights = [...new Set(layer.spaces.map(({ z }) => z))];
  return heights.flatMap((z) => entriesIn(network, placed, p, z, 'cavity', true));
}

/**
 * The entries of a head end that stands free: up through the floor, down from the ceiling, or along the floor in a sleeve from the nearest
 * wall in which cables come down. What lies between there and its entry is counted.
 */
function toStandingRack(network: Network, levelIndex: number, end: EndPlace, from: Exclude<RackEntry, 'wall'>): Outcome<Entry[]> {
  const level = network.building.levels[levelIndex];
  const entry: Point3 = [end.x, end.y, level.elevationM + (end.heightM ?? 0)];
  if (from === 'floor') return beyond(fromFloor(network, levelIndex, end), [entry], 'surface');
  if (from === 'ceiling') return beyond(fromCeiling(network, levelIndex, end), [entry], 'surface');
  const wall = nearestWall(network.building, level.id, [end.x, end.y], SLEEVE_REACH_M, ({ cableMayRun }) => cableMayRun);
  if (!wall) return err('no-wall-for-sleeve', { kind: 'infeasible', field: 'position', reachM: SLEEVE_REACH_M });
  const foot = { ...end, x: wall.point[0], y: wall.point[1], heightM: SLEEVE_HEIGHT_M };
  const under: Point3 = [end.x, end.y, level.elevationM + SLEEVE_HEIGHT_M];
  return beyond(fromWall(network, levelIndex, foot), [entry, under], 'conduit');
}

/** A rack nearer to its wall than this stands against it, m. */
const AGAINST_M = 0.1;

/** The back of a rack that stands before its wall, from where the cable crosses to it; nothing where it stands against it. */
function backOfRack({ building }: Network, end: EndPlace, depthM: number): Point3[] {
  const wall = nearestWall(building, end.levelId, [end.x, end.y], RACK_REACH_M, ({ cableMayRun }) => cableMayRun);
  if (!wall) return [];
  const gapM = wall.distanceM - wall.wall.thicknessM / 2 - depthM / 2;
  if (gapM < AGAINST_M) return [];
  const share = (gapM + wall.wall.thicknessM / 2) / wall.distanceM;
  const [x, y] = wall.point;
  return [[x + (end.x - x) * share, y + (end.y - y) * share, building.levelById[end.levelId].elevationM + (end.heightM ?? 0.1)]];
}

/** How long a sleeve along the floor may be, and at which height cables leave the wall for it, m. */
const SLEEVE_REACH_M = 6;
const SLEEVE_HEIGHT_M = 0.1;

/** The same entries with what lies between a head end and where they begin. */
function beyond(found: Outcome<Entry[]>, before: readonly Point3[], medium: Medium): Outcome<Entry[]> {
  if (!found.ok) return found;
  return ok(
    found.value.map((entry) => {
      const points = [...before, ...entry.points];
      const extraM = before.reduce((sum, point, n) => sum + distance3(point, points[n + 1]), 0);
      return { ...entry, points, media: [...before.map(() => medium), ...entry.media], work: entry.work + extraM };
    }),
  );
}

/** Puts the passage through the ceiling or floor before each route. */
function entered(found: readonly Entry[], start: Point3, medium: Medium, holes: number): Outcome<Entry[]> {
  if (found.length === 0) return err('no-way-in', { kind: 'infeasible', field: 'position' });
  return ok(
    found.map((entry) => ({
      ...entry,
      points: [start, ...entry.points],
      media: [medium, ...entry.media],
      work: entry.work + Math.abs(entry.points[0][2] - start[2]),
      holes: entry.holes + holes,
    })),
  );
}

function fromWall(network: Network, levelIndex: number, end: EndPlace): Outcome<Entry[]> {
  const { building, weights } = network;
  const level = building.levels[levelIndex];
  const reach = end.mount === 'wall' ? WALL_DEVICE_REACH_M : RACK_REACH_M;
  const p: Point2 = [end.x, end.y];
  const place = nearestWall(building, level.id, p, reach, (wall) => wall.cableMayRun);
  const at: Point3 = [p[0], p[1], level.elevationM + (end.heightM ?? 0.1)];
  const channelled = [
    ...entriesToChannels(weights, network.channels, level.id, at),
    ...entriesToMouths(weights, network.mouths, level.id, at),
  ];
  if (!place) {
    if (channelled.length > 0) return ok(channelled);
    const closed = nearestWall(building, level.id, p, reach);
    if (closed) return err('wall-closed', { kind: 'infeasible', field: 'position', wallKind: closed.wall.kind });
    return err(end.mount === 'rack' ? 'rack-not-at-wall' : 'not-on-wall', {
      kind: 'infeasible',
      field: 'position',
      reachM: reach,
    });
  }
  const heightM = end.mount === 'free' ? Math.max(0.1, end.heightM ?? 0) : (end.heightM ?? level.ceilingHeightM);
  const z = level.elevationM + heightM;
  const openings = openingsOf(building, place.wall);
  const inside = openings.some(
    (o) => Math.abs(place.offsetM - o.offsetM) < o.widthM / 2 && heightM > o.sillM && heightM < o.headM,
  );
  if (inside) return err('in-opening', { kind: 'infeasible', field: 'position' });
  const up = clearColumns(network, place, heightM, 'up');
  const down = clearColumns(network, place, heightM, 'down');
  if (up.length + down.length === 0) return err('in-opening', { kind: 'infeasible', field: 'position' });
  const top = level.elevationM + wallTopM(building, place.wall);
  const from = (columns: readonly number[], placed: PlacedLayer | undefined) =>
    columns.flatMap((offsetM) => {
      const asideM = Math.abs(offsetM - place.offsetM);
      const aside: Point3[] = asideM > 1e-6 ? [[place.point[0], place.point[1], z]] : [];
      const studs = asideM > 1e-6 ? studsCrossed(building, place.wall, place.offsetM, offsetM).length : 0;
      return entriesIn(network, placed, wallPoint(place.wall, offsetM), z, 'wall').map((entry): Entry => {
        const reached = entry.points[entry.points.length - 1][2];
        const plates =
          Number(reached > top - 1e-6 && z < top) * weights.plateBoredM +
          Number(reached < level.elevationM + 1e-6) * weights.floorBoredM;
        return {
          ...entry,
          points: [...aside, ...entry.points],
          media: [...aside.map((): Medium => 'wall'), ...entry.media],
          work: entry.work + asideM + (asideM > 1e-6 ? weights.turnM : 0),
          holes: entry.holes + studs * weights.studBoredM + plates,
        };
      });
    });
  const found = [
    ...from(up, layerAbove(network, levelIndex)),
    ...from(down, layerUnder(network, levelIndex)),
    ...entriesToStubs(building, weights, network.stubs, place, z),
    ...channelled,
  ];
  return found.length > 0 ? ok(found) : err('no-way-in', { kind: 'infeasible', field: 'position' });
}

/** Offsets along the wall at which a cable can climb from `heightM` to the head, or fall to the sole, without meeting an opening. */
function clearColumns(network: Network, place: WallPlace, heightM: number, direction: 'up' | 'down'): number[] {
  const openings = openingsOf(network.building, place.wall);
  const isBeyond = (o: (typeof openings)[number]) => (direction === 'up' ? o.headM > heightM : o.sillM < heightM);
  const blocks = (offsetM: number) => openings.find((o) => Math.abs(offsetM - o.offsetM) < o.widthM / 2 && isBeyond(o));
  if (!blocks(place.offsetM)) return [place.offsetM];
  const lengthM = wallLength(place.wall);
  const columns: number[] = [];
  for (const side of [-1, 1]) {
    let offsetM = place.offsetM;
    for (let o = blocks(offsetM); o; o = blocks(offsetM)) {
      // What reaches this height cannot be passed at it.
      if (o.sillM < heightM && o.headM > heightM) {
        offsetM = NaN;
        break;
      }
      offsetM = o.offsetM + side * (o.widthM / 2 + BESIDE_OPENING_M);
    }
    if (offsetM >= 0 && offsetM <= lengthM) columns.push(offsetM);
  }
  return columns;
}
