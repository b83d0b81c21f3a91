import { bayAt, buildingOf, nearestWall, studsOf, type WallPlace } from '../house/index.ts';
import { distance2, type Point2 } from '../math/index.ts';
import {
  type Device,
  FOUND_HOW,
  type FoundHow,
  gateDate,
  type Photo,
  type ProjectDocument,
  type Run,
  type TradeGate,
  type Wall,
  type WallStage,
} from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { tapePlaceOf, type TapePlace } from '../devices/index.ts';
import { learnedFactor } from '../calculators/index.ts';
import { type PlannedRun } from '../runs/index.ts';
import { photosNear } from './photo-coverage.ts';

/** A device beside the one whose lead is looked for. */
export interface Neighbour {
  readonly device: Device;
  /** Along the wall from the lead, towards end b of the wall above 0, m. */
  readonly alongM: number;
}

/** A place at which the lead may be. */
export interface Candidate {
  readonly how: FoundHow;
  /** From the recorded place along the wall, m; null where it is anywhere. */
  readonly alongM: number | null;
  readonly upM: number | null;
  /** Between 0 and 1; those of all places together are 1. */
  readonly probability: number;
  /** What speaks for it. */
  readonly because: readonly CandidateReason[];
  /** Cost of opening and closing the wall there, in the currency of the project; 0 where nothing is opened. */
  readonly cost: number;
}

export const CANDIDATE_REASONS = [
  'measured',
  'photo',
  'comes-from-above',
  'comes-from-below',
  'insulated',
  'neighbour',
  'little-slack',
  'board-above',
  'found-so-before',
] as const;
export type CandidateReason = (typeof CANDIDATE_REASONS)[number];

/** What helps to find the lead of one device behind a closed wall (practice A66, A67). */
export interface CableSearch {
  readonly device: Device;
  readonly place: TapePlace;
  /** Above finished floor, m; null is at the ceiling. */
  readonly heightM: number | null;
  readonly wall: Wall | null;
  /** Along the wall from its end a, m. */
  readonly alongM: number | null;
  /** Stud bay counted from end a of the wall, with its edges, m; null where the wall has no studs. */
  readonly bay: { readonly number: number; readonly fromM: number; readonly toM: number } | null;
  readonly runs: readonly Run[];
  readonly neighbours: readonly Neighbour[];
  readonly photos: readonly Photo[];
  readonly stage: WallStage;
  /** The likeliest first; nothing is opened before the first ones are looked at. */
  readonly candidates: readonly Candidate[];
  /** What to open first: the most likelihood for the money, where a wall has to be opened. */
  readonly openFirst: Candidate | null;
}

/** A lead within this of a wall is in it, m. */
const ON_WALL_M = 0.35;
/** Neighbours farther away along the wall help nobody, m. */
const NEIGHBOUR_M = 2.5;
/** A hole of this edge is opened to look, m. */
const LOOK_HOLE_M = 0.3;
/** A loop shorter than this is pulled back by little, m. */
const LITTLE_SLACK_M = 0.3;

/** How often leads turn up where, before anything was learned (trade practice). */
const PRIOR: Readonly<Record<FoundHow, number>> = {
  'as-recorded': 0.55,
  'next-bay': 0.16,
  'behind-insulation': 0.08,
  'behind-board-above': 0.08,
  'other-stub': 0.06,
  'pulled-back': 0.05,
  'not-found': 0.02,
};

/** What evidence multiplies the likelihood of a place by. */
const WEIGHT = { strong: 2.5, some: 1.6, against: 0.5 } as const;

/** The stage of the walls of a room on a day: by the dates of the room, else by those of the house. */
export function wallStage(project: ProjectDocument, roomId: string | null, today: string): WallStage {
  const on = (gate: TradeGate): string =>
    listOf(project, 'roomDates').find((date) => date.roomId === roomId && date.gate === gate)?.on || gateDate(project, gate);
  const isReached = (gate: TradeGate) => on(gate) !== '' && on(gate) <= today;
  if (isReached('paint')) return 'painted';
  if (isReached('mud')) return 'mudded';
  return isReached('board') ? 'boarded' : 'open';
}

/** How often leads were found where in this project, against the prior (ENGINEERING 22.6). */
function shares(project: ProjectDocument): ReadonlyMap<FoundHow, number> {
  const finds = listOf(project, 'cableFinds');
  const n = finds.length;
  return new Map(
    FOUND_HOW.map((how) => {
      const mean = n === 0 ? PRIOR[how] : finds.filter((find) => find.how === how).length / n;
      return [how, learnedFactor({ n, mean, prior: PRIOR[how] })];
    }),
  );
}

/** The sheet of one device. `planned` are its runs with their routes; null where there is no such device. */
export function searchCable(
  project: ProjectDocument,
  deviceId: string,
  planned: readonly PlannedRun[],
  today: string,
): CableSearch | null {
  const device: Device | undefined = project.devices[deviceId];
  if (!device) return null;
  const near = nearestWall(buildingOf(project), device.levelId, [device.x, device.y], ON_WALL_M);
  const wall = near?.wall ?? null;
  const alongM = near?.offsetM ?? null;
  const studs = wall ? studsOf(project, wall) : [];
  const own = planned.filter(({ run }) => run.deviceId === deviceId || run.toDeviceId === deviceId);
  const neighbours = near ? neighboursOn(project, device, near) : [];
  const photos = photosNear(project, deviceId, wall?.id ?? null, alongM);
  const stage = wallStage(project, device.roomId, today);
  const candidates = rank(project, { own, studs, alongM, neighbours, photos, stage, device });
  const opened = candidates.filter(({ cost }) => cost > 0);
  return {
    device,
    place: tapePlaceOf(project, device),
    heightM: device.heightM,
    wall,
    alongM,
    bay: alongM === null ? null : bayOf(studs, alongM),
    runs: own.map(({ run }) => run),
    ...{ neighbours, photos, stage, candidates },
    openFirst: opened.toSorted((a, b) => b.probability / b.cost - a.probability / a.cost)[0] ?? null,
  };
}

