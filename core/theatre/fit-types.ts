import { copyType } from '../devices/index.ts';
import { screenSize } from '../calculators/index.ts';
import { clearOutline } from '../house/index.ts';
import { err, ok, type Outcome, type Point2, tidyM } from '../math/index.ts';
import { type DeviceType, type Operation, type ProjectDocument, update } from '../model/index.ts';
import { fromMiddle } from './middle-line.ts';
import { pictureOf } from './picture.ts';

/** A screen by its diagonal or its width, m, and its aspect; gain by a matte white surface, pitch of holes in mm. */
export interface ScreenWish {
  readonly widthM: number;
  readonly aspect: number;
  readonly gain: number;
  readonly weaveMm: number | null;
}

/** The width of a picture by its diagonal, m. Problems: those of the calculator. */
export function widthOfDiagonal(diagonalM: number, aspect: number): Outcome<number> {
  if (!(diagonalM > 0)) return err('screen-no-size', { kind: 'invalid', field: 'diagonalM', value: diagonalM });
  const found = screenSize.run({ diagonalM, aspect });
  return found.ok ? ok(found.value.widthM) : found;
}

const [NARROWEST, WIDEST] = [0.5, 4];
/** Frame beside a picture, m, and the case from which a screen hangs beyond it. */
const FRAME_M = 0.08;
const CASE_M = 0.06;

/**
 * Gives a screen another picture: its type is changed where the device has one of its own, else it gets one. Problems by field:
 * `screen-no-size`, `screen-aspect`, `screen-wider-than-wall`.
 */
export function fitScreen(
  project: ProjectDocument,
  deviceId: string,
  { widthM, aspect, gain, weaveMm }: ScreenWish,
  newId: string,
): Outcome<Operation[]> {
  const device = project.devices[deviceId];
  const type = device && project.deviceTypes[device.typeId];
  if (!type) return err('record-gone', { in: 'devices', id: deviceId });
  if (!(widthM > 0.2)) return err('screen-no-size', { kind: 'invalid', field: 'widthM', value: widthM });
  if (!(aspect >= NARROWEST && aspect <= WIDEST))
    return err('screen-aspect', { kind: 'invalid', field: 'aspect', value: aspect, least: NARROWEST, most: WIDEST });
  const hangs = type.screen?.hangs ?? true;
  const outerM = widthM + 2 * (hangs ? CASE_M : FRAME_M);
  const wallM = wallWidthM(project, deviceId);
  if (wallM !== null && outerM > wallM + 1e-9)
    return err('screen-wider-than-wall', { kind: 'invalid', field: 'widthM', frameM: outerM, wallM });
  const heightM = widthM / aspect;
  const screen = { pictureM: [tidyM(widthM), tidyM(heightM)] as [number, number], hangs, gain, weaveMm };
  const frameM: [number, number] = hangs
    ? [tidyM(outerM), type.frameM?.[1] ?? 0.14]
    : [tidyM(outerM), tidyM(heightM + 2 * FRAME_M)];
  return ok(withOwnType(project, deviceId, { screen, frameM, sizeM: [tidyM(outerM), type.sizeM[1]] }, newId));
}

/** Gives a projector another lens. Problems: those of the record, by field, when it is applied; `lens-of-zero`. */
export function fitLens(
  project: ProjectDocument,
  deviceId: string,
  lens: NonNullable<DeviceType['lens']>,
  newId: string,
): Outcome<Operation[]> {
  if (!project.devices[deviceId]) return err('record-gone', { in: 'devices', id: deviceId });
  for (const field of ['throwMin', 'throwMax', 'lumens'] as const)
    if (!(lens[field] > 0)) return err('lens-of-zero', { kind: 'invalid', field });
  if (lens.throwMax < lens.throwMin)
    return err('lens-reversed', { kind: 'invalid', field: 'throwMax', least: lens.throwMin, value: lens.throwMax });
  return ok(withOwnType(project, deviceId, { lens }, newId));
}

/** Types of this beginning were made for one device. */
const OWN = 'own_';

function withOwnType(project: ProjectDocument, deviceId: string, after: Partial<DeviceType>, newId: string): Operation[] {
  const device = project.devices[deviceId];
  const type = project.deviceTypes[device.typeId];
  const isShared = Object.values(project.devices).some((one) => one.typeId === type.id && one.id !== deviceId);
  if (type.id.startsWith(OWN) && !isShared) {
    const operation = update('deviceTypes', type, after);
    return operation ? [operation] : [];
  }
  const change = update('devices', device, { typeId: `${OWN}${newId}` })!;
  return [...copyType(project, { id: `${OWN}${newId}`, from: { ...type, ...after }, name: type.name }), change];
}

/** Room for a picture between the walls beside it, m; null where the room has none. */
function wallWidthM(project: ProjectDocument, deviceId: string): number | null {
  const room = project.rooms[project.devices[deviceId].roomId ?? ''];
  const picture = room && pictureOf(project, room);
  if (!picture) return null;
  const from = fromMiddle(picture.middle, picture.facingDeg);
  const asides = clearOutline(project, room).map((p: Point2) => from(p).asideM);
  return Math.max(...asides) - Math.min(...asides);
}
