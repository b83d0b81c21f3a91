import { FINDINGS, type Rank } from '../../rules/index.ts';
import { conductorsOf, deviceTitle } from '../../devices/index.ts';
import { AREA_NAME_OF_DEVICE, BUILDING } from '../../house/index.ts';
import type { Outcome } from '../../math/index.ts';
import {
  type Medium,
  type ProjectDocument,
  type RunState,
  sameValue,
  type SlackStyle,
  type SystemName,
} from '../../model/index.ts';
import { derivationsOf, derivationsOn, each, type Keyed, listOf, lookup, whole } from '../../derive/index.ts';
import { holesOfRun, inNumberOrder, PLANNED_RUN, type PlannedRun, slackStyleOf } from '../../runs/index.ts';
import { ORDER_FACTOR, planSpools, type SpoolPlan, USUAL_SPOOL_M } from '../../calculators/index.ts';

/** One row of the cable schedule; lengths in metres, null where the run has no route yet. */
export interface ScheduleRow {
  readonly runId: string;
  readonly deviceId: string;
  readonly number: string;
  readonly levelId: string;
  readonly level: string;
  readonly room: string;
  readonly device: string;
  readonly purpose: string;
  readonly from: string;
  readonly to: string;
  readonly cableTypeId: string;
  readonly cable: string;
  readonly system: SystemName;
  readonly riseM: number | null;
  readonly runM: number | null;
  readonly dropM: number | null;
  readonly deviceSlackM: number;
  readonly rackSlackM: number;
  readonly cutLengthM: number | null;
  /** A new cable, one that is there already, or one that is pulled and stored for later. */
  readonly supply: 'new' | 'existing' | 'stored';
  /** What the cable will turn out to need. */
  readonly leastM: number | null;
  readonly mostM: number | null;
  readonly traced: boolean;
  /** What it lies in, from the device on: media joined by +. */
  readonly way: string;
  /** Holes on its way; null where it has none. */
  readonly holes: number | null;
  readonly slackStyle: SlackStyle;
  /** Day of its labels; empty where none were printed. */
  readonly printedOn: string;
  /** Why it was added, and its flat price; null is by cable and hours. */
  readonly reason: string;
  readonly price: number | null;
  readonly deviceConnector: string;
  readonly farConnector: string;
  readonly conductors: string;
  readonly bundle: string;
  readonly state: RunState;
  readonly rank: Rank;
}

/** Words that stand in rows for things without a name; they come from the texts. */
export interface ScheduleWords {
  readonly outdoors: string;
  /** How a place is marked that is not fitted now: prepared, or a spare lead. */
  readonly fittingMarks?: Readonly<Record<string, string>>;
}

/** Holes of each run on the way that counts. */
const HOLES_OF_RUN = each<'runs', number>({
  name: 'holes of a run',
  over: 'runs',
  nodes: [BUILDING],
  beside: [PLANNED_RUN],
  make: ({ id }, read) => holesOfRun(read.project, read.one(PLANNED_RUN, id)!).length,
});

/** The worst rank among the findings about each run; runs that are fine are left out. */
const RANKS_BY_RUN = whole<Keyed<Rank>>({
  name: 'ranks by run',
  nodes: [FINDINGS],
  day: true,
  make: (read) => {
    const ranks = new Map<string, Rank>();
    // The worst come first.
    for (const { rank, subjects } of read.get(FINDINGS))
      if (rank !== 'fine') for (const { in: name, id } of subjects) if (name === 'runs' && !ranks.has(id)) ranks.set(id, rank);
    return { byKey: ranks };
  },
  alike: ({ byKey: a }, { byKey: b }) => a.size === b.size && [...a].every(([id, rank]) => b.get(id) === rank),
});

const RANK_OF_RUN = lookup('rank of a run', 'runs', RANKS_BY_RUN, 'fine' as Rank);

