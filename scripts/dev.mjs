// npm run dev: the server, restarted on changes, and the web app from Vite with hot replacement.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, ensurePostgres, localDatabase, ROOT } from './prepare.mjs';

ensurePackages();
ensurePostgres();
const database = localDatabase('start', join(ROOT, '.data', 'pg'), '--db', 'spool');
const env = { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? database.url, DUSKY_DEMO: '1', PORT: '4410' };
const children = [
  spawn(process.execPath, ['--watch', '--import', 'tsx', 'server/app/main.ts'], { cwd: ROOT, stdio: 'inherit', env }),
  spawn('npx', ['vite', '--port', '4411'], { cwd: join(ROOT, 'web'), stdio: 'inherit', env }),
];
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    children.forEach((child) => child.kill('SIGTERM'));
    if (database.state !== 'already running') localDatabase('stop', join(ROOT, '.data', 'pg'));
    process.exit(0);
  });
}
