import { err, groupedBy, ok, type Outcome, type Point2 } from '../math/index.ts';
import {
  type CableTest,
  create,
  type Device,
  type Inspection,
  type InspectionItem,
  type InspectionResult,
  type InspectionSignOff,
  type Operation,
  type ProjectDocument,
  type Run,
  update,
} from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { type BoredPlace, type Penetration, penetrationsOf } from '../pathways/index.ts';
import { isPulled } from '../runs/index.ts';
import { inWalkingOrder } from './walking-order.ts';

/** What counts as moved where nobody has set it otherwise, m. */
export const MOVED_M = 0.15;

/** Parts of the house that are inspected before a pour: what lies in slab or screed is not seen again. */
const POURED_KINDS: ReadonlySet<string> = new Set(['screed-way', 'underground-way', 'stub-out', 'draw-pit']);
const POURED_MEDIA: ReadonlySet<string> = new Set(['screed', 'underground']);

/** One thing that is looked for, with what the records say of it and what was found. */
export interface InspectionLine {
  readonly subject: 'devices' | 'penetrations' | 'features';
  readonly subjectId: string;
  readonly levelId: string;
  readonly roomId: string | null;
  readonly at: Point2;
  /** Above finished floor, m; null is at the ceiling. */
  readonly heightM: number | null;
  /** Cables that should be there. */
  readonly runs: readonly Run[];
  /** What the records say is not right, whatever anybody saw: not pulled, no label, not tested, not sealed. */
  readonly fromRecords: readonly InspectionResult[];
  /** What was found of it, the newest last. */
  readonly items: readonly InspectionItem[];
  /** Whether somebody has looked at it. */
  readonly isSeen: boolean;
  /** Whether nothing is open: seen, and what was wrong is fixed. */
  readonly isFine: boolean;
}

export interface SiteInspection {
  /** In walking order. */
  readonly lines: readonly InspectionLine[];
  /** What was found that nobody planned, or that is about a room or wall. */
  readonly others: readonly InspectionItem[];
  /** Lines of the punch list: found wrong and not fixed, by day. */
  readonly punchList: readonly InspectionItem[];
  readonly seen: number;
  readonly fine: number;
  /** What stands against a sign-off: lines that are not fine, and other items that are not fixed. */
  readonly openErrors: number;
}

/** A bored place by name: it is no record, so it is known by what is pierced, and where, to the centimetre. */
export const penetrationKey = ({ member, at }: Pick<Penetration, 'member' | 'at'>): string =>
  [member, ...at.map((value) => value.toFixed(2))].join(':');

/** Whether an item is about something that is wrong. */
export const isFault = ({ result }: Pick<InspectionItem, 'result'>): boolean => result !== 'found';
/** Whether it is a line of the punch list. */
export const isOpen = (item: Pick<InspectionItem, 'result' | 'fixedOn'>): boolean => isFault(item) && item.fixedOn === '';

/** The last test of each run, of both kinds; tests are in the order in which they were made. */
export function lastTests(project: Pick<ProjectDocument, 'cableTests'>): ReadonlyMap<string, CableTest> {
  const last = new Map<string, CableTest>();
  for (const test of listOf(project, 'cableTests').toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0)))
    last.set(test.runId, test);
  return last;
}

/**
 * Expected against found, before the walls close or before a pour (practice A63, B01, B15). `places` are the bored places of the house.
 * Before a pour only what lies in slab or screed is looked for; `levelId` narrows it to a level.
 */
export function siteInspection(
  project: ProjectDocument,
  places: readonly BoredPlace[],
  inspection: Inspection,
  levelId: string | null = null,
): SiteInspection {
  const items = listOf(project, 'inspectionItems').filter((item) => item.inspection === inspection);
  const itemsOf = groupedBy(items, ({ subject, subjectId }) => `${subject}/${subjectId}`);
  const tests = lastTests(project);
  const line = (
    subject: InspectionLine['subject'],
    subjectId: string,
    rest: Omit<InspectionLine, 'subject' | 'subjectId' | 'items' | 'isSeen' | 'isFine'>,
  ): InspectionLine => {
    const own = itemsOf.get(`${subject}/${subjectId}`) ?? [];
    const isSeen = own.length > 0;
    return {
      subject,
      subjectId,
      ...rest,
      items: own,
      isSeen,
      isFine: isSeen && rest.fromRecords.length === 0 && !own.some(isOpen),
    };
  };
  const expected =
    inspection === 'boards' ? expectedBeforeBoards(project, places, tests, line) : expectedBeforePour(project, line);
  const lines = inWalkingOrder(
    project,
    expected.filter((one) => levelId === null || one.levelId === levelId),
  );
  const known = new Set(lines.map(({ subject, subjectId }) => `${subject}/${subjectId}`));
  const others = items.filter(
    (item) =>
      !known.has(`${item.subject}/${item.subjectId}`) && (levelId === null || item.levelId === null || item.levelId === levelId),
  );
  const shown = [...lines.flatMap((one) => one.items), ...others];
  return {
    lines,
    others,
    punchList: shown
      .filter(isOpen)
      .toSorted((a, b) => (a.dueOn || '9999').localeCompare(b.dueOn || '9999') || a.on.localeCompare(b.on)),
    seen: lines.filter(({ isSeen }) => isSeen).length,
    fine: lines.filter(({ isFine }) => isFine).length,
    openErrors: lines.filter(({ isFine }) => !isFine).length + others.filter(isOpen).length,
  };
}

