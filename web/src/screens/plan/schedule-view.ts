import { groupSchedule, type ScheduleGrouping, type ScheduleRow } from '@dusky-spool/core/sheets';
import type { RunState } from '@dusky-spool/core/model';

/** How the schedule is filtered and grouped; null lets everything through. */
export interface ScheduleView {
  readonly find: string;
  readonly levelId: string | null;
  readonly cableTypeId: string | null;
  readonly state: RunState | null;
  readonly group: ScheduleGrouping;
}

/** Rows that pass the filters. */
export function rowsInView(rows: readonly ScheduleRow[], view: ScheduleView): ScheduleRow[] {
  const { find, levelId, cableTypeId, state } = view;
  const words = find.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const textOf = ({ number, from, to, cable, bundle, purpose }: ScheduleRow) =>
    `${number} ${from} ${to} ${cable} ${bundle} ${purpose}`.toLowerCase();
  return rows.filter(
    (row) =>
      (levelId === null || row.levelId === levelId) &&
      (cableTypeId === null || row.cableTypeId === cableTypeId) &&
      (state === null || row.state === state) &&
      words.every((word) => textOf(row).includes(word)),
  );
}

/** One line of the table: a heading with the sum of its group, or a run. */
export type ScheduleLine<Row> =
  | { readonly kind: 'group'; readonly title: string; readonly count: number; readonly cutLengthM: number }
  | { readonly kind: 'row'; readonly row: Row };

/** The lines of the table in its order; groups without a title are called `untitled`. */
export function linesOf<Row extends { readonly original: ScheduleRow }>(
  rows: readonly Row[],
  group: ScheduleGrouping,
  untitled: string,
): ScheduleLine<Row>[] {
  const byRow = new Map(rows.map((row) => [row.original, row]));
  const original = rows.map((row) => row.original);
  return groupSchedule(original, group).flatMap((part): ScheduleLine<Row>[] => [
    ...(group === 'none'
      ? []
      : [{ kind: 'group' as const, title: part.title || untitled, count: part.rows.length, cutLengthM: part.cutLengthM }]),
    ...part.rows.map((row) => ({ kind: 'row' as const, row: byRow.get(row)! })),
  ]);
}
