import { bothRoutes, type BothRoutes, holeSchedule, type TidyRoutes, tidyRoutes } from '../pathways/index.ts';
import { type Cure, curesFor, findingKey, FINDINGS } from '../rules/index.ts';
import { Derivations, derivationsOf, edited, listOf, onLevel, type Steps } from '../derive/index.ts';
import {
  type CableSearch,
  type CloseOfDay,
  closeOfDay,
  type CrewDay,
  crewDay,
  pullDay,
  searchCable,
  siteInspection,
  type SiteInspection,
} from '../field/index.ts';
import { cablingReport, type CablingReport, type ScheduleWords } from '../sheets/index.ts';
import { clashesOf, type HeadEndChange, headEndLengths, type RuleKey, setHeadEndRule } from '../devices/index.ts';
import { ok, type Outcome } from '../math/index.ts';
import type { Device, Inspection, Operation, ProjectDocument } from '../model/index.ts';
import {
  bundleByRoute,
  choicesOf,
  compareNumbers,
  plannedRun,
  planRuns,
  renumberScheme,
  ROUTE_OF_RUN,
  runsByDevice,
} from '../runs/index.ts';
import {
  type HeadEndChoice,
  headEndChoices,
  type HeadEndPlan,
  type HeadEndPlanHow,
  planHeadEnd,
  planRoomSystem,
  type RoomSystem,
  type RoomSystemKind,
} from '../head-end/index.ts';
import {
  type Bill,
  type Offer,
  type OfferSource,
  offerSourceOf,
  planSpoolsOf,
  projectOfOption,
  type Schedule,
  scheduleOfJob,
  type SpoolPlanOfHouse,
  type WorkOfHouse,
} from '../order/index.ts';
import { type BassAdvice, bassAdvice, designingTheatre, type TheatreDesign } from '../theatre/index.ts';
import { dragDraft } from './drag-draft.ts';
import { type EditEffects, effectsOf } from './effects.ts';
import { applyPatch, type DocumentPatch } from './patch.ts';
import { splicesBetween } from './splices.ts';
import { deltaNodes, RUN_DELTA } from './delta-nodes.ts';
import { type Delta, type DerivedLists, type DragDelta, NO_LISTS } from './delta.ts';

/** Devices this near to a dragged one are checked for clashes, m. */
const BESIDE_M = 3;
/** Clashes shown while devices are dragged, and devices that are checked for them. */
const MAX_CLASHES = 2;

/** A rule that somebody thinks of: null is the nearest again. `newId` is the id of a new rule. */
export interface HeadEndQuestion {
  readonly key: RuleKey;
  readonly rackId: string | null;
  readonly newId: string;
}

/** What is to be worked out of a head end; `prefix` begins the ids of what would be created. */
export interface HeadEndPlanQuestion {
  readonly rackId: string;
  readonly how: HeadEndPlanHow;
  readonly prefix: string;
}

/** What is bought for a house. */
export interface OrderOfHouse {
  readonly plan: SpoolPlanOfHouse;
  readonly bill: Bill;
  readonly work: WorkOfHouse;
}

/** What one option of an offer comes from; why it cannot be worked out where it cannot. */
export interface OptionOfHouse {
  readonly id: string;
  readonly source: Outcome<OfferSource>;
}

export interface RoomSystemQuestion {
  readonly roomId: string;
  readonly kind: RoomSystemKind;
  /** Begins the ids of what would be created. */
  readonly prefix: string;
}

/**
 * Publishes what follows from a project, routes, findings and the schedule, as a delta after each of its edits. The page runs it in
 * a worker, tests without one; its caches are in the derivations of the open project.
 */
export class DerivedProject {
  private own: Derivations | null = null;
  private published: DerivedLists = NO_LISTS;
  private readonly nodes: ReturnType<typeof deltaNodes>;

  constructor(words: ScheduleWords) {
    this.nodes = deltaNodes(words);
  }

  /** Another project, or this one from the start, on a day, YYYY-MM-DD. */
  open(project: ProjectDocument, today: string): void {
    this.own = new Derivations(project, today);
    this.published = NO_LISTS;
  }

  /** An edit; what follows from it is published by the next `derive`. */
  edit(patch: DocumentPatch): void {
    this.own = applyPatch(this.opened, patch);
  }

