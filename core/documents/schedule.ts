import { worstRank, type Finding, type Rank } from '../checks/index.ts';
import { conductorsOf, deviceTitle } from '../devices/index.ts';
import { buildingOf } from '../building/index.ts';
import type { Outcome } from '../outcome/index.ts';
import { listOf, type Medium, type ProjectDocument, type RunState, type SlackStyle, type SystemName } from '../project/index.ts';
import { holesOfRun, slackStyleOf, type PlannedRun } from '../runs/index.ts';
import { ORDER_FACTOR, planSpools, USUAL_SPOOL_M, type SpoolPlan } from '../spools/index.ts';

/** One row of the cable schedule; lengths in metres, null where the run has no way yet. */
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

/** The schedule of every run, in number order. */
export function scheduleOf(
  document: ProjectDocument,
  words: ScheduleWords,
  runs: readonly PlannedRun[],
  findings: readonly Finding[],
): ScheduleRow[] {
  const byRun = new Map<string, Finding[]>();
  for (const finding of findings) {
    for (const { id } of finding.subjects.filter((subject) => subject.in === 'runs')) {
      const list = byRun.get(id);
      if (list) list.push(finding);
      else byRun.set(id, [finding]);
    }
  }
  return runs.map((planned) => {
    const { run, device, length, media } = planned;
    const type = document.deviceTypes[device.typeId];
    const level = document.levels[device.levelId];
    const room = device.roomId === null ? words.outdoors : document.rooms[device.roomId].name;
    const mark = device.fitting === 'fitted' ? undefined : words.fittingMarks?.[device.fitting];
    const name = mark ? `${deviceTitle(device, type)} (${mark})` : deviceTitle(device, type);
    const far = run.toDeviceId === null ? null : document.devices[run.toDeviceId];
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
      to: far ? deviceTitle(far, document.deviceTypes[far.typeId]) : document.racks[run.rackId].name,
      cableTypeId: run.cableTypeId,
      cable: document.cableTypes[run.cableTypeId].name,
      system: type.system,
      riseM: length?.riseM ?? null,
      runM: length?.runM ?? null,
      dropM: length?.dropM ?? null,
      deviceSlackM: length?.deviceSlackM ?? run.deviceSlackM,
      rackSlackM: length?.rackSlackM ?? run.rackSlackM,
      cutLengthM: length?.cutLengthM ?? null,
      leastM: length?.leastM ?? null,
      mostM: length?.mostM ?? null,
      traced: length?.traced ?? false,
      way: wayOf(media),
      holes: length ? holeCount(document, planned) : null,
      slackStyle: slackStyleOf(document.project, run, device),
      printedOn: run.printedOn,
      deviceConnector: run.deviceConnector,
      farConnector: run.farConnector,
      conductors: run.mapId === null ? '' : conductorsOf(document.conductorMaps[run.mapId]),
      bundle: run.bundle,
      state: run.state,
      rank: worstRank(byRun.get(run.id) ?? []),
    };
  });
}

const ways = new WeakMap<readonly Medium[], string>();

/** Each medium once, in the order in which the run comes to it. */
function wayOf(media: readonly Medium[]): string {
  let way = ways.get(media);
  if (way === undefined) ways.set(media, (way = [...new Set(media)].join('+')));
  return way;
}

const counts = new WeakMap<PlannedRun, { readonly building: object; readonly holes: number }>();

/** Holes of a run; counted again where the run or the house is another one. */
function holeCount(document: ProjectDocument, planned: PlannedRun): number {
  const building = buildingOf(document);
  const known = counts.get(planned);
  if (known?.building === building) return known.holes;
  const holes = holesOfRun(document, planned).length;
  counts.set(planned, { building, holes });
  return holes;
}

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

/** What one cable type comes to, with the length to order of it (F16.2). */
export interface CableTotal {
  readonly cableTypeId: string;
  readonly cable: string;
  readonly system: SystemName;
  readonly runs: number;
  readonly withoutWay: number;
  readonly cutLengthM: number;
  readonly orderLengthM: number;
  readonly longestM: number;
}

export function totalsByCable(document: ProjectDocument, rows: readonly ScheduleRow[]): CableTotal[] {
  return listOf(document, 'cableTypes').flatMap((cable) => {
    const own = rows.filter((row) => row.cableTypeId === cable.id);
    if (own.length === 0) return [];
    const cutLengthM = sum(own);
    return [
      {
        cableTypeId: cable.id,
        cable: cable.name,
        system: cable.system,
        runs: own.length,
        withoutWay: own.filter((row) => row.cutLengthM === null).length,
        cutLengthM,
        orderLengthM: cutLengthM * ORDER_FACTOR,
        longestM: Math.max(0, ...own.map((row) => row.cutLengthM ?? 0)),
      },
    ];
  });
}

/** Spools of the usual length for the runs of one cable type; `parallel` is how many are pulled at once in any one bundle. */
export function spoolsFor(rows: readonly ScheduleRow[]): { readonly parallel: number; readonly plan: Outcome<SpoolPlan> } {
  const parallel = mostAtOnce(rows);
  const lengthsM = rows.flatMap((row) => row.cutLengthM ?? []);
  return { parallel, plan: planSpools(lengthsM, USUAL_SPOOL_M, parallel) };
}

/** The most runs of one bundle; a run without one is pulled by itself. */
function mostAtOnce(rows: readonly ScheduleRow[]): number {
  const bundles = new Map<string, number>();
  for (const { bundle } of rows) if (bundle !== '') bundles.set(bundle, (bundles.get(bundle) ?? 0) + 1);
  return Math.max(1, ...bundles.values());
}

const sum = (rows: readonly ScheduleRow[]) => rows.reduce((total, row) => total + (row.cutLengthM ?? 0), 0);
