import '../../testing/dom.ts';
import { countedIds, twoStoreyHouse, withDevices } from '@dusky-spool/core/testing';
import { act, fireEvent, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useProjectStore } from '../../state/project.ts';
import { usePlanCursor } from '../../state/plan-cursor.ts';
import { useSettings } from '../../state/settings.ts';
import { fakeServer, Refusal } from '../../testing/fake-server.ts';
import { choose, enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject, signInAs } from '../../testing/render.tsx';
import { ExportMenu } from './ExportMenu.tsx';
import { PlanScreen } from './PlanScreen.tsx';

const { project: house, devices } = withDevices(
  twoStoreyHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'network-drop', at: [3, 0.05] },
  ],
  countedIds(),
);
const [speaker] = devices;
const run = Object.values(house.runs).find(({ deviceId }) => deviceId === speaker.id)!;

describe('the plan with its lists', () => {
  const settings = useSettings.getState();
  afterEach(() => {
    closePage();
    useSettings.setState(settings, true);
  });
  async function open({ stage = 'devices', search = '' }: { stage?: 'devices' | 'cabling'; search?: string } = {}) {
    signInAs('planner');
    const page = renderInProject(<PlanScreen projectId="p1" stage={stage} />, house, { at: `/p/p1/${stage}${search}` });
    await waitFor(() => expect(page.container.querySelector('.plan__ledger header')).to.not.equal(null));
    const key = (name: string, more: object = {}) => act(() => void fireEvent.keyDown(document.body, { key: name, ...more }));
    return { ...page, key };
  }

  it('has the palette, the levels, the plan and its schedule', async () => {
    const page = await open();
    expect(page.getByRole('group', { name: 'Place a device' })).to.not.equal(null);
    expect(page.getByRole('group', { name: /^Plan of/ })).to.not.equal(null);
    expect(page.getByRole('button', { name: 'Fit' })).to.not.equal(null);
    expect(page.container.querySelector('.plan__ledger')!.textContent).to.include(run.number);
  });

  it('has lists instead of a palette in Cabling', async () => {
    const page = await open({ stage: 'cabling' });
    expect(page.queryByRole('group', { name: 'Place a device' })).to.equal(null);
    expect(page.getByRole('button', { name: 'Pathways and holes' })).to.not.equal(null);
    await press(page, 'Numbers and labels');
    expect(page.address()).to.equal('/p/p1/cabling?view=labels');
  });

  it('moves the selected device by arrows, and deletes it with its run', async () => {
    const page = await open({ search: `?sel=device:${speaker.id}` });
    page.key('ArrowRight');
    const { x } = page.project().devices[speaker.id];
    expect(x).to.be.greaterThan(speaker.x);
    page.key('ArrowRight', { shiftKey: true });
    expect(page.project().devices[speaker.id].x - x).to.be.closeTo(10 * (x - speaker.x), 1e-6);
    page.key('Delete');
    expect(page.project().devices[speaker.id]).to.equal(undefined);
    expect(page.project().runs[run.id]).to.equal(undefined);
    await waitFor(() => expect(page.address()).to.not.include('sel='));
  });

  it('places by keys alone: a cursor goes by arrows and says where it is, Enter clicks there', async () => {
    const page = await open({ search: '?place=access-point' });
    expect(page.getByRole('status').textContent).to.match(/access point/i);
    page.key('ArrowRight');
    page.key('ArrowRight');
    page.key('ArrowUp', { shiftKey: true });
    const { at } = usePlanCursor.getState();
    expect(page.container.querySelector('.canvas__cursor-place')!.textContent).to.match(
      /m from the (left|right|lower|upper) wall/,
    );
    page.key('Enter');
    const placed = Object.values(page.project().devices).find(({ typeId }) => typeId === 'access-point')!;
    expect(Math.hypot(placed.x - at![0], placed.y - at![1])).to.be.lessThan(0.3);
    page.key('Escape');
    expect(usePlanCursor.getState().at).to.equal(null);
  });

  it('is one stop of the Tab key, with arrows from device to device in it', async () => {
    const page = await open();
    expect(page.container.querySelectorAll('[data-plan] [tabindex="0"]')).to.have.length(0);
    expect(page.container.querySelector('[data-plan]')!.getAttribute('tabindex')).to.equal('0');
    page.key('ArrowRight');
    expect(document.activeElement!.closest('[data-plan]')).to.not.equal(null);
  });

  it('takes copies of a device in the hand, and sets them down on another level at the same place', async () => {
    const page = await open();
    page.key('v', { ctrlKey: true });
    expect(page.queryByRole('status')).to.equal(null);
    page.key('a', { ctrlKey: true });
    await waitFor(() => expect(page.address()).to.include(speaker.id));
    page.key('c', { ctrlKey: true });
    page.key('v', { ctrlKey: true });
    await waitFor(() => expect(page.getByRole('status').textContent).to.match(/middle of the 2 copies/));
    page.key('Escape');
    page.key('PageUp');
    await waitFor(() => expect(page.getByRole('group', { name: /Plan of Upper/ })).to.not.equal(null));
    page.key('v', { ctrlKey: true, shiftKey: true });
    const copies = Object.values(page.project().devices).filter(({ id }) => !house.devices[id]);
    expect(copies.map(({ typeId, x, y, levelId }) => [typeId, x, y, house.levels[levelId].name])).to.deep.equal([
      ['ceiling-speaker', 1, 1, 'Upper'],
      ['network-drop', 3, 0, 'Upper'],
    ]);
    expect(page.edits).to.have.length(1);
  });

  it('furnishes another room like that of a device', async () => {
    const page = await open({ search: `?sel=device:${speaker.id}` });
    const room = house.rooms[speaker.roomId!];
    await press(page, `Copy the devices of ${room.name}`);
    expect(page.getByRole('status').textContent).to.match(/^Click a room/);
    page.key('Escape');
    await press(page, `Select all 2 in ${room.name}`);
    expect(page.getByText('2 selected')).to.not.equal(null);
    await press(page, /^Select their \d runs/);
    expect(page.address()).to.include('sel=run');
  });

  it('is a list in words too, with a way from each line to the plan', async () => {
    const page = await open();
    await press(page, 'Plan as a list');
    await page.findByRole('heading', { name: 'Plan as a list' });
    const row = page.getByRole('row', { name: /^ND-?|Network drop/ });
    expect(row.textContent).to.match(/Room AA, lower wall, \d\.\d+ m from the (left|right) wall/);
    await page.user.type(page.getByLabelText('Find a device'), 'ceiling');
    expect(page.queryByRole('row', { name: /Network drop/ })).to.equal(null);
    await press(page, 'AA-01');
    await waitFor(() => expect(page.address()).to.include(`sel=device%3A${speaker.id}`));
    expect(page.address()).to.not.include('view=');
  });

  it('lays a tool down by Escape, then the selection', async () => {
    const page = await open({ search: `?sel=device:${speaker.id}` });
    await press(page, 'Network drop');
    expect(page.getByRole('status').textContent).to.match(/network drop/i);
    page.key('Escape');
    expect(page.queryByRole('status')).to.equal(null);
    expect(page.address()).to.include('sel=');
    page.key('Escape');
    await waitFor(() => expect(page.address()).to.not.include('sel='));
  });

  it('goes up and down by Page Up and Page Down', async () => {
    const page = await open();
    const [lower, upper] = Object.values(house.levels).sort((a, b) => a.order - b.order);
    page.key('PageUp');
    await waitFor(() => expect(page.getByRole('group', { name: `Plan of ${upper.name}` })).to.not.equal(null));
    page.key('PageDown');
    await waitFor(() => expect(page.getByRole('group', { name: `Plan of ${lower.name}` })).to.not.equal(null));
  });

  it('folds its schedule to one line, opens it, and shows it alone', async () => {
    const page = await open();
    await press(page, 'Collapse the schedule');
    expect(page.container.querySelector('.plan__ledger header')).to.equal(null);
    await press(page, /Show the schedule/);
    await waitFor(() => expect(page.container.querySelector('.plan__ledger header')).to.not.equal(null));
    await press(page, 'Full screen');
    expect(page.address()).to.include('view=schedule');
    await waitFor(() => expect(page.container.querySelector('.canvas__plan-canvas')).to.equal(null));
    await press(page, 'Back to the plan');
    await waitFor(() => expect(page.container.querySelector('.canvas__plan-canvas')).to.not.equal(null));
  });

  it('selects the run of a row of the schedule', async () => {
    const page = await open();
    await page.user.click(page.getByText(run.number, { selector: '.plan__ledger *' }));
    expect(page.address()).to.include(`sel=run%3A${run.id}`);
    expect(page.container.querySelectorAll('.run.chosen').length).to.be.at.least(1);
  });

  it('shows a proposal and not the project until it is ended', async () => {
    const page = await open();
    act(() => useProjectStore.getState().propose('Remove', [{ op: 'delete', in: 'runs', id: run.id, record: run }]));
    expect(useProjectStore.getState().preview?.kind).to.equal('proposal');
    act(() => useProjectStore.getState().endPreview());
    expect(useProjectStore.getState().preview).to.equal(null);
    expect(page.edits).to.deep.equal([]);
  });
});

