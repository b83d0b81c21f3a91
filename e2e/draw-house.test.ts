import { expect } from 'chai';
import sharp from 'sharp';
import type { DocumentReply } from '@dusky-spool/core/model';
import { proposalInput, readDxf } from '../core/house/index.ts';
import { drawnPlans, mixedPlan, revisedPlan } from '../core/testing/drawn-plans.ts';
import { openGranary, planPoint, projectIdOf, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

describe('a house drawn from nothing', () => {
  let app: App;
  let page: Page;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    await openGranary(app, page);
    await newProject('Sail loft');
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  async function newProject(name: string): Promise<void> {
    await page.goto(`${app.url}/projects`);
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByLabel('Name of the house').fill(name);
    await page.getByText('European Union').click();
    await page.getByRole('button', { name: 'Create' }).click();
    await page.getByText('Nothing is drawn on this level yet.').waitFor();
  }
  const house = async () =>
    ((await (await page.request.get(`${app.url}/api/projects/${projectIdOf(page)}`)).json()) as DocumentReply).document;
  /** What the server has, as soon as it is so: an edit takes a moment to begin to be saved. */
  const eventually = async (holds: () => Promise<boolean>) => {
    for (let n = 0; n < 90; n++) {
      if (await holds()) return;
      await page.waitForTimeout(100);
    }
    throw new Error('It did not come to hold');
  };
  const click = async (x: number, y: number) => {
    const at = await planPoint(page, x, y);
    await page.mouse.move(at.x, at.y);
    await page.mouse.click(at.x, at.y);
    await page.waitForTimeout(60);
  };

  it('gets walls by clicks and typed lengths, and its room is found', async () => {
    await page.getByRole('button', { name: 'Draw walls' }).click();
    // The flat is drawn by clear lengths; this house by the centerlines of its walls.
    await page.getByText('Centerline', { exact: true }).click();
    await click(4, 3);
    const towards = await planPoint(page, 9, 3);
    await page.mouse.move(towards.x, towards.y);
    await page.waitForTimeout(80);
    await page.keyboard.type('6.00 < 0');
    await page.keyboard.press('Enter');
    await page.keyboard.type('4 < 90');
    await page.keyboard.press('Enter');
    await page.keyboard.type('6 < 180');
    await page.keyboard.press('Enter');
    await click(4, 3);
    await saved(page);
    const drawn = await house();
    expect(Object.values(drawn.walls)).to.have.length(4);
    const [room] = Object.values(drawn.rooms);
    expect(room.name).to.equal('Room 1');
    const [[x0, y0], , [x2, y2]] = room.polygon;
    expect([x2 - x0, y2 - y0].map((v) => Math.round(v * 1000) / 1000)).to.deep.equal([6, 4]);
  });

  it('refuses nothing silently: Escape leaves no trace, and an opening too wide says why', async () => {
    await page.keyboard.press('w');
    await click(5, 5);
    await click(7, 5);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    expect(Object.values((await house()).walls)).to.have.length(4);
    await page.keyboard.press('o');
    await click(6, 3);
    await page.getByRole('textbox', { name: 'Width', exact: true }).fill('7 m');
    await page.getByRole('textbox', { name: 'Width', exact: true }).press('Enter');
    await page
      .getByText(/an opening of 7\.00 m would not fit|does not fit a wall/)
      .first()
      .waitFor();
    await page.keyboard.press('Escape');
    await saved(page);
    expect(Object.values((await house()).openings)).to.have.length(1);
  });

  it('has its wall dragged, the room following, and takes that back also after loading anew', async () => {
    await page.keyboard.press('v');
    await click(10, 5);
    await page.locator('.survey__picked.grab').waitFor({ state: 'attached' });
    const [from, to] = [await planPoint(page, 10, 5.4), await planPoint(page, 11, 5.4)];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x - 20, to.y, { steps: 4 });
    await page.mouse.move(to.x, to.y, { steps: 2 });
    await page.mouse.up();
    const width = async () => {
      const xs = Object.values((await house()).rooms)[0].polygon.map(([x]) => x);
      return Math.max(...xs) - Math.min(...xs);
    };
    await eventually(async () => Math.abs((await width()) - 7) < 0.051);
    await page.reload();
    await page.locator('.survey__survey-foot').waitFor();
    // What can be taken back is known as soon as the history has come.
    await page.locator('button[aria-label^="Undo"]:not([disabled])').waitFor();
    await page.keyboard.press('Control+z');
    await eventually(async () => Math.abs((await width()) - 6) < 1e-6);
  });

  it('shows a wall square on, where a stud that was found takes the place of the assumed one', async () => {
    await click(6, 7);
    await page.getByRole('button', { name: 'Elevation' }).click();
    await page.locator('.walls__elevation-stud').first().waitFor({ state: 'attached' });
    const assumed = await page.locator('.walls__elevation-stud').count();
    await page.getByText('Stud here', { exact: true }).click();
    const sheet = (await page.locator('.walls__elevation-wall').boundingBox())!;
    await page.mouse.click(sheet.x + sheet.width * 0.52, sheet.y + sheet.height / 2);
    await page.locator('.walls__elevation-stud.measured').waitFor({ state: 'attached' });
    expect(await page.locator('.walls__elevation-stud').count()).to.equal(assumed);
    await page.getByRole('button', { name: /Back to the plan/ }).click();
    await saved(page);
  });

  it('is asked what is not known, room by room, and the laser meter fills the field', async () => {
    await page.getByRole('button', { name: 'Walk the house' }).click();
    await page.getByText('as a rule on this level?').first().waitFor();
    await page.getByRole('button', { name: 'Laser meter' }).click();
    await page.waitForFunction(() => document.querySelector<HTMLInputElement>('.survey__walk-field')!.value === '2.61 m');
    await page.getByRole('button', { name: 'Measured', exact: true }).click();
    await page.getByText('How deep is the structure above the ceiling?').first().waitFor();
    await page.getByLabel('How deep is the structure').fill('a bit');
    await page.getByRole('button', { name: 'Measured', exact: true }).click();
    await page.getByText('is not read as a length').waitFor();
    await page.getByRole('button', { name: 'Unknown', exact: true }).click();
    await saved(page);
    const { levels, facts } = await house();
    expect(Object.values(levels)[0].ceilingHeightM).to.equal(2.61);
    expect(
      Object.values(facts)
        .map(({ field, state }) => [field, state])
        .sort(),
    ).to.deep.equal([
      ['cavityDepthM', 'not-known'],
      ['ceilingHeightM', 'measured'],
    ]);
  });

  it('has things placed by kind, duplicated, selected by box and lined up, found by the finder, and hidden by kind', async () => {
    await page.getByRole('button', { name: /Back to the plan/ }).click();
    await page.getByRole('button', { name: /^Things/ }).click();
    await page.getByLabel('Find a thing').fill('desk');
    await page.getByRole('button', { name: 'Desk', exact: true }).click();
    await click(6, 4.4);
    await page.locator('.inspector').getByText('Desk').first().waitFor();
    await page.keyboard.press('Escape');
    await page.waitForTimeout(100);
    await page.keyboard.press('Control+d');
    const desks = async () => Object.values((await house()).features).map(({ points }) => points[0]);
    await eventually(async () => (await desks()).length === 2);
    const [from, to] = [await planPoint(page, 4.6, 3.5), await planPoint(page, 9.4, 6.6)];
    await page.keyboard.down('Shift');
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 5 });
    await page.mouse.up();
    await page.keyboard.up('Shift');
    await page.getByRole('button', { name: 'Bottom', exact: true }).click();
    await eventually(async () => {
      const [a, b] = await desks();
      return Math.abs(a[1] - b[1]) < 1e-6;
    });
    await page.getByRole('button', { name: /^View, lock, grid/ }).click();
    await page.getByLabel('Furniture shown').click();
    await page.locator('.canvas__feature.furniture').first().waitFor({ state: 'detached' });
    await page.getByLabel('Furniture shown').click();
    await page.locator('.canvas__feature.furniture').nth(1).waitFor({ state: 'attached' });
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('Room 1');
    await page.keyboard.press('Enter');
    await page.locator('.survey__picked-area').waitFor({ state: 'attached' });
  });

  it('takes a drawing in: layers get meaning, walls are proposed, one is refused, the rest are made', async () => {
    await newProject('Drawn elsewhere');
    const [plan] = drawnPlans();
    await page
      .getByLabel('Add a plan picture')
      .setInputFiles({ name: 'cottage.dxf', mimeType: 'application/dxf', buffer: Buffer.from(plan.dxf) });
    await page.getByRole('button', { name: 'Propose walls' }).click();
    await page.getByText(/^7 walls with \d+ openings proposed/).waitFor();
    await page.locator('.survey__proposal-list .ant-checkbox-wrapper').last().click();
    await page.getByRole('button', { name: 'Make 6 walls' }).click();
    await page.locator('.drawing-import').waitFor({ state: 'detached' });
    await saved(page);
    const made = await house();
    expect(Object.values(made.walls)).to.have.length(6);
    expect(Object.values(made.rooms).length).to.be.at.least(2);
    expect(Object.values(made.openings).filter(({ kind }) => kind === 'door').length).to.be.at.least(3);
    const [underlay] = Object.values(made.underlays);
    expect([underlay.scaled, underlay.metresPerPixel]).to.deep.equal([true, 0.01]);
  });

  it('takes the electrician’s sheet in by the same file coordinates: his marks stand where he made them', async () => {
    const at = (x: number, y: number) => ['10', String(x), '20', String(y)];
    const sheet = ['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', '4', '0', 'ENDSEC', '0', 'SECTION', '2', 'ENTITIES']
      .concat(['0', 'LINE', '8', 'FRAME', ...at(1000, 500), '11', '5000', '21', '500'])
      .concat(['0', 'CIRCLE', '8', 'ELECTRIC', ...at(2000, 1000), '40', '60'])
      .concat(['0', 'TEXT', '8', 'ELECTRIC', ...at(2150, 1000), '40', '100', '1', 'Double socket'])
      .concat(['0', 'ENDSEC', '0', 'EOF'])
      .join('\n');
    await page
      .getByLabel('Add a plan picture')
      .setInputFiles({ name: 'sockets.dxf', mimeType: 'application/dxf', buffer: Buffer.from(sheet) });
    await page.getByText('1 mark comes in as placed by its layer’s trade').waitFor();
    await page.getByRole('button', { name: 'Lay it below' }).click();
    await page.locator('.drawing-import').waitFor({ state: 'detached' });
    await saved(page);
    const { features, underlays } = await house();
    const [mark] = Object.values(features);
    const first = Object.values(underlays).find(({ name }) => name === 'cottage.dxf')!;
    const [cx, cy] = first.drawingCorner!;
    expect(mark).to.include({ kind: 'trade-mark', name: 'Double socket', owner: 'ELECTRIC', decision: 'open' });
    expect(mark.points[0][0]).to.be.closeTo(2 - cx, 1e-6);
    expect(mark.points[0][1]).to.be.closeTo(1 - cy, 1e-6);
  });

  it('holds a revised plan to the house: tells what moved and what it touches, and takes it piece by piece', async () => {
    await newProject('Revised');
    const bring = (name: string, dxf: string) =>
      page.getByLabel('Add a plan picture').setInputFiles({ name, mimeType: 'application/dxf', buffer: Buffer.from(dxf) });
    const again = async (name: string, dxf: string) => {
      await bring(name, dxf);
      await page.getByRole('button', { name: 'Propose walls' }).click();
    };
    const [plan] = drawnPlans();
    await bring('issue-a.dxf', plan.dxf);
    await page.getByRole('button', { name: 'Propose walls' }).click();
    await page.getByRole('button', { name: 'Make 7 walls' }).click();
    await page.locator('.drawing-import').waitFor({ state: 'detached' });
    await saved(page);
    const before = await house();
    await again('issue-b.dxf', revisedPlan().dxf);
    await page.getByText('2 differences from the plan.').waitFor();
    await page.getByText('Window moved 0.30 m to the right').waitFor();
    await page.getByText('Rooms that change').waitFor();
    await page.getByRole('checkbox', { name: /^Window moved/ }).uncheck();
    await page.getByRole('button', { name: 'Take 1 difference' }).click();
    await page.locator('.drawing-import').waitFor({ state: 'detached' });
    await saved(page);
    const after = await house();
    const moved = Object.values(after.walls).filter(({ id, a }) => a[0] !== before.walls[id].a[0]);
    expect(moved.map(({ id, a }) => Math.round(100 * (a[0] - before.walls[id].a[0])))).to.deep.equal([25, 25]);
    expect(Object.keys(after.walls)).to.have.length(7);
    expect(
      Object.values(after.underlays)
        .map(({ retired }) => retired)
        .sort(),
    ).to.deep.equal([false, true]);
    // The window is still where it was, and the next look says so.
    await again('issue-b.dxf', revisedPlan().dxf);
    await page.getByText('1 difference from the plan.').waitFor();
    await page.keyboard.press('Escape');
  });

  it('finds the walls in a vector plan that lies below the level, among everything that is drawn on it', async () => {
    await newProject('Plotted');
    const plan = mixedPlan();
    const read = readDxf(plan.dxf);
    if (!read.ok) throw new Error(read.problem.code);
    // Plotted at 1:50 on a sheet: 20 mm are a metre.
    const { lines } = proposalInput(read.value, read.value.metresPerUnit!, ['0'], []);
    const path = lines.map(([a, b]) => `M${20 * a[0]} ${320 - 20 * a[1]}L${20 * b[0]} ${320 - 20 * b[1]}`).join('');
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="420mm" height="320mm" viewBox="0 0 420 320"><path d="${path}" fill="none" stroke="#000"/></svg>`;
    const file = { name: 'plotted.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) };
    await page.getByLabel('Add a plan picture').setInputFiles(file);
    await page.getByLabel('Scale of the sheet').fill('1:50');
    await page.getByLabel('Scale of the sheet').press('Enter');
    await page.getByRole('button', { name: 'Find walls in it' }).click();
    await page.getByRole('button', { name: 'Propose walls' }).click();
    await page.getByRole('button', { name: 'Make 10 walls' }).click();
    await page.locator('.drawing-import').waitFor({ state: 'detached' });
    await saved(page);
    const made = await house();
    expect([Object.keys(made.walls).length, Object.keys(made.rooms).length, Object.keys(made.underlays).length]).to.deep.equal([
      10, 7, 1,
    ]);
    // The walls lie on the lines of the sheet: the house is 12 m long from middle to middle.
    const xs = Object.values(made.walls).flatMap(({ a, b }) => [a[0], b[0]]);
    expect(Math.max(...xs) - Math.min(...xs)).to.be.closeTo(12, 0.002);
    // The frame of the sheet begins at its left edge, and the house three metres from it.
    const [underlay] = Object.values(made.underlays);
    expect(Math.min(...xs)).to.be.closeTo(underlay.originX + 3, 0.002);
  });

  it('has a second length judge the scale of its picture and fit both axes', async () => {
    await newProject('Scanned askew');
    const drawing = `<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="1000"><rect width="1000" height="1000" fill="#fff"/></svg>`;
    const buffer = await sharp(Buffer.from(drawing)).webp().toBuffer();
    await page.getByLabel('Add a plan picture').setInputFiles({ name: 'scan.webp', mimeType: 'image/webp', buffer });
    const measure = async (a: [number, number], b: [number, number], length: string, button: string) => {
      await page
        .getByRole('button', { name: /^(Set|Check) the scale$/ })
        .first()
        .click();
      await click(...a);
      await click(...b);
      await page.getByRole('dialog').getByLabel('Length').fill(length);
      await page.getByRole('dialog').getByLabel('Length').press('Enter');
      if (button !== 'Set the scale') await page.getByText(/disagrees with the first by \+[45]\.\d+ %/).waitFor();
      await page.getByRole('dialog').getByRole('button', { name: button }).click();
    };
    await measure([2, 10], [18, 10], '16 m', 'Set the scale');
    await measure([10, 4], [10, 14], '10.5 m', 'Fit both, a scale each way');
    await saved(page);
    const [underlay] = Object.values((await house()).underlays);
    expect(underlay.metresPerPixelY / underlay.metresPerPixel).to.be.closeTo(1.05, 0.01);
  });
});
