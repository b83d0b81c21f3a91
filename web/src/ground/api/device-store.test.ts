import 'fake-indexeddb/auto';
import { expect } from 'chai';
import type { Change } from '@dusky-spool/core/model';
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
