// npm run restore -- BACKUP [--data FOLDER] [--replace]: takes a backup in, checked before and after. Stop the server first.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import pg from 'pg';
import { countRows, sha256 } from './backup.mjs';
import { flag, openData } from './own-data.mjs';
import { postgresProgram } from './prepare.mjs';

const refuse = (sentence) => {
  console.error(sentence);
  process.exit(2);
};

const [given] = process.argv.slice(2).filter((arg, n, all) => !arg.startsWith('--') && all[n - 1] !== '--data');
if (!given) refuse('Name the folder of the backup: npm run restore -- FOLDER [--data FOLDER] [--replace]');
const folder = resolve(given);
if (!existsSync(join(folder, 'manifest.json'))) refuse(`${folder} holds no manifest.json: it is not a whole backup.`);
let manifest;
try {
  manifest = JSON.parse(readFileSync(join(folder, 'manifest.json'), 'utf8'));
} catch {
  refuse('manifest.json cannot be read: the backup is damaged.');
}
if (manifest.format !== 'dusky-spool-backup' || manifest.version !== 1)
  refuse('manifest.json is not of a backup that this version can read.');
for (const [name, { bytes, sha256: expected }] of Object.entries(manifest.files)) {
  const path = join(folder, name);
  if (!existsSync(path)) refuse(`${name} is missing: the backup is not whole.`);
  if (statSync(path).size !== bytes || (await sha256(path)) !== expected)
    refuse(`${name} does not match its checksum: the backup is damaged. Nothing was changed.`);
}

/** Whether a program uses the database: PostgreSQL's own processes do not count, and one that just ended gets a moment to be gone. */
async function inUse(client) {
  const until = Date.now() + 5_000;
  for (;;) {
    const others = await client.query(
      "SELECT count(*)::int AS n FROM pg_stat_activity WHERE datname = current_database() AND backend_type = 'client backend' AND pid <> pg_backend_pid()",
    );
    if (others.rows[0].n === 0) return false;
    if (Date.now() > until) return true;
    await new Promise((done) => setTimeout(done, 100));
  }
}

const data = openData({ create: true });
const client = new pg.Client({ connectionString: data.url });
let status = 0;
try {
  await client.connect();
  if (await inUse(client)) throw new Error('A server still uses this database. Stop it first.');
  const there = await client.query("SELECT count(*)::int AS n FROM information_schema.tables WHERE table_schema = 'public'");
  const holds =
    there.rows[0].n > 0 &&
    (await client.query('SELECT count(*)::int AS n FROM firms').catch(() => ({ rows: [{ n: 0 }] }))).rows[0].n > 0;
  if (holds && !flag('replace'))
    throw new Error('This database holds a firm already. Add --replace to put the backup in its place.');
  await client.query('BEGIN; DROP SCHEMA IF EXISTS spool_jobs CASCADE; COMMIT');
  await client.end();
  const result = spawnSync(
    postgresProgram('pg_restore'),
    [
      '--single-transaction',
      '--clean',
      '--if-exists',
      '--no-owner',
      '--no-privileges',
      '--exit-on-error',
      `--dbname=${data.url}`,
      join(folder, 'database.dump'),
    ],
    { stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' },
  );
  if (result.status !== 0) throw new Error(`pg_restore: ${result.stderr || result.error?.message} Nothing was changed.`);
  const check = new pg.Client({ connectionString: data.url });
  await check.connect();
  const counts = await countRows(check);
  await check.end();
  const wrong = Object.entries(manifest.rows).filter(([table, rows]) => counts[table] !== rows);
  if (wrong.length > 0) throw new Error(`Rows differ from the backup in: ${wrong.map(([table]) => table).join(', ')}.`);
  const rows = Object.values(counts).reduce((sum, n) => sum + n, 0);
  console.log(
    `Restored the backup of ${manifest.madeAt}: ${rows} rows in ${Object.keys(counts).length} tables, all as counted when it was made.`,
  );
  if (!manifest.withKeys) console.log('It holds no keys: everybody signs in again.');
} catch (error) {
  console.error(`Not restored. ${error.message}`);
  status = 1;
} finally {
  await client.end().catch(() => undefined);
  data.close();
}
process.exit(status);
