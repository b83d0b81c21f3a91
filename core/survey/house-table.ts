import { parse } from 'csv-parse/sync';
import { edited } from '../derive/index.ts';
import { projectBounds, type WallProposal } from '../house/index.ts';
import { distance2, err, type METRES_PER, ok, type Outcome, type Point2, pointInPolygon } from '../math/index.ts';
import type { Operation, ProjectDocument, Room } from '../model/index.ts';
import {
  CellFault,
  cellFault,
  columnsByName,
  eachRow,
  lengthInCell,
  type LengthReading,
  type TableProblem,
  type TableRow,
} from './table-cells.ts';
import { wallsFromProposals } from './walls-from-proposals.ts';
import { type NewId, SHORTEST_WALL_M, WALL_BUILDS } from './walls.ts';

/** What a column of a table of rooms or walls may hold. */
export const TABLE_FIELDS = ['name', 'level', 'width', 'depth', 'height', 'x1', 'y1', 'x2', 'y2', 'thickness'] as const;
export type TableField = (typeof TABLE_FIELDS)[number];
export type TableUnit = keyof typeof METRES_PER;

/** Which column of a table holds what, by its place in a row. */
export type TableColumns = Readonly<Partial<Record<TableField, number>>>;

/** A table as it was read: the words over its columns, and its rows with their line in the file. */
export interface HouseTable {
  readonly head: readonly string[];
  readonly rows: readonly TableRow[];
  /** Whether a comma in a number is its decimal point. */
  readonly hasDecimalComma: boolean;
}

interface TableRoom {
  readonly name: string;
  readonly levelId: string;
  /** Clear inside, m. */
  readonly widthM: number;
  readonly depthM: number;
  readonly heightM: number | null;
}

interface TableWall {
  readonly levelId: string;
  readonly a: Point2;
  readonly b: Point2;
  readonly thicknessM: number;
}

export interface TableHouse {
  readonly rooms: readonly TableRoom[];
  readonly walls: readonly TableWall[];
  readonly problems: readonly TableProblem[];
}

const MAX_TEXT = 4 * 1024 * 1024;
/** The largest table of a house that is read; a price list may be longer. */
export const MAX_TABLE_ROWS = 2000;
export const MAX_PRICE_ROWS = 5000;
export const MAX_TABLE_COLUMNS = 60;

/**
 * Reads a CSV table with a line of column names, whatever separates its cells.
 * Problems: `table-too-large`, `table-empty`, `table-damaged` (with the line).
 */
export function readHouseTable(text: string, maxRows = MAX_TABLE_ROWS): Outcome<HouseTable> {
  if (text.length > MAX_TEXT) return err('table-too-large', { kind: 'out_of_domain', field: 'file', limit: maxRows });
  const first = text.split(/\r?\n/).find((line) => line.trim() !== '') ?? '';
  const delimiter = [';', '\t', ','].reduce(
    (best, one) => (first.split(one).length > first.split(best).length ? one : best),
    ',',
  );
  let lines: { record: string[]; info: { lines: number } }[];
  try {
    lines = parse(text, {
      delimiter,
      bom: true,
      trim: true,
      skip_empty_lines: true,
      relax_column_count: true,
      relax_quotes: true,
      info: true,
    }) as never;
  } catch (error) {
    const { lines: line = 0, code = '' } = error as { lines?: number; code?: string };
    return err('table-damaged', { kind: 'invalid', field: 'file', line, reason: code.toLowerCase().replaceAll('_', ' ') });
  }
  return tableOfRows(
    lines.map(({ record, info }) => ({ line: info.lines, cells: record })),
    delimiter !== ',',
    maxRows,
  );
}

/**
 * The table of rows of cells, of which the first that says anything names the columns.
 * Problems: `table-too-large`, `table-empty`.
 */
export function tableOfRows(all: readonly TableRow[], hasDecimalComma = false, maxRows = MAX_TABLE_ROWS): Outcome<HouseTable> {
  const [head, ...rows] = all.filter(({ cells }) => cells.some((cell) => cell !== ''));
  if (!head || rows.length === 0) return err('table-empty', { kind: 'invalid', field: 'file' });
  if (rows.length > maxRows || head.cells.length > MAX_TABLE_COLUMNS)
    return err('table-too-large', { kind: 'out_of_domain', field: 'file', limit: maxRows });
  return ok({ head: head.cells, rows, hasDecimalComma });
}

