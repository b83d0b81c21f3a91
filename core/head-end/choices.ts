import { derivationsOf, listOf, withRecords } from '../derive/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { PLANNED_RUNS } from '../runs/index.ts';

/** What a choice of head ends does to all lengths, m. */
export interface HeadEndChoice {
  /** The one rack that takes all runs; null is as it is. */
  readonly rackId: string | null;
  readonly name: string;
  readonly runs: number;
  readonly totalM: number;
  readonly longestM: number;
  /** Runs of data cable beyond 90 m, and runs without a way there. */
  readonly beyond: number;
  readonly noWay: number;
}

/** A data run has 90 m at the most (ENGINEERING 3.1). */
const DATA_MOST_M = 90;

/** As it is, and with all runs at one of the racks: what each choice costs in cable. It routes the house anew for each. */
export function headEndChoices(project: ProjectDocument): HeadEndChoice[] {
  const racks = listOf(project, 'racks').filter(({ kind }) => kind === 'rack' || kind === 'cabinet' || kind === 'enclosure');
  if (racks.length < 2) return [];
  const all = listOf(project, 'runs');
  const choices = [
    { rackId: null as string | null, name: '', house: project },
    ...racks.map(({ id, name }) => {
      const moved = all
        .filter(({ toDeviceId, rackId }) => toDeviceId === null && rackId !== id)
        .map((run) => ({ ...run, rackId: id }));
      return { rackId: id, name, house: withRecords(project, 'runs', moved) };
    }),
  ];
  return choices.map(({ rackId, name, house }) => {
    const planned = derivationsOf(house)
      .get(PLANNED_RUNS)
      .filter(({ run }) => run.toDeviceId === null);
    const lengths = planned.flatMap(({ length }) => (length ? [length.cutLengthM] : []));
    return {
      ...{ rackId, name, runs: planned.length },
      totalM: lengths.reduce((sum, m) => sum + m, 0),
      longestM: Math.max(0, ...lengths),
      beyond: planned.filter(
        ({ run, length }) => project.cableTypes[run.cableTypeId].family === 'cat' && (length?.cutLengthM ?? 0) > DATA_MOST_M,
      ).length,
      noWay: planned.length - lengths.length,
    };
  });
}