  /** Routes and schedule without the checks, where nothing has been published; else null, since all is published together then. */
  *route(): Generator<number, Delta | null> {
    if (this.published !== NO_LISTS) return null;
    yield* shares(this.opened.steps(this.nodes.routed));
    this.published = this.opened.get(this.nodes.routed);
    return differenceOf(NO_LISTS, this.published);
  }

  /** Derives everything, step by step with the share done; cancelled it loses nothing. */
  *derive(today: string): Generator<number, Delta> {
    this.own = this.opened.at(today);
    yield* shares(this.own.steps(this.nodes.all));
    const lists = this.own.get(this.nodes.all);
    const delta = differenceOf(this.published, lists);
    this.published = lists;
    return delta;
  }

  /** What would follow from a proposal, as a delta to what was published last. */
  *preview(patch: DocumentPatch, today: string): Generator<number, Delta> {
    const proposed = applyPatch(this.opened.at(today), patch);
    yield* shares(proposed.steps(this.nodes.all));
    return differenceOf(this.published, proposed.get(this.nodes.all));
  }

  /** Runs of dragged devices, and what keeps the first of the devices from being built there. */
  drag(operations: readonly Operation[], deviceIds: readonly string[]): DragDelta | null {
    const project = dragDraft(this.opened.project, operations);
    if (!project) return null;
    const byDevice = runsByDevice(project);
    const runs = deviceIds
      .flatMap((id) => byDevice.get(id) ?? [])
      .sort((a, b) => compareNumbers(a.number, b.number))
      .map(({ id }) => derivationsOf(project).one(RUN_DELTA, id)!);
    return { runs, clashes: deviceIds.slice(0, MAX_CLASHES).flatMap((id) => clashesOfDragged(project, project.devices[id])) };
  }

  /** The route of a run and the next cheapest ones, with what each is made of. */
  choices(runId: string): ReturnType<typeof choicesOf> {
    const run = this.opened.project.runs[runId];
    return run ? choicesOf(this.opened.project, run) : { ok: false, problem: { code: 'record-gone', in: 'runs', id: runId } };
  }

  /** Tidier routes that runs could share. `newId` gives ids for what would be created. */
  tidyRoutes(newId: () => string): TidyRoutes {
    return tidyRoutes(this.opened.project, newId);
  }

  /** All that follows from the routes: holes, pathways, bundles, penetrations. */
  cabling(): CablingReport {
    return cablingReport(this.opened.project);
  }

  /** What has to be done before the crew leaves. */
  closeOfDay(): CloseOfDay {
    return closeOfDay(this.opened.project, planRuns(this.opened.project));
  }

  /** The site inspection: expected against found. */
  siteInspection(inspection: Inspection): SiteInspection {
    const { project } = this.opened;
    return siteInspection(project, holeSchedule(project, planRuns(project)), inspection);
  }

  /** What a crew has to know in the morning of `today`, YYYY-MM-DD. */
  crewDay(today: string): CrewDay {
    const { project } = this.opened;
    const planned = planRuns(project);
    return crewDay(project, planned, pullDay(project, planSpoolsOf(project)).pulls, holeSchedule(project, planned), today);
  }

  /** Where the lead of a device may be, once the walls are closed; null where there is no such device. */
  cableSearch(deviceId: string, today: string): CableSearch | null {
    return searchCable(this.opened.project, deviceId, planRuns(this.opened.project), today);
  }

  /** Operations that bundle runs by the pathways that they share. */
  bundles(): readonly Operation[] {
    return bundleByRoute(planRuns(this.opened.project), this.opened.project.cableTypes);
  }

  /** What an edit would do beside what was asked; null where it is refused. */
  effects(operations: readonly Operation[]): EditEffects | null {
    return effectsOf(this.opened.project, operations);
  }

  /** Every run under another number scheme. */
  scheme(pattern: string): ReturnType<typeof renumberScheme> {
    return renumberScheme(this.opened.project, pattern);
  }

  /** What another head end for a system or cable family does to the runs that are there. */
  headEnds({ key, rackId, newId }: HeadEndQuestion): HeadEndChange & { readonly beforeM: number; readonly afterM: number } {
    const change = setHeadEndRule(this.opened.project, key, rackId, newId);
    return { ...change, ...headEndLengths(this.opened.project, change) };
  }

  /** A run in the walls beside the same run on the surface; null where it is gone. */
  bothRoutes(runId: string): BothRoutes | null {
    const run = this.opened.project.runs[runId];
    return run ? bothRoutes(this.opened.project, plannedRun(this.opened.project, runId)) : null;
  }

