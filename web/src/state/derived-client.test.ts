import { moveDevices, placeDevice } from '@dusky-spool/core/devices';
import { DerivedProject } from '@dusky-spool/core/deltas';
import { edited, type Touched } from '@dusky-spool/core/derive';
import { COLLECTION_NAMES, type Operation, type ProjectDocument, update } from '@dusky-spool/core/model';
import { runChecks } from '@dusky-spool/core/rules';
import { planRuns } from '@dusky-spool/core/runs';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { createStore } from 'zustand';
import { JobFailed, type JobHandlers, type JobPort, type JobWorker, serveJobs } from '../workers/jobs.ts';
import { PROJECT_JOB_GROUPS, projectHandlers, type ProjectJobs } from '../workers/project-jobs.ts';
import { DerivedClient, type DerivedState, NOTHING_DERIVED } from './derived-client.ts';

const TODAY = '2026-11-25';
const ids = countedIds();
const { project: house } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'network-drop', at: [3, 0.05] },
  ],
  ids,
);
const [speakerId] = Object.keys(house.devices);

const touchedAll: Touched = new Map(COLLECTION_NAMES.map((name) => [name, new Set(Object.keys(house[name]))]));
/** Moves the speaker to a place, m. */
const move = (project: ProjectDocument, to: readonly [number, number]): readonly Operation[] => {
  const moved = moveDevices(project, [{ deviceId: speakerId, to }]);
  if (!moved.ok) throw new Error(moved.problem.code);
  return moved.value;
};

/** A client whose worker is a message port in the same thread; `change` may spoil the handlers of one worker. */
function openClient(
  change: (handlers: JobHandlers<ProjectJobs>, worker: number) => Partial<JobHandlers<ProjectJobs>> = () => ({}),
) {
  const store = createStore<DerivedState>()(() => NOTHING_DERIVED);
  const errors: string[] = [];
  const ports: MessagePort[] = [];
  const workers: JobWorker[] = [];
  const client = new DerivedClient(
    () => {
      const { port1, port2 } = new MessageChannel();
      ports.push(port1, port2);
      const handlers = projectHandlers(new DerivedProject({ outdoors: 'Outdoors' }));
      serveJobs<ProjectJobs>(
        port2 as unknown as JobPort,
        { ...handlers, ...change(handlers, workers.length) },
        PROJECT_JOB_GROUPS,
      );
      workers.push(port1 as unknown as JobWorker);
      return port1 as unknown as JobWorker;
    },
    store,
    () => TODAY,
    (error) => errors.push(error.message),
  );
  return { client, store, errors, workers, close: () => ports.forEach((port) => port.close()) };
}

function* endless(): Generator<number, never> {
  for (;;) yield 0;
}

