import { withoutAlreadyThere } from './already-there.ts';
import { overTaken, taken } from './taken.ts';
import { Derivations, derivationsOf, edited, touchedBy } from '@dusky-spool/core/derive';
import { renumberTaken } from '@dusky-spool/core/devices';
import type { Problem } from '@dusky-spool/core/math';
import {
  applyChange,
  boundsProblem,
  type Change,
  type ChangesReply,
  emptyHistory,
  type FieldConflict,
  type History,
  mayBreakBounds,
  type Operation,
  type ProjectDocument,
  redoStep,
  remember,
  type StoredChange,
  undoStep,
} from '@dusky-spool/core/model';
import { rebased, restoringOperations } from './set-aside.ts';
import { type Connection, type OpenConflict, SendRefused, type SyncOutside, type SyncState, Unreachable } from './sync-state.ts';
import type { SetAside } from '../ground/api/set-aside.ts';

export * from './sync-state.ts';

const MAX_AT_ONCE = 50;
/** An edit at which the server fails without a reason is tried so often before it is set aside. */
const MAX_FAILURES = 3;
const RETRY_MS = [500, 1000, 2000, 4000, 8000];

/**
 * Keeps one project in step with the server. An edit is applied at once, kept until it is acknowledged, and sent with its id;
 * a lost answer is asked for again and does nothing twice.
 */
export class ProjectSync {
  private base: ProjectDocument;
  private revision: number;
  private pending: Change[] = [];
  /** Own changes that were acknowledged since the view was made: it holds their records as they were applied here. */
  private acknowledged: Change[] = [];
  private sending = false;
  private pulling: Promise<void> | null = null;
  private failures = 0;
  private retryWaits = false;
  private stopped = false;
  /** How many edits go out at once: one by one after a refusal of the whole. */
  private batchSize = MAX_AT_ONCE;
  private failuresOfFirst = 0;
  /** Who changed a record last, and when, of those that others changed while this tab was open: `list/id`. */
  private readonly changedBy = new Map<string, { readonly author: string; readonly at: string }>();
  private state: SyncState;

  constructor(
    private readonly outside: SyncOutside,
    loaded: { project: ProjectDocument; revision: number },
    kept: readonly Change[] = [],
    history: History = emptyHistory,
    setAside: readonly SetAside[] = [],
  ) {
    this.base = loaded.project;
    this.revision = loaded.revision;
    this.pending = [...kept];
    this.state = {
      view: this.viewOf(),
      touched: new Map(),
      revision: this.revision,
      pending: this.pending,
      connection: 'online',
      conflict: null,
      history,
      notice: null,
      setAside,
    };
    if (kept.length > 0) this.outside.later(() => void this.flush(), 0);
  }

  get current(): SyncState {
    return this.state;
  }

  stop(): void {
    this.stopped = true;
  }

  /** The server said by itself that the session or the project is gone, or that this page is too old. */
  lose(connection: 'signed-out' | 'gone' | 'outdated'): void {
    this.publish({ connection });
  }

  /** Makes an edit. Problems: those of `applyChange`; nothing is changed then. */
  edit(title: string, operations: readonly Operation[]): Problem | null {
    if (operations.length === 0) return null;
    const change: Change = { id: this.outside.newId(), baseRevision: this.revision, title, operations };
    return this.take(change, remember(this.state.history, change));
  }

  undo = (): Problem | null => this.step(undoStep(this.state.history, this.state.view));

  redo = (): Problem | null => this.step(redoStep(this.state.history, this.state.view));

  private step(step: ReturnType<typeof undoStep>): Problem | null {
    if (!step.ok) return step.problem;
    const { entry, operations, history } = step.value;
    const change = {
      id: this.outside.newId(),
      baseRevision: this.revision,
      title: entry.title,
      operations,
      undoes: entry.changeId,
    };
    return this.take(change, history);
  }

