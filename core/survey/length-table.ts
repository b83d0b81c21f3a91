import { edited } from '../derive/index.ts';
import { answerFact, wallNumbers } from '../house/index.ts';
import { ok, type Outcome } from '../math/index.ts';
import type { Fact, Operation, ProjectDocument } from '../model/index.ts';
import { type HouseTable, levelNamed, type TableUnit } from './house-table.ts';
import { roomNamed } from './device-table.ts';
import {
  CellFault,
  cellFault,
  columnsByName,
  dayInCell,
  eachRow,
  lengthInCell,
  plainWords,
  spelled,
  type TableProblem,
} from './table-cells.ts';

/** What a column of a table of measured lengths may hold. */
export const LENGTH_TABLE_FIELDS = ['place', 'level', 'what', 'length', 'by', 'on'] as const;
export type LengthTableField = (typeof LENGTH_TABLE_FIELDS)[number];
export type LengthColumns = Readonly<Partial<Record<LengthTableField, number>>>;

/** Words that name a column, the likelier first. */
const NAMES: Readonly<Record<LengthTableField, RegExp>> = {
  place: /^(place|where|room|wall|ort|raum|pi[eè]ce|lieu)\b/i,
  level: /^(level|floor|storey|story|geschoss|etage|[ée]tage|niveau)\b/i,
  what: /^(what|measure|dimension|ma(ß|ss)|mesure)\b/i,
  length: /^(length|value|measured|result|l[äa]nge|wert|longueur|valeur)\b/i,
  by: /^(by|who|person|measured by|von|par)\b/i,
  on: /^(on|date|day|datum|tag|le)\b/i,
};

/** What the words over the columns say of them. */
export const guessLengthColumns = (head: readonly string[]): LengthColumns => columnsByName(head, LENGTH_TABLE_FIELDS, NAMES);

/** Whether the words over a table speak of lengths that were measured. */
export function isLengthTable(head: readonly string[]): boolean {
  const { place, what, length } = guessLengthColumns(head);
  return place !== undefined && what !== undefined && length !== undefined;
}

/** What can be measured of which thing, by the words that name it; the first that fits is taken. */
const MEASURES: Readonly<Partial<Record<Fact['subject'], readonly (readonly [field: string, words: RegExp])[]>>> = {
  rooms: [
    ['joistSpacingM', /spacing|centers|centres/i],
    ['joistDepthM', /joist/i],
    ['ceilingHeightM', /ceiling|height|h[öo]he|hauteur/i],
  ],
  walls: [['cavityDepthM', /cavity|depth|hohlraum|cavit[ée]/i]],
  levels: [
    ['cavityDepthM', /cavity|structure|hohlraum/i],
    ['floorBuildUpM', /build.?up|topping|screed|aufbau/i],
    ['ceilingHeightM', /ceiling|height|h[öo]he|hauteur/i],
  ],
  racks: [['entryHeightM', /entry|height|h[öo]he|hauteur/i]],
  risers: [
    ['widthM', /width|breite|largeur/i],
    ['depthM', /depth|tiefe|profondeur/i],
  ],
};

export interface MeasuredLength {
  readonly line: number;
  readonly subject: Fact['subject'];
  readonly subjectId: string;
  /** The place as the row names it. */
  readonly place: string;
  readonly field: string;
  readonly lengthM: number;
  readonly by: string;
  /** YYYY-MM-DD. */
  readonly on: string;
}

export interface LengthTable {
  readonly lengths: readonly MeasuredLength[];
  readonly problems: readonly TableProblem[];
}

/**
 * The measured lengths that the rows of a table list: a room, wall number, level, head end or riser, what was measured there, and the length.
 * Rows without a person or day are by `who`, YYYY-MM-DD `today`. Rows that cannot be imported are reported with line and field:
 * `table-column-missing`, `length-place`, `length-what`, `table-room-twice`, `table-level`, `table-cell`, `date-cell`, and what the project
 * refuses (`record-invalid`).
 */
export function lengthsOfTable(
  project: ProjectDocument,
  levelId: string,
  { rows, hasDecimalComma }: HouseTable,
  columns: LengthColumns,
  unit: TableUnit,
  { who, today }: { readonly who: string; readonly today: string },
): LengthTable {
  const lengths: MeasuredLength[] = [];
  const reading = { unit, hasDecimalComma, units: project.project.units, commaDigits: 3 };
  const problems = eachRow(rows, ({ line, cells }) => {
    for (const field of ['place', 'what', 'length'] as const)
      if (columns[field] === undefined) throw new CellFault({ code: 'table-column-missing', kind: 'incomplete', field });
    const cell = (field: LengthTableField) => (columns[field] === undefined ? '' : (cells[columns[field]] ?? '').trim());
    const at = placeNamed(project, cell('place'), cell('level'), levelId);
    const field = MEASURES[at.subject]?.find(([, words]) => words.test(cell('what')))?.[0];
    if (!field) throw cellFault('length-what', 'what', cell('what'));
    const length: MeasuredLength = {
      ...{ line, ...at, place: cell('place'), field, lengthM: lengthInCell(cell('length'), 'length', reading) },
      ...{ by: plainWords(cell('by'), 60) || who, on: dayInCell(cell('on'), 'on') || today },
    };
    const written = writeLength(project, length, 'trial');
    const after = written.ok ? edited(project, written.value) : written;
    if (!after.ok) throw new CellFault({ ...after.problem, field: 'length' });
    lengths.push(length);
  });
  return { lengths, problems };
}

function placeNamed(
  project: ProjectDocument,
  place: string,
  level: string,
  openLevelId: string,
): Pick<MeasuredLength, 'subject' | 'subjectId'> {
  if (place === '') throw cellFault('length-place', 'place', '');
  const word = spelled(place);
  const onLevelId = levelNamed(project, level.replace(/\s+/g, ' '), openLevelId);
  const numbers = wallNumbers(project);
  const wall = Object.values(project.walls).find(
    ({ id, levelId }) => levelId === onLevelId && numbers.get(id) === word.toUpperCase(),
  );
  if (wall) return { subject: 'walls', subjectId: wall.id };
  const named = (records: Readonly<Record<string, { readonly name: string; readonly code?: string }>>) =>
    Object.entries(records).find(([, { name, code = '' }]) => spelled(name) === word || spelled(code) === word)?.[0];
  if (named(project.rooms)) return { subject: 'rooms', subjectId: roomNamed(project, place, level === '' ? null : onLevelId).id };
  for (const subject of ['levels', 'racks', 'risers'] as const) {
    const id = named(project[subject]);
    if (id) return { subject, subjectId: id };
  }
  throw cellFault('length-place', 'place', place);
}

const writeLength = (
  project: ProjectDocument,
  { subject, subjectId, field, lengthM, by, on }: MeasuredLength,
  factId: string,
): Outcome<Operation[]> =>
  answerFact(project, { subject, subjectId, field }, { value: lengthM, state: 'measured', by, on }, factId);

/** The operations that write measured lengths into a project; of two for one thing the later row counts. Problems: those of `answerFact`. */
export function lengthsFromTable(project: ProjectDocument, { lengths }: LengthTable, newId: () => string): Outcome<Operation[]> {
  const last = new Map(lengths.map((length) => [`${length.subject}/${length.subjectId}/${length.field}`, length]));
  const operations: Operation[] = [];
  for (const length of last.values()) {
    const written = writeLength(project, length, newId());
    if (!written.ok) return written;
    operations.push(...written.value);
  }
  return ok(operations);
}
