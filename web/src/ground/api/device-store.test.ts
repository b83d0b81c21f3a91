import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { type Change, emptyHistory, type History } from '@dusky-spool/core/model';
import fc from 'fast-check';
import { smallHouse } from '@dusky-spool/core/testing';
import { decrypt, encrypt, importKey } from './device-lock.ts';
import { setDeviceOwner } from './device-owner.ts';

const memory = new Map<string, string>();
Object.assign(globalThis, {
  localStorage: {
    getItem: (key: string) => memory.get(key) ?? null,
    setItem: (key: string, value: string) => void memory.set(key, value),
    removeItem: (key: string) => void memory.delete(key),
  },
});
const store = await import('./device-store.ts');

const KEY = Buffer.alloc(32, 7).toString('base64');
const edit = (title: string): Change => ({ id: crypto.randomUUID(), baseRevision: 1, title, operations: [] });
const titles = async (projectId: string) => (await store.keptWork(projectId)).edits.map(({ title }) => title);

describe('what a device stores', () => {
  let fromVersion7: History | undefined;
  before(async () => {
    const { Dexie } = await import('dexie');
    const { IDBFactory, IDBKeyRange } = await import('fake-indexeddb');
    // A device of its own: the store of the other tests is newer from the start.
    const own = { indexedDB: new IDBFactory() as never, IDBKeyRange: IDBKeyRange as never };
    const old = new Dexie('dusky-spool', own);
    old.version(7).stores({
      ...{ houses: 'projectId, shortId', edits: 'projectId', histories: 'projectId' },
      ...{ asides: 'projectId', locked: 'key, memberId', parked: 'key, memberId' },
    });
    const entry = { changeId: 'c1', title: 'Move speaker', operations: [] };
    await old.table('histories').put({ projectId: 'p7', memberId: 'ann', history: { done: [entry], undone: [] } });
    old.close();
    setDeviceOwner('ann');
    const usual = { ...Dexie.dependencies };
    Object.assign(Dexie.dependencies, own);
    const again = './device-store.ts?on-an-older-device';
    const { keptWork } = (await import(again)) as typeof store;
    fromVersion7 = (await keptWork('p7')).history;
    Object.assign(Dexie.dependencies, usual);
  });
  beforeEach(async () => {
    for (const member of ['ann', 'bo']) {
      setDeviceOwner(member);
      await store.wipeDevice();
    }
    setDeviceOwner('ann');
  });
  const house = (projectId: string) => ({
    projectId,
    shortId: 'ABCDE',
    name: 'Creek house',
    revision: 3,
    document: smallHouse(),
  });

  it('belongs to the member who was signed in: another sees none of it, and nobody overwrites it', async () => {
    await store.keepHouse(house('p1'));
    await store.keepEdits('p1', [edit('of ann')]);
    setDeviceOwner('bo');
    expect(await store.keptHouses()).to.deep.equal([]);
    expect(await titles('p1')).to.deep.equal([]);
    await store.keepEdits('p1', [edit('of bo')]);
    setDeviceOwner('ann');
    expect(await titles('p1')).to.deep.equal(['of ann']);
    await store.keepEdits('p1', []);
    expect(await titles('p1')).to.deep.equal([]);
    setDeviceOwner('bo');
    expect(await titles('p1')).to.deep.equal(['of bo']);
  });

  it('is locked at sign-out so that nothing of it can be read, and comes back with the key', async () => {
    await store.keepHouse(house('p1'));
    await store.keepEdits('p1', [edit('unsent')]);
    expect(await store.countUnsent()).to.equal(1);
    await store.lockDevice(KEY);
    expect(await store.keptHouses()).to.deep.equal([]);
    const stored = JSON.stringify(await dumpAll());
    expect(stored).to.not.include('Creek house').and.not.include('unsent');
    expect(await store.isLocked('ann')).to.equal(true);
    await store.unlockDevice('ann', Buffer.alloc(32, 8).toString('base64'));
    expect(await store.isLocked('ann')).to.equal(true);
    await store.unlockDevice('ann', KEY);
    expect(await store.isLocked('ann')).to.equal(false);
    expect((await store.keptHouses()).map(({ name }) => name)).to.deep.equal(['Creek house']);
    expect(await titles('p1')).to.deep.equal(['unsent']);
  });

  it('is deleted at sign-out where the person says so, and only that person’s', async () => {
    await store.keepHouse(house('p1'));
    setDeviceOwner('bo');
    await store.keepHouse(house('p2'));
    await store.wipeDevice();
    expect(await store.keptHouses()).to.deep.equal([]);
    setDeviceOwner('ann');
    expect((await store.keptHouses()).map(({ projectId }) => projectId)).to.deep.equal(['p1']);
  });

  describe('of edits that can be undone', () => {
    const entry = (title: string) => ({ changeId: title, title, operations: [] });
    const titlesOf = async (projectId: string) => {
      const history = (await store.keptWork(projectId)).history ?? emptyHistory;
      return { done: history.done.map(({ title }) => title), undone: history.undone.map(({ title }) => title) };
    };
    const tables = async () => {
      const { Dexie } = await import('dexie');
      const database = await new Dexie('dusky-spool').open();
      const rows = await database.table('history').toArray();
      database.close();
      return rows.length;
    };

    it('has one row for each, whatever is edited, undone and redone', async () => {
      const step = fc.constantFrom('edit' as const, 'undo' as const, 'redo' as const, 'drop' as const);
      await fc.assert(
        fc.asyncProperty(fc.array(step, { maxLength: 20 }), async (steps) => {
          await store.wipeDevice();
          let history: History = emptyHistory;
          for (const [i, kind] of steps.entries()) {
            const before = history;
            const { done, undone } = history;
            if (kind === 'edit') history = { done: [...done, entry(`e${i}`)], undone: [] };
            else if (kind === 'undo' && done.length > 0) history = { done: done.slice(0, -1), undone: [...undone, done.at(-1)!] };
            else if (kind === 'redo' && undone.length > 0)
              history = { done: [...done, undone.at(-1)!], undone: undone.slice(0, -1) };
            // An edit that the server refused leaves from the middle.
            else if (kind === 'drop') history = { done: done.filter((_, at) => at !== 1), undone };
            await store.keepHistory('p1', before, history);
          }
          expect(await titlesOf('p1')).to.deep.equal({
            done: history.done.map(({ title }) => title),
            undone: history.undone.map(({ title }) => title),
          });
          expect(await tables()).to.equal(history.done.length + history.undone.length);
        }),
        { numRuns: 40 },
      );
    });

    it('belongs to its member, is locked with the rest and comes back', async () => {
      const done = ['one', 'two'].map(entry);
      await store.keepHistory('p1', emptyHistory, { done, undone: [] });
      setDeviceOwner('bo');
      expect(await titlesOf('p1')).to.deep.equal({ done: [], undone: [] });
      await store.keepHistory('p1', emptyHistory, { done: [entry('of bo')], undone: [] });
      setDeviceOwner('ann');
      await store.lockDevice(KEY);
      expect(await titlesOf('p1')).to.deep.equal({ done: [], undone: [] });
      await store.unlockDevice('ann', KEY);
      expect(await titlesOf('p1')).to.deep.equal({ done: ['one', 'two'], undone: [] });
    });

    it('is taken over from devices that stored it whole', () => {
      expect(fromVersion7?.done.map(({ title }) => title)).to.deep.equal(['Move speaker']);
    });

    it('is deleted with its house', async () => {
      await store.keepHistory('p1', emptyHistory, { done: [entry('one')], undone: [] });
      await store.keepHistory('p2', emptyHistory, { done: [entry('two')], undone: [] });
      await store.forgetHouse('p1');
      expect(await titlesOf('p1')).to.deep.equal({ done: [], undone: [] });
      expect((await titlesOf('p2')).done).to.deep.equal(['two']);
    });
  });

  it('is encrypted so that a changed byte or another key opens nothing', async () => {
    const key = await importKey(KEY);
    const locked = await encrypt(key, { plan: 'secret' });
    expect(await decrypt(key, locked)).to.deep.equal({ plan: 'secret' });
    const bytes = new Uint8Array(locked.bytes.slice(0));
    bytes[3] ^= 1;
    for (const attempt of [
      decrypt(key, { ...locked, bytes: bytes.buffer }),
      decrypt(await importKey(Buffer.alloc(32).toString('base64')), locked),
    ])
      expect(
        await attempt.then(
          () => 'opened',
          () => 'refused',
        ),
      ).to.equal('refused');
  });
});

async function dumpAll(): Promise<unknown[]> {
  const { Dexie } = await import('dexie');
  const database = await new Dexie('dusky-spool').open();
  const tables = await Promise.all(database.tables.map((table) => table.toArray() as Promise<unknown[]>));
  database.close();
  return tables.flat();
}
