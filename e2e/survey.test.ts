import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import type { DocumentReply } from '@dusky-spool/core/model';
import { openGranary, planPoint, projectIdOf, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

const DEMO = join(import.meta.dirname, '../demo');

describe('a surveyor', () => {
  let app: App;
  let page: Page;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    await openGranary(app, page);
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  it('makes an empty project, puts a plan picture under it and sets its scale by two clicks and a length', async () => {
    await page.goto(`${app.url}/projects`);
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByRole('button', { name: 'Create' }).click();
    await page.getByText('Give the house a name.').waitFor();
    await page.getByLabel('Name of the house').fill('Boathouse');
    await page.getByText('European Union').click();
    await page.getByRole('button', { name: 'Create' }).click();
    await page.getByText('Nothing is drawn on this level yet.').waitFor();
    // A picture 1000 px wide with a wall drawn from 100 to 900.
    const drawing = `<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="600"><rect width="1000" height="600" fill="#fff"/><path d="M100 300H900" stroke="#000" stroke-width="6"/></svg>`;
    const buffer = await sharp(Buffer.from(drawing)).png().toBuffer();
    await page.getByLabel('Add a plan picture').setInputFiles({ name: 'boathouse.png', mimeType: 'image/png', buffer });
    await page.getByText('The scale is not set yet.').waitFor();
    await page.getByRole('button', { name: 'Set the scale' }).click();
    // It came in 20 m wide: the wall runs from 2 m to 18 m, 6 m up.
    for (const at of [2, 18]) {
      const { x, y } = await planPoint(page, at, 6);
      await page.mouse.click(x, y);
    }
    await page.getByRole('dialog').getByLabel('Length').fill('12 bananas');
    await page.getByRole('dialog').getByRole('button', { name: 'Set the scale' }).click();
    await page.getByText('is not read as a length').waitFor();
    await page.getByRole('dialog').getByLabel('Length').fill(`26' 3"`);
    await page.getByRole('dialog').getByRole('button', { name: 'Set the scale' }).click();
    await saved(page);
    const reply = (await (await page.request.get(`${app.url}/api/projects/${projectIdOf(page)}`)).json()) as DocumentReply;
    const [underlay] = Object.values(reply.document.underlays);
    // 26 ft 3 in = 8.001 m over 800 px; a click is good to a pixel of the screen.
    expect(underlay.metresPerPixel).to.be.closeTo(8.001 / 800, 3e-5);
    expect(underlay.scaled).to.equal(true);
  });

  it('takes in a project file, and is told what is wrong with a bad one', async () => {
    await page.goto(`${app.url}/projects`);
    const input = page.getByLabel('Import project file');
    const text = readFileSync(join(DEMO, 'tollgate-cottage.spool.json'), 'utf8');
    await input.setInputFiles({
      name: 'bad.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text.replace('"thicknessM":0.11', '"thicknessM":-1')),
    });
    await page
      .getByRole('alert')
      .getByText(/walls\[\d+\]\.thicknessM/)
      .waitFor();
    await input.setInputFiles({ name: 'cottage.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await page.getByRole('heading', { name: 'Tollgate Cottage' }).waitFor();
    await page.getByText('Feet and inches').waitFor();
    const exported = await (await page.request.get(`${app.url}/api/projects/${projectIdOf(page)}/file`)).text();
    expect(exported).to.equal(text);
  });
});
