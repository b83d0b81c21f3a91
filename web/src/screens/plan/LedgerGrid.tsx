import { formatCableLength, type UnitSystem } from '@dusky-spool/core/math';
import type { PlannedRun } from '@dusky-spool/core/runs';
import type { ScheduleGrouping, ScheduleRow } from '@dusky-spool/core/sheets';
import { type ReactTable, type Row, type SortingState, useTable } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type MouseEvent, type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { text } from '../../ground/text.ts';
import { Chevron } from '../../ui/Chevron.tsx';
import { FULL_COLUMNS, SCHEDULE_COLUMNS, SCHEDULE_FEATURES } from './schedule-columns.tsx';
import { ScheduleContext } from './schedule-context.ts';
import { linesOf, type ScheduleLine } from './schedule-view.ts';
import css from './plan.module.css';

const ROW_PX = 27;

/** What a click on a row selects: it alone, it more or less (Ctrl), or all from the one clicked before it (Shift). */
export type PickOfRows = { readonly kind: 'one' | 'toggle' } | { readonly kind: 'range'; readonly runIds: readonly string[] };

interface Props {
  /** The rows that pass the filters. */
  readonly rows: readonly ScheduleRow[];
  readonly group: ScheduleGrouping;
  readonly isFull: boolean;
  readonly units: UnitSystem;
  readonly chosen: ReadonlySet<string>;
  readonly runById: ReadonlyMap<string, PlannedRun>;
  readonly onPick: (row: ScheduleRow, how: PickOfRows) => void;
  /** What is shown while the table has no row. */
  readonly empty: ReactNode;
}

type ScheduleTable = ReactTable<typeof SCHEDULE_FEATURES, ScheduleRow>;
type TableRow = Row<typeof SCHEDULE_FEATURES, ScheduleRow>;

/** The table of the schedule, sorted by a click on a column; only the rows that are in sight are drawn. */
export function LedgerGrid({ rows, group, isFull, units, chosen, runById, onPick, empty }: Props) {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'run', desc: false }]);
  const table = useTable({
    features: SCHEDULE_FEATURES,
    columns: SCHEDULE_COLUMNS,
    data: rows,
    state: { sorting, columnVisibility: isFull ? ALL_VISIBLE : BRIEF_VISIBLE },
    onSortingChange: setSorting,
    enableSortingRemoval: false,
    getRowId: ({ runId }) => runId,
  });
  const sorted = table.getRowModel().rows;
  const lines = useMemo(() => linesOf(sorted, group, text('run.alone')), [sorted, group]);
  const columnCount = table.getVisibleLeafColumns().length;
  const context = useMemo(() => ({ units, isFull, runById }), [units, isFull, runById]);
  return (
    <ScheduleContext.Provider value={context}>
      <div
        className={css.grid}
        role="grid"
        aria-rowcount={lines.length + 1}
        aria-colcount={columnCount}
        aria-label={text('schedule.title')}
      >
        <HeadRow table={table} />
        <Lines {...{ table, lines, columnCount, units, chosen, onPick, empty }} />
      </div>
    </ScheduleContext.Provider>
  );
}

const ALL_VISIBLE = {};
const BRIEF_VISIBLE = Object.fromEntries(FULL_COLUMNS.map((id) => [id, false]));

function HeadRow({ table }: { readonly table: ScheduleTable }) {
  return table.getHeaderGroups().map((line) => (
    <div key={line.id} className={`${css.gridRow} ${css.head}`} role="row" aria-rowindex={1}>
      {line.headers.map((header) => {
        const sorted = header.column.getIsSorted();
        return (
          <div
            key={header.id}
            role="columnheader"
            className={`${css.cell} ${header.id}`}
            aria-sort={sorted === 'desc' ? 'descending' : sorted === 'asc' ? 'ascending' : 'none'}
          >
            <button type="button" className={`plain ${css.sort}`} onClick={header.column.getToggleSortingHandler()}>
              <table.FlexRender header={header} />
              {sorted && <Chevron down={sorted === 'desc'} />}
            </button>
          </div>
        );
      })}
    </div>
  ));
}

