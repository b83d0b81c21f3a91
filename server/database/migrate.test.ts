import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { expect } from 'chai';
import { startServer } from '../app/create-app.ts';
import { configFromEnvironment } from '../services/config.ts';
import { freshDatabaseUrl } from '../testing/fresh-database.ts';
import { TEST_SETUP_TOKEN, TestClient } from '../testing/test-client.ts';
import { migrator } from './migrate.ts';
import { openDatabase } from './index.ts';

const ROOT = join(import.meta.dirname, '../..');
const POINTS = ['begun', 'stepped', 'noted', 'committed'] as const;

/** A process that migrates and kills itself at a point of a step. */
function migrateUntil(url: string, step: string, point: string): NodeJS.Signals | null {
  const script = `
    import { migrator, openDatabase } from './server/database/index.ts';
    const { sequelize } = openDatabase(process.env.KILLED_URL, 2);
    await migrator(sequelize, (name, at) => { if (name === '${step}' && at === '${point}') process.kill(process.pid, 'SIGKILL'); }).up();`;
  return spawnSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], {
    cwd: ROOT,
    env: { ...process.env, KILLED_URL: url },
    stdio: 'ignore',
  }).signal;
}

describe('migrations', () => {
  it('killed at any point of any step leave a database that the next start brings up to date', async function () {
    this.timeout(300_000);
    const reference = openDatabase(await freshDatabaseUrl());
    const names = (await migrator(reference.sequelize).pending()).map(({ name }) => name);
    await reference.sequelize.close();
    // One database goes through all steps; each step is killed once, at a point that changes from step to step.
    const url = await freshDatabaseUrl();
    for (const [n, name] of names.entries()) {
      // `npm run soak` kills every step; each start of a process costs seconds.
      if (process.env.EVERY_STEP !== '1' && n % 4 !== 0) continue;
      expect(migrateUntil(url, name, POINTS[n % POINTS.length]), `${name} at ${POINTS[n % POINTS.length]}`).to.equal('SIGKILL');
    }
    const newest = names[names.length - 1];
    const database = openDatabase(url);
    for (const point of POINTS) {
      await migrator(database.sequelize).up();
      await migrator(database.sequelize).down({ to: newest });
      expect(migrateUntil(url, newest, point)).to.equal('SIGKILL');
      await migrator(database.sequelize).up();
      expect((await migrator(database.sequelize).pending()).map(({ name }) => name)).to.deep.equal([]);
    }
    await database.sequelize.close();
  });

  it('of two first starts at once on one empty database both come up, with one demo firm', async function () {
    this.timeout(300_000);
    const databaseUrl = await freshDatabaseUrl();
    const env = { DATABASE_URL: databaseUrl, PORT: '0', LOG_LEVEL: 'silent', DUSKY_DEMO: '1', SETUP_TOKEN: TEST_SETUP_TOKEN };
    const servers = await Promise.all([1, 2, 3].map(() => startServer(configFromEnvironment(env))));
    try {
      for (const { address } of servers) {
        const client = await new TestClient(address).enterDemo();
        expect((await client.json<{ projects: unknown[] }>('GET', '/projects')).projects).to.have.length(4);
      }
      expect(await servers[0].database.models.firms.count()).to.equal(1);
    } finally {
      for (const server of servers) await server.close();
    }
  });

  it('take out of stored texts what no text may hold since', async () => {
    const database = openDatabase(await freshDatabaseUrl());
    const steps = migrator(database.sequelize);
    await steps.up({ to: '2026-12-02-notches' });
    await database.sequelize.query(
      `INSERT INTO firms (id, name, is_demo, created_at) VALUES (gen_random_uuid(), E'Creek\\u200b \\u0007firm', false, now())`,
    );
    await steps.up();
    const [firm] = (await database.models.firms.findAll({ raw: true })) as unknown as { name: string }[];
    expect(firm.name).to.equal('Creek firm');
    await database.sequelize.close();
  });
});
