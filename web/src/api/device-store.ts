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
  }
}

const store = new DeviceStore();

export const keepEdits = async (projectId: string, changes: readonly Change[]): Promise<void> => {
  if (changes.length === 0) await store.edits.delete(projectId);
  else await store.edits.put({ projectId, changes });
};

export const keptEdits = async (projectId: string): Promise<readonly Change[]> =>
  (await store.edits.get(projectId))?.changes ?? [];

export const keepHouse = async (house: KeptHouse): Promise<void> => void (await store.houses.put(house));

export const keptHouse = (projectId: string): Promise<KeptHouse | undefined> => store.houses.get(projectId);

export const keptHouses = (): Promise<KeptHouse[]> => store.houses.toArray();

/** One's own edits that can be taken back, also after the page was closed. */
export const keepHistory = async (projectId: string, history: History): Promise<void> =>
  void (await store.histories.put({ projectId, history }));

export const keptHistory = async (projectId: string): Promise<History | undefined> =>
  (await store.histories.get(projectId))?.history;
