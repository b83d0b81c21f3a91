import '../../testing/dom.ts';
import { fireEvent, waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import { listOf } from '@dusky-spool/core/derive';
import { wiredHouse } from '@dusky-spool/core/testing';
import { choose, enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { startWorkers, stopWorkers } from '../../testing/worker.ts';
import { OrderScreen } from './OrderScreen.tsx';

const SLOW = { timeout: 20_000 };
const house = wiredHouse([
  { typeId: 'ceiling-speaker', at: [1, 2] },
  { typeId: 'network-drop', at: [3, 0.05] },
]);
const cents = (text: string) => Math.round(Number(text.replace(/[^\d.−-]/g, '').replace('−', '-')) * 100);

describe('offer, dates, goods and changes on screen', () => {
  before(startWorkers);
  after(stopWorkers);
  afterEach(closePage);
  const open = (view: string, project = house) =>
    renderInProject(<OrderScreen />, project, { at: `/p/p/order?view=${view}`, worker: true });
  const sum = (page: ReturnType<typeof open>, name: string) =>
    cents(
      [...page.container.querySelectorAll('dt')].find(({ textContent }) => textContent === name)!.nextElementSibling!.textContent,
    );

  it('adds the lines of an offer up, and says of a line how its price came about', async () => {
    const page = open('offer');
    await page.findByText('Deposit on signing', {}, SLOW);
    expect(sum(page, 'Price') + sum(page, 'Tax')).to.equal(sum(page, 'Total'));
    const before = sum(page, 'Total');
    await enter(page, 'Tax (%)', '20');
    await waitFor(() => expect(sum(page, 'Total')).to.be.greaterThan(before), SLOW);
    expect(sum(page, 'Price') + sum(page, 'Tax')).to.equal(sum(page, 'Total'));
    await press(page, 'Ceiling speaker');
    const why = page.getByLabelText('What Ceiling speaker is there for').textContent;
    expect(why).to.include('÷ (1 − 30 %)').and.to.include('20 % tax').and.to.include('Ceiling speaker');
    await press(page, 'Pull cable');
    expect(page.getByLabelText('What Pull cable is there for').textContent).to.match(/h × .*=/);
  });

  it('refuses a margin of the whole price beside its field, and keeps the old one', async () => {
    const page = open('offer');
    await page.findByText('Deposit on signing', {}, SLOW);
    await enter(page, 'Margin on price (%)', '100');
    expect(page.getByText(/Margin on price.*95/).textContent).to.match(/95/);
    expect(page.project().project.priceSettings.marginPercent).to.equal(30);
  });

  it('saves the rates in use as a card, and prices the offer at it again with one press', async () => {
    const page = open('offer');
    await page.findByText('Deposit on signing', {}, SLOW);
    await press(page, 'Save rates as a card');
    const card = within(page.getByRole('region', { name: 'Rate card 1' }));
    card.getByText('In use');
    const before = sum(page, 'Total');
    await enter(page, 'Margin on price (%)', '50');
    await waitFor(() => expect(sum(page, 'Total')).to.be.greaterThan(before), SLOW);
    await page.user.click(card.getByRole('button', { name: 'Use these rates' }));
    expect(page.project().project.priceSettings.marginPercent).to.equal(30);
    await waitFor(() => expect(sum(page, 'Total')).to.equal(before), SLOW);
  });

  it('adds a permit and says by when it is applied for', async () => {
    const days = { 'low-voltage-rough-in': '2027-03-05' };
    const tradeDates = Object.fromEntries(
      Object.entries(days).map(([gate, on]) => [gate, { id: gate, gate: gate as 'paint', on, from: '' }]),
    );
    const page = open('dates', { ...house, tradeDates });
    await page.findByText('Permits and inspections', {}, SLOW);
    await press(page, 'Add a permit');
    const permit = within(await page.findByRole('region', { name: 'Permit 1' }, SLOW));
    await permit.findByText(/not applied for · apply by 2027-02-\d\d for work on 2027-03-0\d/, {}, SLOW);
    expect(listOf(page.project(), 'permits')).to.have.length(1);
  });

  it('puts an option beside the whole, and shows what it differs by', async () => {
    const page = open('offer');
    await page.findByText('Deposit on signing', {}, SLOW);
    await press(page, 'Add an option');
    const [option] = listOf(page.project(), 'offerOptions');
    expect(option.name).to.equal('Option 1');
    const card = page.getByRole('region', { name: 'Option 1' });
    await waitFor(() => expect(card.textContent).to.match(/Difference: 0\.00/), SLOW);
  });

  it('imports a price list, reports each bad row, and offers at its prices', async () => {
    const page = open('prices');
    const file = new File(['Item;Price;Supplier;Valid to\nCeiling speaker;41,00;Reed;\nKeypad;soon;Reed;\n'], 'list.csv');
    await page.findByText('No prices yet.', {}, SLOW);
    fireEvent.change(page.container.querySelector('input[type=file]')!, { target: { files: [file] } });
    const dialog = await page.findByRole('dialog', {}, SLOW);
    await within(dialog).findByText(/“soon” is not an amount/, {}, SLOW);
    await page.user.click(within(dialog).getByRole('button', { name: 'Take 1 price' }));
    expect(listOf(page.project(), 'prices').map(({ item, priceCents, supplier }) => [item, priceCents, supplier])).to.deep.equal([
      ['Ceiling speaker', 4100, 'Reed'],
    ]);
    await page.user.click(page.getByText('Offer', { selector: '*:not(h3)' }));
    await page.findByText('Deposit on signing', {}, SLOW);
    await press(page, 'Ceiling speaker');
    expect(page.getByLabelText('What Ceiling speaker is there for').textContent).to.include('Reed');
  });

  it('gives gates their days, and says what contradicts', async () => {
    const page = open('dates');
    await page.findByText(/No gate has a day yet/, {}, SLOW);
    const day = (name: string, value: string) => fireEvent.change(page.getByLabelText(name), { target: { value } });
    day('Drywall, By', '2027-03-01');
    await waitFor(() => expect(listOf(page.project(), 'tradeDates').map(({ on }) => on)).to.deep.equal(['2027-03-01']));
    await page.findByRole('img', { name: 'Timeline of the gates' }, SLOW);
    day('Insulation, By', '2027-03-08');
    await page.findByText(/Drywall comes before Insulation/, {}, SLOW);
    await press(page, 'Insulation');
    expect(page.getByRole('list', { name: 'Items of Insulation' }).querySelectorAll('li').length).to.equal(
      Object.keys(house.runs).length,
    );
  });

  it('orders what is open, and refuses a day of receipt before the order beside its field', async () => {
    const page = open('goods');
    await page.findByText('Nothing is ordered yet.', {}, SLOW);
    const row = page.getByText('Ceiling speaker', { selector: 'th' }).closest('tr')!;
    await page.user.click(within(row).getByRole('button', { name: 'Order 1' }));
    const [delivery] = listOf(page.project(), 'deliveries');
    expect([delivery.item, delivery.count]).to.deep.equal(['Ceiling speaker', 1]);
    await enter(page, 'Damaged', '2');
    expect(page.getByText(/more than the 1 pieces/)).to.not.equal(null);
    await press(page, 'Received today');
    expect(listOf(page.project(), 'deliveries')[0]).to.include({ place: 'shop', damagedCount: 0 });
  });

  it('locks the scope, and makes a change order of the difference that nobody types', async () => {
    const page = open('changes');
    await page.findByText(/No baseline yet/, {}, SLOW);
    await press(page, 'Lock the scope as it is now');
    await page.findByText(/Nothing has changed since/, {}, SLOW);
    await page.user.click(page.getByText('Offer', { selector: '*:not(h3)' }));
    await page.findByText('Deposit on signing', {}, SLOW);
    await enter(page, /^Person-hour/, '90');
    await page.user.click(page.getByText('Changes'));
    await press(page, 'Lock and make a change order');
    const card = await page.findByRole('region', { name: 'Change order 1' }, SLOW);
    expect(within(card).getByText(/^\+.*tax\)$/)).to.not.equal(null);
    expect((within(card).getByRole('button', { name: 'Sign' }) as HTMLButtonElement).disabled).to.equal(true);
    await enter(page, 'Signed by', 'Ada Reed');
    await press(page, 'Sign');
    expect(listOf(page.project(), 'changeOrders')[0]).to.include({ answer: 'signed', signedBy: 'Ada Reed' });
    expect(within(card).getByText(/Signed by Ada Reed/)).to.not.equal(null);
  });

  it('compares who does a task, and offers it at the price of who is chosen', async () => {
    const page = open('tasks');
    await press(page, 'Add the usual tasks of a finished house');
    expect(listOf(page.project(), 'siteTasks')).to.have.length(7);
    const card = page.getByRole('group', { name: 'Patch openings' });
    await choose({ ...page, ...within(card) } as never, 'Compare with …', 'Finisher');
    const [patch] = listOf(page.project(), 'siteTasks').filter(({ kind }) => kind === 'patch');
    expect(patch.choices.map(({ by }) => by)).to.deep.equal(['finisher']);
  });
});
