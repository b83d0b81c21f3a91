import '../testing/dom.ts';
import { moveDevices, placeDevice } from '@dusky-spool/core/devices';
import { edited } from '@dusky-spool/core/derive';
import { type ProjectDocument } from '@dusky-spool/core/model';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { keepEdits, keepHouse, keptWork } from '../ground/api/device-store.ts';
import { Refusal } from '../testing/fake-server.ts';
import { FakeSocket, projectServer } from '../testing/project-server.ts';
import { closePage, signInAs } from '../testing/render.tsx';
import { dragOf, proposalOf, useProjectStore } from './project.ts';

const ids = countedIds();
const { project: house, devices } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 1] }], ids);
const [speaker] = devices;
const moveTo = (project: ProjectDocument, to: readonly [number, number]) => moveDevices(project, [{ deviceId: speaker.id, to }]);

describe('the open project', () => {
  let server: Awaited<ReturnType<typeof projectServer>>;
  const store = () => useProjectStore.getState();
  const view = () => store().sync!.view;
  const place = () => {
    const { x, y } = view().devices[speaker.id];
    return [x, y];
  };

  beforeEach(async () => {
    signInAs('planner');
    server = await projectServer(house);
  });
  afterEach(() => {
    store().close();
    server.stop();
    closePage();
  });
  const saved = () => waitFor(() => expect(store().sync!.pending).to.deep.equal([]), { timeout: 5000 });

  it('is loaded, followed, edited and saved, and what was done can be undone and redone', async () => {
    await store().open('p1');
    expect(FakeSocket.all).to.have.length(1);
    expect(store().edit('Move', moveTo(view(), [3, 2]))).to.equal(true);
    expect(place()).to.deep.equal([3, 2]);
    await saved();
    expect(server.state.project.devices[speaker.id].x).to.equal(3);
    store().undo();
    expect(place()).to.deep.equal([1, 1]);
    store().redo();
    expect(place()).to.deep.equal([3, 2]);
    await saved();
    expect(server.state.revision).to.equal(3);
  });

  it('is the same for what others edit, as they do', async () => {
    await store().open('p1');
    const moved = moveTo(view(), [4, 3]);
    if (!moved.ok) throw new Error(moved.problem.code);
    server.someoneElse({ title: 'Move', operations: moved.value });
    await waitFor(() => expect(place()).to.deep.equal([4, 3]));
  });

  it('says why an edit cannot be made, and changes nothing', async () => {
    await store().open('p1');
    const before = view();
    expect(store().edit('Move', { ok: false, problem: { code: 'outside-house', field: 'x' } })).to.equal(false);
    expect(store().refusal?.problem.code).to.equal('outside-house');
    const gone = placeDevice(view(), { typeId: 'no-such-type', levelId: 'm', at: [1, 1] }, { device: 'd9', run: ids.run });
    expect(store().edit('Place', gone.ok ? gone.value.operations : gone)).to.equal(false);
    expect(view()).to.equal(before);
    expect(server.sent('POST', '/projects/p1/changes')).to.deep.equal([]);
  });

  it('keeps an edit that has not been sent, and sends it when the project is opened again', async () => {
    await store().open('p1');
    server.state.refuse = new Refusal(503, { code: 'database-away' });
    store().edit('Move', moveTo(view(), [3, 2]));
    await waitFor(async () => expect((await keptWork('p1')).edits).to.have.length(1));
    store().close();
    server.state.refuse = null;
    await store().open('p1');
    expect(place()).to.deep.equal([3, 2]);
    await saved();
    expect(server.state.project.devices[speaker.id].x).to.equal(3);
    expect((await keptWork('p1')).edits).to.deep.equal([]);
  });

  it('can be undone after it was closed and opened again', async () => {
    await store().open('p1');
    store().edit('Move', moveTo(view(), [3, 2]));
    await saved();
    await waitFor(async () => expect((await keptWork('p1')).history?.done).to.have.length(1));
    store().close();
    await store().open('p1');
    store().undo();
    expect(place()).to.deep.equal([1, 1]);
  });

  it('shows a drag and a proposal without making them, and ends both with an edit', async () => {
    await store().open('p1');
    const moved = moveTo(view(), [2, 2]);
    if (!moved.ok) throw new Error(moved.problem.code);
    store().drag(moved.value);
    expect(dragOf(store().preview)?.project.devices[speaker.id].x).to.equal(2);
    expect(proposalOf(store().preview)).to.equal(null);
    expect(place()).to.deep.equal([1, 1]);
    store().propose('Move it', moved.value);
    expect(proposalOf(store().preview)).to.deep.include({ title: 'Move it' });
    expect(dragOf(store().preview)).to.equal(null);
    store().edit('Move', moved);
    expect(store().preview).to.equal(null);
    expect(place()).to.deep.equal([2, 2]);
  });

  it('shows no proposal that cannot be made', async () => {
    await store().open('p1');
    store().propose('Remove what is not there', [
      { op: 'update', in: 'devices', id: 'nobody', before: { name: '' }, after: { name: 'x' } } as never,
    ]);
    expect(store().preview).to.equal(null);
  });

  it('opens from this device where the server cannot be reached, and not where it refuses', async () => {
    const operations = moveTo(house, [3, 2]);
    const moved = operations.ok ? edited(house, operations.value) : operations;
    if (!moved.ok) throw new Error(moved.problem.code);
    const project = structuredClone(moved.value);
    await keepHouse({ projectId: 'p1', shortId: 'ABCDE', name: 'Small house', revision: 4, document: project });
    server.state.refuse = new Refusal(503, { code: 'database-away' });
    await store().open('p1');
    expect(place()).to.deep.equal([3, 2]);
    store().close();
    server.state.refuse = new Refusal(404, { code: 'not-found', field: 'project' });
    await store().open('p1');
    expect(store().sync).to.equal(null);
    expect(store().problem?.code).to.equal('not-found');
  });

  it('says that it was deleted, and is forgotten on this device', async () => {
    await store().open('p1');
    FakeSocket.all[0].say({ type: 'gone' });
    await waitFor(() => expect(store().sync!.connection).to.equal('gone'));
  });

  it('is followed no more once it is closed', async () => {
    await store().open('p1');
    store().close();
    expect(FakeSocket.all.every(({ isClosed }) => isClosed)).to.equal(true);
    expect(store().sync).to.equal(null);
    await keepEdits('p1', []);
  });
});
