import {
  applyDelta,
  type Delta,
  type Derived,
  derivedFrom,
  type DerivedLists,
  type DragDelta,
  NO_LISTS,
  patchBy,
  patchOf,
  plannedFrom,
} from '@dusky-spool/core/deltas';
import type { Touched } from '@dusky-spool/core/derive';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import type { PlannedRun } from '@dusky-spool/core/runs';
import type { StoreApi } from 'zustand';
import { JobCancelled, JobClient, type JobWorker } from '../workers/jobs.ts';
import type { DeriveReport, ProjectJobs } from '../workers/project-jobs.ts';

/** What is derived from the open project: routes, findings and the schedule, as the worker publishes them. */
export interface DerivedState {
  /** Beside the project as it is now. */
  readonly derived: Derived;
  /** What would follow from the proposal that is shown. */
  readonly previewed: { readonly project: ProjectDocument; readonly derived: Derived } | null;
  /** What follows from where devices are dragged to. */
  readonly dragged: { readonly runs: readonly PlannedRun[]; readonly clashes: DragDelta['clashes'] } | null;
  /** How much of a long derivation is done, 0 to 1; null where nothing is on the way. */
  readonly share: number | null;
  /** Whether checks have been published yet. */
  readonly checked: boolean;
  readonly failed: boolean;
  /** A long derivation that a person has cancelled; the next edit resumes it. */
  readonly stopped: boolean;
}

const NO_DERIVED: Derived = {
  runs: [],
  byDerived: new Map(),
  runById: new Map(),
  runsByDevice: new Map(),
  findings: [],
  rows: [],
};
export const NOTHING_DERIVED: DerivedState = {
  derived: NO_DERIVED,
  previewed: null,
  dragged: null,
  share: null,
  checked: false,
  failed: false,
  stopped: false,
};

/** A proposal to be previewed. */
export interface Proposed {
  readonly operations: readonly Operation[];
  readonly project: ProjectDocument;
}

/** Starts again this often in succession after its worker has failed. */
const MAX_RESTARTS = 1;

/** The open project at its worker: what was sent, what was published, and what is on the way. */
export class DerivedClient {
  private jobs: JobClient<ProjectJobs>;
  private restarts = 0;
  /** The project as it was sent last. */
  private sent: ProjectDocument | null = null;
  /** What the worker published last. */
  private published: DerivedLists = NO_LISTS;
  /** What is shown: runs of devices that were dropped keep their dragged route until the next delta. */
  private shown: DerivedLists = NO_LISTS;
  private deriving: { readonly abort: AbortController; readonly done: Promise<void> } | null = null;
  private previewing: AbortController | null = null;
  /** The drag that the worker has, and the newest one, which waits for it. */
  private dragging: object | null = null;
  private nextDrag: (() => void) | null = null;

  constructor(
    private readonly startWorker: () => JobWorker,
    private readonly store: Pick<StoreApi<DerivedState>, 'getState' | 'setState'>,
    private readonly today: () => string,
    private readonly onError: (error: Error) => void,
  ) {
    this.jobs = this.connect();
  }

  private connect(): JobClient<ProjectJobs> {
    return new JobClient<ProjectJobs>(this.startWorker());
  }

  /** Whether a project was sent. */
  get isOpen(): boolean {
    return this.sent !== null;
  }

  /** A project from its start. */
  open(project: ProjectDocument): void {
    if (project === this.sent) return;
    this.take(project);
    this.derive('open', { project, today: this.today() });
  }

  /** An edit made `before` into `project`; the records in `touched` may differ. */
  edit(before: ProjectDocument, project: ProjectDocument, touched: Touched): void {
    if (project === this.sent) return;
    if (before !== this.sent) return this.open(project);
    this.take(project);
    this.derive('edit', { patch: patchOf(before, project, touched), today: this.today() });
  }

  /** What would follow from a proposal; null ends it. */
  preview(proposed: Proposed | null): void {
    this.previewing?.abort();
    this.previewing = null;
    if (!proposed || !this.sent) {
      if (this.store.getState().previewed) this.store.setState({ previewed: null });
      return;
    }
    const { project, operations } = proposed;
    const own = (this.previewing = new AbortController());
    const show = (lists: DerivedLists) => {
      if (own !== this.previewing) return;
      const { derived } = this.store.getState();
      this.store.setState({ previewed: { project, derived: derivedFrom(lists, project, derived) } });
    };
    show(this.shown);
    this.jobs
      .run('preview', { patch: patchBy(this.sent, project, operations), today: this.today() }, { signal: own.signal })
      .then((delta) => show(applyDelta(this.published, delta)))
      .catch(this.fail);
  }

