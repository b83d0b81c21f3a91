import { featureMake, levelsFromBelow, outdoorAreas, usualSize } from '../house/index.ts';
import { boundsOf, type Point2 } from '../math/index.ts';
import {
  create,
  type Feature,
  newFeature,
  type Operation,
  type OutdoorKind,
  type ProjectDocument,
  type Room,
} from '../model/index.ts';
import { listOf, onLevel } from '../derive/index.ts';

/** A room or an outdoor area: what the brief is asked about. Lengths in m. */
export interface BriefPlace {
  readonly id: string;
  readonly in: 'rooms' | 'features';
  readonly name: string;
  /** Code of the room; empty outdoors. */
  readonly code: string;
  readonly levelId: string;
  /** Use of the room, or kind of the area. */
  readonly use: string;
  readonly polygon: readonly Point2[];
  readonly ceilingM: number;
}

type Places = Pick<ProjectDocument, 'levels' | 'rooms' | 'features'>;

const ofRoom = (project: Places, room: Room): BriefPlace => ({
  id: room.id,
  in: 'rooms',
  name: room.name,
  code: room.code,
  levelId: room.levelId,
  use: room.use,
  polygon: room.polygon as Point2[],
  ceilingM: room.ceilingHeightM ?? project.levels[room.levelId].ceilingHeightM,
});

const ofArea = (project: Places, area: Feature): BriefPlace => ({
  id: area.id,
  in: 'features',
  name: area.name || area.kind,
  code: '',
  levelId: area.levelId,
  use: area.kind,
  polygon: area.points as Point2[],
  ceilingM: project.levels[area.levelId].ceilingHeightM,
});

/** A room or an outdoor area by its id; undefined where there is none. */
export function placeOf(project: Places, placeId: string): BriefPlace | undefined {
  if (Object.hasOwn(project.rooms, placeId)) return ofRoom(project, project.rooms[placeId]);
  return Object.hasOwn(project.features, placeId) ? ofArea(project, project.features[placeId]) : undefined;
}

/** All rooms, then all outdoor areas. */
export const placesOf = (project: ProjectDocument): BriefPlace[] => [
  ...listOf(project, 'rooms').map((room) => ofRoom(project, room)),
  ...outdoorAreas(project).map((area) => ofArea(project, area)),
];

export const isOutdoors = (place: Pick<BriefPlace, 'in'>): boolean => place.in === 'features';

/** The place of a record of the brief; empty where it concerns the whole house. */
export const placeIdOf = ({ roomId, areaId }: { readonly roomId: string | null; readonly areaId: string | null }): string =>
  roomId ?? areaId ?? '';

/** The fields of a record of the brief that name its place; both null for the whole house. */
export const placeFields = (
  project: Pick<ProjectDocument, 'rooms'>,
  placeId: string | null,
): { readonly roomId: string | null; readonly areaId: string | null } =>
  placeId === null || placeId === ''
    ? { roomId: null, areaId: null }
    : Object.hasOwn(project.rooms, placeId)
      ? { roomId: placeId, areaId: null }
      : { roomId: null, areaId: placeId };

/** A new area lies so far before the house, m, and is so large, m. */
const BEFORE_M = 0.5;
const SIZE_M = { width: 4, depth: 3 } as const;
/** Distance between a facade or eaves and the house, m. */
const OFF_WALL_M = 0.2;

/** An outdoor area to be added. */
export interface NewArea {
  readonly id: string;
  readonly kind: OutdoorKind;
  readonly name: string;
}

/**
 * New outdoor areas on the lowest level above ground, where areas of their kind usually are: facades and eaves along the sides of the house
 * (front, right, back, left), the others before it, one beside the other. Their outlines are drawn in the survey.
 */
export function addOutdoorAreas(project: ProjectDocument, wanted: readonly NewArea[]): Operation[] {
  const levels = levelsFromBelow(project);
  const level = levels.find(({ order }) => order >= 0) ?? levels[0];
  if (!level) return [];
  const box = boundsOf(onLevel(project, 'rooms', level.id).flatMap(({ polygon }) => polygon as Point2[])) ?? {
    minX: 0,
    minY: 0,
    maxX: SIZE_M.width,
    maxY: SIZE_M.depth,
  };
  const kinds: string[] = outdoorAreas(project).flatMap((area) => (area.levelId === level.id ? [area.kind] : []));
  return wanted.map(({ id, kind, name }) => {
    const make = featureMake(kind);
    const taken = kinds.filter((other) => (isSide(kind) ? other === kind : !isSide(other))).length;
    kinds.push(kind);
    const points = isSide(kind) ? sideOf(box, taken) : besideOf(box, taken, make.shape);
    return create(
      'features',
      newFeature({ id, levelId: level.id, kind, name, points, ...usualSize(make, level.ceilingHeightM) }),
    );
  });
}

const isSide = (kind: string) => kind === 'facade' || kind === 'eaves';

type Box = NonNullable<ReturnType<typeof boundsOf>>;

/** The n-th side of the house, outside its wall: front, right, back, left. */
function sideOf({ minX, minY, maxX, maxY }: Box, n: number): [number, number][] {
  const d = OFF_WALL_M;
  const sides: [number, number][][] = [
    [
      [minX, minY - d],
      [maxX, minY - d],
    ],
    [
      [maxX + d, minY],
      [maxX + d, maxY],
    ],
    [
      [maxX, maxY + d],
      [minX, maxY + d],
    ],
    [
      [minX - d, maxY],
      [minX - d, minY],
    ],
  ];
  return sides[n % sides.length];
}

/** The n-th place before the house. */
function besideOf({ minX, minY }: Box, n: number, shape: 'point' | 'line' | 'area'): [number, number][] {
  const left = minX + n * (SIZE_M.width + BEFORE_M);
  const top = minY - BEFORE_M;
  if (shape === 'point') return [[left + SIZE_M.width / 2, top - SIZE_M.depth / 2]];
  return [
    [left, top - SIZE_M.depth],
    [left + SIZE_M.width, top - SIZE_M.depth],
    [left + SIZE_M.width, top],
    [left, top],
  ];
}