/** Words that name a column, the likelier first. */
const NAMES: Readonly<Record<TableField, RegExp>> = {
  name: /^(room|name|space|raum|zimmer|pi[eè]ce|nom)\b/i,
  level: /^(level|floor|storey|story|geschoss|etage|[ée]tage|niveau)\b/i,
  width: /^(width|w|breite|largeur|x size)\b/i,
  depth: /^(depth|length|d|l|tiefe|l[äa]nge|longueur|profondeur|y size)\b/i,
  height: /^(height|h|ceiling|h[öo]he|hauteur)\b/i,
  x1: /^(x ?1|x ?a|from x|start x)\b/i,
  y1: /^(y ?1|y ?a|from y|start y)\b/i,
  x2: /^(x ?2|x ?b|to x|end x)\b/i,
  y2: /^(y ?2|y ?b|to y|end y)\b/i,
  thickness: /^(thick|thickness|t|dicke|st[äa]rke|[ée]paisseur)\b/i,
};

/** What the words over the columns say of them. */
export const guessColumns = (head: readonly string[]): TableColumns => columnsByName(head, TABLE_FIELDS, NAMES);

/** The unit that column names give in brackets; null where none does. */
export function guessTableUnit(head: readonly string[]): TableUnit | null {
  const said = head
    .join(' ')
    .match(/[([]\s*(mm|cm|m|in|ft)\s*[)\]]/i)?.[1]
    .toLowerCase();
  return (said as TableUnit | undefined) ?? null;
}

/** What is a length of which kind, m. */
const BOUNDS = {
  width: [0.3, 100],
  depth: [0.3, 100],
  height: [1.5, 20],
  thickness: [0.03, 1.5],
  x1: [-1000, 1000],
  y1: [-1000, 1000],
  x2: [-1000, 1000],
  y2: [-1000, 1000],
} as const;
type LengthField = keyof typeof BOUNDS;
const WALL_ENDS = ['x1', 'y1', 'x2', 'y2'] as const;

const columnMissing = (field: TableField) => new CellFault({ code: 'table-column-missing', kind: 'incomplete', field });

/**
 * The rooms (name, width, depth, perhaps height) or walls (their ends) that the rows of a table say. Lengths without a unit are in
 * `unit`. Rows that cannot be imported are reported by line, field and reason: `table-column-missing`, `table-cell`, `table-range`,
 * `table-level`.
 */
export function tableHouse(
  project: ProjectDocument,
  levelId: string,
  { rows, hasDecimalComma }: HouseTable,
  columns: TableColumns,
  unit: TableUnit,
): TableHouse {
  const house = { rooms: [] as TableRoom[], walls: [] as TableWall[], problems: [] as TableProblem[] };
  const hasWalls = WALL_ENDS.every((field) => columns[field] !== undefined);
  const reading = { unit, hasDecimalComma, units: project.project.units, commaDigits: 2 };
  house.problems = eachRow(rows, ({ cells }) => {
    const cell = (field: TableField) => (columns[field] === undefined ? '' : (cells[columns[field]] ?? ''));
    const length = (field: LengthField): number => {
      if (columns[field] === undefined) throw columnMissing(field);
      return lengthIn(cell(field), field, reading);
    };
    const level = levelNamed(project, cell('level'), levelId);
    if (hasWalls) {
      const [x1, y1, x2, y2] = WALL_ENDS.map(length);
      const thicknessM = cell('thickness') === '' ? WALL_BUILDS.stud.thicknessM : length('thickness');
      const wall: TableWall = { levelId: level, a: [x1, y1], b: [x2, y2], thicknessM };
      if (distance2(wall.a, wall.b) < SHORTEST_WALL_M)
        throw new CellFault({ code: 'table-range', kind: 'out_of_domain', field: 'x2', min: SHORTEST_WALL_M, max: 1000 });
      house.walls.push(wall);
    } else {
      const [widthM, depthM] = [length('width'), length('depth')];
      const heightM = cell('height') === '' ? null : length('height');
      house.rooms.push({ name: cell('name').slice(0, 60), levelId: level, widthM, depthM, heightM });
    }
  });
  return house;
}

