import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import type { Page } from 'playwright-core';
import { type App, startApp } from './testing/app.ts';
import { openGranary, saved } from './testing/steps.ts';

describe('an order, from spools to the bill', () => {
  let app: App;
  let page: Page;
  let id: string;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    id = await openGranary(app, page);
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const project = async () =>
    ((await (await page.request.get(`${app.url}/api/projects/${id}`)).json()) as DocumentReply).document;
  const open = (view: string) => page.goto(`${app.url}/p/${id}/order?view=${view}`);
  const total = async () => (await page.getByText(/^\d+ spools to buy/).textContent())!;

  it('buys less once a spool of the store is entered, and keeps it', async () => {
    await open('plan');
    const before = await total();
    await page.getByText('Stock and sizes', { exact: true }).click();
    const known = Object.keys((await project()).spools).length;
    await page.getByRole('button', { name: 'Add a spool' }).click();
    await saved(page);
    const { spools } = await project();
    expect(Object.keys(spools)).to.have.length(known + 1);
    expect(Object.values(spools).map(({ code }) => code)).to.include('S4');
    await page.getByText('Spools', { exact: true }).click();
    await page.waitForFunction((text) => !document.body.textContent!.includes(text), before);
    await page.reload();
    await page.getByText(/^\d+ spools to buy/).waitFor();
    expect(await total()).to.not.equal(before);
    expect(await page.getByText('S4', { exact: true }).count()).to.be.greaterThan(0);
  });

  it('bills everything, and a line tells what it is there for', async () => {
    await open('bill');
    await page.getByText(/^Materials in all: [\d ]+\.\d\d EUR$/).waitFor();
    await page.getByRole('button', { name: 'Access point' }).click();
    const causes = page.getByLabel('What Access point is there for');
    const { devices } = await project();
    const points = Object.values(devices).filter(({ typeId, fitting }) => typeId === 'access-point' && fitting === 'fitted');
    expect(await causes.locator('.chip').count()).to.equal(points.length);
  });

  it('pulls the fullest bundle first', async () => {
    await open('pulls');
    await page.getByText('Many cables first, then far ones.').waitFor();
    const counts = await page.locator('tbody').evaluateAll((bodies) => bodies.map((body) => body.querySelectorAll('tr').length));
    expect(counts).to.deep.equal(counts.toSorted((a, b) => b - a));
  });

  it('offers at the prices of a list that is brought in, and locks the scope', async () => {
    await open('prices');
    const list = 'Item;Price;Supplier\nAccess point;99,00;Reed\nKeypad;soon;Reed\n';
    await page.locator('input[type=file]').setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
    await page.getByText('“soon” is not an amount').waitFor();
    await page.getByRole('button', { name: 'Take 1 price' }).click();
    await saved(page);
    await open('offer');
    await page.getByRole('button', { name: 'Access point' }).click();
    await page.getByText(/^Reed : 99\.00 EUR each/).waitFor();
    await open('changes');
    await page.getByRole('button', { name: 'Lock the scope as it is now' }).click();
    await saved(page);
    await page.getByText(/^Nothing has changed since/).waitFor();
    const { baselines } = await project();
    expect(Object.values(baselines).map(({ number, runs }) => [number, runs.length])).to.deep.equal([[1, 122]]);
  });

  it('prints the drawing set of one person, and says from which revision it was made', async () => {
    await page.goto(`${app.url}/p/${id}/devices?export=set`);
    const dialog = page.getByRole('dialog', { name: 'Drawing set (PDF)' });
    await dialog.waitFor();
    const saving = page.waitForEvent('download', { timeout: 120_000 });
    await dialog.getByRole('button', { name: 'Preview of the first sheets' }).click();
    expect((await saving).suggestedFilename()).to.equal('saltmarsh-granary-drawing-set-preview.pdf');
    await page.goto(`${app.url}/p/${id}/devices?export=set`);
    await dialog.getByText(/^drawing-set\.pdf \(Everybody: all sheets\), from revision \d+/).waitFor();
  });
});
