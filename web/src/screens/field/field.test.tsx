import '../../testing/dom.ts';
import { create, type ProjectDocument, update } from '@dusky-spool/core/model';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import { listOf } from '@dusky-spool/core/derive';
import { choose, enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { startWorkers, stopWorkers } from '../../testing/worker.ts';
import { PreWireScreen } from './PreWireScreen.tsx';

const SLOW = { timeout: 20_000 };
const { project: wired } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 2] }], countedIds());
const [run] = Object.values(wired.runs);
const spool = {
  ...{ id: 's1', code: 'S1', cableTypeId: run.cableTypeId, lengthM: 100, jacketColour: '', make: '' },
  ...{ isBoxed: false, needsStand: true, note: '' },
};
const house = applied(wired, [create('spools', spool)]);

describe('the pre-wire day on screen', () => {
  before(startWorkers);
  after(stopWorkers);
  afterEach(closePage);
  const open = (view: string, project: ProjectDocument = house) =>
    renderInProject(<PreWireScreen />, project, { at: `/p/p/pre-wire?view=${view}`, worker: true });

  it('records a pull by the marks on the cable: the run is pulled, and its length is off the spool', async () => {
    const page = open('pull');
    const row = within(await page.findByRole('region', { name: run.number }, SLOW));
    row.getByText(/from S1/);
    await enter(page, 'Mark at head end', '0100');
    await enter(page, 'Mark at far end', '0150');
    await press(page, 'Pulled');
    await page.findByText('Everything is pulled.', {}, SLOW);
    expect(page.project().runs[run.id].state).to.equal('pulled');
    expect(listOf(page.project(), 'spoolCuts').map(({ spoolId, lengthM }) => [spoolId, lengthM])).to.deep.equal([['s1', 50]]);
    // Far more than planned: somebody says why.
    await page.findByText(/Outside the planned range/, {}, SLOW);
    await enter(page, 'Reason', 'Led round the chimney');
    expect(page.project().runs[run.id].note).to.equal('Led round the chimney');
  });

  it('opens a spool that the plan buys: it has a number, and the pull is planned from it', async () => {
    const page = open('pull', wired);
    await page.findByRole('region', { name: run.number }, SLOW);
    await press(page, /^Open spool “new 1”/);
    await page.findByText(/from S1/, {}, SLOW);
    await press(page, 'Pulled');
    await page.findByText(/pulled, not measured/, {}, SLOW);
    const [cut] = listOf(page.project(), 'spoolCuts');
    expect(page.project().spools[cut.spoolId].code).to.equal('S1');
  });

  it('refuses a mark that is no number and a length that the spool does not have, and keeps what was typed', async () => {
    const page = open('pull');
    await page.findByRole('region', { name: run.number }, SLOW);
    await enter(page, 'Mark at head end', 'x1');
    await enter(page, 'Mark at far end', '0150');
    await press(page, 'Pulled');
    await page.findByText(/“x1” is not a length mark/);
    await enter(page, 'Mark at head end', '');
    await enter(page, 'Mark at far end', '');
    await enter(page, 'Length (empty: as planned)', '120');
    await press(page, 'Pulled');
    await page.findByText(/120\.00 m is more than the 100\.00 m that are left on spool S1/, {}, SLOW);
    expect(page.project().runs[run.id].state).to.equal('drafted');
    await choose(page, 'Spool', 'not noted');
    await press(page, 'Pulled');
    await page.findByText(/choose the spool that the length came from/);
    await enter(page, 'Length (empty: as planned)', '');
    await press(page, 'Pulled');
    await waitFor(() => expect(page.project().runs[run.id].state).to.equal('pulled'), SLOW);
    expect(listOf(page.project(), 'spoolCuts')).to.deep.equal([]);
  });

  it('lists what is open at the close of the day, and empties it by a press for each', async () => {
    const pulled = applied(house, [update('runs', house.runs[run.id], { state: 'pulled' })!]);
    const page = open('close', pulled);
    await page.findByText('Ends without a label: 2', {}, SLOW);
    await press(page, 'Both labeled');
    await waitFor(() => expect(page.queryByText(/Ends without a label/)).to.equal(null), SLOW);
    await press(page, 'Tested');
    const { rawTestedOn, labelledEnds } = page.project().runs[run.id];
    expect([labelledEnds, rawTestedOn === '']).to.deep.equal(['both', false]);
    page.getByText('Ends to bag and cap: 1');
  });
});
