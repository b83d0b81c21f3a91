import { formatCableLength } from '@dusky-spool/core/math';
import { spoolName, type SpoolPlanOfHouse } from '@dusky-spool/core/order';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';

import css from './order.module.css';

/** Pulls in their best order: the spools that each sets up, and what is left on them after it; then what to bring to each level. */
export function PullList({ plan }: { readonly plan: SpoolPlanOfHouse }) {
  const project = useProject();
  const { units } = project.project;
  const length = (m: number) => formatCableLength(m, units);
  const spoolOf = (cableTypeId: string, key: string) => `${project.cableTypes[cableTypeId].name}, ${spoolName(key)}`;
  return (
    <>
      <ul className={css.levels} aria-label={text('order.bring')}>
        {plan.levels.map(({ levelId, keys, lengthM }) => (
          <li key={levelId}>
            {text('order.bringLine', { level: project.levels[levelId].name, count: keys.length, length: length(lengthM) })}
          </li>
        ))}
      </ul>
      <table className={css.table}>
        <caption>{text('order.pullsLead')}</caption>
        <thead>
          <tr>
            <th scope="col">{text('order.columns.pull')}</th>
            <th scope="col">{text('order.columns.run')}</th>
            <th scope="col">{text('order.columns.spool')}</th>
            <th scope="col" className={css.figure}>
              {text('order.columns.cut')}
            </th>
            <th scope="col" className={css.figure}>
              {text('order.columns.left')}
            </th>
          </tr>
        </thead>
        {plan.pulls.map(({ bundle, cuts }, n) => (
          <tbody key={bundle || cuts[0].runId}>
            {cuts.map(({ runId, number, cableTypeId, key, lengthM, leftM }, k) => (
              <tr key={runId}>
                {k === 0 && (
                  <th scope="rowgroup" rowSpan={cuts.length}>
                    {n + 1}. {bundle || text('order.alone')}
                    {cuts.length > 1 && <div className="faint">{text('order.atOnce', { count: cuts.length })}</div>}
                  </th>
                )}
                <td>{number}</td>
                <td>{spoolOf(cableTypeId, key)}</td>
                <td className={css.figure}>{length(lengthM)}</td>
                <td className={`${css.figure} ${leftM < 0 ? css.bad : ''}`}>{length(Math.max(0, leftM))}</td>
              </tr>
            ))}
          </tbody>
        ))}
      </table>
    </>
  );
}