/** The rows of the schedule: as they are before the checks, and with the worst rank of their findings. */
export function scheduleNodes(words: ScheduleWords) {
  const plainRow = each<'runs', ScheduleRow>({
    name: 'schedule row before the checks',
    over: 'runs',
    tables: ['project'],
    nodes: [AREA_NAME_OF_DEVICE],
    beside: [PLANNED_RUN, HOLES_OF_RUN],
    records: ({ deviceId, toDeviceId, rackId, cableTypeId, mapId }, { devices }) => [
      ['devices', deviceId],
      ['deviceTypes', devices[deviceId].typeId],
      ['levels', devices[deviceId].levelId],
      ['rooms', devices[deviceId].roomId],
      ['racks', rackId],
      ['cableTypes', cableTypeId],
      ['conductorMaps', mapId],
      ['devices', toDeviceId],
      ['deviceTypes', toDeviceId === null ? null : devices[toDeviceId].typeId],
    ],
    make: ({ id, deviceId }, read) =>
      rowOf(
        read.project,
        words,
        read.one(PLANNED_RUN, id)!,
        read.one(HOLES_OF_RUN, id)!,
        read.get(AREA_NAME_OF_DEVICE).get(deviceId),
      ),
    alike: sameValue,
  });
  const row = each<'runs', ScheduleRow>({
    name: 'schedule row',
    over: 'runs',
    beside: [plainRow, RANK_OF_RUN],
    make: ({ id }, read) => {
      const plain = read.one(plainRow, id)!;
      const rank = read.one(RANK_OF_RUN, id)!;
      return rank === 'fine' ? plain : { ...plain, rank };
    },
  });
  return { plainRow, row };
}

/** The schedule of every run before the checks: every rank is fine. In number order. */
export const plainSchedule = (project: ProjectDocument, words: ScheduleWords): readonly ScheduleRow[] =>
  inNumberOrder(derivationsOf(project), scheduleNodes(words).plainRow);

/** The schedule of every run as of a day, YYYY-MM-DD, in number order. */
export const scheduleOf = (project: ProjectDocument, words: ScheduleWords, today: string): readonly ScheduleRow[] =>
  inNumberOrder(derivationsOn(project, today), scheduleNodes(words).row);

function rowOf(
  project: ProjectDocument,
  words: ScheduleWords,
  { run, device, length, media }: PlannedRun,
  holes: number,
  area: string | undefined,
): ScheduleRow {
  const type = project.deviceTypes[device.typeId];
  const level = project.levels[device.levelId];
  const room = device.roomId === null ? area || words.outdoors : project.rooms[device.roomId].name;
  const mark = device.fitting === 'fitted' ? undefined : words.fittingMarks?.[device.fitting];
  const name = mark ? `${deviceTitle(device, type)} (${mark})` : deviceTitle(device, type);
  const far = run.toDeviceId === null ? null : project.devices[run.toDeviceId];
  return {
    runId: run.id,
    deviceId: device.id,
    number: run.number,
    levelId: level.id,
    level: level.name,
    room,
    device: name,
    purpose: run.purpose,
    from: `${room} · ${name}`,
    to: far ? deviceTitle(far, project.deviceTypes[far.typeId]) : project.racks[run.rackId].name,
    cableTypeId: run.cableTypeId,
    cable: project.cableTypes[run.cableTypeId].name,
    system: type.system,
    riseM: length?.riseM ?? null,
    runM: length?.runM ?? null,
    dropM: length?.dropM ?? null,
    deviceSlackM: length?.deviceSlackM ?? run.deviceSlackM,
    rackSlackM: length?.rackSlackM ?? run.rackSlackM,
    cutLengthM: run.foundId === null ? (length?.cutLengthM ?? null) : null,
    supply: run.stored ? 'stored' : run.foundId === null ? 'new' : 'existing',
    leastM: length?.leastM ?? null,
    mostM: length?.mostM ?? null,
    traced: length?.traced ?? false,
    way: routeOf(media),
    holes: length ? holes : null,
    slackStyle: slackStyleOf(project.project, run, device),
    printedOn: run.printedOn,
    reason: run.reason,
    price: run.price,
    deviceConnector: run.deviceConnector,
    farConnector: run.farConnector,
    conductors: run.mapId === null ? '' : conductorsOf(project.conductorMaps[run.mapId]),
    bundle: run.bundle,
    state: run.state,
    rank: 'fine',
  };
}