describe('the client of the derived project', () => {
  let open: ReturnType<typeof openClient>[] = [];
  const start: typeof openClient = (change) => {
    const one = openClient(change);
    open.push(one);
    return one;
  };
  afterEach(() => {
    open.forEach(({ client, close }) => {
      client.stop();
      close();
    });
    open = [];
  });
  const edit = ({ client }: ReturnType<typeof openClient>, before: ProjectDocument, operations: readonly Operation[]) => {
    const after = applied(before, operations);
    client.edit(before, after, touchedAll);
    return after;
  };
  const expectDerived = (store: ReturnType<typeof openClient>['store'], project: ProjectDocument) => {
    const { derived } = store.getState();
    expect(derived.runs).to.deep.equal(planRuns(structuredClone(project)));
    expect(derived.findings.map(({ code }) => code).sort()).to.deep.equal(
      runChecks(structuredClone(project), TODAY)
        .map(({ code }) => code)
        .sort(),
    );
  };
  const failureOf = (job: Promise<unknown>) =>
    job.then(
      () => null,
      (error: Error) => error,
    );

  it('publishes routes, findings and the schedule of a project, and of each edit', async () => {
    const one = start();
    one.client.open(house);
    expect(one.store.getState().checked).to.equal(false);
    await one.client.upToDate();
    expect(one.store.getState()).to.include({ checked: true, share: null, failed: false });
    expectDerived(one.store, house);
    const moved = edit(one, house, move(house, [4, 2]));
    await one.client.upToDate();
    expectDerived(one.store, moved);
  });

  it('is up to date only when the last of many quick edits is derived', async () => {
    const one = start();
    one.client.open(house);
    let project = house;
    for (let i = 0; i < 8; i++) project = edit(one, project, move(project, [1 + i * 0.7, 2]));
    await one.client.upToDate();
    expectDerived(one.store, project);
  });

  it('starts over where an edit was made from a state that it was not sent', async () => {
    const one = start();
    one.client.open(house);
    const unseen = applied(house, move(house, [2, 3]));
    const after = edit(one, unseen, move(unseen, [4, 3]));
    await one.client.upToDate();
    expectDerived(one.store, after);
  });

  it('shows what a proposal would change, and nothing of it after it ends', async () => {
    const one = start();
    one.client.open(house);
    await one.client.upToDate();
    const placed = placeDevice(house, { typeId: 'display', levelId: 'm', at: [5, 0.05] }, { device: ids.device(), run: ids.run });
    if (!placed.ok) throw new Error(placed.problem.code);
    const { operations } = placed.value;
    const proposed = edited(house, operations);
    if (!proposed.ok) throw new Error(proposed.problem.code);
    one.client.preview({ operations, project: proposed.value });
    await new Promise<void>((resolve) => {
      one.store.subscribe(({ previewed }) => {
        if (previewed && previewed.derived.runs.length > 2) resolve();
      });
    });
    expect(one.store.getState().previewed?.derived.runs.length).to.be.greaterThan(one.store.getState().derived.runs.length);
    one.client.preview(null);
    expect(one.store.getState().previewed).to.equal(null);
    expectDerived(one.store, house);
  });

  it('shows the runs of dragged devices, asks only for the newest place, and keeps them until the edit is derived', async () => {
    const places: (readonly Operation[])[] = [];
    const one = start(({ drag }) => ({
      drag: (params, context) => {
        places.push(params.operations);
        return drag(params, context);
      },
    }));
    one.client.open(house);
    await one.client.upToDate();
    const before = one.store.getState().derived.runs.find(({ device }) => device.id === speakerId)!;
    const steps = [2, 3, 4, 5].map((x) => move(house, [x, 2]));
    for (const operations of steps) one.client.drag(operations, [speakerId], applied(house, operations));
    await new Promise<void>((resolve) => {
      let seen = 0;
      one.store.subscribe(({ dragged }) => {
        if (dragged && ++seen === 2) resolve();
      });
    });
    expect(places).to.have.length(2);
    expect(places[1]).to.deep.equal(structuredClone(steps[3]));
    const [run] = one.store.getState().dragged!.runs;
    expect(run.length?.cutLengthM).to.not.equal(before.length?.cutLengthM);
    const after = edit(one, house, steps[3]);
    one.client.endDrag(true);
    expect(one.store.getState().dragged).to.equal(null);
    const dropped = one.store.getState().derived.runs.find(({ device }) => device.id === speakerId)!;
    expect(dropped.length).to.deep.equal(run.length);
    await one.client.upToDate();
    expectDerived(one.store, after);
  });

  it('shows a drag that came to nothing where it began', async () => {
    const one = start();
    one.client.open(house);
    await one.client.upToDate();
    const operations = move(house, [4, 2]);
    one.client.drag(operations, [speakerId], applied(house, operations));
    one.client.endDrag(false);
    expect(one.store.getState().dragged).to.equal(null);
    await one.client.upToDate();
    expectDerived(one.store, house);
  });

  it('stops a derivation when it is cancelled, and resumes it for whoever needs it', async () => {
    const one = start();
    one.client.open(house);
    await one.client.upToDate();
    const moved = edit(one, house, move(house, [4, 2]));
    one.client.cancel();
    expect(one.store.getState()).to.include({ stopped: true, share: null });
    await one.client.upToDate();
    expect(one.store.getState().stopped).to.equal(false);
    expectDerived(one.store, moved);
  });

  it('never calls itself up to date where a person cancels while somebody waits', async () => {
    const one = start(() => ({ edit: (_, { work }) => work(endless()) }));
    one.client.open(house);
    await one.client.upToDate();
    edit(one, house, move(house, [4, 2]));
    const waiting = failureOf(one.client.upToDate());
    one.client.cancel();
    expect((await waiting)?.name).to.equal('JobCancelled');
  });

  it('starts a new worker where a derivation fails, and goes on', async () => {
    const one = start((_, worker) =>
      worker > 0
        ? {}
        : {
            edit: () => {
              throw new Error('a wall without an end');
            },
          },
    );
    one.client.open(house);
    await one.client.upToDate();
    const moved = edit(one, house, move(house, [4, 2]));
    await failureOf(one.client.upToDate());
    await one.client.upToDate();
    expect(one.workers).to.have.length(2);
    expect(one.errors).to.deep.equal(['a wall without an end']);
    expect(one.store.getState().failed).to.equal(false);
    expectDerived(one.store, moved);
  });

  it('says so where the second try fails as well, rejects whoever waits, and tries again when asked', async () => {
    let broken = true;
    const one = start((handlers) => ({
      open: (params, context) => {
        if (broken) throw new Error('out of memory');
        return handlers.open(params, context);
      },
    }));
    one.client.open(house);
    expect(await failureOf(one.client.upToDate().then(() => one.client.upToDate()))).to.be.instanceOf(JobFailed);
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(one.store.getState().failed).to.equal(true);
    broken = false;
    await one.client.upToDate();
    expect(one.store.getState()).to.include({ failed: false, checked: true });
    expectDerived(one.store, house);
  });

  it('starts again where its worker crashes', async () => {
    const one = start();
    one.client.open(house);
    await one.client.upToDate();
    const moved = edit(one, house, move(house, [4, 2]));
    one.workers[0].onerror?.({ message: 'crashed' } as ErrorEvent);
    await failureOf(one.client.upToDate());
    await one.client.upToDate();
    expect(one.workers).to.have.length(2);
    expectDerived(one.store, moved);
  });

  it('answers questions, and gives their errors to whoever asked without stopping', async () => {
    const one = start(() => ({
      cabling: () => {
        throw new Error('no cabling');
      },
    }));
    one.client.open(house);
    await one.client.upToDate();
    const [{ run }] = one.store.getState().derived.runs;
    const choices = await one.client.ask('choices', run.id);
    expect(choices.ok).to.equal(true);
    expect((await failureOf(one.client.ask('cabling', null)))?.message).to.equal('no cabling');
    expect(one.store.getState().failed).to.equal(false);
    expect(await one.client.ask('bundles', null)).to.be.an('array');
  });

  it('settles what is on the way when the project is closed', async () => {
    const one = start();
    one.client.open(house);
    const waiting = failureOf(one.client.upToDate());
    const asked = failureOf(one.client.ask('cabling', null));
    one.client.stop();
    expect((await waiting)?.name).to.equal('JobCancelled');
    expect((await asked)?.name).to.equal('JobCancelled');
    expect(one.errors).to.deep.equal([]);
  });

  it('derives an edit of the project itself', async () => {
    const one = start();
    one.client.open(house);
    await one.client.upToDate();
    const renamed = edit(one, house, [update('rooms', Object.values(house.rooms)[0], { name: 'Workshop' })!]);
    await one.client.upToDate();
    expectDerived(one.store, renamed);
  });
});
