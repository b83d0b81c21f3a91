import { create } from 'zustand';
import { useSettings } from './settings.ts';
import {
  type ChangesReply,
  type DocumentReply,
  emptyHistory,
  idFrom,
  type Operation,
  type PictureInfo,
  type ProjectDocument,
  type StoredChange,
} from '@dusky-spool/core/model';
import type { Outcome, Problem } from '@dusky-spool/core/math';
import { problemOf } from '../ground/api/error-sentence.ts';
import { forgetHouse, keepAside, keepEdits, keepHistory, keepHouse, keptHouse, keptWork } from '../ground/api/device-store.ts';
import { forbids, useSession } from '../ground/api/session.ts';
import { getJson, postJson, Refused } from '../ground/api/http.ts';
import { followProject } from '../ground/api/live.ts';
import { edited } from '@dusky-spool/core/derive';
import { dragDraft } from '@dusky-spool/core/deltas';
import { ProjectSync } from './sync.ts';
import { SendRefused, type SyncState, Unreachable } from './sync-state.ts';
import { useShallow } from 'zustand/react/shallow';

/** What is shown on the plan before it is made: a drag that follows the pointer, or a proposal that a person applies or cancels. */
export type Preview = Previewed & ({ readonly kind: 'drag' } | { readonly kind: 'proposal'; readonly title: string });
interface Previewed {
  readonly operations: readonly Operation[];
  readonly project: ProjectDocument;
}

/** The drag that is going on, if any. */
export const dragOf = (preview: Preview | null) => (preview?.kind === 'drag' ? preview : null);
/** The proposal that is shown, if any. */
export const proposalOf = (preview: Preview | null) => (preview?.kind === 'proposal' ? preview : null);

interface ProjectStore {
  readonly projectId: string | null;
  readonly sync: SyncState | null;
  readonly pictures: readonly PictureInfo[];
  readonly problem: Problem | null;
  readonly preview: Preview | null;
  /** The last refusal of an edit, for a message. */
  readonly refusal: { readonly problem: Problem; readonly at: number } | null;
  readonly open: (projectId: string) => Promise<void>;
  readonly close: () => void;
  /** Makes an edit; a refusal is shown and nothing changes. Returns whether it was made. */
  readonly edit: (title: string, operations: Outcome<readonly Operation[]> | readonly Operation[]) => boolean;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly resolve: (choice: 'mine' | 'theirs') => void;
  /** Settles an edit that was set aside; returns why it cannot be made. */
  readonly settleAside: (changeId: string, how: 'restore' | 'again' | 'let-go') => Promise<Problem | null>;
  /** Shows where a drag has come to. */
  readonly drag: (operations: readonly Operation[]) => void;
  /** Shows what a proposal would do. */
  readonly propose: (title: string, operations: readonly Operation[]) => void;
  readonly endPreview: () => void;
  readonly addPicture: (picture: PictureInfo) => void;
}

/** Some parts of the store; a component that takes only actions is not drawn again while something is dragged. */
export function useProjectParts<K extends keyof ProjectStore>(...names: readonly K[]): Pick<ProjectStore, K> {
  return useProjectStore(
    useShallow((state) => Object.fromEntries(names.map((name) => [name, state[name]])) as Pick<ProjectStore, K>),
  );
}

export const newRecordId = (prefix: string): string => idFrom((count) => crypto.getRandomValues(new Uint8Array(count)), prefix);

/** Ids of devices that are placed, and of their runs. */
export const deviceIds = { device: () => newRecordId('d'), run: () => newRecordId('r') };

/** What a failed request means for the sync. */
function unreachable(error: unknown): never {
  if (!(error instanceof Refused)) throw new Unreachable('offline');
  const { status, problem } = error;
  if (status === 401 || problem.code === 'csrf-missing') throw new Unreachable('signed-out');
  if (status === 404) throw new Unreachable('gone');
  if (status === 426) throw new Unreachable('outdated');
  if (status === 429 || status === 502 || status === 503 || status === 504)
    throw new Unreachable(problem.code === 'database-away' ? 'database-away' : 'offline');
  throw new SendRefused(problem, status >= 500);
}

let engine: ProjectSync | null = null;
/** What an edit of runs does at head ends; fetched after the project is there, before anybody edits it. */
let portsAfter: typeof import('@dusky-spool/core/head-end').portsAfter | null = null;
let stopFollowing: (() => void) | null = null;
let keepTimer = 0;

