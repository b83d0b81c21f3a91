import { type Building, buildingOf, nearestWall, openingsOf, roomAt, wallLength, wallPoint } from '../house/index.ts';
import {
  alongRing,
  closestOnSegment,
  distance2,
  err,
  ok,
  type Outcome,
  placeOnRing,
  type Point2,
  polygonArea,
  ringLength,
} from '../math/index.ts';
import type { ProjectDocument, Room, Run, Wall } from '../model/index.ts';

/** A run in channels along the skirtings of rooms, m. */
export interface SurfaceRoute {
  readonly legs: readonly SurfaceLeg[];
  /** Channel along skirtings, and up to the device and the rack. */
  readonly channelM: number;
  readonly uprightM: number;
  /** Lengths of 2 m, each with its cover, that the channel is cut from. */
  readonly lengths: number;
  /** All of it is seen but what lies in the rack's own room. */
  readonly visibleM: number;
  readonly insideCorners: number;
  readonly outsideCorners: number;
  /** Turns in the plane of a wall, round doors. */
  readonly flatCorners: number;
  readonly wallsPierced: number;
  readonly floorsPierced: number;
}

/** The part of it in one room. */
export interface SurfaceLeg {
  readonly roomId: string;
  readonly points: readonly Point2[];
  readonly lengthM: number;
  readonly doors: number;
}

const SKIRTING_M = 0.1;
/** A hole through a partition beside its corner, so that channel and door are clear of it, m. */
const FROM_END_M = 0.15;
/** A channel over a door runs this far over its head, m. */
const OVER_HEAD_M = 0.1;
/** As channel is sold, m. */
const LENGTH_M = 2;
/** What a hole weighs beside a metre of channel: through a partition, and through a floor that is closed again against fire. */
const WALL_WEIGHS_M = 2;
const FLOOR_WEIGHS_M = 4;
/** A channel through a doorway lies this far inside its frame, m. */
const IN_FRAME_M = 0.03;
/** A hole in the corner of a room comes up at a wall of the room above within this, m. */
const AT_WALL_M = 0.25;
/** Up, across twice, and down: turns in the plane of the wall at each door. */
const TURNS_A_DOOR = 4;

interface Place {
  readonly roomId: string;
  /** Along the outline of the room, m. */
  readonly at: number;
}
/** A hole through a partition, or through the floor in the corner of two rooms one over the other. */
interface Crossing {
  readonly sides: readonly [Place, Place];
  /** Channel between the two sides: up the corner of the lower room, m. */
  readonly riseM: number;
  readonly weighsM: number;
}

/**
 * The shortest route in channels along skirtings from the device to the rack, through a hole in each partition on the way, and over the
 * heads of doors. To another level it goes up the corner of a room and through the floor. Where nothing may be cut it passes from
 * room to room beside the frames of doorways instead, on one level, and over no door. Lengths in metres.
 * Problems: `outside-rooms`, `surface-no-way`.
 */
