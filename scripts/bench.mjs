// npm run bench [-- --area NAME] [-- --json]: the figures that the product is held to, each against a plain reference.
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumPath, ensureBuilt, ensureChromium, ensurePackages, ensurePostgres, localDatabase, ROOT } from './prepare.mjs';

const json = process.argv.includes('--json');
const area = process.argv.includes('--area') ? process.argv[process.argv.indexOf('--area') + 1] : null;
const AREAS = ['app', 'survey', 'devices', 'routing', 'checks', 'pictures', 'theatre', 'head-end', 'spools', 'documents', 'load'];
if (area !== null && !AREAS.includes(area)) {
  console.error(`--area: ${area} has no figures yet. Areas with figures: ${AREAS.join(', ')}.`);
  process.exit(2);
}

ensurePackages();
ensurePostgres();
ensureChromium();
ensureBuilt();
const folder = mkdtempSync(join(tmpdir(), 'spool-bench-'));
const database = localDatabase('start', join(folder, 'pg'), '--db', 'bench', '--createdb');
let status;
try {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/bench/main.ts', ...(area ? [area] : AREAS)], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, TEST_DATABASE_URL: database.url, LOG_LEVEL: 'silent', CHROMIUM: chromiumPath() },
  });
  let text = '';
  child.stdout.on('data', (data) => (text += data));
  status = await new Promise((done) => child.on('exit', (code) => done(code ?? 1)));
  const figures = JSON.parse(text || '[]');
  if (json) console.log(JSON.stringify(figures, null, 2));
  else
    for (const { area: where, name, value, unit, limit, ok } of figures)
      console.log(
        `${ok ? 'ok  ' : 'OVER'} ${where.padEnd(8)} ${name.padEnd(58)} ${String(value).padStart(9)} ${unit}${limit === null ? '' : `  (limit ${limit})`}`,
      );
} finally {
  localDatabase('destroy', join(folder, 'pg'));
  if (existsSync(folder)) rmSync(folder, { recursive: true, force: true });
}
process.exit(status);
