import { edited } from '../derive/index.ts';
import { placeDevice } from '../devices/index.ts';
import { centroidOf, err, ok, type Outcome, type Point2, pointInPolygon } from '../math/index.ts';
import { type Operation, type ProjectDocument, type Room, update } from '../model/index.ts';
import { projectBounds } from '../house/index.ts';
import { type HouseTable, levelNamed, type TableUnit } from './house-table.ts';
import {
  CellFault,
  cellFault,
  columnsByName,
  eachRow,
  lengthInCell,
  plainWords,
  spelled,
  type TableProblem,
} from './table-cells.ts';

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

/** What the words over the columns say of them. */
export const guessDeviceColumns = (head: readonly string[]): DeviceColumns => columnsByName(head, DEVICE_FIELDS, NAMES);

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

/** Devices of one room without places of their own stand so far apart, m. */
const APART_M = 0.6;

/**
 * The devices that the rows of a table list: a type of the library by name or letters, and a room, or x and y. Rows that cannot be taken
 * are reported with line and field: `table-column-missing`, `table-type`, `table-room`, `table-room-twice`, `table-level`, `table-cell`,
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
  const inRoom = new Map<string, number>();
  const reading = { unit, hasDecimalComma, units: project.project.units, commaDigits: 3 };
  const problems = eachRow(rows, ({ line, cells }) => {
    const cell = (field: DeviceField) => (columns[field] === undefined ? '' : (cells[columns[field]] ?? '').trim());
    if (columns.type === undefined) throw new CellFault({ code: 'table-column-missing', kind: 'incomplete', field: 'type' });
    const length = (field: DeviceField) => lengthInCell(cell(field), field, reading);
    const level = levelNamed(project, cell('level').replace(/\s+/g, ' '), levelId);
    const room = cell('room') === '' ? null : roomNamed(project, cell('room'), cell('level') === '' ? null : level);
    const heightM = cell('height') === '' ? null : length('height');
    const hasPlace = cell('x') !== '' && cell('y') !== '';
    if (!hasPlace && !room) throw cellFault('table-place', 'room', '');
    const at: Point2 = hasPlace ? [length('x'), length('y')] : placeIn(room!, inRoom);
    if (at.some((value) => Math.abs(value) > 1000)) throw cellFault('table-range', 'x', cell('x'), { min: -1000, max: 1000 });
    if (heightM !== null && (heightM < -5 || heightM > 30))
      throw cellFault('table-range', 'height', cell('height'), { min: -5, max: 30 });
    const name = plainWords(cell('name'), 80);
    devices.push({ line, typeId: typeNamed(project, cell('type')), name, levelId: room?.levelId ?? level, at, heightM });
  });
  return { devices, problems };
}

function typeNamed({ deviceTypes }: ProjectDocument, cell: string): string {
  const word = spelled(cell);
  const types = Object.values(deviceTypes);
  const found =
    types.find(({ id, name }) => id === cell || spelled(name) === word) ?? types.find(({ code }) => spelled(code) === word);
  if (!found || word === '') throw cellFault('table-type', 'type', cell);
  return found.id;
}

export function roomNamed({ rooms }: ProjectDocument, word: string, levelId: string | null): Room {
  const found = Object.values(rooms).filter(
    (room) =>
      (levelId === null || room.levelId === levelId) &&
      (spelled(room.name) === spelled(word) || spelled(room.code) === spelled(word)),
  );
  if (found.length === 0) throw cellFault('table-room', 'room', word);
  if (found.length > 1) throw cellFault('table-room-twice', 'room', word);
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
    const changed = update('devices', device, { ...(name === '' ? {} : { name }), ...(heightM === null ? {} : { heightM }) });
    const own = [...placed.value.operations, ...(changed ? [changed] : [])];
    const next = edited(house, own);
    if (!next.ok) return next;
    operations.push(...own);
    house = next.value;
  }
  return ok(operations);
}