  /** Makes a change; `history` is that of this tab with it. One edit is published once. */
  private take(change: Change, history: History): Problem | null {
    const forbidden = this.outside.forbids(change.operations);
    if (forbidden) return forbidden;
    const applied = edited(this.state.view, change.operations);
    if (!applied.ok) return applied.problem;
    const tooLarge = mayBreakBounds(change.operations) ? boundsProblem(applied.value) : null;
    if (tooLarge) return tooLarge;
    this.pending = [...this.pending, change];
    this.publish({ view: applied.value, touched: touchedBy(change.operations), pending: this.pending, history, notice: null });
    void this.outside.keep(this.pending).catch(() => undefined);
    void this.flush();
    return null;
  }

  /** A change as the server stored it, from this tab or another. */
  receive(stored: StoredChange): void {
    this.receiveAll([stored]);
  }

  /** Changes in the order of the server; what is pending is laid over them once, however many they are. */
  private receiveAll(list: readonly StoredChange[]): void {
    const before = [...this.pending];
    let [isNew, isOwn] = [false, true];
    for (const stored of list) {
      if (stored.revision <= this.revision) {
        this.forget(stored.change.id);
        continue;
      }
      if (stored.revision > this.revision + 1) {
        void this.catchUp();
        break;
      }
      const applied = applyChange(this.base, stored.change);
      if (!applied.ok) {
        // The server has applied it, so the two sides differ: nothing short of loading anew is honest.
        this.publish({ notice: { code: 'revision-unknown' } });
        break;
      }
      this.base = applied.value;
      this.revision = stored.revision;
      if (stored.at !== '')
        for (const operation of stored.change.operations)
          this.changedBy.set(`${operation.in}/${operation.id}`, { author: stored.author, at: stored.at });
      // The common case, one's own first pending change coming back, leaves the view as it is.
      if (this.pending[0]?.id === stored.change.id) this.acknowledged.push(stored.change);
      else isOwn = false;
      isNew = true;
      before.push(stored.change);
      this.pending = this.pending.filter((change) => change.id !== stored.change.id);
    }
    if (!isNew) return;
    void this.outside.keep(this.pending).catch(() => undefined);
    this.publish({ ...(isOwn ? {} : this.viewAfter(before)), revision: this.revision, pending: this.pending });
  }

  private forget(changeId: string): void {
    if (!this.pending.some((change) => change.id === changeId)) return;
    const before = this.pending;
    this.pending = this.pending.filter((change) => change.id !== changeId);
    void this.outside.keep(this.pending).catch(() => undefined);
    this.publish({ ...this.viewAfter(before), pending: this.pending });
  }

  /** Fetches what other people have done since; called when a gap is seen or the connection returns. */
  catchUp(): Promise<void> {
    this.pulling ??= this.pull().finally(() => {
      this.pulling = null;
    });
    return this.pulling;
  }

  private async pull(): Promise<void> {
    try {
      for (let more = true; more && !this.stopped;) {
        const changes = await this.outside.since(this.revision);
        this.receiveAll(changes);
        more = changes.length >= 500;
      }
      this.reached();
    } catch (error) {
      this.missed(error);
    }
  }

  /** Sends what is pending, oldest first. */
  async flush(): Promise<void> {
    if (this.sending || this.stopped || this.state.conflict || this.pending.length === 0) return;
    this.sending = true;
    try {
      while (this.pending.length > 0 && !this.state.conflict && !this.stopped) {
        const batch = this.pending.slice(0, this.batchSize);
        try {
          const reply = await this.outside.send(batch);
          this.reached();
          await this.settle(batch, reply);
          if (batch.length > 0) this.failuresOfFirst = 0;
        } catch (error) {
          if (!(error instanceof SendRefused)) throw error;
          this.refusedWhole(batch, error);
        }
      }
      this.batchSize = MAX_AT_ONCE;
    } catch (error) {
      this.missed(error);
    } finally {
      this.sending = false;
    }
  }