export function surfaceRoute(project: ProjectDocument, run: Run, through: 'holes' | 'doorways' = 'holes'): Outcome<SurfaceRoute> {
  const building = buildingOf(project);
  const device = project.devices[run.deviceId];
  const far = run.toDeviceId === null ? project.racks[run.rackId] : project.devices[run.toDeviceId];
  const [start, end] = [
    placeIn(building, device.levelId, [device.x, device.y], device.roomId),
    placeIn(building, far.levelId, [far.x, far.y], null),
  ];
  if (!start || !end) return err('outside-rooms', { kind: 'infeasible', field: 'position' });
  const crossings =
    through === 'holes' ? crossingsBetween(building, device.levelId, far.levelId) : doorwaysOn(building, device.levelId);
  const found = shortest(project, building, start, end, crossings, through === 'holes');
  if (!found) return err('surface-no-way', { kind: 'infeasible', field: 'position' });
  const { legs: path, passed } = found;
  const legs = path.map(({ from, to }): SurfaceLeg => {
    return { roomId: from.roomId, ...along(project, building, from, to) };
  });
  const deviceM = device.heightM ?? building.levelById[device.levelId].ceilingHeightM;
  const farM = 'entryHeightM' in far ? far.entryHeightM : (far.heightM ?? building.levelById[far.levelId].ceilingHeightM);
  const riseM = passed.reduce((sum, crossing) => sum + crossing.riseM, 0);
  const floorsPierced = passed.filter((crossing) => crossing.riseM > 0).length;
  const uprightM = Math.abs(deviceM - SKIRTING_M) + Math.abs(farM - SKIRTING_M) + riseM;
  const turns = legs.flatMap(({ points, roomId }) => cornersOf(project.rooms[roomId], points));
  const channelM = legs.reduce((sum, { lengthM }) => sum + lengthM, 0);
  const inRackRoom = legs
    .filter(({ roomId }) => roomId === end.roomId && roomId !== start.roomId)
    .reduce((sum, l) => sum + l.lengthM, 0);
  return ok({
    legs,
    channelM,
    uprightM,
    lengths: Math.ceil((channelM + uprightM) / LENGTH_M - 1e-9),
    visibleM: channelM - inRackRoom + Math.abs(deviceM - SKIRTING_M) + riseM,
    // Up to the device and to the rack are two corners more.
    insideCorners: turns.filter((turn) => turn > 0).length + 2 + 2 * floorsPierced,
    outsideCorners: turns.filter((turn) => turn < 0).length,
    flatCorners: TURNS_A_DOOR * legs.reduce((sum, { doors }) => sum + doors, 0),
    wallsPierced: through === 'holes' ? passed.length - floorsPierced : 0,
    floorsPierced,
  });
}

function placeIn(building: Building, levelId: string, p: Point2, roomId: string | null): Place | null {
  const rooms = building.roomsByLevel[levelId] ?? [];
  // A rack or a box at a wall may stand on its centre line: the room beside it counts.
  const room = rooms.find(({ id }) => id === roomId) ?? roomAt(building, levelId, p) ?? roomBeside(building, levelId, p);
  return room ? { roomId: room.id, at: placeOnRing(room.polygon as Point2[], p) } : null;
}

function roomBeside(building: Building, levelId: string, p: Point2): Room | undefined {
  const place = nearestWall(building, levelId, p, 1);
  if (!place) return undefined;
  const [nx, ny] = [-(place.wall.b[1] - place.wall.a[1]), place.wall.b[0] - place.wall.a[0]];
  const length = Math.hypot(nx, ny);
  const aside = place.wall.thicknessM / 2 + 0.05;
  return [1, -1]
    .map((side) =>
      roomAt(building, levelId, [place.point[0] + (side * nx * aside) / length, place.point[1] + (side * ny * aside) / length]),
    )
    .find((room) => room !== undefined);
}

/** Every hole that a channel may take on the levels from one to the other. */
function crossingsBetween(building: Building, fromId: string, toId: string): Crossing[] {
  const order = building.levels.map(({ id }) => id);
  const [low, high] = [order.indexOf(fromId), order.indexOf(toId)].sort((a, b) => a - b);
  const levels = building.levels.slice(low, high + 1);
  return [
    ...levels.flatMap(({ id }) => crossingsOn(building, id)),
    ...levels.slice(1).flatMap((upper, k) => floorsBetween(building, levels[k].id, upper.id)),
  ];
}

/** Both sides of the doorways of a level, just inside their frames. */
function doorwaysOn(building: Building, levelId: string): Crossing[] {
  return (building.wallsByLevel[levelId] ?? []).flatMap((wall) =>
    openingsOf(building, wall)
      .filter(({ sillM }) => sillM <= SKIRTING_M)
      .flatMap(({ offsetM, widthM }) =>
        [offsetM - widthM / 2 + IN_FRAME_M, offsetM + widthM / 2 - IN_FRAME_M].flatMap((at) => crossingAt(building, wall, at, 0)),
      ),
  );
}

