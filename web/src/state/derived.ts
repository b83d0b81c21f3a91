import type { Cure } from '@dusky-spool/core/rules';
import type { Derived, DerivedFinding, HeadEndPlanQuestion, HeadEndQuestion, RoomSystemQuestion } from '@dusky-spool/core/deltas';
import type { Outcome } from '@dusky-spool/core/math';
import type { Inspection, Operation, ProjectDocument, Run } from '@dusky-spool/core/model';
import type { Offer } from '@dusky-spool/core/order';
import type { PlannedRun } from '@dusky-spool/core/runs';
import { useEffect, useLayoutEffect, useState } from 'react';
import { create } from 'zustand';
import { problemOf } from '../ground/api/error-sentence.ts';
import { JobCancelled } from '../workers/jobs.ts';
import type { ProjectJobs } from '../workers/project-jobs.ts';
import { takeProjectWorker } from '../workers/start-project-worker.ts';
import { DerivedClient, type DerivedState, NOTHING_DERIVED } from './derived-client.ts';
import { dragOf, useProjectStore } from './project.ts';
import { today } from './today.ts';

export const useDerivedStore = create<DerivedState>()(() => NOTHING_DERIVED);

let client: DerivedClient | null = null;
/** A drag of these tables is worked out by the worker as it goes. */
const DEVICE_TABLES: ReadonlySet<string> = new Set(['devices', 'runs', 'plates']);

/** Derives from the project that is open, until what is returned is called. Begun before the project is there, to load the worker. */
export function startDeriving(): () => void {
  const own = new DerivedClient(takeProjectWorker, useDerivedStore, today, (error) =>
    reportError(new Error(`Routes and checks stopped: ${error.message}`)),
  );
  client = own;
  useDerivedStore.setState(NOTHING_DERIVED);
  let draggedOn: ProjectDocument | undefined;
  const unsubscribe = useProjectStore.subscribe(({ preview, sync }, before) => {
    const was = before.sync?.view;
    if (sync && was && sync.view !== was) own.edit(was, sync.view, sync.touched);
    if (preview === before.preview) return;
    const drag = dragOf(preview);
    if (drag && drag.operations.every(({ in: name }) => DEVICE_TABLES.has(name))) {
      draggedOn = sync?.view;
      const ids = drag.operations.flatMap(({ in: name, id }) => (name === 'devices' ? [id] : []));
      return own.drag(drag.operations, [...new Set(ids)], drag.project);
    }
    if (draggedOn) {
      own.endDrag(sync?.view !== draggedOn);
      draggedOn = undefined;
    }
    own.preview(drag ? null : preview);
  });
  return () => {
    unsubscribe();
    own.stop();
    if (client === own) client = null;
    useDerivedStore.setState(NOTHING_DERIVED);
  };
}

/** Derives from a project that has been loaded; its edits are derived as they are made. */
export function useDeriving(project: ProjectDocument | null): void {
  useLayoutEffect(() => {
    if (project && client && (!client.isOpen || !useProjectStore.getState().sync)) client.open(project);
  }, [project]);
}

/** Routes, findings and the schedule of the project, or of the proposal that is shown, as far as they are published. */
export function useDerived(project: ProjectDocument): Derived;
export function useDerived(project: ProjectDocument | null): Derived | null;
export function useDerived(project: ProjectDocument | null): Derived | null {
  const derived = useDerivedStore((state) => (state.previewed?.project === project ? state.previewed.derived : state.derived));
  return project && derived;
}

/** Whether the checks of the project have not been published yet. */
export const useNotChecked = (): boolean => useDerivedStore(({ checked }) => !checked);

/** What fixes a finding; empty until it is worked out. */
export function useCures(finding: DerivedFinding): readonly Cure[] {
  const [cures, setCures] = useState<readonly Cure[]>([]);
  useEffect(() => {
    let isStale = false;
    client?.ask('cures', finding.ref).then(
      (found) => {
        if (!isStale) setCures(found);
      },
      // Without cures the finding still stands; what failed is reported with the derivation.
      () => undefined,
    );
    return () => {
      isStale = true;
    };
  }, [finding]);
  return cures;
}

/** Shows why something cannot be done; null for the caller to go on with. */
function showFailure(error: unknown): null {
  if (!(error instanceof JobCancelled)) useProjectStore.getState().edit('', { ok: false, problem: problemOf(error) });
  return null;
}