  /** Devices that are dragged: the newest place is asked for when the last one is answered. */
  drag(operations: readonly Operation[], deviceIds: readonly string[], project: ProjectDocument): void {
    const send = () => {
      this.nextDrag = null;
      const own = (this.dragging = {});
      this.jobs
        .run('drag', { operations, deviceIds })
        .then((delta) => this.showDrag(own, delta, project))
        .catch(this.fail);
    };
    if (this.dragging) this.nextDrag = send;
    else send();
  }

  private showDrag(own: object, delta: DragDelta | null, project: ProjectDocument): void {
    // Devices that were dropped meanwhile are not dragged any more.
    if (own !== this.dragging) return;
    this.dragging = null;
    if (delta) {
      const runs = delta.runs.flatMap((run) => plannedFrom(run, project) ?? []);
      this.store.setState({ dragged: { runs, clashes: delta.clashes } });
    }
    this.nextDrag?.();
  }

  /** The drag ended: with an edit, or back where it began. */
  endDrag(hasEdited: boolean): void {
    this.nextDrag = null;
    this.dragging = null;
    const { dragged } = this.store.getState();
    if (!dragged) return;
    if (!hasEdited) return this.store.setState({ dragged: null });
    const byRun = new Map(dragged.runs.map(({ run, ...planned }) => [run.id, { ...planned, runId: run.id }]));
    this.shown = { ...this.shown, runs: this.shown.runs.map((run) => byRun.get(run.runId) ?? run) };
    this.show({ dragged: null });
  }

  /** Cancels a long derivation. Routes that were published stay. */
  cancel(): void {
    this.deriving?.abort.abort();
    this.store.setState({ share: null, stopped: true });
  }

  /** Goes on with a derivation that was cancelled. */
  resume(): void {
    this.store.setState({ stopped: false, share: 0 });
    this.derive('resume', { today: this.today() });
  }

  /**
   * Settles when everything that was done is derived. A cancelled derivation is resumed, a failed one tried once more from the
   * start; where that fails too, rejects with `JobFailed`.
   */
  async upToDate(): Promise<void> {
    if (this.store.getState().failed && this.sent) this.restart();
    else if (this.store.getState().stopped) this.resume();
    for (let awaited = this.deriving; awaited; awaited = this.deriving) {
      // A derivation that was replaced is cancelled; the one that replaced it is awaited next.
      const error: unknown = await awaited.done.then(
        () => null,
        (reason: unknown) => reason,
      );
      if (awaited !== this.deriving) continue;
      if (error) throw error instanceof Error ? error : new Error(String(error));
      return;
    }
  }

  /** One question about the project as it was sent last. */
  ask<K extends keyof ProjectJobs>(
    job: K,
    params: ProjectJobs[K]['params'],
    more?: { readonly signal?: AbortSignal; readonly report?: (value: ProjectJobs[K]['report']) => void },
  ): Promise<ProjectJobs[K]['result']> {
    return this.jobs.run(job, params, more);
  }

  stop(): void {
    this.jobs.stop();
  }

  private take(project: ProjectDocument): void {
    this.sent = project;
    this.show(this.store.getState().stopped ? { stopped: false } : {});
  }

  /** Shows the lists beside the project as it is now. */
  private show(more: Partial<DerivedState> = {}): void {
    const { derived } = this.store.getState();
    this.store.setState({ ...more, ...(this.sent ? { derived: derivedFrom(this.shown, this.sent, derived) } : {}) });
  }

  private derive<K extends 'open' | 'edit' | 'resume'>(job: K, params: ProjectJobs[K]['params']): void {
    const abort = new AbortController();
    const report = (reported: DeriveReport) => {
      if ('routed' in reported) {
        this.publish(reported.routed);
        this.show();
      } else if (!this.store.getState().stopped) this.store.setState({ share: reported.share });
    };
    const done = this.jobs.run(job, params, { signal: abort.signal, report }).then((delta) => {
      this.restarts = 0;
      this.publish(delta);
      this.show({ share: null, checked: true, failed: false, stopped: false });
    });
    this.deriving = { abort, done };
    done.catch(this.fail);
  }

  private publish(delta: Delta): void {
    this.published = this.shown = applyDelta(this.published, delta);
  }

  /** What became of a job that nobody else waits for. A derivation that failed is tried once more, from the start. */
  private readonly fail = (error: unknown): void => {
    if (error instanceof JobCancelled) return;
    this.onError(error instanceof Error ? error : new Error(String(error)));
    if (this.restarts < MAX_RESTARTS) {
      this.restarts++;
      this.restart();
    } else this.store.setState({ share: null, failed: true });
  };

  /** A new worker with the project as it is now. */
  private restart(): void {
    const project = this.sent;
    this.jobs.stop();
    this.dragging = this.nextDrag = null;
    this.jobs = this.connect();
    this.sent = null;
    this.store.setState({ failed: false });
    if (project) this.open(project);
  }
}
