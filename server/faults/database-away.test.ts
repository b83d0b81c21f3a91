import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { WebSocket } from 'ws';
import { type LiveMessage, update } from '@dusky-spool/core/model';
import { configFromEnvironment } from '../services/config.ts';
import { startServer } from '../app/create-app.ts';
import { TEST_SETUP_TOKEN, TestClient } from '../testing/test-client.ts';

const ROOT = join(import.meta.dirname, '../..');

/** A PostgreSQL of its own that can be stopped and started. */
function cluster(folder: string) {
  const run = (command: string) => {
    const { stdout, status, stderr } = spawnSync(
      process.execPath,
      [join(ROOT, 'scripts/pg-local.mjs'), command, '--dir', folder, '--db', 'away', '--fast'],
      { encoding: 'utf8' },
    );
    if (status !== 0) throw new Error(stderr);
    return stdout.trim() === '' ? {} : (JSON.parse(stdout.trim().split('\n').at(-1)!) as { url: string });
  };
  return { start: () => (run('start') as { url: string }).url, stop: () => run('stop'), destroy: () => run('destroy') };
}

describe('PostgreSQL stopped and started', () => {
  it('is told as such, loses nothing, and live following goes on by itself', async function () {
    this.timeout(300_000);
    const folder = mkdtempSync(join(tmpdir(), 'spool-away-'));
    const postgres = cluster(join(folder, 'pg'));
    const databaseUrl = postgres.start();
    const running = await startServer({
      ...configFromEnvironment({ DATABASE_URL: databaseUrl, PORT: '0', LOG_LEVEL: 'silent', SETUP_TOKEN: TEST_SETUP_TOKEN }),
      signInTries: 100,
    });
    try {
      const client = await new TestClient(running.address).makeFirstAccount();
      const projectId = await client.newProject();
      const { level_m: level } = (await client.load(projectId)).document.levels;
      const first = client.change([update('levels', level, { name: 'Ground' })!]);
      expect((await client.sendChanges(projectId, first)).results[0].status).to.equal('applied');
      const heard: LiveMessage[] = [];
      const socket = new WebSocket(`${running.address.replace('http', 'ws')}/api/projects/${projectId}/live`, {
        headers: { cookie: client.cookie },
      });
      socket.on('message', (data: Buffer) => heard.push(JSON.parse(data.toString()) as LiveMessage));
      await until(() => heard.length === 1);

      postgres.stop();
      const second = client.change([update('levels', { ...level, name: 'Ground' }, { ceilingHeightM: 3 })!], 1);
      const away = await client.send('POST', `/projects/${projectId}/changes`, { changes: [second] });
      expect([away.status, ((await away.json()) as { problem: { code: string } }).problem.code]).to.deep.equal([
        503,
        'database-away',
      ]);

      postgres.start();
      await until(async () => (await client.send('GET', '/health')).ok);
      expect((await client.sendChanges(projectId, second)).results[0]).to.include({ status: 'applied', revision: 2 });
      await until(() => heard.some((message) => message.type === 'change' && message.stored.revision === 2));
      const { document: project, revision } = await client.load(projectId);
      expect(revision).to.equal(2);
      expect(project.levels.level_m).to.include({ name: 'Ground', ceilingHeightM: 3 });
      socket.terminate();
    } finally {
      await running.close();
      postgres.destroy();
      rmSync(folder, { recursive: true, force: true });
    }
  });
});

async function until(happened: () => boolean | Promise<boolean>): Promise<void> {
  const start = Date.now();
  while (!(await happened())) {
    if (Date.now() - start > 60_000) throw new Error('It did not happen in time');
    await new Promise((done) => setTimeout(done, 50));
  }
}