interface LinesProps extends Pick<Props, 'units' | 'chosen' | 'onPick' | 'empty'> {
  readonly table: ScheduleTable;
  readonly lines: readonly ScheduleLine<TableRow>[];
  readonly columnCount: number;
}

function Lines({ table, lines, columnCount, units, chosen, onPick, empty }: LinesProps) {
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions are used in this component only
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const anchor = useRef<string | null>(null);
  const pick = (row: TableRow, { shiftKey, ctrlKey, metaKey }: PickKeys) => {
    const ids = lines.flatMap((line) => (line.kind === 'row' ? [line.row.id] : []));
    const [from, to] = [ids.indexOf(anchor.current ?? ''), ids.indexOf(row.id)];
    if (shiftKey && from >= 0) {
      const runIds = ids.slice(Math.min(from, to), Math.max(from, to) + 1);
      return onPick(row.original, { kind: 'range', runIds });
    }
    anchor.current = row.id;
    onPick(row.original, { kind: shiftKey || ctrlKey || metaKey ? 'toggle' : 'one' });
  };
  const firstChosen = lines.findIndex((line) => line.kind === 'row' && chosen.has(line.row.id));
  const chosenIds = [...chosen].join();
  // What is selected on the plan, or came by a link, is brought into sight; sorting alone leaves the place as it is.
  useEffect(() => {
    if (firstChosen < 0) return;
    const soon = window.setTimeout(() => virtual.scrollToIndex(firstChosen, { align: 'auto' }), 0);
    return () => window.clearTimeout(soon);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosenIds]);
  return (
    <div ref={scroller} className={css.gridScroll} role="rowgroup">
      {lines.length === 0 && (
        <div role="row">
          <div role="gridcell" aria-colspan={columnCount} className={css.ledgerEmpty}>
            {empty}
          </div>
        </div>
      )}
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map(({ key, index, start }) => {
          const line = lines[index];
          const style = { transform: `translateY(${start}px)`, height: ROW_PX };
          return line.kind === 'group' ? (
            <div key={key} className={`${css.gridRow} group`} role="row" aria-rowindex={index + 2} style={style}>
              <div role="gridcell" aria-colspan={columnCount} className={css.cell}>
                <b>{line.title}</b> {text('projects.runs', { count: line.count })} · {formatCableLength(line.cutLengthM, units)}
              </div>
            </div>
          ) : (
            <RunLine
              key={key}
              row={line.row}
              index={index}
              style={style}
              isChosen={chosen.has(line.row.id)}
              {...{ table, onPick: pick }}
            />
          );
        })}
      </div>
    </div>
  );
}

type PickKeys = Pick<MouseEvent, 'shiftKey' | 'ctrlKey' | 'metaKey'>;

interface LineProps {
  readonly onPick: (row: TableRow, keys: PickKeys) => void;
  readonly table: ScheduleTable;
  readonly row: TableRow;
  readonly index: number;
  readonly style: { readonly transform: string; readonly height: number };
  readonly isChosen: boolean;
}

function RunLine({ table, row, index, style, isChosen, onPick }: LineProps) {
  return (
    <div
      className={isChosen ? `${css.gridRow} chosen` : css.gridRow}
      role="row"
      tabIndex={0}
      aria-rowindex={index + 2}
      aria-selected={isChosen}
      style={style}
      onClick={(event) => onPick(row, event)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onPick(row, event);
      }}
    >
      {row.getVisibleCells().map((cell) => (
        <div key={cell.id} role="gridcell" className={`${css.cell} ${cell.column.id}`}>
          <table.FlexRender cell={cell} />
        </div>
      ))}
    </div>
  );
}
