import { useProject } from '../../state/open-project.ts';
import { USUAL_SPOOL_M } from '@dusky-spool/core/calculators';
import { groupSchedule, type ScheduleGrouping, type ScheduleRow, totalsByCable } from '@dusky-spool/core/sheets';
import { RUN_STATES, type RunState } from '@dusky-spool/core/model';
import { formatCableLength, type UnitSystem } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { useDerived, useFollowing } from '../../state/following.ts';
import { LengthBar } from '../../ui/LengthBar.tsx';
import { RankMark } from '../../ui/RankMark.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import { SpoolRing } from '../../ui/SpoolRing.tsx';
import { Chevron } from '../../ui/Chevron.tsx';
import { ExportMenu } from './ExportMenu.tsx';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Button, Input, Select } from 'antd';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly selection: Selection;
  readonly full: boolean;
  readonly onSelect: (selection: Selection, levelId?: string) => void;
  readonly onFull: (full: boolean) => void;
  readonly onFold: () => void;
}

type Column = 'run' | 'from' | 'to' | 'cable' | 'length' | 'range' | 'slack' | 'way' | 'holes' | 'bundle' | 'state' | 'check';
const BRIEFLY: readonly Column[] = ['run', 'from', 'to', 'cable', 'length', 'bundle', 'state', 'check'];
const IN_FULL: readonly Column[] = [
  'run',
  'from',
  'to',
  'cable',
  'length',
  'range',
  'slack',
  'way',
  'holes',
  'bundle',
  'state',
  'check',
];
const SORTED: Readonly<Record<Column, (row: ScheduleRow) => string | number>> = {
  run: (row) => row.number,
  from: (row) => row.from,
  to: (row) => row.to,
  cable: (row) => row.cable,
  length: (row) => row.cutLengthM ?? -1,
  range: (row) => row.mostM ?? -1,
  slack: (row) => row.deviceSlackM + row.rackSlackM,
  way: (row) => row.way,
  holes: (row) => row.holes ?? -1,
  bundle: (row) => row.bundle,
  state: (row) => RUN_STATES.indexOf(row.state),
  check: (row) => ['stop', 'look', 'fine'].indexOf(row.rank),
};
const ROW_PX = 27;
const collator = new Intl.Collator('en', { numeric: true });
/** Narrower windows show the columns first, and the totals when they are asked for. */
const TOTALS_FROM_PX = 1560;
/** The choice of a filter that lets everything through. */
const ANY = 'any';

