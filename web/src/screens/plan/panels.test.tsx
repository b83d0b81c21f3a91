import '../../testing/dom.ts';
import { type Operation, type ProjectDocument, update } from '@dusky-spool/core/model';
import type { Outcome } from '@dusky-spool/core/math';
import { planRuns, runState } from '@dusky-spool/core/runs';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useProjectStore } from '../../state/project.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { useSettings } from '../../state/settings.ts';
import { choose, enter, press, valueIn } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { Inspector } from './Inspector.tsx';
import { SheetTools } from './SheetTools.tsx';

const ids = countedIds();
const { project: house, devices } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'ceiling-speaker', at: [3, 1.4] },
    { typeId: 'ceiling-speaker', at: [4, 2.2] },
    { typeId: 'network-drop', at: [3, 0.05] },
  ],
  ids,
);
const [speaker, second, third, drop] = devices.map(({ id }) => id);
const runOf = (project: ProjectDocument, deviceId: string) =>
  Object.values(project.runs).find((run) => run.deviceId === deviceId)!;

const valueOf = (outcome: Outcome<Operation[]>) => {
  if (!outcome.ok) throw new Error(outcome.problem.code);
  return outcome.value;
};

async function open(selection: Selection, project = house) {
  const selections: Selection[] = [];
  const views: string[] = [];
  const page = renderInProject(
    <Inspector selection={selection} onSelect={(next) => selections.push(next)} onView={(view) => views.push(view)} />,
    project,
  );
  // Its panels are loaded when they are first shown.
  if (selection.ids.length === 1)
    await waitFor(() => expect(page.container.querySelector('.eyebrow')).to.not.equal(null), { timeout: 10_000 });
  return { ...page, selections, views };
}

describe('cables of a device', () => {
  afterEach(closePage);
  const selection: Selection = { kind: 'device', ids: [drop] };
  const runsOf = ({ project }: { project: () => ProjectDocument }, id = drop) =>
    Object.values(project().runs).filter((run) => run.deviceId === id);

  it('are one more in two clicks, for one device or several', async () => {
    const page = await open(selection);
    await press(page, 'Add a cable');
    await page.user.click(await page.findByRole('menuitem', { name: 'Coax RG6' }));
    expect(runsOf(page).map(({ cableTypeId }) => cableTypeId)).to.deep.equal(['cat6_utp', 'cat6_utp', 'rg6']);
    expect(page.edits).to.have.length(1);
    closePage();
    const several = await open({ kind: 'device', ids: [speaker, second] });
    await press(several, 'Add a cable');
    await several.user.click(await several.findByRole('menuitem', { name: 'Category 6A' }));
    expect([speaker, second].map((id) => runsOf(several, id).length)).to.deep.equal([2, 2]);
    expect(several.edits).to.have.length(1);
  });

  it('have a height that is given by the edge which is named', async () => {
    const page = await open(selection);
    const height = () => page.project().devices[drop].heightM!;
    const frameM = house.deviceTypes['network-drop'].frameM![1];
    await enter(page, 'Lower edge of its frame AFF', '0.5 m');
    expect(height()).to.be.closeTo(0.5 + frameM / 2, 1e-9);
    await enter(page, 'Top of its frame AFF', '1 m');
    expect(height()).to.be.closeTo(1 - frameM / 2, 1e-9);
  });

  it('of two speakers are one four-conductor cable with a jumper, or two home runs', async () => {
    const page = await open({ kind: 'device', ids: [speaker, second] });
    const cables = () => [speaker, second].flatMap((id) => runsOf(page, id).map(({ cableTypeId }) => cableTypeId)).sort();
    await press(page, 'Pair on one four-conductor cable');
    expect(cables()).to.deep.equal(['spk_16_2', 'spk_16_4']);
    await press(page, 'Two home runs');
    expect(cables()).to.deep.equal(['spk_16_2', 'spk_16_2']);
  });

  it('are those of the recipe that are ticked: one that is taken away is not asked for', async () => {
    const page = await open(selection);
    const boxes = () => page.getAllByRole('checkbox', { name: /Category 6 · network/ }) as HTMLInputElement[];
    expect(boxes().map(({ checked }) => checked)).to.deep.equal([true, true]);
    await page.user.click(boxes()[1]);
    expect(runsOf(page)).to.have.length(1);
    expect(page.project().devices[drop].leftOut).to.deep.equal([2]);
    expect(page.queryByText(/lacks/)).to.equal(null);
    await page.user.click(boxes()[1]);
    expect(runsOf(page)).to.have.length(2);
  });

  it('follow its type when that is exchanged; place and number stay', async () => {
    const page = await open(selection);
    const { x, y, number } = page.project().devices[drop];
    await choose(page, 'Type', 'Wall speaker');
    expect(page.project().devices[drop]).to.deep.include({ typeId: 'wall-speaker', x, y, number });
    expect(runsOf(page).map(({ cableTypeId }) => cableTypeId)).to.deep.equal(['spk_14_2']);
    await page.findByText(/1 runs added, 2 removed, 0 kept/);
  });

  it('end elsewhere, with bundle, reason and flat price; and are removed', async () => {
    const [run] = Object.values(house.runs).filter(({ deviceId }) => deviceId === drop);
    const page = await open({ kind: 'run', ids: [run.id] });
    const now = () => page.project().runs[run.id];
    await choose(page, 'Ends at', /Ceiling speaker/);
    expect(now()).to.deep.include({ bundle: '' });
    expect([speaker, second, third]).to.include(now().toDeviceId);
    await choose(page, 'Ends at', 'Rack A');
    expect(now().toDeviceId).to.equal(null);
    await enter(page, 'Bundle', 'b7');
    await enter(page, 'Reason', 'asked for at the walk');
    await enter(page, `Flat price, ${house.project.currency}`, '140');
    expect(now()).to.deep.include({ bundle: 'B7', reason: 'asked for at the walk', price: 140 });
    await enter(page, `Flat price, ${house.project.currency}`, '');
    expect(now().price).to.equal(null);
    await press(page, 'Remove this run');
    expect(now()).to.equal(undefined);
    expect(page.selections.at(-1)).to.deep.equal({ kind: 'device', ids: [drop] });
  });
});

