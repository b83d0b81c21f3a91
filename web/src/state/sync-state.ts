import type { SetAside } from '../ground/api/set-aside.ts';
import type { Touched } from '@dusky-spool/core/derive';
import type { Problem } from '@dusky-spool/core/math';
import type {
  Change,
  ChangesReply,
  FieldConflict,
  History,
  Operation,
  ProjectDocument,
  StoredChange,
} from '@dusky-spool/core/model';

/** Where the edits are: on their way, kept because nobody answers, or waiting for a decision. */
export type Connection = 'online' | 'offline' | 'database-away' | 'signed-out' | 'gone' | 'outdated';

/** A change that met another person's: a person chooses. */
export interface OpenConflict {
  readonly change: Change;
  readonly conflicts: readonly FieldConflict[];
  /** Not a field that both changed, but a port or cable of a spool that somebody else has taken: keeping one's own takes it from him. */
  readonly isTaken?: boolean;
  /** Who changed what is in the way, and when; null where that is not known. */
  readonly theirs: { readonly author: string; readonly at: string } | null;
}

export interface SyncState {
  /** Records that `view` may have otherwise than the view before it. */
  readonly touched: Touched;
  /** The project as its user sees it: what the server has, with the pending edits on top. */
  readonly view: ProjectDocument;
  readonly revision: number;
  readonly pending: readonly Change[];
  readonly connection: Connection;
  readonly conflict: OpenConflict | null;
  readonly history: History;
  readonly notice: Problem | null;
  readonly setAside: readonly SetAside[];
}

/** A failure to reach the server, with the reason where it gave one. */
export class Unreachable extends Error {
  constructor(readonly connection: Exclude<Connection, 'online'>) {
    super(connection);
  }
}

/** The server answered, and would not take what was sent as a whole. */
export class SendRefused extends Error {
  constructor(
    readonly problem: Problem,
    /** It failed without a reason of the edit's own: worth another try. */
    readonly mayPass: boolean,
  ) {
    super(problem.code);
  }
}

/** What the sync needs of the outside: handed in, so that it is tested without a browser. */
export interface SyncOutside {
  readonly send: (changes: readonly Change[]) => Promise<ChangesReply>;
  readonly since: (revision: number) => Promise<readonly StoredChange[]>;
  readonly keep: (pending: readonly Change[]) => Promise<void>;
  /** Stores the edits that were set aside, beside the pending ones. */
  readonly keepAside: (setAside: readonly SetAside[]) => Promise<void>;
  /** What the signed-in person may not do, before an edit is made; null where it may be made. */
  readonly forbids: (operations: readonly Operation[]) => Problem | null;
  readonly now: () => Date;
  readonly newId: () => string;
  /** The same edit after another person's edit of the house, where only what follows from walls is in conflict; null leaves it to a person. */
  readonly resettle?: (
    base: ProjectDocument,
    change: Change,
    conflicts: readonly FieldConflict[],
  ) => Promise<readonly Operation[] | null>;
  readonly later: (task: () => void, delayMs: number) => void;
  readonly changed: (state: SyncState) => void;
}
