import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import { openGranary, planPoint, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

describe('two people in one house', () => {
  let app: App;
  let one: Page;
  let two: Page;
  let projectId: string;
  before(async () => {
    app = await startApp();
    ({ page: one } = await app.person());
    ({ page: two } = await app.person());
    projectId = await openGranary(app, one);
    await openGranary(app, two);
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const place = async (page: Page, type: RegExp, x: number, y: number) => {
    await page.getByRole('button', { name: type }).first().click();
    const at = await planPoint(page, x, y);
    await page.mouse.click(at.x, at.y);
  };
  const server = async () => (await (await one.request.get(`${app.url}/api/projects/${projectId}`)).json()) as DocumentReply;
  const schedule = (page: Page) => page.locator('.plan__ledger .chip').first().innerText();

  it('see each other’s edits live and end the same, though both place at once in one room', async () => {
    await Promise.all([place(one, /^Ceiling speaker$/, 3, 9.2), place(two, /^Access point$/, 5.5, 5.4)]);
    await Promise.all([saved(one), saved(two)]);
    await Promise.all([one, two].map((page) => page.getByText(/of 124 runs/).waitFor()));
    const { document: project } = await server();
    const numbers = Object.values(project.runs).map((run) => run.number);
    expect(new Set(numbers).size).to.equal(124);
    expect(numbers).to.include.members(['M-GR-12.1', 'M-GR-13.1']);
    expect(await schedule(one)).to.equal(await schedule(two));
  });

  it('are shown both values when they change the same thing, and the choice holds for both', async () => {
    const name = (page: Page) => page.locator('.inspector').getByLabel('Name');
    for (const page of [one, two]) {
      await page.keyboard.press('Escape');
      await page
        .getByRole('button', { name: /^KP Keypad, Kitchen/ })
        .first()
        .click();
      await name(page).waitFor();
    }
    await two.context().setOffline(true);
    await name(two).fill('by the larder');
    await name(two).press('Enter');
    await two.getByText(/No connection · 1 edit kept/).waitFor();
    // Without a connection the schedule is still to be had, and the page stays where it is.
    await two.getByRole('button', { name: 'Export' }).click();
    const [file] = await Promise.all([
      two.waitForEvent('download'),
      two.getByRole('menuitem', { name: 'Schedule, CSV' }).click(),
    ]);
    expect(file.suggestedFilename()).to.equal('saltmarsh-granary-schedule.csv');
    expect(readFileSync((await file.path())!, 'utf8')).to.match(/^\uFEFFRun,/);
    await name(one).fill('by the range');
    await name(one).press('Enter');
    await saved(one);
    await two.context().setOffline(false);
    const dialog = two.getByRole('dialog', { name: 'Two people changed the same thing' });
    await dialog.getByRole('cell', { name: 'by the range' }).waitFor();
    expect(await dialog.innerText()).to.contain('by the larder');
    await dialog.getByRole('button', { name: 'Keep mine' }).click();
    await saved(two);
    await one.getByRole('heading', { name: /by the larder/ }).waitFor();
    expect(Object.values((await server()).document.devices).filter((device) => device.name === 'by the larder')).to.have.length(
      1,
    );
  });

  it('cannot undo what the other has changed since, and are told why', async () => {
    await one.locator('.sheet').press('Control+z');
    await one.getByText(/cannot be undone: another person has changed name since/).waitFor();
  });
});
