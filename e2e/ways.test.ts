import { expect } from 'chai';
import { openGranary, planPoint, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

describe('a planner of ways', function () {
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

  const cabling = async () => {
    await page.goto(`${app.url}/p/${house}/cabling`);
    await page.locator('.canvas__plan-canvas .canvas__run-line').first().waitFor({ state: 'attached' });
  };
  const cell = async (row: string, column: number) =>
    Number((await page.getByRole('row', { name: row }).locator('td').nth(column).innerText()).replace(/[^0-9.]/g, ''));

  it('reads what is bored, where, how wide and for which cables, and goes to the run', async () => {
    await cabling();
    await page.getByRole('button', { name: 'Pathways and holes' }).click();
    await page.locator('.hole-table').first().waitFor();
    expect(await page.locator('.hole-table tbody tr').count()).to.be.greaterThan(20);
    expect(await page.locator('.hole-table').first().innerText()).to.match(
      /\d+ × Joist\s+[A-Z][^\n]*, \d+\.\d+ m[^\n]* from the (left|right|lower|upper) wall/,
    );
    const run = page.locator('.hole-table tbody .link').first();
    const number = await run.innerText();
    await run.click();
    await page.locator('.inspector h2', { hasText: number }).waitFor();
  });

  it('looks for ways that runs share, sees old against new, and keeps them; one undo takes them back', async () => {
    await cabling();
    await page.getByRole('button', { name: 'Pathways and holes' }).click();
    await page.getByRole('button', { name: 'Tidy routes' }).click();
    await page.locator('.pathways__ways-comparison').waitFor();
    expect(await cell('Holes', 1)).to.be.lessThan(await cell('Holes', 0));
    expect(await cell('Bored places', 1)).to.be.lessThan(await cell('Bored places', 0));
    expect(await cell('Hours', 1)).to.be.lessThan(await cell('Hours', 0));
    await page.getByRole('button', { name: 'Show on the plan' }).click();
    await page.getByText(/Previewed on the plan: Tidy routes: \d+ runs move/).waitFor();
    await page.getByRole('button', { name: 'Apply' }).click();
    await saved(page);
    await page.getByRole('button', { name: 'Pathways and holes' }).click();
    await page.getByText('Runs follow the tidied routes').waitFor();
    await page.getByRole('button', { name: 'Back to the plan' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Pathways and holes' }).click();
    await page.getByText('Each run takes its own cheapest route.').waitFor();
  });

  it('asks why a run goes its way, takes another one, and lifts that again', async () => {
    await cabling();
    await page.locator('.plan__ledger [role=row]', { hasText: 'M-GR-01.1' }).first().click();
    await page.getByRole('button', { name: 'Why this route?' }).click();
    await page.locator('.plan__way-table').waitFor();
    const before = await page.locator('.run.chosen .canvas__run-line').first().getAttribute('d');
    await page.locator('.plan__way-table').getByRole('button', { name: 'Show' }).last().click();
    await page.getByRole('button', { name: 'Apply' }).click();
    await page.getByText('Route via a chosen point').first().waitFor();
    await page.waitForFunction(
      (was) => document.querySelector('.run.chosen .canvas__run-line')?.getAttribute('d') !== was,
      before,
    );
    for (let left = await page.locator('.plan__way-rule').getByRole('button', { name: 'Remove' }).count(); left > 0; left--)
      await page.locator('.plan__way-rule').getByRole('button', { name: 'Remove' }).first().click();
    await page.waitForFunction(
      (was) => document.querySelector('.run.chosen .canvas__run-line')?.getAttribute('d') === was,
      before,
    );
    expect(app.problems).to.deep.equal([]);
  });

  it('leads a run by hand over the plan, place by place, and lifts that again', async () => {
    await cabling();
    await page.locator('.plan__ledger [role=row]', { hasText: 'M-GR-01.1' }).first().click();
    await page.locator('.run.chosen .canvas__run-line').first().waitFor({ state: 'attached' });
    const before = await page.locator('.run.chosen .canvas__run-line').first().getAttribute('d');
    await page.getByRole('button', { name: 'Edit route' }).click();
    await page.getByText('Click the points it must pass').waitFor();
    const at = await planPoint(page, 5.6, 8.6);
    await page.mouse.click(at.x, at.y);
    await page.getByText('Route via a chosen point').first().waitFor();
    await page.waitForFunction(
      (was) => document.querySelector('.run.chosen .canvas__run-line')?.getAttribute('d') !== was,
      before,
    );
    await page.keyboard.press('Escape');
    await page.getByText('Click the points it must pass').waitFor({ state: 'detached' });
    await page.locator('.plan__way-rule').getByRole('button', { name: 'Remove' }).first().click();
    await page.waitForFunction(
      (was) => document.querySelector('.run.chosen .canvas__run-line')?.getAttribute('d') === was,
      before,
    );
  });

  it('is told that there is no way left where nothing may be cut, and undoes that', async () => {
    await cabling();
    await page.getByRole('button', { name: 'Pathways and holes' }).click();
    await page.locator('.hole-table').first().waitFor();
    await page.getByLabel('Construction').click();
    await page.getByTitle('Nothing may be cut').click();
    await page.getByRole('button', { name: /^122 errors$/ }).waitFor();
    await page.getByText('No holes.').waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.locator('.hole-table').first().waitFor();
  });
});
