import '../../testing/dom.ts';
import { expect } from 'chai';
import { fireEvent, waitFor } from '@testing-library/react';
import { listOf } from '@dusky-spool/core/derive';
import { designedHouse, wiredHouse } from '@dusky-spool/core/testing';
import type { ProjectDocument } from '@dusky-spool/core/model';
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
  afterEach(closePage);
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

  it('shows the head ends as they were where there is no rack', () => {
    const page = open({ ...wiredHouse([]), racks: {} });
    expect(page.container.textContent).to.match(/no rack yet/);
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
});
