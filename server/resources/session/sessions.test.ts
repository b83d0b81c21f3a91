import { createServer } from 'node:net';
import { expect } from 'chai';
import { QueryTypes } from 'sequelize';
import type { OpenSession } from '@dusky-spool/core/model';
import { follow } from '../../testing/follow.ts';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import { TEST_PASSWORD, type TestClient } from '../../testing/test-client.ts';

const problemOf = async (response: Response) =>
  ((await response.json()) as { problem: { code: string; field?: string } }).problem;
const sessionRows = async ({ database }: TestServer) =>
  Number((await database.sequelize.query<{ n: string }>('SELECT count(*) AS n FROM sessions', { type: QueryTypes.SELECT }))[0].n);

describe('sessions', () => {
  let server: TestServer;
  let owner: TestClient;
  let projectId: string;
  before(async () => {
    server = await startTestServer();
    owner = await server.client().makeFirstAccount();
    projectId = await owner.newProject();
  });
  after(() => server.close());
  const signedIn = async () => {
    const client = server.client();
    expect((await client.signIn('owner@example.test', TEST_PASSWORD)).status).to.equal(200);
    return client;
  };

  it('are not made for visitors: a thousand calls leave no row', async () => {
    const before = await sessionRows(server);
    for (let n = 0; n < 20; n++)
      await Promise.all(Array.from({ length: 50 }, () => fetch(`${server.url}/api/${n % 2 ? 'session' : 'projects'}`)));
    await server.client().signIn('owner@example.test', 'wrong');
    expect(await sessionRows(server)).to.equal(before);
  }).timeout(300_000);

  it('are listed with where they are, ended one by one or all others, and their followers with them', async () => {
    const [one, two, three] = [await signedIn(), await signedIn(), await signedIn()];
    const list = async (client: TestClient) => (await client.json<{ sessions: OpenSession[] }>('GET', '/session/list')).sessions;
    const seen = await list(one);
    expect(seen.filter(({ isThis }) => isThis)).to.have.length(1);
    for (const { usedAt, startedAt } of seen) expect(Math.abs(Date.parse(usedAt) - Date.parse(startedAt))).to.be.lessThan(60_000);
    const ofTwo = (await list(two)).find(({ isThis }) => isThis)!.id;
    const following = await follow(server, two, projectId);
    expect((await one.send('DELETE', `/session/list/${ofTwo}`)).status).to.equal(204);
    expect(await following.ended).to.equal(4401);
    expect(following.messages.at(-1)).to.deep.equal({ type: 'signed-out' });
    expect((await two.send('GET', '/projects')).status).to.equal(401);
    expect((await three.send('GET', '/projects')).status).to.equal(200);
    expect((await one.send('DELETE', '/session/list')).status).to.equal(204);
    expect((await three.send('GET', '/projects')).status).to.equal(401);
    expect(await list(one)).to.have.length(1);
    await owner.signIn('owner@example.test', TEST_PASSWORD);
  });

  it('end with signing out: its follower is disconnected', async () => {
    const client = await signedIn();
    const following = await follow(server, client, projectId);
    await client.send('DELETE', '/session');
    expect(await following.ended).to.equal(4401);
  });

  it('end with a removal, and with the project: both followers are disconnected', async () => {
    const crew = await owner.invite('crew@example.test', 'crew');
    const house = await owner.newProject('Soon gone');
    const [removed, orphan] = [await follow(server, crew, projectId), await follow(server, owner, house)];
    const { members } = await owner.json<{ members: { id: string; email: string }[] }>('GET', '/people');
    await owner.send('DELETE', `/people/members/${members.find(({ email }) => email === 'crew@example.test')!.id}`);
    expect(await removed.ended).to.equal(4401);
    await owner.send('DELETE', `/projects/${house}`);
    expect(await orphan.ended).to.equal(4404);
    expect(orphan.messages.at(-1)).to.deep.equal({ type: 'gone' });
  });

  it('end after their idle and their absolute limit', async () => {
    const short = await startTestServer({
      env: { SESSION_IDLE_HOURS: String(10 / 3600), SESSION_ABSOLUTE_HOURS: String(30 / 3600) },
    });
    try {
      const client = await short.client().makeFirstAccount();
      const idle = short.client();
      await idle.signIn('owner@example.test', TEST_PASSWORD);
      // Used every two seconds it outlives the idle limit, and ends at the absolute one all the same.
      const statuses: number[] = [];
      for (const start = Date.now(); Date.now() - start < 32_000;) {
        await new Promise((done) => setTimeout(done, 2000));
        statuses.push((await client.send('GET', '/projects')).status);
      }
      expect(statuses.slice(0, 4)).to.deep.equal([200, 200, 200, 200]);
      expect(statuses.at(-1)).to.equal(401);
      expect((await idle.send('GET', '/projects')).status).to.equal(401);
    } finally {
      await short.close();
    }
  }).timeout(300_000);

  it('are Secure with HSTS where a trusted proxy says that TLS is in front, and believe no stranger', async () => {
    const proxied = await startTestServer({ env: { TRUST_PROXY: 'loopback' } });
    try {
      const https = { 'x-forwarded-proto': 'https' };
      const client = proxied.client();
      const visit = await client.send('GET', '/session', undefined, https);
      expect(visit.headers.getSetCookie()[0]).to.match(/Secure/);
      expect(visit.headers.get('strict-transport-security')).to.match(/max-age=31536000/);
      await client.makeFirstAccount();
      const signIn = await client.send('POST', '/session', { email: 'owner@example.test', password: TEST_PASSWORD }, https);
      expect(signIn.headers.getSetCookie().find((cookie) => cookie.startsWith('spool='))).to.match(/Secure/);
      const plain = await fetch(`${server.url}/api/session`, { headers: https });
      expect(plain.headers.get('strict-transport-security')).to.equal(null);
    } finally {
      await proxied.close();
    }
  });

  it('are counted down when a cookie was planted, and a token of another visit is worth nothing', async () => {
    const [visitor, other] = [server.client(), server.client()];
    await visitor.open();
    await other.open();
    const forged = await visitor.send(
      'POST',
      '/session',
      { email: 'a@b.test', password: 'x' },
      { 'x-csrf-token': other.csrfToken },
    );
    expect((await problemOf(forged)).code).to.equal('csrf-missing');
  });
});