describe('the panel of a device', () => {
  afterEach(closePage);
  const selection: Selection = { kind: 'device', ids: [speaker] };

  it('names it, moves it, and sets its height; a drop says what its field takes', async () => {
    const page = await open(selection);
    await enter(page, 'Name', 'Left surround');
    // From the faces of the walls, which are 0.1 m thick: what a tape measures.
    const half = house.walls.west.thicknessM / 2;
    await enter(page, 'From left wall', '2 m');
    await enter(page, 'From lower wall', '1.5 m');
    const { name, x, y } = page.project().devices[speaker];
    expect([name, x, y]).to.deep.equal(['Left surround', 2 + half, 1.5 + half]);
    await enter(page, 'From left wall', 'left');
    expect(page.getByRole('alert').textContent).to.match(/length/i);
    expect(page.project().devices[speaker].x).to.equal(2 + half);
    await enter(page, 'From left wall', '-1 m');
    expect(page.getByRole('alert').textContent).to.equal('From left wall: from 0.00 m to 200.00 m.');
    expect(valueIn(page, 'From left wall')).to.equal('-1 m');
  });

  it('goes into another room with its number, when it is moved there', async () => {
    const page = await open(selection);
    expect(page.project().devices[speaker].roomId).to.equal('a');
    await enter(page, 'From left wall', '7 m');
    expect(page.project().devices[speaker].roomId).to.equal('b');
    expect(page.edits).to.have.length(1);
  });

  it('lists its runs, which are selected by a click', async () => {
    const page = await open(selection);
    await page.user.click(page.container.querySelector('.plan__run-line-item')!);
    expect(page.selections).to.deep.equal([{ kind: 'run', ids: [runOf(house, speaker).id] }]);
  });

  it('shows its ceiling, selects all of its type on the level, and is removed with its runs', async () => {
    const page = await open(selection);
    await press(page, 'See it on its ceiling');
    expect(page.views).to.deep.equal(['ceiling-a']);
    await press(page, 'Select all 3 of this type on the level');
    expect(page.selections.at(-1)).to.deep.equal({ kind: 'device', ids: [speaker, second, third] });
    await press(page, 'Remove');
    expect(page.project().devices[speaker]).to.equal(undefined);
    expect(Object.values(page.project().runs).some(({ deviceId }) => deviceId === speaker)).to.equal(false);
    expect(page.selections.at(-1)).to.deep.equal({ kind: 'none', ids: [] });
  });
});

