import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { WebSocket } from 'ws';
import { type Device, update, writeProjectFile } from '../../core/model/index.ts';
import { freshDatabaseUrl } from '../../server/testing/fresh-database.ts';
import { TEST_SETUP_TOKEN, TestClient } from '../../server/testing/test-client.ts';
import { figure, type Figure, percentile } from './figure.ts';
import { houseOf } from './wired.ts';

const ROOT = join(import.meta.dirname, '../..');
const PEOPLE = 60;
const PROJECTS = 20;
const EDIT_EVERY_MS = 2000;
const EXPORT_EVERY_MS = 20_000;
/** How long the load lasts; `LOAD_MINUTES=1` for a quick look, without the figure of the heap. */
const MINUTES = Number(process.env.LOAD_MINUTES ?? 10);
const MINUTE_MS = 60_000;

const sleep = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

/** A server of its own process on an empty database. */
export async function startLoadServer(): Promise<{ readonly child: ChildProcess; readonly url: string }> {
  const child = fork(join(import.meta.dirname, 'load-server.ts'), {
    execArgv: ['--expose-gc', '--import', 'tsx'],
    env: {
      ...process.env,
      DATABASE_URL: await freshDatabaseUrl(),
      PORT: '0',
      LOG_LEVEL: 'silent',
      DUSKY_DEMO: '0',
      SETUP_TOKEN: TEST_SETUP_TOKEN,
      SIGN_IN_TRIES: '1000',
    },
  });
  const [{ address }] = (await once(child, 'message')) as [{ address: string }];
  return { child, url: address };
}

async function heapMb(child: ChildProcess): Promise<number> {
  child.send('heap');
  const [{ heapMb: mb }] = (await once(child, 'message')) as [{ heapMb: number }];
  return mb;
}

/** One person who moves a device every two seconds, and follows what others do. */
class Person {
  readonly savesMs: number[] = [];
  readonly acknowledged: string[] = [];
  received = 0;
  private x: number;
  private readonly socket: WebSocket;

  constructor(
    private readonly client: TestClient,
    url: string,
    readonly projectId: string,
    private readonly device: Device,
    private revision: number,
  ) {
    this.x = device.x;
    this.socket = new WebSocket(`${url.replace('http', 'ws')}/api/projects/${projectId}/live`, {
      headers: { cookie: client.cookie },
    });
    this.socket.on('message', () => this.received++);
    this.socket.on('error', () => undefined);
  }

  async work(until: number, startAfterMs: number): Promise<void> {
    await sleep(startAfterMs);
    for (let next = performance.now(); next < until; next += EDIT_EVERY_MS) {
      await sleep(Math.max(0, next - performance.now()));
      const to = this.x + 0.01;
      const change = this.client.change([update('devices', { ...this.device, x: this.x }, { x: to })!], this.revision);
      const start = performance.now();
      const { results } = await this.client.sendChanges(this.projectId, change);
      this.savesMs.push(performance.now() - start);
      if (results[0].status !== 'applied') throw new Error(JSON.stringify(results[0].problem));
      this.acknowledged.push(change.id);
      this.x = to;
    }
    this.socket.terminate();
  }
}