function bayOf(studs: ReturnType<typeof studsOf>, alongM: number): CableSearch['bay'] {
  const found = bayAt(studs, alongM);
  if (!found) return null;
  const number = studs.filter(({ offsetM }) => offsetM < found.fromM).length;
  return { number, fromM: found.fromM, toM: found.toM };
}

function neighboursOn(project: ProjectDocument, device: Device, near: WallPlace): Neighbour[] {
  const building = buildingOf(project);
  return listOf(project, 'devices')
    .filter((other) => other.id !== device.id && other.levelId === device.levelId)
    .flatMap((other) => {
      const place = nearestWall(building, other.levelId, [other.x, other.y], ON_WALL_M);
      if (place?.wall.id !== near.wall.id) return [];
      const away = place.offsetM - near.offsetM;
      return Math.abs(away) <= NEIGHBOUR_M ? [{ device: other, alongM: away }] : [];
    })
    .toSorted((a, b) => Math.abs(a.alongM) - Math.abs(b.alongM));
}

interface Evidence {
  readonly own: readonly PlannedRun[];
  readonly studs: ReturnType<typeof studsOf>;
  readonly alongM: number | null;
  readonly neighbours: readonly Neighbour[];
  readonly photos: readonly Photo[];
  readonly stage: WallStage;
  readonly device: Device;
}

function rank(project: ProjectDocument, evidence: Evidence): Candidate[] {
  const { own, studs, alongM, neighbours, photos, device } = evidence;
  const learned = shares(project);
  const finds = listOf(project, 'cableFinds');
  const isMeasured = photos.some((photo) => photo.deviceId === device.id || (photo.hasTape && photo.wallId !== null));
  const fromAbove = own.some(({ points }) => points.length > 1 && points[1][2] > points[0][2] + 0.05);
  const isInsulated = listOf(project, 'features').some(
    ({ kind, levelId, points }) =>
      kind === 'insulation' && levelId === device.levelId && isNear(points as readonly Point2[], device),
  );
  const slackM = Math.min(...own.map(({ run }) => run.deviceSlackM), Infinity);
  const bayM = alongM === null ? 0 : bayWidth(studs, alongM);
  const cost = lookCost(project, evidence.stage);
  const made: Omit<Candidate, 'probability'>[] = [];
  const weights: number[] = [];
  const put = (how: FoundHow, at: Pick<Candidate, 'alongM' | 'upM' | 'cost'>, weight: number, because: CandidateReason[]) => {
    const isLearned = finds.some((find) => find.how === how);
    made.push({ how, ...at, because: isLearned ? [...because, 'found-so-before'] : because });
    weights.push(weight * (learned.get(how) ?? 0));
  };
  put('as-recorded', { alongM: 0, upM: 0, cost: 0 }, isMeasured ? WEIGHT.strong : 1, isMeasured ? ['measured', 'photo'] : []);
  if (bayM > 0)
    for (const side of [-1, 1]) {
      const stub = neighbours.find((one) => Math.sign(one.alongM) === side && Math.abs(one.alongM) <= 1.5 * bayM);
      put('next-bay', { alongM: side * bayM, upM: 0, cost }, stub ? 0.5 * WEIGHT.some : 0.5, stub ? ['neighbour'] : []);
    }
  put('behind-insulation', { alongM: 0, upM: 0, cost }, isInsulated ? WEIGHT.strong : 1, isInsulated ? ['insulated'] : []);
  put('behind-board-above', { alongM: 0, upM: 0.3, cost }, fromAbove ? WEIGHT.some : WEIGHT.against, [
    fromAbove ? 'comes-from-above' : 'comes-from-below',
    ...(fromAbove ? (['board-above'] as const) : []),
  ]);
  if (neighbours.length > 0) put('other-stub', { alongM: neighbours[0].alongM, upM: 0, cost: 0 }, WEIGHT.some, ['neighbour']);
  const isShort = slackM < LITTLE_SLACK_M;
  put('pulled-back', { alongM: null, upM: null, cost }, isShort ? WEIGHT.strong : 1, isShort ? ['little-slack'] : []);
  const sum = weights.reduce((total, weight) => total + weight, 0);
  return made.map((one, n) => ({ ...one, probability: weights[n] / sum })).sort((a, b) => b.probability - a.probability);
}

const isNear = (points: readonly Point2[], { x, y }: Device): boolean => points.some((point) => distance2(point, [x, y]) < 3);

function bayWidth(studs: ReturnType<typeof studsOf>, alongM: number): number {
  const bay = bayAt(studs, alongM);
  return bay ? bay.toM - bay.fromM + (studs[0]?.widthM ?? 0) : 0;
}

/** Price of a hole to look through, opened and closed again: before mud only the board, after paint also the paint. */
function lookCost(project: ProjectDocument, stage: WallStage): number {
  const { openingPerM2, paintPerM2 } = project.project.siteRates;
  const areaM2 = LOOK_HOLE_M * LOOK_HOLE_M;
  if (stage === 'open') return 0;
  const whole = stage === 'painted' ? openingPerM2 + paintPerM2 : stage === 'mudded' ? openingPerM2 : openingPerM2 / 2;
  return Math.max(areaM2, 0.5) * whole;
}
