import '../../testing/dom.ts';
import { plannedRun } from '@dusky-spool/core/runs';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useState } from 'react';
import { SELECT_TOOL, type Tool } from '../../canvas/tools/plan-tool.ts';
import { useByHand } from '../../state/by-hand.ts';
import { useProject } from '../../state/open-project.ts';
import { proposalOf, useProjectStore } from '../../state/project.ts';
import { demoHouse } from '../../testing/demo.ts';
import { choose, press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { BothRoutes } from './BothRoutes.tsx';
import { Palette } from './Palette.tsx';
import { RouteOptions } from './RouteOptions.tsx';

const flat = demoHouse('ropewalk-flat');
const routed = Object.values(flat.runs).find((run) => plannedRun(flat, run.id).points.length > 4)!;

describe('the route of a run', () => {
  afterEach(closePage);
  function Shown() {
    const project = useProject();
    return <RouteOptions run={project.runs[routed.id]} broken={[]} />;
  }
  const open = async () => {
    const page = renderInProject(<Shown />, flat, { worker: true });
    await press(page, 'Why this route?');
    await waitFor(() => expect(page.container.querySelector('table')).to.not.equal(null));
    return { ...page, rows: () => [...page.container.querySelectorAll('tbody tr')] };
  };

  it('is told with its length, its holes and its cost, beside the next cheapest ones', async () => {
    const { rows } = await open();
    expect(rows()[0].querySelector('th')!.textContent).to.equal('This route');
    for (const row of rows()) {
      const [length, holes, cost] = [...row.querySelectorAll('td')].map(({ textContent }) => textContent!);
      expect(length).to.match(/^\d+\.\d m$/);
      expect(holes).to.match(/^\d+$/);
      expect(cost).to.match(/^(the same|[+−]?\d+\.\d m)$/);
    }
    for (const row of rows().slice(1)) expect(row.querySelectorAll('td')[2].textContent).to.not.match(/^−/);
  });

  it('is shown another way before anything is edited', async () => {
    const page = await open();
    const show = page.queryAllByRole('button', { name: 'Show' });
    if (show.length === 0) expect(page.getByText('There is no other reasonable route.')).to.not.equal(null);
    else {
      await page.user.click(show[0]);
      const proposal = proposalOf(useProjectStore.getState().preview)!;
      expect(proposal.operations.every((operation) => operation.in === 'routeRules')).to.equal(true);
    }
    expect(page.edits).to.deep.equal([]);
  });

  it('is led by what a person wants, and freed of it', async () => {
    const page = await open();
    const room = Object.values(flat.rooms).find(({ id }) => id !== flat.devices[routed.deviceId].roomId)!;
    await choose(page, 'Avoid', new RegExp(room.name));
    const [rule] = Object.values(page.project().routeRules);
    expect(rule).to.include({ kind: 'avoid', target: 'room', targetId: room.id, runId: routed.id });
    expect(page.container.querySelector('.plan__way-rule')!.textContent).to.include(room.name);
    await press(page, 'Remove');
    expect(page.project().routeRules).to.deep.equal({});
  });

  it('is edited by hand until Done, and no longer than its panel is shown', async () => {
    const page = await open();
    await press(page, 'Edit route');
    expect(useByHand.getState().runId).to.equal(routed.id);
    await press(page, 'Done');
    expect(useByHand.getState().runId).to.equal(null);
    await press(page, 'Edit route');
    page.unmount();
    expect(useByHand.getState().runId).to.equal(null);
  });

  it('is compared in a finished house with one on the surface, each with its price', async () => {
    const page = renderInProject(<BothRoutes run={routed} />, flat, { worker: true });
    await press(page, 'In the wall or on the surface?');
    await waitFor(() => expect(page.container.querySelector('table')).to.not.equal(null));
    const price = [...page.container.querySelectorAll('tr')].find((row) => row.textContent!.startsWith('Price'))!;
    expect(price.textContent).to.include(flat.project.currency);
    expect(page.edits).to.deep.equal([]);
  });
});

describe('the palette', () => {
  afterEach(closePage);
  function open() {
    let now: Tool = SELECT_TOOL;
    const opened: string[] = [];
    function Held() {
      const [tool, setTool] = useState<Tool>(SELECT_TOOL);
      now = tool;
      return (
        <Palette tool={tool} onTool={setTool} onLibrary={() => opened.push('library')} onPlates={() => opened.push('plates')} />
      );
    }
    const page = renderInProject(<Held />, flat);
    const names = () => [...page.container.querySelectorAll('.plan__palette-item')].map(({ textContent }) => textContent!);
    return { ...page, tool: () => now, names, opened };
  }

  it('arms the pointer with a type, and lays it down by the same press', async () => {
    const page = open();
    await press(page, 'Network drop');
    const armed = page.tool();
    expect(armed.kind === 'place' && armed.type.id).to.equal('network-drop');
    expect(page.getByRole('button', { name: 'Network drop' }).getAttribute('aria-pressed')).to.equal('true');
    await press(page, 'Network drop');
    expect(page.tool().kind).to.equal('select');
  });

  it('is narrowed by system and by words, also by a code', async () => {
    const page = open();
    const all = page.names().length;
    await press(page, /Only Security/);
    const security = page.names();
    expect(security.length).to.be.lessThan(all);
    await press(page, /Only Security/);
    const find = await page.findByLabelText('Find a device type');
    await page.user.type(find, 'keypad');
    for (const name of page.names()) expect(name).to.match(/keypad/i);
    await page.user.clear(find);
    await page.user.type(find, 'ND ');
    expect(page.names().some((name) => name.includes('Network drop'))).to.equal(true);
  });

  it('offers an even field for speakers in the ceiling, for ears that sit or stand', async () => {
    const page = open();
    await press(page, 'Network drop');
    expect(page.container.querySelector('.plan__field-choice')).to.equal(null);
    await press(page, 'Ceiling speaker');
    const choices = () => [...page.container.querySelectorAll<HTMLElement>('.plan__field-choice button')];
    expect(choices().length).to.be.greaterThan(1);
    await page.user.click(choices()[1]);
    const seated = page.tool();
    expect(seated.kind === 'place' && seated.field?.ear).to.equal('seated');
    await page.user.click(choices().at(-1)!);
    const standing = page.tool();
    expect(standing.kind === 'place' && standing.field?.ear).to.equal('standing');
    await page.user.click(choices()[0]);
    const one = page.tool();
    expect(one.kind === 'place' && one.field).to.equal(undefined);
  });

  it('places whole rooms from templates', async () => {
    const page = open();
    const template = [...page.container.querySelectorAll<HTMLElement>('.plan__palette-item')].find((item) =>
      item.querySelector('.plan__template-count'),
    )!;
    await page.user.click(template);
    const tool = page.tool();
    expect(tool.kind).to.equal('template');
    expect(tool.kind === 'template' && String(tool.template.devices.length)).to.equal(
      template.querySelector('.plan__template-count')!.textContent,
    );
  });

  it('has the rack and the riser first, and finds them by their names', async () => {
    const page = open();
    await press(page, /^Rack$/);
    expect(page.tool()).to.deep.equal({ kind: 'rack' });
    await press(page, /^Rack$/);
    expect(page.tool().kind).to.equal('select');
    await page.user.type(page.getByLabelText('Find a device type'), 'riser');
    await press(page, /^Riser$/);
    expect(page.tool()).to.deep.equal({ kind: 'riser' });
    expect(page.queryByRole('button', { name: /^Rack$/ })).to.equal(null);
  });

  it('leads to plates and to the library', async () => {
    const page = open();
    await press(page, 'Plates');
    await press(page, 'Library');
    expect(page.opened).to.deep.equal(['plates', 'library']);
  });
});
