import { totalsByCable } from '@dusky-spool/core/documents';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { formatCableLength } from '@dusky-spool/core/units';
import { text } from '../../app/text.ts';
import { useDerived } from '../../state/following.ts';
import { SpoolRing } from '../../ui/SpoolRing.tsx';
import { StagePage } from './StagePage.tsx';

const SPOOL_M = 305;

/** Cable by type: what is cut, what to order, and the fewest spools that can hold it. */
export function OrderStage({ document }: { readonly document: ProjectDocument }) {
  const { rows } = useDerived(document);
  const { units } = document.project;
  const totals = totalsByCable(document, rows);
  return (
    <StagePage title={text('stage.order.title')} lead={text('stage.order.lead', { spool: formatCableLength(SPOOL_M, units) })}>
      {totals.length === 0 && <p>{text('stage.order.empty')}</p>}
      <table className="order-table">
        <thead>
          <tr>
            <th colSpan={2}>{text('schedule.cable')}</th>
            <th>{text('schedule.runs')}</th>
            <th>{text('schedule.longest')}</th>
            <th>{text('schedule.cut')}</th>
            <th>{text('schedule.order')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {totals.map((total) => {
            const own = rows.filter((row) => row.cableTypeId === total.cableTypeId);
            const bundles = new Map<string, number>();
            for (const row of own) bundles.set(row.bundle, (bundles.get(row.bundle) ?? 0) + 1);
            const parallel = Math.max(1, ...[...bundles].map(([bundle, count]) => (bundle === '' ? 1 : count)));
            const least = Math.max(Math.ceil(total.orderLengthM / SPOOL_M), parallel);
            return (
              <tr key={total.cableTypeId}>
                <td className="ring">
                  <SpoolRing system={total.system} left={1 - ((total.orderLengthM / SPOOL_M) % 1)} />
                </td>
                <td>
                  <b>{total.cable}</b>
                </td>
                <td>{total.runs}</td>
                <td>{formatCableLength(total.longestM, units)}</td>
                <td>{formatCableLength(total.cutLengthM, units)}</td>
                <td>
                  <b>{formatCableLength(total.orderLengthM, units)}</b>
                </td>
                <td className="faint">
                  {total.longestM > SPOOL_M
                    ? text('stage.order.tooLong')
                    : `${text('stage.order.parallel', { count: parallel })} · ${text('stage.order.spools', { count: least })}`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </StagePage>
  );
}
