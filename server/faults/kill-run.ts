import { spawn, type ChildProcess } from 'node:child_process';
import { createInterface } from 'node:readline';
import { createServer } from 'node:net';
import { join } from 'node:path';
import {
  applyChange,
  type Change,
  create,
  newOpening,
  newRoom,
  newWall,
  type Operation,
  type ProjectDocument,
  update,
} from '@dusky-spool/core/model';
import { freshDatabaseUrl } from '../testing/fresh-database.ts';
import { TEST_SETUP_TOKEN, TestClient } from '../testing/test-client.ts';

const ROOT = join(import.meta.dirname, '../..');

/** What a run of kills found. */
export interface KillReport {
  readonly kills: number;
  readonly acknowledged: number;
  readonly lostAfterRestart: number;
  readonly stored: number;
  readonly storedTwice: number;
  readonly sameDocument: boolean;
}

/** Numbers from 0 to 1 that are the same for the same seed (a linear congruence, good enough to pick moments). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/**
 * Makes `edits` edits against a real server process, kills it with SIGKILL in the midst of those numbered in `killAt`,
 * starts it again and sends what was not acknowledged once more, as the browser does.
 */
export async function killRun(edits: number, killAt: ReadonlySet<number>, seed: number): Promise<KillReport> {
  const random = seeded(seed);
  const databaseUrl = await freshDatabaseUrl();
  const port = await freePort();
  let server = await startProcess(databaseUrl, port);
  const client = await new TestClient(`http://127.0.0.1:${port}`).makeFirstAccount();
  const projectId = await client.newProject('Under fire');
  let expected: ProjectDocument = (await client.load(projectId)).document;
  const acknowledged = new Set<string>();
  let lostAfterRestart = 0;
  let kills = 0;
  for (let n = 0; n < edits; n++) {
    const change = client.change(operationsOf(n, expected, random), 0);
    const applied = applyChange(expected, change);
    if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
    expected = applied.value;
    const answer = send(client, projectId, change);
    if (killAt.has(n)) {
      await sleep(random() * 9);
      const gone = new Promise((done) => server.once('exit', done));
      server.kill('SIGKILL');
      kills++;
      if (await answer) acknowledged.add(change.id);
      await gone;
      server = await startProcess(databaseUrl, port);
      const stored = await storedIds(client, projectId);
      lostAfterRestart += [...acknowledged].filter((id) => !stored.includes(id)).length;
      if (!acknowledged.has(change.id) && !(await send(client, projectId, change)))
        throw new Error('The edit was refused after the restart');
      acknowledged.add(change.id);
    } else {
      if (!(await answer)) throw new Error(`Edit ${n} was not acknowledged although nothing failed`);
      acknowledged.add(change.id);
    }
  }
  const stored = await storedIds(client, projectId);
  const { document: project } = await client.load(projectId);
  server.kill('SIGKILL');
  const { expect } = await import('chai');
  let sameDocument = true;
  try {
    expect(project).to.deep.equal(expected);
  } catch {
    sameDocument = false;
  }
  return {
    kills,
    acknowledged: acknowledged.size,
    lostAfterRestart,
    stored: stored.length,
    storedTwice: stored.length - new Set(stored).size,
    sameDocument,
  };
}

/** Edits of several tables: a wall with a door, a room, or a change of an earlier one. */
function operationsOf(n: number, project: ProjectDocument, random: () => number): Operation[] {
  const rooms = Object.values(project.rooms);
  if (n % 3 === 0 && rooms.length > 0) {
    const room = rooms[Math.floor(random() * rooms.length)];
    const renamed = update('rooms', room, { name: `Room after edit ${n}`, joistSpacingM: 0.3 + random() / 5 });
    if (renamed) return [renamed];
  }
  if (n % 3 === 1) {
    return [
      create(
        'walls',
        newWall({
          id: `w${n}`,
          levelId: 'level_m',
          a: [0, n],
          b: [4, n],
          thicknessM: 0.12,
          kind: 'stud',
          cavityDepthM: 0.09,
          cableMayRun: true,
        }),
      ),
      create(
        'openings',
        newOpening({
          id: `o${n}`,
          wallId: `w${n}`,
          kind: 'door',
          offsetM: 1,
          widthM: 0.8,
          sillM: 0,
          headM: 2.04,
          hinge: 'start',
          swing: 'left',
        }),
      ),
    ];
  }
  const polygon: [number, number][] = [
    [0, n],
    [4, n],
    [4, n + 0.9],
    [0, n + 0.9],
  ];
  return [
    create(
      'rooms',
      newRoom({
        id: `r${n}`,
        levelId: 'level_m',
        code: `R${n}`,
        name: `Room ${n}`,
        polygon,
      }),
    ),
  ];
}

/** Whether the change was acknowledged; false where the connection broke. A refusal is an error. */
async function send(client: TestClient, projectId: string, change: Change): Promise<boolean> {
  try {
    const { results } = await client.sendChanges(projectId, change);
    if (results[0].status !== 'applied') throw new Error(`refused: ${JSON.stringify(results[0].problem)}`);
    return true;
  } catch (error) {
    if ((error as Error).message.startsWith('refused')) throw error;
    return false;
  }
}

async function storedIds(client: TestClient, projectId: string): Promise<string[]> {
  const ids: string[] = [];
  for (let since = 0; ;) {
    const { changes } = await client.json<{ changes: { revision: number; change: { id: string } }[] }>(
      'GET',
      `/projects/${projectId}/changes?since=${since}`,
    );
    if (changes.length === 0) return ids;
    ids.push(...changes.map((stored) => stored.change.id));
    since = changes[changes.length - 1].revision;
  }
}

export function startProcess(databaseUrl: string, port: number, more: NodeJS.ProcessEnv = {}): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/app/main.ts'], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      LOG_LEVEL: 'silent',
      SIGN_IN_TRIES: '1000',
      DUSKY_DEMO: '0',
      SETUP_TOKEN: TEST_SETUP_TOKEN,
      ...more,
    },
  });
  // A test that ends badly leaves no server behind.
  const onExit = () => child.kill('SIGKILL');
  process.once('exit', onExit);
  child.once('exit', () => process.off('exit', onExit));
  return new Promise((ready, failed) => {
    child.once('exit', (code) => failed(new Error(`The server ended with ${code} before it was ready`)));
    createInterface({ input: child.stdout }).on('line', (line) => {
      if (line.startsWith('{"ready"')) ready(child);
    });
  });
}

export const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });

const sleep = (ms: number) => new Promise((done) => setTimeout(done, ms));
