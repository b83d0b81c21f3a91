import Dexie, { type Table } from 'dexie';
import type { Change, History, ProjectDocument } from '@dusky-spool/core/model';
import type { SetAside } from './set-aside.ts';
import { deviceOwner } from './device-owner.ts';
import { decrypt, encrypt, type Encrypted, importKey } from './device-lock.ts';

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

/** How histories were stored before version 8: whole, at every edit. */
interface WholeHistory extends Owned {
  readonly history: History;
}

/** One edit that can be undone or redone: an edit adds a row, and rewrites none. */
interface HistoryRow extends Owned {
  readonly memberId: string;
  readonly stack: keyof History;
  readonly index: number;
  readonly entry: History['done'][number];
}

interface KeptAside extends Owned {
  readonly setAside: readonly SetAside[];
}

/** Rows of one member, encrypted at sign-out. */
interface LockedRow extends Encrypted {
  readonly key: string;
  readonly memberId: string;
  readonly table: TableName | 'histories';
}

/** Work of another member of this browser in a house where somebody else works now. */
interface ParkedRow {
  readonly key: string;
  readonly memberId: string;
  readonly row: Owned;
}

const TABLES = ['houses', 'edits', 'asides', 'history'] as const;
type TableName = (typeof TABLES)[number];

/** What this browser keeps: edits on their way, and houses for use without a connection. */
class DeviceStore extends Dexie {
  houses!: Table<KeptHouse, string>;
  edits!: Table<KeptEdits, string>;
  history!: Table<HistoryRow, [string, string, string, number]>;
  asides!: Table<KeptAside, string>;
  locked!: Table<LockedRow, string>;
  parked!: Table<ParkedRow, string>;

  constructor() {
    super('dusky-spool');
    this.version(1).stores({ houses: 'projectId, shortId', edits: 'projectId' });
    this.version(2).stores({ histories: 'projectId' });
    // Houses kept in the terms of an older version are fetched again.
    this.version(3).upgrade((changing) => changing.table('houses').clear());
    this.version(4).upgrade((changing) => changing.table('houses').clear());
    this.version(5).upgrade((changing) => changing.table('houses').clear());
    this.version(6).upgrade((changing) => changing.table('houses').clear());
    this.version(7).stores({ asides: 'projectId', locked: 'key, memberId', parked: 'key, memberId' });
    this.version(8)
      .stores({ history: '[projectId+memberId+stack+index], [projectId+memberId], memberId' })
      .upgrade(async (changing) => {
        const parked = changing.table<ParkedRow>('parked').filter(({ key }) => key.split('/')[1] === 'histories');
        const whole = [
          ...(await changing.table<WholeHistory>('histories').toArray()),
          ...(await parked.toArray()).map(({ row }) => row),
        ];
        await changing.table<HistoryRow>('history').bulkPut(whole.flatMap((row) => rowsOf(row as WholeHistory)));
        await parked.delete();
      });
    this.version(9).stores({ histories: null });
  }
}

/** A whole history as rows. */
const rowsOf = ({ projectId, memberId = '', history }: WholeHistory): HistoryRow[] =>
  STACKS.flatMap((stack) => history[stack].map((entry, index) => ({ projectId, memberId, stack, index, entry })));
const STACKS = ['done', 'undone'] as const;

const store = new DeviceStore();

const isOwn = ({ memberId }: Owned): boolean => !memberId || memberId === deviceOwner();
const mine = <T extends Owned>(row: T): T => ({ ...row, memberId: deviceOwner() || undefined });

type WorkTable = 'edits' | 'asides';
const parkedKey = (memberId: string, table: WorkTable, projectId: string): string => `${memberId}/${table}/${projectId}`;

/** One's own row of a house; another member's is left alone. */
async function readOwn<T extends Owned>(table: WorkTable, projectId: string): Promise<T | undefined> {
  const row = (await store[table].get(projectId)) as T | undefined;
  if (row && isOwn(row)) return row;
  return (await store.parked.get(parkedKey(deviceOwner(), table, projectId)))?.row as T | undefined;
}

/** Writes one's own row of a house, or deletes it; what another member left there is parked for that member. */
const writeOwn = (table: WorkTable, projectId: string, row: Owned | null): Promise<void> =>
  store.transaction('rw', store[table], store.parked, async () => {
    const rows = store[table] as Table<Owned, string>;
    const there = await rows.get(projectId);
    if (there?.memberId && !isOwn(there))
      await store.parked.put({ key: parkedKey(there.memberId, table, projectId), memberId: there.memberId, row: there });
    await store.parked.delete(parkedKey(deviceOwner(), table, projectId));
    if (row) await rows.put(mine(row));
    else await rows.delete(projectId);
  });

export const keepEdits = (projectId: string, changes: readonly Change[]): Promise<void> =>
  writeOwn('edits', projectId, changes.length === 0 ? null : ({ projectId, changes } as Owned));

