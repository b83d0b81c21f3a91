import { deviceNumber, deviceTitle, tapePlaceOf } from '../../devices/index.ts';
import { onLevel } from '../../derive/index.ts';
import { formatCableLength, formatLength } from '../../math/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { compareNumbers, type PlannedRun } from '../../runs/index.ts';
import { placeText, type PlaceWords } from './place-text.ts';
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
  const rows = onLevel(project, 'devices', levelId)
    .map((device) => {
      const type = project.deviceTypes[device.typeId];
      const where = placeText(project, tapePlaceOf(project, device), words.place);
      return [
        deviceNumber(project, device),
        `${type.code} ${deviceTitle(device, type)}`,
        device.roomId === null ? `${words.outdoors}, ${where}` : where,
        device.heightM === null ? words.atCeiling : formatLength(device.heightM, units),
        (own.get(device.id) ?? [])
          .toSorted((a, b) => compareNumbers(a.run.number, b.run.number))
          .map(({ run, length }) => {
            const cable = project.cableTypes[run.cableTypeId].name;
            return `${run.number} ${cable}${length ? ` ${formatCableLength(length.cutLengthM, units)}` : ''}`;
          })
          .join(', '),
      ];
    })
    .sort(([a], [b]) => compareNumbers(a, b));
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