describe('passwords', () => {
  let server: TestServer;
  before(async () => {
    server = await startTestServer({ demo: true, signInTries: 5 });
  });
  after(() => server.close());
  const make = (client: TestClient, email: string, password: string) =>
    client.send('POST', '/session/first-account', { firm: 'Creek', name: 'Owner', email, password });

  it('that are short, alike or common are refused with the reason at their field', async () => {
    const client = server.client();
    await client.open();
    for (const [n, password] of [
      'short',
      'aaaaaaaaaaaaaaa',
      'abababababab',
      'unbelievable',
      'Unbelievable1!',
      'passwordpassword',
      'password1234567',
    ].entries()) {
      const response = await make(client, `weak${n}@example.test`, password);
      expect(response.status, password).to.equal(422);
      expect((await problemOf(response)).field, password).to.equal('password');
    }
    expect((await make(client, 'strong@example.test', 'tide creek rope 12')).status).to.equal(201);
  });

  it('are guessed no oftener than the limit, also by many at once and over several servers', async () => {
    const owner = await server.client().makeFirm('Creek two', 'guess@example.test');
    void owner;
    const second = await startTestServer({ signInTries: 5, databaseUrl: server.databaseUrl });
    try {
      const tries = await Promise.all(
        Array.from({ length: 24 }, async (_, n) => {
          const client = (n % 2 ? second : server).client();
          return (await client.signIn('guess@example.test', `wrong ${n}`)).status;
        }),
      );
      expect(tries.filter((status) => status === 401)).to.have.length(5);
      expect(tries.filter((status) => status === 429)).to.have.length(19);
      expect((await second.client().signIn('guess@example.test', TEST_PASSWORD)).status).to.equal(429);
      const rows = (await server.database.models.signInAttempts.findAll({ raw: true })) as unknown as { accountKey: string }[];
      expect(JSON.stringify(rows)).to.not.match(/guess|127\.0\.0\.1/);
    } finally {
      await second.close();
    }
  }).timeout(300_000);

  it('are changed with the present one, which ends all other sessions', async () => {
    const owner = await server.client().makeFirm('Creek three', 'change@example.test');
    const other = server.client();
    await other.signIn('change@example.test', TEST_PASSWORD);
    expect(
      await problemOf(await owner.send('PUT', '/session/password', { current: 'wrong', password: 'tide creek rope 13' })),
    ).to.include({
      code: 'password-wrong',
      field: 'current',
    });
    expect(
      (await owner.send('PUT', '/session/password', { current: TEST_PASSWORD, password: 'tide creek rope 13' })).status,
    ).to.equal(204);
    expect((await other.send('GET', '/projects')).status).to.equal(401);
    expect((await owner.send('GET', '/projects')).status).to.equal(200);
    expect((await server.client().signIn('change@example.test', 'tide creek rope 13')).status).to.equal(200);
  });

  it('are reset by a mailed link, once, and an unknown address is answered alike', async () => {
    const owner = await server.client().makeFirm('Creek four', 'reset@example.test');
    const stranger = server.client();
    await stranger.open();
    for (const email of ['reset@example.test', 'nobody@example.test'])
      expect([(await stranger.send('POST', '/session/reset', { email })).status, email]).to.deep.equal([202, email]);
    let body = '';
    for (let n = 0; n < 50 && body === ''; n++) {
      await new Promise((done) => setTimeout(done, 50));
      body = (await owner.json<{ mails: { body: string }[] }>('GET', '/people/mails')).mails[0]?.body ?? '';
    }
    const token = /code=([\w-]+)/.exec(body)![1];
    expect((await stranger.send('POST', '/session/reset/finish', { token, password: 'tide creek rope 14' })).status).to.equal(
      204,
    );
    expect((await stranger.send('POST', '/session/reset/finish', { token, password: 'tide creek rope 15' })).status).to.equal(
      422,
    );
    expect((await owner.send('GET', '/projects')).status).to.equal(401);
    expect((await server.client().signIn('reset@example.test', 'tide creek rope 14')).status).to.equal(200);
  });

  it('of the first account need the token that the start printed, except on the demo server', async () => {
    const fresh = await startTestServer();
    try {
      const client = fresh.client();
      expect(await client.open()).to.include({ firstStart: true, needsSetupToken: true });
      const account = { firm: 'Creek', name: 'Owner', email: 'a@example.test', password: TEST_PASSWORD };
      for (const setupToken of ['', 'guessed', undefined])
        expect(await problemOf(await client.send('POST', '/session/first-account', { ...account, setupToken }))).to.include({
          code: 'setup-token-wrong',
          field: 'setupToken',
        });
      await client.makeFirstAccount();
    } finally {
      await fresh.close();
    }
  });
});

