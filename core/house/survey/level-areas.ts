import { wallReaches } from '../building/index.ts';
import { difference, distance2, type Point2, type Region, regionArea, union } from '../../math/index.ts';
import type { ProjectDocument, Wall } from '../../model/index.ts';
import { wallFaces } from './wall-faces.ts';

/** Areas of one level, m². `netM2` is inside the walls; net areas and footprint sum to the gross. */
export interface LevelAreas {
  readonly grossM2: number;
  readonly footprintM2: number;
  readonly rooms: readonly { readonly polygon: readonly Point2[]; readonly net: Region; readonly netM2: number }[];
}

/** The ground that a wall stands on, its ends reaching on so that corners close; counter-clockwise. */
export function wallFootprint(wall: Wall, reach: readonly [number, number] = [0, 0]): Point2[] {
  const lengthM = distance2(wall.a, wall.b);
  const u: Point2 = [(wall.b[0] - wall.a[0]) / lengthM, (wall.b[1] - wall.a[1]) / lengthM];
  const half = wall.thicknessM / 2;
  const at = (s: number, side: number): Point2 => [wall.a[0] + u[0] * s - u[1] * side, wall.a[1] + u[1] * s + u[0] * side];
  const [from, to] = [-reach[0], lengthM + reach[1]];
  return [at(from, -half), at(to, -half), at(to, half), at(from, half)];
}

/** Gross, footprint and net areas between the walls of a level. */
export function levelAreas(project: Pick<ProjectDocument, 'walls'>, levelId: string): LevelAreas {
  const walls = Object.values(project.walls).filter((wall) => wall.levelId === levelId);
  const reaches = wallReaches(walls);
  const footprint = union(walls.map((wall) => wallFootprint(wall, reaches.get(wall.id))));
  const { faces } = wallFaces(project, levelId);
  const rings = faces.map((face): Region => [face.polygon, ...face.holes.map((hole) => [...hole].reverse())]);
  const gross = union(rings.flat(), footprint);
  return {
    grossM2: regionArea(gross),
    footprintM2: regionArea(footprint),
    rooms: faces.map((face, i) => {
      const net = difference(rings[i], footprint);
      return { polygon: face.polygon, net, netM2: regionArea(net) };
    }),
  };
}
