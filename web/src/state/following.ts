import { create } from 'zustand';
import { useEffect, useLayoutEffect, useState } from 'react';
import type { Cure } from '@dusky-spool/core/rules';
import {
  applyDelta,
  type Derived,
  type DerivedFinding,
  derivedFrom,
  type DerivedLists,
  type DragDelta,
  NO_LISTS,
  patchBy,
  patchOf,
  plannedFrom,
  type SharedRoutePreview,
} from '@dusky-spool/core/deltas';
import type { CablingReport } from '@dusky-spool/core/sheets';
import type { Touched } from '@dusky-spool/core/derive';
import type { Outcome } from '@dusky-spool/core/math';
import type { Operation, ProjectDocument, Run } from '@dusky-spool/core/model';
import type { choicesOf, PlannedRun, SchemeOutlook } from '@dusky-spool/core/runs';
import type { BothRoutes } from '@dusky-spool/core/pathways';
import { takeWorker } from '../workers/start-following.ts';
import type { FollowingAnswer, FollowingQuestion } from '../workers/following-contract.ts';
import { dragOf, type Preview, useProjectStore } from './project.ts';
import { today } from './today.ts';

interface FollowingStore {
  /** What the worker has told of the project, beside the project as it is now. */
  readonly derived: Derived;
  /** What it told of an edit that is only looked at. */
  readonly previewed: { readonly document: ProjectDocument; readonly derived: Derived } | null;
  /** What follows from where devices are held now. */
  readonly held: { readonly runs: readonly PlannedRun[]; readonly clashes: DragDelta['clashes'] } | null;
  /** How much of a long reckoning is done, 0 to 1; null where all is told. */
  readonly share: number | null;
  readonly checked: boolean;
  readonly failed: boolean;
  /** A long reckoning that a person has called off; the next edit goes on with it too. */
  readonly stopped: boolean;
}

const NOTHING_DERIVED: Derived = {
  runs: [],
  byDerived: new Map(),
  runById: new Map(),
  runsByDevice: new Map(),
  findings: [],
  rows: [],
};
const NOTHING: FollowingStore = {
  derived: NOTHING_DERIVED,
  previewed: null,
  held: null,
  share: null,
  checked: false,
  failed: false,
  stopped: false,
};
export const useFollowing = create<FollowingStore>()(() => NOTHING);

/** A project that is followed: its worker, and what is on the way to it and back. */
class Follower {
  private readonly worker = takeWorker();
  private sent: ProjectDocument | null = null;
  private edits = 0;
  private answered = 0;
  private lastId = 0;
  private previewing: { readonly id: number; readonly document: ProjectDocument } | null = null;
  private holding: { readonly id: number; readonly document: ProjectDocument } | null = null;
  /** What the worker takes for known here, and what is shown: runs that were let go keep the way they had in the hand. */
  private told: DerivedLists = NO_LISTS;
  private lists: DerivedLists = NO_LISTS;
  private nextHold: (() => void) | null = null;
  private readonly asked = new Map<number, (value: unknown) => void>();
  private readonly whenDone: (() => void)[] = [];

  constructor() {
    this.worker.onmessage = (event: MessageEvent<FollowingAnswer>) => this.hear(event.data);
    this.worker.onerror = (event) => this.fail(event.message);
  }

  /** A project that is looked at: the edits of the one that is open come by themselves. */
  begin(document: ProjectDocument): void {
    if (!this.sent || !useProjectStore.getState().sync) this.open(document);
  }

  /** A project from its start, or as it is now where it is not known what differs. */
  open(document: ProjectDocument): void {
    if (document === this.sent) return;
    this.now(document);
    this.told = NO_LISTS;
    this.ask({ ask: 'open', document, today: today() });
  }

  /** An edit made `before` into `document`; these records may differ. */
  edit(before: ProjectDocument, document: ProjectDocument, touched: Touched): void {
    if (document === this.sent) return;
    if (before !== this.sent) return this.open(document);
    this.now(document);
    this.ask({ ask: 'edit', patch: patchOf(before, document, touched), today: today() });
  }

  private now(document: ProjectDocument): void {
    this.sent = document;
    this.edits++;
    this.tell(useFollowing.getState().stopped ? { stopped: false } : {});
  }

  /** Puts what is told beside the project as it is now. */
  private tell(more: Partial<FollowingStore> = {}): void {
    const { derived } = useFollowing.getState();
    useFollowing.setState({ ...more, ...(this.sent ? { derived: derivedFrom(this.lists, this.sent, derived) } : {}) });
  }

