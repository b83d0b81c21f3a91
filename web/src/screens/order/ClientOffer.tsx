import type { OfferTablesReply } from '@dusky-spool/core/model';
import { useServer } from '../../ground/api/server-state.ts';
import { text } from '../../ground/text.ts';
import { OfferPrint } from './OfferPrint.tsx';

import css from './order.module.css';

/** The offer as a client reads it: made by the server, since a client's page has no costs to work it out from. */
export function ClientOffer({ projectId }: { readonly projectId: string }) {
  const { data, problem } = useServer<OfferTablesReply>(`/projects/${projectId}/documents/offer.json`);
  if (problem)
    return (
      <p className="field-problem" role="alert">
        {problem}
      </p>
    );
  if (!data) return <p className="faint">{text('order.offer.making')}</p>;
  return (
    <>
      <p className="faint">{text('order.offer.clientLead')}</p>
      <p>
        <OfferPrint projectId={projectId} />
      </p>
      {data.tables.map((table) => (
        <OfferTable key={table.section} table={table} />
      ))}
      <p className="faint">{text('order.offer.aid')}</p>
    </>
  );
}

const OfferTable = ({ table }: { readonly table: OfferTablesReply['tables'][number] }) => (
  <>
    <h3 className={css.part}>{table.title}</h3>
    <p className="faint">{table.note}</p>
    <table className={css.table}>
      <thead>
        <tr>
          {table.columns.map((column, n) => (
            <th key={column} scope="col" className={n > 0 ? css.figure : undefined}>
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.rows.map((row, n) => (
          <tr key={n}>
            {row.map((cell, column) =>
              column === 0 ? (
                <th key={column} scope="row">
                  {cell}
                </th>
              ) : (
                <td key={column} className={css.figure}>
                  {cell}
                </td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  </>
);