  /** The server would take none of a batch: its edits go one by one, and the one that it fails at is set aside. */
  private refusedWhole(batch: readonly Change[], { problem, mayPass }: SendRefused): void {
    if (batch.length > 1) {
      this.batchSize = 1;
      return;
    }
    if (mayPass && ++this.failuresOfFirst < MAX_FAILURES) throw new Unreachable('database-away');
    this.failuresOfFirst = 0;
    this.putAside(batch[0], problem);
  }

  private async settle(batch: readonly Change[], reply: ChangesReply): Promise<void> {
    for (const [index, result] of reply.results.entries()) {
      const change = batch[index];
      if (result.status === 'refused') {
        if (result.problem.code === 'unexpected' && ++this.failuresOfFirst < MAX_FAILURES) throw new Unreachable('database-away');
        await this.refused(change, result.problem);
        return;
      }
      if (result.revision > this.revision + 1) await this.catchUp();
      this.receive({ revision: result.revision, change, author: '', at: '' });
    }
  }

  private async refused(change: Change, problem: Problem): Promise<void> {
    await this.catchUp();
    if (!this.pending.some((other) => other.id === change.id)) return;
    if (problem.code === 'conflict') {
      const again = await this.outside.resettle?.(this.base, change, problem.conflicts as FieldConflict[]);
      if (again) return this.replace(change, again);
      this.ask(change, problem.conflicts as FieldConflict[], false);
      return;
    }
    if (problem.code === 'value-taken' && (problem.field === 'runs.number' || problem.field === 'devices.number')) {
      this.replace(change, renumberTaken(this.base, change));
      return;
    }
    if (problem.code === 'record-exists') {
      const left = withoutAlreadyThere(this.base, change);
      if (left?.length === 0) return this.drop(change);
      if (left && left.length < change.operations.length) return this.replace(change, left);
    }
    if (problem.code === 'value-taken' || problem.code === 'spool-overdrawn') {
      const conflicts = taken(this.base, change).map(({ conflict }) => conflict);
      if (conflicts.length > 0) {
        this.ask(change, conflicts, true);
        return;
      }
    }
    this.putAside(change, problem);
  }

  /** Asks a person which value stays. */
  private ask(change: Change, conflicts: readonly FieldConflict[], isTaken: boolean): void {
    const theirs = conflicts.flatMap((one) => this.changedBy.get(`${one.in}/${one.id}`) ?? []).at(-1) ?? null;
    this.publish({ conflict: { change, conflicts, theirs, ...(isTaken ? { isTaken } : {}) }, ...this.viewAfter(this.pending) });
  }

  private putAside(change: Change, problem: Problem): void {
    const setAside = [
      ...this.state.setAside.filter((one) => one.change.id !== change.id),
      { change, problem, at: this.outside.now().toISOString() },
    ];
    // It is written down as set aside before it leaves the queue: a page that is closed in between loses nothing.
    void this.outside.keepAside(setAside).catch(() => undefined);
    this.drop(change);
    this.publish({ notice: problem, setAside });
  }

  private release(id: string): void {
    const setAside = this.state.setAside.filter(({ change }) => change.id !== id);
    void this.outside.keepAside(setAside).catch(() => undefined);
    this.publish({ setAside });
  }

  /** Discards an edit that was set aside. */
  letGo = (id: string): void => this.release(id);

  /**
   * Makes an edit that was set aside once more, on the project as it is now; with `restore` what it speaks of and somebody
   * deleted comes back first. Problems: those of `applyChange`, `deletion-unknown`; the edit stays set aside then.
   */
  async settleAside(id: string, restore: boolean): Promise<Problem | null> {
    const entry = this.state.setAside.find(({ change }) => change.id === id);
    if (!entry) return null;
    let first: readonly Operation[] = [];
    if (restore) {
      const found = await restoringOperations(entry.change, this.state.view, this.outside.since);
      if (!found.ok) return found.problem;
      first = found.value;
    }
    const operations = rebased(this.state.view, first, entry.change.operations);
    const problem = this.edit(entry.change.title, operations);
    if (!problem) this.release(id);
    return problem;
  }

