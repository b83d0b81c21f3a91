import { Input, Select } from 'antd';
import { type ScheduleRow, totalsByCable } from '@dusky-spool/core/sheets';
import { RUN_STATES, type RunState } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import type { ScheduleView } from './schedule-view.ts';

/** The choice of a filter that lets everything through. */
const ANY = 'any';

interface Props {
  readonly rows: readonly ScheduleRow[];
  readonly view: ScheduleView;
  readonly allLevels: boolean;
  /** Whether levels can be chosen: beside the plan, where one of them is shown. */
  readonly choosesLevels: boolean;
  readonly onView: (fields: Partial<ScheduleView>) => void;
  readonly onAllLevels: (all: boolean) => void;
  readonly shownCount: number;
  /** Selects every run that is shown; left out where all of them are. */
  readonly onSelectShown?: () => void;
}

/** Filters and grouping of the schedule. */
export function LedgerTools({ rows, view, allLevels, choosesLevels, onView, onAllLevels, shownCount, onSelectShown }: Props) {
  const project = useProject();
  return (
    <div className="ledger-tools">
      <Input
        size="small"
        allowClear
        value={view.find}
        placeholder={text('schedule.filter')}
        aria-label={text('schedule.filter')}
        onChange={(event) => onView({ find: event.target.value })}
        onKeyDown={(event) => event.stopPropagation()}
      />
      {choosesLevels && (
        <Select
          size="small"
          aria-label={text('schedule.level')}
          value={allLevels}
          onChange={onAllLevels}
          options={[
            { value: false, label: text('schedule.thisLevel') },
            { value: true, label: text('schedule.allLevels') },
          ]}
        />
      )}
      <Select
        size="small"
        aria-label={text('schedule.groupBy')}
        value={view.group}
        onChange={(group) => onView({ group })}
        options={(['none', 'room', 'cable', 'bundle', 'level'] as const).map((value) => ({
          value,
          label:
            value === 'none' ? text('schedule.none') : `${text('schedule.groupBy')}: ${text(`schedule.${value}`).toLowerCase()}`,
        }))}
      />
      <Select
        size="small"
        aria-label={text('schedule.cable')}
        value={view.cableTypeId ?? ANY}
        onChange={(value) => onView({ cableTypeId: value === ANY ? null : value })}
        options={[
          { value: ANY, label: text('schedule.anyCable') },
          ...totalsByCable(project, rows).map((total) => ({ value: total.cableTypeId, label: total.cable })),
        ]}
      />
      <Select<RunState | typeof ANY>
        size="small"
        aria-label={text('run.state')}
        value={view.state ?? ANY}
        onChange={(value) => onView({ state: value === ANY ? null : value })}
        options={[
          { value: ANY, label: text('schedule.anyState') },
          ...RUN_STATES.map((value) => ({ value, label: term(`states.${value}`) })),
        ]}
      />
      {onSelectShown && (
        <button type="button" className="plain link" onClick={onSelectShown}>
          {text('schedule.selectShown', { count: shownCount })}
        </button>
      )}
    </div>
  );
}