type MakeLine = (
  subject: InspectionLine['subject'],
  subjectId: string,
  rest: Omit<InspectionLine, 'subject' | 'subjectId' | 'items' | 'isSeen' | 'isFine'>,
) => InspectionLine;

function expectedBeforeBoards(
  project: ProjectDocument,
  places: readonly BoredPlace[],
  tests: ReadonlyMap<string, CableTest>,
  line: MakeLine,
): InspectionLine[] {
  const runs = listOf(project, 'runs').filter(({ foundId }) => foundId === null);
  const runsAt = new Map<string, Run[]>();
  const add = (deviceId: string, run: Run) => runsAt.set(deviceId, [...(runsAt.get(deviceId) ?? []), run]);
  for (const run of runs) {
    add(run.deviceId, run);
    if (run.toDeviceId !== null) add(run.toDeviceId, run);
  }
  const devices = [...runsAt].flatMap(([deviceId, own]) => {
    const device: Device | undefined = project.devices[deviceId];
    if (!device) return [];
    return line('devices', deviceId, {
      ...placeOfDevice(device),
      runs: own,
      fromRecords: [...new Set(own.flatMap((run) => recordFaults(run, deviceId, tests.get(run.id))))],
    });
  });
  const byNumber = new Map(runs.map((run) => [run.number, run]));
  const pulled = new Set(runs.filter(isPulled).map(({ number }) => number));
  const penetrations = penetrationsOf(project, places)
    .filter((one) => one.runs.some((number) => pulled.has(number)))
    .map((one) =>
      line('penetrations', penetrationKey(one), {
        levelId: one.levelId,
        roomId: one.roomId,
        at: [one.at[0], one.at[1]],
        heightM: one.at[2] - project.levels[one.levelId].elevationM,
        runs: one.runs.flatMap((number) => byNumber.get(number) ?? []),
        fromRecords: one.seal === null || one.seal.state === 'open' ? ['unsealed'] : [],
      }),
    );
  return [...devices, ...penetrations];
}

function placeOfDevice(device: Device) {
  return {
    levelId: device.levelId,
    roomId: device.roomId,
    at: [device.x, device.y] as Point2,
    heightM: device.heightM,
  };
}

/** What is missing of one cable by its records, at the end that is inspected. */
function recordFaults(run: Run, deviceId: string, last: CableTest | undefined): InspectionResult[] {
  if (!isPulled(run)) return ['missing'];
  const end = run.deviceId === deviceId ? 'device' : 'rack';
  const isLabelled = run.labelledEnds === 'both' || run.labelledEnds === end;
  const isTested = run.rawTestedOn !== '' || last !== undefined || run.state === 'tested';
  return [
    ...(isLabelled ? [] : (['unlabelled'] as const)),
    ...(last && !last.passed ? (['failed-test'] as const) : isTested ? [] : (['untested'] as const)),
  ];
}

function expectedBeforePour(project: ProjectDocument, line: MakeLine): InspectionLine[] {
  const features = listOf(project, 'features').filter(({ kind }) => POURED_KINDS.has(kind));
  const pouredRuns = new Set(
    listOf(project, 'routes').flatMap(({ runId, media }) => (media.some((medium) => POURED_MEDIA.has(medium)) ? [runId] : [])),
  );
  const runs = listOf(project, 'runs').filter(({ id }) => pouredRuns.has(id));
  const devices = [...new Set(runs.map(({ deviceId }) => deviceId))].flatMap((id) => {
    const device = project.devices[id];
    if (!device) return [];
    const own = runs.filter(({ deviceId }) => deviceId === id);
    const fromRecords: InspectionResult[] = own.every(isPulled) ? [] : ['missing'];
    return line('devices', id, { ...placeOfDevice(device), runs: own, fromRecords });
  });
  return [
    ...features.map((feature) =>
      line('features', feature.id, {
        levelId: feature.levelId,
        roomId: null,
        at: [feature.points[0][0], feature.points[0][1]],
        heightM: feature.bottomM,
        runs: [],
        fromRecords: [],
      }),
    ),
    ...devices,
  ];
}

