import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import type { Page } from 'playwright-core';
import { type App, startApp } from './testing/app.ts';
import { openGranary, planPoint, saved } from './testing/steps.ts';

describe('a head end, from a camera more to commissioning', () => {
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

  const project = async () =>
    ((await (await page.request.get(`${app.url}/api/projects/${id}`)).json()) as DocumentReply).document;
  const open = (tab: string) => page.goto(`${app.url}/p/${id}/head-end?tab=${tab}`);

  it('a camera that is placed takes a port of the panel and one of the switch by itself; one undo takes all of it back', async () => {
    const before = await project();
    await page
      .getByRole('button', { name: /^Ceiling camera$|^Camera, ceiling$/ })
      .first()
      .click();
    const spot = await planPoint(page, 4.2, 9.2);
    await page.mouse.click(spot.x, spot.y);
    await saved(page);
    const after = await project();
    const [run] = Object.values(after.runs).filter((one) => !before.runs[one.id]);
    const own = Object.values(after.terminations).find(({ runId }) => runId === run.id);
    expect(after.equipment[own!.equipmentId].kind).to.equal('patch-panel');
    const cord = Object.values(after.patches).find((one) => one.equipmentId === own!.equipmentId && one.port === own!.port);
    expect(after.equipment[cord!.toEquipmentId].kind).to.equal('switch');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+z');
    await saved(page);
    expect(Object.keys((await project()).terminations).sort()).to.deep.equal(Object.keys(before.terminations).sort());
  });

  it('a table proves which source reaches which display and zone, and tells the way', async () => {
    await open('paths');
    await page.getByRole('button', { name: 'Media player to Great room, over the fireplace' }).click();
    const way = page.getByRole('region', { name: 'The way of Media player to Great room, over the fireplace' });
    expect(await way.textContent()).to.match(/Media player, video out 1.*Video matrix.*HDMI panel/);
    expect(await page.getByText('✕').count()).to.be.greaterThan(0);
  });

  it('a switch is read over the bridge, and two cables that changed places are found', async () => {
    await open('ports');
    await page.getByText('Compare a switch with the plan').click();
    await page.getByRole('button', { name: 'Read the switch' }).click();
    await page.getByText('All 48 ports agree with the plan.').waitFor();
    await page.getByLabel('The simulated switch plays').click();
    await page.getByText('Two cables changed places').click();
    await page.getByRole('button', { name: 'Read the switch' }).click();
    await page.getByText('2 ports do not agree with the plan.').waitFor();
    expect(await page.getByText('another device than planned').count()).to.equal(2);
  });

  it('prints the pack: elevations with the label strip, then every table', async () => {
    const pack = await page.request.get(`${app.url}/api/projects/${id}/documents/head-end.pdf?paper=A4`, {
      timeout: 120_000,
    });
    expect([pack.status(), pack.headers()['content-type']]).to.deep.equal([200, 'application/pdf']);
    expect((await pack.body()).length).to.be.greaterThan(40_000);
  });
});
