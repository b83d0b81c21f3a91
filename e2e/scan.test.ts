import { expect } from 'chai';
import QRCode from 'qrcode';
import { openGranary, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';

describe('the scanner', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  after(() => app.close());

  it('resolves a label without a connection, and tells one of another house', async () => {
    const { page, context } = await app.person();
    await openGranary(app, page);
    await page.waitForTimeout(1200);
    await page.goto(`${app.url}/scan`);
    await page.getByText('Houses on this device: Saltmarsh Granary').waitFor();
    // The app itself is kept on the device by then: it opens without a connection too.
    await page.waitForFunction(
      () => navigator.serviceWorker.controller !== null || navigator.serviceWorker.ready.then(() => true),
    );
    await page.waitForTimeout(500);
    await context.setOffline(true);
    await page.reload();
    await page.getByText('Houses on this device: Saltmarsh Granary').waitFor();
    const picture = async (code: string) => ({
      name: 'label.png',
      mimeType: 'image/png',
      buffer: await QRCode.toBuffer(code, { width: 300 }),
    });
    await page.getByLabel('Choose a picture').setInputFiles(await picture('SPOOL:7K3MQ:M-GR-01.1'));
    await page.getByText('Found in Saltmarsh Granary').waitFor();
    expect(await page.getByRole('heading', { level: 2 }).innerText()).to.equal('M-GR-01.1');
    await page.getByLabel('Choose a picture').setInputFiles(await picture('SPOOL:9H2QY:M-GR-01.1'));
    await page.getByText(/belongs to another house \(9H2QY\)/).waitFor();
    await page.getByLabel('Run number or code').fill('m-gr-02.1');
    await page.getByRole('button', { name: 'Look up' }).click();
    await page.getByRole('heading', { name: 'M-GR-02.1' }).waitFor();
    await page.getByRole('button', { name: 'Show on the plan' }).click();
    await page.locator('.run.chosen').first().waitFor({ state: 'attached' });
    await page.getByText(/^No connection/).waitFor();
    // A house opened without a connection takes edits, and sends them when it comes back.
    await page.locator('.canvas__plan-canvas .canvas__device[aria-label^="CL"]').first().click();
    await page.locator('.inspector').getByText('Center AFF').waitFor();
    await page.keyboard.press('ArrowRight');
    await page.getByText(/^No connection · 1 edit kept/).waitFor();
    await context.setOffline(false);
    await saved(page);
    expect(app.problems).to.deep.equal([]);
  });
});
