import { centroidOf, closestOnSegment, distance2, type Point2, pointInPolygon, polygonArea } from '../../math/index.ts';
import type { Device, Feature, FramingMember, Opening, ProjectDocument, Room, Wall } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import {
  attachmentOf,
  buildingOf,
  type Framed,
  isSideOf,
  openingsOf,
  roomAt,
  studsOf,
  wallLength,
  wallPoint,
} from '../building/index.ts';
import type { WallSide } from './heights.ts';

/** One wall seen square on: distances from its end a, heights above finished floor, m. */
export interface WallElevation {
  readonly lengthM: number;
  readonly heightM: number;
  /** Heights of the ceilings on either side; they may differ. */
  readonly ceilings: readonly { readonly room: Room; readonly heightM: number }[];
  readonly floorBuildUpM: number;
  readonly benchmarkM: number | null;
  readonly studs: readonly Framed[];
  readonly plates: readonly { readonly bottomM: number; readonly topM: number }[];
  readonly blocking: readonly FramingMember[];
  readonly openings: readonly Opening[];
  readonly devices: readonly { readonly device: Device; readonly offsetM: number; readonly heightM: number }[];
  readonly features: readonly { readonly feature: Feature; readonly offsetM: number }[];
  /** Other walls that meet this one, by the distance at which they do. */
  readonly meets: readonly { readonly wall: Wall; readonly offsetM: number }[];
}

const PLATE_M = 0.038;
/** Things no farther from the wall's face than this belong to it, m. */
const AT_WALL_M = 0.25;

/** A wall with the side of it that is seen from within a room. */
export interface SeenWall {
  readonly wall: Wall;
  readonly side: WallSide;
}

/** The walls of a room as one turns to the right in it, each with the side that faces the room. */
export function wallsAround(project: ProjectDocument, room: Room): SeenWall[] {
  const [cx, cy] = centroidOf(room.polygon as Point2[]);
  const outline = room.polygon as Point2[];
  // Along the outline, clockwise on the plan: so the wall that follows stands to the right.
  const clockwise = polygonArea(outline) < 0 ? outline : [...outline].reverse();
  const placeOf = (p: Point2): number => {
    const near = clockwise.map((a, i) => closestOnSegment(p, a, clockwise[(i + 1) % clockwise.length]));
    const k = near.reduce((best, one, i) => (one.distanceM < near[best].distanceM - 1e-9 ? i : best), 0);
    return k + near[k].t;
  };
  return (buildingOf(project).wallsByLevel[room.levelId] ?? [])
    .filter((wall) => isSideOf(room, wall))
    .map((wall) => {
      const middle = wallPoint(wall, wallLength(wall) / 2);
      const reach = wall.thicknessM / 2 + 0.05;
      const [nx, ny] = [(wall.a[1] - wall.b[1]) / wallLength(wall), (wall.b[0] - wall.a[0]) / wallLength(wall)];
      const left = pointInPolygon([middle[0] + nx * reach, middle[1] + ny * reach], outline);
      const right = pointInPolygon([middle[0] - nx * reach, middle[1] - ny * reach], outline);
      // A wall that stands free in the room is seen from the side of its middle.
      const side: WallSide =
        left === right ? ((cx - middle[0]) * nx + (cy - middle[1]) * ny >= 0 ? 'left' : 'right') : left ? 'left' : 'right';
      return { wall, side, at: placeOf(middle) };
    })
    .sort((a, b) => a.at - b.at || (a.wall.id < b.wall.id ? -1 : 1))
    .map(({ wall, side }) => ({ wall, side }));
}

export function wallElevation(project: ProjectDocument, wall: Wall): WallElevation {
  const building = buildingOf(project);
  const level = project.levels[wall.levelId];
  const lengthM = distance2(wall.a, wall.b);
  const normal = [-(wall.b[1] - wall.a[1]) / lengthM, (wall.b[0] - wall.a[0]) / lengthM];
  const middle = [(wall.a[0] + wall.b[0]) / 2, (wall.a[1] + wall.b[1]) / 2];
  const reach = wall.thicknessM / 2 + 0.05;
  const ceilings = [1, -1].flatMap((side) => {
    const room = roomAt(building, wall.levelId, [middle[0] + normal[0] * reach * side, middle[1] + normal[1] * reach * side]);
    return room ? [{ room, heightM: room.slope?.highM ?? room.ceilingHeightM ?? level.ceilingHeightM }] : [];
  });
  const heightM = wall.heightM ?? Math.max(level.ceilingHeightM, ...ceilings.map((c) => c.heightM));
  const along = (p: readonly [number, number]) => {
    const { t, distanceM } = closestOnSegment(p, wall.a, wall.b);
    return { offsetM: t * lengthM, distanceM };
  };
  const framed = wall.studMaterial !== 'none' && wall.studSpacingM > 0;
  const plates = framed
    ? [
        { bottomM: -level.floorBuildUpM, topM: PLATE_M - level.floorBuildUpM },
        ...Array.from({ length: wall.topPlates }, (_, n) => ({
          bottomM: heightM - (n + 1) * PLATE_M,
          topM: heightM - n * PLATE_M,
        })),
      ]
    : [];
  return {
    lengthM,
    heightM,
    ceilings,
    floorBuildUpM: level.floorBuildUpM,
    benchmarkM: level.benchmarkM,
    studs: studsOf(project, wall),
    plates,
    blocking: listOf(project, 'framingMembers').filter((m) => m.wallId === wall.id && m.kind === 'blocking' && m.present),
    openings: openingsOf(building, wall),
    devices: listOf(project, 'devices').flatMap((device) => {
      if (device.levelId !== wall.levelId || attachmentOf(project.deviceTypes[device.typeId]) !== 'wall') return [];
      const { offsetM, distanceM } = along([device.x, device.y]);
      return distanceM <= wall.thicknessM / 2 + 0.01 ? [{ device, offsetM, heightM: device.heightM ?? heightM }] : [];
    }),
    features: listOf(project, 'features').flatMap((feature) => {
      if (feature.levelId !== wall.levelId || feature.area) return [];
      const { offsetM, distanceM } = along(feature.points[0]);
      return distanceM <= wall.thicknessM / 2 + AT_WALL_M ? [{ feature, offsetM }] : [];
    }),
    meets: (building.wallsByLevel[wall.levelId] ?? []).flatMap((other) => {
      if (other.id === wall.id) return [];
      const end = [other.a, other.b].map(along).find(({ distanceM }) => distanceM < 0.02);
      return end ? [{ wall: other, offsetM: end.offsetM }] : [];
    }),
  };
}
