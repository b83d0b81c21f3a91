import { type Point2, pointInPolygon } from '../math/index.ts';
import { type CrewHandover, gateDate, type PackedItem, type ProjectDocument, type Run, type SiteChange } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { type DecisionState, openDecisions } from '../brief/index.ts';
import { labelState } from '../devices/index.ts';
import type { BoredPlace } from '../pathways/index.ts';
import { isPulled, type PlannedRun } from '../runs/index.ts';
import type { DayPull } from './pull-day.ts';
import { unseenChanges } from './on-site.ts';

/** Prompts that keep people whole (practice A71), by what the work of the day meets. */
export const SAFETY_PROMPTS = [
  'power-off',
  'ladders',
  'attic-heat',
  'eyes',
  'lungs',
  'overhead-lines',
  'slab',
  'two-people',
] as const;
export type SafetyPrompt = (typeof SAFETY_PROMPTS)[number];

/** Something that comes along. */
export interface ToBring {
  readonly key: string;
  readonly kind: 'spool' | 'bit' | 'tool' | 'part';
  /** Diameter of a bit, m; what is on a spool, m; else null. */
  readonly sizeM: number | null;
  readonly count: number;
  readonly isPacked: boolean;
}

/** What a crew has to know in the morning. */
export interface CrewDay {
  readonly rooms: readonly string[];
  readonly openRuns: number;
  readonly prompts: readonly SafetyPrompt[];
  /** Not packed first. */
  readonly bring: readonly ToBring[];
  readonly decisions: readonly DecisionState[];
  /** Labels that say something else than the plan by now. */
  readonly changedSincePrinted: readonly Run[];
  readonly handovers: readonly CrewHandover[];
  readonly siteChanges: readonly SiteChange[];
  /** Stints in the attic: planned in pieces with water, boards and a second person. */
  readonly atticStints: number;
  readonly nextGate: { readonly gate: 'insulation' | 'board'; readonly on: string } | null;
}

/** Longest stint in an attic or crawl space, h, and what a run there takes, h (practice A71). */
const STINT_H = 0.5;
const ATTIC_RUN_H = 0.3;
/** Above this somebody stands on a ladder, m. */
const LADDER_M = 2;
/** Decisions are shown so many days before the gate that closes them. */
const DECISION_DAYS = 14;

/** The day of a crew: what is open, what is dangerous in it, what to bring, what changed. `planned` are the runs with their routes. */
export function crewDay(
  project: ProjectDocument,
  planned: readonly PlannedRun[],
  pulls: readonly DayPull[],
  places: readonly BoredPlace[],
  today: string,
): CrewDay {
  const open = planned.filter(({ run }) => run.foundId === null && !isPulled(run));
  const inAttic = open.filter((one) => isInAttic(project, one));
  const bring = toBring(project, pulls, places, open);
  const gates = (['insulation', 'board'] as const).flatMap((gate) => {
    const on = gateDate(project, gate);
    return on !== '' && on >= today ? [{ gate, on }] : [];
  });
  return {
    rooms: [...new Set(pulls.flatMap(({ roomIds }) => roomIds))],
    openRuns: open.length,
    prompts: promptsOf(project, open, inAttic.length, places),
    bring: bring.toSorted((a, b) => Number(a.isPacked) - Number(b.isPacked)),
    decisions: openDecisions(project, today).filter(({ daysLeft }) => daysLeft === null || daysLeft <= DECISION_DAYS),
    changedSincePrinted: planned.filter((one) => labelState(project, one) === 'out-of-date').map(({ run }) => run),
    handovers: listOf(project, 'crewHandovers').filter(({ takenOn }) => takenOn === ''),
    siteChanges: unseenChanges(project),
    atticStints: Math.ceil((inAttic.length * ATTIC_RUN_H) / STINT_H),
    nextGate: gates.toSorted((a, b) => a.on.localeCompare(b.on))[0] ?? null,
  };
}

