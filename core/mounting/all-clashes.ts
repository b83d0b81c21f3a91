import { plateDeviceIds } from '../devices/index.ts';
import { listOf, onLevel, originOf, type Device, type ProjectDocument } from '../project/index.ts';
import type { Clash } from './clash.ts';
import { clashesOf } from './clashes.ts';

/** Devices farther apart than this along either axis never meet: two of the largest faces and what they keep clear, m. */
const NEAR_M = 3;
const TABLES = ['levels', 'rooms', 'walls', 'openings', 'features', 'framingMembers', 'facts', 'deviceTypes'] as const;

export type ClashesByDevice = ReadonlyMap<string, readonly Clash[]>;

/** What an edit made of the clashes before it: only these devices were tested again. */
export interface ClashChange {
  readonly before: ClashesByDevice;
  readonly ids: ReadonlySet<string>;
}

interface Kept {
  readonly house: readonly object[];
  readonly plates: ProjectDocument['plates'];
  readonly clashes: ClashesByDevice;
  readonly since: ClashChange | null;
}
const kept = new WeakMap<object, Kept>();

/**
 * The clashes of every device. Where an edit left the house alone, only those devices are tested again that it touched or whose
 * plate it touched, the ones near where they were and are, and those that take a lead from a device that came or went.
 */
export const allClashes = (document: ProjectDocument): ClashesByDevice => keptOf(document).clashes;

/** What differs from the clashes that were known before; null where all devices were tested. */
export const clashesSince = (document: ProjectDocument): ClashChange | null => keptOf(document).since;

function keptOf(document: ProjectDocument): Kept {
  const house = TABLES.map((name) => document[name]);
  const known = kept.get(document.devices);
  if (known && sameHouse(known, house) && known.plates === document.plates) return known;
  const edited = afterEdit(document, house) ?? { clashes: fromNothing(document), since: null };
  const now: Kept = { house, plates: document.plates, ...edited };
  kept.set(document.devices, now);
  return now;
}

const sameHouse = (known: Kept, house: readonly object[]) => known.house.every((table, i) => table === house[i]);

function fromNothing(document: ProjectDocument): ClashesByDevice {
  const found = new Map<string, readonly Clash[]>();
  for (const levelId of Object.keys(document.levels)) {
    const devices = onLevel(document, 'devices', levelId);
    const cells = new Map<number, Device[]>();
    for (const device of devices) {
      const key = cellKey(device.x, device.y);
      const cell = cells.get(key);
      if (cell) cell.push(device);
      else cells.set(key, [device]);
    }
    for (const device of devices) {
      const clashes = clashesOf(document, device, around(cells, device));
      if (clashes.length > 0) found.set(device.id, clashes);
    }
  }
  return found;
}

/** What an edit of a few devices and plates makes of what was found before it; null where that is not known. */
function afterEdit(document: ProjectDocument, house: readonly object[]): Pick<Kept, 'clashes' | 'since'> | null {
  const own = kept.get(document.devices);
  const origin = own ? null : originOf(document.devices);
  const before = own ?? (origin && kept.get(origin.before));
  if (!before || !sameHouse(before, house)) return null;
  const was = (origin?.before ?? document.devices) as ProjectDocument['devices'];
  const edited = origin?.ids ?? NONE;
  const ids = new Set([...edited, ...ofChangedPlates(before.plates, document.plates)]);
  const cameOrWent = new Set(
    [...edited].flatMap((id) => (was[id] && document.devices[id] ? [] : ((was[id] ?? document.devices[id])?.typeId ?? []))),
  );
  if (cameOrWent.size > 0) for (const id of takingLeadsFrom(document, cameOrWent)) ids.add(id);
  const touched = [...ids].flatMap((id) => [was[id], document.devices[id]].filter((device) => device !== undefined));
  const found = new Map(before.clashes);
  const tested = new Set(edited);
  for (const id of edited) if (!document.devices[id]) found.delete(id);
  for (const levelId of new Set(touched.map((device) => device.levelId))) {
    const there = touched.filter((device) => device.levelId === levelId);
    const around = withinOf(onLevel(document, 'devices', levelId), there, 2 * NEAR_M);
    for (const device of withinOf(around, there, NEAR_M)) {
      tested.add(device.id);
      const clashes = clashesOf(document, device, withinOf(around, [device], NEAR_M));
      if (clashes.length > 0) found.set(device.id, clashes);
      else found.delete(device.id);
    }
  }
  return { clashes: found, since: { before: before.clashes, ids: tested } };
}

/** Those devices of a level that are no farther along either axis from one of some places than so much. */
function withinOf(devices: readonly Device[], places: readonly Device[], farthestM: number): Device[] {
  const found: Device[] = [];
  for (const device of devices)
    for (const { x, y } of places)
      if (Math.abs(device.x - x) <= farthestM && Math.abs(device.y - y) <= farthestM) {
        found.push(device);
        break;
      }
  return found;
}

const NONE: ReadonlySet<string> = new Set();

/** Devices of plates that one of two states has otherwise than the other: what shares a plate does not clash. */
function ofChangedPlates(before: ProjectDocument['plates'], after: ProjectDocument['plates']): string[] {
  if (before === after) return [];
  const changed = Object.keys({ ...before, ...after }).filter((id) => before[id] !== after[id]);
  return changed.flatMap((id) => [before[id], after[id]].flatMap((plate) => (plate ? plateDeviceIds(plate) : [])));
}

/** Devices, wherever they are, whose lead comes from a device of one of these types. */
const takingLeadsFrom = (document: ProjectDocument, typeIds: ReadonlySet<string>): string[] =>
  listOf(document, 'devices').flatMap(({ id, typeId }) =>
    document.deviceTypes[typeId].cables.some(({ to, toTypeId }) => to === 'device' && toTypeId !== null && typeIds.has(toTypeId))
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