/** Each medium once, in the order in which the run comes to it. */
const routeOf = (media: readonly Medium[]): string => [...new Set(media)].join('+');

export type ScheduleGrouping = 'none' | 'room' | 'cable' | 'bundle' | 'level';

export interface ScheduleGroup {
  readonly key: string;
  readonly title: string;
  readonly rows: readonly ScheduleRow[];
  readonly cutLengthM: number;
}

/** Rows in groups, in the order in which each group first appears; one group without a title for `none`. */
export function groupSchedule(rows: readonly ScheduleRow[], by: ScheduleGrouping): ScheduleGroup[] {
  const title = (row: ScheduleRow) =>
    by === 'none'
      ? ''
      : by === 'room'
        ? `${row.level} · ${row.room}`
        : by === 'bundle'
          ? row.bundle
          : by === 'level'
            ? row.level
            : row.cable;
  const groups = new Map<string, ScheduleRow[]>();
  for (const row of rows) {
    const list = groups.get(title(row));
    if (list) list.push(row);
    else groups.set(title(row), [row]);
  }
  return [...groups].map(([key, list]) => ({ key, title: key, rows: list, cutLengthM: sum(list) }));
}

/** What one cable type comes to, with the length to order of it. */
export interface CableTotal {
  readonly cableTypeId: string;
  readonly cable: string;
  readonly system: SystemName;
  readonly runs: number;
  readonly withoutWay: number;
  readonly cutLengthM: number;
  readonly orderLengthM: number;
  readonly longestM: number;
  /** Length of a spool or box of it, m. */
  readonly spoolM: number;
}

export function totalsByCable(project: ProjectDocument, rows: readonly ScheduleRow[]): CableTotal[] {
  return listOf(project, 'cableTypes').flatMap((cable) => {
    const own = rows.filter((row) => row.cableTypeId === cable.id);
    if (own.length === 0) return [];
    const cutLengthM = sum(own);
    return [
      {
        cableTypeId: cable.id,
        cable: cable.name,
        system: cable.system,
        runs: own.length,
        withoutWay: own.filter((row) => row.cutLengthM === null && row.supply !== 'existing').length,
        cutLengthM,
        orderLengthM: cutLengthM * ORDER_FACTOR,
        longestM: Math.max(0, ...own.map((row) => row.cutLengthM ?? 0)),
        spoolM: cable.spoolM,
      },
    ];
  });
}

/** Spools of a length, m, for the runs of one cable type; `parallel` is how many are pulled at once in any one bundle. */
export function spoolsFor(
  rows: readonly ScheduleRow[],
  spoolM: number = USUAL_SPOOL_M,
): { readonly parallel: number; readonly plan: Outcome<SpoolPlan> } {
  const parallel = maxAtOnce(rows);
  const lengthsM = rows.flatMap((row) => row.cutLengthM ?? []);
  return { parallel, plan: planSpools(lengthsM, spoolM, parallel) };
}

/** The most runs of one bundle; a run without one is pulled by itself. */
function maxAtOnce(rows: readonly ScheduleRow[]): number {
  const bundles = new Map<string, number>();
  for (const { bundle } of rows) if (bundle !== '') bundles.set(bundle, (bundles.get(bundle) ?? 0) + 1);
  return Math.max(1, ...bundles.values());
}

const sum = (rows: readonly ScheduleRow[]) => rows.reduce((total, row) => total + (row.cutLengthM ?? 0), 0);
