import { expect } from 'chai';
import type { Page } from 'playwright-core';
import type { DocumentReply, ProjectDocument } from '@dusky-spool/core/model';
import { openGranary, planPoint, projectIdOf, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';

describe('a surveyor on site', () => {
  let app: App;
  let page: Page;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const house = async (): Promise<ProjectDocument> =>
    ((await (await page.request.get(`${app.url}/api/projects/${projectIdOf(page)}`)).json()) as DocumentReply).document;
  const goTo = async (rest: string) => {
    await page.goto(`${app.url}/p/${projectIdOf(page)}/${rest}`);
    await page.locator('.canvas__plan-canvas').waitFor();
    await page.waitForTimeout(250);
  };
  const panel = () => page.locator('.inspector');

  it('moves a mark of the electrician: its old place stays on the plan, and the site sheet tells him', async () => {
    await openGranary(app, page, 'Ropewalk Flat');
    const mark = Object.values((await house()).features).find(({ name }) => name === 'Double socket')!;
    await goTo(`survey?sel=feature:${mark.id}`);
    await panel().getByText('Move it on the plan to ask for another place').waitFor();
    const [from, to] = [await planPoint(page, 8, 3.06), await planPoint(page, 8.5, 3.06)];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 5 });
    await page.mouse.up();
    await panel().getByText('Marked 0.50 m away by Electrician.').waitFor();
    await saved(page);
    expect((await house()).features[mark.id]).to.deep.include({ markedAt: [8, 3.06], decision: 'move' });
    expect(await page.locator('.canvas__marked-at').count()).to.equal(2);
    await panel().getByRole('button', { name: 'Put it back where it was marked' }).click();
    await saved(page);
    expect((await house()).features[mark.id]).to.deep.include({ markedAt: null, decision: 'open' });
  });

  it('is told what a found wall bears, and how an outdoor point is measured from two corners', async () => {
    const bracket = Object.values((await house()).features).find(({ kind }) => kind === 'existing-bracket')!;
    await goTo(`survey?sel=feature:${bracket.id}`);
    await panel().getByText('Fasten with bolts right through').waitFor();
    await panel().getByText('Scan for bars, pipes, tendons and mains before drilling.').waitFor();
    await page.goto(`${app.url}/projects`);
    await page.getByRole('link', { name: 'Open Saltmarsh Granary' }).click();
    await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
    const gate = Object.values((await house()).features).find(({ name }) => name === 'Gate intercom')!;
    await goTo(`survey?level=${gate.levelId}&sel=feature:${gate.id}`);
    const tapes = await panel()
      .getByText(/m from corner \d+ and .* m from corner \d+\./)
      .textContent();
    expect(tapes).to.match(/\d\.\d\d m/);
    await panel().getByText('Have buried services located before anyone digs.').waitFor();
  });

  it('lines devices up, and sees heights from the subfloor and the laser line', async () => {
    const { devices, levels } = await house();
    const speakers = Object.values(devices).filter(
      ({ typeId, levelId }) => typeId === 'ceiling-speaker' && levels[levelId].code === 'M',
    );
    const [first, second] = speakers;
    await goTo(`devices?level=${first.levelId}&sel=device:${first.id}`);
    await page.locator(`[data-device="${second.id}"]`).click({ modifiers: ['Shift'] });
    await page.getByRole('button', { name: 'Side by side' }).click();
    await saved(page);
    const after = (await house()).devices;
    expect(after[first.id].y).to.be.closeTo(after[second.id].y, 0.011);
    await page.keyboard.press('Control+z');
    await saved(page);
    const wall = Object.values(devices).find(({ typeId }) => typeId === 'keypad')!;
    await goTo(`devices?level=${wall.levelId}&sel=device:${wall.id}`);
    await page.locator('.plan__site-facts').getByText('deepest box').waitFor();
  });

  it('selects devices by a box and by their type, and walls by their kind', async () => {
    const { devices, levels } = await house();
    const main = Object.values(levels).find(({ code }) => code === 'M')!;
    const here = Object.values(devices).filter(({ levelId }) => levelId === main.id);
    const count = async (n: number) => page.getByRole('heading', { name: `${n} selected` }).waitFor();
    await goTo(`devices?level=${main.id}`);
    const inside = here.filter(({ x, y }) => x > 7.2 && x < 13 && y > 6.1 && y < 9.9);
    const [from, to] = [await planPoint(page, 7.2, 9.9), await planPoint(page, 13, 6.1)];
    await page.keyboard.down('Shift');
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 4 });
    await page.mouse.up();
    await page.keyboard.up('Shift');
    expect(inside.length).to.be.above(1);
    await count(inside.length);
    const speakers = here.filter(({ typeId }) => typeId === 'ceiling-speaker');
    await goTo(`devices?level=${main.id}&sel=device:${speakers[0].id}`);
    await page.getByRole('button', { name: `Select all ${speakers.length} of this type` }).click();
    await count(speakers.length);
    const wall = Object.values((await house()).walls).find((one) => one.levelId === main.id && one.kind === 'masonry')!;
    await goTo(`survey?level=${main.id}&sel=wall:${wall.id}`);
    await page.locator('.survey__picked').first().waitFor({ state: 'attached' });
    await page.keyboard.press('Control+a');
    const masonry = Object.values((await house()).walls).filter((one) => one.levelId === main.id && one.kind === 'masonry');
    await page.waitForFunction((n) => new URLSearchParams(location.search).get('sel')?.split(',').length === n, masonry.length);
  });

  it('lays an upper level over the lower one by two points that both show', async () => {
    const { levels, walls } = await house();
    const [main, upper] = ['M', 'U'].map((code) => Object.values(levels).find((level) => level.code === code)!);
    const point = async (levelId: string, name: string, x: number, y: number) => {
      await goTo(`survey?level=${levelId}`);
      await page.locator('.survey__survey-foot').waitFor();
      await page.keyboard.press('p');
      const at = await planPoint(page, x, y);
      await page.mouse.move(at.x, at.y);
      await page.mouse.click(at.x, at.y);
      await page.getByRole('dialog').getByRole('textbox').fill(name);
      await page.keyboard.press('Enter');
      await saved(page);
    };
    // Both stand on wall corners, which the pointer is drawn to; on the upper level 0.5 m further right than below.
    await point(main.id, 'Chimney', 4, 4);
    await point(main.id, 'Stair', 12, 4);
    await point(upper.id, 'Chimney', 4.5, 4);
    await point(upper.id, 'Stair', 12.5, 4);
    const marks = Object.values((await house()).referencePoints);
    const mean = (levelId: string) => {
      const xs = marks.filter((mark) => mark.levelId === levelId).map(({ x }) => x);
      return xs.reduce((sum, x) => sum + x, 0) / xs.length;
    };
    const dx = mean(main.id) - mean(upper.id);
    expect(dx).to.be.closeTo(-0.5, 0.3);
    await page.keyboard.press('v');
    await page.getByRole('button', { name: 'Lay it over' }).click();
    await saved(page);
    const before = Object.values(walls).find((wall) => wall.levelId === upper.id)!;
    const moved = (await house()).walls[before.id];
    expect(moved.a[0] - before.a[0]).to.be.closeTo(dx, 0.05);
  });
});
