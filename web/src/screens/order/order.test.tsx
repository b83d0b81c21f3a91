import '../../testing/dom.ts';
import { expect } from 'chai';
import { waitFor } from '@testing-library/react';
import { listOf } from '@dusky-spool/core/derive';
import { smallHouse, wiredHouse } from '@dusky-spool/core/testing';
import { choose, enter, press, valueIn } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { startWorkers, stopWorkers } from '../../testing/worker.ts';
import { OrderScreen } from './OrderScreen.tsx';

const house = wiredHouse([
  { typeId: 'ceiling-speaker', at: [1, 2] },
  { typeId: 'ceiling-speaker', at: [2, 2] },
  { typeId: 'network-drop', at: [3, 0.05] },
]);

describe('the order on screen', () => {
  before(startWorkers);
  after(stopWorkers);
  afterEach(closePage);
  const open = (view: string, project = house) =>
    renderInProject(<OrderScreen />, project, { at: `/p/p/order?view=${view}`, worker: true });

  it('lists what to buy by size, and each spool with its cuts and what one longer run would need', async () => {
    const page = open('plan');
    await page.findByText(/spools? to buy/, {}, { timeout: 20_000 });
    const cables = new Set(listOf(house, 'runs').map(({ cableTypeId }) => house.cableTypes[cableTypeId].name));
    const rows = [...page.container.querySelectorAll('tbody tr th')].map(({ textContent }) => textContent);
    expect(rows.sort()).to.deep.equal([...cables].sort());
    for (const { number } of listOf(house, 'runs')) expect(page.getAllByText(number).length).to.be.greaterThan(0);
    expect(page.getAllByText(/One run may be/).length).to.be.greaterThan(0);
  });

  it('plans again for another confidence, and uses a spool of the store before it buys', async () => {
    const page = open('plan');
    await page.findByText(/spools? to buy/, {}, { timeout: 20_000 });
    await enter(page, 'Spools last with (%)', '100');
    expect(page.project().project.spoolSettings.confidence).to.equal(1);
    const before = page.getByText(/spools? to buy/).textContent;
    await page.user.click(page.getByText('Stock and sizes'));
    await press(page, 'Add a spool');
    await choose(page, 'Cable', 'Speaker 16/2');
    await page.user.click(page.getByText('Spools'));
    await waitFor(() => expect(page.getByText(/spools? to buy/).textContent).to.not.equal(before), { timeout: 20_000 });
    expect(page.getByText('S1', { selector: 'b' })).to.not.equal(null);
  });

  it('takes spools and sizes with their prices, each under a name of its own, and removes them', async () => {
    const page = open('stock');
    await press(page, 'Add a size');
    await enter(page, /^Price \(/, '45.67');
    expect(listOf(page.project(), 'spoolOffers')[0].priceCents).to.equal(4567);
    expect(valueIn(page, 'Lead time (working days)')).to.equal('5');
    await press(page, 'Add a spool');
    await press(page, 'Add a spool');
    expect(
      listOf(page.project(), 'spools')
        .map(({ code }) => code)
        .sort(),
    ).to.deep.equal(['S1', 'S2']);
    for (const button of page.getAllByRole('button', { name: 'Remove' })) await page.user.click(button);
    expect([listOf(page.project(), 'spools').length, listOf(page.project(), 'spoolOffers').length]).to.deep.equal([0, 0]);
  });

  it('shows the pulls in their order with what each spool has left', async () => {
    const page = open('pulls');
    await page.findByText('Many cables first, then far ones.', {}, { timeout: 20_000 });
    expect(page.container.querySelectorAll('tbody tr')).to.have.length(Object.keys(house.runs).length);
    expect(page.getByRole('list', { name: 'What to bring to each level' }).textContent).to.match(/spools?, .* m of cable/);
  });

  it('bills everything, opens what a line is there for, and saves it as a table without formulas', async () => {
    const page = open('bill');
    await page.findByText(/^Materials in all/, {}, { timeout: 20_000 });
    const row = page.getByRole('button', { name: 'Ceiling speaker' });
    expect(row.closest('tr')!.textContent).to.match(/Ceiling speaker22/);
    await page.user.click(row);
    expect(page.getByLabelText('What Ceiling speaker is there for').textContent).to.match(/Ceiling speaker.*Ceiling speaker/);
    const blobs: Blob[] = [];
    URL.createObjectURL = (blob) => (blobs.push(blob as Blob), 'blob:here');
    await press(page, 'Save as CSV');
    const lines = (await blobs[0].text()).trim().split('\r\n');
    expect(lines[0]).to.match(/^\uFEFF?What,Size,Fitted,To buy,Each \(\w+\),Sum \(\w+\)$/);
    expect(lines.length - 1).to.equal(page.container.querySelectorAll('tbody tr th').length);
  });

  it('is empty in a house without runs', async () => {
    const page = open('plan', smallHouse());
    await page.findByText(/No cable yet/, {}, { timeout: 20_000 });
    expect(page.container.querySelectorAll('tbody tr')).to.have.length(0);
  });
});
