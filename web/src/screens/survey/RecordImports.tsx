import {
  EQUIPMENT_FIELDS,
  type EquipmentColumns,
  equipmentFromTable,
  equipmentOfTable,
  guessEquipmentColumns,
} from '@dusky-spool/core/head-end';
import { formatLength, ok } from '@dusky-spool/core/math';
import {
  DEVICE_FIELDS,
  type DeviceColumns,
  devicesFromTable,
  devicesOfTable,
  guessDeviceColumns,
  guessLengthColumns,
  guessTableUnit,
  type HouseTable,
  LENGTH_TABLE_FIELDS,
  type LengthColumns,
  lengthsFromTable,
  lengthsOfTable,
} from '@dusky-spool/core/survey';
import { type ReactNode, useCallback } from 'react';
import { useOwnName } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { deviceIds, newRecordId } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { type ReadRows, RowsImport } from './RowsImport.tsx';

interface Props {
  readonly levelId: string;
  readonly name: string;
  readonly table: HouseTable;
  /** The choice of what the table lists. */
  readonly choices: ReactNode;
  readonly onClose: () => void;
}

/** The unit of lengths that name none. */
const unitOf = (head: readonly string[], isMetric: boolean) => guessTableUnit(head) ?? (isMetric ? 'm' : 'ft');

/** A table of devices: each with its type, room or place, and its runs. */
export function DeviceImport({ levelId, ...props }: Props) {
  const project = useProject();
  const { table } = props;
  const read = useCallback(
    (columns: DeviceColumns): ReadRows => {
      const { units } = project.project;
      const found = devicesOfTable(project, levelId, table, columns, unitOf(table.head, units === 'metric'));
      return {
        ...{
          count: found.devices.length,
          problems: found.problems,
          operations: () => devicesFromTable(project, found, deviceIds),
        },
        shown: found.devices.map(({ line, typeId, name, levelId: level, at, heightM }) => ({
          line,
          cells: [
            ...[project.deviceTypes[typeId].name, name, project.levels[level].name],
            ...[at.map((value) => formatLength(value, units)).join(', '), heightM === null ? '' : formatLength(heightM, units)],
          ],
        })),
      };
    },
    [project, levelId, table],
  );
  return (
    <RowsImport
      {...{ ...props, kind: 'devices', fields: DEVICE_FIELDS, guess: guessDeviceColumns, read }}
      lead={text('table.devicesLine')}
      labelOf={(field) => text(`table.devicesFields.${field}`)}
      takeLabel={(count) => text('table.placeDevices', { count })}
    />
  );
}

/** A table of equipment: each with its type and head end, and what differs from the type. */
export function EquipmentImport({ levelId: _levelId, ...props }: Props) {
  const project = useProject();
  const { table } = props;
  const read = useCallback(
    (columns: EquipmentColumns): ReadRows => {
      const { units } = project.project;
      const unit = unitOf(table.head, units === 'metric');
      const found = equipmentOfTable(project, table, columns, unit, () => newRecordId('eq'));
      return {
        ...{ count: found.equipment.length, problems: found.problems, operations: () => ok(equipmentFromTable(found)) },
        shown: found.equipment.map(({ line, name, rackId, units: height, depthM, weightKg, powerW }) => ({
          line,
          cells: [name, project.racks[rackId].name, `${height} U`, formatLength(depthM, units), `${weightKg} kg`, `${powerW} W`],
        })),
      };
    },
    [project, table],
  );
  return (
    <RowsImport
      {...{ ...props, kind: 'equipment', fields: EQUIPMENT_FIELDS, guess: guessEquipmentColumns, read }}
      lead={text('table.equipmentLine')}
      labelOf={(field) => text(`table.equipmentFields.${field}`)}
      takeLabel={(count) => text('table.addEquipment', { count })}
    />
  );
}

/** A table of measured lengths: each becomes a measured value of a room, wall, level, head end or riser. */
export function LengthImport({ levelId, ...props }: Props) {
  const project = useProject();
  const who = useOwnName();
  const { table } = props;
  const read = useCallback(
    (columns: LengthColumns): ReadRows => {
      const { units } = project.project;
      const unit = unitOf(table.head, units === 'metric');
      const found = lengthsOfTable(project, levelId, table, columns, unit, { who, today: today() });
      const what = columns.what;
      const whatOf = new Map(table.rows.map(({ line, cells }) => [line, what === undefined ? '' : (cells[what] ?? '')]));
      return {
        ...{ count: found.lengths.length, problems: found.problems },
        operations: () => lengthsFromTable(project, found, () => newRecordId('f')),
        shown: found.lengths.map(({ line, place, lengthM, by, on }) => ({
          line,
          cells: [place, whatOf.get(line) ?? '', formatLength(lengthM, units), by, on],
        })),
      };
    },
    [project, levelId, table, who],
  );
  return (
    <RowsImport
      {...{ ...props, kind: 'lengths', fields: LENGTH_TABLE_FIELDS, guess: guessLengthColumns, read }}
      lead={text('table.lengthsLine')}
      labelOf={(field) => text(`table.lengthsFields.${field}`)}
      takeLabel={(count) => text('table.addLengths', { count })}
    />
  );
}
