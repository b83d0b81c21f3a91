import { RUN_STATES } from '@dusky-spool/core/model';
import type { ScheduleRow } from '@dusky-spool/core/sheets';
import {
  columnVisibilityFeature,
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
} from '@tanstack/react-table';
import type { ReactNode } from 'react';
import { term, termNamed, textNamed } from '../../ground/text.ts';
import { RankMark } from '../../ui/RankMark.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import { LengthCell, RangeCell, SlackCell } from './schedule-cells.tsx';

export const SCHEDULE_FEATURES = tableFeatures({
  rowSortingFeature,
  columnVisibilityFeature,
  sortedRowModel: createSortedRowModel(),
});

/** Columns that are shown on a full screen only. */
export const FULL_COLUMNS = ['range', 'slack', 'way', 'holes'] as const;

const RANKS = ['stop', 'look', 'fine'];
const collator = new Intl.Collator('en', { numeric: true });
const byNumber = (a: ScheduleRow, b: ScheduleRow) => collator.compare(a.number, b.number);

const helper = createColumnHelper<typeof SCHEDULE_FEATURES, ScheduleRow>();
/** A column sorted by a value of its rows, then by their numbers: numbers as people count, missing figures first. */
function column(id: string, valueOf: (row: ScheduleRow) => string | number | null, cell: (row: ScheduleRow) => ReactNode) {
  return helper.accessor(valueOf, {
    id,
    header: () => textNamed('schedule.columns', id),
    cell: ({ row }) => cell(row.original),
    // The first click sorts up, the next one down.
    sortDescFirst: false,
    sortFn: (a, b) => {
      const [x, y] = [valueOf(a.original), valueOf(b.original)];
      const order =
        typeof x === 'string' && typeof y === 'string'
          ? collator.compare(x, y)
          : Number(x ?? -Infinity) - Number(y ?? -Infinity) || 0;
      return order || byNumber(a.original, b.original);
    },
  });
}

export const SCHEDULE_COLUMNS = helper.columns([
  column(
    'run',
    ({ number }) => number,
    ({ number }) => <RunTag number={number} />,
  ),
  column(
    'from',
    ({ from }) => from,
    ({ from }) => from,
  ),
  column(
    'to',
    ({ to }) => to,
    ({ to }) => to,
  ),
  column(
    'cable',
    ({ cable }) => cable,
    ({ cable }) => cable,
  ),
  column(
    'length',
    ({ cutLengthM }) => cutLengthM,
    (row) => <LengthCell row={row} />,
  ),
  column(
    'range',
    ({ mostM: maxM }) => maxM,
    (row) => <RangeCell row={row} />,
  ),
  column(
    'slack',
    ({ deviceSlackM, rackSlackM }) => deviceSlackM + rackSlackM,
    (row) => <SlackCell row={row} />,
  ),
  column(
    'way',
    ({ way: route }) => route,
    ({ way: route }) => mediaOf(route),
  ),
  column(
    'holes',
    ({ holes }) => holes,
    ({ holes }) => holes,
  ),
  column(
    'bundle',
    ({ bundle }) => bundle,
    ({ bundle }) => bundle,
  ),
  column(
    'state',
    ({ state }) => RUN_STATES.indexOf(state),
    ({ state }) => term(`states.${state}`),
  ),
  column(
    'check',
    ({ rank }) => RANKS.indexOf(rank),
    ({ rank }) => <RankMark rank={rank} />,
  ),
]);

/** What a route leads through, in words. */
const mediaOf = (route: string): string =>
  route
    .split('+')
    .filter(Boolean)
    .map((medium) => termNamed('media', medium))
    .join(', ');
