import { deviceTitle, tapePlaceOf } from '@dusky-spool/core/devices';
import { formatCableLength, formatLength, formatLengthFine, type Point2 } from '@dusky-spool/core/math';
import type { CollectionName, Device, FieldConflict, ProjectDocument } from '@dusky-spool/core/model';
import { placeText } from '@dusky-spool/core/sheets';
import { placeWords } from './place-words.ts';
import { fieldName } from './sentences.ts';
import { words } from './words.ts';

/** Words of choices, by the field and then the list that has them. */
const CHOICES: Readonly<Record<string, readonly string[]>> = {
  state: ['states', 'sealStates'],
  fitting: ['fittings'],
  attitude: ['attitudes'],
  labelledEnds: ['labelledEnds'],
  labelling: ['labelling'],
  slackStyle: ['slackStyles', 'rackSlacks'],
  answer: ['answers'],
  construction: ['constructions'],
  units: ['units'],
  speakerColours: ['speakerColours'],
  speakerPairs: ['speakerPairs'],
  framing: ['framings'],
  ceilingKind: ['ceilings'],
  kind: ['walls', 'features', 'openings', 'racks', 'equipment'],
  system: ['systems'],
  topic: ['topics'],
  channel: ['channels'],
  part: ['packageParts', 'parts'],
  suppliedBy: ['parties'],
  fittedBy: ['parties'],
  programmedBy: ['parties'],
  dataCable: ['dataCables'],
  substrate: ['substrates'],
  gate: ['gates'],
  boxKind: ['boxes'],
  opening: ['plateOpenings'],
  jurisdiction: ['jurisdictions'],
  result: ['inspectionResults'],
  task: ['fieldTasks'],
  how: ['foundHow'],
  stage: ['wallStages'],
};

/** Fields that name a record of another list. */
const NAMED: Readonly<Record<string, CollectionName>> = {
  typeId: 'deviceTypes',
  cableTypeId: 'cableTypes',
  mapId: 'conductorMaps',
  roomId: 'rooms',
  levelId: 'levels',
  topLevelId: 'levels',
  rackId: 'racks',
  deviceId: 'devices',
  toDeviceId: 'devices',
  phaseId: 'phases',
  mountTypeId: 'deviceTypes',
  belongsTo: 'features',
  wallId: 'walls',
  areaId: 'features',
  decisionId: 'decisions',
  foundId: 'features',
  runId: 'runs',
  spoolId: 'spools',
  equipmentId: 'equipment',
  toEquipmentId: 'equipment',
  feedId: 'equipment',
  circuitId: 'circuits',
};

/** A record as people call it: a run by its number, a device by its type and name, a wall as a wall. */
export function recordName(project: ProjectDocument, list: CollectionName | 'project', id: string): string {
  if (list === 'project') return words.t('ui.conflicts.job');
  const record = (project[list] as Readonly<Record<string, object>>)[id] as
    { readonly name?: string; readonly number?: unknown; readonly kind?: string; readonly code?: string } | undefined;
  const kind = words.t(`ui.conflicts.kinds.${list}`, { defaultValue: words.t('ui.conflicts.kinds.other') });
  if (!record) return kind;
  if (list === 'runs') return words.t('ui.conflicts.run', { number: record.number });
  if (list === 'devices') {
    const device = record as Device;
    return project.deviceTypes[device.typeId] ? deviceTitle(device, project.deviceTypes[device.typeId]) : kind;
  }
  if (record.name) return record.name;
  const ofKind = choiceWords('kind', record.kind ?? '');
  return ofKind ?? kind;
}

function choiceWords(field: string, value: string): string | null {
  const list = CHOICES[field]?.find((name) => words.exists(`terms.${name}.${value}`));
  return list ? words.t(`terms.${list}.${value}`) : null;
}

/** A value of a field as it stands beside that field: with its unit, as a name, as the choice. */
export function fieldValue(project: ProjectDocument, field: string, value: unknown): string {
  const { units } = project.project;
  if (value === undefined) return words.t('ui.conflicts.deleted');
  if (value === null) return words.t(field === 'heightM' ? 'ui.conflicts.atCeiling' : 'ui.conflicts.none');
  if (value === '') return words.t('ui.conflicts.empty');
  if (typeof value === 'boolean') return words.t(value ? 'ui.conflicts.yes' : 'ui.conflicts.no');
  if (typeof value === 'string') {
    const list = NAMED[field];
    return list ? recordName(project, list, value) : (choiceWords(field, value) ?? value);
  }
  if (typeof value === 'number') {
    if (/^(deviceSlackM|rackSlackM|cutLengthM)$/.test(field)) return formatCableLength(value, units);
    if (/[a-z]M$/.test(field) || field === 'x' || field === 'y') return formatLengthFine(value, units);
    if (field.endsWith('Rad')) return `${Math.round((value * 180) / Math.PI)}°`;
    return String(value);
  }
  if (isPoint(value)) return value.map((length) => formatLength(length, units)).join(' · ');
  if (Array.isArray(value)) {
    if (value.every((one) => typeof one === 'string'))
      return value.map((one) => choiceWords(field, one) ?? one).join(', ') || words.t('ui.conflicts.none');
    return words.t(value.every(isPoint) ? 'ui.conflicts.corners' : 'ui.conflicts.entries', { count: value.length });
  }
  return Object.entries(value)
    .map(([name, one]) => `${fieldName(name)}: ${fieldValue(project, name, one)}`)
    .join(', ');
}

const isPoint = (value: unknown): value is Point2 =>
  Array.isArray(value) && value.length === 2 && value.every((one) => typeof one === 'number');

export interface ConflictLine {
  readonly key: string;
  readonly what: string;
  readonly field: string;
  readonly mine: string;
  readonly theirs: string;
}

/** Parts of where a device is: told as one place. */
const PLACE_FIELDS: ReadonlySet<string> = new Set(['x', 'y', 'roomId', 'facingRad', 'number']);

/** What two people made of the same fields, in words: "Height: 1.20 m or 1.30 m". */
export function conflictLines(project: ProjectDocument, conflicts: readonly FieldConflict[]): ConflictLine[] {
  const moved = new Set(
    conflicts.flatMap(({ in: list, field, id }) => (list === 'devices' && (field === 'x' || field === 'y') ? [id] : [])),
  );
  const isPartOfMove = ({ in: list, id, field }: FieldConflict) =>
    list === 'devices' && moved.has(id) && PLACE_FIELDS.has(field) && project.devices[id] !== undefined;
  const places = [...moved].flatMap((id): ConflictLine[] => {
    const device = project.devices[id];
    if (!device) return [];
    const at = (side: 'mine' | 'theirs') => {
      const fields = conflicts.filter((one) => one.id === id && PLACE_FIELDS.has(one.field));
      const there = { ...device, ...Object.fromEntries(fields.map((one) => [one.field, one[side]])) };
      return placeText(project, tapePlaceOf(project, there), placeWords);
    };
    const what = recordName(project, 'devices', id);
    return [{ key: `${id} place`, what, field: words.t('ui.conflicts.place'), mine: at('mine'), theirs: at('theirs') }];
  });
  const others = conflicts
    .filter((one) => !isPartOfMove(one))
    .map((one): ConflictLine => {
      const { in: list, id, field } = one;
      return {
        key: `${id} ${field}`,
        what: recordName(project, list, id),
        field: field === '' ? '' : fieldName(field),
        mine: fieldValue(project, field, one.mine),
        theirs: fieldValue(project, field, one.theirs),
      };
    });
  return [...places, ...others];
}
