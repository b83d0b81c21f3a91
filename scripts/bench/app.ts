import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { update } from '../../core/model/index.ts';
import { startApp } from '../../e2e/testing/app.ts';
import { freshDatabaseUrl } from '../../server/testing/fresh-database.ts';
import { TestClient } from '../../server/testing/test-client.ts';
import { freePort, startProcess } from '../../server/faults/kill-run.ts';
import { figure, type Figure, percentile } from './figure.ts';

const ROOT = join(import.meta.dirname, '../..');
const DIST = join(ROOT, 'web/dist');

interface Chunk {
  readonly file: string;
  readonly imports?: readonly string[];
  readonly isEntry?: boolean;
}

/** Gzipped JavaScript of the first route and what the plan adds, from the build's manifest. */
function bundleFigures(): Figure[] {
  const manifest = JSON.parse(readFileSync(join(DIST, '.vite/manifest.json'), 'utf8')) as Record<string, Chunk>;
  const filesOf = (key: string, into = new Set<string>()): Set<string> => {
    const chunk = manifest[key];
    if (into.has(chunk.file)) return into;
    into.add(chunk.file);
    chunk.imports?.forEach((other) => filesOf(other, into));
    return into;
  };
  const entry = Object.keys(manifest).find((key) => manifest[key].isEntry)!;
  const plan = Object.keys(manifest).find((key) => key.endsWith('ProjectFrame.tsx'))!;
  const kilobytes = (files: Iterable<string>) =>
    [...files]
      .filter((file) => file.endsWith('.js'))
      .reduce((sum, file) => sum + gzipSync(readFileSync(join(DIST, file))).length / 1000, 0);
  const app = Object.keys(manifest).find((key) => key.endsWith('main.tsx'))!;
  const first = filesOf(app, filesOf(entry));
  const more = [...filesOf(plan)].filter((file) => !first.has(file));
  return [
    figure('app', 'JavaScript of the first route, gzipped', kilobytes(first), 'kB', 450),
    figure('app', 'JavaScript that the plan route adds, gzipped', kilobytes(more), 'kB', 200),
  ];
}

/** From navigation until a device of the demo plan can be chosen. */
async function planFigures(): Promise<Figure[]> {
  const app = await startApp();
  const { page } = await app.person();
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Open the demo firm' }).click();
  await page.getByRole('link', { name: 'Open Saltmarsh Granary' }).click();
  await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
  const address = page.url();
  // The first visit keeps the app on the device; a planner's working day is the visits after it.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await page.waitForTimeout(2000);
  const samples: number[] = [];
  for (let n = 0; n < 7; n++) {
    await page.goto('about:blank');
    await page.waitForTimeout(500);
    await page.goto(address, { waitUntil: 'commit' });
    // Interactive: devices and runs are there, their handlers bound, and a frame has been painted with them.
    await page.locator('.canvas__plan-canvas .canvas__run-line').first().waitFor({ state: 'attached' });
    const ms = await page.evaluate(
      () => new Promise<number>((done) => requestAnimationFrame(() => setTimeout(() => done(performance.now()), 0))),
    );
    samples.push(ms);
  }
  await app.close();
  return [figure('app', 'demo plan interactive after navigation, median of 7', percentile(samples, 0.5), 'ms', 1500)];
}

/** A save of one moved device, acknowledged by a server process on a database that does sync to disk. */
async function saveFigures(): Promise<Figure[]> {
  const port = await freePort();
  const server = await startProcess(await freshDatabaseUrl(), port);
  const client = await new TestClient(`http://127.0.0.1:${port}`).makeFirstAccount();
  const { id } = await client.json<{ id: string }>(
    'POST',
    '/projects/import',
    readFileSync(join(ROOT, 'demo/saltmarsh-granary.spool.json'), 'utf8'),
  );
  const { document: project } = await client.load(id);
  const devices = Object.values(project.devices);
  const x = new Map(devices.map((device) => [device.id, device.x]));
  const samples: number[] = [];
  for (let n = 0; n < 400; n++) {
    const device = devices[n % devices.length];
    const before = x.get(device.id)!;
    const change = client.change([update('devices', { ...device, x: before }, { x: before + 0.01 })!], n);
    const start = performance.now();
    const reply = await client.sendChanges(id, change);
    const ms = performance.now() - start;
    if (reply.results[0].status !== 'applied') throw new Error('not saved');
    x.set(device.id, before + 0.01);
    if (n >= 50) samples.push(ms);
  }
  const plain: number[] = [];
  for (let n = 0; n < 100; n++) {
    const start = performance.now();
    await client.send('GET', '/health');
    plain.push(performance.now() - start);
  }
  server.kill('SIGKILL');
  return [
    figure('app', 'save acknowledged, 95th percentile of 350', percentile(samples, 0.95), 'ms', 50),
    figure('app', 'save acknowledged, median', percentile(samples, 0.5), 'ms'),
    figure('app', 'plain reference: one SELECT 1 through the server, median', percentile(plain, 0.5), 'ms'),
  ];
}

/** `npm run demo` until it says that it is ready, everything installed and built. */
async function startFigures(): Promise<Figure[]> {
  const once = async () => {
    const start = performance.now();
    const child = spawn(process.execPath, ['scripts/demo.mjs'], {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'ignore'],
      env: { ...process.env, PORT: String(await freePort()), DATABASE_URL: '' },
    });
    await new Promise<void>((ready) =>
      child.stdout.on('data', (data: Buffer) => data.toString().includes('is ready') && ready()),
    );
    const ms = performance.now() - start;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill('SIGINT');
    await gone;
    return ms;
  };
  await once();
  const samples = [await once(), await once(), await once()];
  return [figure('app', 'npm run demo until ready, all installed, median of 3', percentile(samples, 0.5) / 1000, 's', 15)];
}

export async function benchApp(): Promise<Figure[]> {
  return [...bundleFigures(), ...(await planFigures()), ...(await saveFigures()), ...(await startFigures())];
}
