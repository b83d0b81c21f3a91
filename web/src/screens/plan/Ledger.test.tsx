import '../../testing/dom.ts';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { within } from '@testing-library/react';
import { expect } from 'chai';
import type { Selection } from '../../state/selection-kinds.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { Ledger } from './Ledger.tsx';

const { project: house } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'network-drop', at: [3, 0.05] },
    { typeId: 'display', at: [5, 0.05] },
    { typeId: 'ceiling-speaker', at: [7, 2] },
  ],
  countedIds(),
);

describe('the schedule', () => {
  afterEach(closePage);

  function open({ full = true, selection = { kind: 'none', ids: [] } as Selection, project = house } = {}) {
    const selections: Selection[] = [];
    const page = renderInProject(
      <Ledger
        projectId="demo"
        levelId="m"
        selection={selection}
        full={full}
        onSelect={(next) => selections.push(next)}
        onFull={() => undefined}
        onFold={() => undefined}
      />,
      project,
    );
    const column = (name: string) =>
      [...page.container.querySelectorAll(`.plan__grid-row:not(.plan__head) .plan__cell.${name}`)].map(
        (cell) => cell.textContent ?? '',
      );
    const head = (name: string) => page.getByRole('columnheader', { name });
    const sortBy = (name: string) => page.user.click(within(head(name)).getByRole('button'));
    return { ...page, selections, column, head, sortBy };
  }
  const isAscending = (list: readonly number[]) => list.every((value, i) => i === 0 || list[i - 1] <= value);

  it('has a row for each run, in the order of their numbers', () => {
    const { column } = open();
    expect(column('run').length).to.equal(Object.keys(house.runs).length);
    expect(column('run')).to.deep.equal([...column('run')].sort(new Intl.Collator('en', { numeric: true }).compare));
  });

  it('is sorted by a column at a click, the other way at the next', async () => {
    const { head, column, sortBy } = open();
    const lengths = () => column('length').map((words) => Number.parseFloat(words));
    expect(new Set(lengths()).size).to.be.greaterThan(3);
    await sortBy('Cut');
    expect(head('Cut').getAttribute('aria-sort')).to.equal('ascending');
    expect(isAscending(lengths())).to.equal(true);
    await sortBy('Cut');
    expect(head('Cut').getAttribute('aria-sort')).to.equal('descending');
    expect(isAscending(lengths().reverse())).to.equal(true);
    await sortBy('Cut');
    expect(head('Cut').getAttribute('aria-sort')).to.equal('ascending');
  });

  it('has fewer columns beside the plan', () => {
    const brief = open({ full: false }).getAllByRole('columnheader').length;
    closePage();
    const { getAllByRole, getByRole } = open();
    expect(getAllByRole('columnheader').length).to.equal(brief + 4);
    expect(getByRole('grid').getAttribute('aria-colcount')).to.equal(String(brief + 4));
  });

  it('finds runs by words, and offers to clear a filter that finds nothing', async () => {
    const { user, getByLabelText, getByRole, column } = open();
    const all = column('run').length;
    await user.type(getByLabelText('Filter runs'), 'no such cable');
    expect(column('run')).to.deep.equal([]);
    await user.click(getByRole('button', { name: 'Clear filters' }));
    expect(column('run').length).to.equal(all);
  });

  it('selects a run by a click or by Enter, and several with Shift', async () => {
    const first = open();
    await first.user.click(first.container.querySelectorAll('.plan__grid-row:not(.plan__head)')[1]);
    (first.container.querySelectorAll('.plan__grid-row:not(.plan__head)')[2] as HTMLElement).focus();
    await first.user.keyboard('{Enter}');
    expect(first.selections.map(({ kind, ids }) => [kind, ids.length])).to.deep.equal([
      ['run', 1],
      ['run', 1],
    ]);
    closePage();
    const [runId] = Object.keys(house.runs);
    const next = open({ selection: { kind: 'run', ids: [runId] } });
    const rows = [...next.container.querySelectorAll('.plan__grid-row:not(.plan__head)')];
    expect(rows.filter((row) => row.getAttribute('aria-selected') === 'true')).to.have.length(1);
    await next.user.keyboard('{Shift>}');
    await next.user.click(rows.find((row) => row.getAttribute('aria-selected') === 'false')!);
    await next.user.keyboard('{/Shift}');
    expect(next.selections[0].ids).to.have.length(2);
  });

  it('selects all from the row clicked before by Shift, takes one away by Ctrl, and all that are shown by a button', async () => {
    const { user, container, selections, getByRole, getByLabelText, column } = open();
    const rows = () => [...container.querySelectorAll('.plan__grid-row:not(.plan__head)')];
    await user.click(rows()[3]);
    await user.keyboard('{Shift>}');
    await user.click(rows()[1]);
    await user.keyboard('{/Shift}');
    const shown = column('run');
    const numbers = (selection: Selection) => selection.ids.map((id) => house.runs[id].number);
    expect(numbers(selections[1])).to.deep.equal(shown.slice(1, 4));
    await user.type(getByLabelText('Filter runs'), 'speaker');
    await user.click(getByRole('button', { name: `Select all ${column('run').length}` }));
    expect(numbers(selections[2])).to.deep.equal(column('run'));
    closePage();
    const two = Object.keys(house.runs).slice(0, 2);
    const next = open({ selection: { kind: 'run', ids: two } });
    await next.user.keyboard('{Control>}');
    await next.user.click(next.getByText(house.runs[two[0]].number));
    await next.user.keyboard('{/Control}');
    expect(next.selections[0].ids).to.deep.equal([two[1]]);
  });

  it('shows the runs of a selected device', () => {
    const speaker = Object.values(house.devices).find(({ typeId }) => typeId === 'ceiling-speaker')!;
    const { container } = open({ selection: { kind: 'device', ids: [speaker.id] } });
    const own = Object.values(house.runs).filter(({ deviceId }) => deviceId === speaker.id).length;
    expect(container.querySelectorAll('.plan__grid-row[aria-selected=true]')).to.have.length(own);
  });

  it('says so where there is no run', () => {
    const { getByText } = open({ project: smallHouse() });
    expect(getByText(/No runs/)).to.not.equal(null);
  });
});
