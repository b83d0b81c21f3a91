import type { Outcome } from '@dusky-spool/core/math';
import type { WorkbookReply } from '@dusky-spool/core/model';
import {
  formatCents,
  guessPriceColumns,
  PRICE_FIELDS,
  type PriceColumns,
  pricesOfTable,
  type ReadPrices,
  takePrices,
} from '@dusky-spool/core/order';
import { type HouseTable, MAX_PRICE_ROWS, readHouseTable, tableOfRows } from '@dusky-spool/core/survey';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Modal, Select } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { problemOf } from '../../ground/api/error-sentence.ts';
import { postForm } from '../../ground/api/http.ts';
import { decodeText } from '../../ground/decode-text.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { rememberedColumns, rememberColumns } from './remembered-columns.ts';

import css from './order.module.css';

interface Props {
  readonly projectId: string;
  readonly file: File;
  readonly billNames: ReadonlySet<string>;
  readonly onClose: () => void;
}

/** The first table of a CSV file, or of a workbook, which the server reads. */
async function tableIn(projectId: string, file: File): Promise<Outcome<HouseTable>> {
  if (!/\.xlsx$/i.test(file.name)) return readHouseTable(await decodeText(file), MAX_PRICE_ROWS);
  const form = new FormData();
  form.append('picture', file);
  try {
    const { sheets } = await postForm<WorkbookReply>(`/projects/${projectId}/workbooks`, form);
    const tables = sheets.map(({ rows }) => tableOfRows(rows, false, MAX_PRICE_ROWS));
    return tables.find(({ ok }) => ok) ?? tables[0];
  } catch (error) {
    return { ok: false, problem: problemOf(error) };
  }
}

const NONE = -1;
/** So many problems and prices are listed. */
const MAX_SHOWN = 100;

/** A price list: its columns are given meaning, each bad row is told, and the good ones are taken together. */
export function PriceImport({ projectId, file, billNames, onClose }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [table, setTable] = useState<Outcome<HouseTable> | null>(null);
  const [chosen, setChosen] = useState<PriceColumns | null>(null);
  useEffect(() => {
    let isWanted = true;
    void tableIn(projectId, file).then((read) => {
      if (isWanted) setTable(read);
    });
    return () => {
      isWanted = false;
    };
  }, [projectId, file]);
  const guessed = useMemo(
    () => (table?.ok ? (rememberedColumns(table.value.head) ?? guessPriceColumns(table.value.head)) : {}),
    [table],
  );
  const columns = chosen ?? guessed;
  const found = useMemo(() => (table?.ok ? pricesOfTable(table.value, columns) : null), [table, columns]);
  const take = () => {
    if (!found || !table?.ok) return;
    if (
      edit(
        text('order.prices.importTitle', { name: file.name }),
        takePrices(project, found, () => newRecordId('price')),
      )
    ) {
      rememberColumns(table.value.head, columns);
      onClose();
    }
  };
  const title = text('order.prices.importTitle', { name: file.name });
  return (
    <Modal
      open
      width={900}
      title={title}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{text('cancel')}</Button>
          <Button type="primary" disabled={!found || found.prices.length === 0} onClick={take}>
            {text('order.prices.take', { count: found?.prices.length ?? 0 })}
          </Button>
        </>
      }
    >
      {table && !table.ok && (
        <p className="field-problem" role="alert">
          {problemSentence(table.problem)}
        </p>
      )}
      {table?.ok && found && (
        <>
          <p className="faint">{text('order.prices.importLead')}</p>
          <ColumnChoices head={table.value.head} columns={columns} onColumns={setChosen} />
          <PricePreview {...{ found, billNames }} />
        </>
      )}
    </Modal>
  );
}

interface ColumnProps {
  readonly head: readonly string[];
  readonly columns: PriceColumns;
  readonly onColumns: (columns: PriceColumns) => void;
}

function ColumnChoices({ head, columns, onColumns }: ColumnProps) {
  const options = [{ value: NONE, label: text('table.noColumn') }, ...head.map((label, value) => ({ value, label }))];
  return (
    <div className={css.fields}>
      {PRICE_FIELDS.map((field) => (
        <label key={field} className="field">
          <span>{text(`order.prices.fields.${field}`)}</span>
          <Select
            size="small"
            value={columns[field] ?? NONE}
            aria-label={text(`order.prices.fields.${field}`)}
            options={options}
            onChange={(value) => onColumns({ ...columns, [field]: value === NONE ? undefined : value })}
          />
        </label>
      ))}
    </div>
  );
}

/** What the rows come to, and why some do not. */
function PricePreview({ found: { prices, problems }, billNames }: { readonly found: ReadPrices } & Pick<Props, 'billNames'>) {
  const { currency } = useProject().project;
  const unmatched = prices.filter(({ item }) => !billNames.has(item.toLowerCase())).length;
  return (
    <>
      {problems.length > 0 && (
        <ul className="caution" role="alert" aria-label={text('table.notTaken', { count: problems.length })}>
          <li>{text('table.notTaken', { count: problems.length })}</li>
          {problems.slice(0, MAX_SHOWN).map(({ line, problem }) => (
            <li key={line}>
              {text('table.row', { line })} {problemSentence(problem)}
            </li>
          ))}
        </ul>
      )}
      {unmatched > 0 && <p className="faint">{text('order.prices.unmatched', { count: unmatched })}</p>}
      <table className={css.table}>
        <tbody>
          {prices.slice(0, MAX_SHOWN).map(({ line, item, supplier, partNumber, priceCents, validTo }) => (
            <tr key={line}>
              <th scope="row">{item}</th>
              <td>{[supplier, partNumber].filter(Boolean).join(' ')}</td>
              <td>{validTo}</td>
              <td className={css.figure}>{formatCents(priceCents, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