describe('the panel of a run', () => {
  afterEach(closePage);
  const runId = runOf(house, drop).id;
  const selection: Selection = { kind: 'run', ids: [runId] };
  const run = ({ project }: { project: () => ProjectDocument }) => project().runs[runId];

  it('shows its length in its parts, which add up', async () => {
    const page = await open(selection);
    const figures = [...page.container.querySelectorAll('dl.figures dd')].map(({ textContent }) => textContent ?? '');
    const metres = figures.flatMap((words) => [...words.matchAll(/(\d+\.\d) m/g)].map((match) => Number(match[1])));
    const [rise, along, down, ends, rack, allowance] = metres;
    const total = Number(/([\d.]+) m/.exec(page.getByText(/^Length/, { selector: '.eyebrow' }).textContent ?? '')?.[1]);
    // Each part is rounded to a decimetre, and the cut length up.
    expect(total - (rise + along + down + ends + rack + allowance)).to.be.within(-0.3, 0.6);
  });

  it('takes another cable, and other slack', async () => {
    const page = await open(selection);
    const other = Object.values(house.cableTypes).find(({ name }) => name === 'Category 5e')!;
    await choose(page, 'Cable', other.name);
    expect(run(page).cableTypeId).to.equal(other.id);
    await enter(page, 'Slack at device', '0.8 m');
    expect(run(page).deviceSlackM).to.be.closeTo(0.8, 1e-9);
  });

  it('writes what is on its ends', async () => {
    const page = await open(selection);
    await page.findByLabelText('Connector here', {}, { timeout: 10_000 });
    await enter(page, 'Connector here', 'Jack');
    expect(run(page).deviceConnector).to.equal('Jack');
  });

  it('asks whether both ends have the new label, where it was pulled with one that is out of date', async () => {
    const run = runOf(house, drop);
    const before = {
      ...house,
      runs: { ...house.runs, [run.id]: { ...run, printedOn: '2026-11-01', printedAs: 'M-XX-99.9 | Hall' } },
    };
    const drafted = await open({ kind: 'run', ids: [run.id] }, before);
    expect(drafted.getByText(/The labels printed on 2026-11-01 are out of date. Changed since: number/)).to.not.equal(null);
    expect(drafted.queryByText(/It is pulled/)).to.equal(null);
    closePage();
    const page = await open(
      { kind: 'run', ids: [run.id] },
      { ...before, runs: { ...before.runs, [run.id]: { ...before.runs[run.id], state: 'pulled' } } },
    );
    page.getByText('It is pulled: does the new label stick on both ends in the house?');
    await press(page, 'Both ends are relabeled');
    expect(page.project().runs[run.id].printedAs).to.match(new RegExp(`^${run.number} \\|`));
    expect(page.project().runs[run.id].printedOn).to.not.equal('2026-11-01');
    expect(page.queryByText(/out of date/)).to.equal(null);
  });

  it('says why there is no route, and what would open one', async () => {
    const { rack: _, ...racks } = house.racks;
    const away = { ...house.racks.rack, levelId: 'u' };
    const upper = { ...house.levels.m, id: 'u', code: 'U', name: 'Upper', order: 1, elevationM: 2.8 };
    const page = await open(selection, {
      ...house,
      levels: { ...house.levels, u: upper },
      racks: { ...racks, rack: away },
    });
    expect(page.getByText('No route to the rack', { selector: 'b' })).to.not.equal(null);
    expect(page.container.querySelector('.plan__no-way p')?.textContent).to.not.equal('');
  });
});

