import '../../testing/dom.ts';
import { type ProjectDocument, type RunState, update } from '@dusky-spool/core/model';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { choose, press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { HandoverStage } from './HandoverStage.tsx';
import { HeadEndStage } from './HeadEndStage.tsx';
import { PreWireStage } from './PreWireStage.tsx';
import { TrimOutStage } from './TrimOutStage.tsx';

const { project: wired } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'ceiling-speaker', at: [3, 1.4] },
    { typeId: 'network-drop', at: [3, 0.05] },
  ],
  countedIds(),
);
/** The house with its first runs pulled together in one bundle, and all runs in a state. */
const inState = (state: RunState, bundle = ''): ProjectDocument =>
  applied(
    wired,
    Object.values(wired.runs).flatMap((run) => update('runs', run, { state, bundle }) ?? []),
  );
const statesIn = (project: ProjectDocument) => [...new Set(Object.values(project.runs).map(({ state }) => state))];
const numbers = Object.values(wired.runs).map(({ number }) => number);

/** The entry of a run in a list of runs. */
function itemOf(container: HTMLElement, number: string): Element {
  const item = [...container.querySelectorAll('.run-list > li')].find((one) => one.textContent!.includes(number));
  if (!item) throw new Error(`no entry of ${number}`);
  return item;
}

describe('the pre-wire list', () => {
  afterEach(closePage);

  it('says how many runs are pulled, and warns of what can hurt on site', () => {
    const page = renderInProject(<PreWireStage />, inState('pulled'));
    expect(page.getByRole('img', { name: `${numbers.length} of ${numbers.length} runs pulled` })).to.not.equal(null);
    expect(page.container.textContent).to.match(/ladder|fall/i);
    expect(page.getByRole('link', { name: /scan/i }).getAttribute('href')).to.equal('/scan');
  });

  it('issues a run with the route that it has now, and labels and pulls it after that', async () => {
    const page = renderInProject(<PreWireStage />, wired, { worker: true });
    const steps: readonly [RegExp, RunState][] = [
      [/^Issue/, 'issued'],
      [/^Labeled|^Mark labeled/, 'labelled'],
      [/^Pulled|^Mark pulled/, 'pulled'],
    ];
    for (const [words, state] of steps) {
      const item = await waitFor(() => itemOf(page.container, numbers[0]));
      const button = [...item.querySelectorAll('button')].find(({ textContent }) => words.test(textContent ?? ''));
      expect(button, `${state}: ${item.textContent}`).to.not.equal(undefined);
      await page.user.click(button!);
      await waitFor(() =>
        expect(Object.values(page.project().runs).find((run) => run.number === numbers[0])!.state).to.equal(state),
      );
    }
    const run = Object.values(page.project().runs).find(({ number }) => number === numbers[0])!;
    const [issued] = Object.values(page.project().routes).filter(({ runId }) => runId === run.id);
    expect(issued.points.length).to.be.greaterThan(1);
    expect(page.edits).to.have.length(3);
    expect(statesIn(page.project())).to.include('drafted');
  });

  it('issues all drafted runs at once, as one edit', async () => {
    const page = renderInProject(<PreWireStage />, wired, { worker: true });
    const button = await page.findByRole('button', { name: /^Issue (all \d+|\d+) drafted runs?$/ });
    await page.user.click(button);
    await waitFor(() => expect(page.edits).to.have.length(1));
    expect(Object.values(page.project().runs).some(({ state }) => state === 'drafted')).to.equal(false);
    // The button goes once the worker has derived the edit.
    await waitFor(() => expect(page.queryByRole('button', { name: /drafted runs?$/ })).to.equal(null));
  });

  it('takes a bundle a step further at once', async () => {
    const page = renderInProject(<PreWireStage />, inState('drafted', 'B-01'), { worker: true });
    await page.findByRole('heading', { name: /B-01/ });
    await press(page, new RegExp(`: ${numbers.length}$`));
    await waitFor(() => expect(statesIn(page.project())).to.deep.equal(['issued']));
    expect(page.edits).to.have.length(1);
  });

  it('says that there is nothing to pull in a house without runs', () => {
    const page = renderInProject(<PreWireStage />, smallHouse());
    expect(page.container.querySelectorAll('.run-list')).to.have.length(0);
    expect(page.container.querySelector('.ui__stage-page, [role=region]')!.textContent).to.include('No run to pull yet.');
  });
});

