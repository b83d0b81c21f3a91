import type { Page } from 'playwright-core';
import { openGranary, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';

describe('a practitioner who looks at everything before the walls close', function () {
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
  const at = (view = '?view=findings') => page.goto(`${app.url}/p/${house}/inspect${view}`);
  const card = (words: string) => page.locator('.finding', { hasText: words }).first();

  it('accepts a finding with a reason until a day, sees it among the accepted, and takes that back', async () => {
    await at();
    const surge = card('pass no surge arrester');
    await surge.getByText('After drywall').waitFor();
    await surge.getByRole('button', { name: /^Accept, assign or comment/ }).click();
    // Whoever is signed in is taken for who accepts it.
    await surge.getByLabel('Accepted by').fill('');
    await surge.getByRole('button', { name: 'Accept', exact: true }).click();
    await surge.getByRole('alert').getByText('say who accepts it').waitFor();
    await surge.getByLabel('Accepted by').fill('Site lead');
    await surge.getByLabel('Why', { exact: true }).fill('the utility sets its own');
    await surge.getByLabel(/^Expires/).fill('2099-01-31');
    await surge.getByRole('button', { name: 'Accept', exact: true }).click();
    await saved(page);
    await page.waitForFunction(() => !document.body.innerText.includes('pass no surge arrester'));
    await page.getByLabel('Show findings').click();
    await page.getByTitle(/^Accepted · 1/).click();
    await page.getByText(/Accepted by Site lead on .* until 2099-01-31: the utility sets its own/).waitFor();
    await card('surge').getByRole('button', { name: 'Withdraw acceptance' }).click();
    await saved(page);
    await page.getByText('None found.').waitFor();
  });

  it('gives a finding to somebody, and finds it there', async () => {
    await at();
    const conduits = card('have no conduit for what comes later');
    await conduits.getByRole('button', { name: /^Accept, assign or comment/ }).click();
    await conduits.getByLabel('Assign to').fill('Second pair');
    await conduits.getByLabel('Assign to').press('Enter');
    await saved(page);
    await page.getByLabel('Show findings').click();
    await page.getByTitle(/^Assigned · 1/).click();
    await page.getByText('Assigned to Second pair.').waitFor();
  });

  it('puts things right by the cure, which is previewed on the plan first', async () => {
    await at();
    await card('pass no surge arrester')
      .getByRole('button', { name: /^Put arresters/ })
      .click();
    await page
      .getByText(/Previewed on the plan/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Apply' }).first().click();
    await saved(page);
    await at();
    await page.locator('.finding').first().waitFor();
    await page.getByText('pass no surge arrester').first().waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Undo' }).click();
    await card('pass no surge arrester').waitFor();
  });

  it('sets a limit, and is kept from lowering a safety rule without a reason', async () => {
    await at('?view=rules');
    const bores = page.locator('.checks__rule-list li', { hasText: 'No member is bored wider' });
    await bores.getByRole('switch').click();
    await bores.getByText(/is a safety rule. Give the reason/).waitFor();
    await bores.getByLabel('Reason it is relaxed').fill('the engineer has stamped it');
    await bores.getByLabel('Reason it is relaxed').press('Enter');
    await bores.getByRole('switch').click();
    await bores.getByText('relaxed', { exact: true }).waitFor();
    await saved(page);
    const loss = page.locator('.checks__rule-list li', { hasText: 'Speaker cable is thick enough' });
    await loss.getByLabel(/Warn from this share/).fill('0.6');
    await loss.getByLabel(/Warn from this share/).press('Enter');
    await saved(page);
    await at();
    await page.waitForFunction(() => document.body.innerText.split('close to the').length > 7);
    await at('?view=rules');
    await page.getByRole('button', { name: 'Save for the firm' }).click();
    await page.getByText('2 customized here').waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('1 customized here').waitFor();
    await page.getByRole('button', { name: 'Use the firm’s settings' }).click();
    await page.getByText('2 customized here').waitFor();
  });

  it('calculates with the figures of a run, sees the steps, and keeps the answer with it', async () => {
    await at('?view=calculators&calc=speaker-cable-loss');
    await page.getByText(/is missing. Give it a value/).waitFor();
    await page.getByLabel('Use figures of').click();
    await page.keyboard.type('L-SC-01.1');
    await page.locator('.ant-select-item-option', { hasText: 'L-SC-01.1' }).waitFor();
    await page.keyboard.press('Enter');
    await page.getByText(/loss = 20·log10\(\(8 \+ /).waitFor();
    await page.getByLabel('Length (m)').fill('10');
    await page.getByText(/R = 2 · 10 m/).waitFor();
    await page.getByRole('button', { name: 'Save with L-SC-01.1' }).click();
    await saved(page);
    await page.getByText('Saved with L-SC-01.1').waitFor();
    await page
      .locator('.checks__calc-kept')
      .getByText(/Loss \(dB\): 0\.\d+/)
      .waitFor();
    await page.getByLabel('Find a calculator').fill('battery');
    await page.getByRole('button', { name: 'Standby battery' }).click();
    await page.getByText('Detectors, strikes, door release').waitFor();
  });

  it('reads where a figure comes from, from the finding and from the calculator', async () => {
    await at();
    await page.locator('.finding', { hasText: 'AWG loses' }).first().getByRole('link', { name: 'Open the reference' }).click();
    await page.getByRole('heading', { name: 'Loss and resistance of a speaker cable' }).waitFor();
    const entry = page.getByRole('region', { name: 'Loss and resistance of a speaker cable' });
    await entry.getByText(/loss = 20·log10\(\(8 \+ /).waitFor();
    await entry.getByRole('link', { name: 'Open the calculator' }).click();
    await page.getByRole('link', { name: 'Open the reference' }).click();
    await page.getByRole('button', { name: 'Coax and antennas' }).click();
    await page.getByRole('heading', { name: 'Loss of a splitter' }).waitFor();
  });

  it('sees findings at their places on the plan', async () => {
    await page.goto(`${app.url}/p/${house}/cabling?level=level_m`);
    await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
    await page.getByRole('button', { name: 'Findings', exact: true }).click();
    await page.locator('.canvas__finding-mark-on').first().waitFor();
    await page.getByRole('button', { name: 'Findings', exact: true }).click();
    await page.waitForFunction(() => document.querySelectorAll('.canvas__finding-mark-on').length === 0);
  });
});
