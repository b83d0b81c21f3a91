// What the start, test and bench commands need of the machine, fetched only where it is missing.
// Plain Node without dependencies: it runs before anything is installed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');

const say = (text) => console.error(`· ${text}`);

/** Runs a program to its end; ends this one with a clear word where it fails. */
export function mustRun(program, args, what, options = {}) {
  const result = spawnSync(program, args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], ...options });
  if (result.status !== 0) {
    console.error(`${what} failed${result.error ? `: ${result.error.message}` : ''}.`);
    process.exit(1);
  }
}

/** node_modules as the lock file says; nothing is done where it is so already. */
export function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const mark = join(ROOT, 'node_modules', '.spool-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('Installing packages (npm ci)');
  mustRun('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error'], 'npm ci', { stdio: ['ignore', 'ignore', 'inherit'] });
  writeFileSync(mark, lock);
}

const onPath = (program) => (process.env.PATH ?? '').split(':').some((folder) => folder && existsSync(join(folder, program)));

export function hasPostgres() {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).map((v) => join(base, v, 'bin')) : [];
  return [...versions, process.env.PG_BIN ?? '', ...(process.env.PATH ?? '').split(':')].some(
    (folder) => folder && existsSync(join(folder, 'initdb')),
  );
}

export const chromiumPath = () => ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);

/** Debian packages, as root or by sudo that asks nothing; otherwise the words to type. */
function ensureDebian(packages, present, needed = true) {
  if (present()) return;
  const isRoot = process.getuid?.() === 0;
  const sudo = isRoot ? [] : spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0 ? ['sudo', '-n'] : null;
  if (!sudo || !onPath('apt-get')) {
    if (!needed) return say(`Without ${packages.join(', ')}: what needs it says so when it is used`);
    console.error(
      `Missing: ${packages.join(', ')}. Install with: sudo apt-get update && sudo apt-get install -y --no-install-recommends ${packages.join(' ')}`,
    );
    process.exit(1);
  }
  say(`Installing ${packages.join(', ')} from Debian's packages`);
  const apt = (...args) => {
    const [program, ...rest] = [...sudo, 'apt-get', ...args];
    return (
      spawnSync(program, rest, {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      }).status === 0
    );
  };
  apt('update', '-qq');
  if (!apt('install', '-y', '-qq', '--no-install-recommends', ...packages) || !present()) {
    if (!needed) return say(`Could not install ${packages.join(', ')}: what needs it says so when it is used`);
    console.error(`Could not install ${packages.join(', ')}.`);
    process.exit(1);
  }
}

export const ensurePostgres = () => ensureDebian(['postgresql'], hasPostgres);
export const ensureChromium = () => ensureDebian(['chromium'], () => chromiumPath() !== undefined);
/** Plans in PDF need a reader; the app starts without one too. */
export const tryPdfTools = () => ensureDebian(['poppler-utils'], () => onPath('pdftocairo'), false);
export const ensurePdfTools = () => ensureDebian(['poppler-utils'], () => onPath('pdftoppm'));

/** The project's own PostgreSQL: `start`, `stop` or `destroy` it in a folder. Returns what it printed. */
export function localDatabase(command, folder, ...more) {
  const result = spawnSync(process.execPath, [join(ROOT, 'scripts/pg-local.mjs'), command, '--dir', folder, ...more], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  if (result.status !== 0) {
    console.error(result.stderr || result.stdout);
    throw new Error(`PostgreSQL: ${command} failed`);
  }
  const line = result.stdout.trim().split('\n').at(-1);
  return line ? JSON.parse(line) : {};
}

/** A digest of the sources that the built web app is made of. */
export function webSourcesDigest() {
  const hash = createHash('sha256');
  const visit = (path) => {
    for (const entry of readdirSync(path).sort()) {
      if (entry === 'node_modules' || entry === 'dist' || entry.endsWith('.test.ts')) continue;
      const full = join(path, entry);
      if (statSync(full).isDirectory()) visit(full);
      else hash.update(full.slice(ROOT.length)).update(readFileSync(full));
    }
  };
  for (const folder of ['core', 'texts', 'web']) visit(join(ROOT, folder));
  return hash.update(readFileSync(join(ROOT, 'package-lock.json'))).digest('hex');
}

/** Builds the web app unless its sources are as at the last build. */
export function ensureBuilt() {
  const mark = join(ROOT, 'web', 'dist', '.sources');
  const digest = webSourcesDigest();
  if (existsSync(mark) && readFileSync(mark, 'utf8') === digest) return;
  say('Building the web app');
  mustRun('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn'], 'The build', {
    cwd: join(ROOT, 'web'),
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  mkdirSync(dirname(mark), { recursive: true });
  writeFileSync(mark, digest);
}

export const isFree = (port) =>
  new Promise((answer) => {
    const server = createServer();
    server.once('error', () => answer(false));
    server.listen(port, '127.0.0.1', () => server.close(() => answer(true)));
  });
