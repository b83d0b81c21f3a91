import Dexie, { type Table } from 'dexie';
import type { Change, History, ProjectDocument } from '@dusky-spool/core/project';
import type { SetAside } from '../editor/sync.ts';
import { deviceOwner } from './device-owner.ts';
import { decrypt, encrypt, importKey, type Encrypted } from './device-lock.ts';

/** What a browser stores belongs to the member who was signed in then; rows of earlier versions name nobody. */
interface Owned {
  readonly projectId: string;
  readonly memberId?: string;
}

/** A house as it was last seen on this device. */
export interface KeptHouse extends Owned {
  readonly shortId: string;
  readonly name: string;
  readonly revision: number;
  readonly document: ProjectDocument;
}

interface KeptEdits extends Owned {
  readonly changes: readonly Change[];
}

interface KeptHistory extends Owned {
  readonly history: History;
}

interface KeptAside extends Owned {
  readonly setAside: readonly SetAside[];
}

/** Rows of one member, encrypted at sign-out. */
interface LockedRow extends Encrypted {
  readonly key: string;
  readonly memberId: string;
  readonly table: TableName;
}

const TABLES = ['houses', 'edits', 'histories', 'asides'] as const;
type TableName = (typeof TABLES)[number];

/** What this browser keeps: edits on their way, and houses for use without a connection. */
class DeviceStore extends Dexie {
  houses!: Table<KeptHouse, string>;
  edits!: Table<KeptEdits, string>;
  histories!: Table<KeptHistory, string>;
  asides!: Table<KeptAside, string>;
  locked!: Table<LockedRow, string>;

  constructor() {
    super('dusky-spool');
    this.version(1).stores({ houses: 'projectId, shortId', edits: 'projectId' });
    this.version(2).stores({ histories: 'projectId' });
    // Houses kept in the terms of an older version are fetched again.
    this.version(3).upgrade((changing) => changing.table('houses').clear());
    this.version(4).upgrade((changing) => changing.table('houses').clear());
    this.version(5).upgrade((changing) => changing.table('houses').clear());
    this.version(6).upgrade((changing) => changing.table('houses').clear());
    this.version(7).stores({ asides: 'projectId', locked: 'key, memberId' });
  }
}

const store = new DeviceStore();

const isOwn = (row: Owned): boolean => deviceOwner() !== '' && (row.memberId === undefined || row.memberId === deviceOwner());
const own = <T extends Owned>(row: T | undefined): T | undefined => (row && isOwn(row) ? row : undefined);
const mine = <T extends Owned>(row: T): T => ({ ...row, memberId: deviceOwner() });

export const keepEdits = async (projectId: string, changes: readonly Change[]): Promise<void> => {
  if (changes.length === 0) await store.edits.delete(projectId);
  else await store.edits.put(mine({ projectId, changes }));
};

export const keepAside = async (projectId: string, setAside: readonly SetAside[]): Promise<void> => {
  if (setAside.length === 0) await store.asides.delete(projectId);
  else await store.asides.put(mine({ projectId, setAside }));
};

/** One's own work in a house that this browser holds: edits not yet sent or set aside, and those that can be taken back. */
export interface KeptWork {
  readonly edits: readonly Change[];
  readonly setAside: readonly SetAside[];
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
    .transaction('r', store.edits, store.histories, store.asides, async () => {
      const [edits, history, aside] = await Promise.all([
        store.edits.get(projectId),
        store.histories.get(projectId),
        store.asides.get(projectId),
      ]);
      return { edits: own(edits)?.changes ?? [], setAside: own(aside)?.setAside ?? [], history: own(history)?.history };
    })
    .catch(() => ({ edits: [], setAside: [], history: undefined }));

export const keepHouse = async (house: KeptHouse): Promise<void> => void (await store.houses.put(mine(house)));

export const keptHouse = async (projectId: string): Promise<KeptHouse | undefined> => own(await store.houses.get(projectId));

export const keptHouses = async (): Promise<KeptHouse[]> => (await store.houses.toArray()).filter(isOwn);

/** One's own edits that can be taken back, also after the page was closed. */
export const keepHistory = async (projectId: string, history: History): Promise<void> =>
  void (await store.histories.put(mine({ projectId, history })));

/** Edits of the signed-in member that have not reached the server. */
export async function countUnsent(): Promise<number> {
  const [edits, asides] = await Promise.all([store.edits.toArray(), store.asides.toArray()]);
  return (
    edits.filter(isOwn).reduce((sum, { changes }) => sum + changes.length, 0) +
    asides.filter(isOwn).reduce((sum, { setAside }) => sum + setAside.length, 0)
  );
}

/** Forgets everything of one house: it was deleted on the server. */
export async function forgetHouse(projectId: string): Promise<void> {
  await Promise.all([store.houses.delete(projectId), store.histories.delete(projectId)]);
}

/** Deletes what this device stores for the signed-in member. */
export async function wipeDevice(): Promise<void> {
  await store.transaction('rw', [...TABLES.map((name) => store[name]), store.locked], async () => {
    for (const name of TABLES) await (store[name] as Table<Owned, string>).filter(isOwn).delete();
    await store.locked.where('memberId').equals(deviceOwner()).delete();
  });
}

/** Encrypts what this device stores for the signed-in member with a key that only the server gives out, at the next sign-in. */
export async function lockDevice(keyText: string): Promise<void> {
  const key = await importKey(keyText);
  const memberId = deviceOwner();
  const rows: LockedRow[] = [];
  for (const table of TABLES)
    for (const row of (await store[table].toArray()).filter(isOwn))
      rows.push({ key: `${memberId}/${table}/${row.projectId}`, memberId, table, ...(await encrypt(key, row)) });
  await store.transaction('rw', [...TABLES.map((name) => store[name]), store.locked], async () => {
    await store.locked.bulkPut(rows);
    for (const name of TABLES) await (store[name] as Table<Owned, string>).filter(isOwn).delete();
  });
}

/** Whether something of this member lies locked on this device. */
export const isLocked = async (memberId: string): Promise<boolean> =>
  (await store.locked
    .where('memberId')
    .equals(memberId)
    .count()
    .catch(() => 0)) > 0;

/** Brings back what was locked for a member. Rows that the key does not open stay locked. */
export async function unlockDevice(memberId: string, keyText: string): Promise<void> {
  const key = await importKey(keyText);
  for (const locked of await store.locked.where('memberId').equals(memberId).toArray()) {
    const row = (await decrypt(key, locked).catch(() => null)) as Owned | null;
    if (!row) continue;
    await store.transaction('rw', [store[locked.table], store.locked], async () => {
      await (store[locked.table] as Table<Owned, string>).put(row);
      await store.locked.delete(locked.key);
    });
  }
}
