import { expect } from 'chai';
import fc from 'fast-check';
import { moveWalls, onlyOutlines, resettle } from '@dusky-spool/core/survey';
import { placeDevice } from '@dusky-spool/core/devices';
import type { Problem } from '@dusky-spool/core/math';
import {
  applyChange,
  type Change,
  type ChangesReply,
  checkIntegrity,
  COLLECTION_NAMES,
  create,
  type Operation,
  type ProjectDocument,
  type StoredChange,
  update,
} from '@dusky-spool/core/model';
import { proposedRoutes, runState } from '@dusky-spool/core/runs';
import { countedIds, designedHouse, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { ProjectSync } from './sync.ts';
import { SendRefused, type SyncState, Unreachable } from './sync-state.ts';

/** Edits that three people make apart: all 2,000 in `npm run soak`, a quarter of them with every test. */
const EDITS = process.env.SOAK === '1' ? 2000 : 500;

/** A server in memory with the rules of the real one, whose answers can be lost. */
class MemoryServer {
  project: ProjectDocument;
  readonly log: StoredChange[] = [];
  readonly tabs: ProjectSync[] = [];
  fails: () => 'no' | 'before' | 'after' = () => 'no';
  forbids: (operations: readonly Operation[]) => Problem | null = () => null;
  /** Throws what the transport throws where the server will not take a request as a whole. */
  chokes: (changes: readonly Change[]) => void = () => undefined;

  constructor(project: ProjectDocument) {
    this.project = project;
  }

  async send(changes: readonly Change[]): Promise<ChangesReply> {
    await Promise.resolve();
    const failure = this.fails();
    if (failure === 'before') throw new Unreachable('offline');
    this.chokes(changes);
    const results: ChangesReply['results'][number][] = [];
    for (const change of changes) {
      const known = this.log.find((stored) => stored.change.id === change.id);
      if (known) {
        results.push({ id: change.id, status: 'applied', revision: known.revision });
        continue;
      }
      const applied = applyChange(this.project, change);
      const whole = applied.ok ? checkIntegrity(applied.value) : applied;
      if (!whole.ok) {
        const problem =
          whole.problem.code === 'value-taken'
            ? { ...whole.problem, field: whole.problem.field!.replace(/\.[^.]+\./, '.') }
            : whole.problem;
        results.push({ id: change.id, status: 'refused', problem });
        break;
      }
      this.project = whole.value;
      const stored = { revision: this.log.length + 1, change, author: 'Someone', at: '2026-12-02T10:00:00.000Z' };
      this.log.push(stored);
      results.push({ id: change.id, status: 'applied', revision: stored.revision });
    }
    if (failure === 'after') throw new Unreachable('offline');
    return { revision: this.log.length, results };
  }
}

/** Every record that a view has otherwise than the one before it is among those that it names. */
function expectTouched(before: ProjectDocument, { view, touched }: SyncState): void {
  for (const name of COLLECTION_NAMES) {
    const [was, is] = [before[name] as Readonly<Record<string, unknown>>, view[name] as Readonly<Record<string, unknown>>];
    const differ = Object.keys({ ...was, ...is }).filter((id) => was[id] !== is[id]);
    expect([...(touched.get(name) ?? [])], name).to.include.members(differ);
  }
}

function openTab(
  server: MemoryServer,
  tasks: (() => void)[],
  kept: Change[] = [],
  keep: (pending: readonly Change[]) => void = () => undefined,
  told: (state: SyncState) => void = () => undefined,
): ProjectSync {
  let shown = server.project;
  let count = 0;
  const name = server.tabs.length + 1;
  const tab = new ProjectSync(
    {
      send: (changes) => server.send(changes),
      since: async (revision) => {
        await Promise.resolve();
        if (server.fails() !== 'no') throw new Unreachable('offline');
        return server.log.slice(revision);
      },
      keep: async (pending) => keep(pending),
      keepAside: async () => undefined,
      forbids: (operations) => server.forbids(operations),
      now: () => new Date('2026-11-29T10:00:00Z'),
      newId: () => `00000000-0000-4000-800${name}-${String(++count).padStart(12, '0')}`,
      later: (task) => tasks.push(task),
      changed: (state) => {
        told(state);
        if (state.view !== shown) expectTouched(shown, state);
        shown = state.view;
      },
      resettle: async (base, change, conflicts) => {
        await Promise.resolve();
        if (!onlyOutlines(conflicts)) return null;
        const again = resettle(base, change.operations, () => `room_${name}_${++count}`);
        return again.ok ? again.value : null;
      },
    },
    { project: server.project, revision: server.log.length },
    kept,
  );
  shown = tab.current.view;
  server.tabs.push(tab);
  return tab;
}

const settle = async (tasks: (() => void)[]) => {
  for (let round = 0; round < 200; round++) {
    await new Promise((done) => setImmediate(done));
    tasks.splice(0).forEach((task) => task());
  }
};
const place = (tab: ProjectSync, id: string, x: number) => {
  const placed = placeDevice(
    tab.current.view,
    { typeId: 'ceiling-speaker', levelId: 'm', at: [x, 2] },
    { device: id, run: () => `run_${id}` },
  );
  if (!placed.ok) throw new Error('refused');
  return tab.edit('Place', placed.value.operations);
};
const move = (tab: ProjectSync, id: string, x: number) => {
  const device = tab.current.view.devices[id];
  if (device && device.x !== x) tab.edit('Move', [update('devices', device, { x })!]);
};

describe('keeping in step with the server', () => {
  it('publishes one edit once', () => {
    let count = 0;
    const tab = openTab(new MemoryServer(smallHouse()), [], [], undefined, () => count++);
    place(tab, 'd1', 1);
    expect([count, tab.current.history.done.length]).to.deep.equal([1, 1]);
    tab.undo();
    expect([count, tab.current.history.undone.length]).to.deep.equal([2, 1]);
  });

  it('applies an edit at once and keeps it until it is acknowledged', async () => {
    const tasks: (() => void)[] = [];
    const keeps: number[] = [];
    const tab = openTab(new MemoryServer(smallHouse()), tasks, [], (pending) => keeps.push(pending.length));
    place(tab, 'd1', 1);
    expect(tab.current.view.devices).to.have.all.keys('d1');
    expect(tab.current.pending).to.have.length(1);
    await settle(tasks);
    expect([tab.current.pending.length, tab.current.revision, keeps.at(-1)]).to.deep.equal([0, 1, 0]);
  });

  it('sends again what got no answer, and nothing is there twice', async () => {
    const tasks: (() => void)[] = [];
    const server = new MemoryServer(smallHouse());
    const tab = openTab(server, tasks);
    const answers: ('no' | 'before' | 'after')[] = ['after', 'before', 'after', 'no'];
    server.fails = () => answers.shift() ?? 'no';
    place(tab, 'd1', 1);
    move(tab, 'd1', 2);
    await settle(tasks);
    expect(server.log).to.have.length(2);
    expect(tab.current).to.deep.include({ connection: 'online', revision: 2, pending: [] });
    expect(tab.current.view).to.deep.equal(server.project);
  });

  it('brings edits kept by a closed tab back and sends them', async () => {
    const tasks: (() => void)[] = [];
    const server = new MemoryServer(smallHouse());
    let kept: Change[] = [];
    server.fails = () => 'before';
    const first = openTab(server, tasks, [], (pending) => (kept = [...pending]));
    place(first, 'd1', 1);
    await new Promise((done) => setImmediate(done));
    expect(first.current.connection).to.equal('offline');
    first.stop();
    server.fails = () => 'no';
    const second = openTab(server, tasks, kept);
    expect(second.current.view.devices).to.have.all.keys('d1');
    await settle(tasks);
    expect(server.project.devices).to.have.all.keys('d1');
  });

  it('shows both values of a conflict and does what a person chooses', async () => {
    for (const [choice, x] of [
      ['mine', 1.5],
      ['theirs', 3],
    ] as const) {
      const tasks: (() => void)[] = [];
      const server = new MemoryServer(smallHouse());
      const [one, two] = [openTab(server, tasks), openTab(server, tasks)];
      place(one, 'd1', 1);
      await settle(tasks);
      await two.catchUp();
      move(two, 'd1', 3);
      await settle(tasks);
      move(one, 'd1', 1.5);
      await settle(tasks);
      expect(one.current.conflict!.conflicts[0]).to.include({ field: 'x', expected: 1, mine: 1.5, theirs: 3 });
      one.resolve(choice);
      await settle(tasks);
      expect(one.current.conflict).to.equal(null);
      expect([one.current.view.devices.d1.x, server.project.devices.d1.x]).to.deep.equal([x, x]);
    }
  });

  it('shows the port that two people gave to different runs, and gives it to the one that a person chooses', async () => {
    for (const choice of ['mine', 'theirs'] as const) {
      const tasks: (() => void)[] = [];
      const server = new MemoryServer(designedHouse([{ typeId: 'network-drop', at: [1, 0.05] }]));
      const [first, second] = Object.values(server.project.terminations);
      const [one, two] = [openTab(server, tasks), openTab(server, tasks)];
      server.fails = () => 'before';
      one.edit('Port', [update('terminations', first, { port: 'data 20' })!]);
      two.edit('Port', [update('terminations', second, { port: 'data 20' })!]);
      await settle(tasks);
      server.fails = () => 'no';
      await settle(tasks);
      const asked = [one, two].find((tab) => tab.current.conflict !== null)!;
      const [own, other] = asked === one ? [first, second] : [second, first];
      expect(asked.current.setAside).to.deep.equal([]);
      expect(asked.current.conflict!.conflicts).to.deep.equal([
        { in: 'terminations', id: other.id, field: 'runId', expected: null, mine: own.runId, theirs: other.runId },
      ]);
      asked.resolve(choice);
      await settle(tasks);
      const there = Object.values(server.project.terminations).filter(({ port }) => port === 'data 20');
      expect(there.map(({ runId }) => runId)).to.deep.equal([choice === 'mine' ? own.runId : other.runId]);
      expect(checkIntegrity(server.project).ok).to.equal(true);
      expect([one, two].map((tab) => [tab.current.conflict, tab.current.pending.length])).to.deep.equal([
        [null, 0],
        [null, 0],
      ]);
    }
  });

  it('asks which cut of a spool stays where two people pulled one run, or took more cable than there was', async () => {
    for (const choice of ['mine', 'theirs'] as const) {
      const tasks: (() => void)[] = [];
      const house = designedHouse([{ typeId: 'network-drop', at: [1, 0.05] }]);
      const [run] = Object.values(house.runs);
      const spool = {
        id: 's',
        code: 'S1',
        cableTypeId: run.cableTypeId,
        lengthM: 100,
        jacketColour: '',
        make: '',
        isBoxed: false,
        needsStand: true,
        note: '',
      };
      const server = new MemoryServer({ ...house, spools: { s: spool } });
      const [one, two] = [openTab(server, tasks), openTab(server, tasks)];
      const cut = (id: string, lengthM: number, runId: string | null): Operation =>
        create('spoolCuts', { id, spoolId: 's', runId, lengthM, on: '2026-12-02', firstMark: '', lastMark: '' });
      server.fails = () => 'before';
      one.edit('Pulled', [cut('c1', 30, run.id)]);
      two.edit('Pulled', [cut('c2', 40, run.id)]);
      await settle(tasks);
      server.fails = () => 'no';
      await settle(tasks);
      const asked = [one, two].find((tab) => tab.current.conflict !== null)!;
      const [own, theirs] = asked === one ? ['c1', 'c2'] : ['c2', 'c1'];
      expect(asked.current.conflict!.conflicts.map(({ id, field }) => [id, field])).to.deep.equal([[theirs, 'lengthM']]);
      expect(asked.current.conflict!.theirs).to.deep.equal({ author: 'Someone', at: '2026-12-02T10:00:00.000Z' });
      asked.resolve(choice);
      await settle(tasks);
      expect(Object.keys(server.project.spoolCuts)).to.deep.equal([choice === 'mine' ? own : theirs]);
    }
  });

  it('writes down one kept route where two people recorded the same pull', async () => {
    const tasks: (() => void)[] = [];
    const house = designedHouse([{ typeId: 'network-drop', at: [1, 0.05] }]);
    const [run] = Object.values(house.runs);
    const server = new MemoryServer(house);
    const [one, two] = [openTab(server, tasks), openTab(server, tasks)];
    server.fails = () => 'before';
    for (const tab of [one, two]) {
      const pulled = runState(tab.current.view, [run.id], 'pulled', proposedRoutes(tab.current.view));
      if (!pulled.ok) throw new Error(pulled.problem.code);
      tab.edit('Pulled', pulled.value);
    }
    await settle(tasks);
    server.fails = () => 'no';
    await settle(tasks);
    expect(Object.values(server.project.routes).map(({ runId }) => runId)).to.deep.equal([run.id]);
    for (const tab of [one, two]) {
      await tab.catchUp();
      expect([tab.current.pending.length, tab.current.setAside.length, tab.current.conflict]).to.deep.equal([0, 0, null]);
      expect(tab.current.view).to.deep.equal(server.project);
    }
  });

  it('loses and doubles nothing of the edits that three people made apart for a day', async () => {
    const tasks: (() => void)[] = [];
    const wanted = Array.from({ length: 240 }, (_, n) => ({
      typeId: 'ceiling-speaker',
      at: [0.3 + 0.05 * (n % 60), 0.5 + 0.5 * Math.floor(n / 60)] as const,
    }));
    const server = new MemoryServer(withDevices(smallHouse(), wanted, countedIds()).project);
    const tabs = [openTab(server, tasks), openTab(server, tasks), openTab(server, tasks)];
    const runIds = Object.keys(server.project.runs);
    let seed = 20261202;
    const random = (below: number) => {
      seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
      return Math.floor((seed / 2 ** 32) * below);
    };
    server.fails = () => 'before';
    const made = new Map<string, { readonly tab: number; readonly operations: readonly Operation[] }>();
    let photos = 0;
    for (let n = 0; n < EDITS; n++) {
      const index = random(3);
      const tab = tabs[index];
      const { view } = tab.current;
      const run = view.runs[runIds[random(runIds.length)]];
      const choice = random(5);
      const value = `${index}-${n}`;
      const operation =
        choice === 0
          ? update('runs', run, { note: value })
          : choice === 1
            ? update('runs', run, { floorMark: value })
            : choice === 2
              ? update('runs', run, { rawTestedOn: `2026-12-${String(1 + random(28)).padStart(2, '0')}` })
              : choice === 3
                ? update('devices', view.devices[run.deviceId], { note: value })
                : create('taskTimes', {
                    ...{ id: `t${index}_${++photos}`, task: 'pull', roomId: null, count: 1, estimateHours: 1, hours: 1 },
                    ...{ reason: value, isAttic: false, by: `Crew ${index}`, on: '2026-12-02' },
                  });
      if (!operation) continue;
      const before = tab.current.pending.length;
      expect(tab.edit('Edit', [operation])).to.equal(null);
      expect(tab.current.pending.length).to.equal(before + 1);
      made.set(tab.current.pending.at(-1)!.id, { tab: index, operations: [operation] });
    }
    expect(made.size).to.be.greaterThan(0.95 * EDITS);
    await settle(tasks);
    server.fails = () => 'no';
    const soon = async () => {
      for (let turn = 0; turn < 4; turn++) await new Promise((done) => setImmediate(done));
      tasks.splice(0).forEach((task) => task());
    };
    // They meet; every conflict is settled by a person, by turns one way and the other.
    const givenUp = new Set<string>();
    const kept = new Map<string, string>();
    for (let round = 0; round < 20_000; round++) {
      await soon();
      const asked = tabs.filter((tab) => tab.current.conflict !== null);
      if (asked.length === 0 && tabs.every((tab) => tab.current.pending.length === 0)) break;
      for (const tab of asked) {
        const { change } = tab.current.conflict!;
        const origin = kept.get(change.id) ?? change.id;
        if (random(2) === 0) {
          givenUp.add(origin);
          tab.resolve('theirs');
        } else {
          const known = new Set(tab.current.pending.map(({ id }) => id));
          tab.resolve('mine');
          const next = tab.current.pending.find(({ id }) => !known.has(id));
          if (next) kept.set(next.id, origin);
        }
      }
      for (const tab of tabs) void tab.tryAgain();
    }
    for (const tab of tabs) await tab.catchUp();
    for (const tab of tabs) {
      expect([tab.current.pending.length, tab.current.setAside.length, tab.current.conflict]).to.deep.equal([0, 0, null]);
      expect(tab.current.view).to.deep.equal(server.project);
    }
    // Every edit is accounted for: stored once, or given up by a person.
    const stored = server.log.map(({ change }) => kept.get(change.id) ?? change.id);
    expect(new Set(stored).size).to.equal(stored.length);
    for (const id of made.keys()) expect(stored.includes(id) !== givenUp.has(id), id).to.equal(true);
    expect(Object.keys(server.project.taskTimes)).to.have.length(photos);
  }).timeout(120_000);

  it('fits a room to two walls that two people moved, and asks nobody', async () => {
    const tasks: (() => void)[] = [];
    const server = new MemoryServer(smallHouse());
    const [one, two] = [openTab(server, tasks), openTab(server, tasks)];
    const push = (tab: ProjectSync, wallId: string, by: [number, number]) => {
      const moved = moveWalls(tab.current.view, { wallIds: [wallId] }, by, (kind) => `${kind}_new`);
      if (!moved.ok) throw new Error(moved.problem.code);
      expect(tab.edit('Move', moved.value)).to.equal(null);
    };
    push(two, 'north1', [0, 1]);
    await settle(tasks);
    push(one, 'south1', [0, -2]);
    await settle(tasks);
    for (const tab of [one, two]) {
      await tab.catchUp();
      expect(tab.current.conflict).to.equal(null);
      expect(tab.current.pending).to.deep.equal([]);
      expect(tab.current.view).to.deep.equal(server.project);
    }
    const ys = server.project.rooms.a.polygon.map(([, y]) => y);
    expect([Math.min(...ys), Math.max(...ys)]).to.deep.equal([-2, 5.1]);
  });

  it('gives a device another number where another person was first', async () => {
    const tasks: (() => void)[] = [];
    const server = new MemoryServer(smallHouse());
    const [one, two] = [openTab(server, tasks), openTab(server, tasks)];
    place(one, 'd1', 1);
    place(two, 'd2', 2);
    await settle(tasks);
    await one.catchUp();
    expect(
      Object.values(server.project.runs)
        .map((run) => run.number)
        .sort(),
    ).to.deep.equal(['M-AA-01.1', 'M-AA-02.1']);
    expect(two.current.view).to.deep.equal(server.project);
    expect(one.current.view).to.deep.equal(server.project);
    two.undo();
    await settle(tasks);
    expect(server.project.devices).to.have.all.keys('d1');
  });

  it('sets an edit of what was deleted meanwhile aside, goes on, and brings it back with the edit when asked', async () => {
    const tasks: (() => void)[] = [];
    const server = new MemoryServer(smallHouse());
    const [one, two] = [openTab(server, tasks), openTab(server, tasks)];
    place(one, 'd1', 1);
    await settle(tasks);
    await two.catchUp();
    one.undo();
    await settle(tasks);
    move(two, 'd1', 2);
    place(two, 'd2', 3);
    await settle(tasks);
    expect(two.current.notice).to.include({ code: 'record-gone' });
    expect(server.project.devices).to.have.all.keys('d2');
    expect(two.current.view).to.deep.equal(server.project);
    const [aside] = two.current.setAside;
    expect(aside).to.deep.include({ at: '2026-11-29T10:00:00.000Z' }).and.have.nested.property('change.title', 'Move');
    expect(await two.settleAside(aside.change.id, false)).to.include({ code: 'record-gone' });
    expect(two.current.setAside).to.have.length(1);
    expect(await two.settleAside(aside.change.id, true)).to.equal(null);
    await settle(tasks);
    expect(two.current.setAside).to.deep.equal([]);
    expect(server.project.devices.d1).to.include({ x: 2 });
    expect(server.project.runs).to.have.property('run_d1');
    expect(two.current.view).to.deep.equal(server.project);
  });

  it('discards an edit that was set aside when a person says so', async () => {
    const tasks: (() => void)[] = [];
    const server = new MemoryServer(smallHouse());
    const [one, two] = [openTab(server, tasks), openTab(server, tasks)];
    place(one, 'd1', 1);
    await settle(tasks);
    await two.catchUp();
    one.undo();
    await settle(tasks);
    move(two, 'd1', 2);
    await settle(tasks);
    two.letGo(two.current.setAside[0].change.id);
    expect(two.current.setAside).to.deep.equal([]);
    expect(two.current.view).to.deep.equal(server.project);
  });

  it('goes on past an edit at which the server fails, and keeps that one with what it was', async () => {
    for (const [refusal, tries] of [
      [new SendRefused({ code: 'input-invalid', field: 'title' }, false), 1],
      [new SendRefused({ code: 'unexpected' }, true), 3],
    ] as const) {
      const tasks: (() => void)[] = [];
      const server = new MemoryServer(smallHouse());
      server.fails = () => 'before';
      const tab = openTab(server, tasks);
      for (const [n, id] of ['d1', 'd2', 'd3'].entries()) place(tab, id, n + 1);
      await new Promise((done) => setImmediate(done));
      let alone = 0;
      server.fails = () => 'no';
      server.chokes = (changes) => {
        if (!changes.some(({ operations }) => operations.some(({ id }) => id === 'd2'))) return;
        if (changes.length === 1) alone++;
        throw refusal;
      };
      await settle(tasks);
      expect(Object.keys(server.project.devices).sort()).to.deep.equal(['d1', 'd3']);
      expect([tab.current.pending.length, tab.current.connection, alone]).to.deep.equal([0, 'online', tries]);
      expect(tab.current.setAside.map(({ change, problem }) => [change.operations[0].id, problem.code])).to.deep.equal([
        ['d2', refusal.problem.code],
      ]);
      expect(tab.current.view).to.deep.equal(server.project);
    }
  });

  it('shows nothing more once it is stopped: another project may be open when a late answer arrives', async () => {
    const shown: SyncState[] = [];
    const tasks: (() => void)[] = [];
    const server = new MemoryServer(smallHouse());
    server.fails = () => 'before';
    const tab = openTab(server, tasks, [], undefined, (state) => shown.push(state));
    place(tab, 'd1', 1);
    await new Promise((done) => setImmediate(done));
    expect(tab.current.connection).to.equal('offline');
    const count = shown.length;
    void tab.tryAgain();
    tab.stop();
    server.fails = () => 'no';
    await settle(tasks);
    expect(shown.length).to.equal(count);
  });

  it('stays deleted where an answer from before the deletion comes after it', async () => {
    const tab = openTab(new MemoryServer(smallHouse()), []);
    const asking = tab.tryAgain();
    tab.lose('gone');
    await asking;
    expect(tab.current.connection).to.equal('gone');
  });

  it('refuses at once what the role of its user does not allow, and what no house is large enough for', () => {
    const server = new MemoryServer(smallHouse());
    const tab = openTab(server, []);
    server.forbids = () => ({ code: 'role-too-low' });
    expect(place(tab, 'd1', 1)).to.include({ code: 'role-too-low' });
    server.forbids = () => null;
    const rack = tab.current.view.racks[Object.keys(tab.current.view.racks)[0]];
    expect(tab.edit('Move', [update('racks', rack, { x: 900 })!])).to.include({ code: 'level-spans-too-far' });
    expect(tab.current.pending).to.deep.equal([]);
  });

  it('ends the same in every tab, whatever two people do and whatever gets lost', async function () {
    this.timeout(300_000);
    const step = fc.record({
      tab: fc.nat(1),
      act: fc.nat(4),
      x: fc.integer({ min: 1, max: 9 }),
      fail: fc.constantFrom('no', 'no', 'before', 'after'),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 14 }), async (steps) => {
        const tasks: (() => void)[] = [];
        const server = new MemoryServer(smallHouse());
        const tabs = [openTab(server, tasks), openTab(server, tasks)];
        for (const [n, { tab, act, x, fail }] of steps.entries()) {
          server.fails = () => fail as 'no' | 'before' | 'after';
          const here = tabs[tab];
          if (act <= 1) place(here, `d${n}`, x);
          else if (act === 2) here.undo();
          else if (act === 3) here.redo();
          else move(here, Object.keys(here.current.view.devices)[0] ?? '', x);
          if (x % 3 === 0) for (let k = 0; k < 6; k++) await new Promise((done) => setImmediate(done));
        }
        server.fails = () => 'no';
        for (let round = 0; round < 8; round++) {
          await settleQuick(tasks);
          for (const tab of tabs) {
            await tab.tryAgain();
            if (tab.current.conflict) tab.resolve(round % 2 ? 'mine' : 'theirs');
          }
        }
        for (const tab of tabs) {
          expect(tab.current.pending).to.deep.equal([]);
          expect(tab.current.view).to.deep.equal(server.project);
        }
        expect(new Set(server.log.map((stored) => stored.change.id)).size).to.equal(server.log.length);
      }),
      { numRuns: 60 },
    );
  });
});

async function settleQuick(tasks: (() => void)[]): Promise<void> {
  for (let round = 0; round < 15; round++) {
    await new Promise((done) => setImmediate(done));
    tasks.splice(0).forEach((task) => task());
  }
}
