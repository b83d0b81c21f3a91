import '../../testing/dom.ts';
import { listOf } from '@dusky-spool/core/derive';
import { update } from '@dusky-spool/core/model';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { fireEvent, within } from '@testing-library/react';
import { expect } from 'chai';
import { enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { startWorkers, stopWorkers } from '../../testing/worker.ts';
import { InspectScreen } from './InspectScreen.tsx';

const SLOW = { timeout: 30_000 };
const { project: wired } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 2] }], countedIds());
const [run] = Object.values(wired.runs);
const house = applied(wired, [update('runs', run, { state: 'pulled', labelledEnds: 'rack' })!]);

describe('the site inspection on screen', () => {
  before(startWorkers);
  after(stopWorkers);
  afterEach(closePage);
  const open = (view: string) =>
    renderInProject(<InspectScreen projectId="p" />, house, { at: `/p/p/inspect?view=${view}`, worker: true });

  it('says what the records miss, and keeps what was seen', async () => {
    const page = open('walk');
    await page.findByText(/By the records: No label, Not tested/, {}, SLOW);
    const [line] = page
      .getAllByRole('group')
      .filter((region) => region.className.includes('line'))
      .filter((region) => region.textContent?.includes('By the records: No label'));
    fireEvent.click(within(line).getByRole('button', { name: 'Found as planned' }));
    expect(listOf(page.project(), 'inspectionItems').map(({ subjectId, result }) => [subjectId, result])).to.deep.include([
      run.deviceId,
      'found',
    ]);
  });

  it('is signed off with open errors only by name and reason', async () => {
    const page = open('sign-off');
    await page.findByText(/^Still open: /, {}, SLOW);
    await enter(page, 'Signed by', 'Lead');
    await press(page, 'Sign off');
    await page.findByRole('alert', {}, SLOW);
    expect(listOf(page.project(), 'inspectionSignOffs')).to.deep.equal([]);
    await enter(page, 'Open errors accepted by', 'Builder');
    await enter(page, 'Why they are accepted', 'Labels follow tomorrow');
    await press(page, 'Sign off');
    expect(listOf(page.project(), 'inspectionSignOffs').map(({ acceptedBy }) => acceptedBy)).to.deep.equal(['Builder']);
  });
});
