import { closestOnSegment, pointInPolygon, type Point2, polygonArea } from '../../math/index.ts';
import { type Device, type Feature, OUTDOOR_KINDS, type ProjectDocument } from '../../model/index.ts';
import { derivationsOf, partOf, pickedFrom, whole } from '../../derive/index.ts';

const KINDS: ReadonlySet<string> = new Set(OUTDOOR_KINDS);
/** What hangs this high on a facade hangs at its eaves, m. */
const EAVES_FROM_M = 2.2;
/** Areas whose distances differ by less are equally near, m. */
const EQUALLY_NEAR_M = 0.3;

export const OUTDOOR_AREAS = partOf('outdoor areas', 'features', ({ kind }) => KINDS.has(kind));
export const OUTDOOR_DEVICES = partOf('outdoor devices', 'devices', ({ roomId }) => roomId === null);

export const outdoorAreas = (project: Pick<ProjectDocument, 'features'>): readonly Feature[] =>
  pickedFrom(project, OUTDOOR_AREAS);

/** Distance from a point to an area on the plan, m; 0 inside it. */
function distanceTo({ points, area }: Feature, p: Point2): number {
  const corners = points as Point2[];
  if (corners.length === 1) return Math.hypot(p[0] - corners[0][0], p[1] - corners[0][1]);
  if (area && pointInPolygon(p, corners)) return 0;
  const last = area ? corners.length : corners.length - 1;
  let nearest = Infinity;
  for (let i = 0; i < last; i++)
    nearest = Math.min(nearest, closestOnSegment(p, corners[i], corners[(i + 1) % corners.length]).distanceM);
  return nearest;
}

/**
 * The area in which a point lies, the smallest where several hold it; else the nearest one, those of its own level first. On a facade under
 * eaves the height decides. Null where there are no areas.
 */
export function outdoorAreaAt(
  areas: readonly Feature[],
  { levelId, x, y, heightM }: Pick<Device, 'levelId' | 'x' | 'y' | 'heightM'>,
): Feature | null {
  const own = areas.filter((area) => area.levelId === levelId);
  const isHigh = heightM === null || heightM >= EAVES_FROM_M;
  const all = (own.length > 0 ? own : areas).map((area) => ({
    area,
    distanceM: distanceTo(area, [x, y]),
    sizeM2: area.area ? Math.abs(polygonArea(area.points as Point2[])) : 0,
    isUnlikely: area.kind === (isHigh ? 'facade' : 'eaves'),
  }));
  const nearestM = Math.min(...all.map(({ distanceM }) => distanceM));
  const near = all
    .filter(({ distanceM }) => distanceM <= nearestM + (nearestM === 0 ? 0 : EQUALLY_NEAR_M))
    .sort((a, b) => Number(a.isUnlikely) - Number(b.isUnlikely) || a.sizeM2 - b.sizeM2 || (a.area.id < b.area.id ? -1 : 1));
  return near[0]?.area ?? null;
}

/** The outdoor area of every device that is in no room. */
export const AREA_OF_DEVICE = whole<ReadonlyMap<string, string>>({
  name: 'outdoor areas by device',
  nodes: [OUTDOOR_AREAS, OUTDOOR_DEVICES],
  make: (read) => {
    const areas = read.get(OUTDOOR_AREAS);
    const ids = new Set(areas.map(({ id }) => id));
    return new Map(
      read.get(OUTDOOR_DEVICES).flatMap((device): [string, string][] => {
        const id = device.areaId !== null && ids.has(device.areaId) ? device.areaId : outdoorAreaAt(areas, device)?.id;
        return id === undefined ? [] : [[device.id, id]];
      }),
    );
  },
});

/** The name of the outdoor area of every device that is in no room. */
export const AREA_NAME_OF_DEVICE = whole<ReadonlyMap<string, string>>({
  name: 'names of outdoor areas by device',
  nodes: [OUTDOOR_AREAS, AREA_OF_DEVICE],
  make: (read) => {
    const names = new Map(read.get(OUTDOOR_AREAS).map(({ id, name }) => [id, name]));
    return new Map([...read.get(AREA_OF_DEVICE)].map(([deviceId, areaId]) => [deviceId, names.get(areaId) ?? '']));
  },
  alike: (a, b) => a.size === b.size && [...a].every(([id, name]) => b.get(id) === name),
});

/** The outdoor area of a device, chosen or by its place; null in a room, or where there are no areas. */
export const areaOfDevice = (project: ProjectDocument, deviceId: string): Feature | null => {
  const id = derivationsOf(project).get(AREA_OF_DEVICE).get(deviceId);
  return id === undefined ? null : project.features[id];
};
