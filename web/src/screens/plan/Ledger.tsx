import { Button } from 'antd';
import { memo, useMemo, useState } from 'react';
import { formatCableLength } from '@dusky-spool/core/math';
import { type ScheduleRow, totalsByCable } from '@dusky-spool/core/sheets';
import { text } from '../../ground/text.ts';
import { useDerived, useDerivedStore } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { type Selection, toggled } from '../../state/selection-kinds.ts';
import { Chevron } from '../../ui/Chevron.tsx';
import { ExportMenu } from './ExportMenu.tsx';
import { LedgerGrid, type PickOfRows } from './LedgerGrid.tsx';
import { LedgerTools } from './LedgerTools.tsx';
import { LedgerTotals, SpoolSummary } from './LedgerTotals.tsx';
import { rowsInView, type ScheduleView } from './schedule-view.ts';
import css from './plan.module.css';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly selection: Selection;
  readonly full: boolean;
  readonly onSelect: (selection: Selection, levelId?: string) => void;
  readonly onFull: (full: boolean) => void;
  readonly onFold: () => void;
}

/** Narrower windows show the columns first, and the totals when they are asked for. */
const TOTALS_FROM_PX = 1560;
const NO_FILTER = { find: '', cableTypeId: null, state: null } as const;
const FIRST_VIEW: Omit<ScheduleView, 'levelId'> = { ...NO_FILTER, group: 'none' };

/** The cable schedule: what is in view of the plan, or all of it on a full screen. */
export const Ledger = memo(function Ledger({ projectId, levelId, selection, full, onSelect, onFull, onFold }: Props) {
  const project = useProject();
  const { rows, runById } = useDerived(project);
  const { units } = project.project;
  const [chosenView, setView] = useState(FIRST_VIEW);
  const [allLevels, setAllLevels] = useState(full);
  const [totalsOpen, setTotalsOpen] = useState(() => window.innerWidth >= TOTALS_FROM_PX);
  const view = useMemo(
    () => ({ ...chosenView, levelId: allLevels || full ? null : levelId }),
    [chosenView, allLevels, full, levelId],
  );
  const change = (fields: Partial<ScheduleView>) => setView({ ...chosenView, ...fields });

  const shown = useMemo(() => rowsInView(rows, view), [rows, view]);
  const totals = useMemo(() => totalsByCable(project, shown), [project, shown]);
  const chosen = useMemo(() => {
    if (selection.kind === 'run') return new Set(selection.ids);
    return new Set(selection.ids.flatMap((id) => rows.filter((row) => row.deviceId === id).map((row) => row.runId)));
  }, [selection, rows]);
  const pick = (row: ScheduleRow, how: PickOfRows) => {
    if (how.kind === 'range') return onSelect({ kind: 'run', ids: how.runIds }, row.levelId);
    const isMore = how.kind === 'toggle' && selection.kind === 'run';
    onSelect(isMore ? toggled(selection, row.runId) : { kind: 'run', ids: [row.runId] }, row.levelId);
  };
  const isAllChosen = shown.length > 0 && shown.every(({ runId }) => chosen.has(runId));
  const cutM = shown.reduce((sum, row) => sum + (row.cutLengthM ?? 0), 0);
  return (
    <section className={full ? `${css.ledger} ${css.full}` : css.ledger} aria-label={text('schedule.title')}>
      <header>
        <h2>{text('schedule.title')}</h2>
        <span className="chip">{text('schedule.count', { shown: shown.length, all: rows.length })}</span>
        <span className="chip">{text('schedule.toPull', { length: formatCableLength(cutM, units) })}</span>
        <span className="grow" />
        {!full && <SpoolSummary totals={totals} units={units} />}
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
      <LedgerTools
        rows={rows}
        choosesLevels={!full}
        onView={change}
        onAllLevels={setAllLevels}
        onSelectShown={
          shown.length > 1 && !isAllChosen ? () => onSelect({ kind: 'run', ids: shown.map(({ runId }) => runId) }) : undefined
        }
        {...{ view, allLevels, shownCount: shown.length }}
      />
      <div className={css.ledgerBody}>
        <LedgerGrid
          rows={shown}
          group={view.group}
          isFull={full}
          onPick={pick}
          empty={<NothingShown isFiltered={rows.length > 0} view={view} onClear={() => change(NO_FILTER)} />}
          {...{ units, chosen, runById }}
        />
        {full && totalsOpen && <LedgerTotals totals={totals} units={units} />}
      </div>
    </section>
  );
});

interface NothingProps {
  readonly isFiltered: boolean;
  readonly view: ScheduleView;
  readonly onClear: () => void;
}

/** Why the schedule is empty, and how to see runs again. */
function NothingShown({ isFiltered, view: { find, cableTypeId, state }, onClear }: NothingProps) {
  const isRouting = useDerivedStore(({ checked, failed, stopped }) => !checked && !failed && !stopped);
  return (
    <>
      <p>{text(isFiltered ? 'schedule.noMatch' : isRouting ? 'schedule.routing' : 'schedule.empty')}</p>
      {(find !== '' || cableTypeId !== null || state !== null) && (
        <Button size="small" onClick={onClear}>
          {text('schedule.clear')}
        </Button>
      )}
    </>
  );
}
