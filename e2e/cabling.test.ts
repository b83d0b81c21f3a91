import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { openGranary, planPoint, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';

describe('a crew that gets the cabling ready', function () {
  this.timeout(300_000);
  let app: App;
  let page: Page;
  let house: string;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    house = await openGranary(app, page);
  });
  after(() => app.close());

  const pathways = async (tab: string) => {
    await page.goto(`${app.url}/p/${house}/cabling?view=ways`);
    await page.locator('.hole-table').first().waitFor();
    await page.locator('.ant-segmented-item', { hasText: tab }).click();
  };

  it('sees how full every way is, and puts the missing spare conduits on the plan', async () => {
    await pathways('Fill');
    await page
      .getByText(/\d+ % of 40 %/)
      .first()
      .waitFor();
    expect(await page.locator('.pathways__spare-list .pathways__missing').count()).to.be.greaterThan(3);
    await page.getByRole('button', { name: 'Add the missing conduits' }).click();
    await page.getByRole('button', { name: 'Apply' }).click();
    await saved(page);
    await pathways('Fill');
    await page.locator('.load-table', { hasText: 'Spare,' }).waitFor();
    await page.locator('.pathways__spare-list .pathways__missing').first().waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.locator('.pathways__spare-list .pathways__missing').first().waitFor();
  });

  it('bundles by way again, and finds nothing to change', async () => {
    await pathways('Bundles');
    const before = await page.locator('.pathways__bundle-table').innerText();
    await page.getByRole('button', { name: 'Bundle by route' }).click();
    await page.waitForTimeout(300);
    expect(await page.locator('.pathways__bundle-table').innerText()).to.equal(before);
  });

  it('writes down what closes a pierced place, and the count of open ones falls', async () => {
    await pathways('Firestopping');
    const open = async () => Number((await page.locator('.pathways__seal-count b').innerText()).replace(/\D/g, ''));
    const before = await open();
    await page.locator('.pathways__seal-table .ant-select').first().click();
    await page.getByTitle('sealed', { exact: true }).click();
    await page.waitForFunction(
      (was) => document.querySelector('.pathways__seal-count b')?.textContent?.startsWith(`${was - 1} `),
      before,
    );
    await page.locator('.pathways__seal-table').getByRole('button', { name: 'Details' }).first().click();
    await page.getByLabel('Product').fill('fireblock caulk, tube 12');
    await page.getByLabel('By', { exact: true }).fill('Kim');
    await page.keyboard.press('Tab');
    await saved(page);
    await page.reload();
    await page.locator('.ant-segmented-item', { hasText: 'Firestopping' }).click();
    await page.getByText('fireblock caulk, tube 12').waitFor();
    expect(await open()).to.equal(before - 1);
  });

  it('sees the signed way in the screed with its dimensions', async () => {
    await pathways('Floor topping');
    await page.getByText(/Signed by Demo planner, .* It is locked/).waitFor();
    await page.getByText('20 mm apart').waitFor();
  });

  it('tries another number scheme on the whole project, is told why one does not do, and renumbers; undo takes it back', async () => {
    await page.goto(`${app.url}/p/${house}/cabling?view=labels`);
    await page.locator('.labels__label-table tbody tr').first().waitFor();
    const pattern = page.getByLabel('Pattern of numbers');
    await pattern.fill('{device}.{leg}');
    await page.getByText(/would both be/).waitFor();
    expect(await page.getByRole('button', { name: 'Renumber' }).isDisabled()).to.equal(true);
    await pattern.fill('{level}{room}-{device}-{leg}');
    await page.getByText('122 runs get a new number, 0 keep theirs.').waitFor();
    await page.getByRole('button', { name: 'Renumber' }).click();
    await page.getByText('Every run follows this scheme.').waitFor();
    await saved(page);
    expect(await page.locator('.labels__label-table tbody tr').first().innerText()).to.match(/^\s*[A-Z0-9]{3}-\d\d-\d/);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('122 runs get a new number, 0 keep theirs.').waitFor();
  });

  it('prints one run and reprints it; the run remembers the day, and its number is not given again', async () => {
    await page.goto(`${app.url}/p/${house}/cabling?view=labels`);
    const first = page.locator('.labels__label-table tbody tr').first();
    await first.waitFor();
    await first.getByRole('button', { name: 'Print', exact: true }).click();
    await page.getByText('2 labels went to the simulated label printer.').waitFor();
    await first.getByRole('button', { name: 'Reprint' }).waitFor();
    expect(await first.innerText()).to.match(/\d{4}-\d\d-\d\d/);
    await page.getByRole('link', { name: 'Job 1, 2 labels' }).waitFor();
    await page.getByText('1 of 122 runs printed').waitFor();
    await first.getByRole('button', { name: 'Reprint' }).click();
    await page.getByRole('link', { name: 'Job 2, 2 labels' }).waitFor();
  });

  it('takes numbers along, places a device without a connection, and nothing is renumbered when it comes back', async () => {
    await page.goto(`${app.url}/p/${house}/cabling?view=labels`);
    await page.getByRole('button', { name: 'Reserve numbers' }).click();
    const words = await page.getByText(/devices \d+ to \d+ \(this device\)/).innerText();
    const from = /devices (\d+) to/.exec(words)![1];
    await saved(page);
    await page.goto(`${app.url}/p/${house}/devices`);
    await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
    await page.waitForTimeout(600);
    await page.context().setOffline(true);
    await page
      .getByRole('button', { name: /^Network drop/ })
      .first()
      .click();
    const at = await planPoint(page, 5.5, 4.45);
    await page.mouse.click(at.x, at.y);
    await page
      .getByText(new RegExp(`-${from}\\.1`))
      .first()
      .waitFor();
    await page.getByText(/No connection · 1 edit kept/).waitFor();
    await page.context().setOffline(false);
    await saved(page);
    await page
      .getByText(new RegExp(`-${from}\\.1`))
      .first()
      .waitFor();
    expect(app.problems).to.deep.equal([]);
  });
});
