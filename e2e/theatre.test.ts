import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import type { Page } from 'playwright-core';
import { type App, startApp } from './testing/app.ts';
import { openGranary, saved } from './testing/steps.ts';

describe('a theatre, from the plan to its sheet', () => {
  let app: App;
  let page: Page;
  let id: string;
  before(async () => {
    app = await startApp();
    ({ page } = await app.person());
    id = await openGranary(app, page);
    await page.getByRole('button', { name: 'Theatre view' }).click();
    await page.getByText('Heard from seat 2').waitFor();
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  const project = async () =>
    ((await (await page.request.get(`${app.url}/api/projects/${id}`)).json()) as DocumentReply).document;
  const device = async (name: string) => Object.values((await project()).devices).find((one) => one.name === name)!;
  const sheet = (view: 'From above' | 'Section') => page.getByRole('group', { name: new RegExp(`^${view}`) });
  const figure = (name: string) => page.locator('dl > div').filter({ hasText: name }).locator('dd');
  async function dragBy(name: string, view: 'From above' | 'Section', dx: number, dy: number): Promise<void> {
    const box = (await sheet(view).getByRole('button', { name }).first().boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 3 });
    await page.mouse.move(x + dx, y + dy, { steps: 3 });
    await page.mouse.up();
    await saved(page);
  }

  it('a speaker is dragged from above, and its angle follows; undo brings it back', async () => {
    const before = await device('top front left');
    const row = page.getByRole('row').filter({ hasText: /^TFL/ });
    const angle = await row.getByRole('cell').nth(1).textContent();
    await dragBy('Speaker: Overhead front left', 'From above', 0, 36);
    const after = await device('top front left');
    expect(after.y).to.be.lessThan(before.y - 0.2);
    expect(await row.getByRole('cell').nth(1).textContent()).to.not.equal(angle);
    await page.keyboard.press('Control+z');
    await saved(page);
    expect((await device('top front left')).y).to.equal(before.y);
  });

  it('the projector is lowered in section, and its lens shift follows', async () => {
    const shift = await figure('Lens shift').textContent();
    await dragBy('Projector', 'Section', 0, 14);
    expect(await figure('Lens shift').textContent()).to.not.equal(shift);
    await page.keyboard.press('Control+z');
    await saved(page);
    expect(await figure('Lens shift').textContent()).to.equal(shift);
  });

  it('a seat that is clicked is the one that is looked and heard from', async () => {
    await page.getByRole('tab', { name: 'Seats' }).click();
    await page.getByRole('row').filter({ hasText: /^5/ }).click();
    await page.getByText('Heard from seat 5').waitFor();
    await page.getByRole('row').filter({ hasText: '2, reference' }).click();
    await page.getByText('Heard from seat 2').waitFor();
  });

  it('a layout is designed in the worker, shown, and made with its cables', async () => {
    const score = page.getByText(/^Score \d+: angles/);
    const before = Number(/\d+/.exec((await score.textContent())!)![0]);
    await page.getByRole('button', { name: 'Design layout' }).click();
    await page.getByText(/combinations were judged/).waitFor();
    await page.getByRole('button', { name: 'Place devices and cables' }).click();
    await saved(page);
    const after = Number(/\d+/.exec((await score.textContent())!)![0]);
    expect(after).to.be.greaterThan(before);
    await page.keyboard.press('Control+z');
    await saved(page);
  });

  it('subwoofers have a map, and better places that are shown before they are taken', async () => {
    await page.getByRole('tab', { name: 'Subwoofers' }).click();
    await page.getByText(/^As placed, the seats differ by/).waitFor();
    await page.getByRole('img', { name: 'Level at 40 Hz over the room, against its mean' }).waitFor();
    await page.getByRole('button', { name: 'Show on the plan' }).first().click();
    await page.getByRole('button', { name: 'Cancel' }).click();
  });

  it('a warning that is lived with becomes a compromise of the room', async () => {
    await page.getByRole('button', { name: 'Note as compromise in the brief' }).first().click();
    await saved(page);
    const { compromises, theatres } = await project();
    const [{ roomId }] = Object.values(theatres);
    expect(Object.values(compromises).filter((one) => one.roomId === roomId)).to.have.length(1);
  });

  it('prints the layout sheet', async () => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Layout sheet (PDF)' }).click(),
    ]);
    expect(file.suggestedFilename()).to.match(/theatre-sheet\.pdf$/);
  });
});