  /** What would follow from an edit; null ends it. */
  preview(preview: Preview | null): void {
    const { sent } = this;
    if (!preview || !sent) {
      this.previewing = null;
      if (useFollowing.getState().previewed) useFollowing.setState({ previewed: null });
      return;
    }
    const { document, operations } = preview;
    this.previewing = { id: ++this.lastId, document };
    const { derived } = useFollowing.getState();
    useFollowing.setState({ previewed: { document, derived: derivedFrom(this.lists, document, derived) } });
    this.ask({ ask: 'preview', id: this.lastId, patch: patchBy(sent, document, operations), today: today() });
  }

  /** Devices in the hand: the newest place is asked for when the last one is answered. */
  hold(operations: readonly Operation[], deviceIds: readonly string[], document: ProjectDocument): void {
    const send = () => {
      this.nextHold = null;
      this.holding = { id: ++this.lastId, document };
      this.ask({ ask: 'hold', id: this.lastId, operations, deviceIds });
    };
    if (this.holding) this.nextHold = send;
    else send();
  }

  /** The devices were let go: where they are now, or back where they were. */
  letGo(dropped: boolean): void {
    this.nextHold = null;
    this.holding = null;
    if (dropped) this.keepHeld();
    else if (useFollowing.getState().held) useFollowing.setState({ held: null });
  }

  cures(ref: string): Promise<readonly Cure[]> {
    return this.answerTo((id) => ({ ask: 'cures', id, ref }));
  }

  /** One question with one answer. */
  answerTo<T>(question: (id: number) => FollowingQuestion): Promise<T> {
    const id = ++this.lastId;
    this.ask(question(id));
    return new Promise((done) => this.asked.set(id, done as (value: unknown) => void));
  }

  /** Calls off a long reckoning. What was routed stays known. */
  halt(): void {
    this.ask({ ask: 'stop' });
    useFollowing.setState({ share: null, stopped: true });
  }

  goOn(): void {
    useFollowing.setState({ stopped: false, share: 0 });
    this.ask({ ask: 'go-on', today: today() });
  }

  /** When everything that was done is told. */
  caughtUp(): Promise<void> {
    if (this.answered === this.edits) return Promise.resolve();
    return new Promise((done) => this.whenDone.push(done));
  }

  stop(): void {
    this.worker.terminate();
  }

  private ask(question: FollowingQuestion): void {
    this.worker.postMessage(question);
  }

  /** Routes of devices that were let go stay as they were shown in the hand, until those of the edit are told. */
  private keepHeld(): void {
    const { held } = useFollowing.getState();
    if (!held) return;
    const byRun = new Map(held.runs.map(({ run, ...told }) => [run.id, { ...told, runId: run.id }]));
    this.lists = { ...this.lists, runs: this.lists.runs.map((told) => byRun.get(told.runId) ?? told) };
    this.tell({ held: null });
  }

  private hear(answer: FollowingAnswer): void {
    if (answer.tell === 'progress') {
      if (!useFollowing.getState().stopped) useFollowing.setState({ share: answer.share });
    } else if (answer.tell === 'routed') {
      this.told = this.lists = applyDelta(this.told, answer.told);
      this.tell();
    } else if (answer.tell === 'followed') {
      this.answered = answer.edits;
      this.told = this.lists = applyDelta(this.told, answer.told);
      this.tell({ share: null, checked: true, failed: false, stopped: false });
      if (this.answered === this.edits) for (const done of this.whenDone.splice(0)) done();
    } else if (answer.tell === 'previewed') {
      if (this.previewing?.id !== answer.id) return;
      const { document } = this.previewing;
      const { derived } = useFollowing.getState();
      const lists = applyDelta(this.told, answer.told);
      useFollowing.setState({ previewed: { document, derived: derivedFrom(lists, document, derived) } });
    } else if (answer.tell === 'held') {
      const { holding } = this;
      // One that was let go meanwhile is not shown any more.
      if (holding?.id !== answer.id) return;
      this.holding = null;
      if (answer.held) {
        const { runs, clashes } = answer.held;
        useFollowing.setState({
          held: { runs: runs.flatMap((told) => plannedFrom(told, holding.document) ?? []), clashes },
        });
      }
      this.nextHold?.();
    } else if (answer.tell === 'answer') {
      this.asked.get(answer.id)?.(answer.value);
      this.asked.delete(answer.id);
    } else {
      this.fail(answer.message);
    }
  }

  private fail(message: string): void {
    reportError(new Error(`Routes and checks stopped: ${message}`));
    useFollowing.setState({ share: null, failed: true });
    for (const done of this.whenDone.splice(0)) done();
  }
}

let follower: Follower | null = null;
const DEVICES_ONLY: ReadonlySet<string> = new Set(['devices', 'runs', 'plates']);

