import '../../testing/dom.ts';
import { labelCode } from '@dusky-spool/core/sheets';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { setDeviceOwner } from '../../ground/api/device-owner.ts';
import { keepHouse, wipeDevice } from '../../ground/api/device-store.ts';
import { press } from '../../testing/fields.ts';
import { closePage, renderPage, signInAs } from '../../testing/render.tsx';
import { startWorkers } from '../../testing/worker.ts';
import { Scan } from './Scan.tsx';

const { project: house } = withDevices(smallHouse(), [{ typeId: 'network-drop', at: [3, 0.05] }], countedIds());
const [run] = Object.values(house.runs);

describe('a scanned label', () => {
  beforeEach(async () => {
    signInAs('crew');
    setDeviceOwner('m1');
    await wipeDevice();
    startWorkers();
  });
  afterEach(closePage);
  const open = async (isKept = true, shown = isKept ? /Houses on this device: Small house/ : /No house has been opened/) => {
    if (isKept) await keepHouse({ projectId: 'p1', shortId: 'ABCDE', name: 'Small house', revision: 3, document: house });
    const page = renderPage(<Scan />, { at: '/scan' });
    await page.findByText(shown);
    const look = async (words: string) => {
      const field = page.getByLabelText('Run number or code');
      await page.user.clear(field);
      await page.user.type(field, words);
      await press(page, 'Look up');
    };
    return { ...page, look };
  };

  it('is found by its number, with its ends, its cable and its length, and leads to the plan', async () => {
    const page = await open();
    await page.look(run.number.toLowerCase());
    await page.findByText('Found in Small house');
    expect(page.container.textContent)
      .to.include(house.cableTypes[run.cableTypeId].name)
      .and.match(/\d+\.\d m/);
    await press(page, 'Show on the plan');
    expect(page.address()).to.equal(`/p/p1/cabling?level=m&sel=run:${run.id}`);
  });

  it('is found by the code that is printed on it', async () => {
    const page = await open();
    await page.look(labelCode({ shortId: 'ABCDE', number: run.number }));
    expect(await page.findByText('Found in Small house')).to.not.equal(null);
  });

  it('that is out of date says so on the phone, and asks the crew where its run is pulled', async () => {
    const old = { ...run, state: 'pulled' as const, printedOn: '2026-11-01', printedAs: 'M-XX-99.9 | Hall' };
    const document = { ...house, runs: { ...house.runs, [run.id]: old } };
    await keepHouse({ projectId: 'p1', shortId: 'ABCDE', name: 'Small house', revision: 4, document });
    const page = await open(false, /Small house/);
    await page.look(run.number);
    await page.findByText(/The labels printed on 2026-11-01 are out of date/);
    page.getByText('It is pulled: does the new label stick on both ends in the house?');
  });

  it('that no house on this device has is told, and nothing is shown', async () => {
    const page = await open();
    await page.look('Z-99-99.9');
    expect((await page.findByRole('alert')).textContent).to.match(/Z-99-99\.9|no run/i);
    expect(page.queryByText('Found in Small house')).to.equal(null);
  });

  it('is looked for in vain on a device without houses, which says why', async () => {
    const page = await open(false);
    await page.look(run.number);
    expect(await page.findByRole('alert')).to.not.equal(null);
  });

  it('is typed where there is no camera', async () => {
    const page = await open();
    await press(page, 'Use the camera');
    expect((await page.findByRole('alert')).textContent).to.match(/camera/i);
    expect(page.getByRole('button', { name: 'Use the camera' })).to.not.equal(null);
  });
});
