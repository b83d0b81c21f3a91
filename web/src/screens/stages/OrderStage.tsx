import { useProject } from '../../state/open-project.ts';
import { spoolsFor, totalsByCable } from '@dusky-spool/core/sheets';
import { formatCableLength } from '@dusky-spool/core/math';
import { text } from '../../ground/text.ts';
import { useDerived } from '../../state/derived.ts';
import { SpoolRing } from '../../ui/SpoolRing.tsx';
import { StagePage } from '../../ui/StagePage.tsx';
import css from './stages.module.css';

/** Cable by type: what is cut, what to order, and the spools that it takes without a splice. */
export function OrderStage() {
  const project = useProject();
  const { rows } = useDerived(project);
  const { units } = project.project;
  const totals = totalsByCable(project, rows);
  return (
    <StagePage title={text('stage.order.title')} lead={text('stage.order.lead')}>
      {totals.length === 0 && <p>{text('stage.order.empty')}</p>}
      <table className={css.orderTable}>
        <thead>
          <tr>
            <th colSpan={2}>{text('schedule.cable')}</th>
            <th>{text('schedule.runs')}</th>
            <th>{text('schedule.longest')}</th>
            <th>{text('schedule.cut')}</th>
            <th>{text('schedule.order')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {totals.map((total) => {
            const { parallel, plan } = spoolsFor(
              rows.filter((row) => row.cableTypeId === total.cableTypeId),
              total.spoolM,
            );
            return (
              <tr key={total.cableTypeId}>
                <td className={css.ring}>
                  <SpoolRing system={total.system} left={1 - ((total.orderLengthM / total.spoolM) % 1)} />
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
                  {plan.ok
                    ? `${text('stage.order.parallel', { count: parallel })} · ${text('stage.order.spools', { count: plan.value.buy })}`
                    : text('stage.order.tooLong')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </StagePage>
  );
}