/** The cable schedule: what is in view of the plan, or all of it on a full screen. */
export const Ledger = memo(function Ledger({ projectId, levelId, selection, full, onSelect, onFull, onFold }: Props) {
  const document = useProject();
  const { rows, runById } = useDerived(document);
  const { units } = document.project;
  const routing = useFollowing(({ checked, failed, stopped }) => !checked && !failed && !stopped);
  const [group, setGroup] = useState<ScheduleGrouping>('none');
  const [find, setFind] = useState('');
  const [allLevels, setAllLevels] = useState(full);
  const [cable, setCable] = useState(ANY);
  const [state, setState] = useState<RunState | typeof ANY>(ANY);
  const [totalsOpen, setTotalsOpen] = useState(() => window.innerWidth >= TOTALS_FROM_PX);
  const [sort, setSort] = useState<{ column: Column; down: boolean }>({ column: 'run', down: false });

  const filtered = useMemo(() => {
    const words = find.trim().toLowerCase().split(/\s+/).filter(Boolean);
    const value = SORTED[sort.column];
    const list = rows.filter(
      (row) =>
        (allLevels || full || row.levelId === levelId) &&
        (cable === ANY || row.cableTypeId === cable) &&
        (state === ANY || row.state === state) &&
        words.every((word) =>
          `${row.number} ${row.from} ${row.to} ${row.cable} ${row.bundle} ${row.purpose}`.toLowerCase().includes(word),
        ),
    );
    list.sort((a, b) => {
      const [x, y] = [value(a), value(b)];
      return (
        (typeof x === 'number' && typeof y === 'number' ? x - y : collator.compare(String(x), String(y))) ||
        collator.compare(a.number, b.number)
      );
    });
    return sort.down ? list.reverse() : list;
  }, [rows, find, allLevels, full, levelId, cable, state, sort]);

  const lines = useMemo(
    () =>
      groupSchedule(filtered, group).flatMap((part) => [
        ...(group === 'none'
          ? []
          : [
              {
                kind: 'group' as const,
                title: part.title || text('run.alone'),
                count: part.rows.length,
                cutLengthM: part.cutLengthM,
              },
            ]),
        ...part.rows.map((row) => ({ kind: 'row' as const, row })),
      ]),
    [filtered, group],
  );
  const totals = useMemo(() => totalsByCable(document, filtered), [document, filtered]);
  const scroller = useRef<HTMLDivElement>(null);

  // eslint-disable-next-line react-hooks/incompatible-library -- its functions are used in this component only
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });

  const chosen = useMemo(
    () =>
      new Set(
        selection.kind === 'run'
          ? selection.ids
          : selection.ids.flatMap((id) => rows.filter((row) => row.deviceId === id).map((row) => row.runId)),
      ),
    [selection, rows],
  );
  const firstChosen = lines.findIndex((line) => line.kind === 'row' && chosen.has(line.row.runId));
  const chosenIds = [...chosen].join();
  // What is chosen on the plan, or came by a link, is brought into sight; sorting alone leaves the place as it is.
  useEffect(() => {
    if (firstChosen < 0) return;
    const soon = window.setTimeout(() => virtual.scrollToIndex(firstChosen, { align: 'auto' }), 0);
    return () => window.clearTimeout(soon);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosenIds]);

  const pick = (row: ScheduleRow, more: boolean) => {
    const ids = more && selection.kind === 'run' ? [...new Set([...selection.ids, row.runId])] : [row.runId];
    onSelect({ kind: 'run', ids }, row.levelId);
  };
  const cutM = filtered.reduce((sum, row) => sum + (row.cutLengthM ?? 0), 0);
  const wide = full && totalsOpen;
  const columns = full ? IN_FULL : BRIEFLY;
  const filters = find !== '' || cable !== ANY || state !== ANY;

  return (
    <section className={full ? 'ledger full' : 'ledger'} aria-label={text('schedule.title')}>
      <header>
        <h2>{text('schedule.title')}</h2>
        <span className="chip">{text('schedule.count', { shown: filtered.length, all: rows.length })}</span>
        <span className="chip">{text('schedule.toPull', { length: formatCableLength(cutM, units) })}</span>
        <span className="grow" />
        {!full &&
          totals.slice(0, 3).map((total) => (
            <span key={total.cableTypeId} className="ledger-spool">
              <SpoolRing system={total.system} left={1 - ((total.orderLengthM / USUAL_SPOOL_M) % 1)} size={32} />
              <span>
                <b>{total.cable}</b>
                <span>{formatCableLength(total.cutLengthM, units)}</span>
              </span>
            </span>
          ))}
        <ExportMenu projectId={projectId} levelId={levelId} />
        {full && (
          <Button size="small" aria-expanded={totalsOpen} onClick={() => setTotalsOpen(!totalsOpen)}>
            {text('schedule.totals')}
          </Button>
        )}
        <Button size="small" onClick={() => onFull(!full)}>
          {full ? text('schedule.toPlan') : text('schedule.full')}
        </Button>
        {!full && <Button size="small" type="text" aria-label={text('schedule.fold')} onClick={onFold} icon={<Chevron down />} />}
      </header>
      <div className="ledger-tools">
        <Input
          size="small"
          allowClear
          value={find}
          placeholder={text('schedule.filter')}
          aria-label={text('schedule.filter')}
          onChange={(event) => setFind(event.target.value)}
          onKeyDown={(event) => event.stopPropagation()}
        />
        {!full && (
          <Select
            size="small"
            aria-label={text('schedule.level')}
            value={allLevels}
            onChange={setAllLevels}
            options={[
              { value: false, label: text('schedule.thisLevel') },
              { value: true, label: text('schedule.allLevels') },
            ]}
          />
        )}
        <Select
          size="small"
          aria-label={text('schedule.groupBy')}
          value={group}
          onChange={setGroup}
          options={(['none', 'room', 'cable', 'bundle', 'level'] as const).map((value) => ({
            value,
            label:
              value === 'none'
                ? text('schedule.none')
                : `${text('schedule.groupBy')}: ${text(`schedule.${value}`).toLowerCase()}`,
          }))}
        />
        <Select
          size="small"
          aria-label={text('schedule.cable')}
          value={cable}
          onChange={setCable}
          options={[
            { value: ANY, label: text('schedule.anyCable') },
            ...totalsByCable(document, rows).map((total) => ({ value: total.cableTypeId, label: total.cable })),
          ]}
        />
        <Select
          size="small"
          aria-label={text('run.state')}
          value={state}
          onChange={setState}
          options={[
            { value: ANY as typeof ANY, label: text('schedule.anyState') },
            ...RUN_STATES.map((value) => ({ value, label: term(`states.${value}`) })),
          ]}
        />
      </div>
      <div className="ledger-body">
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
                onClick={() => setSort({ column, down: sort.column === column && !sort.down })}
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
                  <p>
                    {rows.length > 0 ? text('schedule.noMatch') : routing ? text('schedule.routing') : text('schedule.empty')}
                  </p>
                  {filters && (
                    <Button
                      size="small"
                      onClick={() => {
                        setFind('');
                        setCable(ANY);
                        setState(ANY);
                      }}
                    >
                      {text('schedule.clear')}
                    </Button>
                  )}
                </div>
              </div>
            )}
            <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
              {virtual.getVirtualItems().map((item) => {
                const line = lines[item.index];
                const style = { transform: `translateY(${item.start}px)`, height: ROW_PX };
                if (line.kind === 'group') {
                  return (
                    <div key={item.key} className="grid-row group" role="row" aria-rowindex={item.index + 2} style={style}>
                      <div role="gridcell" aria-colspan={columns.length} className="cell">
                        <b>{line.title}</b> {text('projects.runs', { count: line.count })} ·{' '}
                        {formatCableLength(line.cutLengthM, units)}
                      </div>
                    </div>
                  );
                }
                const { row } = line;
                const length = runById.get(row.runId)?.length ?? null;
                return (
                  <div
                    key={item.key}
                    className={chosen.has(row.runId) ? 'grid-row chosen' : 'grid-row'}
                    role="row"
                    tabIndex={0}
                    aria-rowindex={item.index + 2}
                    aria-selected={chosen.has(row.runId)}
                    style={style}
                    onClick={(event) => pick(row, event.shiftKey)}
                    onKeyDown={(event) => {
                      if (event.key === 'Enter' || event.key === ' ') {
                        event.preventDefault();
                        pick(row, event.shiftKey);
                      }
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
                      {length && full && <LengthBar length={length} units={units} small />}
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
              })}
            </div>
          </div>
        </div>
        {wide && (
          <aside className="ledger-totals" tabIndex={0} aria-label={text('schedule.totals')}>
            <div className="eyebrow">{text('schedule.totals')}</div>
            {totals.map((total) => (
              <div key={total.cableTypeId} className="total">
                <SpoolRing system={total.system} left={1 - ((total.orderLengthM / USUAL_SPOOL_M) % 1)} size={34} />
                <div>
                  <b>{total.cable}</b>
                  <span>
                    {text('projects.runs', { count: total.runs })} · {text('schedule.longest').toLowerCase()}{' '}
                    {formatCableLength(total.longestM, units)}
                  </span>
                </div>
                <b className="figure">{formatCableLength(total.cutLengthM, units)}</b>
              </div>
            ))}
          </aside>
        )}
      </div>
    </section>
  );
});

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
