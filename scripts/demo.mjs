// npm run demo [-- --fresh]: installs what is missing, starts PostgreSQL, migrates, loads the demo, builds and serves.
import { join } from 'node:path';
import { ensureBuilt, ensurePackages, ensurePostgres, isFree, localDatabase, ROOT, runServer, tryPdfTools } from './prepare.mjs';

const started = performance.now();
const fresh = process.argv.includes('--fresh');
const folder = join(ROOT, '.data', 'pg');
const own = !process.env.DATABASE_URL;

ensurePackages();
if (own) ensurePostgres();
tryPdfTools();
ensureBuilt();

let database = null;
if (own) {
  if (fresh) localDatabase('destroy', folder);
  database = localDatabase('start', folder, '--db', 'spool');
}
const port = process.env.PORT ?? ((await isFree(4410)) ? '4410' : '0');
runServer(
  {
    DATABASE_URL: database?.url ?? process.env.DATABASE_URL,
    DUSKY_DEMO: '1',
    PORT: port,
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  },
  ({ address }) => {
    console.log(`Dusky Spool is ready at ${address} (${((performance.now() - started) / 1000).toFixed(1)} s). Ctrl-C stops it.`);
  },
  (code) => {
    // A database that another start was using goes on for that one.
    if (own && database?.state !== 'already running') localDatabase('stop', folder);
    process.exit(code);
  },
);