/** A measured place against the planned one. */
export interface MovedBy {
  readonly alongM: number;
  readonly upM: number;
  readonly isMoved: boolean;
}

/** The place beside a device by so much along its wall, to the right of somebody who looks at it above 0, m. */
export function alongWallOf(project: ProjectDocument, deviceId: string, alongM: number): Point2 {
  const { x, y, facingRad } = project.devices[deviceId];
  // Who looks at a wall looks against the way the device faces: the right hand is a quarter turn on from its facing.
  return [x - alongM * Math.sin(facingRad), y + alongM * Math.cos(facingRad)];
}

/** How far a device was found from its planned place; more than `limitM` counts as moved. Heights at the ceiling are not compared. */
export function movedBy(
  planned: { readonly at: Point2; readonly heightM: number | null },
  found: { readonly at: Point2; readonly heightM: number | null },
  limitM: number = MOVED_M,
): MovedBy {
  const alongM = Math.hypot(found.at[0] - planned.at[0], found.at[1] - planned.at[1]);
  const upM = planned.heightM === null || found.heightM === null ? 0 : found.heightM - planned.heightM;
  return { alongM, upM, isMoved: Math.hypot(alongM, upM) > limitM + 1e-9 };
}

/**
 * The operations that write down what was found. Found as planned answers what was open of the same thing before.
 * Problems: `inspection-place` (moved without a measured place).
 */
export function recordInspection(project: ProjectDocument, item: InspectionItem): Outcome<Operation[]> {
  if (item.result === 'moved' && (item.x === null || item.y === null))
    return err('inspection-place', { kind: 'incomplete', field: 'place' });
  const own = listOf(project, 'inspectionItems').filter(
    (one) => one.inspection === item.inspection && one.subject === item.subject && one.subjectId === item.subjectId,
  );
  const answered = isFault(item)
    ? []
    : own.filter(isOpen).map((one) => update('inspectionItems', one, { fixedOn: item.on, fixedBy: item.by }));
  // Found as planned twice is once.
  const isAgain = !isFault(item) && own.some((one) => !isFault(one));
  return ok([...answered.filter((operation) => operation !== null), ...(isAgain ? [] : [create('inspectionItems', item)])]);
}

/** The operations that take the measured place of a moved device into the plan, and close the line. */
export function takeMeasuredPlace(project: ProjectDocument, item: InspectionItem, by: string, on: string): Operation[] {
  const device = item.subject === 'devices' ? project.devices[item.subjectId] : undefined;
  if (!device || item.x === null || item.y === null) return [];
  const heightM = device.heightM === null ? null : (item.heightM ?? device.heightM);
  return [
    update('devices', device, { x: item.x, y: item.y, heightM }),
    update('inspectionItems', item, { fixedOn: on, fixedBy: by }),
  ].filter((operation) => operation !== null);
}

/** Who signs, and who accepts what is open. */
export type SigningWords = Pick<
  InspectionSignOff,
  'id' | 'inspection' | 'levelId' | 'signedBy' | 'signedOn' | 'acceptedBy' | 'why'
>;

/**
 * The operation that signs an inspection off. With open errors somebody accepts them by name and says why; `lines` are what is open, in
 * words. Problems: `sign-off-name`, `sign-off-open` (with `count`), `sign-off-why`.
 */
export function signOff(
  state: Pick<SiteInspection, 'openErrors'>,
  signing: SigningWords,
  lines: readonly string[],
): Outcome<Operation[]> {
  if (signing.signedBy.trim() === '') return err('sign-off-name', { kind: 'incomplete', field: 'signedBy' });
  const { openErrors } = state;
  if (openErrors > 0 && signing.acceptedBy.trim() === '')
    return err('sign-off-open', { kind: 'incomplete', field: 'acceptedBy', count: openErrors });
  if (openErrors > 0 && signing.why.trim() === '') return err('sign-off-why', { kind: 'incomplete', field: 'why' });
  const record: InspectionSignOff = {
    ...signing,
    openErrors,
    ...(openErrors === 0 ? { acceptedBy: '', why: '' } : {}),
    lines: lines.slice(0, 2000).map((words) => words.slice(0, 300)),
  };
  return ok([create('inspectionSignOffs', record)]);
}
