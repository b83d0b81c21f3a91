import type { WallPlace } from '../../house/index.ts';
import { moveDevices, plateDeviceIds } from '../placing/index.ts';
import { err, ok, type Outcome, type Point2, tidyM } from '../../math/index.ts';
import { heightOf, isOutsideWall, wallPlaceOf } from '../mounting/index.ts';
import {
  type BoxKind,
  create,
  type Device,
  type Operation,
  type Plate,
  type ProjectDocument,
  remove,
  update,
} from '../../model/index.ts';
import { gangOffsetM, gangsOf } from './gangs.ts';
import { isMainsOutlet } from './mains.ts';
import { mainsBoxBeside } from './line-up.ts';

const MAX_GANGS = 6;

/** To the right, as one faces a device on its wall. */
const rightOf = ({ facingRad }: Pick<Device, 'facingRad'>): Point2 => [-Math.sin(facingRad), Math.cos(facingRad)];

/**
 * One box and plate for devices that stand together on one side of a wall: a gang or more for each from left to right, mains at
 * the right end behind a divider, inserts from the connectors of their runs, the kind of box from what they need and from the
 * wall. The devices move onto their gangs. Problems: `plate-nothing`, `plate-two-walls`, `plate-too-wide`.
 */
export function composePlate(
  project: ProjectDocument,
  deviceIds: readonly string[],
  id: string,
): Outcome<{ readonly plate: Plate; readonly operations: readonly Operation[] }> {
  const devices = deviceIds.flatMap((deviceId) => project.devices[deviceId] ?? []);
  const [first] = devices;
  if (!first) return err('plate-nothing', { kind: 'incomplete', field: 'devices' });
  const place = wallPlaceOf(project, first);
  const together = devices.every(
    (device) => wallPlaceOf(project, device)?.wall.id === place?.wall.id && Math.cos(device.facingRad - first.facingRad) > 0.9,
  );
  if (!place || !together) return err('plate-two-walls', { kind: 'invalid', field: 'devices' });
  const [rx, ry] = rightOf(first);
  const along = ({ x, y }: Device) => x * rx + y * ry;
  const isMains = (device: Device) => isMainsOutlet(project.deviceTypes[device.typeId]);
  const order = devices.toSorted(
    (a, b) => Number(isMains(a)) - Number(isMains(b)) || along(a) - along(b) || (a.id < b.id ? -1 : 1),
  );
  const inserts: Plate['inserts'] = [];
  const firstGang = new Map<string, readonly [from: number, count: number]>();
  let gangs = 0;
  let mainsGangs = 0;
  for (const device of order) {
    const own = gangsOf(project, device);
    firstGang.set(device.id, [gangs + 1, own.length]);
    own.forEach((kinds, k) => {
      for (const kind of kinds) inserts.push({ gang: gangs + k + 1, kind, deviceId: device.id });
    });
    gangs += own.length;
    if (isMains(device)) mainsGangs += own.length;
  }
  if (gangs > MAX_GANGS) return err('plate-too-wide', { kind: 'invalid', field: 'devices', gangs, most: MAX_GANGS });
  const middle = order.reduce((sum, device) => sum + along(device), 0) / order.length;
  const by = middle - along(first);
  const plate: Plate = {
    id,
    levelId: first.levelId,
    roomId: first.roomId,
    name: '',
    x: tidyM(first.x + rx * by),
    y: tidyM(first.y + ry * by),
    heightM: heightOf(project, first),
    facingRad: first.facingRad,
    gangs,
    boxKind: boxFor(project, order, place, gangs, mainsGangs),
    divider: mainsGangs > 0 && mainsGangs < gangs,
    mainsGangs,
    opening: inserts.length > 0 || mainsGangs === gangs ? 'inserts' : 'brush',
    finish: first.finish,
    inserts,
    besideM: null,
  };
  const beside = mainsBoxBeside(project, plate, new Set(deviceIds));
  const placed = { ...plate, besideM: beside ? tidyM(beside.distanceM) : null };
  const operations = order.flatMap((device) => {
    const [from, count] = firstGang.get(device.id)!;
    return ontoGang(project, placed, device, from + (count - 1) / 2);
  });
  return ok({ plate: placed, operations: [create('plates', placed), ...operations] });
}

/** A device at the middle of its gang and at the height of the plate. */
function ontoGang(project: ProjectDocument, plate: Plate, device: Device, gang: number): Operation[] {
  const [rx, ry] = rightOf(plate);
  const by = gangOffsetM(plate, gang);
  const to: Point2 = [tidyM(plate.x + rx * by), tidyM(plate.y + ry * by)];
  const moved = moveDevices(project, [{ deviceId: device.id, to, heightM: plate.heightM }]);
  return moved.ok ? moved.value : [];
}

/** Boxes of ENGINEERING 8.1: open brackets for low voltage alone, closed ones in fire and outside walls and beside mains. */
function boxFor(
  project: ProjectDocument,
  devices: readonly Device[],
  { wall, point }: WallPlace,
  gangs: number,
  mainsGangs: number,
): BoxKind {
  const wanted = new Set(devices.map(({ typeId }) => project.deviceTypes[typeId].boxKind));
  if (wanted.has('weatherproof')) return 'weatherproof';
  if (gangs === 2 && wanted.has('recessed-two-gang')) return 'recessed-two-gang';
  const closed = mainsGangs > 0 || wall.kind === 'fire' || isOutsideWall(project, wall, point) || wanted.has('one-gang-deep');
  if (!closed) return 'open-ring';
  if (gangs === 1) return wanted.has('one-gang-deep') ? 'one-gang-deep' : 'one-gang';
  return gangs === 2 ? 'two-gang' : 'back-box';
}

/** The plate with inserts for all that its devices have now; what was set by hand for no device stays. */
export function recompose(project: ProjectDocument, plate: Plate): Operation[] {
  const devices = plateDeviceIds(plate).filter((id) => project.devices[id]);
  const inserts: Plate['inserts'] = plate.inserts.filter(({ deviceId }) => deviceId === null);
  for (const deviceId of devices) {
    const from = Math.min(...plate.inserts.filter((insert) => insert.deviceId === deviceId).map(({ gang }) => gang));
    gangsOf(project, project.devices[deviceId]).forEach((kinds, k) => {
      for (const kind of kinds) inserts.push({ gang: Math.min(plate.gangs, from + k), kind, deviceId });
    });
  }
  const operation = update('plates', plate, { inserts: inserts.toSorted((a, b) => a.gang - b.gang) });
  return operation ? [operation] : [];
}

/** Takes a plate away; its devices stay where they are. */
export const dissolvePlate = (plate: Plate): Operation[] => [remove('plates', plate)];