/** Follows the project that is open, until what is returned is called. Started before it is there, so that the worker is. */
export function startFollowing(): () => void {
  const own = new Follower();
  follower = own;
  useFollowing.setState(NOTHING);
  let heldOn: ProjectDocument | undefined;
  const stop = useProjectStore.subscribe(({ preview, sync }, before) => {
    const was = before.sync?.view;
    if (sync && was && sync.view !== was) own.edit(was, sync.view, sync.touched);
    if (preview === before.preview) return;
    const hand = dragOf(preview);
    if (hand && hand.operations.every(({ in: name }) => DEVICES_ONLY.has(name))) {
      heldOn = sync?.view;
      const ids = hand.operations.flatMap(({ in: name, id }) => (name === 'devices' ? [id] : []));
      return own.hold(hand.operations, [...new Set(ids)], hand.document);
    }
    if (heldOn) {
      own.letGo(sync?.view !== heldOn);
      heldOn = undefined;
    }
    own.preview(hand ? null : preview);
  });
  return () => {
    stop();
    own.stop();
    if (follower === own) follower = null;
    useFollowing.setState(NOTHING);
  };
}

/** Has a project followed from here on; edits of the one that is open are followed as they are made. */
export function useFollowed(document: ProjectDocument | null): void {
  useLayoutEffect(() => {
    if (document) follower?.begin(document);
  }, [document]);
}

/** Routes, findings and the schedule of the project, or of an edit of it that is looked at, as far as they are told. */
export function useDerived(document: ProjectDocument): Derived;
export function useDerived(document: ProjectDocument | null): Derived | null;
export function useDerived(document: ProjectDocument | null): Derived | null {
  const derived = useFollowing((state) => (state.previewed?.document === document ? state.previewed.derived : state.derived));
  return document && derived;
}

/** Whether the checks of the project have not been told yet. */
export const useNothingTold = (): boolean => useFollowing(({ checked }) => !checked);

/** What puts a finding right; empty until it is worked out. */
export function useCures(finding: DerivedFinding): readonly Cure[] {
  const [cures, setCures] = useState<readonly Cure[]>([]);
  useEffect(() => {
    let stale = false;
    void follower?.cures(finding.ref).then((found) => {
      if (!stale) setCures(found);
    });
    return () => {
      stale = true;
    };
  }, [finding]);
  return cures;
}

/**
 * Makes an edit that depends on routes, once those of all that was done before are known. `build` gets the project and the way
 * that each run wants.
 */
export async function editOnRoutes(
  title: string,
  build: (document: ProjectDocument, wayOf: (run: Run) => PlannedRun['wanted'] | undefined) => Outcome<Operation[]>,
): Promise<boolean> {
  await follower?.caughtUp();
  const view = useProjectStore.getState().sync?.view;
  if (!view) return false;
  const { runById } = useFollowing.getState().derived;
  return useProjectStore.getState().edit(
    title,
    build(view, (run) => runById.get(run.id)?.wanted),
  );
}

/** The way that a run takes and the next cheapest ones, for the project as it is now. */
export async function askChoices(runId: string): Promise<ReturnType<typeof choicesOf> | null> {
  await follower?.caughtUp();
  return follower?.answerTo((id) => ({ ask: 'choices', id, runId })) ?? null;
}

/** Ways that runs could share. */
export async function askTrunks(newId: string): Promise<SharedRoutePreview | null> {
  await follower?.caughtUp();
  return follower?.answerTo((id) => ({ ask: 'trunks', id, newId })) ?? null;
}

/** Calls off the reckoning that runs, or goes on with it. */
export const haltFollowing = (): void => follower?.halt();
export const goOnFollowing = (): void => follower?.goOn();

/** All that follows from the routes: holes, ways, bundles, seals; null while no project is followed. */
export async function askCabling(): Promise<CablingReport | null> {
  await follower?.caughtUp();
  return follower?.answerTo((id) => ({ ask: 'cabling', id })) ?? null;
}

/** Runs by the bundles that their ways make. */
export async function askBundles(): Promise<readonly Operation[]> {
  await follower?.caughtUp();
  return follower?.answerTo((id) => ({ ask: 'bundles', id })) ?? [];
}

/** Every run under another number scheme. */
export async function askScheme(pattern: string): Promise<Outcome<SchemeOutlook> | null> {
  await follower?.caughtUp();
  return follower?.answerTo((id) => ({ ask: 'scheme', id, pattern })) ?? null;
}

/** A run in the walls beside the same run on the surface. */
export async function askBoth(runId: string): Promise<BothRoutes | null> {
  await follower?.caughtUp();
  return follower?.answerTo((id) => ({ ask: 'both', id, runId })) ?? null;
}
