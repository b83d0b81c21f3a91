import type { Outcome } from '@dusky-spool/core/math';
import {
  formatCents,
  guessPriceColumns,
  PRICE_FIELDS,
  type PriceColumns,
  type PriceField,
  pricesOfTable,
  type ReadPrices,
  takePrices,
} from '@dusky-spool/core/order';
import { type HouseTable, MAX_PRICE_ROWS } from '@dusky-spool/core/survey';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Modal } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { useKnownColumns } from '../../ground/api/known-columns.ts';
import { tablesIn } from '../../ground/api/read-tables.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ColumnChoices } from '../../ui/ColumnChoices.tsx';

import css from './order.module.css';

interface Props {
  readonly projectId: string;
  readonly file: File;
  readonly billNames: ReadonlySet<string>;
  readonly onClose: () => void;
}

/** So many problems and prices are listed. */
const MAX_SHOWN = 100;

/** A price list: its columns are given meaning, each bad row is reported, and the good ones are imported in one edit. */
export function PriceImport({ projectId, file, billNames, onClose }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [table, setTable] = useState<Outcome<HouseTable> | null>(null);
  const [chosen, setChosen] = useState<PriceColumns | null>(null);
  const known = useKnownColumns<PriceField>('prices');
  useEffect(() => {
    let isWanted = true;
    void tablesIn(projectId, file, MAX_PRICE_ROWS).then(([first]) => {
      if (isWanted) setTable(first.table);
    });
    return () => {
      isWanted = false;
    };
  }, [projectId, file]);
  const guessed = useMemo(
    () => (table?.ok ? (known.columnsOf(table.value.head) ?? guessPriceColumns(table.value.head)) : {}),
    [table, known],
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
      known.remember(table.value.head, columns);
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
          <div className={css.fields}>
            <ColumnChoices
              fields={PRICE_FIELDS}
              labelOf={(field) => text(`order.prices.fields.${field}`)}
              head={table.value.head}
              columns={columns}
              onColumns={setChosen}
            />
          </div>
          <PricePreview {...{ found, billNames }} />
        </>
      )}
    </Modal>
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
