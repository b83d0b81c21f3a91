import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { DocumentReply } from '@dusky-spool/core/model';
import { openGranary, planPoint, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

describe('devices in places that can be built', () => {
  let app: App;
  let page: Page;
  let id: string;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    id = await openGranary(app, page);
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const inspector = () => page.locator('.inspector');
  const clickAt = async (x: number, y: number, freely = false) => {
    const at = await planPoint(page, x, y);
    await page.mouse.move(at.x, at.y);
    // Without Alt the guides would draw it into the middle of a bay.
    if (freely) await page.keyboard.down('Alt');
    await page.mouse.click(at.x, at.y);
    if (freely) await page.keyboard.up('Alt');
  };

  it('a speaker on a joist is told so, and is moved into the nearest bay with a preview first', async () => {
    await page.getByRole('button', { name: /^Ceiling speaker$/ }).click();
    // Joists of the dining room run up the plan at 0.4 m: one is at 14.8.
    await clickAt(14.79, 6.4, true);
    const finding = inspector().locator('.finding').filter({ hasText: 'meets a joist' });
    await finding.waitFor();
    await finding
      .getByRole('button', { name: /^Move it \d+(\.\d)? mm$/ })
      .first()
      .click();
    await inspector().getByRole('button', { name: 'Apply' }).click();
    await finding.waitFor({ state: 'detached' });
    await saved(page);
  });

  it('is placed by a typed distance from a wall, mirrored as a pair, and put into a zone', async () => {
    const wall = inspector().getByLabel('From lower wall');
    await wall.fill('1.20');
    await wall.press('Enter');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('.inspector input[aria-label="From lower wall"]')?.value === '1.20 m',
    );
    await inspector().getByRole('button', { name: 'Mirror as a pair' }).click();
    await page.waitForFunction(
      () => document.querySelectorAll('.canvas__plan-canvas .canvas__device[aria-label*="Dining room"]').length >= 5,
    );
    await inspector().getByLabel('New zone or group').fill('Dining');
    await inspector().getByRole('button', { name: 'Add', exact: true }).click();
    await inspector()
      .getByRole('button', { name: /^Dining Audio$/ })
      .waitFor();
    await saved(page);
  });

  it('an even field of speakers is laid into a room by one click and taken back by one step', async () => {
    const count = () => page.locator('.canvas__plan-canvas .canvas__device[aria-label*="Boot room"]').count();
    const before = await count();
    // The tool is still in the hand: a field of the same type.
    await page.getByRole('button', { name: 'Grid, minimum overlap' }).click();
    await clickAt(13.6, 3.2);
    await page.waitForFunction(
      (min) => document.querySelectorAll('.canvas__plan-canvas .canvas__device[aria-label*="Boot room"]').length > min,
      before,
    );
    // 2.5 x 5.5 m under 2.74 m: disc 3.48 m, pitch 2.46 m: 2 columns and 3 rows.
    expect((await count()) - before).to.equal(6);
    await page.keyboard.press('Control+z');
    await page.waitForFunction(
      (same) => document.querySelectorAll('.canvas__plan-canvas .canvas__device[aria-label*="Boot room"]').length === same,
      before,
    );
  });

  it('a keypad is put on a wall seen square on, at its usual height, and dragged into line with the display', async () => {
    // With a type in the hand a click would place another one.
    await page.keyboard.press('Escape');
    await page
      .getByRole('button', { name: /^TV Display, over the fireplace/ })
      .first()
      .click();
    await inspector().getByRole('button', { name: 'See it on its wall' }).click();
    const wall = (await page.locator('.walls__elevation-wall').boundingBox())!;
    const at = (offsetM: number, heightM: number) =>
      [wall.x + (wall.width * offsetM) / 2.5, wall.y + wall.height * (1 - heightM / 2.74)] as const;
    await page.getByRole('button', { name: /^Keypad$/ }).click();
    // Near its usual height, clear of every guide along the wall.
    await page.mouse.move(...at(0.3, 1.15));
    await page.mouse.click(...at(0.3, 1.15));
    const height = inspector().getByLabel('Center AFF');
    await height.waitFor();
    expect(await height.inputValue()).to.equal('1.12 m');
    await inspector()
      .getByText(/Great room, Main$/)
      .waitFor();
    const keypad = page.locator('.walls__wall-face.chosen .face');
    const box = (await keypad.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(...at(0.4, 1.35), { steps: 4 });
    await page.mouse.move(...at(0.3, 1.49), { steps: 4 });
    await page.locator('.elevation .guide.height').waitFor({ state: 'attached' });
    await page.mouse.up();
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('.inspector input[aria-label="Center AFF"]')?.value === '1.50 m',
    );
    await saved(page);
    await page.getByRole('button', { name: 'Back to the plan' }).click();
    await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
  });

  it('an access point is dragged on the ceiling into the middle of the room', async () => {
    await page.getByRole('button', { name: /^AP .*Great room/ }).click();
    await inspector().getByRole('button', { name: 'See it on its ceiling' }).click();
    const box = (await page.locator('.walls__wall-face.chosen .face').boundingBox())!;
    const room = (await page.locator('.walls__elevation-wall').boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(room.x + room.width / 2 + 40, room.y + room.height / 2 + 60, { steps: 4 });
    await page.mouse.move(room.x + room.width / 2 + 3, room.y + room.height / 2 + 3, { steps: 4 });
    await page.locator('.elevation .guide.room').first().waitFor({ state: 'attached' });
    await page.mouse.up();
    await saved(page);
    const after = (await page.locator('.walls__wall-face.chosen .face').boundingBox())!;
    expect(after.x + after.width / 2).to.be.closeTo(room.x + room.width / 2, 1);
    expect(after.y + after.height / 2).to.be.closeTo(room.y + room.height / 2, 1);
    await page.getByRole('button', { name: 'Back to the plan' }).click();
  });

  it('zones are shown on the plan with their names', async () => {
    await page.getByLabel('Zones on the plan').selectOption('audio');
    await page.locator('.canvas__zone-name').getByText('Table', { exact: true }).waitFor();
    // Five zones of the demo and the one that was made above, room by room.
    expect(await page.locator('.canvas__zone').count()).to.be.at.least(5);
    await page.getByLabel('Zones on the plan').selectOption('');
    await page.locator('.canvas__zone').first().waitFor({ state: 'detached' });
  });

  it('beads that would hide each other are one when zoomed out, and a click shows them apart', async () => {
    for (let i = 0; i < 3; i++) await page.getByLabel('Zoom out').click();
    const cluster = page.locator('.canvas__bead-cluster').first();
    await cluster.waitFor();
    const [count] = (await cluster.getAttribute('aria-label'))!.split(' ');
    const before = await page.locator('.canvas__plan-canvas .canvas__device').count();
    await cluster.click();
    await page.waitForFunction(() => document.querySelectorAll('.canvas__plan-canvas .canvas__bead-cluster').length === 0);
    expect(Number(count)).to.be.at.least(2);
    expect(await page.locator('.canvas__plan-canvas .canvas__device').count()).to.be.greaterThan(before);
    await page.getByRole('button', { name: 'Fit', exact: true }).click();
  });

  it('devices that stand together get a box and plate, which is filled, checked and printed', async () => {
    await page.getByRole('button', { name: 'Plates', exact: true }).click();
    const wanted = page.getByRole('region', { name: 'Devices without a plate' });
    await wanted.getByRole('listitem').first().waitFor();
    const places = await wanted.getByRole('listitem').count();
    await wanted.getByRole('listitem').filter({ hasText: 'Boot room' }).getByRole('button', { name: 'Create plate' }).click();
    const card = page.locator('.plate-card');
    await card.getByText('network jack').first().waitFor();
    expect(await wanted.getByRole('listitem').count()).to.equal(places - 1);
    // An electrician's gang in the same box wants a divider, and the finding offers it.
    await card.getByLabel('Gangs', { exact: true }).fill('2');
    await card.getByLabel('Gangs', { exact: true }).press('Enter');
    await card.getByLabel('Of them mains').fill('1');
    await card.getByLabel('Of them mains').press('Enter');
    await card.getByText(/without a divider/).waitFor();
    await card.getByRole('button', { name: 'Set a divider' }).click();
    await card.getByRole('button', { name: 'Apply' }).click();
    await card.getByText(/without a divider/).waitFor({ state: 'detached' });
    await saved(page);
    const [sheet] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Plate schedule, PDF' }).click(),
    ]);
    expect(
      readFileSync(await sheet.path())
        .subarray(0, 4)
        .toString(),
    ).to.equal('%PDF');
    await page.getByRole('button', { name: 'Back to the plan' }).click();
  });

  it('a plate goes with its device when that is dragged along the wall', async () => {
    const read = async () => ((await (await page.request.get(`${app.url}/api/projects/${id}`)).json()) as DocumentReply).document;
    const before = await read();
    const plate = Object.values(before.plates).find(({ roomId }) => before.rooms[roomId ?? '']?.code === 'ST')!;
    const device = before.devices[plate.inserts[0].deviceId!];
    const from = await planPoint(page, device.x, device.y);
    const to = await planPoint(page, device.x, device.y + 0.6);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x, (from.y + to.y) / 2, { steps: 3 });
    await page.mouse.move(to.x, to.y, { steps: 3 });
    await page.mouse.up();
    await saved(page);
    const after = await read();
    const moved = after.devices[device.id];
    expect(moved.y).to.be.closeTo(device.y + 0.6, 0.03);
    expect([after.plates[plate.id].x, after.plates[plate.id].y]).to.deep.equal([moved.x, moved.y]);
  });

  it('a recipe shows which runs it adds before it is applied', async () => {
    await page.getByRole('button', { name: 'Library', exact: true }).click();
    await page.getByRole('button', { name: /^Access point$/ }).click();
    await page.locator('.library__library-card').getByRole('button', { name: 'Add a cable' }).click();
    const effect = page.locator('.library__recipe-effect');
    await effect.getByText(/^Adds \d+ runs: /).waitFor();
    await effect.getByRole('button', { name: 'Apply' }).click();
    await effect.waitFor({ state: 'detached' });
    await saved(page);
  });

  it('a library file gives its good rows and says what is wrong with the others', async () => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Export CSV' }).click()]);
    const [head, ...rows] = readFileSync(await file.path(), 'utf8')
      .trim()
      .split('\r\n');
    const own = rows.find((row) => row.startsWith('keypad,'))!.replace('keypad,KP,Keypad', 'night-keypad,N1,Night keypad');
    const bad = own.replace('night-keypad,N1', 'day-keypad,TV');
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'own.csv', mimeType: 'text/csv', buffer: Buffer.from([head, own, bad].join('\r\n')) });
    await page.getByText('Row 3:').waitFor();
    await page.getByRole('button', { name: 'Take what is sound (1)' }).click();
    await page.getByRole('button', { name: 'Night keypad' }).waitFor();
    await saved(page);
  });

  it('what others build for us is on the trades sheet', async () => {
    await page.goto(`${app.url}/p/${id}/devices`);
    await page.getByRole('button', { name: 'Export' }).click();
    const [sheet] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: 'Trades sheet, PDF' }).click(),
    ]);
    expect(
      readFileSync(await sheet.path())
        .subarray(0, 4)
        .toString(),
    ).to.equal('%PDF');
  });
});
