import '../../testing/dom.ts';
import { waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import { proposalOf, useProjectStore } from '../../state/project.ts';
import { demoHouse } from '../../testing/demo.ts';
import { choose, enter, press } from '../../testing/fields.ts';
import { closePage, derivedOn, renderInProject } from '../../testing/render.tsx';
import { PathwaysScreen } from './PathwaysScreen.tsx';

const flat = demoHouse('ropewalk-flat');
const granary = demoHouse('saltmarsh-granary');

describe('pathways and holes', () => {
  afterEach(closePage);
  /** The screen with one of its lists, once the worker has answered. */
  async function open(house = flat, tab?: string) {
    const shown: string[] = [];
    let backs = 0;
    const page = renderInProject(<PathwaysScreen onBack={() => backs++} onRun={(id) => shown.push(id)} />, house, {
      worker: true,
    });
    await waitFor(() => expect(page.container.querySelector('.hole-table')).to.not.equal(null));
    if (tab) await page.user.click(page.getByText(tab, { selector: '.ant-segmented-item-label' }));
    return { ...page, shown, backs: () => backs };
  }
  const rowsOf = (page: { container: HTMLElement }, table: string) => [...page.container.querySelectorAll(`${table} tbody tr`)];

  it('count every hole of the house once, by level', async () => {
    const page = await open(granary);
    const chips = [...page.container.querySelectorAll('header .chip')].map(({ textContent }) => textContent!);
    const bored = chips.slice(1).map((words) => Number(/(\d+)$/.exec(words)![1]));
    const captions = [...page.container.querySelectorAll('caption')].map(({ textContent }) =>
      Number(/(\d+) hole/.exec(textContent!)![1]),
    );
    expect(captions).to.have.length(3);
    expect(captions.reduce((sum, count) => sum + count)).to.equal(bored.reduce((sum, count) => sum + count));
    expect(page.container.textContent).to.match(/Do not cut joists/);
  });

  it('say what has to be asked in a finished house', async () => {
    const page = await open(flat);
    expect(flat.project.construction).to.not.equal('new-framing');
    expect(page.container.querySelector('.pathways__bored-table')!.parentElement!.textContent).to.match(/lead|asbestos/i);
  });

  it('lead from a hole to a run through it', async () => {
    const page = await open();
    const link = page.container.querySelector<HTMLElement>('.hole-table tbody .link')!;
    await page.user.click(link);
    const { runs } = derivedOn(flat);
    expect(page.shown).to.deep.equal([runs.find(({ run }) => run.number === link.textContent)!.run.id]);
  });

  it('follow the construction: its cost factors, a changed one, and the usual ones again', async () => {
    const page = await open();
    await press(page, 'Route cost factors');
    const field = page.container.querySelector<HTMLInputElement>('.pathways__weights input')!;
    const usual = field.value;
    await page.user.clear(field);
    await page.user.type(field, '7');
    await page.user.tab();
    const [[name, weight]] = Object.entries(page.project().project.routeWeights);
    expect([typeof name, weight]).to.deep.equal(['string', 7]);
    await page.user.click(page.container.querySelector('.pathways__weights .ant-btn')!);
    expect(page.project().project.routeWeights).to.deep.equal({});
    expect(page.container.querySelector<HTMLInputElement>('.pathways__weights input')!.value).to.equal(usual);
    await choose(page, 'Construction', 'New framing, open');
    expect(page.project().project.construction).to.equal('new-framing');
  });

  it('show how full each pathway is against its limit, and offer the spare conduits that are missing', async () => {
    const page = await open(flat, 'Fill');
    const bars = [...page.container.querySelectorAll('.load-table [role=img]')].map((bar) => bar.getAttribute('aria-label')!);
    expect(bars.length).to.be.greaterThan(0);
    for (const words of bars) expect(words).to.match(/^\d+ % of \d+ %$/);
    await press(page, 'Add the missing conduits');
    const proposal = proposalOf(useProjectStore.getState().preview)!;
    expect(proposal.operations.length).to.be.greaterThan(0);
    expect(proposal.operations.every((operation) => operation.op === 'create')).to.equal(true);
    expect(page.backs()).to.equal(1);
    expect(page.project()).to.equal(flat);
  });

  it('list bundles with their order and their hole, and bundle again what goes along together', async () => {
    const page = await open(flat, 'Bundles');
    const codes = new Set(Object.values(flat.runs).flatMap(({ bundle }) => bundle || []));
    const rows = rowsOf(page, '.pathways__bundle-table');
    expect(rows.length).to.be.greaterThan(3);
    for (const row of rows) expect(codes.has(row.querySelector('b')!.textContent!)).to.equal(true);
    const before = page.edits.length;
    await press(page, /^Bundle/);
    await waitFor(() => expect(page.edits).to.have.length(before + 1));
    expect(page.edits.at(-1)!.operations.every((operation) => operation.in === 'runs')).to.equal(true);
  });

  it('record who sealed a penetration with what, and count what is open', async () => {
    const page = await open(flat, 'Firestopping');
    const open_ = () => Number(/\d+/.exec(page.container.querySelector('.pathways__seal-count b')!.textContent!)![0]);
    const before = open_();
    expect(before).to.be.greaterThan(0);
    const [first] = rowsOf(page, '.pathways__seal-table');
    await page.user.click(within(first as HTMLElement).getByRole('button', { name: 'Details' }));
    await enter(page, 'By', 'Bo Fenn');
    const [seal] = Object.values(page.project().seals).filter(({ by }) => by === 'Bo Fenn');
    expect(seal.by).to.equal('Bo Fenn');
    await choose(page, 'Show', 'Open only');
    expect(rowsOf(page, '.pathways__seal-table').length).to.be.at.least(open_());
  });

  it('hold the floor conduits to a signature before the pour', async () => {
    const page = await open(granary, 'Floor topping');
    const cards = [...page.container.querySelectorAll('.pathways__screed-card')];
    expect(cards.length).to.be.greaterThan(0);
    const unsigned = cards.find((card) => card.querySelector('.ant-btn'));
    const signed = cards.find((card) => card.querySelector('.signed'));
    expect([unsigned, signed].some((card) => card !== undefined)).to.equal(true);
    for (const card of cards) expect(card.textContent).to.match(/\d/);
  });

  it('count hooks and staples, and name what runs beside mains', async () => {
    const page = await open(flat, 'Supports');
    const rows = rowsOf(page, '.support-table');
    const cables = new Set(Object.values(flat.runs).map(({ cableTypeId }) => flat.cableTypes[cableTypeId].name));
    expect(rows).to.have.length(cables.size);
    const counted = rows.map((row) => Number(row.children[1].textContent));
    expect(counted.reduce((sum, count) => sum + count)).to.equal(Object.keys(flat.runs).length);
    expect(page.container.textContent).to.match(/mains/);
  });

  it('compare tidied routes with those that are, and propose them', async () => {
    const page = await open(granary);
    await press(page, 'Tidy routes');
    await waitFor(() => expect(page.container.querySelector('.pathways__ways-comparison')).to.not.equal(null));
    const figures = [...page.container.querySelectorAll('.pathways__ways-comparison tbody tr')].map((row) =>
      [...row.querySelectorAll('td')].map(({ textContent }) => parseFloat(textContent!)),
    );
    expect(figures).to.have.length(5);
    expect(figures.flat().every(Number.isFinite)).to.equal(true);
    const [places, , , cable, hours] = figures;
    expect(places[1]).to.be.lessThan(places[0]);
    expect(cable[1]).to.be.at.most(1.1 * cable[0]);
    expect(hours[1]).to.be.lessThan(hours[0]);
  });
});
