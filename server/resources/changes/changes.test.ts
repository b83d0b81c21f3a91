import { expect } from 'chai';
import { WebSocket } from 'ws';
import { placeDevice } from '@dusky-spool/core/devices';
import { putOnZone } from '@dusky-spool/core/head-end';
import { designedHouse } from '@dusky-spool/core/testing';
import {
  applyChange,
  type ChangesReply,
  create,
  type LiveMessage,
  newOpening,
  newRack,
  newRiser,
  newRoom,
  newWall,
  type Operation,
  type ProjectDocument,
  reverseOperations,
  type StoredChange,
  update,
  writeProjectFile,
} from '@dusky-spool/core/model';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import type { TestClient } from '../../testing/test-client.ts';

const applied = (reply: ChangesReply) =>
  reply.results.map((result) => (result.status === 'applied' ? result.revision : result.problem.code));

describe('changes', () => {
  let server: TestServer;
  let client: TestClient;
  let projectId: string;
  let project: ProjectDocument;

  before(async () => {
    server = await startTestServer();
    client = await server.client().makeFirstAccount();
  });
  after(() => server.close());

  beforeEach(async () => {
    projectId = await client.newProject();
    ({ document: project } = await client.load(projectId));
  });

  const addRoom = (id: string, code: string): Operation =>
    create(
      'rooms',
      newRoom({
        id,
        levelId: 'level_m',
        code,
        name: code,
        use: '',
        polygon: [
          [0, 0],
          [4, 0],
          [4, 3.1],
          [0, 3.1],
        ],
      }),
    );

  it('are applied in order, raise the revision, and come back as sent', async () => {
    const reply = await client.sendChanges(projectId, client.change([addRoom('a', 'AA')]), client.change([addRoom('b', 'BB')]));
    expect(applied(reply)).to.deep.equal([1, 2]);
    const loaded = await client.load(projectId);
    expect(loaded.revision).to.equal(2);
    const expected = applyChange(project, { operations: [addRoom('a', 'AA'), addRoom('b', 'BB')] });
    expect(expected.ok && loaded.document).to.deep.equal(expected.ok && expected.value);
  });

  it('sent twice are answered as before and applied once', async () => {
    const change = client.change([addRoom('a', 'AA')]);
    expect(applied(await client.sendChanges(projectId, change))).to.deep.equal([1]);
    expect(applied(await client.sendChanges(projectId, client.change([addRoom('b', 'BB')]), change))).to.deep.equal([2, 1]);
    expect((await client.load(projectId)).revision).to.equal(2);
  });

  it('against an old revision merge on other fields and conflict on the same', async () => {
    await client.sendChanges(projectId, client.change([addRoom('a', 'AA')]));
    const { document: seen } = await client.load(projectId);
    const room = seen.rooms.a;
    await client.sendChanges(projectId, client.change([update('rooms', room, { name: 'Hall' })!], 1));
    expect(
      applied(await client.sendChanges(projectId, client.change([update('rooms', room, { use: 'study' })!], 1))),
    ).to.deep.equal([3]);
    const clash = await client.sendChanges(
      projectId,
      client.change([update('rooms', room, { name: 'Den' })!], 1),
      client.change([addRoom('c', 'CC')], 1),
    );
    expect(applied(clash)).to.deep.equal(['conflict']);
    const [result] = clash.results;
    expect(result.status === 'refused' && (result.problem.conflicts as object[])[0]).to.include({
      field: 'name',
      mine: 'Den',
      theirs: 'Hall',
      expected: 'AA',
    });
    expect((await client.load(projectId)).document.rooms).to.have.all.keys('a');
  });

  it('of an app that does not know the newest fields get their usual values', async () => {
    const { defaults, ...older } = { ...project.levels.level_m, id: 'up', code: 'U', order: 1, elevationM: 3 };
    const operation = { op: 'create', in: 'levels', id: 'up', record: older } as unknown as Operation;
    expect(applied(await client.sendChanges(projectId, client.change([operation])))).to.deep.equal([1]);
    const { document } = await client.load(projectId);
    expect(document.levels.up.defaults).to.deep.equal(defaults);
  });

  it('that put two alarm contacts on one zone hold in the database, and two on one place of it do not', async () => {
    const at = (x: number) => ({ typeId: 'opening-contact', at: [x, 0.05] as [number, number] });
    const house = designedHouse([at(1), at(2)]);
    const text = writeProjectFile({ project: house, pictures: [] });
    const { id } = await client.json<{ id: string }>('POST', '/projects/import', text);
    const { document } = await client.load(id);
    const [first, second] = Object.values(document.terminations);
    const shared = putOnZone(document, second.runId, { equipmentId: first.equipmentId, port: first.port }, 'new');
    if (!shared.ok) throw new Error(shared.problem.code);
    expect(applied(await client.sendChanges(id, client.change(shared.value)))).to.deep.equal([1]);
    const after = (await client.load(id)).document.terminations[second.id];
    expect([after.port, after.place]).to.deep.equal([first.port, 2]);
    const twice = client.change([update('terminations', after, { place: 1 })!]);
    expect(applied(await client.sendChanges(id, twice))).to.deep.equal(['value-taken']);
  });

  it('that break a rule are refused by field, and nothing of them stays', async () => {
    const both = client.change([addRoom('a', 'AA'), addRoom('b', 'AA')]);
    const [result] = (await client.sendChanges(projectId, both)).results;
    expect(result).to.deep.include({ status: 'refused', problem: { code: 'value-taken', kind: 'invalid', field: 'rooms.code' } });
    const loose = client.change([
      {
        ...addRoom('c', 'CC'),
        record: { ...(addRoom('c', 'CC') as { record: object }).record, levelId: 'nowhere' },
      } as Operation,
    ]);
    expect(applied(await client.sendChanges(projectId, loose))).to.deep.equal(['reference-missing']);
    const flat = client.change([update('levels', project.levels.level_m, { ceilingHeightM: -1 })!]);
    expect((await client.sendChanges(projectId, flat)).results[0]).to.have.nested.property(
      'problem.field',
      'levels.level_m.ceilingHeightM',
    );
    const loaded = await client.load(projectId);
    expect(loaded).to.include({ revision: 0 });
    expect(loaded.document).to.deep.equal(project);
  });

  it('made and undone leave the project as it was, through every table', async () => {
    const steps: Operation[] = [
      addRoom('a', 'AA'),
      create(
        'walls',
        newWall({
          id: 'w',
          levelId: 'level_m',
          a: [0, 0],
          b: [4, 0],
          thicknessM: 0.12,
          kind: 'stud',
          cavityDepthM: 0.09,
          cableMayRun: true,
        }),
      ),
      create(
        'openings',
        newOpening({
          id: 'o',
          wallId: 'w',
          kind: 'door',
          offsetM: 1,
          widthM: 0.8,
          sillM: 0,
          headM: 2.04,
          hinge: 'start',
          swing: 'left',
        }),
      ),
      create(
        'risers',
        newRiser({
          id: 'ri',
          name: 'Riser',
          x: 1,
          y: 1,
          widthM: 0.3,
          depthM: 0.3,
          bottomLevelId: 'level_m',
          topLevelId: 'level_m',
        }),
      ),
      create(
        'racks',
        newRack({
          id: 'ra',
          levelId: 'level_m',
          code: 'A',
          name: 'Rack',
          x: 2,
          y: 0.3,
          facingRad: 1.5,
          widthM: 0.6,
          depthM: 0.6,
          units: 24,
          entryHeightM: 2,
        }),
      ),
    ];
    const house = applyChange(project, { operations: steps });
    if (!house.ok) throw new Error('refused');
    const placed = placeDevice(
      house.value,
      { typeId: 'display', levelId: 'level_m', at: [3, 0.1] },
      { device: 'd', run: (leg) => `r${leg}` },
    );
    if (!placed.ok) throw new Error('refused');
    const all = [...steps, ...placed.value.operations];
    expect(applied(await client.sendChanges(projectId, client.change(all)))).to.deep.equal([1]);
    expect((await client.load(projectId)).document.runs).to.have.all.keys('r1', 'r2', 'r3');
    await client.sendChanges(projectId, client.change(reverseOperations(all), 1));
    const back = await client.load(projectId);
    expect({ ...back.document, project: project.project }).to.deep.equal(project);
  });

  it('made by two at once all arrive, each once', async () => {
    const other = server.client();
    await other.signIn('owner@example.test', 'a long enough password');
    const sends = Array.from({ length: 40 }, (_, n) =>
      (n % 2 ? client : other).sendChanges(projectId, client.change([addRoom(`r${n}`, `R${n}`)])),
    );
    const revisions = (await Promise.all(sends)).flatMap(applied);
    expect([...revisions].sort((a, b) => Number(a) - Number(b))).to.deep.equal(Array.from({ length: 40 }, (_, n) => n + 1));
    expect(Object.keys((await client.load(projectId)).document.rooms)).to.have.length(40);
  });

  it('follow live in another tab, in order, and only there', async () => {
    const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/projects/${projectId}/live`, {
      headers: { cookie: client.cookie },
    });
    const heard: LiveMessage[] = [];
    socket.on('message', (data: Buffer) => heard.push(JSON.parse(data.toString()) as LiveMessage));
    await until(() => heard.length === 1);
    const elsewhere = await client.newProject();
    await client.sendChanges(elsewhere, client.change([addRoom('z', 'ZZ')]));
    await client.sendChanges(projectId, client.change([addRoom('a', 'AA')]));
    await client.sendChanges(projectId, client.change([addRoom('b', 'BB')]));
    await until(() => heard.length === 3);
    expect(heard.map((message) => (message.type === 'change' ? message.stored.revision : message.type))).to.deep.equal([
      'at-revision',
      1,
      2,
    ]);
    const { changes } = await client.json<{ changes: StoredChange[] }>('GET', `/projects/${projectId}/changes?since=1`);
    expect(changes.map((stored) => [stored.revision, stored.author])).to.deep.equal([[2, 'Owner']]);
    socket.terminate();
  });

  it('are not told to the page that made them, which hears of the next one that it did not make', async () => {
    const listen = async (tab: string) => {
      const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/projects/${projectId}/live?tab=${tab}`, {
        headers: { cookie: client.cookie },
      });
      const heard: unknown[] = [];
      socket.on('message', (data: Buffer) => {
        const message = JSON.parse(data.toString()) as LiveMessage;
        heard.push(message.type === 'change' ? message.stored.revision : message.type);
      });
      await until(() => heard.length === 1);
      return { socket, heard };
    };
    const [mine, other] = [await listen('tab-of-mine'), await listen('tab-of-another')];
    const send = (tab: string, id: string) =>
      client.send(
        'POST',
        `/projects/${projectId}/changes`,
        { changes: [client.change([addRoom(id, id.toUpperCase())])] },
        { 'x-spool-tab': tab },
      );
    await send('tab-of-mine', 'qa');
    await send('tab-of-another', 'qb');
    await send('', 'qc');
    await until(() => mine.heard.at(-1) === 3 && other.heard.at(-1) === 3);
    expect([mine.heard, other.heard]).to.deep.equal([
      ['at-revision', 2, 3],
      ['at-revision', 1, 3],
    ]);
    mine.socket.terminate();
    other.socket.terminate();
  });

  it('are not told to someone from outside', async () => {
    for (const headers of [{}, { cookie: client.cookie, origin: 'http://elsewhere.test' }]) {
      const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/projects/${projectId}/live`, {
        headers: headers as Record<string, string>,
      });
      const status = await new Promise((done) => {
        socket.on('unexpected-response', (_request, response) => done(response.statusCode));
        socket.on('open', () => done('open'));
        socket.on('error', () => done('error'));
      });
      expect(status).to.equal(401);
    }
  });
});

async function until(happened: () => boolean, withinMs = 60_000): Promise<void> {
  const start = Date.now();
  while (!happened()) {
    if (Date.now() - start > withinMs) throw new Error('It did not happen in time');
    await new Promise((done) => setTimeout(done, 10));
  }
}
