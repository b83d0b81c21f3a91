import type { Outcome } from '@dusky-spool/core/math';
import type { Operation, TableKind } from '@dusky-spool/core/model';
import type { HouseTable, TableProblem } from '@dusky-spool/core/survey';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Modal } from 'antd';
import { type ReactNode, useMemo, useState } from 'react';
import { useKnownColumns } from '../../ground/api/known-columns.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { ColumnChoices } from '../../ui/ColumnChoices.tsx';
import css from './survey.module.css';

type Columns<F extends string> = Readonly<Partial<Record<F, number>>>;

/** What the rows of a table come to: what is shown of each, what cannot be imported, and the edit. */
export interface ReadRows {
  readonly count: number;
  readonly problems: readonly TableProblem[];
  readonly shown: readonly { readonly line: number; readonly cells: readonly string[] }[];
  readonly operations: () => Outcome<Operation[]>;
}

interface Props<F extends string> {
  readonly name: string;
  readonly table: HouseTable;
  readonly kind: TableKind;
  readonly fields: readonly F[];
  readonly labelOf: (field: F) => string;
  /** What is to be known before columns are chosen. */
  readonly lead: string;
  readonly guess: (head: readonly string[]) => Columns<F>;
  /** Keeps its identity while the project stays. */
  readonly read: (columns: Columns<F>) => ReadRows;
  readonly takeLabel: (count: number) => string;
  /** The choice of what the table lists. */
  readonly choices: ReactNode;
  readonly onClose: () => void;
}

const MAX_SHOWN = 200;

/** A table whose rows are records: its columns are given meaning, each bad row is reported, and the others are imported in one edit. */
export function RowsImport<F extends string>(props: Props<F>) {
  const { name, table, kind, fields, labelOf, lead, guess, read, takeLabel, choices, onClose } = props;
  const { edit } = useProjectParts('edit');
  const known = useKnownColumns<F>(kind);
  const [chosen, setChosen] = useState<Columns<F> | null>(null);
  const columns = useMemo(() => chosen ?? known.columnsOf(table.head) ?? guess(table.head), [chosen, known, table, guess]);
  const found = useMemo(() => read(columns), [read, columns]);
  /** The words over a field in this dialog, for a problem that is about it. */
  const wordsOf = (field = '') => {
    const known = fields.find((one) => one === field);
    return known ? labelOf(known) : field;
  };
  const take = () => {
    if (!edit(text('table.title', { name }), found.operations())) return;
    known.remember(table.head, columns);
    onClose();
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
          <Button type="primary" disabled={found.count === 0} onClick={take}>
            {takeLabel(found.count)}
          </Button>
        </>
      }
    >
      {choices}
      <p className="faint">{lead}</p>
      <div className={css.tableColumns}>
        <ColumnChoices {...{ fields, labelOf, columns }} head={table.head} onColumns={setChosen} />
      </div>
      <RowsPreview {...{ found, wordsOf }} />
    </Modal>
  );
}

interface PreviewProps {
  readonly found: ReadRows;
  readonly wordsOf: (field?: string) => string;
}

/** What the rows come to, and why some do not. */
function RowsPreview({ found: { shown, problems }, wordsOf }: PreviewProps) {
  const { units } = useProject().project;
  return (
    <div className={css.tablePreview}>
      {problems.length > 0 && (
        <ul className="caution" role="alert" aria-label={text('table.notTaken', { count: problems.length })}>
          {problems.slice(0, MAX_SHOWN).map(({ line, problem }) => (
            <li key={line}>
              {text('table.row', { line })} {problemSentence({ ...problem, field: wordsOf(problem.field) }, units)}
            </li>
          ))}
        </ul>
      )}
      <table className={css.layerTable}>
        <tbody>
          {shown.slice(0, MAX_SHOWN).map(({ line, cells: [first, ...others] }) => (
            <tr key={line}>
              <th scope="row">{first}</th>
              {others.map((cell, n) => (
                <td key={n}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