/** A level by its name or letters; without one, the level that is open. Throws `table-level`. */
export function levelNamed({ levels }: ProjectDocument, cell: string, otherwise: string): string {
  if (cell === '') return otherwise;
  const word = cell.toLowerCase();
  const level = Object.values(levels).find(({ name, code }) => name.toLowerCase() === word || code.toLowerCase() === word);
  if (!level) throw cellFault('table-level', 'level', cell);
  return level.id;
}

function lengthIn(cell: string, field: LengthField, reading: LengthReading): number {
  const lengthM = lengthInCell(cell, field, reading);
  const [min, max] = BOUNDS[field];
  if (!(lengthM >= min - 1e-9 && lengthM <= max + 1e-9))
    throw cellFault('table-range', field, cell, { kind: 'out_of_domain', min, max });
  return lengthM;
}

/** Rooms of a table stand beside each other until somebody moves them together, m. */
const BETWEEN_M = 1;
const ROW_M = 24;

interface Placed {
  readonly room: TableRoom;
  readonly walls: readonly WallProposal[];
  readonly middle: Point2;
}

/** Puts rooms into rows beside what is drawn already; each has four walls of its own about its clear size. */
function placed(project: ProjectDocument, rooms: readonly TableRoom[]): Placed[] {
  const { thicknessM } = WALL_BUILDS.stud;
  const next = new Map<string, { left: number; x: number; y: number; tall: number }>();
  return rooms.map((room) => {
    const bounds = projectBounds(project, room.levelId);
    let at = next.get(room.levelId);
    if (!at) {
      const left = bounds ? Math.ceil(bounds.maxX + BETWEEN_M) : 0;
      next.set(room.levelId, (at = { left, x: left, y: Math.floor(bounds?.minY ?? 0), tall: 0 }));
    }
    const [w, d] = [room.widthM + thicknessM, room.depthM + thicknessM];
    if (at.x > at.left && at.x + w > at.left + ROW_M) Object.assign(at, { x: at.left, y: at.y + at.tall + BETWEEN_M, tall: 0 });
    const [x, y] = [at.x, at.y];
    Object.assign(at, { x: x + w + BETWEEN_M, tall: Math.max(at.tall, d) });
    const corners: Point2[] = [
      [x, y],
      [x + w, y],
      [x + w, y + d],
      [x, y + d],
    ];
    const walls = corners.map((a, n) => wallProposal(a, corners[(n + 1) % 4], thicknessM));
    return { room, walls, middle: [x + w / 2, y + d / 2] };
  });
}

const wallProposal = (a: Point2, b: Point2, thicknessM: number): WallProposal => ({
  a,
  b,
  thicknessM,
  openings: [],
  certainty: 1,
});

/** The operations that put the rooms or walls of a table into the house. Everything stays assumed until measured. */
export function houseFromTable(project: ProjectDocument, { rooms, walls }: TableHouse, newId: NewId): Outcome<Operation[]> {
  const all = placed(project, rooms);
  const operations: Operation[] = [];
  let house = project;
  for (const levelId of new Set([...rooms, ...walls].map((one) => one.levelId))) {
    const here = all.filter(({ room }) => room.levelId === levelId);
    const made = wallsFromProposals(
      house,
      levelId,
      [
        ...here.flatMap((one) => one.walls),
        ...walls.filter((wall) => wall.levelId === levelId).map(({ a, b, thicknessM }) => wallProposal(a, b, thicknessM)),
      ],
      newId,
      (room) => asSaid(room, here),
    );
    if (!made.ok) return made;
    operations.push(...made.value);
    // Codes of rooms on the next level are others than these.
    const next = edited(house, made.value);
    if (!next.ok) return next;
    house = next.value;
  }
  return ok(operations);
}

/** A new room with the name and the height that its row gives. */
function asSaid(room: Room, rooms: readonly Placed[]): Room {
  const found = rooms.find(({ middle }) => pointInPolygon(middle, room.polygon as readonly Point2[]));
  if (!found) return room;
  const { name, heightM } = found.room;
  return { ...room, name: name || room.name, ceilingHeightM: heightM ?? room.ceilingHeightM };
}
