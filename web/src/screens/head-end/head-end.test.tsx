import '../../testing/dom.ts';
import { expect } from 'chai';
import { fireEvent, waitFor } from '@testing-library/react';
import { listOf } from '@dusky-spool/core/derive';
import { designedHouse, wiredHouse } from '@dusky-spool/core/testing';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { fakeServer } from '../../testing/fake-server.ts';
import { choose, enter } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { startWorkers, stopWorkers } from '../../testing/worker.ts';
import { HeadEndScreen } from './HeadEndScreen.tsx';

const DEVICES = [
  { typeId: 'camera', at: [1, -0.05] as [number, number] },
  { typeId: 'camera', at: [2, -0.05] as [number, number] },
  { typeId: 'network-drop', at: [3, 0.05] as [number, number] },
  { typeId: 'ceiling-speaker', at: [1, 2] as [number, number] },
];
const designed = designedHouse(DEVICES);
const ofKind = (project: ProjectDocument, kind: string) => listOf(project, 'equipment').find((one) => one.kind === kind)!;

describe('a head end on screen', () => {
  let server: ReturnType<typeof fakeServer> | null = null;
  afterEach(() => {
    closePage();
    server?.stop();
    server = null;
  });
  const open = (house: ProjectDocument, tab = 'equipment', worker = false) =>
    renderInProject(<HeadEndScreen projectId="p" />, house, { at: `/p/p/head-end?tab=${tab}`, worker });

  it('moves equipment by whole units with the arrow keys, and types the same', async () => {
    const page = open(designed);
    const router = ofKind(designed, 'router');
    fireEvent.keyDown(page.getByRole('button', { name: new RegExp(`^Router, U${router.atUnit}$`) }), { key: 'ArrowDown' });
    expect(page.project().equipment[router.id].atUnit).to.equal(router.atUnit! - 1);
    await page.user.click(page.getByRole('button', { name: 'Router' }));
    await enter(page, 'Lowest unit', '8');
    expect(page.project().equipment[router.id].atUnit).to.equal(8);
    await enter(page, 'Power (W)', '-4');
    expect(page.getByRole('alert').textContent).to.include('Power (W)');
    expect(page.project().equipment[router.id].powerW).to.equal(router.powerW);
  });

  it('adds equipment from the list under a name of its own, and removes it with its connections', async () => {
    const page = open(designed);
    await choose(page, 'Add equipment…', 'Router');
    expect(
      listOf(page.project(), 'equipment')
        .filter(({ kind }) => kind === 'router')
        .map(({ name }) => name),
    ).to.include('Router #2');
    await page.user.click(page.getByRole('button', { name: 'Network switch, 16 PoE' }));
    await page.user.click(page.getByRole('button', { name: 'Remove with its connections' }));
    expect(listOf(page.project(), 'equipment').some(({ kind }) => kind === 'switch')).to.equal(false);
    expect(
      listOf(page.project(), 'patches').some(({ toEquipmentId }) => toEquipmentId === ofKind(designed, 'switch').id),
    ).to.equal(false);
  });

  it('takes what is known of equipment by its kind: loads, disk, splitters', async () => {
    const page = open(designed);
    const [amplifier, recorder] = [ofKind(designed, 'amplifier'), ofKind(designed, 'recorder')];
    await page.user.click(page.getByRole('button', { name: amplifier.name }));
    await enter(page, 'Least load (Ω)', '6');
    await page.user.click(page.getByRole('switch', { name: 'Channels bridged in pairs' }));
    expect(page.project().equipment[amplifier.id].amplifier).to.deep.include({ leastOhm: 6, isBridged: true });
    await page.user.click(page.getByRole('button', { name: recorder.name }));
    await page.user.click(page.getByRole('switch', { name: 'Takes cameras by the open profile' }));
    expect(page.project().equipment[recorder.id].recorder!.isOpenProfile).to.equal(false);
  });

  it('puts a run on another port, where it stays', async () => {
    const page = open(designed, 'ports');
    const [first] = listOf(designed, 'terminations').filter(
      ({ equipmentId }) => equipmentId === ofKind(designed, 'patch-panel').id,
    );
    const { number } = designed.runs[first.runId];
    await choose(page, `Port of ${number}`, 'Patch panel, 24, data 20');
    expect(page.project().terminations[first.id]).to.deep.include({ port: 'data 20', isLocked: true });
    expect(page.getAllByText('waits for its device')).to.have.length(2);
  });

  it('says what each budget is, and what stops without a thing', async () => {
    const power = open(designed, 'power');
    expect(power.container.textContent).to.match(/PoE31 \/ 150 W/);
    expect(power.container.textContent).to.include('Pictures of all cameras are kept');
    closePage();
    const loss = open(designed, 'loss');
    await choose(loss, 'Without', 'Router');
    expect(loss.container.textContent).to.include('2 runs stop working.');
  });

  it('draws a line for every cord of a panel', () => {
    const page = open(designed, 'map');
    const panel = ofKind(designed, 'patch-panel').id;
    const cords = listOf(designed, 'patches').filter(({ equipmentId }) => equipmentId === panel);
    expect(page.container.querySelectorAll('path.head-end__cord').length).to.be.at.least(cords.length);
  });

  it('says what a head end is short of, with the next size and its price', () => {
    const recorder = ofKind(designed, 'recorder');
    const few = {
      ...designed,
      equipment: { ...designed.equipment, [recorder.id]: { ...recorder, recorder: { ...recorder.recorder!, channels: 1 } } },
    };
    expect(open(few).container.textContent).to.match(/Short of: Recorder, 8 cameras \(450 /);
  });

  it('compares a switch with the plan, and says what differs where', async () => {
    const ports = (isUp: boolean) =>
      [1, 2].map((n) => ({ port: `data ${n}`, isUp, mbps: isUp ? 1000 : 0, watts: 0, serial: '' }));
    server = fakeServer({
      'GET /bridge/switch/scripts': () => ({ simulated: true, scripts: [{ name: 'as-planned', title: 'As planned' }] }),
      'POST /bridge/switch/ports': () => ({ simulated: true, ports: ports(false) }),
    });
    const page = open(designed, 'ports');
    await page.user.click(page.getByText('Compare a switch with the plan'));
    await page.user.click(page.getByRole('button', { name: 'Read the switch' }));
    await waitFor(() => expect(page.getAllByText(/no link: check the cord/).length).to.be.at.least(2));
  });

  it('shows the head ends as they were where there is no rack', () => {
    const page = open({ ...wiredHouse([]), racks: {} });
    expect(page.container.textContent).to.match(/no rack yet/);
  });
});

describe('what goes over a head end, on screen', () => {
  afterEach(closePage);
  const at = (typeId: string, x: number, y = 0.05) => ({ typeId, at: [x, y] as [number, number] });
  const house = designedHouse([
    ...[at('ceiling-speaker', 1, 2), at('ceiling-speaker', 2, 2), at('display', 2), at('keypad', 3), at('shade', 4)],
    ...[at('motion-sensor', 5), at('coax-outlet', 1.5)],
  ]);
  const open = (tab: string, project: ProjectDocument = house) =>
    renderInProject(<HeadEndScreen projectId="p" />, project, { at: `/p/p/head-end?tab=${tab}` });

  it('makes zones of rooms, and takes their names and sources', async () => {
    const page = open('zones');
    await page.user.click(page.getByRole('button', { name: 'Make a zone of every room with music' }));
    const [zone] = listOf(page.project(), 'zones');
    expect(page.container.textContent).to.match(/8 Ω of 4 Ω at least/);
    await enter(page, 'Zone', 'Downstairs');
    expect(page.project().zones[zone.id].name).to.equal('Downstairs');
    await choose(page, 'Volume', 'at a control on the wall');
    expect(page.project().zones[zone.id].volume).to.equal('local');
    await page.user.click(page.getByRole('button', { name: 'Remove the zone' }));
    expect(listOf(page.project(), 'zones')).to.deep.equal([]);
  });

  it('shows every source against every display, and the way of the one that is chosen', async () => {
    const page = open('paths');
    const [cell] = page.getAllByRole('button', { name: /^Media player to / });
    await page.user.click(cell);
    expect(page.getByRole('region', { name: /^The way of Media player to / }).textContent).to.match(/video out 1.*→/);
    closePage();
    const cordless = { ...house, patches: {} };
    const open2 = open('paths', cordless);
    expect(open2.container.textContent).to.include('source not plugged in');
  });

  it('makes a scene of a button and what it acts on, and says what it lacks', async () => {
    const page = open('control');
    await page.user.click(page.getByRole('button', { name: 'Add a scene' }));
    expect(page.getByText('It acts on nothing yet.')).to.not.equal(null);
    expect(page.getByText('Choose the button or sensor that sets it off.')).to.not.equal(null);
    await choose(page, 'Set off by', 'sunset');
    await choose(page, 'Add a device…', /Window shade/);
    await enter(page, 'Does', 'down');
    const [scene] = listOf(page.project(), 'scenes');
    expect([scene.trigger, scene.actions.map(({ does }) => does)]).to.deep.equal(['sunset', ['down']]);
    expect(page.queryByText('It acts on nothing yet.')).to.equal(null);
  });

  it('shows terminals and readings of the alarm panel, and takes its resistor', async () => {
    const page = open('alarm');
    expect(page.container.textContent).to.match(/2200 Ω: normal|220\d Ω: normal/);
    await enter(page, 'End-of-line resistor (Ω)', '1000');
    expect(ofKind(page.project(), 'alarm-panel').alarm!.endOfLineOhm).to.equal(1000);
  });

  it('puts a contact on the zone of another, and reads double end-of-line', async () => {
    const page = open('alarm', designedHouse([at('opening-contact', 1), at('opening-contact', 2)]));
    const [first, second] = listOf(page.project(), 'terminations').toSorted((a, b) => (a.port < b.port ? -1 : 1));
    const number = page.project().runs[second.runId].number;
    await choose(page, `Zone of ${number}`, /^zone 1, with/);
    expect(page.project().terminations[second.id].port).to.equal(first.port);
    expect(page.getByText(/share a zone are in series/)).to.not.equal(null);
    await enter(page, 'Across each contact (Ω, 0 is single)', '2200');
    expect(page.container.textContent).to.match(/440\d Ω: alarm/);
    expect(page.container.textContent).to.match(/open: tamper/);
  });

  it('draws the bonding of an antenna as far as it gets', () => {
    const whole = open('coax', designedHouse([at('bonding-bar', 9), at('building-electrode', 8.4), at('aerial', 2, -0.1)]));
    const list = whole.getByRole('list', { name: 'Antenna' });
    expect(list.textContent).to.match(/Bonding bar.*Grounding electrode/);
    expect(list.textContent).to.not.include('no conductor on');
    closePage();
    const part = open('coax', designedHouse([at('bonding-bar', 9), at('aerial', 2, -0.1)]));
    expect(part.getByRole('list', { name: 'Antenna' }).textContent).to.include('no conductor on');
  });

  it('takes a signal with its levels, and brings the outlets into their window', async () => {
    const page = open('coax');
    await page.user.click(page.getByRole('button', { name: 'Add a signal' }));
    await enter(page, 'Level there, lowest (dBµV)', '88');
    await enter(page, 'Level there, highest (dBµV)', '88');
    expect(page.container.textContent).to.include('dBµV, too much');
    await page.user.click(page.getByRole('button', { name: 'Bring every outlet into its window' }));
    expect(page.container.textContent).to.not.include('dBµV, too much');
    expect(listOf(page.project(), 'terminations').some(({ padDb }) => padDb > 0)).to.equal(true);
  });

  it('keeps the closet of a rack, and says what it still lacks', async () => {
    const page = open('room');
    await page.user.click(page.getByRole('switch', { name: 'It stands in a closet or cabinet' }));
    expect(page.container.textContent).to.match(/✕ A way out for the warm air/);
    await choose(page, 'Warm air leaves by', 'a fan');
    await enter(page, 'Air that leaves (L/s)', '80');
    expect(page.project().racks.rack.closet).to.deep.include({ exhaustBy: 'fan', exhaustM3PerS: 0.08 });
    expect(page.container.textContent).to.match(/✓ A way out for the warm air/);
  });
});

describe('a head end that is designed', () => {
  before(startWorkers);
  after(stopWorkers);
  afterEach(closePage);

  it('comes from the worker as one edit', async () => {
    const page = renderInProject(<HeadEndScreen projectId="p" />, wiredHouse(DEVICES), { worker: true });
    await page.user.click(page.getByRole('button', { name: 'Design this head end' }));
    await waitFor(() => expect(listOf(page.project(), 'terminations')).to.have.length(5), { timeout: 20_000 });
    expect(page.edits).to.have.length(1);
    expect(page.getByText(/2 ports wait for the devices/)).to.not.equal(null);
  });

  it('is a cabinet of a room with its own receiver, in one edit', async () => {
    const house = designedHouse([
      { typeId: 'display', at: [2, 0.05] },
      { typeId: 'ceiling-speaker', at: [1.5, 2] },
    ]);
    const page = renderInProject(<HeadEndScreen projectId="p" />, house, { at: '/p/p/head-end?tab=paths', worker: true });
    const room = Object.values(house.rooms)[0].name;
    await choose(page, 'In which room', room);
    await page.user.click(page.getByRole('button', { name: 'Set up the cabinet' }));
    await page.findByText(/2 runs now end in the room/, {}, { timeout: 20_000 });
    expect(page.edits).to.have.length(1);
    expect(listOf(page.project(), 'racks').map(({ kind }) => kind)).to.include('cabinet');
    expect(listOf(page.project(), 'equipment').some(({ presetId }) => presetId === 'receiver-9')).to.equal(true);
  });
});
