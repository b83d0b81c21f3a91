import { useProject } from '../../state/open-project.ts';
import { countsBySystem } from '@dusky-spool/core/sheets';
import { formatCableLength } from '@dusky-spool/core/math';
import { useMaySeeCosts } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { useDerived } from '../../state/derived.ts';
import { money } from '../../ui/money.ts';
import css from './plan.module.css';

/** What the plan has come to so far, by system. */
export function Counts() {
  const project = useProject();
  const counts = countsBySystem(project, useDerived(project).runs);
  const { units, currency } = project.project;
  const maySeeCosts = useMaySeeCosts();
  if (counts.length === 0) return null;
  const sum = (of: (count: (typeof counts)[number]) => number) => counts.reduce((total, count) => total + of(count), 0);
  return (
    <table className={css.counts}>
      <caption className="eyebrow">{text('counts.title')}</caption>
      <thead>
        <tr>
          <th scope="col">{text('counts.system')}</th>
          <th scope="col">{text('counts.devices')}</th>
          <th scope="col">{text('counts.runs')}</th>
          <th scope="col">{text('counts.cable')}</th>
          {maySeeCosts && <th scope="col">{currency}</th>}
        </tr>
      </thead>
      <tbody>
        {counts.map((count) => (
          <tr key={count.system}>
            <th scope="row">{term(`systems.${count.system}`)}</th>
            <td>{count.devices}</td>
            <td>{count.runs}</td>
            <td>{formatCableLength(count.cableM, units)}</td>
            {maySeeCosts && <td>{money(count.cost)}</td>}
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">{text('counts.all')}</th>
          <td>{sum(({ devices }) => devices)}</td>
          <td>{sum(({ runs }) => runs)}</td>
          <td>
            {formatCableLength(
              sum(({ cableM }) => cableM),
              units,
            )}
          </td>
          {maySeeCosts && <td>{money(sum(({ cost }) => cost))}</td>}
        </tr>
      </tfoot>
    </table>
  );
}
