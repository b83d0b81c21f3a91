import { expect } from 'chai';
import sharp from 'sharp';
import type { JobReply } from '@dusky-spool/core/model';
import type { SignedIn } from '../http/membership-store.ts';
import { startTestServer, type TestServer } from '../testing/test-server.ts';
import type { TestClient } from '../testing/test-client.ts';
import type { Lane } from './job-kinds.ts';

/** Lanes with limits so small that a test reaches them. */
const SMALL_LANES: readonly Lane[] = [
  { name: 'documents', runner: 'thread', runners: 1, limitMs: 40_000, memoryMb: 128 },
  { name: 'pictures', runner: 'process', runners: 1, limitMs: 300_000, memoryMb: 600 },
  { name: 'plan-files', runner: 'process', runners: 1, limitMs: 300_000, memoryMb: 600 },
];

describe('the job queue', () => {
  let server: TestServer;
  let client: TestClient;
  let member: SignedIn;
  let projectId: string;
  before(async () => {
    server = await startTestServer({ lanes: SMALL_LANES });
    client = await server.client().makeFirstAccount();
    const { member: me } = await client.open();
    const row = (await server.database.models.members.findByPk(me!.id, { raw: true })) as unknown as SignedIn;
    member = row;
    projectId = await client.newProject();
    // The first job loads the code of its thread: later ones do not wait for that.
    await server.services.jobs.run(member, { kind: 'wait', params: { ms: 10 } });
  });
  after(() => server.close());
  const look = (id: string) => client.json<JobReply>('GET', `/jobs/${id}`);
  const until = async (id: string, happened: (job: JobReply) => boolean): Promise<JobReply> => {
    for (let n = 0; n < 5000; n++) {
      const job = await look(id);
      if (happened(job)) return job;
      await new Promise((done) => setTimeout(done, 50));
    }
    throw new Error('It did not happen in time');
  };

  it('says how far a job is, and gives its file when it is done', async () => {
    const id = await server.services.jobs.submit(member, { kind: 'wait', params: { ms: 2500 } });
    const shares = new Set<number>();
    await until(id, ({ progress, state }) => {
      shares.add(progress);
      return state === 'done';
    });
    expect([...shares].filter((share) => share > 0 && share < 1)).to.have.length.greaterThan(2);
    const { id: made } = await client.json<{ id: string }>('POST', `/projects/${projectId}/documents/schedule.csv/job`, {});
    const job = await until(made, ({ state }) => state === 'done');
    expect(job).to.include({ file: 'a-house-schedule.csv', progress: 1, problem: null });
    const file = await client.send('GET', `/jobs/${made}/file`);
    expect(file.headers.get('content-disposition')).to.include('a-house-schedule.csv');
    expect(await file.text()).to.include('Run');
  }).timeout(300_000);

  it('stops a job that runs and one that waits, and does it again when asked', async () => {
    const running = await server.services.jobs.submit(member, { kind: 'wait', params: { ms: 5000 } });
    await until(running, ({ state }) => state === 'running');
    const waiting = await server.services.jobs.submit(member, { kind: 'wait', params: { ms: 10 } });
    for (const id of [waiting, running]) expect((await client.send('DELETE', `/jobs/${id}`)).status).to.equal(204);
    expect([(await look(running)).state, (await look(waiting)).state]).to.deep.equal(['cancelled', 'cancelled']);
    expect((await client.send('GET', `/jobs/${running}/file`)).status).to.equal(422);
    expect((await client.send('POST', `/jobs/${waiting}/retry`, {})).status).to.equal(202);
    await until(waiting, ({ state }) => state === 'done');
    expect((await client.send('POST', `/jobs/${waiting}/retry`, {})).status).to.equal(422);
  }).timeout(300_000);

  it('ends a job that takes too long or too much memory with a sentence, and goes on with the next', async () => {
    const slow = await server.services.jobs.submit(member, { kind: 'wait', params: { ms: 180_000 } });
    const greedy = await server.services.jobs.submit(member, { kind: 'wait', params: { ms: 10, fill: true } });
    const next = await server.services.jobs.submit(member, { kind: 'wait', params: { ms: 10 } });
    expect((await until(slow, ({ state }) => state === 'failed')).problem).to.deep.include({ code: 'job-too-slow', seconds: 40 });
    expect((await until(greedy, ({ state }) => state === 'failed')).problem).to.deep.include({ code: 'job-too-large' });
    await until(next, ({ state }) => state === 'done');
    expect((await client.send('GET', '/health')).status).to.equal(200);
  }).timeout(300_000);

  it('keeps pictures in a lane of their own: health, sign-in and documents do not wait for them', async () => {
    const slowSvg = `<svg xmlns="http://www.w3.org/2000/svg" width="9000" height="9000">${'<g opacity=".5">'.repeat(90)}<path d="M0 0L9000 9000"/>${'</g>'.repeat(90)}</svg>`;
    const send = (bytes: Uint8Array<ArrayBuffer>, name: string) => {
      const form = new FormData();
      form.append('picture', new Blob([bytes]), name);
      return client.send('POST', `/projects/${projectId}/pictures`, form);
    };
    const big = await sharp({ create: { width: 9000, height: 9000, channels: 3, background: '#a05' } })
      .png({ compressionLevel: 1 })
      .toBuffer();
    const uploads = [
      ...Array.from({ length: 4 }, (_, n) =>
        send(new TextEncoder().encode(slowSvg.replace('9000 9000"', `${9000 - n} 9000"`)), `${n}.svg`),
      ),
      send(new Uint8Array(big), 'big.png'),
    ];
    const start = performance.now();
    const others = await Promise.all([
      client.send('GET', '/health'),
      server.client().signIn('owner@example.test', 'a long enough password'),
      fetch(`${server.url}/`),
    ]);
    const waitedMs = performance.now() - start;
    expect(others.map(({ status }) => status === 200 || status === 503)).to.deep.equal([true, true, true]);
    // Without the lane they waited for the pictures, which take longer than this on any machine that runs the tests.
    const ended = Promise.all(uploads);
    expect(await Promise.race([ended.then(() => 'pictures'), sleepUntil(waitedMs + 1)])).to.equal('others');
    expect((await ended).map(({ status }) => status)).to.deep.equal([201, 201, 201, 201, 201]);
  }).timeout(300_000);

  it('takes no more than a firm may have waiting, and says so', async () => {
    const ids: string[] = [];
    let refused = '';
    for (let n = 0; n < 70 && refused === ''; n++)
      await server.services.jobs.submit(member, { kind: 'wait', params: { ms: 3000 } }).then(
        (id) => ids.push(id),
        (error: { problem: { code: string } }) => (refused = error.problem.code),
      );
    expect([ids.length, refused]).to.deep.equal([60, 'too-many-jobs']);
    for (const id of ids) await server.services.jobs.cancel(id);
  }).timeout(300_000);
});

describe('two servers on one database', () => {
  it('share the queue: what one could not finish, the other does', async () => {
    const lanes = SMALL_LANES.map((lane) => ({ ...lane, limitMs: 60_000, memoryMb: 300 }));
    const first = await startTestServer({ lanes });
    const second = await startTestServer({ lanes, databaseUrl: first.databaseUrl });
    let firstIsOpen = true;
    try {
      const client = await first.client().makeFirstAccount();
      const { member: me } = await client.open();
      const member = (await first.database.models.members.findByPk(me!.id, { raw: true })) as unknown as SignedIn;
      const ids = await Promise.all(
        Array.from({ length: 3 }, () => first.services.jobs.submit(member, { kind: 'wait', params: { ms: 3000 } })),
      );
      await new Promise((done) => setTimeout(done, 3000));
      firstIsOpen = false;
      await first.close();
      for (const id of ids) expect((await second.services.jobs.wait(id)).state).to.equal('done');
    } finally {
      if (firstIsOpen) await first.close();
      await second.close();
    }
  }).timeout(300_000);
});

const sleepUntil = (ms: number): Promise<string> => new Promise((done) => setTimeout(() => done('others'), Math.min(ms, 50)));
