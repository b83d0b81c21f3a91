import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { openGranary, planPoint, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

describe('a planner', () => {
  let app: App;
  let page: Page;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    await openGranary(app, page);
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const device = (name: RegExp) => page.getByRole('button', { name });
  const inspector = () => page.locator('.inspector');

  it('puts a ceiling speaker on the plan and sees its cable find the rack with its length', async () => {
    await device(/^Ceiling speaker$/).click();
    const { x, y } = await planPoint(page, 4.2, 9.2);
    await page.mouse.move(x, y);
    await page.mouse.click(x, y);
    await inspector().getByText('M-GR-12.1').first().waitFor();
    await saved(page);
    expect(page.url()).to.match(/\/devices\?.*sel=device%3A/);
    expect(await page.locator('.run.chosen').count()).to.equal(1);
    expect(await inspector().locator('.plan__run-line-item b').innerText()).to.match(/^\d+\.\d m$/);
    expect(await page.getByRole('row', { selected: true }).innerText()).to.contain('M-GR-12.1');
  });

  it('is told that 16 AWG loses too much, previews the next gauge and applies it', async () => {
    await inspector()
      .getByText(/16 AWG loses 0\.\d+ dB over .* more than the target of 0\.50 dB/)
      .waitFor();
    await page.getByRole('button', { name: '16 warnings' }).waitFor();
    await inspector().getByRole('button', { name: 'Use 14 AWG' }).click();
    await inspector()
      .getByText(/Previewed on the plan/)
      .waitFor();
    await inspector()
      .getByText(/^14 AWG loses/)
      .waitFor();
    await inspector().getByRole('button', { name: 'Apply' }).click();
    await saved(page);
    await inspector().locator('.plan__run-line-item').getByText('Speaker 14/2').waitFor();
    await page.getByRole('button', { name: '15 warnings' }).waitFor();
  });

  it('takes everything back and makes it again', async () => {
    await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: '16 warnings' }).waitFor();
    await page.keyboard.press('Control+z');
    await page.waitForFunction(() => !document.body.innerText.includes('M-GR-12.1'));
    await page.keyboard.press('Control+Shift+z');
    await page.keyboard.press('Control+Shift+z');
    await page.waitForFunction(() => document.querySelector('.plan__ledger')!.textContent!.includes('M-GR-12.1'));
    await saved(page);
  });

  it('nudges it by keys, drags it, and the run reroutes at once', async () => {
    await page.keyboard.press('Escape');
    await device(/^CL Ceiling speaker, Great room/)
      .first()
      .click();
    // Measured as with a tape: from a wall.
    const right = inspector().getByLabel('From right wall');
    await right.waitFor();
    const before = parseFloat(await right.inputValue());
    const after = `${(before - 0.11).toFixed(2)} m`;
    await page.locator('.sheet').press('ArrowRight');
    await page.locator('.sheet').press('Shift+ArrowRight');
    await page.waitForFunction(
      (value) => document.querySelector<HTMLInputElement>('.inspector input[aria-label="From right wall"]')?.value === value,
      after,
    );
    const length = await inspector().locator('.plan__run-line-item b').innerText();
    const from = await planPoint(page, 4.2 + 0.11, 9.2);
    const to = await planPoint(page, 6.2, 5.2);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2);
    await page.mouse.move(to.x, to.y);
    await page.mouse.up();
    await saved(page);
    expect(parseFloat(await inspector().locator('.plan__run-line-item b').innerText())).to.be.lessThan(parseFloat(length) - 4);
    const across = inspector().getByLabel(/^From (left|right) wall$/);
    await across.fill(`10' 6"`);
    await across.press('Enter');
    await page.waitForFunction(
      () =>
        document.querySelector<HTMLInputElement>(
          '.inspector input[aria-label="From left wall"], .inspector input[aria-label="From right wall"]',
        )?.value === '3.20 m',
    );
  });

  it('finds the same place again after loading the page anew, and on another level by the house section', async () => {
    await saved(page);
    await page.reload();
    await inspector().getByText('Ceiling speaker').first().waitFor();
    await page.getByRole('radio', { name: 'Upper' }).click();
    await device(/^TV Display, Main suite/).waitFor();
    expect(new URL(page.url()).searchParams.get('level')).to.equal('level_u');
    await page.locator('.sheet').press('PageDown');
    await device(/^TV Display, over the fireplace, Great room/).waitFor();
  });

  it('deletes it and its run goes with it', async () => {
    await device(/^CL Ceiling speaker, Great room/)
      .first()
      .click();
    await page.keyboard.press('Delete');
    await page.waitForFunction(() => !document.querySelector('.plan__ledger')!.textContent!.includes('M-GR-12.1'));
    await saved(page);
  });

  it('reads the schedule: groups, sorts, filters, and a row shows its run on the plan', async () => {
    await page.getByRole('button', { name: 'Full screen' }).click();
    await page.getByRole('columnheader', { name: 'Cut' }).click();
    const lengths = async () =>
      (await page.locator('.plan__grid-scroll .plan__cell.length').allInnerTexts()).map((t) => parseFloat(t));
    const sorted = await lengths();
    expect(sorted).to.deep.equal([...sorted].sort((a, b) => a - b));
    await page.getByLabel('Filter runs').fill('screening subwoofer');
    await page.waitForFunction(() => document.querySelectorAll('.plan__grid-scroll .plan__grid-row').length === 2);
    await page.getByRole('row').filter({ hasText: 'left' }).click();
    await page.getByRole('button', { name: 'Back to the plan' }).click();
    await page.locator('.run.chosen').first().waitFor({ state: 'attached' });
    expect(await inspector().getByRole('heading', { level: 2 }).first().innerText()).to.match(/^L-SC-\d+\.1$/);
  });

  it('takes files to site: CSV, XLSX, labels in a chosen size, the plan to scale, the project file', async () => {
    await page.getByRole('button', { name: 'Export' }).click();
    const item = (name: string) => page.getByRole('menuitem', { name });
    const [csv] = await Promise.all([page.waitForEvent('download'), item('Schedule, CSV').click()]);
    expect(
      readFileSync(await csv.path(), 'utf8')
        .trim()
        .split('\r\n').length,
    ).to.equal(123);
    await page.getByRole('button', { name: 'Export' }).click();
    await item('Label sheet, PDF').click();
    await page.getByText('Large, 96 × 34 mm').click();
    const [labels] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Download' }).click()]);
    // A file marks nothing as printed by itself.
    await page.getByRole('button', { name: 'Not now' }).click();
    expect(
      readFileSync(await labels.path())
        .subarray(0, 5)
        .toString(),
    ).to.equal('%PDF-');
  });

  it('issues a run in Pre-wire, moves its device, and decides between built and wanted', async () => {
    await page.getByRole('link', { name: /^Pre-wire/ }).click();
    const run = page.locator('.run-list li').filter({ hasText: 'M-GR-01.1' });
    await run.getByRole('button', { name: 'Issue' }).click();
    await run.getByText('Issued').waitFor();
    await page.getByRole('link', { name: /^Devices/ }).click();
    await device(/^CL Ceiling speaker, left, Great room/).click();
    await inspector().getByText('M-GR-01.1').first().waitFor();
    await page.locator('.sheet').press('Shift+ArrowUp');
    await inspector()
      .getByText(/M-GR-01\.1 is issued at .* the plan now needs/)
      .waitFor();
    expect(await page.locator('.canvas__run-wanted').count()).to.equal(1);
    await inspector().getByRole('button', { name: 'Keep as built' }).click();
    await inspector().getByRole('button', { name: 'Apply' }).click();
    await saved(page);
    await page.waitForFunction(() => document.querySelectorAll('.canvas__run-wanted').length === 0);
    await page.keyboard.press('Delete');
    await page.getByText(/run M-GR-01\.1 is already issued/).waitFor();
  });
});
