import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import { openGranary, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

describe('without a mouse', () => {
  let app: App;
  let page: Page;
  let projectId: string;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    projectId = await openGranary(app, page);
    await page.locator('#finder').waitFor();
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const keys = async (...names: string[]) => {
    for (const name of names) await page.keyboard.press(name);
  };
  const find = async (words: string) => {
    await keys('Control+k');
    await page.keyboard.type(words);
    await page.locator('.ant-select-item-option-active').waitFor();
    await keys('Enter');
  };
  const house = async () =>
    (await page.evaluate(async (id) => (await fetch(`/api/projects/${id}`)).json(), projectId)) as DocumentReply;

  it('the first stop of the Tab key leads past the stages to the plan', async () => {
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await keys('Tab');
    expect(await page.evaluate(() => document.activeElement!.textContent)).to.equal('Skip to the work');
    await keys('Enter');
    expect(await page.evaluate(() => document.activeElement!.hasAttribute('data-plan'))).to.equal(true);
  });

  it('a device is placed, moved, looked at and taken back', async () => {
    const before = Object.keys((await house()).document.devices).length;
    await find('place: access point, wall');
    await page.getByRole('status').filter({ hasText: 'access point' }).first().waitFor();
    await keys('ArrowLeft', 'ArrowLeft', 'ArrowUp');
    await page
      .locator('.canvas__cursor-place')
      .getByText(/from the (left|right|upper|lower) wall/)
      .waitFor();
    await keys('Enter', 'Escape');
    await saved(page);
    const { devices } = (await house()).document;
    expect(Object.keys(devices)).to.have.length(before + 1);
    // Selected as it was placed: arrows nudge it, Enter leads to its fields and back.
    await keys('ArrowRight', 'Enter');
    await page.waitForFunction(() => document.activeElement!.closest('.inspector') !== null);
    await keys('Enter');
    await page.waitForFunction(() => document.activeElement!.hasAttribute('data-plan'));
    await keys('Control+z', 'Control+z');
    await saved(page);
    expect(Object.keys((await house()).document.devices)).to.have.length(before);
    await keys('Escape');
  });

  it('walls are drawn by lengths and directions from where the cursor is', async () => {
    await find('show level upper');
    await find('draw walls');
    await page.waitForURL(/survey.*tool=walls/);
    await page.locator('.canvas__plan-canvas').waitFor();
    const before = Object.keys((await house()).document.walls).length;
    // Far outside the house: its first corner, 3 m to the right, 2 m down.
    await keys(...Array.from({ length: 14 }, () => 'Shift+ArrowDown'), 'Enter');
    await page.keyboard.type('3');
    await keys('ArrowRight');
    await page.keyboard.type('2');
    await keys('ArrowDown', 'Enter');
    await saved(page);
    expect(Object.keys((await house()).document.walls)).to.have.length(before + 2);
    await keys('Escape', 'Control+z');
    await saved(page);
  });

  it('a print is asked for from anywhere', async () => {
    await find('export or print the plan');
    await page.getByRole('dialog', { name: 'Plan to scale' }).waitFor();
    await keys('Escape');
    await page.getByRole('dialog').waitFor({ state: 'hidden' });
  });
});
