import { edited } from '../derive/index.ts';
import { create, type Equipment, type Operation, type ProjectDocument, type Rack } from '../model/index.ts';
import {
  amountInCell,
  CellFault,
  cellFault,
  columnsByName,
  eachRow,
  type HouseTable,
  lengthInCell,
  plainWords,
  spelled,
  type TableProblem,
  type TableUnit,
} from '../survey/index.ts';
import { EQUIPMENT_PRESETS, newEquipment } from './library.ts';

/** What a column of a table of equipment may hold. */
export const EQUIPMENT_FIELDS = [
  'type',
  'name',
  'headEnd',
  'units',
  'depth',
  'weight',
  'power',
  'heat',
  'serial',
  'note',
] as const;
export type EquipmentField = (typeof EQUIPMENT_FIELDS)[number];
export type EquipmentColumns = Readonly<Partial<Record<EquipmentField, number>>>;

/** Words that name a column, the likelier first. */
const NAMES: Readonly<Record<EquipmentField, RegExp>> = {
  type: /^(type|equipment|kind|typ|ger[äa]t|mat[ée]riel)\b/i,
  name: /^(name|label|bezeichnung|nom)\b/i,
  headEnd: /^(head ?end|rack|enclosure|cabinet|schrank|baie|armoire)\b/i,
  units: /^(units?|ru|u|he)\b/i,
  depth: /^(depth|tiefe|profondeur)\b/i,
  weight: /^(weight|mass|kg|gewicht|poids)\b/i,
  power: /^(power|watts?|w|leistung|puissance)\b/i,
  heat: /^(heat|w[äa]rme|chaleur)\b/i,
  serial: /^(serial|serial (no|number)|s\/?n|seriennummer|n[°o] de s[ée]rie)\b/i,
  note: /^(note|remark|comment|bemerkung|remarque)s?\b/i,
};

/** What the words over the columns say of them. */
export const guessEquipmentColumns = (head: readonly string[]): EquipmentColumns => columnsByName(head, EQUIPMENT_FIELDS, NAMES);

/** Whether the words over a table speak of equipment: a type, and units of a rack or a head end. */
export function isEquipmentTable(head: readonly string[]): boolean {
  const { type, headEnd, units } = guessEquipmentColumns(head);
  return type !== undefined && (headEnd !== undefined || units !== undefined);
}

export interface EquipmentTable {
  readonly equipment: readonly (Equipment & { readonly line: number })[];
  readonly problems: readonly TableProblem[];
}

/**
 * The equipment that the rows of a table list: a generic type by its name, the head end by name or letters (the first one where the row
 * names none), and what differs from the type. Weight in kg, power and heat in W. Rows that cannot be imported are reported with line and
 * field: `table-column-missing`, `equipment-type`, `equipment-head-end`, `equipment-figure`, `table-cell`, and what the project refuses
 * (`record-invalid`).
 */
export function equipmentOfTable(
  project: ProjectDocument,
  { rows, hasDecimalComma }: HouseTable,
  columns: EquipmentColumns,
  unit: TableUnit,
  newId: () => string,
): EquipmentTable {
  const equipment: (Equipment & { readonly line: number })[] = [];
  const reading = { unit, hasDecimalComma, units: project.project.units, commaDigits: 3 };
  const problems = eachRow(rows, ({ line, cells }) => {
    if (columns.type === undefined) throw new CellFault({ code: 'table-column-missing', kind: 'incomplete', field: 'type' });
    const cell = (field: EquipmentField) => (columns[field] === undefined ? '' : (cells[columns[field]] ?? '').trim());
    const figure = (field: EquipmentField) => {
      const value = amountInCell(cell(field).replace(/\s*(kg|w|u)$/i, ''), hasDecimalComma);
      if (value === null) throw cellFault('equipment-figure', field, cell(field));
      return value;
    };
    const word = spelled(cell('type'));
    const preset = EQUIPMENT_PRESETS.find(({ presetId, name }) => presetId === word || spelled(name) === word);
    if (!preset) throw cellFault('equipment-type', 'type', cell('type'));
    const one = newEquipment(preset, {
      ...{ id: newId(), rackId: headEndNamed(project, cell('headEnd')).id, name: plainWords(cell('name'), 60) || preset.name },
      ...(cell('units') === '' ? {} : { units: figure('units') }),
      ...(cell('depth') === '' ? {} : { depthM: lengthInCell(cell('depth'), 'depth', reading) }),
      ...(cell('weight') === '' ? {} : { weightKg: figure('weight') }),
      ...(cell('power') === '' ? {} : { powerW: figure('power') }),
      ...(cell('heat') === '' ? {} : { heatW: figure('heat') }),
      ...{ serial: plainWords(cell('serial'), 60), note: plainWords(cell('note'), 400) },
    });
    const after = edited(project, [create('equipment', one)]);
    if (!after.ok) throw new CellFault({ ...after.problem, field: fieldOf(after.problem.field) });
    equipment.push({ ...one, line });
  });
  return { equipment, problems };
}

/** The column that holds what a field of the record says. */
const COLUMN_OF: Readonly<Record<string, EquipmentField>> = {
  depthM: 'depth',
  weightKg: 'weight',
  powerW: 'power',
  heatW: 'heat',
};
function fieldOf(field = 'type'): string {
  const name = field.split('.').at(-1)!;
  return COLUMN_OF[name] ?? name;
}

function headEndNamed({ racks }: ProjectDocument, cell: string): Rack {
  const all = Object.values(racks);
  const word = spelled(cell);
  const found = cell === '' ? all[0] : all.find(({ name, code }) => spelled(name) === word || spelled(code) === word);
  if (!found) throw cellFault('equipment-head-end', 'headEnd', cell);
  return found;
}

/** The operations that put equipment of a table into its head ends, not placed yet. */
export const equipmentFromTable = ({ equipment }: EquipmentTable): Operation[] =>
  equipment.map(({ line: _line, ...one }) => create('equipment', one));
