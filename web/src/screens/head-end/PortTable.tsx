import {
  type HeadEnd,
  moveRunToPort,
  type PatchRow,
  patchRows,
  portsOf,
  takesRuns,
  cordCounts,
} from '@dusky-spool/core/head-end';
import { formatLength } from '@dusky-spool/core/math';
import { Select } from 'antd';
import { Link } from 'react-router';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';

import css from './head-end.module.css';

interface Props {
  readonly headEnd: HeadEnd;
  readonly mayPlan: boolean;
  readonly projectId: string;
}

/** Ports by kind with what is spare, and every run with its port and its cord, in the order in which panels are punched. */
export function PortTable({ headEnd, mayPlan, projectId }: Props) {
  const project = useProject();
  const { units } = project.project;
  const rows = patchRows(project, headEnd);
  const cords = cordCounts(headEnd);
  return (
    <>
      <ul className={css.budgets}>
        {headEnd.ports.map(({ kind, needed, wanted, there }) => (
          <li key={kind} className={there < needed ? css.bad : there < wanted ? css.near : ''}>
            {text('headEnd.portBudget', { kind: term(`ports.${kind}`), needed, there, wanted })}
          </li>
        ))}
      </ul>
      {rows.length === 0 && <p className={css.empty}>{text('headEnd.noRows')}</p>}
      {rows.length > 0 && (
        <table className={css.table}>
          <thead>
            <tr>
              {(['equipment', 'port', 'run', 'device', 'to', 'cord'] as const).map((one) => (
                <th key={one} scope="col">
                  {text(`headEnd.portColumns.${one}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.runId}>
                <td>{row.equipment}</td>
                <td>{mayPlan ? <PortChoice {...{ row, headEnd }} /> : row.port}</td>
                <th scope="row" className={css.tight}>
                  <Link to={`/p/${projectId}/cabling?sel=run:${row.runId}`}>{row.number}</Link>
                </th>
                <td>
                  {row.room || text('headEnd.outdoors')} · {row.device}
                </td>
                <td>{row.waits ? <span className="faint">{text('headEnd.waits')}</span> : `${row.to} ${row.toPort}`}</td>
                <td className={css.tight}>{row.lengthM === null ? '' : `${row.color} ${formatLength(row.lengthM, units)}`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {headEnd.open.length > 0 && (
        <p className={css.badLine}>
          {text('headEnd.onNoPort', { numbers: headEnd.open.map(({ number }) => number).join(', ') })}
        </p>
      )}
      {cords.length > 0 && (
        <>
          <h2 className={css.part}>{text('headEnd.cords')}</h2>
          <ul className={css.budgets}>
            {cords.map(({ color, lengthM, count }) => (
              <li key={`${color} ${lengthM}`}>
                {count} × {color} {formatLength(lengthM, units)}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

/** Another port for a run; whoever is there changes places with it. A chosen port stays. */
function PortChoice({ row, headEnd }: { readonly row: PatchRow; readonly headEnd: HeadEnd }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const need = headEnd.needs.find(({ runId }) => runId === row.runId);
  const termination = headEnd.terminations.get(row.runId);
  if (!need || !termination) return row.port;
  const ports = headEnd.equipment.flatMap(portsOf).filter((port) => takesRuns(port, need.kind, need));
  const taken = new Map([...headEnd.terminations.values()].map((one) => [`${one.equipmentId}/${one.port}`, one.runId]));
  const numberOf = new Map(headEnd.needs.map(({ runId, number }) => [runId, number]));
  return (
    <Select
      size="small"
      value={`${termination.equipmentId}/${termination.port}`}
      aria-label={text('headEnd.portOf', { number: row.number })}
      popupMatchSelectWidth={false}
      showSearch={{ optionFilterProp: 'label' }}
      options={ports.map(({ equipment, name }) => {
        const value = `${equipment.id}/${name}`;
        const own = taken.get(value);
        return {
          value,
          label:
            own && own !== row.runId
              ? `${equipment.name}, ${name} (${numberOf.get(own) ?? ''})`
              : value === `${termination.equipmentId}/${termination.port}`
                ? name
                : `${equipment.name}, ${name}`,
        };
      })}
      onChange={(value: string) => {
        const cut = value.indexOf('/');
        const to = { equipmentId: value.slice(0, cut), port: value.slice(cut + 1) };
        edit(text('headEnd.edits.port', { number: row.number }), moveRunToPort(project, row.runId, to, newRecordId('tm')));
      }}
    />
  );
}