describe('files for the site', () => {
  let server: ReturnType<typeof fakeServer>;
  const saved: string[] = [];
  beforeEach(() => {
    saved.length = 0;
    URL.createObjectURL = () => 'blob:test';
    URL.revokeObjectURL = () => undefined;
    server = fakeServer({
      'POST /projects/p1/documents/*': ({ path }) =>
        path.includes('trades') ? new Refusal(422, { code: 'too-many-jobs', count: 60 }) : { id: 'j1' },
      'POST /projects/p1/file/job': () => ({ id: 'j1' }),
      'GET /jobs/j1': () => ({ state: 'done', progress: 1 }),
      'GET /jobs/j1/file': ({ path }) => void saved.push(path),
      'DELETE /jobs/j1': () => ({}),
    });
  });
  afterEach(() => {
    closePage();
    server.stop();
  });
  const open = async (units: 'metric' | 'imperial' = 'metric', role: Parameters<typeof signInAs>[0] = 'planner') => {
    signInAs(role);
    const page = renderInProject(<ExportMenu projectId="p1" levelId="m" />, { ...house, project: { ...house.project, units } });
    await press(page, 'Export');
    const item = async (name: string) => page.user.click(await page.findByRole('menuitem', { name }));
    return { ...page, item };
  };
  const asked = (name: string) => server.sent('POST', `/projects/p1/documents/${name}/job`);

  it('are made as a job and saved when it is done', async () => {
    const page = await open();
    await page.item('Schedule, CSV');
    await waitFor(() => expect(saved).to.have.length(1));
    expect(asked('schedule.csv')).to.deep.equal([{}]);
    await waitFor(() => expect(page.queryByRole('dialog')).to.equal(null));
  });

  it('are on the paper of the region', async () => {
    const page = await open('imperial');
    await page.item('Hole schedule, PDF');
    await waitFor(() => expect(asked('hole-list.pdf')).to.deep.equal([{ paper: 'Letter' }]));
  });

  it('ask for the size of labels and the sheet of a plan first', async () => {
    const page = await open();
    await page.item('Label sheet, PDF');
    await page.user.click(await page.findByText(/^Large/, { selector: '.ant-segmented-item-label' }));
    await page.user.click(await page.findByRole('link', { name: 'Download' }));
    await waitFor(() => expect(asked('labels.pdf')).to.deep.equal([{ size: 'large', paper: 'A4' }]));
  });

  it('ask for what stands in the title block of a plan, and keep it for the next one', async () => {
    const page = await open();
    await page.item('Plan to scale, PDF');
    await enter(page, 'Firm', 'Curlew Low Voltage');
    await enter(page, 'Client', 'The Weir household');
    await choose(page, 'North on the plan', 'upper right');
    expect(page.project().project).to.include({ firm: 'Curlew Low Voltage', client: 'The Weir household' });
    // 45 degrees clockwise from up is 45 degrees counterclockwise from the right.
    expect(page.project().project.northRad).to.be.closeTo(Math.PI / 4, 1e-9);
    await enter(page, 'North, degrees clockwise from up', '90');
    expect(page.project().project.northRad).to.be.closeTo(0, 1e-9);
    await choose(page, 'North on the plan', 'Not given');
    expect(page.project().project.northRad).to.equal(null);
  });

  it('are made on this device without a connection: the schedule, and labels as a drawing', async () => {
    const page = await open();
    const blobs: Blob[] = [];
    URL.createObjectURL = (blob) => (blobs.push(blob as Blob), 'blob:here');
    globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    await page.item('Schedule, CSV');
    await waitFor(() => expect(blobs).to.have.length(1));
    expect(await blobs[0].text()).to.include(run.number);
    await press(page, 'Export');
    await page.item('Label sheet, PDF');
    await page.user.click(await page.findByRole('link', { name: 'Download' }));
    await waitFor(() => expect(blobs).to.have.length(2));
    expect(await blobs[1].text())
      .to.match(/^<\?xml.*<svg/s)
      .and.to.include(run.number);
    await press(page, 'Not now');
    await press(page, 'Export');
    await page.item('Trades sheet, PDF');
    expect((await page.findByRole('alert')).textContent).to.match(/needs a connection/);
  });

  it('say why one cannot be made, and leave the page as it is', async () => {
    const page = await open();
    await page.item('Trades sheet, PDF');
    expect((await page.findByRole('alert')).textContent).to.match(/60/);
    expect(saved).to.deep.equal([]);
    expect(page.getByRole('button', { name: 'Export' })).to.not.equal(null);
  });

  it('include the project file only for who may plan', async () => {
    const page = await open('metric', 'crew');
    await page.findByRole('menuitem', { name: 'Schedule, CSV' });
    expect(page.queryByRole('menuitem', { name: 'Project file' })).to.equal(null);
  });
});