export const useProjectStore = create<ProjectStore>((set, get) => {
  const refuse = (problem: Problem) => set({ refusal: { problem, at: Date.now() } });

  const startSync = async (projectId: string, loaded: { project: ProjectDocument; revision: number }) => {
    const { edits, history, setAside } = await keptWork(projectId);
    if (get().projectId !== projectId) return;
    void import('@dusky-spool/core/head-end').then(
      (headEnd) => (portsAfter = headEnd.portsAfter),
      () => undefined,
    );
    engine = new ProjectSync(
      {
        send: (changes) => postJson<ChangesReply>(`/projects/${projectId}/changes`, { changes }).catch(unreachable),
        since: (revision) =>
          getJson<{ changes: StoredChange[] }>(`/projects/${projectId}/changes?since=${revision}`).then(
            (reply) => reply.changes,
            unreachable,
          ),
        keep: (pending) => keepEdits(projectId, pending),
        keepAside: (aside) => keepAside(projectId, aside),
        forbids,
        now: () => new Date(),
        newId: () => crypto.randomUUID(),
        // Two people may move two walls of one room: its outline follows from both, and nobody need decide.
        resettle: async (base, change, conflicts) => {
          const { onlyOutlines, resettle } = await import('./resettle.ts');
          if (!onlyOutlines(conflicts)) return null;
          const again = resettle(base, change.operations, () => newRecordId('r'));
          return again.ok ? again.value : null;
        },
        later: (task, delayMs) => void window.setTimeout(task, delayMs),
        changed: (sync) => {
          const { notice } = sync;
          if (notice && notice !== get().sync?.notice) refuse(notice);
          const before = get().sync?.history ?? history ?? emptyHistory;
          if (sync.history !== before) void keepHistory(projectId, before, sync.history).catch(() => undefined);
          set({ sync });
          keepSoon(projectId, sync);
        },
      },
      loaded,
      edits,
      history,
      setAside,
    );
    set({ sync: engine.current, preview: null, problem: null });
    keepSoon(projectId, engine.current);
    const running = engine;
    stopFollowing = followProject(
      projectId,
      (message) => {
        if (message.type === 'change') running.receive(message.stored);
        else if (message.type === 'at-revision') void running.tryAgain();
        else if (message.type === 'signed-out') {
          running.lose('signed-out');
          void useSession.getState().read();
        } else {
          running.lose('gone');
          void forgetHouse(projectId).catch(() => undefined);
        }
      },
      // Nothing may be waiting to be sent: asking tells whether the server is still there.
      () => void running.tryAgain(),
    );
  };

  return {
    projectId: null,
    sync: null,
    pictures: [],
    problem: null,
    preview: null,
    refusal: null,
    open: async (projectId) => {
      get().close();
      set({ projectId, sync: null, problem: null, pictures: [], preview: null });
      try {
        const reply = await getJson<DocumentReply>(`/projects/${projectId}`);
        if (get().projectId !== projectId) return;
        set({ pictures: reply.pictures });
        await startSync(projectId, { project: reply.document, revision: reply.revision });
      } catch (error) {
        if (get().projectId !== projectId) return;
        const house =
          error instanceof Refused && error.status < 500 ? undefined : await keptHouse(projectId).catch(() => undefined);
        if (house) await startSync(projectId, { project: house.document, revision: house.revision });
        else set({ problem: problemOf(error) });
      }
    },
    close: () => {
      engine?.stop();
      engine = null;
      stopFollowing?.();
      stopFollowing = null;
      set({ projectId: null, sync: null, preview: null });
    },
    edit: (title, wanted) => {
      const operations = 'ok' in wanted ? wanted : { ok: true as const, value: wanted };
      if (!operations.ok) {
        refuse(operations.problem);
        return false;
      }
      const view = get().sync?.view;
      const more = view && portsAfter ? portsAfter(view, operations.value, newRecordId) : [];
      const problem = engine?.edit(title, [...operations.value, ...more]) ?? null;
      if (problem) refuse(problem);
      set({ preview: null });
      return problem === null;
    },
    undo: () => {
      const problem = engine?.undo();
      if (problem) refuse(problem);
    },
    redo: () => {
      const problem = engine?.redo();
      if (problem) refuse(problem);
    },
    resolve: (choice) => engine?.resolve(choice),
    settleAside: async (changeId, how) => {
      if (!engine) return null;
      if (how !== 'let-go') return engine.settleAside(changeId, how === 'restore');
      engine.letGo(changeId);
      return null;
    },
    drag: (operations) => {
      const view = get().sync?.view;
      const project = view ? (dragDraft(view, operations) ?? afterEdit(view, operations)) : null;
      set({ preview: project && { kind: 'drag', operations, project } });
    },
    propose: (title, operations) => {
      const view = get().sync?.view;
      const project = view ? afterEdit(view, operations) : null;
      set({ preview: project && { kind: 'proposal', title, operations, project } });
    },
    endPreview: () => set({ preview: null }),
    addPicture: (picture) => set({ pictures: [...get().pictures.filter((other) => other.id !== picture.id), picture] }),
  };
});

/** The project after operations; null where they cannot be made. */
function afterEdit(view: ProjectDocument, operations: readonly Operation[]): ProjectDocument | null {
  const after = edited(view, operations);
  return after.ok ? after.value : null;
}

/** Keeps the house on this device a moment after it last changed, for the scanner and for work without a connection. */
function keepSoon(projectId: string, { view, revision, pending }: SyncState): void {
  window.clearTimeout(keepTimer);
  if (pending.length > 0) return;
  keepTimer = window.setTimeout(() => {
    const { shortId, name } = view.project;
    void keepHouse({ projectId, shortId, name, revision, document: view }).catch(() => undefined);
  }, 800);
}

window.addEventListener('online', () => void engine?.tryAgain());

/** Whose numbers new devices get: those that were taken along, while there is no connection. */
export function numberHolderNow(): string {
  const { sync } = useProjectStore.getState();
  const away = !navigator.onLine || (sync !== null && sync.connection !== 'online');
  return away ? useSettings.getState().numberHolder : '';
}