describe('the trim-out list', () => {
  afterEach(closePage);

  it('holds only runs that are in the walls', () => {
    const page = renderInProject(<TrimOutStage />, wired);
    expect(page.container.querySelectorAll('.run-list > li')).to.have.length(0);
  });

  it('terminates and tests a run, one step at a time', async () => {
    const page = renderInProject(<TrimOutStage />, inState('pulled'), { worker: true });
    await waitFor(() => itemOf(page.container, numbers[0]));
    const button = () => itemOf(page.container, numbers[0]).querySelector('button');
    for (const state of ['terminated', 'tested'] as const) {
      const words = button()!.textContent;
      await page.user.click(button()!);
      await waitFor(() => expect(statesIn(page.project())).to.include(state));
      // The list follows once the worker has derived the edit: until then the button asks for the step that was made.
      await waitFor(() => expect(button()?.textContent).to.not.equal(words));
    }
    await waitFor(() => expect(itemOf(page.container, numbers[0]).querySelector('button')).to.equal(null));
  });
});

describe('the head end', () => {
  afterEach(closePage);

  it('lists what arrives at each rack, with a way to each run', () => {
    const page = renderInProject(<HeadEndStage projectId="demo" />, wired);
    const racks = Object.values(wired.racks);
    expect(page.getAllByRole('heading', { level: 3 })).to.have.length(racks.length);
    const links = page.getAllByRole('link').map((link) => link.getAttribute('href'));
    for (const { id } of Object.values(wired.runs)) expect(links).to.include(`/p/demo/cabling?level=m&sel=run:${id}`);
    expect(page.container.textContent).to.match(/licensed electrician|mains/i);
  });

  it('shows what a rule for a system does to the runs that are there, before it is made', async () => {
    const audio = {
      ...wired.racks.rack,
      id: 'audio',
      code: 'B',
      name: 'Audio rack',
      kind: 'audio-rack' as const,
      x: 0.36,
      facingRad: 0,
    };
    const page = renderInProject(
      <HeadEndStage projectId="demo" />,
      { ...wired, racks: { ...wired.racks, audio } },
      { worker: true },
    );
    await choose(page, 'Head end of Audio', 'Audio rack');
    await waitFor(() => expect(document.body.textContent).to.include('drafted runs go'), { timeout: 10_000, interval: 200 });
    const dialog = document.querySelector('[role=dialog]')!;
    expect(dialog.textContent).to.include('Audio: to Audio rack');
    const numbersOf = (where: string) => Object.values(page.project().runs).filter(({ rackId }) => rackId === where).length;
    expect(dialog.textContent).to.include('2 drafted runs go from Rack A to Audio rack.');
    const [before, after] = [.../Cable to cut for them: ([\d.]+) m now, ([\d.]+) m then/.exec(dialog.textContent ?? '')!]
      .slice(1)
      .map(Number);
    // The speakers stand at 1 and 3 m, the audio rack at 0.36 m and the other one at 9.8 m.
    expect(before - after).to.be.greaterThan(10);
    expect(numbersOf('audio')).to.equal(0);
    await press(page, 'Apply');
    await waitFor(() => expect(numbersOf('audio')).to.equal(2));
    expect(Object.values(page.project().headEndRules).map(({ system, rackId }) => [system, rackId])).to.deep.equal([
      ['sound', 'audio'],
    ]);
    expect(page.container.textContent).to.include('Audio rack: 2');
  });

  it('says so where there is no rack', () => {
    const house = smallHouse();
    const page = renderInProject(<HeadEndStage projectId="demo" />, { ...house, racks: {} });
    expect(page.container.querySelectorAll('section')).to.have.length(0);
    expect(page.container.textContent).to.match(/rack/i);
  });

  it('leads to the plan with the rack in hand where there is none', async () => {
    const house = smallHouse();
    const page = renderInProject(<HeadEndStage projectId="demo" />, { ...house, racks: {} }, { at: '/p/demo/head-end' });
    await page.user.click(page.getByRole('button', { name: 'Place a rack' }));
    expect(page.address()).to.equal('/p/demo/devices?place=rack');
  });
});

describe('the handover package', () => {
  afterEach(closePage);

  it('offers a file of each kind, the plan by level, on the paper of the region', () => {
    const page = renderInProject(<HandoverStage projectId="demo" />, wired);
    const addresses = page.getAllByRole('link').map((link) => link.getAttribute('href')!);
    expect(addresses).to.include('/api/projects/demo/documents/schedule.csv');
    expect(addresses).to.include('/api/projects/demo/file');
    expect(addresses.filter((address) => address.includes('plan.pdf'))).to.have.length(Object.keys(wired.levels).length);
    expect(addresses.find((address) => address.includes('labels.pdf'))).to.include('paper=A4');
    expect(page.container.textContent).to.match(/planning aids/);
  });

  it('is on Letter and Tabloid where the project is in feet and inches', () => {
    const imperial = { ...wired, project: { ...wired.project, units: 'imperial' as const } };
    const page = renderInProject(<HandoverStage projectId="demo" />, imperial);
    const addresses = page.getAllByRole('link').map((link) => link.getAttribute('href')!);
    expect(addresses.find((address) => address.includes('labels.pdf'))).to.include('paper=Letter');
    expect(addresses.find((address) => address.includes('plan.pdf'))).to.include('paper=Tabloid');
  });
});
