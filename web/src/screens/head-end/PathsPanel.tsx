import { derivationsOf } from '@dusky-spool/core/derive';
import { pathGbps, SIGNAL_TABLE, type SignalCell, type SignalTable, type Sink } from '@dusky-spool/core/head-end';
import { useMemo, useState } from 'react';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { RoomSystemForm } from './RoomSystemForm.tsx';
import { deviceName } from './device-name.ts';

import css from './head-end.module.css';

/** Every source against every display and zone: how it gets there, or which lead is missing. */
export function PathsPanel({ mayPlan }: { readonly mayPlan: boolean }) {
  const project = useProject();
  const table = useMemo(() => derivationsOf(project).get(SIGNAL_TABLE), [project]);
  return (
    <div className={css.panel}>
      {table.sources.length === 0 ? <p className={css.empty}>{text('headEnd.paths.none')}</p> : <Paths table={table} />}
      {mayPlan && <RoomSystemForm />}
    </div>
  );
}

function Paths({ table }: { readonly table: SignalTable }) {
  const project = useProject();
  const [chosen, setChosen] = useState<string | null>(null);
  const cellOf = new Map(table.cells.map((one) => [`${one.sourceId} ${one.sinkId}`, one]));
  const cell = cellOf.get(chosen ?? '');
  return (
    <>
      <p className="faint">{text('headEnd.paths.lead')}</p>
      <table className={`${css.table} ${css.wide}`}>
        <thead>
          <tr>
            <th scope="col">{text('headEnd.paths.sink')}</th>
            {table.sources.map(({ id, name }) => (
              <th key={id} scope="col">
                {name}
              </th>
            ))}
            <th scope="col">{text('headEnd.paths.local')}</th>
          </tr>
        </thead>
        <tbody>
          {table.sinks.map((sink) => (
            <tr key={sink.id}>
              <th scope="row">{sinkName(sink)}</th>
              {table.sources.map(({ id, name }) => (
                <td key={id}>
                  <Cell
                    cell={cellOf.get(`${id} ${sink.id}`)}
                    label={text('headEnd.paths.cell', { source: name, sink: sinkName(sink) })}
                    isChosen={chosen === `${id} ${sink.id}`}
                    onChoose={() => setChosen(`${id} ${sink.id}`)}
                  />
                </td>
              ))}
              <td>
                {localOf(table, sink)
                  .map((id) => deviceName(project, id))
                  .join(', ') || '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {cell && <Way cell={cell} table={table} />}
    </>
  );
}

const sinkName = ({ name }: Sink): string => name || text('headEnd.outdoors');
const localOf = ({ local }: SignalTable, sink: Sink): string[] =>
  local.filter(({ sinkId }) => sinkId === sink.id).map(({ deviceId }) => deviceId);

interface CellProps {
  readonly cell: SignalCell | undefined;
  readonly label: string;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function Cell({ cell, label, isChosen, onChoose }: CellProps) {
  const project = useProject();
  if (!cell) return <span className="faint">–</span>;
  if (!cell.isReached)
    return (
      <button
        type="button"
        className={`${css.cell} ${css.badLine}`}
        aria-label={label}
        aria-pressed={isChosen}
        onClick={onChoose}
      >
        ✕ {text(`headEnd.paths.lacks.${cell.lack ?? 'no-way'}`)}
      </button>
    );
  const gbps = cell.method === null ? null : pathGbps(project, cell);
  return (
    <button type="button" className={css.cell} aria-label={label} aria-pressed={isChosen} onClick={onChoose}>
      ✓ {cell.method === null ? text('headEnd.paths.sound') : text(`headEnd.paths.methods.${cell.method}`)}
      {gbps !== null && <span className="faint"> {text('headEnd.paths.gbps', { gbps })}</span>}
    </button>
  );
}

/** The chosen path, port by port. */
function Way({ cell, table }: { readonly cell: SignalCell; readonly table: SignalTable }) {
  const project = useProject();
  const source = table.sources.find(({ id }) => id === cell.sourceId)?.name ?? '';
  const sink = table.sinks.find(({ id }) => id === cell.sinkId)!;
  const steps = cell.isReached
    ? cell.path
    : cell.at.equipmentId
      ? [{ equipmentId: cell.at.equipmentId, port: cell.at.port ?? '', runId: cell.at.runId }]
      : [];
  return (
    <section className={css.card} aria-label={text('headEnd.paths.pathOf', { source, sink: sinkName(sink) })}>
      <h2 className={css.part}>{text('headEnd.paths.pathOf', { source, sink: sinkName(sink) })}</h2>
      {!cell.isReached && <p className={css.badLine}>{text(`headEnd.paths.lacks.${cell.lack ?? 'no-way'}`)}</p>}
      <ol className={css.facts}>
        {steps.map(({ equipmentId, port, runId }) => (
          <li key={`${equipmentId} ${port}`}>
            {project.equipment[equipmentId]?.name}, {port}
            {runId && ` → ${project.runs[runId]?.number ?? ''}`}
          </li>
        ))}
      </ol>
      {cell.copyProtection && (
        <p className="faint">
          {text('headEnd.paths.protection', { version: cell.copyProtection })}
          {cell.returnsAudio && `, ${text('headEnd.paths.returnsAudio')}`}
        </p>
      )}
    </section>
  );
}
