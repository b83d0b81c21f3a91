// What the start, test and bench commands need of the machine, fetched only where it is missing.
// Plain Node without dependencies: it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createInterface } from 'node:readline';
import { createHash } from 'node:crypto';
import { chmodSync, chownSync, existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join, parse, resolve } from 'node:path';
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
/** For the test of the proxy configuration; without it that test says so. */
export const tryNginx = () => ensureDebian(['nginx-light', 'openssl'], () => hasNginx(), false);
export const hasNginx = () => existsSync('/usr/sbin/nginx') || onPath('nginx');
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
    // Whoever builds, tests too: what is served is the app as users get it.
    env: { ...process.env, NODE_ENV: 'production' },
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

/** The programs of PostgreSQL, newest first. */
export function postgresProgram(name) {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  const folders = [
    process.env.PG_BIN ?? '',
    ...versions.map((v) => join(base, v, 'bin')),
    ...(process.env.PATH ?? '').split(':'),
  ];
  return folders.map((folder) => join(folder, name)).find((path) => path.startsWith('/') && existsSync(path)) ?? name;
}

/** The account without rights that a server runs as when root starts it; null for everybody else. */
export function plainAccount() {
  if (process.getuid?.() !== 0) return null;
  const accounts = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .map((line) => line.split(':'));
  const found = ['dusky-spool', 'nobody'].map((name) => accounts.find(([known]) => known === name)).find(Boolean);
  return found ? { name: found[0], uid: Number(found[2]), gid: Number(found[3]) } : null;
}

/** Whether an account that owns nothing here can read a file: every folder on the way lets others pass. */
function othersMayRead(path) {
  for (let at = path; ; at = dirname(at)) {
    const { mode } = statSync(at);
    if (!(mode & (at === path ? 0o004 : 0o001))) return false;
    if (at === parse(at).root) return true;
  }
}

/** Gives a folder of data to the account that the server runs as. */
export function giveFolder(folder, account) {
  mkdirSync(folder, { recursive: true });
  chmodSync(folder, 0o700);
  if (account) chownSync(folder, account.uid, account.gid);
}

/**
 * How to start a program with Node so that root's rights are gone: as the plain account where it can read the checkout, else as
 * the plain account with the one right to read files.
 */
export function withoutRights(args) {
  const account = plainAccount();
  if (!account) return { program: process.execPath, args, options: {} };
  const needed = ['server/app/main.ts', 'package.json', 'node_modules/tsx/package.json', 'web/dist/index.html'].map((path) =>
    join(ROOT, path),
  );
  if (needed.every((path) => existsSync(path) && othersMayRead(path)) && othersMayRead(process.execPath))
    return { program: process.execPath, args, options: { uid: account.uid, gid: account.gid } };
  if (!onPath('setpriv')) {
    console.error(
      'This checkout can be read by root alone, and setpriv (Debian: util-linux) is missing: move it where others may read.',
    );
    process.exit(1);
  }
  const only = [
    '--inh-caps=-all,+dac_read_search',
    '--ambient-caps=-all,+dac_read_search',
    '--bounding-set=-all,+dac_read_search',
  ];
  return {
    program: 'setpriv',
    args: [
      `--reuid=${account.uid}`,
      `--regid=${account.gid}`,
      '--clear-groups',
      '--no-new-privs',
      ...only,
      process.execPath,
      ...args,
    ],
    options: {},
  };
}

/** Starts the server; `onReady` gets its first line. Ends it and calls `stopped` with a status on the signals that end programs. */
export function runServer(env, onReady, stopped, graceMs = 15_000) {
  const { program, args, options } = withoutRights(['--import', 'tsx', 'server/app/main.ts']);
  const server = spawn(program, args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
    ...options,
    env: { ...process.env, HOME: '/', ...env },
  });
  createInterface({ input: server.stdout }).on('line', (line) => {
    if (line.startsWith('{"ready"')) onReady(JSON.parse(line));
    else console.error(line);
  });
  let stopping = false;
  const stop = (code) => {
    if (stopping) return;
    stopping = true;
    if (server.exitCode !== null || server.signalCode !== null) return stopped(code);
    server.once('exit', (status) => stopped(code || (status ?? 0)));
    server.kill('SIGTERM');
    setTimeout(() => server.kill('SIGKILL'), graceMs).unref();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));
  server.on('exit', (code) => stop(code ?? 1));
}
