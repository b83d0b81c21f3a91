import { groupSchedule, type ScheduleGrouping, type ScheduleRow } from '@dusky-spool/core/sheets';
import { RUN_STATES, type RunState } from '@dusky-spool/core/model';

const BRIEF_COLUMNS = ['run', 'from', 'to', 'cable', 'length', 'bundle', 'state', 'check'] as const;
const ALL_COLUMNS = [
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
] as const;
export type Column = (typeof ALL_COLUMNS)[number];

/** The columns of the schedule: fewer beside the plan, all on a full screen. */
export const columnsOf = (full: boolean): readonly Column[] => (full ? ALL_COLUMNS : BRIEF_COLUMNS);

const VALUE_OF: Readonly<Record<Column, (row: ScheduleRow) => string | number>> = {
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
const collator = new Intl.Collator('en', { numeric: true });

/** How the schedule is filtered, sorted and grouped; null lets everything through. */
export interface ScheduleView {
  readonly find: string;
  readonly levelId: string | null;
  readonly cableTypeId: string | null;
  readonly state: RunState | null;
  readonly group: ScheduleGrouping;
  readonly sort: { readonly column: Column; readonly down: boolean };
}

/** Rows that pass the filters, in the order of the sorted column, then of their numbers. */
export function rowsInView(rows: readonly ScheduleRow[], view: ScheduleView): ScheduleRow[] {
  const { find, levelId, cableTypeId, state, sort } = view;
  const words = find.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const textOf = ({ number, from, to, cable, bundle, purpose }: ScheduleRow) =>
    `${number} ${from} ${to} ${cable} ${bundle} ${purpose}`.toLowerCase();
  const list = rows.filter(
    (row) =>
      (levelId === null || row.levelId === levelId) &&
      (cableTypeId === null || row.cableTypeId === cableTypeId) &&
      (state === null || row.state === state) &&
      words.every((word) => textOf(row).includes(word)),
  );
  const value = VALUE_OF[sort.column];
  list.sort((a, b) => compare(value(a), value(b)) || collator.compare(a.number, b.number));
  return sort.down ? list.reverse() : list;
}

const compare = (x: string | number, y: string | number): number =>
  typeof x === 'number' && typeof y === 'number' ? x - y : collator.compare(String(x), String(y));

/** One line of the table: a heading with the sum of its group, or a run. */
export type ScheduleLine =
  | { readonly kind: 'group'; readonly title: string; readonly count: number; readonly cutLengthM: number }
  | { readonly kind: 'row'; readonly row: ScheduleRow };

/** The lines of the table; groups without a title are called `untitled`. */
export const linesOf = (rows: readonly ScheduleRow[], group: ScheduleGrouping, untitled: string): ScheduleLine[] =>
  groupSchedule(rows, group).flatMap((part): ScheduleLine[] => [
    ...(group === 'none'
      ? []
      : [{ kind: 'group' as const, title: part.title || untitled, count: part.rows.length, cutLengthM: part.cutLengthM }]),
    ...part.rows.map((row) => ({ kind: 'row' as const, row })),
  ]);