  /** Places for the speakers of a room's layout, step by step with the share done. `prefix` begins the ids of what would be created. */
  designTheatre(roomId: string, prefix: string): Generator<number, Outcome<TheatreDesign>> {
    let count = 0;
    const next = () => `${prefix}${++count}`;
    return designingTheatre(this.opened.project, roomId, { device: next, run: next });
  }

  /** Responses of the subwoofers of a room at its seats, the map of its ear plane, and better places for so many subwoofers. */
  bass(roomId: string, count: number): BassAdvice | null {
    return bassAdvice(this.opened.project, roomId, count);
  }

  /** What each choice of head ends does to all lengths. */
  headEndChoices(): HeadEndChoice[] {
    return headEndChoices(this.opened.project);
  }

  /** Equipment, places, ports and cords of a head end, as far as was asked for. */
  planHeadEnd({ rackId, how, prefix }: HeadEndPlanQuestion): Outcome<HeadEndPlan> {
    return planHeadEnd(this.opened.project, rackId, how, prefix);
  }

  /** Spools of the whole house with what is cut from them, and the bill of materials. */
  order(): OrderOfHouse {
    const plan = planSpoolsOf(this.opened.project);
    return { plan, ...offerSourceOf(this.opened.project, plan) };
  }

  /** What each option of the offer comes from: the house is planned again without what the option leaves out. */
  options(): OptionOfHouse[] {
    return listOf(this.opened.project, 'offerOptions').map((option) => {
      const project = projectOfOption(this.opened.project, option);
      return { id: option.id, source: project.ok ? ok(offerSourceOf(project.value)) : project };
    });
  }

  /** When what is done: gates with their items, what is late, what is ordered until when. */
  schedule(offer: Offer, today: string): Schedule {
    return scheduleOfJob(this.opened.project, offer, today);
  }

  /** A cabinet with a system of its own for a room. */
  planRoomSystem({ roomId, kind, prefix }: RoomSystemQuestion): Outcome<RoomSystem> {
    return planRoomSystem(this.opened.project, roomId, kind, prefix);
  }

  /** The cures of a published finding; none where it is gone. */
  cures(ref: string): readonly Cure[] {
    const finding = this.opened.get(FINDINGS).find((one) => findingKey(one) === ref);
    return finding ? curesFor(finding, this.opened.project) : [];
  }

  /** The first cure of each of these findings, each in the house that those before it left; how many have one. */
  cureAll(refs: readonly string[]): { readonly operations: readonly Operation[]; readonly fixed: number } {
    const findings = new Map(this.opened.get(FINDINGS).map((one) => [findingKey(one), one]));
    let project = this.opened.project;
    const operations: Operation[] = [];
    let fixed = 0;
    for (const ref of refs) {
      const finding = findings.get(ref);
      const cure = finding && curesFor(finding, project)[0];
      const after = cure ? edited(project, cure.operations) : null;
      if (!cure || !after?.ok) continue;
      project = after.value;
      operations.push(...cure.operations);
      fixed++;
    }
    return { operations, fixed };
  }

  private get opened(): Derivations {
    if (!this.own) throw new Error('no project is open');
    return this.own;
  }
}

/** The share of the routes that is done: they are what takes time. */
function* shares(steps: Steps<void>): Generator<number, void> {
  let share = 0;
  for (const step of steps) {
    if (step.node === ROUTE_OF_RUN) share = step.share;
    yield share;
  }
}

function clashesOfDragged(project: ProjectDocument, device: Device): DragDelta['clashes'] {
  const near = onLevel(project, 'devices', device.levelId).filter(
    (other) => Math.abs(other.x - device.x) < BESIDE_M && Math.abs(other.y - device.y) < BESIDE_M,
  );
  const { name } = project.deviceTypes[device.typeId];
  return clashesOf(project, device, near)
    .slice(0, MAX_CLASHES)
    .map(({ rank, code, figures }) => ({ deviceId: device.id, rank, code, figures: { device: name, ...figures } }));
}

const same = <T>(a: T, b: T) => a === b;
const differenceOf = (before: DerivedLists, after: DerivedLists): Delta => ({
  isWhole: before === NO_LISTS,
  runs: splicesBetween(before.runs, after.runs, same),
  findings: splicesBetween(before.findings, after.findings, same),
  rows: splicesBetween(before.rows, after.rows, same),
});
