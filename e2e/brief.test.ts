import { expect } from 'chai';
import { openGranary, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

describe('the brief', () => {
  let app: App;
  let page: Page;
  let id: string;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    id = await openGranary(app, page);
    await page.goto(`${app.url}/p/${id}/brief`);
    await page.locator('.brief__brief-matrix').waitFor();
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const cell = (name: string) => page.getByRole('button', { name, exact: true });
  const card = () => page.locator('.brief__brief-card');

  it('is filled by the keyboard, and a room is signed when nothing is left open', async () => {
    await cell('Loft study, Surround: Not discussed').click();
    expect(
      await card()
        .getByRole('button', { name: /^Not yet: \d+ topics are open$/ })
        .isDisabled(),
    ).to.equal(true);
    await page.keyboard.press('n');
    await cell('Loft study, Surround: Not required').waitFor();
    await page.keyboard.press('p');
    await cell('Loft study, Display: Prepared').waitFor();
    // The cursor went on over what was answered before: Network is the next cell.
    expect(await page.evaluate(() => document.activeElement!.getAttribute('aria-label'))).to.equal(
      'Loft study, Network: Wanted, 2',
    );
    // A digit right after the letter would count displays: a move first, and it counts here.
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('5');
    await page.locator('[aria-label="Loft study, Network: Wanted, 5"] text').getByText('5').waitFor();
    await page.keyboard.press('f');
    await card().getByText('Charging?').waitFor();
    for (const topic of ['Keypad', 'Shades', 'Charging']) {
      await cell(`Loft study, ${topic}: Not discussed`).click();
      await page.keyboard.press('n');
    }
    await card().getByRole('button', { name: 'Sign it off' }).click();
    await card()
      .getByText(/^Signed by The granary household/)
      .waitFor();
    await saved(page);
  });

  it('says that a promise is not kept, and leads there', async () => {
    await page.getByRole('button', { name: /warnings?$/ }).click();
    await page.getByText('Loft study: 5 wanted for network').waitFor();
    // The list stays open beside the brief.
    await cell('Loft study, Network: Wanted, 5').click();
    await page.keyboard.press('2');
    // The room was signed: that is asked first, and the signature is kept as one of the past.
    await page.getByRole('button', { name: 'Change and withdraw' }).click();
    await card().getByText('Signed earlier').waitFor();
    await saved(page);
    await page
      .getByText(/pass no surge arrester/)
      .first()
      .waitFor();
    await page.getByText('5 wanted for network').waitFor({ state: 'detached' });
    await page.keyboard.press('Escape');
  });

  it('shows what keeps a decision open, and how long it may stay so', async () => {
    await page
      .getByText(/^Open decisions/)
      .first()
      .click();
    const screening = page.locator('.brief__decision').filter({ hasText: 'Decide: Projector' });
    await screening.getByText(/^Decide by \d{4}-\d{2}-\d{2}, 75 days left$/).waitFor();
    await screening.getByText('2 × Category 6A, 1 × Control 18/2, 2 × Active optical HDMI cable').waitFor();
    await screening.getByRole('button', { name: 'Decide: Projector' }).click();
    await page.locator('.brief__decided').getByText('Projector or a large display').waitFor();
    await saved(page);
  });

  it('compares the builder’s package with it', async () => {
    await page.getByText('Builder’s package').first().click();
    await page.getByText(/Audio 2 of 4/).waitFor();
    await page.getByLabel('Lines of the builder’s package').fill('Great room: 2 x in-ceiling loudspeaker');
    await page.getByRole('button', { name: 'Read these lines' }).click();
    await page.getByText(/Audio 2 of 4/).waitFor({ state: 'detached' });
    await saved(page);
  });

  it('is walked on a phone, and what differs is listed', async () => {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(`${app.url}/p/${id}/brief?view=walk`);
    await page.getByText(/^1 of \d+$/).waitFor();
    await page.getByRole('button', { name: 'Missing' }).first().click();
    await page.getByText('Differences: 1').waitFor();
    const small = await page
      .locator('.brief__walk-three button')
      .evaluateAll((all) => all.filter((one) => one.getBoundingClientRect().height < 48).length);
    expect(small).to.equal(0);
    await saved(page);
  });
});
