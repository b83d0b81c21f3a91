import { edited } from '../derive/index.ts';
import { placeDevice } from '../devices/index.ts';
import {
  centroidOf,
  err,
  METRES_PER,
  ok,
  type Outcome,
  parseLength,
  type Point2,
  pointInPolygon,
  type Problem,
} from '../math/index.ts';
import { type Operation, type ProjectDocument, type Room, update } from '../model/index.ts';
import type { HouseTable, TableProblem, TableUnit } from './house-table.ts';
import { projectBounds } from '../house/index.ts';

/** What a column of a table of devices may hold. */
export const DEVICE_FIELDS = ['type', 'name', 'room', 'level', 'x', 'y', 'height'] as const;
export type DeviceField = (typeof DEVICE_FIELDS)[number];
export type DeviceColumns = Readonly<Partial<Record<DeviceField, number>>>;

/** Words that name a column, the likelier first. */
const NAMES: Readonly<Record<DeviceField, RegExp>> = {
  type: /^(type|device|kind|typ|ger[äa]t|appareil)\b/i,
  name: /^(name|label|bezeichnung|nom)\b/i,
  room: /^(room|space|raum|zimmer|pi[eè]ce)\b/i,
  level: /^(level|floor|storey|story|geschoss|etage|[ée]tage|niveau)\b/i,
  x: /^(x|east)\b/i,
  y: /^(y|north)\b/i,
  height: /^(height|h|aff|center|h[öo]he|hauteur)\b/i,
};

/** What the words over the columns say of them, each column once. */
export function guessDeviceColumns(head: readonly string[]): DeviceColumns {
  const found: Partial<Record<DeviceField, number>> = {};
  const words = head.map((word) =>
    word
      .replace(/[_-]+/g, ' ')
      .replace(/[([].*$/, '')
      .trim(),
  );
  for (const field of DEVICE_FIELDS) {
    const at = words.findIndex((word, n) => NAMES[field].test(word) && !Object.values(found).includes(n));
    if (at >= 0) found[field] = at;
  }
  return found;
}

/** Whether the words over a table speak of devices and not of rooms or walls. */
export const isDeviceTable = (head: readonly string[]): boolean => guessDeviceColumns(head).type !== undefined;

export interface TableDevice {
  readonly line: number;
  readonly typeId: string;
  readonly name: string;
  readonly levelId: string;
  readonly at: Point2;
  /** Above finished floor, m; null takes the usual height of the type. */
  readonly heightM: number | null;
}

export interface DeviceTable {
  readonly devices: readonly TableDevice[];
  readonly problems: readonly TableProblem[];
}

class CellFault extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code);
  }
}
const fault = (code: string, field: DeviceField, value: string, more: object = {}) =>
  new CellFault({ code, kind: 'invalid', field, value: value.slice(0, 40), ...more });

const spelled = (words: string): string => words.trim().replace(/\s+/g, ' ').toLowerCase();
/** Devices of one room without places of their own stand so far apart, m. */
const APART_M = 0.6;

/**
 * The devices that the rows of a table say: a type of the library by name or letters, and a room, or x and y. Rows that cannot be taken
 * are told by line and field: `table-column-missing`, `table-type`, `table-room`, `table-room-twice`, `table-level`, `table-cell`,
 * `table-place`, `table-range`.
 */
export function devicesOfTable(
  project: ProjectDocument,
  levelId: string,
  { rows, hasDecimalComma }: HouseTable,
  columns: DeviceColumns,
  unit: TableUnit,
): DeviceTable {
  const devices: TableDevice[] = [];
  const problems: TableProblem[] = [];
  const inRoom = new Map<string, number>();
  for (const { line, cells } of rows) {
    const cell = (field: DeviceField) => (columns[field] === undefined ? '' : (cells[columns[field]] ?? '').trim());
    try {
      if (columns.type === undefined) throw new CellFault({ code: 'table-column-missing', kind: 'incomplete', field: 'type' });
      const length = (field: DeviceField) =>
        lengthIn(cell(field), field, { unit, hasDecimalComma, units: project.project.units });
      const level = levelNamed(project, cell('level'), levelId);
      const room = cell('room') === '' ? null : roomNamed(project, cell('room'), cell('level') === '' ? null : level);
      const heightM = cell('height') === '' ? null : length('height');
      const hasPlace = cell('x') !== '' && cell('y') !== '';
      if (!hasPlace && !room) throw fault('table-place', 'room', '');
      const at: Point2 = hasPlace ? [length('x'), length('y')] : placeIn(room!, inRoom);
      if (at.some((value) => Math.abs(value) > 1000)) throw fault('table-range', 'x', cell('x'), { min: -1000, max: 1000 });
      if (heightM !== null && (heightM < -5 || heightM > 30))
        throw fault('table-range', 'height', cell('height'), { min: -5, max: 30 });
      const name = cell('name')
        .replace(/[\p{Cc}\p{Cf}]/gu, '')
        .slice(0, 80);
      devices.push({ line, typeId: typeNamed(project, cell('type')), name, levelId: room?.levelId ?? level, at, heightM });
    } catch (error) {
      if (!(error instanceof CellFault)) throw error;
      problems.push({ line, problem: error.problem });
    }
  }
  return { devices, problems };
}

