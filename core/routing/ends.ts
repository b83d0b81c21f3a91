import {
  type Attachment,
  ceilingHeightOf,
  nearestWall,
  openingsOf,
  roomAt,
  wallLength,
  wallPoint,
  type WallPlace,
} from '../building/index.ts';
import type { Point2, Point3 } from '../geometry/index.ts';
import { fine, refuse, type Outcome } from '../outcome/index.ts';
import type { Medium } from '../project/index.ts';
import { STUD_BORED_M } from './costs.ts';
import { jogs, type Jog } from './jogs.ts';
import { cavityZ, type Network } from './network.ts';

/** How far a wall device may be from the wall's centre line, and a rack from the wall behind it, m. */
const WALL_DEVICE_REACH_M = 0.35;
const RACK_REACH_M = 1;
/** Room for the trimmer studs beside an opening, m. */
const BESIDE_OPENING_M = 0.1;

/** Where a cable begins: a device, or the rack's entry. Heights are above finished floor, m; null is at the ceiling. */
export interface EndPlace {
  readonly levelId: string;
  readonly x: number;
  readonly y: number;
  readonly heightM: number | null;
  readonly mount: Attachment | 'rack';
}

/**
 * The ways from an end into the network.
 * Problems: `level-missing`, `outside-rooms`, `no-cavity`, `not-on-wall`, `in-opening`, `wall-closed`, `slab-below`, `no-way-in`.
 */
export function waysIn(network: Network, end: EndPlace): Outcome<Jog[]> {
  const levelIndex = network.building.levels.findIndex((level) => level.id === end.levelId);
  if (levelIndex < 0) return refuse('level-missing', { kind: 'invalid', field: 'levelId' });
  if (end.mount === 'ceiling') return fromCeiling(network, levelIndex, end);
  if (end.mount === 'floor') return fromFloor(network, levelIndex, end);
  if (end.mount !== 'free') return fromWall(network, levelIndex, end);
  // What stands free takes its lead from the wall behind it, else from below.
  const wall = fromWall(network, levelIndex, end);
  if (wall.ok) return wall;
  const floor = fromFloor(network, levelIndex, end);
  return floor.ok ? floor : wall;
}

function fromCeiling(network: Network, levelIndex: number, end: EndPlace): Outcome<Jog[]> {
  const { building } = network;
  const level = building.levels[levelIndex];
  const room = roomAt(building, level.id, [end.x, end.y]);
  if (!room) return refuse('outside-rooms', { kind: 'infeasible', field: 'position' });
  const z = cavityZ(building, room);
  if (z === null) return refuse('no-cavity', { kind: 'infeasible', field: 'room', room: room.name });
  const start: Point3 = [end.x, end.y, level.elevationM + ceilingHeightOf(room, level)];
  return entered(jogs(network, levelIndex, [end.x, end.y], z, 'cavity', true), start, 'ceiling');
}

function fromFloor(network: Network, levelIndex: number, end: EndPlace): Outcome<Jog[]> {
  const { building } = network;
  const below = building.levels[levelIndex - 1];
  const room = below && roomAt(building, below.id, [end.x, end.y]);
  const z = room ? cavityZ(building, room) : null;
  if (!room || z === null) return refuse('slab-below', { kind: 'infeasible', field: 'position' });
  const start: Point3 = [end.x, end.y, building.levels[levelIndex].elevationM];
  return entered(jogs(network, levelIndex - 1, [end.x, end.y], z, 'cavity', true), start, 'floor');
}

/** Puts the passage through the ceiling or floor before each way. */
function entered(found: readonly Jog[], start: Point3, medium: Medium): Outcome<Jog[]> {
  if (found.length === 0) return refuse('no-way-in', { kind: 'infeasible', field: 'position' });
  return fine(
    found.map((jog) => ({
      ...jog,
      points: [start, ...jog.points],
      media: [medium, ...jog.media],
      cost: jog.cost + Math.abs(jog.points[0][2] - start[2]),
    })),
  );
}

function fromWall(network: Network, levelIndex: number, end: EndPlace): Outcome<Jog[]> {
  const { building } = network;
  const level = building.levels[levelIndex];
  const reach = end.mount === 'wall' ? WALL_DEVICE_REACH_M : RACK_REACH_M;
  const p: Point2 = [end.x, end.y];
  const place = nearestWall(building, level.id, p, reach, (wall) => wall.cableMayRun);
  if (!place) {
    const closed = nearestWall(building, level.id, p, reach);
    if (closed) return refuse('wall-closed', { kind: 'infeasible', field: 'position', wallKind: closed.wall.kind });
    return refuse(end.mount === 'rack' ? 'rack-not-at-wall' : 'not-on-wall', {
      kind: 'infeasible',
      field: 'position',
      reachM: reach,
    });
  }
  const heightM = end.mount === 'free' ? Math.max(0.1, end.heightM ?? 0) : (end.heightM ?? level.ceilingHeightM);
  const z = level.elevationM + heightM;
  const columns = clearColumns(network, place, heightM);
  if (columns.length === 0) return refuse('in-opening', { kind: 'infeasible', field: 'position' });
  const found = columns.flatMap((offsetM) => {
    const column = wallPoint(place.wall, offsetM);
    const asideM = Math.abs(offsetM - place.offsetM);
    const aside: Point3[] = asideM > 1e-6 ? [[place.point[0], place.point[1], z]] : [];
    return jogs(network, levelIndex, column, z, 'wall').map((jog) => ({
      ...jog,
      points: [...aside, ...jog.points],
      media: [...aside.map((): Medium => 'wall'), ...jog.media],
      cost: jog.cost + asideM * (1 + STUD_BORED_M / 0.4),
    }));
  });
  return found.length > 0 ? fine(found) : refuse('no-way-in', { kind: 'infeasible', field: 'position' });
}

/** Offsets along the wall at which a cable can climb from `heightM` to the head without meeting an opening. */
function clearColumns(network: Network, place: WallPlace, heightM: number): number[] {
  const openings = openingsOf(network.building, place.wall);
  const blocks = (offsetM: number) => openings.find((o) => Math.abs(offsetM - o.offsetM) < o.widthM / 2 && o.headM > heightM);
  const inside = openings.some(
    (o) => Math.abs(place.offsetM - o.offsetM) < o.widthM / 2 && heightM > o.sillM && heightM < o.headM,
  );
  if (inside) return [];
  if (!blocks(place.offsetM)) return [place.offsetM];
  const lengthM = wallLength(place.wall);
  const columns: number[] = [];
  for (const direction of [-1, 1]) {
    let offsetM = place.offsetM;
    for (let o = blocks(offsetM); o; o = blocks(offsetM)) {
      // A door cannot be passed at this height, only a window that begins above it.
      if (o.sillM < heightM) {
        offsetM = NaN;
        break;
      }
      offsetM = o.offsetM + direction * (o.widthM / 2 + BESIDE_OPENING_M);
    }
    if (offsetM >= 0 && offsetM <= lengthM) columns.push(offsetM);
  }
  return columns;
}
