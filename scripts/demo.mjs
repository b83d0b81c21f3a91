// npm run demo [-- --fresh]: installs what is missing, starts PostgreSQL, migrates, loads the demo, builds and serves.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { ensureBuilt, ensurePackages, ensurePostgres, isFree, localDatabase, ROOT, tryPdfTools } from './prepare.mjs';

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
const server = spawn(process.execPath, ['--import', 'tsx', 'server/app/main.ts'], {
  cwd: ROOT,
  stdio: ['ignore', 'pipe', 'inherit'],
  env: {
    ...process.env,
    DATABASE_URL: database?.url ?? process.env.DATABASE_URL,
    DUSKY_DEMO: '1',
    PORT: port,
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  },
});

createInterface({ input: server.stdout }).on('line', (line) => {
  if (!line.startsWith('{"ready"')) return console.error(line);
  const { address } = JSON.parse(line);
  console.log(`Dusky Spool is ready at ${address} (${((performance.now() - started) / 1000).toFixed(1)} s). Ctrl-C stops it.`);
});

let stopping = false;
function stop(code) {
  if (stopping) return;
  stopping = true;
  const done = () => {
    // A database that another start was using goes on for that one.
    if (own && database?.state !== 'already running') localDatabase('stop', folder);
    process.exit(code);
  };
  if (server.exitCode !== null || server.signalCode !== null) return done();
  server.once('exit', done);
  server.kill('SIGTERM');
  setTimeout(() => server.kill('SIGKILL'), 5000).unref();
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));
server.on('exit', (code) => stop(code ?? 1));
