import { useEffect, useMemo, useState } from 'react';
import { Button, Modal, Segmented, Select } from 'antd';
import { isEquipmentTable } from '@dusky-spool/core/head-end';
import { formatLength } from '@dusky-spool/core/math';
import {
  guessColumns,
  guessTableUnit,
  houseFromTable,
  isDeviceTable,
  isLengthTable,
  TABLE_FIELDS,
  type TableColumns,
  type TableField,
  type TableHouse,
  tableHouse,
  type TableUnit,
} from '@dusky-spool/core/survey';
import { problemSentence } from '@dusky-spool/texts';
import { useKnownColumns } from '../../ground/api/known-columns.ts';
import { type NamedTable, tablesIn } from '../../ground/api/read-tables.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { ColumnChoices } from '../../ui/ColumnChoices.tsx';

import { newSurveyId } from './ids.ts';
import { DeviceImport, EquipmentImport, LengthImport } from './RecordImports.tsx';
import css from './survey.module.css';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly file: File;
  readonly onClose: () => void;
}

/** The tables of a file, once they are read. */
function useTables(projectId: string, file: File): readonly NamedTable[] {
  const [tables, setTables] = useState<readonly NamedTable[]>([]);
  useEffect(() => {
    let isWanted = true;
    void tablesIn(projectId, file).then((read) => {
      if (isWanted) setTables(read);
    });
    return () => {
      isWanted = false;
    };
  }, [projectId, file]);
  return tables;
}

interface SheetProps {
  readonly tables: readonly NamedTable[];
  readonly sheet: number;
  readonly onSheet: (sheet: number) => void;
}

const SheetChoice = ({ tables, sheet, onSheet }: SheetProps) => (
  <label className="field">
    <span>{text('table.sheet')}</span>
    <Select
      size="small"
      value={sheet}
      aria-label={text('table.sheet')}
      options={tables.map(({ name }, value) => ({ value, label: name }))}
      onChange={onSheet}
    />
  </label>
);

/** A table of rooms or walls: its columns are given meaning, and what its rows say is looked at before it is made. */
export function TableImport({ projectId, levelId, file, onClose }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const tables = useTables(projectId, file);
  const [sheet, setSheet] = useState(0);
  const table = tables.length > 0 ? tables[sheet].table : null;
  /** What was chosen by hand instead of what the columns' names say. */
  const known = useKnownColumns<TableField>('house');
  const [chosen, setChosen] = useState<{ readonly columns?: TableColumns; readonly unit?: TableUnit }>({});
  const head = table?.ok ? table.value.head : NO_HEAD;
  /** What was chosen by hand instead of what the columns' names say. */
  const [chosenKind, setChosenKind] = useState<Kind | null>(null);
  const kind = chosenKind ?? kindOf(head);
  const guessed = useMemo(
    () => ({ columns: known.columnsOf(head) ?? guessColumns(head), unit: guessTableUnit(head) }),
    [head, known],
  );
  const columns = chosen.columns ?? guessed.columns;
  const unit = chosen.unit ?? guessed.unit ?? (project.project.units === 'metric' ? 'm' : 'ft');
  const found = useMemo(
    () => (table?.ok ? tableHouse(project, levelId, table.value, columns, unit) : null),
    [table, project, levelId, columns, unit],
  );
  const count = found ? found.rooms.length + found.walls.length : 0;
  const make = () => {
    if (!found || !edit(text('table.title', { name: file.name }), houseFromTable(project, found, newSurveyId))) return;
    known.remember(head, columns);
    onClose();
  };
  const choices = <KindChoice kind={kind} onKind={setChosenKind} />;
  const RecordImport = RECORD_IMPORTS[kind];
  if (table?.ok && RecordImport) return <RecordImport {...{ levelId, onClose, choices }} name={file.name} table={table.value} />;
  return (
    <Modal
      open
      width={900}
      title={text('table.title', { name: file.name })}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{text('cancel')}</Button>
          <Button type="primary" disabled={count === 0} onClick={make}>
            {text(found && found.walls.length > 0 ? 'table.makeWalls' : 'table.makeRooms', { count })}
          </Button>
        </>
      }
    >
      {tables.length > 1 && (
        <SheetChoice
          {...{ tables, sheet }}
          onSheet={(value) => {
            setSheet(value);
            setChosen({});
          }}
        />
      )}
      {table && !table.ok && (
        <p className="field-problem" role="alert">
          {problemSentence(table.problem)}
        </p>
      )}
      {table?.ok && found && (
        <>
          {choices}
          <p className="faint">{text('table.line')}</p>
          <div className={css.tableColumns}>
            <ColumnChoices
              fields={TABLE_FIELDS}
              labelOf={(field) => text(`table.fields.${field}`)}
              head={head}
              columns={columns}
              onColumns={(next) => setChosen({ ...chosen, columns: next })}
            />
            <UnitChoice unit={unit} onUnit={(next) => setChosen({ ...chosen, unit: next })} />
          </div>
          <TablePreview found={found} />
        </>
      )}
    </Modal>
  );
}