export const keepAside = (projectId: string, setAside: readonly SetAside[]): Promise<void> =>
  writeOwn('asides', projectId, setAside.length === 0 ? null : ({ projectId, setAside } as Owned));

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
    .transaction('r', store.edits, store.history, store.asides, store.parked, async () => {
      const [edits, history, aside] = await Promise.all([
        readOwn<KeptEdits>('edits', projectId),
        readHistory(projectId),
        readOwn<KeptAside>('asides', projectId),
      ]);
      return { edits: edits?.changes ?? [], setAside: aside?.setAside ?? [], history };
    })
    .catch(() => ({ edits: [], setAside: [], history: undefined }));

export const keepHouse = async (house: KeptHouse): Promise<void> => void (await store.houses.put(mine(house)));

export async function keptHouse(projectId: string): Promise<KeptHouse | undefined> {
  const house = await store.houses.get(projectId);
  return house && isOwn(house) ? house : undefined;
}

export const keptHouses = async (): Promise<KeptHouse[]> => (await store.houses.toArray()).filter(isOwn);

/** One's own edits that can be undone, also after the page was closed. */
async function readHistory(projectId: string): Promise<History | undefined> {
  const rows = await store.history.where('[projectId+memberId]').equals([projectId, deviceOwner()]).toArray();
  if (rows.length === 0) return undefined;
  const stack = (name: keyof History) => {
    const own = rows.filter((row) => row.stack === name).sort((a, b) => a.index - b.index);
    // A row that could not be written ends what can be undone.
    const gap = own.findIndex(({ index }, i) => index !== i);
    return (gap < 0 ? own : own.slice(0, gap)).map(({ entry }) => entry);
  };
  return { done: stack('done'), undone: stack('undone') };
}

/** Stores what an edit, undo or redo changed in the history: rows are added and deleted at the end of its two stacks. */
export async function keepHistory(projectId: string, before: History, after: History): Promise<void> {
  const memberId = deviceOwner();
  await store.transaction('rw', store.history, async () => {
    for (const stack of STACKS) {
      const [was, is] = [before[stack], after[stack]];
      if (was === is) continue;
      let same = 0;
      while (same < was.length && same < is.length && was[same] === is[same]) same++;
      const at = (index: number): [string, string, string, number] => [projectId, memberId, stack, index];
      if (is.length < was.length) await store.history.bulkDelete(was.slice(is.length).map((_, i) => at(is.length + i)));
      await store.history.bulkPut(is.slice(same).map((entry, i) => ({ projectId, memberId, stack, index: same + i, entry })));
    }
  });
}

/** Edits of the signed-in member that have not reached the server. */
export async function countUnsent(): Promise<number> {
  const parked = (await store.parked.where('memberId').equals(deviceOwner()).toArray()).map(({ row }) => row);
  const rows = [...(await store.edits.toArray()), ...(await store.asides.toArray()), ...parked].filter(isOwn) as Partial<
    KeptEdits & KeptAside
  >[];
  return rows.reduce((sum, { changes, setAside }) => sum + (changes?.length ?? 0) + (setAside?.length ?? 0), 0);
}

/** Forgets everything of one house: it was deleted on the server. */
export async function forgetHouse(projectId: string): Promise<void> {
  await Promise.all([
    store.houses.delete(projectId),
    store.history.where('[projectId+memberId]').equals([projectId, deviceOwner()]).delete(),
  ]);
}

/** Deletes what this device stores for the signed-in member. */
export async function wipeDevice(): Promise<void> {
  await store.transaction('rw', [...TABLES.map((name) => store[name]), store.locked, store.parked], async () => {
    await store.parked.where('memberId').equals(deviceOwner()).delete();
    for (const name of TABLES) await (store[name] as Table<Owned, string>).filter(isOwn).delete();
    await store.locked.where('memberId').equals(deviceOwner()).delete();
  });
}

/** Encrypts what this device stores for the signed-in member with a key that only the server gives out, at the next sign-in. */
export async function lockDevice(keyText: string): Promise<void> {
  const key = await importKey(keyText);
  const memberId = deviceOwner();
  const rows: LockedRow[] = [];
  for (const { key: name, row } of await store.parked.where('memberId').equals(memberId).toArray())
    rows.push({ key: name, memberId, table: name.split('/')[1] as TableName, ...(await encrypt(key, row)) });
  for (const table of TABLES)
    for (const row of ((await store[table].toArray()) as Owned[]).filter(isOwn))
      rows.push({ key: lockedKey(memberId, table, row), memberId, table, ...(await encrypt(key, row)) });
  await store.transaction('rw', [...TABLES.map((name) => store[name]), store.locked, store.parked], async () => {
    await store.parked.where('memberId').equals(memberId).delete();
    await store.locked.bulkPut(rows);
    for (const name of TABLES) await (store[name] as Table<Owned, string>).filter(isOwn).delete();
  });
}

function lockedKey(memberId: string, table: TableName, row: Owned): string {
  const place = table === 'history' ? `/${(row as HistoryRow).stack}/${(row as HistoryRow).index}` : '';
  return `${memberId}/${table}/${row.projectId}${place}`;
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
    if (locked.table === 'houses') await store.houses.put(row as KeptHouse);
    else if (locked.table === 'history') await store.history.put(row as HistoryRow);
    // Locked by an earlier version.
    else if (locked.table === 'histories') await store.history.bulkPut(rowsOf(row as WholeHistory));
    else await writeOwn(locked.table, row.projectId, row);
    await store.locked.delete(locked.key);
  }
}
