import {
  DEVICE_FIELDS,
  type DeviceColumns,
  devicesFromTable,
  devicesOfTable,
  type DeviceTable,
  guessDeviceColumns,
  guessTableUnit,
  type HouseTable,
} from '@dusky-spool/core/survey';
import { formatLength } from '@dusky-spool/core/math';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Modal } from 'antd';
import { type ReactNode, useMemo, useState } from 'react';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { deviceIds, useProjectParts } from '../../state/project.ts';
import { ColumnChoices } from '../../ui/ColumnChoices.tsx';
import css from './survey.module.css';

interface Props {
  readonly levelId: string;
  readonly name: string;
  readonly table: HouseTable;
  /** What the table lists. */
  readonly choices: ReactNode;
  readonly onClose: () => void;
}

const MAX_SHOWN = 200;

/** A table of devices: its columns are given meaning, each bad row is told, and the others are placed with their runs. */
export function DeviceImport({ levelId, name, table, choices, onClose }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [chosen, setChosen] = useState<DeviceColumns | null>(null);
  const columns = chosen ?? guessDeviceColumns(table.head);
  const unit = guessTableUnit(table.head) ?? (project.project.units === 'metric' ? 'm' : 'ft');
  const found = useMemo(() => devicesOfTable(project, levelId, table, columns, unit), [project, levelId, table, columns, unit]);
  const place = () => {
    if (edit(text('table.title', { name }), devicesFromTable(project, found, deviceIds))) onClose();
  };
  return (
    <Modal
      open
      width={900}
      title={text('table.title', { name })}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{text('cancel')}</Button>
          <Button type="primary" disabled={found.devices.length === 0} onClick={place}>
            {text('table.placeDevices', { count: found.devices.length })}
          </Button>
        </>
      }
    >
      {choices}
      <p className="faint">{text('table.deviceLine')}</p>
      <div className={css.tableColumns}>
        <ColumnChoices
          fields={DEVICE_FIELDS}
          labelOf={(field) => text(`table.deviceFields.${field}`)}
          head={table.head}
          columns={columns}
          onColumns={setChosen}
        />
      </div>
      <DevicePreview found={found} />
    </Modal>
  );
}

/** What the rows come to, and why some do not. */
function DevicePreview({ found: { devices, problems } }: { readonly found: DeviceTable }) {
  const { deviceTypes, levels, project } = useProject();
  const { units } = project;
  return (
    <div className={css.tablePreview}>
      {problems.length > 0 && (
        <ul className="caution" role="alert" aria-label={text('table.notTaken', { count: problems.length })}>
          {problems.slice(0, MAX_SHOWN).map(({ line, problem }) => (
            <li key={line}>
              {text('table.row', { line })} {problemSentence(problem, units)}
            </li>
          ))}
        </ul>
      )}
      <table className={css.layerTable}>
        <tbody>
          {devices.slice(0, MAX_SHOWN).map(({ line, typeId, name, levelId, at, heightM }) => (
            <tr key={line}>
              <th scope="row">{deviceTypes[typeId].name}</th>
              <td>{name}</td>
              <td>{levels[levelId].name}</td>
              <td>{at.map((value) => formatLength(value, units)).join(', ')}</td>
              <td>{heightM === null ? '' : formatLength(heightM, units)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
