import '../../testing/dom.ts';
import { projectForClient } from '@dusky-spool/core/model';
import { wiredHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { fakeServer } from '../../testing/fake-server.ts';
import { closePage, renderInProject, signInAs } from '../../testing/render.tsx';
import { startWorkers, stopWorkers } from '../../testing/worker.ts';
import { Counts } from '../plan/Counts.tsx';
import { OrderScreen } from './OrderScreen.tsx';

const house = projectForClient(wiredHouse([{ typeId: 'ceiling-speaker', at: [1, 2] }]));
const OFFER = {
  tables: [
    {
      ...{ section: 'systems', title: 'What it costs', note: 'By system.', columns: ['What', 'Price', 'Tax', 'Total'] },
      rows: [['Audio', 'EUR 100.00', 'EUR 20.00', 'EUR 120.00']],
    },
  ],
};

describe('the Order stage of a client', () => {
  let server: ReturnType<typeof fakeServer>;
  before(startWorkers);
  after(stopWorkers);
  beforeEach(() => {
    signInAs('client');
    server = fakeServer({ 'GET /projects/*': () => OFFER });
  });
  afterEach(() => {
    server.stop();
    closePage();
  });

  it('shows the offer that the server made, and no part with what the firm pays', async () => {
    const page = renderInProject(<OrderScreen />, house, { at: '/p/p/order?view=offer', worker: true });
    await page.findByText('EUR 120.00', {}, { timeout: 20_000 });
    expect(page.getByRole('row', { name: /Audio/ }).textContent).to.contain('EUR 100.00');
    const parts = [...page.getByRole('radiogroup').querySelectorAll('label')].map(({ textContent }) => textContent);
    expect(parts).to.deep.equal(['Pulls', 'Offer', 'Dates']);
    expect(page.container.textContent).not.to.match(/Margin|What it costs us/);
  });

  it('counts devices, runs and cable without a column of costs', () => {
    const columns = (page: ReturnType<typeof renderInProject>) =>
      page.getAllByRole('columnheader').map(({ textContent }) => textContent);
    const page = renderInProject(<Counts />, house, { worker: true });
    expect(columns(page)).not.to.include(house.project.currency);
    closePage();
    signInAs('planner');
    expect(columns(renderInProject(<Counts />, house, { worker: true }))).to.include(house.project.currency);
  });
});
