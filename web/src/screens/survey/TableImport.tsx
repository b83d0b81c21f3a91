import { useEffect, useMemo, useState } from 'react';
import { Button, Modal, Segmented, Select } from 'antd';
import { formatLength, type Outcome } from '@dusky-spool/core/math';
import {
  guessColumns,
  guessTableUnit,
  houseFromTable,
  isDeviceTable,
  type HouseTable,
  readHouseTable,
  TABLE_FIELDS,
  type TableColumns,
  type TableField,
  type TableHouse,
  tableHouse,
  tableOfRows,
  type TableUnit,
} from '@dusky-spool/core/survey';
import { problemSentence } from '@dusky-spool/texts';
import type { WorkbookReply } from '@dusky-spool/core/model';
import { problemOf } from '../../ground/api/error-sentence.ts';
import { postForm } from '../../ground/api/http.ts';
import { decodeText } from '../../ground/decode-text.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { DeviceImport } from './DeviceImport.tsx';
import { newSurveyId } from './ids.ts';
import css from './survey.module.css';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly file: File;
  readonly onClose: () => void;
}

/** A table of a file, with the name of its sheet. */
interface NamedTable {
  readonly name: string;
  readonly table: Outcome<HouseTable>;
}

/** The table of a CSV file, or those of the sheets of a workbook, which the server reads; the sheets that have one first. */
async function tablesIn(projectId: string, file: File): Promise<readonly NamedTable[]> {
  const only = (table: Outcome<HouseTable>) => [{ name: file.name, table }];
  if (!/\.xlsx$/i.test(file.name)) return only(readHouseTable(await decodeText(file)));
  const form = new FormData();
  form.append('picture', file);
  try {
    const { sheets } = await postForm<WorkbookReply>(`/projects/${projectId}/workbooks`, form);
    const tables = sheets.map(({ name, rows }) => ({ name, table: tableOfRows(rows) }));
    return [...tables.filter(({ table }) => table.ok), ...tables.filter(({ table }) => !table.ok)];
  } catch (error) {
    return only({ ok: false, problem: problemOf(error) });
  }
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
  const [chosen, setChosen] = useState<{ readonly columns?: TableColumns; readonly unit?: TableUnit }>({});
  const head = table?.ok ? table.value.head : NO_HEAD;
  /** Rooms and walls, or devices: what was chosen by hand instead of what the columns' names say. */
  const [chosenKind, setChosenKind] = useState<'house' | 'devices' | null>(null);
  const kind = chosenKind ?? (isDeviceTable(head) ? 'devices' : 'house');
  const guessed = useMemo(() => ({ columns: guessColumns(head), unit: guessTableUnit(head) }), [head]);
  const columns = chosen.columns ?? guessed.columns;
  const unit = chosen.unit ?? guessed.unit ?? (project.project.units === 'metric' ? 'm' : 'ft');
  const found = useMemo(
    () => (table?.ok ? tableHouse(project, levelId, table.value, columns, unit) : null),
    [table, project, levelId, columns, unit],
  );
  const count = found ? found.rooms.length + found.walls.length : 0;
  const make = () => {
    if (found && edit(text('table.title', { name: file.name }), houseFromTable(project, found, newSurveyId))) onClose();
  };
  const choices = (
    <Segmented
      size="small"
      value={kind}
      aria-label={text('table.kind')}
      options={(['house', 'devices'] as const).map((value) => ({ value, label: text(`table.kinds.${value}`) }))}
      onChange={setChosenKind}
    />
  );
  if (table?.ok && kind === 'devices')
    return <DeviceImport {...{ levelId, onClose, choices }} name={file.name} table={table.value} />;
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
          <ColumnChoices
            head={head}
            columns={columns}
            unit={unit}
            onColumns={(next) => setChosen({ ...chosen, columns: next })}
            onUnit={(next) => setChosen({ ...chosen, unit: next })}
          />
          <TablePreview found={found} />
        </>
      )}
    </Modal>
  );
}

const NONE = -1;
const NO_HEAD: readonly string[] = [];

/** Which column holds what, and the unit of lengths that name none. */
function ColumnChoices({
  head,
  columns,
  unit,
  onColumns,
  onUnit,
}: {
  readonly head: readonly string[];
  readonly columns: TableColumns;
  readonly unit: TableUnit;
  readonly onColumns: (columns: TableColumns) => void;
  readonly onUnit: (unit: TableUnit) => void;
}) {
  const options = [{ value: NONE, label: text('table.noColumn') }, ...head.map((label, value) => ({ value, label }))];
  const choose = (field: TableField, value: number) => onColumns({ ...columns, [field]: value === NONE ? undefined : value });
  return (
    <div className={css.tableColumns}>
      {TABLE_FIELDS.map((field) => (
        <label key={field} className="field">
          <span>{text(`table.fields.${field}`)}</span>
          <Select
            size="small"
            value={columns[field] ?? NONE}
            aria-label={text(`table.fields.${field}`)}
            options={options}
            onChange={(value) => choose(field, value)}
          />
        </label>
      ))}
      <label className="field">
        <span>{text('table.unit')}</span>
        <Select
          size="small"
          value={unit}
          aria-label={text('table.unit')}
          options={(['mm', 'cm', 'm', 'in', 'ft'] as const).map((value) => ({ value, label: value }))}
          onChange={onUnit}
        />
      </label>
    </div>
  );
}

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
