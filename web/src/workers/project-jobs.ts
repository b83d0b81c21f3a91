import type {
  Delta,
  DerivedProject,
  DocumentPatch,
  DragDelta,
  HeadEndPlanQuestion,
  HeadEndQuestion,
  OptionOfHouse,
  OrderOfHouse,
  RoomSystemQuestion,
} from '@dusky-spool/core/deltas';
import type { HeadEndChoice } from '@dusky-spool/core/head-end';
import type { TidyRoutes } from '@dusky-spool/core/pathways';
import type { Outcome } from '@dusky-spool/core/math';
import type { Offer, Schedule } from '@dusky-spool/core/order';
import type { Inspection, Operation, ProjectDocument } from '@dusky-spool/core/model';
import type { BassAdvice, TheatreDesign } from '@dusky-spool/core/theatre';
import type { JobHandlers } from './jobs.ts';

/** What is reported while a project is derived: the share done, 0 to 1, and its routes ahead of its checks. */
export type DeriveReport = { readonly share: number } | { readonly routed: Delta };

interface Question<P, R> {
  readonly params: P;
  readonly report: never;
  readonly result: R;
}
interface Derivation<P> {
  readonly params: P & { readonly today: string };
  readonly report: DeriveReport;
  readonly result: Delta;
}

/** The jobs of the worker that derives routes, checks and the schedule from the open project. Days are YYYY-MM-DD. */
export interface ProjectJobs {
  /** A project from its start. */
  readonly open: Derivation<{ readonly project: ProjectDocument }>;
  /** An edit of it. */
  readonly edit: Derivation<{ readonly patch: DocumentPatch }>;
  /** A derivation that was cancelled goes on. */
  readonly resume: Derivation<unknown>;
  /** What a proposal would change, as a difference to what was published last. */
  readonly preview: Question<{ readonly patch: DocumentPatch; readonly today: string }, Delta>;
  /** Dragged devices: their runs, and what keeps them from being built there; null where more than devices moves. */
  readonly drag: Question<{ readonly operations: readonly Operation[]; readonly deviceIds: readonly string[] }, DragDelta | null>;
  readonly cures: Question<string, ReturnType<DerivedProject['cures']>>;
  readonly cureAll: Question<readonly string[], ReturnType<DerivedProject['cureAll']>>;
  readonly choices: Question<string, ReturnType<DerivedProject['choices']>>;
  readonly tidyRoutes: Question<{ readonly newId: string }, TidyRoutes>;
  readonly cabling: Question<null, ReturnType<DerivedProject['cabling']>>;
  readonly closeOfDay: Question<null, ReturnType<DerivedProject['closeOfDay']>>;
  readonly siteInspection: Question<Inspection, ReturnType<DerivedProject['siteInspection']>>;
  readonly crewDay: Question<string, ReturnType<DerivedProject['crewDay']>>;
  readonly cableSearch: Question<
    { readonly deviceId: string; readonly today: string },
    ReturnType<DerivedProject['cableSearch']>
  >;
  readonly bundles: Question<null, readonly Operation[]>;
  readonly effects: Question<readonly Operation[], ReturnType<DerivedProject['effects']>>;
  readonly scheme: Question<string, ReturnType<DerivedProject['scheme']>>;
  readonly headEnds: Question<HeadEndQuestion, ReturnType<DerivedProject['headEnds']>>;
  /** Speakers of a theatre on places that can be built. `prefix` begins the ids of what would be created. */
  readonly designTheatre: {
    readonly params: { readonly roomId: string; readonly prefix: string };
    readonly report: { readonly share: number };
    readonly result: Outcome<TheatreDesign>;
  };
  readonly headEndChoices: Question<null, HeadEndChoice[]>;
  readonly planHeadEnd: Question<HeadEndPlanQuestion, ReturnType<DerivedProject['planHeadEnd']>>;
  readonly planRoomSystem: Question<RoomSystemQuestion, ReturnType<DerivedProject['planRoomSystem']>>;
  readonly order: Question<null, OrderOfHouse>;
  readonly options: Question<null, readonly OptionOfHouse[]>;
  readonly schedule: Question<{ readonly offer: Offer; readonly today: string }, Schedule>;
  readonly bass: Question<{ readonly roomId: string; readonly count: number }, BassAdvice | null>;
  readonly bothRoutes: Question<string, ReturnType<DerivedProject['bothRoutes']>>;
}

/** A later state of the project replaces the derivation of an earlier one, and a later proposal an earlier one. */
export const PROJECT_JOB_GROUPS = {
  open: 'derive',
  edit: 'derive',
  resume: 'derive',
  preview: 'preview',
  designTheatre: 'design',
} as const;

/** The jobs, worked by a derived project. */
export function projectHandlers(derived: DerivedProject): JobHandlers<ProjectJobs> {
  const derive = async (today: string, { report, work }: Parameters<JobHandlers<ProjectJobs>['edit']>[1]): Promise<Delta> => {
    const share = (done: number) => report({ share: done });
    // The routes of a project that was just opened are published before its checks are made.
    const routed = await work(derived.route(), share);
    if (routed) report({ routed });
    return work(derived.derive(today), share);
  };
  return {
    open: ({ project, today }, context) => {
      derived.open(project, today);
      return derive(today, context);
    },
    edit: ({ patch, today }, context) => {
      derived.edit(patch);
      return derive(today, context);
    },
    resume: ({ today }, context) => derive(today, context),
    preview: ({ patch, today }, { work }) => work(derived.preview(patch, today)),
    drag: ({ operations, deviceIds }) => derived.drag(operations, deviceIds),
    cures: (ref) => derived.cures(ref),
    cureAll: (refs) => derived.cureAll(refs),
    choices: (runId) => derived.choices(runId),
    tidyRoutes: ({ newId }) => derived.tidyRoutes(() => newId),
    cabling: () => derived.cabling(),
    closeOfDay: () => derived.closeOfDay(),
    siteInspection: (inspection) => derived.siteInspection(inspection),
    crewDay: (today) => derived.crewDay(today),
    cableSearch: ({ deviceId, today }) => derived.cableSearch(deviceId, today),
    bundles: () => derived.bundles(),
    effects: (operations) => derived.effects(operations),
    scheme: (pattern) => derived.scheme(pattern),
    headEnds: (question) => derived.headEnds(question),
    designTheatre: ({ roomId, prefix }, { report, work }) =>
      work(derived.designTheatre(roomId, prefix), (share) => report({ share })),
    headEndChoices: () => derived.headEndChoices(),
    planHeadEnd: (question) => derived.planHeadEnd(question),
    order: () => derived.order(),
    options: () => derived.options(),
    schedule: ({ offer, today }) => derived.schedule(offer, today),
    planRoomSystem: (question) => derived.planRoomSystem(question),
    bass: ({ roomId, count }) => derived.bass(roomId, count),
    bothRoutes: (runId) => derived.bothRoutes(runId),
  };
}
