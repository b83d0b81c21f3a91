import ExcelJS from 'exceljs';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { pictureToPlan } from '@dusky-spool/core/house';
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

  it('sets a drawing to the scale that its sheet states, and checks it on the drawing’s own corners', async () => {
    // 200 mm by 120 mm of paper: a room of 160 mm by 70 mm from (20, 30) on, which is 8.00 m by 3.50 m at 1:50.
    const drawing = `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="120mm" viewBox="0 0 200 120"><g transform="translate(10 20)"><path d="M10 10H170V80H10Z" fill="none" stroke="#000"/></g></svg>`;
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
    const file = { name: 'boathouse.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(drawing) };
    await page.getByLabel('Add a plan picture').setInputFiles(file);
    const scale = page.getByLabel('Scale of the sheet');
    await scale.fill('1:fifty');
    await scale.press('Enter');
    await page.getByText('is not read as a scale').waitFor();
    await scale.fill('1:50');
    await scale.press('Enter');
    await page.getByText('The scale is not set yet.').waitFor({ state: 'detached' });
    await saved(page);
    const read = async () => {
      const reply = (await (await page.request.get(`${app.url}/api/projects/${projectIdOf(page)}`)).json()) as DocumentReply;
      return Object.values(reply.document.underlays)[0];
    };
    const underlay = await read();
    expect(underlay.metresPerPixel).to.be.closeTo((50 * 0.0254) / 96, 1e-12);
    // Near its corners is enough: the clicks are drawn to the ends of its lines, not to the grid.
    await page.getByRole('button', { name: 'Check the scale' }).click();
    const px = 96 / 25.4;
    const heightPx = Math.ceil(120 * px);
    for (const mm of [20, 180]) {
      const at = pictureToPlan(underlay, [mm * px, heightPx - 30 * px]);
      const { x, y } = await planPoint(page, at[0] + 0.03, at[1] - 0.02);
      await page.mouse.move(x, y);
      await page.mouse.click(x, y);
    }
    await page.getByText('It measures 8.00 m on the plan now.').waitFor();
    await page.getByRole('dialog').getByLabel('Length').fill('8.00 m');
    await page.getByRole('dialog').getByLabel('Length').press('Enter');
    await page.getByText(/It agrees with the first within 1 % \([+−]0.00 %\)/).waitFor();
    await page.getByRole('button', { name: 'Keep the scale' }).click();
    await page.getByRole('button', { name: 'Mirror', exact: true }).click();
    await page.getByLabel('Angle', { exact: true }).fill('12.5');
    await page.getByLabel('Angle', { exact: true }).press('Enter');
    await saved(page);
    const turned = await read();
    expect([turned.mirrored, Math.round((turned.rotationRad * 1800) / Math.PI) / 10]).to.deep.equal([true, 12.5]);
  });

  it('brings in a table of rooms: its columns are known, a bad line is told, and the rest becomes rooms', async () => {
    const table = 'Room;Width (cm);Length (cm);Ceiling\nHall;420;310;270\nBath;two;250;\nStore;200;250;';
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
    const file = { name: 'rooms.csv', mimeType: 'text/csv', buffer: Buffer.from(table) };
    await page.getByLabel('Add a plan picture').setInputFiles(file);
    const dialog = page.getByRole('dialog');
    await dialog.getByText('Line 3:').waitFor();
    await dialog.getByText('“two” is not read as a length').waitFor();
    await dialog.getByRole('button', { name: 'Make 2 rooms' }).click();
    await dialog.waitFor({ state: 'detached' });
    await saved(page);
    const reply = (await (await page.request.get(`${app.url}/api/projects/${projectIdOf(page)}`)).json()) as DocumentReply;
    const rooms = Object.values(reply.document.rooms).map(({ name, ceilingHeightM }) => [name, ceilingHeightM]);
    expect(rooms.sort()).to.deep.equal([
      ['Hall', 2.7],
      ['Store', null],
    ]);
  });

  it('brings in the same from a workbook, sheet by sheet', async () => {
    const book = new ExcelJS.Workbook();
    book.addWorksheet('Cover').addRow(['Boathouse']);
    book.addWorksheet('Rooms').addRows([
      ['Room', 'Width [m]', 'Depth [m]'],
      ['Loft', 3.4, 2.5],
      ['Winch room', 'unknown', 2],
    ]);
    const buffer = Buffer.from(await book.xlsx.writeBuffer());
    await page.getByLabel('Add a plan picture').setInputFiles({ name: 'rooms.xlsx', mimeType: '', buffer });
    const dialog = page.getByRole('dialog');
    await dialog.getByText('Line 3:').waitFor();
    await dialog.getByRole('button', { name: 'Make 1 room' }).click();
    await dialog.waitFor({ state: 'detached' });
    await saved(page);
    const reply = (await (await page.request.get(`${app.url}/api/projects/${projectIdOf(page)}`)).json()) as DocumentReply;
    expect(Object.values(reply.document.rooms).map(({ name }) => name)).to.include('Loft');
    await page
      .getByLabel('Add a plan picture')
      .setInputFiles({ name: 'rooms.xlsx', mimeType: '', buffer: buffer.subarray(0, 900) });
    await dialog.getByText('this workbook is damaged or cut off').waitFor();
    await page.keyboard.press('Escape');
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
