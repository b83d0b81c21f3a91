// npm test: everything from nothing. Installs, starts a throw-away PostgreSQL, then lint, types, arrows, unit, server and
// browser tests, and one line of counts. `npm test -- --only unit|server|e2e` runs one part; `npm run soak` the long faults.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  chromiumPath,
  ensureBuilt,
  ensureChromium,
  ensurePackages,
  ensurePdfTools,
  ensurePostgres,
  localDatabase,
  tryNginx,
  ROOT,
} from './prepare.mjs';

const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : null;
const soak = process.argv.includes('--soak');
const wanted = (part) => (soak ? part === 'soak' : only === null ? part !== 'soak' : part === only);

ensurePackages();
ensurePostgres();
ensureChromium();
ensurePdfTools();
tryNginx();

const counts = { passed: 0, failed: 0, skipped: 0 };
const took = [];
/** What failed, told again at the end: a log of thousands of lines is often seen by its end only. */
const failed = [];

/** Runs one part, its output shown as it comes; mocha's counts are added up. */
function part(name, program, args, env = {}) {
  if (!wanted(name)) return Promise.resolve();
  const start = performance.now();
  console.log(`\n=== ${name}`);
  return new Promise((done) => {
    const child = spawn(program, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'], env: { ...process.env, ...env } });
    let text = '';
    child.stdout.on('data', (data) => {
      process.stdout.write(data);
      text += data;
    });
    child.on('close', (code) => {
      const count = (word) =>
        [...text.matchAll(new RegExp(`^\\s+(\\d+) ${word}`, 'gm'))].reduce((sum, m) => sum + Number(m[1]), 0);
      const failing = count('failing');
      counts.passed += count('passing') || (code === 0 ? 1 : 0);
      counts.failed += failing || (code === 0 ? 0 : 1);
      counts.skipped += count('pending');
      if (code !== 0) failed.push(`--- ${name}\n${failing ? text.slice(text.search(/^\s+\d+ failing/m)) : text.slice(-4000)}`);
      took.push(`${name} ${((performance.now() - start) / 1000).toFixed(0)} s`);
      done();
    });
  });
}

const npx = (name, ...args) => [process.execPath, [join(ROOT, 'node_modules', ...name.split('/')), ...args]];
/** Files that each have a database, a server and a browser of their own: two at a time, since most of each is waiting. */
const SIDE_BY_SIDE = ['--parallel', '--jobs', '2'];
const mocha = (...args) => npx('mocha/bin/mocha.js', '--forbid-only', ...args);

// Two processors: what only reads the sources goes side by side.
await Promise.all([
  part('lint', ...npx('eslint/bin/eslint.js', '.', '--max-warnings', '0')),
  (async () => {
    await part('types', process.execPath, ['scripts/types.mjs']);
    await part('arrows', process.execPath, ['scripts/arrows.mjs']);
    await part('styles', process.execPath, ['scripts/styles.mjs']);
    await part('docs', process.execPath, ['--import', 'tsx', 'scripts/write-docs.ts', '--check']);
    await part('format', ...npx('prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.'));
  })(),
]);
/** `npm test -- --coverage` counts covered lines of the core too, which takes a quarter longer. */
const COVERED = ['--reporter=text-summary', '--include=core/**', '--include=texts/**', '--exclude=**/*.test.ts'];
const unit = () => {
  const tests = mocha('{core,texts,cli}/**/*.test.ts');
  return process.argv.includes('--coverage')
    ? part('unit', ...npx('c8/bin/c8.js', ...COVERED, process.execPath, ...tests[1]))
    : part('unit', ...tests);
};

const folder = mkdtempSync(join(tmpdir(), 'spool-test-'));
const database = localDatabase('start', join(folder, 'pg'), '--db', 'tests', '--fast', '--createdb');
const env = {
  TEST_DATABASE_URL: database.url,
  TEST_DATABASE_META: JSON.stringify({ dir: database.dir }),
  LOG_LEVEL: 'silent',
  CHROMIUM: chromiumPath(),
  NODE_ENV: 'test',
};
const tidy = () => {
  localDatabase('destroy', join(folder, 'pg'));
  rmSync(folder, { recursive: true, force: true });
};
process.on('SIGINT', () => {
  tidy();
  process.exit(130);
});
try {
  // Before the server's tests too: some of them start the app as its users do, with the app that is built.
  if (wanted('server') || wanted('e2e')) ensureBuilt();
  // The server's tests mostly wait, for limits of time and for processes that end: what reckons goes beside them, one after the other.
  await Promise.all([
    (async () => {
      await unit();
      await part('web', ...mocha('--exit', 'web/src/**/*.test.{ts,tsx}'), env);
      await part('e2e', ...mocha('--exit', '--timeout', '300000', ...SIDE_BY_SIDE, 'e2e/*.test.ts'), env);
    })(),
    part('server', ...mocha('--exit', ...SIDE_BY_SIDE, 'server/**/*.test.ts'), env),
  ]);
  await part(
    'soak',
    ...mocha(
      '--exit',
      '--timeout',
      '3600000',
      'server/faults/*.soak.ts',
      'server/attacks/fuzz.test.ts',
      'server/database/migrate.test.ts',
      '{core,server}/**/mutated-*.test.ts',
      'web/src/state/sync.test.ts',
    ),
    {
      ...env,
      EVERY_STEP: '1',
      FUZZ_COUNT: '20000',
      MUTATED_FILES: '300',
      SOAK: '1',
    },
  );
} finally {
  tidy();
}
for (const text of failed) console.log(`\n${text.slice(0, 6000).trimEnd()}`);
console.log(`\n${took.join(', ')}`);
console.log(`${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);
process.exit(counts.failed > 0 ? 1 : 0);
