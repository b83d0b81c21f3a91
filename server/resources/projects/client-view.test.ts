import { expect } from 'chai';
import type { Change, OfferTablesReply, ProjectSummary, StoredChange } from '@dusky-spool/core/model';
import { follow } from '../../testing/follow.ts';
import type { TestClient } from '../../testing/test-client.ts';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';

/** A sum that stands nowhere else, to look for in what the server sends. */
const SECRET = 987_654.25;

describe('what the server sends to a client', () => {
  let server: TestServer;
  let owner: TestClient;
  let client: TestClient;
  let id: string;
  before(async () => {
    server = await startTestServer({ demo: true });
    owner = await server.client().enterDemo();
    [{ id }] = (await owner.json<{ projects: ProjectSummary[] }>('GET', '/projects')).projects;
    client = await owner.invite('client@example.test', 'client', [id]);
  });
  after(() => server.close());

  it('has no prices, margin, price lists or baselines in the project', async () => {
    const { document: whole } = await owner.load(id);
    const { document: seen } = await client.load(id);
    expect(Object.keys(whole.prices)).to.have.length.above(0);
    for (const list of ['prices', 'spoolOffers', 'deliveries', 'siteTasks', 'offerOptions', 'baselines'] as const)
      expect(seen[list], list).to.deep.equal({});
    expect(seen.project).to.include({ labourRate: 0 });
    expect(seen.project.priceSettings.marginPercent).to.equal(0);
    expect(Object.values(seen.deviceTypes).filter(({ price }) => price !== 0)).to.deep.equal([]);
    expect(Object.keys(seen.runs)).to.have.length(Object.keys(whole.runs).length);
  });

  it('has none in changes either, live or fetched, and revisions stay in order', async () => {
    const { document: project, revision } = await owner.load(id);
    const [type] = Object.values(project.deviceTypes);
    const following = await follow(server, client, id);
    const priced: Change = owner.change(
      [{ op: 'update', in: 'deviceTypes', id: type.id, before: { price: type.price }, after: { price: SECRET } }],
      revision,
    );
    const named: Change = owner.change(
      [
        {
          ...{ op: 'update', in: 'deviceTypes', id: type.id },
          before: { price: SECRET, name: type.name },
          after: { price: SECRET + 1, name: 'Another name' },
        },
      ],
      revision,
    );
    await owner.json('POST', `/projects/${id}/changes`, { changes: [priced, named] });
    const { changes } = await client.json<{ changes: StoredChange[] }>('GET', `/projects/${id}/changes?since=${revision}`);
    expect(changes.map((one) => one.revision)).to.deep.equal([revision + 1, revision + 2]);
    expect(JSON.stringify(changes)).not.to.contain('98765');
    expect(changes[1].change.operations).to.deep.equal([
      { op: 'update', in: 'deviceTypes', id: type.id, before: { name: type.name }, after: { name: 'Another name' } },
    ]);
    for (let n = 0; following.messages.length < 3 && n < 600; n++) await new Promise((done) => setTimeout(done, 50));
    expect(following.messages.filter(({ type: kind }) => kind === 'change')).to.have.length(2);
    expect(JSON.stringify(following.messages)).not.to.contain('98765');
    expect(await owner.json('GET', `/projects/${id}/changes?since=${revision}`)).to.satisfy((whole: unknown) =>
      JSON.stringify(whole).includes('987654.25'),
    );
  });

  it('has the offer in it, the same as for the firm, and no money in other documents', async () => {
    const offer = await client.json<OfferTablesReply>('GET', `/projects/${id}/documents/offer.json`);
    expect(offer).to.deep.equal(await owner.json('GET', `/projects/${id}/documents/offer.json`));
    const [systems] = offer.tables;
    expect(Number(systems.rows.at(-1)![3].replace(/[^\d]/g, ''))).to.be.above(100_000);
    const runs = Object.values((await owner.load(id)).document.runs);
    const flat = runs.find(({ price }) => price === null)!;
    const change = owner.change(
      [{ op: 'update', in: 'runs', id: flat.id, before: { price: null }, after: { price: SECRET } }],
      (await owner.load(id)).revision,
    );
    await owner.json('POST', `/projects/${id}/changes`, { changes: [change] });
    const schedule = async (who: TestClient) => (await who.send('GET', `/projects/${id}/documents/schedule.csv`)).text();
    expect(await schedule(owner)).to.contain('987654.25');
    expect(await schedule(client)).not.to.contain('987654');
    expect((await client.send('GET', `/projects/${id}/documents/house.xlsx`)).status).to.equal(403);
  });
});
