// npm run screenshots: one picture of each main view, from the demo data, into docs/screenshots.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumPath, ensureBuilt, ensureChromium, ensurePackages, ensurePostgres, localDatabase, ROOT } from './prepare.mjs';

ensurePackages();
ensurePostgres();
ensureChromium();
ensureBuilt();
const folder = mkdtempSync(join(tmpdir(), 'spool-shots-'));
const database = localDatabase('start', join(folder, 'pg'), '--db', 'shots', '--fast', '--createdb');
try {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/screenshots/main.ts'], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, TEST_DATABASE_URL: database.url, LOG_LEVEL: 'silent', CHROMIUM: chromiumPath() },
  });
  process.exitCode = await new Promise((done) => child.on('exit', (code) => done(code ?? 1)));
} finally {
  localDatabase('destroy', join(folder, 'pg'));
  rmSync(folder, { recursive: true, force: true });
}
