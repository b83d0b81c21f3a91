import type { IdSource } from '../devices/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import { create, type Device, type Operation, type ProjectDocument, type Walk } from '../model/index.ts';
import { isOutdoors, placeOf } from './places.ts';
import { placeAtSpot, spotFor } from './spot.ts';

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
  const at = spotFor(project, type, stands, levelId);
  const placed = placeAtSpot(
    project,
    levelId,
    { typeId, at, more: { note: said.why, areaId: room ? null : (stands?.id ?? null) }, runAs: () => ({ reason: said.why }) },
    ids,
  );
  if (!placed.ok) return placed;
  const [device] = placed.value.devices;
  const { walk, by, on } = said;
  const record = create('deviceWalks', { id: ids.walk(), walk, deviceId: device.id, found: 'missing', by, on, note: said.why });
  return ok({ device, operations: [...placed.value.operations, record] });
}