/** The two rooms that share a wall at a place along it. */
function crossingAt(building: Building, wall: Wall, offsetM: number, weighsM: number): Crossing[] {
  const p = wallPoint(wall, offsetM);
  const beside = (building.roomsByLevel[wall.levelId] ?? []).filter(
    ({ polygon }) => placeDistance(polygon as Point2[], p) <= wall.thicknessM / 2 + 0.02,
  );
  if (beside.length < 2) return [];
  const [a, b] = beside.map(({ id, polygon }): Place => ({ roomId: id, at: placeOnRing(polygon as Point2[], p) }));
  return [{ sides: [a, b], riseM: 0, weighsM }];
}

/** Corners of rooms that lie in a corner or at a wall of a room above. */
function floorsBetween(building: Building, lowerId: string, upperId: string): Crossing[] {
  const riseM = building.levelById[upperId].elevationM - building.levelById[lowerId].elevationM;
  return (building.roomsByLevel[lowerId] ?? []).flatMap((below) =>
    (below.polygon as Point2[]).flatMap((p) =>
      (building.roomsByLevel[upperId] ?? []).flatMap((above): Crossing[] => {
        if (placeDistance(above.polygon as Point2[], p) > AT_WALL_M) return [];
        const sides = [below, above].map(({ id, polygon }): Place => ({ roomId: id, at: placeOnRing(polygon as Point2[], p) }));
        return [{ sides: [sides[0], sides[1]], riseM, weighsM: riseM + FLOOR_WEIGHS_M }];
      }),
    ),
  );
}

/** Places where two rooms share a wall: near both ends of it, clear of doors. */
function crossingsOn(building: Building, levelId: string): Crossing[] {
  return (building.wallsByLevel[levelId] ?? []).flatMap((wall) => {
    if (wall.kind === 'glazed' || wall.kind === 'fire') return [];
    const lengthM = wallLength(wall);
    const offsets = [wall.thicknessM / 2 + FROM_END_M, lengthM / 2, lengthM - wall.thicknessM / 2 - FROM_END_M];
    return offsets.flatMap((offsetM): Crossing[] => {
      if (offsetM <= 0 || offsetM >= lengthM) return [];
      const inDoor = openingsOf(building, wall).some(
        (o) => Math.abs(offsetM - o.offsetM) < o.widthM / 2 + 0.05 && o.sillM <= SKIRTING_M,
      );
      if (inDoor) return [];
      return crossingAt(building, wall, offsetM, WALL_WEIGHS_M);
    });
  });
}

const placeDistance = (ring: readonly Point2[], p: Point2) =>
  Math.min(...ring.map((a, k) => closestOnSegment(p, a, ring[(k + 1) % ring.length]).distanceM));

interface Leg {
  readonly from: Place;
  readonly to: Place;
}

