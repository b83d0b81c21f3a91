import { expect } from 'chai';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import type { SessionReply } from '@dusky-spool/core/model';

const problemOf = async (response: Response) => ((await response.json()) as { problem: { code: string } }).problem.code;

describe('accounts', () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await startTestServer({ signInTries: 4 });
  });
  afterEach(() => server.close());

  it('begin with the offer to make the first one, and only one', async () => {
    const client = server.client();
    expect(await client.open()).to.include({ firstStart: true, demo: false, member: null });
    await client.makeFirstAccount();
    expect(await client.open())
      .to.deep.include({ firstStart: false })
      .and.have.nested.property('member.firm', 'Test firm');
    const second = server.client();
    await second.open();
    const refused = await second.send('POST', '/session/first-account', {
      firm: 'x',
      name: 'x',
      email: 'x@example.test',
      password: 'a long enough password',
    });
    expect(await problemOf(refused)).to.equal('not-allowed');
    expect((await second.send('POST', '/session/demo', {})).status).to.equal(403);
  });

  it('keep passwords as argon2 hashes and refuse short ones by field', async () => {
    await server.client().makeFirstAccount();
    const [member] = (await server.database.models.members.findAll({ raw: true })) as unknown as { passwordHash: string }[];
    expect(member.passwordHash).to.match(/^\$argon2id\$/);
    const other = server.client();
    await other.open();
    const response = await other.send('POST', '/session/first-account', {
      firm: 'x',
      name: 'x',
      email: 'x@example.test',
      password: 'short',
    });
    expect(((await response.json()) as { problem: { field: string } }).problem.field).to.equal('password');
  });

  it('are entered by address and password, slowed down after wrong tries, and left by signing out', async () => {
    await server.client().makeFirstAccount('owner@example.test');
    const client = server.client();
    expect((await client.signIn('OWNER@example.test', 'a long enough password')).status).to.equal(200);
    expect((await client.send('GET', '/projects')).status).to.equal(200);
    expect((await client.send('DELETE', '/session')).status).to.equal(204);
    expect((await client.send('GET', '/projects')).status).to.equal(401);
    for (let n = 0; n < 4; n++)
      expect(await problemOf(await client.signIn('owner@example.test', 'wrong'))).to.equal('sign-in-wrong');
    expect((await client.signIn('owner@example.test', 'a long enough password')).status).to.equal(429);
  });

  it('get a new session id on signing in, in a cookie out of reach of scripts', async () => {
    const client = server.client();
    await client.makeFirstAccount();
    const before = server.client();
    await before.open();
    const planted = before.cookie;
    const response = await before.signIn('owner@example.test', 'a long enough password');
    expect(before.cookie).to.not.equal(planted);
    expect(response.headers.getSetCookie()[0])
      .to.match(/HttpOnly/)
      .and.match(/SameSite=Lax/);
  });

  it('cannot be used from another site: a request without the token is refused', async () => {
    const client = await server.client().makeFirstAccount();
    const forged = await client.send('POST', '/projects', { name: 'x', units: 'metric' }, { 'x-csrf-token': 'guess' });
    expect([forged.status, await problemOf(forged)]).to.deep.equal([403, 'csrf-missing']);
  });

  it('of another firm see nothing of a project, on any route', async () => {
    const client = await server.client().makeFirstAccount();
    const projectId = await client.newProject();
    const { hashPassword } = await import('./passwords.ts');
    const { insertFirm } = await import('./store.ts');
    await server.database.sequelize.transaction(async (transaction) => {
      const passwordHash = await hashPassword('another long password');
      await insertFirm(
        server.database,
        { firm: 'Rival', name: 'Rival', email: 'rival@example.test', passwordHash, isDemo: false },
        new Date(),
        transaction,
      );
    });
    const rival = server.client();
    await rival.signIn('rival@example.test', 'another long password');
    const routes: [string, string][] = [
      ['GET', ''],
      ['DELETE', ''],
      ['GET', '/file'],
      ['POST', '/changes'],
      ['GET', '/changes?since=0'],
      ['POST', '/pictures'],
      ['GET', '/pictures/abc'],
      ...['schedule.csv', 'schedule.xlsx', 'labels.pdf', 'plan.pdf?level=level_m'].map((name): [string, string] => [
        'GET',
        `/documents/${name}`,
      ]),
    ];
    for (const [method, path] of routes) {
      expect((await rival.send(method, `/projects/${projectId}${path}`)).status, `${method} ${path}`).to.equal(404);
      expect((await server.client().send(method, `/projects/${projectId}${path}`)).status, `${method} ${path}`).to.be.oneOf([
        401, 403,
      ]);
    }
    expect((await rival.json<{ projects: unknown[] }>('GET', '/projects')).projects).to.deep.equal([]);
    expect((await client.load(projectId)).projectId).to.equal(projectId);
  });

  it('are answered with a strict content policy', async () => {
    const policy = (await fetch(`${server.url}/`)).headers.get('content-security-policy')!;
    expect(policy).to.contain("default-src 'none'").and.contain("script-src 'self';").and.contain("frame-ancestors 'none'");
    expect(policy).to.not.contain('unsafe');
    const reply = (await (await fetch(`${server.url}/api/session`)).json()) as SessionReply;
    expect(reply.csrfToken).to.have.length.greaterThan(20);
  });
});
