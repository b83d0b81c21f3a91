import { connect, type Socket } from 'node:net';
import { expect } from 'chai';
import { WebSocket } from 'ws';
import { freePort, startProcess } from '../faults/kill-run.ts';
import { freshDatabaseUrl } from '../testing/fresh-database.ts';
import { TestClient } from '../testing/test-client.ts';
import type { ChildProcess } from 'node:child_process';

const sleep = (ms: number) => new Promise((done) => setTimeout(done, ms));

describe('a server process', () => {
  let child: ChildProcess;
  let port: number;
  let client: TestClient;
  let projectId: string;
  before(async function () {
    this.timeout(300_000);
    port = await freePort();
    child = await startProcess(await freshDatabaseUrl(), port);
    client = await new TestClient(`http://127.0.0.1:${port}`).makeFirstAccount();
    projectId = await client.newProject();
  });
  after(() => child.kill('SIGKILL'));
  const raw = (): Promise<Socket> =>
    new Promise((done) => {
      const socket = connect({ port, host: '127.0.0.1' }, () => done(socket));
      socket.on('error', () => undefined);
    });
  const stillThere = async () => {
    expect(child.exitCode, 'the process ended').to.equal(null);
    expect((await client.send('GET', '/health')).status).to.equal(200);
  };
  const upgrade = (path: string, cookie = '') =>
    `GET ${path} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nConnection: Upgrade\r\nUpgrade: websocket\r\nSec-WebSocket-Version: 13\r\nSec-WebSocket-Key: AAAAAAAAAAAAAAAAAAAAAA==\r\n${cookie ? `Cookie: ${cookie}\r\n` : ''}\r\n`;

  it('outlives upgrades that are reset while they are admitted, signed in or not', async () => {
    for (let n = 0; n < 120; n++) {
      const socket = await raw();
      socket.write(upgrade(`/api/projects/${projectId}/live`, n % 2 ? client.cookie : ''));
      if (n % 3 === 0) await sleep(n % 7);
      socket.resetAndDestroy();
    }
    await sleep(300);
    await stillThere();
  }).timeout(300_000);

  it('outlives upgrades to other places, broken keys, frames before the handshake and frames that are too long', async () => {
    for (const path of ['/', '/api/projects/%/live', `/api/projects/${'f'.repeat(36)}/live`, '/api/projects//live', '*']) {
      const socket = await raw();
      socket.write(upgrade(path));
      socket.write(Buffer.alloc(3000, 0xff));
      await sleep(20);
      socket.resetAndDestroy();
    }
    const socket = await raw();
    socket.write(upgrade(`/api/projects/${projectId}/live`, client.cookie).replace(/Sec-WebSocket-Key.*\r\n/, ''));
    await sleep(50);
    socket.destroy();
    const follower = new WebSocket(`ws://127.0.0.1:${port}/api/projects/${projectId}/live`, {
      headers: { cookie: client.cookie },
    });
    const closed = new Promise((done) => follower.once('close', done));
    follower.on('error', () => undefined);
    await new Promise((done) => follower.once('open', done));
    follower.send('x'.repeat(5000));
    await closed;
    await stillThere();
  });

  it('outlives requests that are no HTTP, stop in the midst of a body, or promise more than they send', async () => {
    for (const text of [
      '\x16\x03\x01\x02\x00',
      'GET / HTTP/9.9\r\n\r\n',
      'POST /api/projects HTTP/1.1\r\nHost: x\r\nContent-Length: 99999\r\n\r\n{',
      'POST /api/projects HTTP/1.1\r\nHost: x\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\n',
      `GET /${'a'.repeat(40_000)} HTTP/1.1\r\nHost: x\r\n\r\n`,
      'GET / HTTP/1.1\r\nHost: x\r\nHost: y\r\nContent-Length: -4\r\n\r\n',
      'GET /api/projects/import HTTP/1.1\r\n\r\n',
    ]) {
      const socket = await raw();
      socket.write(text);
      await sleep(30);
      socket.resetAndDestroy();
    }
    await stillThere();
  });

  it('outlives people who go away while their document is made, and stops the job', async () => {
    for (let n = 0; n < 6; n++) {
      const socket = await raw();
      socket.write(
        `GET /api/projects/${projectId}/documents/cabling-sheet.pdf HTTP/1.1\r\nHost: x\r\nCookie: ${client.cookie}\r\nConnection: close\r\n\r\n`,
      );
      await sleep(30 * n);
      socket.resetAndDestroy();
    }
    await sleep(500);
    await stillThere();
  }).timeout(300_000);

  it('ends by itself when it is asked to, after what runs', async () => {
    const slow = client.newProject('Made while stopping');
    await sleep(5);
    const gone = new Promise<number | null>((done) => child.once('exit', done));
    child.kill('SIGTERM');
    expect(await slow).to.match(/^[0-9a-f-]{36}$/);
    expect(await gone).to.equal(0);
  }).timeout(300_000);
});
