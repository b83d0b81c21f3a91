import '../../testing/dom.ts';
import { update } from '@dusky-spool/core/model';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useSettings } from '../../state/settings.ts';
import { fakeServer, Refusal } from '../../testing/fake-server.ts';
import { choose, press } from '../../testing/fields.ts';
import { closePage, renderInProject, signInAs } from '../../testing/render.tsx';
import { LabelsScreen } from './LabelsScreen.tsx';

const { project: house } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'ceiling-speaker', at: [3, 1.4] },
    { typeId: 'network-drop', at: [3, 0.05] },
  ],
  countedIds(),
);
const runs = Object.values(house.runs);
const PRINT = '/projects/p1/documents/print-labels';

describe('numbers and labels', () => {
  let server: ReturnType<typeof fakeServer> | undefined;
  afterEach(() => {
    closePage();
    server?.stop();
    useSettings.setState({ numberHolder: '' });
  });
  async function open(project = house, print: () => unknown = () => ({ printer: 'label printer', labels: 8, runIds: [] })) {
    signInAs('planner');
    server = fakeServer({
      'GET /bridge/printer/jobs': () => ({ simulated: true, jobs: [{ id: 'j1', pages: 2 }] }),
      [`POST ${PRINT}`]: print,
    });
    const shown: string[] = [];
    const page = renderInProject(
      <LabelsScreen projectId="p1" onBack={() => undefined} onRun={(id) => shown.push(id)} />,
      project,
      { worker: true },
    );
    const rows = () => [...page.container.querySelectorAll('.labels__label-table tbody tr')];
    await waitFor(() => expect(rows()).to.have.length(runs.length));
    return { ...page, rows, shown, pattern: page.getByLabelText('Pattern of numbers') };
  }

  it('list every run with the size of its label and whether it is printed', async () => {
    const page = await open(applied(house, [update('runs', runs[0], { printedOn: '2026-11-20' })!]));
    const words = page.rows().map(({ textContent }) => textContent!);
    for (const { number } of runs) expect(words.some((row) => row.includes(number))).to.equal(true);
    expect(words.filter((row) => row.includes('2026-11-20'))).to.have.length(1);
    expect(words.filter((row) => row.includes('not yet'))).to.have.length(runs.length - 1);
    for (const row of words) expect(row).to.match(/\d+ · \d+ mm/);
    await choose(page, 'Show', 'Printed');
    expect(page.rows()).to.have.length(1);
  });

  it('are found by number, and lead to their run', async () => {
    const page = await open();
    await page.user.type(page.getByLabelText('Number or bundle'), runs[0].number.toLowerCase());
    expect(page.rows()).to.have.length(1);
    await page.user.click(page.rows()[0].querySelector('button')!);
    expect(page.shown).to.deep.equal([runs[0].id]);
  });

  it('try a scheme on all runs before it is applied; an issued run keeps its number', async () => {
    const page = await open(applied(house, [update('runs', runs[0], { state: 'issued' })!]));
    await page.user.clear(page.pattern);
    await page.user.click(page.pattern);
    await page.user.paste('{room}{type}{device}-{leg}');
    await page.findByText(`${runs.length - 1} runs get a new number, 1 keep theirs.`);
    await waitFor(() => expect(page.rows().filter(({ textContent }) => textContent!.includes('kept: issued'))).to.have.length(1));
    await press(page, 'Renumber');
    const after = page.project();
    expect(after.project.numberPattern).to.equal('{room}{type}{device}-{leg}');
    expect(after.runs[runs[0].id].number).to.equal(runs[0].number);
    expect(after.runs[runs[1].id].number).to.not.equal(runs[1].number);
    expect(new Set(Object.values(after.runs).map(({ number }) => number)).size).to.equal(runs.length);
  });

  it('refuse a scheme that would give two runs one number', async () => {
    const page = await open();
    await page.user.clear(page.pattern);
    await page.user.click(page.pattern);
    await page.user.paste('{room}');
    expect((await page.findByRole('alert')).textContent).to.not.equal('');
    expect((page.getByRole('button', { name: 'Renumber' }) as HTMLButtonElement).disabled).to.equal(true);
    expect(page.edits).to.deep.equal([]);
  });

  it('print those that are chosen, both ends, and mark only what was printed', async () => {
    const page = await open(house, () => ({ printer: 'label printer', labels: 2, runIds: [runs[1].id] }));
    await page.user.click(page.getByLabelText(`Choose ${runs[1].number}`));
    await press(page, 'Print 1 run');
    await page.findByText('2 labels went to the label printer.');
    expect(server!.sent('POST', PRINT)).to.deep.equal([{ runIds: [runs[1].id], ends: ['R', 'D'], size: 'medium' }]);
    const printed = Object.values(page.project().runs).filter(({ printedOn }) => printedOn !== '');
    expect(printed.map(({ id }) => id)).to.deep.equal([runs[1].id]);
    await page.findByRole('button', { name: 'Reprint' });
  });

  it('mark nothing where the printer cannot be reached, and say so', async () => {
    const page = await open(
      house,
      () => new Refusal(502, { code: 'instrument-away', field: 'printer', instrument: 'label printer' }),
    );
    await press(page, `Print ${runs.length} runs`);
    await waitFor(() => expect(page.getByRole('status').textContent).to.match(/printer/i));
    expect(page.edits).to.deep.equal([]);
  });

  it('show the jobs of the printer that is built in', async () => {
    const page = await open();
    const job = await page.findByRole('link', { name: 'Job j1, 2 labels' });
    expect(job.getAttribute('href')).to.equal('/api/bridge/printer/jobs/j1');
  });

  it('reserve device numbers for work without a connection, once on a device', async () => {
    const page = await open();
    await press(page, 'Reserve numbers');
    const [block] = Object.values(page.project().numberBlocks);
    expect(block.holder).to.match(/^Ada Fenn /);
    expect(block.to).to.be.greaterThan(block.from);
    expect(page.queryByRole('button', { name: 'Reserve numbers' })).to.equal(null);
    expect(page.getByText(/\(this device\)/).textContent).to.include(`${block.from} to ${block.to}`);
  });

  it('keep the jacket color of the cable in stock', async () => {
    const page = await open();
    const jackets = page.getByText('Jackets', { selector: 'summary' }).parentElement!;
    const color = jackets.querySelector<HTMLInputElement>('input[type=text], input:not([type])')!;
    await page.user.clear(color);
    await page.user.type(color, 'orange');
    await page.user.tab();
    expect(Object.values(page.project().cableTypes).map(({ jacketColour }) => jacketColour)).to.include('orange');
  });
});
