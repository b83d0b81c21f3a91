import { stat } from 'node:fs/promises';
import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import { planPoint, projectIdOf, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import { TEST_SETUP_TOKEN } from '../server/testing/test-client.ts';
import type { Download, Page } from 'playwright-core';

/** More than this and a newcomer is not done in ten minutes. */
const MOST_ACTIONS = 110;

describe('a flat in ten minutes: an empty firm, five rooms drawn, wired, checked and printed', () => {
  let app: App;
  let page: Page;
  /** What a person did: a click, a drag, a committed entry, a shortcut. Moving the pointer is none. */
  const actions: string[] = [];
  before(async () => {
    app = await startApp(undefined, { DUSKY_DEMO: '0' });
    ({ page } = await app.person());
    // The server is new: its first account makes the firm. That is done once a firm, not once a job.
    await page.goto(app.url);
    const account = { firm: 'Sluice & Reed', name: 'New Planner', email: 'planner@firm.example', password: 'tide-mill-lantern' };
    for (const [field, value] of Object.entries({ ...account, setupToken: TEST_SETUP_TOKEN }))
      await page.locator(`#form-${field}`).fill(value);
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'New project' }).waitFor();
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const press = async (name: string | RegExp, role: 'button' | 'link' | 'menuitem' | 'radio' = 'button') => {
    actions.push(`press ${String(name)}`);
    await page.getByRole(role, { name }).first().click();
  };
  const pointAt = async (x: number, y: number) => {
    const at = await planPoint(page, x, y);
    await page.mouse.move(at.x, at.y);
    await page.waitForTimeout(40);
    return at;
  };
  const click = async (x: number, y: number) => {
    actions.push(`click ${x}, ${y}`);
    const at = await pointAt(x, y);
    await page.mouse.click(at.x, at.y);
    await page.waitForTimeout(40);
  };
  const doubleClick = async (x: number, y: number) => {
    actions.push(`double click ${x}, ${y}`);
    const at = await pointAt(x, y);
    await page.mouse.dblclick(at.x, at.y);
    await page.locator('.inspector input:focus').waitFor();
  };
  const key = async (name: string) => {
    actions.push(`key ${name}`);
    await page.keyboard.press(name);
  };
  /** A text with the key that commits it is one entry. */
  const enter = async (text: string, commit = 'Enter') => {
    actions.push(`enter ${text} ${commit}`);
    await page.keyboard.type(text);
    await page.keyboard.press(commit);
    await page.waitForTimeout(40);
  };
  const house = async () =>
    ((await (await page.request.get(`${app.url}/api/projects/${projectIdOf(page)}`)).json()) as DocumentReply).document;
  const download = async (start: () => Promise<void>): Promise<Download> => {
    const [file] = await Promise.all([page.waitForEvent('download'), start()]);
    return file;
  };

  it('is made with its region', async () => {
    await press('New project');
    await page.locator('.ant-modal input:focus').waitFor();
    actions.push('type the name', 'choose the region');
    await page.keyboard.type('Creek flat');
    await page.getByText('European Union').click();
    await press('Create');
    await page.getByText('Nothing is drawn on this level yet.').waitFor();
  });

  it('has its outer walls drawn by their clear lengths, and its partitions by a tape', async () => {
    // The sheet fits itself to an empty level first.
    await page.waitForTimeout(300);
    await key('w');
    await click(1, 1);
    await enter('10x8');
    // On the lower wall: its clear distance from the corner; up to the wall across.
    const partition = async (x: number, y: number, fromCorner: string, length: string, arrow: string) => {
      await pointAt(x, y);
      await enter(fromCorner);
      await enter(length, arrow);
    };
    await partition(4, 1, '6', '8', 'ArrowUp');
    await partition(1, 4, '4.5', '6', 'ArrowRight');
    await partition(11, 4, '3.5', '3.885', 'ArrowLeft');
    await partition(11, 7, '2.2', '3.885', 'ArrowLeft');
    await saved(page);
    const { rooms, walls } = await house();
    expect(Object.values(rooms)).to.have.length(5);
    const xs = Object.values(walls).flatMap(({ a, b }) => [a[0], b[0]]);
    const [{ thicknessM }] = Object.values(walls);
    expect(Math.max(...xs) - Math.min(...xs) - thicknessM).to.be.closeTo(10, 1e-6);
  });

  it('gets its doors and windows, one click each', async () => {
    await key('o');
    for (const [x, y] of [
      [8.5, 9.115],
      [7.115, 8.2],
      [9, 6.8],
      [9, 4.615],
      [4, 5.615],
      [7.115, 2.6],
    ])
      await click(x, y);
    await key('o');
    for (const [x, y] of [
      [4, 1],
      [1, 3],
      [1, 7.5],
      [4, 9.115],
      [9, 1],
    ])
      await click(x, y);
    await saved(page);
    const { openings } = await house();
    expect(
      Object.values(openings)
        .map(({ kind }) => kind)
        .sort(),
    ).to.deep.equal([...Array<string>(6).fill('door'), ...Array<string>(5).fill('window')]);
  });

  it('has its rooms named where they are', async () => {
    await key('v');
    for (const [x, y, name] of [
      [4, 2, 'Living room'],
      [4, 7, 'Kitchen'],
      [9.5, 2, 'Bedroom'],
      [9.8, 5.4, 'Bathroom'],
      [9.8, 8, 'Hall'],
    ] as const) {
      await doubleClick(x, y);
      await enter(name);
    }
    await saved(page);
    const { rooms } = await house();
    expect(
      Object.values(rooms)
        .map(({ name }) => name)
        .sort(),
    ).to.deep.equal(['Bathroom', 'Bedroom', 'Hall', 'Kitchen', 'Living room']);
  });

  it('gets its rack and its devices from the palette, which keeps the type until the next', async () => {
    await press(/^Devices/, 'link');
    await page.locator('.canvas__plan-canvas').waitFor();
    await page.waitForTimeout(300);
    await press(/^Rack$/);
    await click(10.9, 8.2);
    const place = async (type: RegExp, ...at: [number, number][]) => {
      await press(type);
      for (const [x, y] of at) await click(x, y);
    };
    await place(
      /^Data outlet|^Network drop/,
      ...([
        [2, 1.1],
        [6, 1.1],
        [1.1, 4.6],
        [1.1, 6.2],
        [6, 9],
        [2, 9],
        [8, 1.1],
        [11, 2],
        [11, 5.6],
        [7.9, 4.7],
      ] as [number, number][]),
    );
    await place(/^Access point/, [5, 4]);
    await place(/^Ceiling speaker$/, [3, 3.2], [5, 3.2]);
    await place(/^Display$/, [2.3, 5.5]);
    await place(/^Camera/, [0.9, 8.6]);
    await place(/^Window shade$/, [9, 1.1]);
    await place(/^Keypad/, [7, 1.6]);
    await saved(page);
    const { devices, runs } = await house();
    expect(Object.values(devices)).to.have.length(17);
    expect(Object.values(runs).length).to.be.at.least(17);
  });

  it('has no error, and its warnings are put right from their list', async () => {
    expect(await page.getByRole('button', { name: /^\d+ errors?$/ }).count()).to.equal(0);
    await press('5 warnings');
    await press('Use 14 AWG');
    await page.getByRole('button', { name: '4 warnings' }).waitFor();
    await press('Mark an outlet for the electrician');
    await page.getByRole('button', { name: '3 warnings' }).waitFor();
    await saved(page);
  });

  it('is printed: schedule, labels and plan', async () => {
    const print = async (item: string, ...more: (() => Promise<void>)[]) => {
      await press('Export');
      return download(async () => {
        await press(item, 'menuitem');
        for (const step of more) await step();
      });
    };
    const schedule = await print('Schedule, XLSX');
    const labels = await print('Label sheet, PDF', () => press('Download', 'link'));
    await press('Mark as printed');
    const plan = await print('Plan to scale, PDF', () => press('Download', 'link'));
    for (const file of [schedule, labels, plan]) expect((await stat(await file.path())).size).to.be.greaterThan(3000);
  });

  it('takes no more actions than a newcomer has time for', function () {
    expect(actions.length, actions.join('\n')).to.be.at.most(MOST_ACTIONS);
    this.test!.title = `takes ${actions.length} actions, ${MOST_ACTIONS} at most`;
  });
});
