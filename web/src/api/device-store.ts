import Dexie, { type Table } from 'dexie';
import type { Change, History, ProjectDocument } from '@dusky-spool/core/project';

/** A house as it was last seen on this device. */
export interface KeptHouse {
  readonly projectId: string;
  readonly shortId: string;
  readonly name: string;
  readonly revision: number;
  readonly document: ProjectDocument;
}

interface KeptEdits {
  readonly projectId: string;
  readonly changes: readonly Change[];
}

interface KeptHistory {
  readonly projectId: string;
  readonly history: History;
}

/** What this browser keeps: edits on their way, and houses for use without a connection. */
class DeviceStore extends Dexie {
  houses!: Table<KeptHouse, string>;
  edits!: Table<KeptEdits, string>;
  histories!: Table<KeptHistory, string>;

  constructor() {
    super('dusky-spool');
    this.version(1).stores({ houses: 'projectId, shortId', edits: 'projectId' });
    this.version(2).stores({ histories: 'projectId' });
    // Houses kept in the terms of an older version are fetched again.
    this.version(3).upgrade((changing) => changing.table('houses').clear());
    this.version(4).upgrade((changing) => changing.table('houses').clear());
    this.version(5).upgrade((changing) => changing.table('houses').clear());
    this.version(6).upgrade((changing) => changing.table('houses').clear());
  }
}

const store = new DeviceStore();

export const keepEdits = async (projectId: string, changes: readonly Change[]): Promise<void> => {
  if (changes.length === 0) await store.edits.delete(projectId);
  else await store.edits.put({ projectId, changes });
};

/** One's own work in a house that this browser holds: edits not yet sent, and those that can be taken back. */
export interface KeptWork {
  readonly edits: readonly Change[];
  readonly history: History | undefined;
}

const early = new Map<string, Promise<KeptWork>>();

/** Reads what is kept of a house before anyone needs it: to open the store of a browser takes a while. */
export function readWorkEarly(projectId: string): void {
  early.set(projectId, readWork(projectId));
}

export function keptWork(projectId: string): Promise<KeptWork> {
  const read = early.get(projectId) ?? readWork(projectId);
  early.delete(projectId);
  return read;
}

/** A store that cannot be read (private browsing, a full disk) holds nothing. */
const readWork = (projectId: string): Promise<KeptWork> =>
  store
    .transaction('r', store.edits, store.histories, async () => {
      const [edits, history] = await Promise.all([store.edits.get(projectId), store.histories.get(projectId)]);
      return { edits: edits?.changes ?? [], history: history?.history };
    })
    .catch(() => ({ edits: [], history: undefined }));

export const keepHouse = async (house: KeptHouse): Promise<void> => void (await store.houses.put(house));

export const keptHouse = (projectId: string): Promise<KeptHouse | undefined> => store.houses.get(projectId);

export const keptHouses = (): Promise<KeptHouse[]> => store.houses.toArray();

/** One's own edits that can be taken back, also after the page was closed. */
export const keepHistory = async (projectId: string, history: History): Promise<void> =>
  void (await store.histories.put({ projectId, history }));
