import { attachmentOf, bayMiddles, buildingOf, framingOf, roomAt, wallLength, wallPoint } from '../../house/index.ts';
import { type Point2, rotate2 } from '../../math/index.ts';
import type { Device, DeviceType, ProjectDocument } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import { type Clash, CURED_BY_MOVING } from './clash.ts';
import { clashesOf } from './clashes.ts';
import { wallPlaceOf } from './on-wall.ts';
import { seatsOf } from './sight.ts';

/** A place near a device where nothing keeps it from being built, and what the move costs. */
export interface LegalPlace {
  readonly at: Point2;
  readonly shiftM: number;
  /** Change of its direction as the nearest seat sees it, rad; null without a seat. */
  readonly angleRad: number | null;
  /** How far it is then from being the mirror image of its twin, m; null where it has none. */
  readonly symmetryM: number | null;
  /** Where the twin would have to go for the pair to stay even; null where that place is not legal. */
  readonly twin: { readonly deviceId: string; readonly at: Point2 } | null;
  /** Clashes of rank look that remain. */
  readonly looks: number;
}

/** A place is no cure where what a move is made for is still there, or where nothing can be built. */
const keepsOut = ({ rank, code }: Clash): boolean => rank === 'stop' || CURED_BY_MOVING.has(code);

const FARTHEST_M = 1.6;
const ALONG_STEP_M = 0.1;
const FINE_STEP_M = 0.05;

/** The nearest legal places of a device, the nearest first, at most `most`. Empty where there is none within 1.6 m. */
export function legalPlaces(project: ProjectDocument, device: Device, max = 4): LegalPlace[] {
  const type = project.deviceTypes[device.typeId];
  const others = onLevel(project, 'devices', device.levelId).filter(
    (other) => other.id !== device.id && Math.abs(other.x - device.x) < 5 && Math.abs(other.y - device.y) < 5,
  );
  const attachment = attachmentOf(type);
  const candidates =
    attachment === 'wall' ? alongWall(project, device) : attachment === 'ceiling' ? underCeiling(project, device) : [];
  const away = (p: Point2) => Math.hypot(p[0] - device.x, p[1] - device.y);
  candidates.sort((a, b) => away(a) - away(b) || a[0] - b[0] || a[1] - b[1]);
  const twin = twinOf(type, device, others);
  const seats = seatsOf(project, device.levelId, device.roomId);
  const found: LegalPlace[] = [];
  for (const at of candidates) {
    if (away(at) < 1e-6) continue;
    // Two places in one bay are one answer.
    if (found.some((place) => Math.hypot(place.at[0] - at[0], place.at[1] - at[1]) < 0.3)) continue;
    const clashes = clashesOf(project, { ...device, x: at[0], y: at[1] }, others);
    if (clashes.some(keepsOut)) continue;
    found.push({
      at,
      shiftM: away(at),
      angleRad: angleFrom(seats, device, at),
      symmetryM: twin ? away(at) : null,
      twin: twin && mirrored(project, device, twin, at, others),
      looks: clashes.length,
    });
    if (found.length >= max) break;
  }
  return found;
}

/** Middles of bays and fine steps along the wall. */
function alongWall(project: ProjectDocument, device: Device): Point2[] {
  const place = wallPlaceOf(project, device);
  if (!place) return [];
  const { wall, offsetM } = place;
  const lengthM = wallLength(wall);
  const offsets = bayMiddles(framingOf(project).studs(wall));
  for (let shift = FINE_STEP_M; shift <= FARTHEST_M; shift += FINE_STEP_M) offsets.push(offsetM - shift, offsetM + shift);
  return offsets
    .filter((at) => Math.abs(at - offsetM) <= FARTHEST_M && at > 0.05 && at < lengthM - 0.05)
    .map((at) => tidied(wallPoint(wall, at)));
}

/** Middles of joist bays, with steps along them. */
function underCeiling(project: ProjectDocument, device: Device): Point2[] {
  const room = roomAt(buildingOf(project), device.levelId, [device.x, device.y]);
  if (!room) return [];
  const [u, v] = rotate2([device.x, device.y], -room.joistAngleRad);
  const joists = framingOf(project).joists(room);
  const across = new Set<number>([v]);
  for (const middle of bayMiddles(joists)) if (Math.abs(middle - v) <= FARTHEST_M) across.add(middle);
  if (joists.length < 2) for (let shift = ALONG_STEP_M; shift <= 1; shift += ALONG_STEP_M) across.add(v - shift).add(v + shift);
  const points: Point2[] = [];
  for (const at of across) {
    for (let shift = 0; shift <= 1; shift += ALONG_STEP_M) {
      for (const along of shift === 0 ? [u] : [u - shift, u + shift]) {
        const p = tidied(rotate2([along, at], room.joistAngleRad));
        if (roomAt(buildingOf(project), device.levelId, p)?.id === room.id) points.push(p);
      }
    }
  }
  return points;
}

const tidied = ([x, y]: Point2): Point2 => [Math.round(x * 1e4) / 1e4, Math.round(y * 1e4) / 1e4];

/**
 * The other one of a pair of speakers: the only one of its type in the room, or the one level with it along an axis of the room.
 * Other devices are no pairs.
 */
function twinOf({ system }: DeviceType, device: Device, others: readonly Device[]): Device | null {
  if (system !== 'sound') return null;
  const alike = others.filter((other) => other.typeId === device.typeId && other.roomId === device.roomId);
  if (alike.length === 1) return alike[0];
  const level = alike.filter((other) => Math.abs(other.x - device.x) < 0.06 || Math.abs(other.y - device.y) < 0.06);
  return level.length === 1 ? level[0] : null;
}

function mirrored(
  project: ProjectDocument,
  device: Device,
  twin: Device,
  at: Point2,
  others: readonly Device[],
): LegalPlace['twin'] {
  const room = device.roomId === null ? undefined : project.rooms[device.roomId];
  const [ax, ay] = [twin.x - device.x, twin.y - device.y];
  const lengthM = Math.hypot(ax, ay);
  if (!room || lengthM < 1e-6) return null;
  // The mirror stands half way between the two.
  const [ux, uy] = [ax / lengthM, ay / lengthM];
  const [dx, dy] = [at[0] - device.x, at[1] - device.y];
  const alongM = dx * ux + dy * uy;
  const place = tidied([twin.x + dx - 2 * alongM * ux, twin.y + dy - 2 * alongM * uy]);
  const moved = others.filter(({ id }) => id !== twin.id);
  const legal = clashesOf(project, { ...twin, x: place[0], y: place[1] }, moved).every((one) => !keepsOut(one));
  return legal ? { deviceId: twin.id, at: place } : null;
}

function angleFrom(seats: ReturnType<typeof seatsOf>, device: Device, at: Point2): number | null {
  if (seats.length === 0) return null;
  const away = ({ ear }: (typeof seats)[number]) => Math.hypot(ear[0] - device.x, ear[1] - device.y);
  const { ear } = seats.reduce((best, seat) => (away(seat) < away(best) ? seat : best));
  const before = Math.atan2(device.y - ear[1], device.x - ear[0]);
  const after = Math.atan2(at[1] - ear[1], at[0] - ear[0]);
  return Math.abs(Math.atan2(Math.sin(after - before), Math.cos(after - before)));
}