/** 60 people in 20 projects, each an edit every two seconds, while a 2 000-run house is exported again and again. */
export async function loadFigures(): Promise<Figure[]> {
  const { child, url } = await startLoadServer();
  const owner = await new TestClient(url).makeFirstAccount();
  const granary = readFileSync(join(ROOT, 'demo/saltmarsh-granary.spool.json'), 'utf8');
  const bigHouse = writeProjectFile({ project: houseOf(2000), pictures: [] });
  const importFile = async (text: string) => {
    const response = await owner.send('POST', '/projects/import', text);
    if (!response.ok) throw new Error(await response.text());
    return ((await response.json()) as { id: string }).id;
  };
  const bigId = await importFile(bigHouse);
  const ids: string[] = [];
  for (let n = 0; n < PROJECTS; n++) ids.push(await importFile(granary));

  const opens: number[] = [];
  for (let n = 0; n < 7; n++) {
    const start = performance.now();
    await owner.load(bigId);
    opens.push(performance.now() - start);
  }
  const loaded = new Map(await Promise.all(ids.map(async (id) => [id, await owner.load(id)] as const)));

  const alone: number[] = [];
  const [aloneDevice] = Object.values(loaded.get(ids[0])!.document.devices).slice(-1);
  for (let n = 0; n < 60; n++) {
    const change = owner.change(
      [update('devices', aloneDevice, { note: `note ${n}` })!].map((one) => ({ ...one, before: {} })) as never,
      n,
    );
    const start = performance.now();
    await owner.sendChanges(ids[0], change);
    alone.push(performance.now() - start);
  }

  const people: Person[] = [];
  for (let n = 0; n < PEOPLE; n++) {
    const client = await owner.invite(`person${n}@example.test`, 'planner');
    const id = ids[n % PROJECTS];
    const devices = Object.values(loaded.get(id)!.document.devices);
    people.push(new Person(client, url, id, devices[Math.floor(n / PROJECTS)], n % PROJECTS === 0 ? 60 : 0));
  }
  const until = performance.now() + MINUTES * MINUTE_MS;
  const exportsMs: number[] = [];
  const exportAgain = async () => {
    while (performance.now() < until - EXPORT_EVERY_MS) {
      const start = performance.now();
      const response = await owner.send('GET', `/projects/${bigId}/documents/cabling-sheet.pdf`);
      if (!response.ok) throw new Error(`export: ${await response.text()}`);
      await response.arrayBuffer();
      exportsMs.push(performance.now() - start);
      await sleep(Math.max(0, EXPORT_EVERY_MS - (performance.now() - start)));
    }
  };
  let heapAtTwo = 0;
  const watch = async () => {
    if (MINUTES < 3) return;
    await sleep(2 * MINUTE_MS);
    heapAtTwo = await heapMb(child);
  };
  await Promise.all([exportAgain(), watch(), ...people.map((one, n) => one.work(until, (n * EDIT_EVERY_MS) / PEOPLE))]);
  const heapAtEnd = await heapMb(child);
  let lost = 0;
  for (const id of ids) {
    const stored = new Set<string>();
    for (let since = 0; ;) {
      const { changes } = await owner.json<{ changes: { revision: number; change: { id: string } }[] }>(
        'GET',
        `/projects/${id}/changes?since=${since}`,
      );
      if (changes.length === 0) break;
      for (const { change } of changes) stored.add(change.id);
      since = changes[changes.length - 1].revision;
    }
    lost += people
      .filter(({ projectId }) => projectId === id)
      .flatMap(({ acknowledged }) => acknowledged.filter((one) => !stored.has(one))).length;
  }
  child.kill('SIGKILL');
  const saves = people.flatMap(({ savesMs }) => savesMs);
  if (people.some(({ received }) => received < 10)) throw new Error('followers received too little');
  return [
    figure(
      'load',
      `${PEOPLE} people in ${PROJECTS} projects, ${MINUTES} min: save, 95th percentile`,
      percentile(saves, 0.95),
      'ms',
      100,
    ),
    figure('load', `the same, median of ${saves.length}`, percentile(saves, 0.5), 'ms'),
    figure('load', 'acknowledged edits that were lost', lost, '', 0),
    figure(
      'load',
      `export of a 2 000-run house meanwhile, median of ${exportsMs.length}`,
      percentile(exportsMs, 0.5) / 1000,
      's',
    ),
    figure('load', 'a house of 2 000 runs and 3 000 devices opened, 95th percentile', percentile(opens, 0.95), 'ms', 1000),
    ...(MINUTES < 3
      ? []
      : [figure('load', `heap after collection, from minute 2 to minute ${MINUTES}`, heapAtEnd - heapAtTwo, 'MB', 20)]),
    figure('load', 'plain reference: saves of one person alone, 95th percentile', percentile(alone, 0.95), 'ms'),
  ];
}
