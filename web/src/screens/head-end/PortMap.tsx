import { fromTop, type HeadEnd, moveRunToPort, type Port, portKey, portsOf } from '@dusky-spool/core/head-end';
import { useState } from 'react';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';

import css from './head-end.module.css';

interface Props {
  readonly headEnd: HeadEnd;
  readonly mayPlan: boolean;
}

/** Height of a port, and where the two columns are, px. */
const ROW_PX = 22;
const [LEFT_PX, RIGHT_PX, WIDTH_PX, HEAD_PX] = [250, 470, 720, 26];

interface Placed {
  readonly port: Port;
  readonly y: number;
}

/** Panels at the left, switches and routers at the right, and a line for every cord; a run is dragged to another port. */
export function PortMap({ headEnd, mayPlan }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [held, setHeld] = useState<string | null>(null);
  const panels = headEnd.equipment.filter(({ kind }) => kind === 'patch-panel');
  const active = headEnd.equipment.filter(({ kind }) => kind === 'switch' || kind === 'router');
  const left = column(panels.sort(fromTop));
  const right = column(active.sort(fromTop));
  const at = new Map([...left.ports, ...right.ports].map(({ port, y }) => [portKey(port.equipment.id, port.name), y]));
  const runAt = new Map([...headEnd.terminations.values()].map((one) => [portKey(one.equipmentId, one.port), one.runId]));
  const numberOf = new Map(headEnd.needs.map(({ runId, number }) => [runId, number]));
  const heightPx = Math.max(left.endY, right.endY) + 10;
  const drop = (port: Port) => {
    if (held === null) return;
    setHeld(null);
    if (runAt.get(portKey(port.equipment.id, port.name)) === held) return;
    const to = { equipmentId: port.equipment.id, port: port.name };
    edit(text('headEnd.edits.port', { number: numberOf.get(held) ?? '' }), moveRunToPort(project, held, to, newRecordId('tm')));
  };
  if (panels.length === 0) return <p className={css.empty}>{text('headEnd.noPanels')}</p>;
  return (
    <>
      <p className="faint">{text('headEnd.mapLead')}</p>
      <svg
        className={css.map}
        viewBox={`0 0 ${WIDTH_PX} ${heightPx}`}
        role="img"
        aria-label={text('headEnd.tabs.map')}
        onPointerUp={() => setHeld(null)}
      >
        {headEnd.patches.map((one) => {
          const [a, b] = [at.get(portKey(one.equipmentId, one.port)), at.get(portKey(one.toEquipmentId, one.toPort))];
          if (a === undefined || b === undefined) return null;
          const isAcross = panels.some(({ id }) => id === one.equipmentId);
          const x1 = isAcross ? LEFT_PX : RIGHT_PX;
          return (
            <path
              key={one.id}
              className={`${css.cord} cord-${one.color}`}
              d={`M${x1},${a} C${x1 + 90},${a} ${RIGHT_PX - 90},${b} ${RIGHT_PX},${b}`}
            />
          );
        })}
        {left.heads.map(({ name, y }) => (
          <text key={name} className={css.mapHead} x={10} y={y}>
            {name}
          </text>
        ))}
        {right.heads.map(({ name, y }) => (
          <text key={name} className={css.mapHead} x={RIGHT_PX} y={y}>
            {name}
          </text>
        ))}
        {left.ports.map(({ port, y }) => {
          const runId = runAt.get(portKey(port.equipment.id, port.name)) ?? null;
          return (
            <PanelPort
              key={portKey(port.equipment.id, port.name)}
              {...{ port, y }}
              number={runId === null ? '' : (numberOf.get(runId) ?? '')}
              isHeld={held !== null && held === runId}
              onTake={() => mayPlan && setHeld(runId)}
              onDrop={() => drop(port)}
            />
          );
        })}
        {right.ports.map(({ port, y }) => (
          <g key={portKey(port.equipment.id, port.name)} className={css.port}>
            <circle cx={RIGHT_PX} cy={y} r={4} />
            <text x={RIGHT_PX + 12} y={y} dominantBaseline="central">
              {port.name}
              {port.group.poeClass === null ? '' : ` · PoE ${port.group.poeClass}`}
            </text>
          </g>
        ))}
      </svg>
    </>
  );
}

/** A port of a panel with the number of its run. */
function PanelPort({
  port,
  y,
  number,
  isHeld,
  onTake,
  onDrop,
}: Placed & { readonly number: string; readonly isHeld: boolean; readonly onTake: () => void; readonly onDrop: () => void }) {
  const isFree = number === '';
  return (
    <g
      className={`${css.port}${isFree ? ` ${css.freePort}` : ''}${isHeld ? ' held' : ''}`}
      onPointerDown={(event) => {
        event.preventDefault();
        if (!isFree) onTake();
      }}
      onPointerUp={onDrop}
    >
      <rect x={10} y={y - ROW_PX / 2 + 1} width={LEFT_PX - 10} height={ROW_PX - 2} rx={3} />
      <text x={18} y={y} dominantBaseline="central">
        {port.n}
      </text>
      <text x={50} y={y} dominantBaseline="central">
        {number}
      </text>
      <circle cx={LEFT_PX} cy={y} r={4} />
    </g>
  );
}

/** Ports of equipment below each other, each piece under its name. */
function column(equipment: HeadEnd['equipment']): {
  readonly heads: readonly { readonly name: string; readonly y: number }[];
  readonly ports: readonly Placed[];
  readonly endY: number;
} {
  let y = 6;
  const heads: { name: string; y: number }[] = [];
  const ports: Placed[] = [];
  for (const one of equipment) {
    y += HEAD_PX;
    heads.push({ name: one.name, y: y - 8 });
    for (const port of portsOf(one)) {
      ports.push({ port, y: y + ROW_PX / 2 });
      y += ROW_PX;
    }
  }
  return { heads, ports, endY: y };
}
