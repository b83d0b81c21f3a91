import { deviceNumber, deviceTitle } from '../../devices/index.ts';
import { onLevel } from '../../derive/index.ts';
import { formatCableLength, formatLength } from '../../math/index.ts';
import type { Device, ProjectDocument } from '../../model/index.ts';
import { compareNumbers, type PlannedRun } from '../../runs/index.ts';
import { devicePlaceText, type PlaceWords } from './place-text.ts';
import { keyOf } from './plan-sheet.ts';

export interface PlanListTable {
  readonly section: 'devices' | 'key';
  readonly columns: readonly ('number' | 'what' | 'place' | 'height' | 'runs' | 'mark' | 'count')[];
  readonly rows: readonly (readonly string[])[];
}

export interface PlanListWords {
  readonly outdoors: string;
  readonly atCeiling: string;
  readonly place: PlaceWords;
}

/** A device of a level as it stands in a list. */
export interface DeviceLine {
  readonly device: Device;
  readonly number: string;
  readonly what: string;
  readonly place: string;
  readonly height: string;
}

/** The devices of a level in the order of their numbers, each with what it is, its place and its height in words. */
export const deviceLines = (project: ProjectDocument, levelId: string, words: PlanListWords): DeviceLine[] =>
  onLevel(project, 'devices', levelId)
    .map((device): DeviceLine => {
      const type = project.deviceTypes[device.typeId];
      return {
        device,
        number: deviceNumber(project, device),
        what: `${type.code} ${deviceTitle(device, type)}`,
        place: devicePlaceText(project, device, words),
        height: device.heightM === null ? words.atCeiling : formatLength(device.heightM, project.project.units),
      };
    })
    .sort((a, b) => compareNumbers(a.number, b.number));

/** Every device of a level with its number, place, height and runs, and what each mark means: the pages behind the plan. */
export function planList(
  project: ProjectDocument,
  levelId: string,
  runs: readonly PlannedRun[],
  words: PlanListWords,
): PlanListTable[] {
  const { units } = project.project;
  const own = new Map<string, PlannedRun[]>();
  for (const planned of runs) own.set(planned.run.deviceId, [...(own.get(planned.run.deviceId) ?? []), planned]);
  const rows = deviceLines(project, levelId, words).map(({ device, number, what, place, height }) => [
    ...[number, what, place, height],
    (own.get(device.id) ?? [])
      .toSorted((a, b) => compareNumbers(a.run.number, b.run.number))
      .map(({ run, length }) => {
        const cable = project.cableTypes[run.cableTypeId].name;
        return `${run.number} ${cable}${length ? ` ${formatCableLength(length.cutLengthM, units)}` : ''}`;
      })
      .join(', '),
  ]);
  const tables: PlanListTable[] = [
    { section: 'devices', columns: ['number', 'what', 'place', 'height', 'runs'], rows },
    {
      section: 'key',
      columns: ['mark', 'what', 'count'],
      rows: keyOf(project, levelId).map(({ code, name, count }) => [code, name, String(count)]),
    },
  ];
  return tables.filter((table) => table.rows.length > 0);
}