describe('mail', () => {
  it('goes to the server of SMTP_URL, and what was sent is not stored', async () => {
    const got: string[] = [];
    const smtp = createServer((socket) => {
      let data = false;
      socket.on('error', () => undefined);
      socket.write('220 test\r\n');
      socket.on('data', (bytes) => {
        const text = bytes.toString();
        got.push(text);
        if (data && text.endsWith('\r\n.\r\n')) {
          data = false;
          socket.write('250 taken\r\n');
        } else if (!data)
          for (const line of text.trim().split('\r\n')) {
            if (line === 'DATA') data = true;
            socket.write(line === 'DATA' ? '354 go on\r\n' : line === 'QUIT' ? '221 bye\r\n' : '250 yes\r\n');
          }
      });
    });
    await new Promise<void>((done) => smtp.listen(0, '127.0.0.1', done));
    const { port } = smtp.address() as { port: number };
    const server = await startTestServer({
      env: { SMTP_URL: `smtp://127.0.0.1:${port}`, PUBLIC_URL: 'https://spool.example.test' },
    });
    try {
      const owner = await server.client().makeFirstAccount();
      await owner.send('POST', '/people/invitations', { email: 'new@example.test', role: 'planner' });
      for (let n = 0; n < 100 && !got.join('').includes('/join?code'); n++) await new Promise((done) => setTimeout(done, 50));
      expect(got.join('')).to.include('new@example.test').and.include('https://spool.example.test/join?code');
      let state = '';
      for (let n = 0; n < 50 && state !== 'sent'; n++) {
        await new Promise((done) => setTimeout(done, 50));
        const [mail] = (await server.database.models.mails.findAll({ raw: true })) as unknown as {
          state: string;
          body: string;
        }[];
        state = mail.state;
        if (state === 'sent') expect(mail.body).to.equal('');
      }
      expect(state).to.equal('sent');
      expect((await owner.json<{ mails: unknown[] }>('GET', '/people/mails')).mails).to.deep.equal([]);
    } finally {
      await server.close();
      smtp.close();
    }
  }).timeout(300_000);
});