  /** Settles an open conflict: one's own value over the other's, or the other's as it is. */
  resolve(choice: 'mine' | 'theirs'): void {
    const open = this.state.conflict;
    if (!open) return;
    this.publish({ conflict: null });
    if (choice === 'theirs') this.drop(open.change);
    else this.replace(open.change, open.isTaken ? overTaken(this.base, open.change) : overTheirs(open));
    void this.flush();
  }

  private drop(change: Change): void {
    const before = this.pending;
    this.pending = this.pending.filter((other) => other.id !== change.id);
    const without = (entries: History['done']) => entries.filter((entry) => entry.changeId !== change.id);
    const history = { done: without(this.state.history.done), undone: without(this.state.history.undone) };
    void this.outside.keep(this.pending).catch(() => undefined);
    this.publish({ ...this.viewAfter(before), pending: this.pending, history });
  }

  /** The same edit with other operations: a new id, since the server has answered the old one. */
  private replace(change: Change, operations: readonly Operation[]): void {
    const next: Change = { ...change, id: this.outside.newId(), baseRevision: this.revision, operations };
    const before = this.pending;
    this.pending = this.pending.map((other) => (other.id === change.id ? next : other));
    const done = this.state.history.done.map((entry) =>
      entry.changeId === change.id ? { ...entry, changeId: next.id, operations } : entry,
    );
    void this.outside.keep(this.pending).catch(() => undefined);
    this.publish({ ...this.viewAfter(before), pending: this.pending, history: { ...this.state.history, done } });
  }

  /** The view anew, with the records that may differ: those of all edits that were or are in it. */
  private viewAfter(before: readonly Change[]): Pick<SyncState, 'view' | 'touched'> {
    const touched = touchedBy([...this.acknowledged, ...before, ...this.pending].flatMap(({ operations }) => operations));
    this.acknowledged = [];
    const view = this.viewOf();
    const own = derivationsOf(this.state.view);
    if (own instanceof Derivations) own.become(view, touched);
    return { view, touched };
  }

  private viewOf(): ProjectDocument {
    let view = this.base;
    for (const change of this.pending) {
      const applied = applyChange(view, change);
      if (applied.ok) view = applied.value;
    }
    return view;
  }

  private reached(): void {
    this.failures = 0;
    // An answer that was on its way when the project was deleted does not bring it back.
    if (this.state.connection !== 'online' && this.state.connection !== 'gone') this.publish({ connection: 'online' });
  }

  private missed(error: unknown): void {
    // Asking what others did can be refused too; it is asked again like after a lost connection.
    if (!(error instanceof Unreachable) && !(error instanceof SendRefused)) throw error;
    const connection = error instanceof Unreachable ? error.connection : 'database-away';
    this.publish({ connection });
    if (this.stopped || this.retryWaits || STANDS.has(connection)) return;
    this.retryWaits = true;
    this.outside.later(
      () => {
        this.retryWaits = false;
        void this.tryAgain();
      },
      RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)],
    );
  }

  /** After a failure, or when the browser says that it is online again. */
  async tryAgain(): Promise<void> {
    await this.catchUp();
    await this.flush();
  }

  private publish(change: Partial<SyncState>): void {
    this.state = { ...this.state, ...change };
    // Another project may be open by the time a late answer arrives.
    if (!this.stopped) this.outside.changed(this.state);
  }
}

/** States that another try does not change. */
const STANDS: ReadonlySet<Connection> = new Set(['signed-out', 'gone', 'outdated']);

/** The refused operations as seen from the other person's values. */
function overTheirs({ change, conflicts }: OpenConflict): Operation[] {
  return change.operations.map((operation) => {
    const own = conflicts.filter((c) => c.in === operation.in && c.id === operation.id);
    const theirs = Object.fromEntries(own.map((c) => [c.field, c.theirs]));
    if (operation.op === 'update') return { ...operation, before: { ...operation.before, ...theirs } };
    if (operation.op === 'delete') return { ...operation, record: { ...operation.record, ...theirs } };
    return operation;
  });
}
