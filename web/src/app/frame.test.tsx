import '../testing/dom.ts';
import { moveDevices } from '@dusky-spool/core/devices';
import { update } from '@dusky-spool/core/model';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { act, waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import { Route, Routes } from 'react-router';
import { useSettings } from '../state/settings.ts';
import { useProjectStore } from '../state/project.ts';
import { Refusal } from '../testing/fake-server.ts';
import { choose, press } from '../testing/fields.ts';
import { FakeSocket, projectServer } from '../testing/project-server.ts';
import { closePage, renderPage, signInAs } from '../testing/render.tsx';
import { startWorkers } from '../testing/worker.ts';
import { ProjectFrame } from './ProjectFrame.tsx';
import { Tour } from './Tour.tsx';

const { project: placed, devices } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'network-drop', at: [3, 0.05] },
  ],
  countedIds(),
);
const [speaker] = devices;
const [own] = Object.values(placed.runs).filter(({ deviceId }) => deviceId === speaker.id);
/** A loop so long that its cable loses too much. */
const run = { ...own, rackSlackM: 15 };
const house = { ...placed, runs: { ...placed.runs, [run.id]: run } };

describe('an open project', () => {
  let server: Awaited<ReturnType<typeof projectServer>>;
  afterEach(() => {
    closePage();
    server.stop();
  });
  async function open(stage = 'order', role: Parameters<typeof signInAs>[0] = 'planner', refuse: Refusal | null = null) {
    signInAs(role);
    startWorkers();
    server = await projectServer(house);
    server.state.refuse = refuse;
    const page = renderPage(
      <Routes>
        <Route path="/p/:projectId/:stage" element={<ProjectFrame />} />
        <Route path="/projects" element={<p>all projects</p>} />
      </Routes>,
      { at: `/p/p1/${stage}` },
    );
    if (!refuse) await page.findByRole('heading', { level: 1 });
    return page;
  }
  const store = () => useProjectStore.getState();
  const edit = (x: number) =>
    act(() => void store().edit('Move', moveDevices(store().sync!.view, [{ deviceId: speaker.id, to: [x, 1] }])));

  it('says whose house it is, in what units, and that all is saved', async () => {
    const page = await open();
    expect(page.getByRole('heading', { level: 1 }).textContent).to.equal(house.project.name);
    expect(page.container.querySelector('.header')!.textContent).to.include('Metric');
    expect(page.getAllByRole('status')[0].textContent).to.equal('Saved · rev 0');
    edit(2);
    await waitFor(() => expect(page.getAllByRole('status')[0].textContent).to.equal('Saved · rev 1'));
    expect(server.state.project.devices[speaker.id].x).to.equal(2);
  });

  it('takes an edit back and makes it again, by its buttons', async () => {
    const page = await open();
    const undo = page.getByRole('button', { name: 'Undo' }) as HTMLButtonElement;
    expect(undo.disabled).to.equal(true);
    edit(2);
    await page.user.click(page.getByRole('button', { name: 'Undo' }));
    expect(store().sync!.view.devices[speaker.id].x).to.equal(1);
    await page.user.click(page.getByRole('button', { name: 'Redo' }));
    expect(store().sync!.view.devices[speaker.id].x).to.equal(2);
    await waitFor(() => expect(server.state.revision).to.equal(3));
  });

  it('counts errors and warnings, and leads from each to its place', async () => {
    const page = await open();
    const chip = await page.findByRole('button', { name: /^\d+ (errors?|warnings?)$/ });
    await page.user.click(chip);
    const drawer = await page.findByRole('complementary', { name: 'Findings' });
    await waitFor(() => expect(drawer.querySelectorAll('.finding').length).to.be.greaterThan(0));
    const first = drawer.querySelector<HTMLElement>('.finding .ui__finding-run')!;
    const named = Object.values(house.runs).find(({ number }) => number === first.textContent)!;
    await page.user.click(first);
    expect(page.address()).to.match(/^\/p\/p1\/(devices|cabling)\?/);
    expect(page.address()).to.include(`sel=run:${named.id}`);
  });

  it('has its ten stages, and says which one is open', async () => {
    const page = await open('pre-wire');
    const links = within(page.getByRole('navigation')).getAllByRole('link');
    expect(links).to.have.length(11);
    expect(
      links.filter((link) => link.getAttribute('aria-current') === 'page').map(({ textContent }) => textContent),
    ).to.deep.equal(['Pre-wire']);
    await page.user.click(links.find(({ textContent }) => textContent === 'Handover')!);
    expect(page.address()).to.equal('/p/p1/handover');
    expect(await page.findByRole('region', { name: /handover/i })).to.not.equal(null);
  });

  it('finds a run by a few letters and goes there', async () => {
    const page = await open();
    await page.findByLabelText('Find or do anything (Ctrl K)', { selector: 'input' });
    await choose(page, 'Find or do anything (Ctrl K)', new RegExp(`^${run.number.replaceAll('.', '\\.')}`));
    expect(page.address()).to.equal(`/p/p1/cabling?level=m&sel=run:${run.id}`);
  });

  it('keeps edits while nobody answers, says so, and sends them after', async () => {
    const page = await open();
    server.state.refuse = new Refusal(503, { code: 'database-away' });
    edit(2);
    await page.findByText('Database away · 1 edit kept');
    server.state.refuse = null;
    FakeSocket.all.at(-1)!.onclose?.({ code: 1006 });
    await waitFor(() => expect(page.getAllByRole('status')[0].textContent).to.equal('Saved · rev 1'), { timeout: 15_000 });
  });

  it('asks which value stays where two people changed one', async () => {
    const page = await open();
    const mine = update('devices', house.devices[speaker.id], { name: 'Left' })!;
    const theirs = update('devices', house.devices[speaker.id], { name: 'Rear' })!;
    server.state.refuse = new Refusal(503, { code: 'database-away' });
    act(() => void store().edit('Name', [mine]));
    await page.findByText('Database away · 1 edit kept');
    server.state.refuse = null;
    act(() => server.someoneElse({ title: 'Name', operations: [theirs] }));
    // Said by name, should it not come: what the sync knows then.
    await waitFor(
      () => {
        const { conflict, connection, pending, revision, setAside } = store().sync!;
        const known = { connection, pending: pending.length, revision, aside: setAside.length, server: server.state.revision };
        expect(conflict, JSON.stringify(known)).to.not.equal(null);
      },
      { timeout: 60_000 },
    );
    // By its words: a search by role walks the styles of the whole page, and takes seconds on a busy machine.
    const title = await page.findByText('Two people changed the same thing', {}, { timeout: 60_000 });
    const dialog = title.closest<HTMLElement>('[role=dialog]')!;
    expect(dialog.textContent).to.include('Left').and.include('Rear');
    await page.user.click(within(dialog).getByText('Take theirs'));
    await waitFor(() => expect(store().sync!.view.devices[speaker.id].name).to.equal('Rear'), { timeout: 20_000 });
    await waitFor(() => expect(page.queryByText('Two people changed the same thing')).to.equal(null), { timeout: 20_000 });
  });

  it('says what a crew or a client may do', async () => {
    const page = await open('order', 'crew');
    expect(page.container.querySelector('.header')!.textContent).to.match(/crew/i);
  });

  it('says why it cannot be opened, and leads back', async () => {
    const page = await open('order', 'planner', new Refusal(404, { code: 'not-found', field: 'project' }));
    await press(page, 'To the projects');
    expect(await page.findByText('all projects')).to.not.equal(null);
  });

  it('changes between light and dark', async () => {
    const page = await open();
    await press(page, /dark|dusk/i);
    expect(page.getByRole('button', { name: /light|vellum/i })).to.not.equal(null);
  });
});

describe('the tour', () => {
  const settings = useSettings.getState();
  afterEach(() => {
    closePage();
    useSettings.setState(settings, true);
  });

  it('is offered once, where the house is empty, and can be skipped', async () => {
    const page = renderPage(<Tour isEmpty />);
    await press(page, 'Skip');
    expect(page.queryByRole('region', { name: 'Tour' })).to.equal(null);
    closePage();
    expect(renderPage(<Tour isEmpty />).queryByRole('region', { name: 'Tour' })).to.equal(null);
  });

  it('is not offered beside a house that is drawn', () => {
    const page = renderPage(<Tour isEmpty={false} />);
    expect(page.queryByRole('button', { name: 'Start the tour' })).to.equal(null);
  });
});