/**
 * Makes an edit that depends on routes, once those of all that was done before are derived; where they cannot be, a message says so
 * and nothing is edited. `build` gets the project and the proposed route of each run.
 */
export async function editOnRoutes(
  title: string,
  build: (project: ProjectDocument, routeOf: (run: Run) => PlannedRun['proposedRoute'] | undefined) => Outcome<Operation[]>,
): Promise<boolean> {
  if (!client) return false;
  try {
    await client.upToDate();
  } catch (error) {
    showFailure(error);
    return false;
  }
  const view = useProjectStore.getState().sync?.view;
  if (!view) return false;
  const { runById } = useDerivedStore.getState().derived;
  return useProjectStore.getState().edit(
    title,
    build(view, (run) => runById.get(run.id)?.proposedRoute),
  );
}

/** Asks about the project once all that was done is derived. Null where no project is open, or after a message that says why. */
async function ask<K extends keyof ProjectJobs>(
  job: K,
  params: ProjectJobs[K]['params'],
  more?: Parameters<DerivedClient['ask']>[2] & { readonly report?: (value: ProjectJobs[K]['report']) => void },
): Promise<ProjectJobs[K]['result'] | null> {
  if (!client) return null;
  try {
    await client.upToDate();
    return await client.ask(job, params, more);
  } catch (error) {
    return showFailure(error);
  }
}

/** Cancels the derivation on the way, or resumes it. */
export const cancelDeriving = (): void => client?.cancel();
export const resumeDeriving = (): void => client?.resume();

/** The first cure of each of several findings, together. */
export const askCureAll = (refs: readonly string[]) => ask('cureAll', refs);
/** The route of a run and the next cheapest ones. */
export const askChoices = (runId: string) => ask('choices', runId);
/** Routes that runs could share; `newId` is for what would be created. */
export const askTidyRoutes = (newId: string) => ask('tidyRoutes', { newId });
/** Everything that follows from the routes: holes, pathways, bundles, penetrations. */
export const askCabling = () => ask('cabling', null);
/** What has to be done before the crew leaves. */
export const askCloseOfDay = () => ask('closeOfDay', null);
/** The site inspection: expected against found. */
export const askSiteInspection = (inspection: Inspection) => ask('siteInspection', inspection);
/** What a crew has to know in the morning of a day. */
export const askCrewDay = (day: string) => ask('crewDay', day);
/** Where the lead of a device may be behind a closed wall. */
export const askCableSearch = (deviceId: string) => ask('cableSearch', { deviceId, today: today() });
/** Operations that bundle runs by the pathways that they share. */
export const askBundles = async (): Promise<readonly Operation[]> => (await ask('bundles', null)) ?? [];
/** What an edit would do beside what was asked. */
export const askEffects = (operations: readonly Operation[]) => ask('effects', operations);
/** Every run under another number scheme. */
export const askScheme = (pattern: string) => ask('scheme', pattern);
/** What another head end for a system or cable family would do. */
export const askHeadEnds = (question: HeadEndQuestion) => ask('headEnds', question);
/** Speakers of a theatre on places that can be built, with progress; cancelled by the signal. */
export const askTheatreDesign = (roomId: string, prefix: string, signal: AbortSignal, onShare: (share: number) => void) =>
  ask('designTheatre', { roomId, prefix }, { signal, report: (value) => 'share' in value && onShare(value.share) });
/** What a head end would become: designed, arranged or connected. */
export const askHeadEndPlan = (question: HeadEndPlanQuestion) => ask('planHeadEnd', question);
/** A cabinet with a system of its own for a room. */
export const askRoomSystem = (question: RoomSystemQuestion) => ask('planRoomSystem', question);
/** Spools of the whole house with what is cut from them, and the bill of materials. */
export const askOrder = () => ask('order', null);
/** What each option of the offer comes from. */
export const askOptions = () => ask('options', null);
/** When what is done and ordered. */
export const askSchedule = (offer: Offer, today: string) => ask('schedule', { offer, today });
/** What each choice of head ends does to all lengths: the house is routed anew for each. */
export const askHeadEndChoices = () => ask('headEndChoices', null);
/** What subwoofers do at the seats of a room, and better places for so many of them. */
export const askBass = (roomId: string, count: number) => ask('bass', { roomId, count });
/** A run in the walls beside the same run on the surface. */
export const askBothRoutes = (runId: string) => ask('bothRoutes', runId);
