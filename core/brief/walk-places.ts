import { buildablePlace, type IdSource, placeAll } from '../devices/index.ts';
import { attachmentOf } from '../house/index.ts';
import { boundsOf, closestOnSegment, distance2, err, middleOf, ok, type Outcome, type Point2 } from '../math/index.ts';
import { create, type Device, type Operation, type ProjectDocument, type Walk } from '../model/index.ts';
import { edited, onLevel } from '../derive/index.ts';
import { type BriefPlace, isOutdoors, placeOf } from './places.ts';

/** What is asked for on a walk with one tap, and the type that it becomes in a room and outdoors. */
export const WALK_PLACES = {
  display: { room: 'display', outdoors: 'outdoor-display' },
  'access-point': { room: 'access-point', outdoors: 'outdoor-access-point' },
  keypad: { room: 'keypad', outdoors: null },
  speaker: { room: 'ceiling-speaker', outdoors: 'terrace-speaker' },
  camera: { room: 'ceiling-camera', outdoors: 'camera' },
  outlet: { room: 'network-drop', outdoors: null },
  mains: { room: 'mains-outlet', outdoors: null },
  other: { room: 'desk-drop', outdoors: 'outdoor-stub' },
} as const satisfies Record<string, { readonly room: string; readonly outdoors: string | null }>;
export type WalkPlace = keyof typeof WALK_PLACES;

/** Where somebody stands on a walk: in a room or an outdoor area, or outdoors at a level of a house without areas. */
export type WalkArea = { readonly placeId: string } | { readonly levelId: string };

/** A place is moved this far along its wall or ceiling to where it can be built, m. */
const ASIDE_M = 3;
/** What is asked for outdoors hangs this far before the wall, m. */
const BEFORE_WALL_M = 0.15;

/**
 * Places what somebody asks for on a walk: with its cables, at a place where it can be built, noted as missing on that walk. Where exactly
 * it goes is settled on the plan. `why` is written as the reason of its runs. Problems: `record-gone`, `type-missing`, `not-outdoors`.
 */
export function addWalkPlace(
  project: ProjectDocument,
  area: WalkArea,
  place: WalkPlace,
  said: { readonly walk: Walk; readonly by: string; readonly on: string; readonly why: string },
  ids: IdSource & { readonly walk: () => string },
): Outcome<{ readonly device: Device; readonly operations: readonly Operation[] }> {
  const stands = 'placeId' in area ? placeOf(project, area.placeId) : undefined;
  if ('placeId' in area && !stands) return err('record-gone', { in: 'rooms', id: area.placeId });
  const levelId = 'levelId' in area ? area.levelId : stands!.levelId;
  if (!project.levels[levelId]) return err('record-gone', { in: 'levels', id: levelId });
  const room = stands && !isOutdoors(stands) ? stands : undefined;
  const typeId = WALK_PLACES[place][room ? 'room' : 'outdoors'];
  if (typeId === null) return err('not-outdoors', { kind: 'invalid', field: 'place' });
  const type = project.deviceTypes[typeId];
  if (!type) return err('type-missing', { kind: 'invalid', field: 'typeId' });
  const at = room
    ? attachmentOf(type) === 'wall'
      ? besideWall(room)
      : middleOf(room.polygon)
    : beforeHouse(project, levelId, stands);
  const wanted = { typeId, at, more: { note: said.why, areaId: room ? null : (stands?.id ?? null) }, runAs: () => ({ reason: said.why }) };
  const first = placeAll(project, levelId, [wanted], ids);
  if (!first.ok) return first;
  const there = edited(project, first.value.operations);
  const legal = room && there.ok ? buildablePlace(there.value, first.value.devices[0], ASIDE_M) : null;
  const placed = legal && legal.movedM > 0 ? placeAll(project, levelId, [{ ...wanted, at: legal.at }], ids) : first;
  if (!placed.ok) return placed;
  const [device] = placed.value.devices;
  const { walk, by, on } = said;
  const record = create('deviceWalks', { id: ids.walk(), walk, deviceId: device.id, found: 'missing', by, on, note: said.why });
  return ok({ device, operations: [...placed.value.operations, record] });
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
