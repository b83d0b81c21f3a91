import {
  boundsOf,
  closestOnSegment,
  distance2,
  grownBounds,
  type Point2,
  type Point3,
  pointInPolygon,
  polygonArea,
} from '../../math/index.ts';
import {
  type Feature,
  type FeatureKind,
  type Level,
  type Opening,
  type ProjectDocument,
  type Rack,
  type Riser,
  type Room,
  type Wall,
  WAY_KINDS,
} from '../../model/index.ts';
import { derivationsOf, listOf, onLevel, partOf, Remembered, whole } from '../../derive/index.ts';
import { levelsFromBelow } from './levels.ts';
import { type Framing, FRAMING } from './framing.ts';
import { wallGrid, type WallGrid } from './wall-grid.ts';

/** The house alone, sorted once: what routing and checks need of a project, without devices and runs. */
export interface Building {
  readonly levels: readonly Level[];
  readonly levelById: Readonly<Record<string, Level>>;
  readonly roomsByLevel: Readonly<Record<string, readonly Room[]>>;
  readonly wallsByLevel: Readonly<Record<string, readonly Wall[]>>;
  readonly openingsByWall: Readonly<Record<string, readonly Opening[]>>;
  readonly risers: readonly Riser[];
  readonly racks: readonly Rack[];
  /** Routes that cable may take and things that are in its way; nothing else of what a survey holds. */
  readonly featuresByLevel: Readonly<Record<string, readonly Feature[]>>;
  readonly framing: Framing;
  /** What is looked up by place, worked out where it is first asked for. */
  readonly places: {
    readonly grids: Remembered<string, WallGrid>;
    readonly rooms: Remembered<string, RoomCells>;
    readonly tops: Remembered<Wall, number>;
  };
}

type RoomCells = ReadonlyMap<number, readonly Room[]>;

/** Things that a cable has to go around, or that count where it passes them. */
const OBSTACLE_KINDS = [
  'beam',
  'duct',
  'flue',
  'fireplace',
  'steel',
  'pipe',
  'wet-zone',
  'mains-route',
  'recessed-light',
  'service-panel',
] as const satisfies readonly FeatureKind[];
const FOR_CABLE: ReadonlySet<string> = new Set([...WAY_KINDS, ...OBSTACLE_KINDS]);

const CABLE_FEATURES = partOf('features that cable meets', 'features', ({ kind }) => FOR_CABLE.has(kind));

/** The building of a project, for nodes that read it. */
export const BUILDING = whole<Building>({
  name: 'building',
  tables: ['levels', 'rooms', 'walls', 'openings', 'risers', 'racks', 'framingMembers'],
  // Furniture and marks share their table with pathways and obstacles, and are moved about without the house becoming another one.
  nodes: [CABLE_FEATURES, FRAMING],
  make: (read, last) => {
    const { project } = read;
    const wallsByLevel = Object.fromEntries(listOf(project, 'levels').map(({ id }) => [id, onLevel(project, 'walls', id)]));
    const grids = new Remembered<string, WallGrid>();
    for (const [id, walls] of Object.entries(wallsByLevel))
      if (last?.value.wallsByLevel[id] === walls) grids.of(id, () => wallsOf(last.value, id));
    return {
      levels: levelsFromBelow(project),
      levelById: project.levels,
      roomsByLevel: groupBy(smallestFirst(listOf(project, 'rooms')), (room) => room.levelId),
      wallsByLevel,
      openingsByWall: groupBy(listOf(project, 'openings'), (opening) => opening.wallId),
      risers: listOf(project, 'risers'),
      racks: listOf(project, 'racks'),
      featuresByLevel: groupBy(read.get(CABLE_FEATURES), (feature) => feature.levelId),
      framing: read.get(FRAMING),
      places: { grids, rooms: new Remembered(), tops: new Remembered() },
    };
  },
});

/** The building of a project; the same (identical) one while the house is the same. */
export const buildingOf = (project: ProjectDocument): Building => derivationsOf(project).get(BUILDING);

/** A room inside another one (a closet in the midst of a hall) counts before the one around it. */
function smallestFirst(rooms: readonly Room[]): Room[] {
  const area = new Map(rooms.map((room) => [room, Math.abs(polygonArea(room.polygon as Point2[]))]));
  return [...rooms].sort((a, b) => area.get(a)! - area.get(b)! || (a.id < b.id ? -1 : 1));
}

function groupBy<T>(records: readonly T[], key: (record: T) => string): Record<string, T[]> {
  const groups: Record<string, T[]> = {};
  for (const record of records) (groups[key(record)] ??= []).push(record);
  return groups;
}

/** Finished ceiling above finished floor, m. */
export const ceilingHeightOf = (room: Room, level: Level): number => room.ceilingHeightM ?? level.ceilingHeightM;

/** The slope of a room's ceiling; null where it is of a kind that has none, whatever was entered for another kind. */
export const slopeOf = ({ slope, ceilingKind }: Room): Room['slope'] =>
  ceilingKind === 'sloped' || ceilingKind === 'vaulted' ? slope : null;

/**
 * Finished ceiling above finished floor at a place of a room, m: sloped ceilings rise along their direction from one side of
 * the room to the other, vaulted ones from both sides to a ridge in the middle.
 */
export function ceilingHeightAt(room: Room, level: Level, p: Point2): number {
  const slope = slopeOf(room);
  if (!slope) return ceilingHeightOf(room, level);
  const up = (q: Point2) => q[0] * Math.cos(slope.angleRad) + q[1] * Math.sin(slope.angleRad);
  const all = (room.polygon as Point2[]).map(up);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const share = Math.min(1, Math.max(0, (up(p) - low) / Math.max(1e-9, high - low)));
  const risen = room.ceilingKind === 'sloped' ? share : 1 - Math.abs(2 * share - 1);
  return slope.lowM + (slope.highM - slope.lowM) * risen;
}