/** Cheapest chain of legs from room to room, with the holes that it passes. */
function shortest(
  project: ProjectDocument,
  building: Building,
  start: Place,
  end: Place,
  crossings: readonly Crossing[],
  overDoors: boolean,
): { readonly legs: Leg[]; readonly passed: Crossing[] } | null {
  // A place is a node; from each, every other place of its room is reached along the skirting.
  const nodes: Place[] = [start, end, ...crossings.flatMap(({ sides }) => sides)];
  const otherSide = (n: number) => (n < 2 ? -1 : n % 2 === 0 ? n + 1 : n - 1);
  const cost = nodes.map(() => Infinity);
  const before = nodes.map(() => -1);
  const done = nodes.map(() => false);
  cost[0] = 0;
  for (;;) {
    let next = -1;
    for (let n = 0; n < nodes.length; n++) if (!done[n] && cost[n] < Infinity && (next < 0 || cost[n] < cost[next])) next = n;
    if (next < 0) return null;
    if (next === 1) break;
    done[next] = true;
    for (let n = 0; n < nodes.length; n++) {
      if (done[n]) continue;
      let stepM = Infinity;
      if (n === otherSide(next)) stepM = crossings[(n >> 1) - 1].weighsM;
      else if (nodes[n].roomId === nodes[next].roomId) {
        const leg = along(project, building, nodes[next], nodes[n]);
        stepM = leg.doors > 0 && !overDoors ? Infinity : leg.lengthM;
      }
      if (cost[next] + stepM < cost[n] - 1e-9) {
        cost[n] = cost[next] + stepM;
        before[n] = next;
      }
    }
  }
  const chain: number[] = [];
  for (let n = 1; n >= 0; n = before[n]) chain.unshift(n);
  const legs: Leg[] = [];
  const passed: Crossing[] = [];
  for (let k = 1; k < chain.length; k++) {
    if (chain[k] === otherSide(chain[k - 1])) passed.push(crossings[(chain[k] >> 1) - 1]);
    else legs.push({ from: nodes[chain[k - 1]], to: nodes[chain[k]] });
  }
  return { legs, passed };
}

const lengthOf = (points: readonly Point2[]) => points.slice(1).reduce((sum, p, k) => sum + distance2(points[k], p), 0);

interface Along {
  readonly points: readonly Point2[];
  /** With what it takes to go up, over and down again at each door. */
  readonly lengthM: number;
  readonly doors: number;
}

/** The shorter route along the outline of a room, over the heads of the doors that it meets. */
function along(project: ProjectDocument, building: Building, from: Place, to: Place): Along {
  const room = project.rooms[from.roomId];
  const ring = room.polygon as Point2[];
  const totalM = ringLength(ring);
  const forwardM = (to.at - from.at + totalM) % totalM;
  const routes = [forwardM, forwardM - totalM].map((byM): Along => {
    const points = alongRing(ring, from.at, byM);
    const heads = doorsMet(building, room, points);
    const overM = heads.reduce((sum, headM) => sum + 2 * (headM + OVER_HEAD_M - SKIRTING_M), 0);
    return { points, lengthM: lengthOf(points) + overM, doors: heads.length };
  });
  return routes[0].lengthM <= routes[1].lengthM ? routes[0] : routes[1];
}

/** Heads of the doors whose feet a line at the skirting meets, m. */
function doorsMet(building: Building, room: Room, points: readonly Point2[]): number[] {
  return (building.wallsByLevel[room.levelId] ?? []).flatMap((wall) =>
    openingsOf(building, wall).flatMap((opening) => {
      if (opening.sillM > SKIRTING_M) return [];
      const p = wallPoint(wall, opening.offsetM);
      const isMet = points.slice(1).some((b, k) => closestOnSegment(p, points[k], b).distanceM < wall.thicknessM / 2 + 0.02);
      return isMet ? [opening.headM] : [];
    }),
  );
}

/** Turns of a line along a room's outline: positive where the corner is an inside one. */
function cornersOf(room: Room, points: readonly Point2[]): number[] {
  const ring = room.polygon as Point2[];
  const area = polygonArea(ring);
  const turns: number[] = [];
  for (let k = 1; k + 1 < points.length; k++) {
    const [a, b, c] = [points[k - 1], points[k], points[k + 1]];
    const turn = (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]);
    if (Math.abs(turn) < 1e-6) continue;
    const index = ring.findIndex((p) => distance2(p, b) < 1e-6);
    if (index < 0) continue;
    const [p, q] = [ring[(index + ring.length - 1) % ring.length], ring[(index + 1) % ring.length]];
    const own = (b[0] - p[0]) * (q[1] - b[1]) - (b[1] - p[1]) * (q[0] - b[0]);
    turns.push(Math.sign(own) === Math.sign(area) ? 1 : -1);
  }
  return turns;
}
