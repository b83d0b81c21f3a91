// npm run backup [-- --data FOLDER] [--folder FOLDER] [--with-keys]: a consistent copy of everything the firm has, with checksums.
// Pictures and files of the app stand in the database, so one dump holds them all. Live sessions, keys and passing jobs stay out.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createReadStream, mkdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { dataFolder, flag, openData, option } from './own-data.mjs';
import { postgresProgram, ROOT } from './prepare.mjs';

/** Rows of these are not carried: they live with a running server. `secrets` and `sessions` come along with --with-keys. */
const PASSING = ['jobs', 'job_files', 'sign_in_attempts', 'server_errors'];
const KEYS = ['secrets', 'sessions', 'password_resets'];

export async function sha256(path) {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
}

/** How many rows each table of the app has, within one transaction. */
export async function countRows(client) {
  const { rows } = await client.query(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE' ORDER BY 1",
  );
  const counts = {};
  for (const { name } of rows) counts[name] = Number((await client.query(`SELECT count(*) AS n FROM "${name}"`)).rows[0].n);
  return counts;
}

async function main() {
  const withKeys = flag('with-keys');
  const folder = resolve(option('folder', process.env.BACKUP_FOLDER ?? join(dataFolder(), 'backups')));
  const data = openData();
  const left = [...PASSING, ...(withKeys ? [] : KEYS)];
  const madeAt = new Date().toISOString();
  const name = madeAt.replace(/[:.]/g, '-');
  const part = join(folder, `.${name}.part`);
  const client = new pg.Client({ connectionString: data.url });
  try {
    mkdirSync(part, { recursive: true, mode: 0o700 });
    await client.connect();
    // Counts and dump see the same moment: the dump joins this transaction's snapshot.
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
    const snapshot = (await client.query('SELECT pg_export_snapshot() AS id')).rows[0].id;
    const counts = await countRows(client);
    for (const table of left) if (table in counts) counts[table] = 0;
    const migrations = (await client.query('SELECT name FROM applied_migrations ORDER BY name')).rows.map((row) => row.name);
    const dump = join(part, 'database.dump');
    const result = spawnSync(
      postgresProgram('pg_dump'),
      [
        '--format=custom',
        '--compress=6',
        '--no-owner',
        '--no-privileges',
        '--exclude-schema=spool_jobs',
        `--snapshot=${snapshot}`,
        ...left.map((table) => `--exclude-table-data=public.${table}`),
        `--file=${dump}`,
        data.url,
      ],
      { stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' },
    );
    if (result.status !== 0) throw new Error(`pg_dump: ${result.stderr || result.error?.message}`);
    await client.query('COMMIT');
    const manifest = {
      format: 'dusky-spool-backup',
      version: 1,
      madeAt,
      why: option('why', 'asked for'),
      app: JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')).version,
      withKeys,
      migrations,
      rows: counts,
      files: { 'database.dump': { bytes: statSync(dump).size, sha256: await sha256(dump) } },
    };
    writeFileSync(join(part, 'manifest.json'), JSON.stringify(manifest, null, 2), { mode: 0o600 });
    const made = join(folder, name);
    renameSync(part, made);
    console.log(made);
  } catch (error) {
    rmSync(part, { recursive: true, force: true });
    console.error(`The backup was not made. ${error.message}`);
    process.exitCode = 1;
  } finally {
    await client.end().catch(() => undefined);
    data.close();
  }
}

if (process.argv[1]?.endsWith('backup.mjs')) await main();