/** Whether a run is pulled through an attic or crawl space. */
function isInAttic(project: ProjectDocument, { points, media }: PlannedRun): boolean {
  if (media.includes('crawl')) return true;
  const attics = listOf(project, 'features').filter(({ kind }) => kind === 'attic');
  return attics.some((attic) => {
    const { elevationM, ceilingHeightM } = project.levels[attic.levelId];
    return points.some(
      ([x, y, z], n) =>
        media[Math.min(n, media.length - 1)] === 'ceiling' &&
        z >= elevationM + ceilingHeightM - 1e-6 &&
        pointInPolygon([x, y], attic.points as Point2[]),
    );
  });
}

function promptsOf(
  project: ProjectDocument,
  open: readonly PlannedRun[],
  atticRuns: number,
  places: readonly BoredPlace[],
): SafetyPrompt[] {
  const isFinished = project.project.construction !== 'new-framing';
  const numbers = new Set(open.map(({ run }) => run.number));
  const isBoring = places.some(({ runs }) => runs.some((number) => numbers.has(number)));
  const isHigh = open.some(({ device }) => device.heightM === null || device.heightM > LADDER_M);
  const isOutdoors = open.some(({ device }) => device.roomId === null);
  const isInSlab = open.some(({ media }) => media.includes('screed') || media.includes('underground'));
  return SAFETY_PROMPTS.filter((prompt) => {
    switch (prompt) {
      case 'power-off':
        return isFinished || listOf(project, 'features').some(({ kind }) => kind === 'mains-route' || kind === 'service-panel');
      case 'ladders':
        return isHigh;
      case 'attic-heat':
      case 'two-people':
        return atticRuns > 0;
      case 'eyes':
        return isBoring || isFinished;
      case 'lungs':
        return isBoring || isFinished || atticRuns > 0;
      case 'overhead-lines':
        return isOutdoors;
      default:
        return isInSlab;
    }
  });
}

/** Tools of every pre-wire day; keys of words. */
const TOOLS = [
  'drill',
  'fish-tape',
  'ladder',
  'labels',
  'tester',
  'laser',
  'staples',
  'ties',
  'goggles',
  'masks',
  'first-aid',
  'water',
] as const;

function toBring(
  project: ProjectDocument,
  pulls: readonly DayPull[],
  places: readonly BoredPlace[],
  open: readonly PlannedRun[],
): ToBring[] {
  const packed = new Map(listOf(project, 'packedItems').map((item: PackedItem) => [item.key, item.isPacked]));
  const item = (kind: ToBring['kind'], key: string, sizeM: number | null, count: number): ToBring => ({
    ...{ kind, key, sizeM, count },
    isPacked: packed.get(key) ?? false,
  });
  const spools = new Map(pulls.flatMap(({ runs }) => runs.flatMap((run) => run.spools)).map((one) => [one.spool.id, one]));
  const numbers = new Set(open.map(({ run }) => run.number));
  const bits = new Map<number, number>();
  for (const place of places)
    if (place.runs.some((number) => numbers.has(number)))
      for (const { bitM } of place.holes) bits.set(bitM, (bits.get(bitM) ?? 0) + 1);
  const parts = new Map<string, number>();
  for (const { device } of open) {
    const { system, name } = project.deviceTypes[device.typeId];
    if (/camera/i.test(name) && system === 'guard') parts.set(`plate ${name}`, (parts.get(`plate ${name}`) ?? 0) + 1);
  }
  return [
    ...[...spools.values()].map(({ spool, leftM }) => item('spool', spool.code, leftM, 1)),
    ...[...bits].sort(([a], [b]) => a - b).map(([bitM, count]) => item('bit', `bit ${(bitM * 1000).toFixed(1)}`, bitM, count)),
    ...(open.length > 0 ? TOOLS.map((key) => item('tool', key, null, 1)) : []),
    ...[...parts].map(([key, count]) => item('part', key, null, count)),
  ];
}

/** What is not packed on the day before work: said while it can still be fetched. */
export const missingToBring = (day: Pick<CrewDay, 'bring'>): ToBring[] => day.bring.filter(({ isPacked }) => !isPacked);
