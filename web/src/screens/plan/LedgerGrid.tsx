import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useEffect, useRef } from 'react';
import { formatCableLength, type UnitSystem } from '@dusky-spool/core/math';
import type { PlannedRun } from '@dusky-spool/core/runs';
import type { ScheduleRow } from '@dusky-spool/core/sheets';
import { term, text } from '../../ground/text.ts';
import { Chevron } from '../../ui/Chevron.tsx';
import { LengthBar } from '../../ui/LengthBar.tsx';
import { RankMark } from '../../ui/RankMark.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import { columnsOf, type ScheduleLine, type ScheduleView } from './schedule-view.ts';

const ROW_PX = 27;

interface Props {
  readonly lines: readonly ScheduleLine[];
  readonly full: boolean;
  readonly units: UnitSystem;
  readonly chosen: ReadonlySet<string>;
  readonly runById: ReadonlyMap<string, PlannedRun>;
  readonly sort: ScheduleView['sort'];
  readonly onSort: (sort: ScheduleView['sort']) => void;
  readonly onPick: (row: ScheduleRow, more: boolean) => void;
  /** What stands in the table while it has no line. */
  readonly empty: ReactNode;
}

/** The table of the schedule; only the lines that are in sight are drawn. */
export function LedgerGrid({ lines, full, units, chosen, runById, sort, onSort, onPick, empty }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions are used in this component only
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const firstChosen = lines.findIndex((line) => line.kind === 'row' && chosen.has(line.row.runId));
  const chosenIds = [...chosen].join();
  // What is chosen on the plan, or came by a link, is brought into sight; sorting alone leaves the place as it is.
  useEffect(() => {
    if (firstChosen < 0) return;
    const soon = window.setTimeout(() => virtual.scrollToIndex(firstChosen, { align: 'auto' }), 0);
    return () => window.clearTimeout(soon);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosenIds]);
  const columns = columnsOf(full);
  return (
    <div
      className="grid"
      role="grid"
      aria-rowcount={lines.length + 1}
      aria-colcount={columns.length}
      aria-label={text('schedule.title')}
    >
      <div className="grid-row head" role="row" aria-rowindex={1}>
        {columns.map((column) => (
          <button
            key={column}
            type="button"
            role="columnheader"
            className={`plain cell ${column}`}
            aria-sort={sort.column === column ? (sort.down ? 'descending' : 'ascending') : 'none'}
            onClick={() => onSort({ column, down: sort.column === column && !sort.down })}
          >
            {text(`schedule.columns.${column}`)}
            {sort.column === column && <Chevron down={sort.down} />}
          </button>
        ))}
      </div>
      <div ref={scroller} className="grid-scroll" role="rowgroup">
        {lines.length === 0 && (
          <div role="row">
            <div role="gridcell" aria-colspan={columns.length} className="ledger-empty">
              {empty}
            </div>
          </div>
        )}
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map(({ key, index, start }) => {
            const line = lines[index];
            const style = { transform: `translateY(${start}px)`, height: ROW_PX };
            return line.kind === 'group' ? (
              <div key={key} className="grid-row group" role="row" aria-rowindex={index + 2} style={style}>
                <div role="gridcell" aria-colspan={columns.length} className="cell">
                  <b>{line.title}</b> {text('projects.runs', { count: line.count })} · {formatCableLength(line.cutLengthM, units)}
                </div>
              </div>
            ) : (
              <RunLine
                key={key}
                row={line.row}
                planned={runById.get(line.row.runId)}
                index={index}
                style={style}
                isChosen={chosen.has(line.row.runId)}
                {...{ full, units, onPick }}
              />
            );
          })}
        </div>
      </div>
    </div>
  );
}

interface LineProps extends Pick<Props, 'full' | 'units' | 'onPick'> {
  readonly row: ScheduleRow;
  readonly planned: PlannedRun | undefined;
  readonly index: number;
  readonly style: { readonly transform: string; readonly height: number };
  readonly isChosen: boolean;
}

function RunLine({ row, planned, index, style, isChosen, full, units, onPick }: LineProps) {
  return (
    <div
      className={isChosen ? 'grid-row chosen' : 'grid-row'}
      role="row"
      tabIndex={0}
      aria-rowindex={index + 2}
      aria-selected={isChosen}
      style={style}
      onClick={(event) => onPick(row, event.shiftKey)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onPick(row, event.shiftKey);
      }}
    >
      <div role="gridcell" className="cell run">
        <RunTag number={row.number} />
      </div>
      <div role="gridcell" className="cell from">
        {row.from}
      </div>
      <div role="gridcell" className="cell to">
        {row.to}
      </div>
      <div role="gridcell" className="cell cable">
        {row.cable}
      </div>
      <div role="gridcell" className="cell length">
        {planned?.length && full && <LengthBar length={planned.length} units={units} small />}
        {row.cutLengthM === null ? text('run.noWay') : formatCableLength(row.cutLengthM, units)}
      </div>
      {full && <FullCells row={row} units={units} />}
      <div role="gridcell" className="cell bundle">
        {row.bundle}
      </div>
      <div role="gridcell" className="cell state">
        {term(`states.${row.state}`)}
      </div>
      <div role="gridcell" className="cell check">
        <RankMark rank={row.rank} />
      </div>
    </div>
  );
}

/** What the schedule says of a run's way where there is room for it. */
function FullCells({ row, units }: { readonly row: ScheduleRow; readonly units: UnitSystem }) {
  return (
    <>
      <div role="gridcell" className="cell range">
        {row.leastM === null || row.mostM === null
          ? ''
          : `${formatCableLength(row.leastM, units)} – ${formatCableLength(row.mostM, units)}`}
      </div>
      <div role="gridcell" className="cell slack">
        {formatCableLength(row.deviceSlackM, units)} + {formatCableLength(row.rackSlackM, units)}
      </div>
      <div role="gridcell" className="cell way">
        {row.way
          .split('+')
          .filter(Boolean)
          .map((medium) => term(`media.${medium}`))
          .join(', ')}
      </div>
      <div role="gridcell" className="cell holes">
        {row.holes ?? ''}
      </div>
    </>
  );
}