describe('the inspector', () => {
  afterEach(closePage);

  it('shows what several devices share and what is mixed, and changes all as one step', async () => {
    const named = applied(house, [update('devices', house.devices[speaker], { finish: 'white' })!]);
    const page = await open({ kind: 'device', ids: [speaker, second] }, named);
    const finish = (await page.findByLabelText('Finish', { selector: 'input' })) as HTMLInputElement;
    expect([finish.value, finish.placeholder]).to.deep.equal(['', 'mixed']);
    await enter(page, 'Finish', 'black');
    await choose(page, 'Place is', 'Spare cable, stored');
    expect(page.edits).to.have.length(2);
    for (const id of [speaker, second]) expect(page.project().devices[id]).to.include({ finish: 'black', fitting: 'spare' });
    expect(page.project().devices[third].finish).to.equal('');
  });

  it('changes cable, bundle and slack of several runs, and leaves those that were issued', async () => {
    const runs = [speaker, second, third].map((id) => runOf(house, id));
    const routes = planRuns(house);
    const issued = applied(
      house,
      valueOf(runState(house, [runs[0].id], 'issued', (run) => routes.find((one) => one.run.id === run.id)?.proposedRoute)),
    );
    const page = await open({ kind: 'run', ids: runs.map(({ id }) => id) }, issued);
    await page.findByText(/1 of 3 is issued/);
    await choose(page, 'Cable', /14\/2/);
    await enter(page, 'Bundle', 'B-77');
    await enter(page, 'Slack at device', '1 m');
    expect(page.edits).to.have.length(3);
    const now = runs.map(({ id }) => page.project().runs[id]);
    expect(now.map(({ bundle }) => bundle === 'B-77')).to.deep.equal([false, true, true]);
    expect(now.map(({ cableTypeId }) => cableTypeId === runs[0].cableTypeId)).to.deep.equal([true, false, false]);
    expect(now.slice(1).map(({ deviceSlackM }) => deviceSlackM)).to.deep.equal([1, 1]);
  });

  it('lines up several devices, spreads three, and sets one height', async () => {
    const page = await open({ kind: 'device', ids: [speaker, second, third] });
    await press(page, 'Side by side');
    const place = (id: string) => page.project().devices[id];
    expect(new Set([speaker, second, third].map((id) => place(id).y)).size).to.equal(1);
    await press(page, 'Spread across');
    expect(place(second).x - place(speaker).x).to.be.closeTo(place(third).x - place(second).x, 1e-6);
    const two = await open({ kind: 'device', ids: [speaker, second] });
    expect((two.getAllByRole('button', { name: 'Spread across' }).at(-1) as HTMLButtonElement).disabled).to.equal(true);
  });

  it('shows a proposal beside the project and applies it, or leaves everything as it was', async () => {
    const page = await open({ kind: 'device', ids: [speaker] });
    const propose = (name: string) => {
      const device = page.project().devices[speaker];
      useProjectStore.setState({
        preview: {
          kind: 'proposal',
          title: 'Rename it',
          operations: [{ op: 'update', in: 'devices', id: speaker, before: { name: device.name }, after: { name } } as never],
          project: applied(page.project(), [
            { op: 'update', in: 'devices', id: speaker, before: { name: device.name }, after: { name } } as never,
          ]),
        },
      });
    };
    propose('Proposed name');
    await waitFor(() => expect(valueIn(page, 'Name')).to.equal('Proposed name'));
    await press(page, 'Apply');
    expect(page.project().devices[speaker].name).to.equal('Proposed name');
    propose('Another');
    await waitFor(() => expect(valueIn(page, 'Name')).to.equal('Another'));
    await press(page, /cancel|discard/i);
    expect(useProjectStore.getState().preview).to.equal(null);
    expect(page.project().devices[speaker].name).to.equal('Proposed name');
  });

  it('counts what is there where nothing is selected', async () => {
    const page = await open({ kind: 'none', ids: [] });
    expect(page.container.textContent).to.match(/3/);
    expect(page.container.querySelector('h2')?.textContent).to.equal('Nothing selected');
  });
});

describe('what lies over the plan', () => {
  afterEach(closePage);
  const control = () => {
    const calls: string[] = [];
    return { calls, control: { zoomBy: (k: number) => calls.push(k > 1 ? 'in' : 'out'), fit: () => calls.push('fit') } as never };
  };
  const open = (project: ProjectDocument, tool: Parameters<typeof SheetTools>[0]['tool'] = { kind: 'select' }) => {
    const { calls, control: camera } = control();
    const page = renderInProject(
      <SheetTools levelId="m" tool={tool} control={camera} leftPx={100} hasSelection={false} />,
      project,
    );
    return { ...page, calls };
  };

  it('zooms, fits, and shows findings or not', async () => {
    const page = open(house);
    await press(page, 'Zoom in');
    await press(page, 'Zoom out');
    await press(page, 'Fit');
    expect(page.calls).to.deep.equal(['in', 'out', 'fit']);
    const before = useSettings.getState().findings;
    await press(page, 'Findings');
    expect(useSettings.getState().findings).to.equal(!before);
    await press(page, 'Findings');
  });

  it('lists the systems of the level', () => {
    const words = open(house).container.querySelector('.plan__legend')!.textContent!;
    expect(words).to.include('Audio').and.include('Data').and.not.include('Shades');
  });

  it('says what a click places', () => {
    const page = open(house, { kind: 'place', type: house.deviceTypes['ceiling-speaker'] });
    expect(page.getByRole('status').textContent).to.match(/ceiling speaker/i);
  });

  it('sends to the survey from a level where nothing is drawn', () => {
    const page = open({ ...smallHouse(), rooms: {}, walls: {} });
    expect(page.getByRole('link').getAttribute('href')).to.equal('../survey?level=m');
  });
});