function typeNamed({ deviceTypes }: ProjectDocument, said: string): string {
  const word = spelled(said);
  const types = Object.values(deviceTypes);
  const found =
    types.find(({ id, name }) => id === said || spelled(name) === word) ?? types.find(({ code }) => spelled(code) === word);
  if (!found || word === '') throw fault('table-type', 'type', said);
  return found.id;
}

function levelNamed({ levels }: ProjectDocument, said: string, otherwise: string): string {
  if (said === '') return otherwise;
  const found = Object.values(levels).find(
    ({ name, code }) => spelled(name) === spelled(said) || spelled(code) === spelled(said),
  );
  if (!found) throw fault('table-level', 'level', said);
  return found.id;
}

function roomNamed({ rooms }: ProjectDocument, said: string, levelId: string | null): Room {
  const found = Object.values(rooms).filter(
    (room) =>
      (levelId === null || room.levelId === levelId) &&
      (spelled(room.name) === spelled(said) || spelled(room.code) === spelled(said)),
  );
  if (found.length === 0) throw fault('table-room', 'room', said);
  if (found.length > 1) throw fault('table-room-twice', 'room', said);
  return found[0];
}

/** The middle of a room, or beside it where others of the table stand there already. */
function placeIn(room: Room, inRoom: Map<string, number>): Point2 {
  const outline = room.polygon as Point2[];
  const [x, y] = centroidOf(outline);
  const count = inRoom.get(room.id) ?? 0;
  inRoom.set(room.id, count + 1);
  // Around the middle, ring by ring, where the room is.
  let left = count;
  for (let ring = 0; ring < 40; ring++) {
    const places = ring === 0 ? 1 : 8 * ring;
    for (let n = 0; n < places; n++) {
      const turn = (2 * Math.PI * n) / places;
      const at: Point2 = [x + ring * APART_M * Math.cos(turn), y + ring * APART_M * Math.sin(turn)];
      if ((ring === 0 || pointInPolygon(at, outline)) && left-- === 0) return at;
    }
  }
  return [x, y];
}

interface LengthReading {
  readonly unit: TableUnit;
  readonly hasDecimalComma: boolean;
  readonly units: ProjectDocument['project']['units'];
}

function lengthIn(cell: string, field: DeviceField, { unit, hasDecimalComma, units }: LengthReading): number {
  const plain = hasDecimalComma || /^-?\d+,\d{1,3}$/.test(cell) ? cell.replace(',', '.') : cell;
  const isBare = /^[-+]?(\d+\.?\d*|\.\d+)$/.test(plain);
  const read = isBare ? ok(Number(plain) * METRES_PER[unit]) : parseLength(plain, units);
  if (!read.ok) throw fault('table-cell', field, cell);
  return read.value;
}

/** The operations that place the devices of a table with their runs, each with its name and height. Problems: those of `placeDevice`. */
export function devicesFromTable(
  project: ProjectDocument,
  { devices }: DeviceTable,
  ids: { readonly device: () => string; readonly run: () => string },
): Outcome<Operation[]> {
  const operations: Operation[] = [];
  let house = project;
  for (const { line, typeId, name, levelId, at, heightM } of devices) {
    if (!projectBounds(house, levelId))
      return err('level-empty', { kind: 'incomplete', field: 'level', level: house.levels[levelId].name, line });
    const placed = placeDevice(house, { typeId, levelId, at }, { device: ids.device(), run: ids.run });
    if (!placed.ok) return placed;
    const { device } = placed.value;
    const said = update('devices', device, { ...(name === '' ? {} : { name }), ...(heightM === null ? {} : { heightM }) });
    const own = [...placed.value.operations, ...(said ? [said] : [])];
    const next = edited(house, own);
    if (!next.ok) return next;
    operations.push(...own);
    house = next.value;
  }
  return ok(operations);
}
