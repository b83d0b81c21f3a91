import { randomUUID } from 'node:crypto';
import { expect } from 'chai';
import { type ChangeResult, create, newRoom, newWall, type Operation, update } from '@dusky-spool/core/model';
import { startTestServer, type TestServer } from '../testing/test-server.ts';
import type { TestClient } from '../testing/test-client.ts';

const codes = (results: readonly ChangeResult[]) =>
  results.map((one) => (one.status === 'applied' ? 'applied' : one.problem.code));

describe('edits from a hostile or broken client', () => {
  let server: TestServer;
  let client: TestClient;
  let projectId: string;
  before(async () => {
    server = await startTestServer();
    client = await server.client().makeFirstAccount();
  });
  after(() => server.close());
  beforeEach(async () => {
    projectId = await client.newProject();
  });
  const room = (id: string, more: object = {}): Operation =>
    create('rooms', {
      ...newRoom({
        id,
        levelId: 'level_m',
        code: id.toUpperCase(),
        name: id,
        use: '',
        polygon: [
          [0, 0],
          [4, 0],
          [4, 3],
          [0, 3],
        ],
      }),
      ...more,
    } as never);
  const send = async (...changes: unknown[]) => {
    const response = await client.send('POST', `/projects/${projectId}/changes`, { changes });
    expect(response.status).to.equal(200);
    return ((await response.json()) as { results: ChangeResult[] }).results;
  };

  it('with half a surrogate pair, control or invisible characters are refused by field, each for itself', async () => {
    for (const text of ['\ud83e', 'a\u0000b', 'a\u0007', 'zero\u200bwidth', '\u202egnp', '\ufeffmark']) {
      const [result] = await send(client.change([room('a', { name: text })]));
      expect(result, JSON.stringify(text)).to.have.nested.property('problem.field').that.includes('name');
      const title = { ...client.change([room('b')]), title: text };
      expect(codes(await send(title)), JSON.stringify(text)).to.deep.equal(['record-invalid']);
      const [before] = await send(
        client.change([{ op: 'update', in: 'levels', id: 'level_m', before: { name: text }, after: { name: 'x' } }]),
      );
      expect(before.status).to.equal('refused');
    }
    expect(codes(await send(client.change([room('a', { name: 'Crèche 🦀 日本' })])))).to.deep.equal(['applied']);
  });

  it('that cannot be read do not take the ones before them along', async () => {
    const results = await send(client.change([room('a')]), { id: randomUUID(), nonsense: true }, client.change([room('b')]));
    expect(codes(results)).to.deep.equal(['applied', 'input-invalid']);
    expect(Object.keys((await client.load(projectId)).document.rooms)).to.deep.equal(['a']);
    let deep: unknown = 1;
    for (let n = 0; n < 500; n++) deep = { deep };
    expect(codes(await send(client.change([room('c', { name: deep })])))).to.deep.equal(['nested-too-deep']);
  });

  it('with an id that was used for something else are a conflict, in whatever case the id is written', async () => {
    const id = randomUUID();
    expect(codes(await send(client.change([room('a')], 0, id)))).to.deep.equal(['applied']);
    expect(codes(await send(client.change([room('a')], 0, id.toUpperCase())))).to.deep.equal(['applied']);
    expect(codes(await send(client.change([room('b')], 0, id)))).to.deep.equal(['change-id-used']);
    expect(codes(await send(client.change([room('b')], 0, id.toUpperCase())))).to.deep.equal(['change-id-used']);
    const { revision, document: project } = await client.load(projectId);
    expect([revision, Object.keys(project.rooms)]).to.deep.equal([1, ['a']]);
    expect((await client.send('GET', `/projects/${projectId.toUpperCase()}`)).status).to.equal(200);
  });

  it('that draw what no house is large enough for are refused with the limit', async () => {
    const wall = (id: string, a: [number, number], b: [number, number]) =>
      create(
        'walls',
        newWall({ id, levelId: 'level_m', a, b, thicknessM: 0.1, kind: 'stud', cavityDepthM: 0.08, cableMayRun: true }),
      );
    const square = (x: number, sideM: number) => ({
      polygon: [
        [x, 0],
        [x + sideM, 0],
        [x + sideM, sideM],
        [x, sideM],
      ],
    });
    const limits: [Operation, string][] = [
      [wall('far', [0, 0], [4000, 0]), 'record-invalid'],
      [wall('long', [-300, 0], [300, 0]), 'level-spans-too-far'],
      [room('big', square(0, 80)), 'room-too-large'],
      [room('away', square(990, 5)), 'applied'],
      [wall('near', [0, 0], [3, 0]), 'level-spans-too-far'],
    ];
    for (const [operation, code] of limits)
      expect(codes(await send(client.change([operation]))), operation.id).to.deep.equal([code]);
    const level = (await client.load(projectId)).document.levels.level_m;
    const [high] = await send(client.change([update('levels', level, { elevationM: 140 })!], 9e9));
    expect(high.status).to.equal('refused');
    const [higher] = await send(client.change([update('levels', level, { elevationM: 140 })!]));
    expect(higher).to.have.nested.property('problem.reason').that.includes('100 m');
  });

  it('to a project that is deleted meanwhile are answered as such', async () => {
    await client.send('DELETE', `/projects/${projectId}`);
    const response = await client.send('POST', `/projects/${projectId}/changes`, { changes: [client.change([room('a')])] });
    expect(response.status).to.equal(404);
  });

  it('never make a project that cannot be exported: a rule of the firm with an invisible character is refused', async () => {
    const rules = [{ ruleId: 'bend-radius', off: false, rank: null, limits: {}, reason: 'as\u200b agreed', by: '' }];
    const response = await client.send('PUT', '/library/rules', { rules });
    expect([response.status, ((await response.json()) as { problem: { field: string } }).problem.field]).to.deep.equal([
      422,
      'rules[0].reason',
    ]);
    expect((await client.send('GET', `/projects/${projectId}/file`)).status).to.equal(200);
  }).timeout(300_000);
});