/** The room at a plan position of a level; the smaller where one lies in the other, or two share an edge. */
export function roomAt(building: Building, levelId: string, p: Point2): Room | undefined {
  const rooms = building.roomsByLevel[levelId];
  if (!rooms) return undefined;
  const near = building.places.rooms.of(levelId, () => cellsOf(rooms)).get(cellOf(p[0], p[1]));
  return near?.find((room) => pointInPolygon(p, room.polygon));
}

const ROOM_CELL_M = 2;
const cellOf = (x: number, y: number) => (Math.floor(x / ROOM_CELL_M) + 32_768) * 65_536 + Math.floor(y / ROOM_CELL_M) + 32_768;

/** For each cell of a level the rooms whose box, grown a little, meets it, in their order. */
function cellsOf(rooms: readonly Room[]): RoomCells {
  const cells = new Map<number, Room[]>();
  for (const room of rooms) {
    const { minX, minY, maxX, maxY } = grownBounds(boundsOf(room.polygon as Point2[])!, SIDE_M);
    for (let i = Math.floor(minX / ROOM_CELL_M); i <= Math.floor(maxX / ROOM_CELL_M); i++) {
      for (let j = Math.floor(minY / ROOM_CELL_M); j <= Math.floor(maxY / ROOM_CELL_M); j++) {
        const key = cellOf(i * ROOM_CELL_M, j * ROOM_CELL_M);
        const cell = cells.get(key);
        if (cell) cell.push(room);
        else cells.set(key, [room]);
      }
    }
  }
  return cells;
}

/** Rooms lie on the centre lines of their walls; so near to the outline counts as on it, m. */
const SIDE_M = 0.02;

/** Whether a point of the plan lies on the outline of a room, within so much, m. */
export const onOutline = ({ polygon }: Room, p: Point2, withinM: number): boolean =>
  polygon.some((a, i) => closestOnSegment(p, a as Point2, polygon[(i + 1) % polygon.length] as Point2).distanceM < withinM);

/** Whether a wall is a side of a room. */
export const isSideOf = (room: Room, wall: Wall): boolean => onOutline(room, wallPoint(wall, wallLength(wall) / 2), SIDE_M);

export const wallLength = (wall: Wall): number => distance2(wall.a, wall.b);

/** The centre-line point of a wall at `offsetM` from its end a. */
export function wallPoint(wall: Wall, offsetM: number): Point2 {
  const t = offsetM / wallLength(wall);
  return [wall.a[0] + (wall.b[0] - wall.a[0]) * t, wall.a[1] + (wall.b[1] - wall.a[1]) * t];
}

const NO_WALLS: readonly Wall[] = [];

/** Where a wall comes nearest to a point. */
export interface WallPlace {
  readonly wall: Wall;
  readonly point: Point2;
  readonly offsetM: number;
  readonly distanceM: number;
}

/** The wall of a level nearest to a point, within `withinM` of its centre line. */
export function nearestWall(
  building: Building,
  levelId: string,
  p: Point2,
  withinM: number,
  fits: (wall: Wall) => boolean = () => true,
): WallPlace | undefined {
  let best: WallPlace | undefined;
  for (const wall of wallsOf(building, levelId).near(p, withinM)) {
    if (!fits(wall)) continue;
    const { point, t, distanceM } = closestOnSegment(p, wall.a, wall.b);
    const nearer = !best || distanceM < best.distanceM - 1e-9 || (distanceM < best.distanceM + 1e-9 && wall.id < best.wall.id);
    if (distanceM <= withinM && nearer) {
      best = { wall, point, offsetM: t * wallLength(wall), distanceM };
    }
  }
  return best;
}

export const openingsOf = (building: Building, wall: Wall): readonly Opening[] => building.openingsByWall[wall.id] ?? [];

/** Top of a wall above the finished floor of its level, m: as entered, else the higher of the ceilings beside its middle. */
export function wallTopM(building: Building, wall: Wall): number {
  if (wall.heightM !== null) return wall.heightM;
  return building.places.tops.of(wall, () => ceilingBeside(building, wall));
}

function ceilingBeside(building: Building, wall: Wall): number {
  const level = building.levelById[wall.levelId];
  const lengthM = wallLength(wall);
  const [mx, my] = wallPoint(wall, lengthM / 2);
  const [nx, ny] = [-(wall.b[1] - wall.a[1]) / lengthM, (wall.b[0] - wall.a[0]) / lengthM];
  const off = wall.thicknessM / 2 + 0.05;
  const heights = [1, -1].flatMap((side) => {
    const room = roomAt(building, wall.levelId, [mx + side * nx * off, my + side * ny * off]);
    return room ? [ceilingHeightOf(room, level)] : [];
  });
  return heights.length > 0 ? Math.max(...heights) : level.ceilingHeightM;
}

/** The walls of a level by place. */
export const wallsOf = (building: Building, levelId: string): WallGrid =>
  building.places.grids.of(levelId, () => wallGrid(building.wallsByLevel[levelId] ?? NO_WALLS));

/** The level in whose storey, or above whose ceiling, a height from the datum lies; undefined in a house without levels. */
export function levelUnder({ levels }: Pick<Building, 'levels'>, z: number): Level | undefined {
  let found: Level | undefined = levels[0];
  for (const level of levels) if (level.elevationM <= z + 1e-6) found = level;
  return found;
}

/** The room over or in which a place lies, else its level, by name. */
export function placeName(building: Building, [x, y, z]: Point3): string {
  const level = levelUnder(building, z);
  return (level && (roomAt(building, level.id, [x, y])?.name ?? level.name)) ?? '';
}
