import { buildablePlace, type IdSource, placeAll, type Placed } from '../devices/index.ts';
import { attachmentOf } from '../house/index.ts';
import { boundsOf, closestOnSegment, distance2, middleOf, type Outcome, type Point2 } from '../math/index.ts';
import type { DeviceType, ProjectDocument } from '../model/index.ts';
import { edited, onLevel } from '../derive/index.ts';
import { type BriefPlace, isOutdoors } from './places.ts';

/** A place is moved this far along its wall or ceiling to where it can be built, m. */
const ASIDE_M = 3;
/** What is asked for outdoors hangs this far before the wall, m. */
const BEFORE_WALL_M = 0.15;

/** Where a device of a type goes first: on a wall or ceiling of its room, before the house outdoors. Where exactly is settled on the plan. */
export function spotFor(project: ProjectDocument, type: DeviceType, place: BriefPlace | undefined, levelId: string): Point2 {
  if (!place || isOutdoors(place)) return beforeHouse(project, levelId, place);
  return attachmentOf(type) === 'wall' ? besideWall(place) : middleOf(place.polygon);
}

/** Places a device with its cables, moved aside to where it can be built. Problems: those of `placeAll`. */
export function placeAtSpot(
  project: ProjectDocument,
  levelId: string,
  wanted: Parameters<typeof placeAll>[2][number],
  ids: IdSource,
): Outcome<Placed> {
  const first = placeAll(project, levelId, [wanted], ids);
  if (!first.ok) return first;
  const there = edited(project, first.value.operations);
  const [device] = first.value.devices;
  const legal = device.roomId !== null && there.ok ? buildablePlace(there.value, device, ASIDE_M) : null;
  return legal && legal.movedM > 0 ? placeAll(project, levelId, [{ ...wanted, at: legal.at }], ids) : first;
}

/** The middle of the longest side of a room, just inside. */
function besideWall({ polygon: corners }: BriefPlace): Point2 {
  const sides = corners.map((a, n) => [a, corners[(n + 1) % corners.length]] as const);
  const lengthM = ([a, b]: (typeof sides)[number]) => Math.hypot(b[0] - a[0], b[1] - a[1]);
  const [a, b] = sides.reduce((best, side) => (lengthM(side) > lengthM(best) + 1e-9 ? side : best));
  const [cx, cy] = middleOf(corners);
  const [mx, my] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  return [mx + (cx - mx) * 0.02, my + (cy - my) * 0.02];
}

/** Before the wall that is nearest to an outdoor area; without one before the lower side, aside of its middle, where a partition often ends. */
function beforeHouse(project: ProjectDocument, levelId: string, area: BriefPlace | undefined): Point2 {
  if (area) return beforeNearestWall(project, levelId, middleOf(area.polygon));
  const box = boundsOf(onLevel(project, 'rooms', levelId).flatMap(({ polygon }) => polygon as Point2[]));
  return box ? [box.minX + (box.maxX - box.minX) * 0.3, box.minY - BEFORE_WALL_M] : [0, 0];
}

function beforeNearestWall(project: ProjectDocument, levelId: string, p: Point2): Point2 {
  const outlines = onLevel(project, 'rooms', levelId).map(({ polygon }) => polygon as Point2[]);
  const points = outlines.flatMap((corners) =>
    corners.map((a, n) => closestOnSegment(p, a, corners[(n + 1) % corners.length]).point),
  );
  if (points.length === 0) return p;
  const near = points.reduce((best, one) => (distance2(one, p) < distance2(best, p) - 1e-9 ? one : best));
  const away = distance2(near, p);
  if (away < BEFORE_WALL_M) return p;
  const share = BEFORE_WALL_M / away;
  return [near[0] + (p[0] - near[0]) * share, near[1] + (p[1] - near[1]) * share];
}
