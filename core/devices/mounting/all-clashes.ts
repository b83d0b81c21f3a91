import { plateDeviceIds } from '../placing/index.ts';
import { type Device, type Plate, type ProjectDocument } from '../../model/index.ts';
import { derivationsOf, type Keyed, listOf, lookup, onLevel, patchedMap, type Reading, whole } from '../../derive/index.ts';
import type { Clash } from './clash.ts';
import { clashesOf } from './clashes.ts';

/** Devices farther apart than this along either axis never meet: two of the largest faces and what they keep clear, m. */
const NEAR_M = 3;
const HOUSE = ['project', 'levels', 'rooms', 'walls', 'openings', 'features', 'framingMembers', 'facts', 'deviceTypes'] as const;

export type ClashesByDevice = ReadonlyMap<string, readonly Clash[]>;

interface AllClashes extends Keyed<readonly Clash[]> {
  readonly devices: readonly Device[];
  readonly plates: readonly Plate[];
}

/**
 * The clashes of every device. Where an edit left the house alone, only those devices are tested again that it touched or whose
 * plate it touched, the ones near where they were and are, and those that take a lead from a device that came or went.
 */
const ALL_CLASHES = whole<AllClashes>({
  name: 'clashes',
  tables: [...HOUSE, 'risers', 'racks', 'devices', 'plates'],
  make: (read, last) => {
    const { project } = read;
    const [devices, plates] = [read.rows('devices'), read.rows('plates')];
    const isSameHouse = last !== null && HOUSE.every((name) => last.table(name) === project[name]);
    const found = isSameHouse ? afterEdit(read, last.value) : { byKey: fromNothing(project) };
    return { ...found, devices, plates };
  },
});

export const allClashes = (project: ProjectDocument): ClashesByDevice => derivationsOf(project).get(ALL_CLASHES).byKey;

const NO_CLASHES: readonly Clash[] = [];

/** The clashes of each device; the same list again where it was not tested again. */
export const CLASHES_OF_DEVICE = lookup('clashes of a device', 'devices', ALL_CLASHES, NO_CLASHES);

function fromNothing(project: ProjectDocument): ClashesByDevice {
  const found = new Map<string, readonly Clash[]>();
  for (const levelId of Object.keys(project.levels)) {
    const devices = onLevel(project, 'devices', levelId);
    const cells = new Map<number, Device[]>();
    for (const device of devices) {
      const key = cellKey(device.x, device.y);
      const cell = cells.get(key);
      if (cell) cell.push(device);
      else cells.set(key, [device]);
    }
    for (const device of devices) {
      const clashes = clashesOf(project, device, around(cells, device));
      if (clashes.length > 0) found.set(device.id, clashes);
    }
  }
  return found;
}

/** What an edit of devices and plates makes of what was found before it. */
function afterEdit(read: Reading, before: AllClashes): Keyed<readonly Clash[]> {
  const { project } = read;
  const edited = read.changedSince('devices', before.devices);
  const cameOrWent = new Set([...edited.values()].flatMap(([was, is]) => (was && is ? [] : (was ?? is)!.typeId)));
  const touched = [...edited.values()].flat().filter((device) => device !== undefined);
  const also = [
    ...[...read.changedSince('plates', before.plates).values()].flat().flatMap((plate) => (plate ? plateDeviceIds(plate) : [])),
    ...(cameOrWent.size > 0 ? takingLeadsFrom(project, cameOrWent) : []),
  ];
  for (const id of also) if (!edited.has(id) && project.devices[id]) touched.push(project.devices[id]);
  const tested = new Map<string, readonly Clash[]>();
  for (const id of edited.keys()) if (!project.devices[id]) tested.set(id, NO_CLASHES);
  for (const levelId of new Set(touched.map((device) => device.levelId))) {
    const there = touched.filter((device) => device.levelId === levelId);
    const around = withinOf(onLevel(project, 'devices', levelId), there, 2 * NEAR_M);
    for (const device of withinOf(around, there, NEAR_M))
      tested.set(device.id, clashesOf(project, device, withinOf(around, [device], NEAR_M)));
  }
  const byKey = patchedMap(before.byKey, tested.keys(), (id) => (tested.get(id)!.length > 0 ? tested.get(id)! : null));
  return { byKey, since: { byKey: before.byKey, keys: new Set(tested.keys()) } };
}

/** Those devices of a level that are no farther along either axis from one of some places than so much. */
function withinOf(devices: readonly Device[], places: readonly Device[], farthestM: number): Device[] {
  return devices.filter((device) => {
    for (let n = 0; n < places.length; n++)
      if (Math.abs(device.x - places[n].x) <= farthestM && Math.abs(device.y - places[n].y) <= farthestM) return true;
    return false;
  });
}

/** Devices, wherever they are, whose lead comes from a device of one of these types. */
const takingLeadsFrom = (project: ProjectDocument, typeIds: ReadonlySet<string>): string[] =>
  listOf(project, 'devices').flatMap(({ id, typeId }) =>
    project.deviceTypes[typeId].cables.some(({ to, toTypeId }) => to === 'device' && toTypeId !== null && typeIds.has(toTypeId))
      ? [id]
      : [],
  );

const cellKey = (x: number, y: number) => Math.floor(x / NEAR_M) * 100_003 + Math.floor(y / NEAR_M);

function around(cells: ReadonlyMap<number, readonly Device[]>, { x, y }: Device): Device[] {
  const near: Device[] = [];
  for (let i = -1; i <= 1; i++) {
    for (let j = -1; j <= 1; j++) {
      for (const other of cells.get(cellKey(x + i * NEAR_M, y + j * NEAR_M)) ?? []) near.push(other);
    }
  }
  return near;
}