const NO_HEAD: readonly string[] = [];

/** What a table of a survey may hold. */
const KINDS = ['house', 'devices', 'equipment', 'lengths'] as const;
type Kind = (typeof KINDS)[number];

/** How tables of records are imported; rooms and walls have a way of their own. */
const RECORD_IMPORTS: Readonly<Partial<Record<Kind, typeof DeviceImport>>> = {
  ...{ devices: DeviceImport, equipment: EquipmentImport, lengths: LengthImport },
};

/** What the words over the columns speak of. */
function kindOf(head: readonly string[]): Kind {
  if (isLengthTable(head)) return 'lengths';
  if (isEquipmentTable(head)) return 'equipment';
  return isDeviceTable(head) ? 'devices' : 'house';
}

const KindChoice = ({ kind, onKind }: { readonly kind: Kind; readonly onKind: (kind: Kind) => void }) => (
  <Segmented
    size="small"
    value={kind}
    aria-label={text('table.kind')}
    options={KINDS.map((value) => ({ value, label: text(`table.kinds.${value}`) }))}
    onChange={onKind}
  />
);

const UNITS = ['mm', 'cm', 'm', 'in', 'ft'] as const;

interface UnitProps {
  readonly unit: TableUnit;
  readonly onUnit: (unit: TableUnit) => void;
}

/** The unit of lengths that name none. */
const UnitChoice = ({ unit, onUnit }: UnitProps) => (
  <label className="field">
    <span>{text('table.unit')}</span>
    <Select
      size="small"
      value={unit}
      aria-label={text('table.unit')}
      options={UNITS.map((value) => ({ value, label: value }))}
      onChange={onUnit}
    />
  </label>
);

const MAX_SHOWN = 200;

/** What the rows come to, and why some do not. */
function TablePreview({ found: { rooms, walls, problems } }: { readonly found: TableHouse }) {
  const { levels, project } = useProject();
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
      {rooms.length > 0 && (
        <table className={css.layerTable}>
          <thead>
            <tr>
              {(['name', 'level', 'width', 'depth', 'height'] as const).map((field) => (
                <th key={field}>{text(`table.fields.${field}`)}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rooms.slice(0, MAX_SHOWN).map(({ name, levelId, widthM, depthM, heightM }, n) => (
              <tr key={n}>
                <th scope="row">{name}</th>
                <td>{levels[levelId].name}</td>
                <td>{formatLength(widthM, units)}</td>
                <td>{formatLength(depthM, units)}</td>
                <td>{heightM === null ? text('table.asLevel') : formatLength(heightM, units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {walls.length > 0 && <p>{text('table.walls', { count: walls.length })}</p>}
    </div>
  );
}
